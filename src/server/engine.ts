/** What names the rules and words of this build: `scripts` works it out from their source. */
export const ENGINE = process.env.GATE_CROSS_ENGINE ?? ''
