import { headers } from 'next/headers'
import { sessionOf } from './session'
import type { Shop } from './shop'

/** ms that a page waits for what it can show before its script is there: longer, and it goes out without. */
const MOST_MS = 300

/**
 * What a page shows at once, out of the database; null where it is not there in time, and for whatever is not a person's own
 * look: a page that is kept on the device for days without a signal must hold nobody's jobs.
 */
export async function firstLook<T>(ask: (at: Shop) => Promise<T>): Promise<T | null> {
  const asked = await headers()
  if (asked.get('sec-fetch-mode') !== 'navigate') return null
  let timer: ReturnType<typeof setTimeout> | undefined
  const late = new Promise<null>((resolve) => (timer = setTimeout(resolve, MOST_MS, null)))
  const found = (async () => ask(sessionOf({ headers: asked }).at))()
  try {
    return await Promise.race([found, late])
  } catch {
    return null
  } finally {
    clearTimeout(timer)
  }
}
