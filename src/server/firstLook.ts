import { headers } from 'next/headers'
import { sessionOf } from './session'
import type { Shop } from './shop'

/** ms that a page waits for what it can show before its script is there: longer, and it goes out without. */
const MOST_MS = 300

/**
 * First content of a page from the database; null where it does not come in time, and for a request that no person
 * makes: a page that is stored on the device for days must contain nobody's jobs.
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
