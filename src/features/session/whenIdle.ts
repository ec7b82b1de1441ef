/**
 * Runs something when nothing else is to be done; what it gives calls it off.
 * @param afterMs how long it waits at least; `mostMs`: how long after that it is put off at most
 */
export function whenIdle(act: () => void, afterMs: number, mostMs: number): () => void {
  let idle: number | null = null
  const soon = setTimeout(() => {
    idle = requestIdleCallback(act, { timeout: mostMs })
  }, afterMs)
  return () => {
    clearTimeout(soon)
    if (idle !== null) cancelIdleCallback(idle)
  }
}
