import type { Tip } from './Tip'

/** Fetches `Tip`, for a screen whose first look does without it. */
export const fetchTip = async (): Promise<typeof Tip> => (await import('./Tip')).Tip
