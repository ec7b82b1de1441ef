/** Name of the rules and words of this build; `scripts` derives it from their source. */
export const ENGINE = process.env.GATE_CROSS_ENGINE ?? ''
