/** Runs something when nothing else is to be done, a little after the page is there; what it gives calls it off. */
export function whenIdle(act: () => void, afterMs = 1200): () => void {
  let idle: number | null = null
  const soon = setTimeout(() => {
    idle = requestIdleCallback(act, { timeout: 5000 })
  }, afterMs)
  return () => {
    clearTimeout(soon)
    if (idle !== null) cancelIdleCallback(idle)
  }
}
