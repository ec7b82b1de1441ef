/** ms by which a device's clock may differ from the server's: more is told, and corrected. */
export const MOST_OFF_MS = 120_000
