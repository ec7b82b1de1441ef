'use client'

import { useCallback, useState } from 'react'

/** State that outlives the page on this device: half-done work that is nobody else's yet. */
export function useLocalStorage<T>(key: string, fresh: T): [T, (value: T) => void] {
  const [kept, setKept] = useState(() => ({ key, value: read<T>(key) ?? fresh }))
  // Another key is another thing: what was typed for one job is not shown for the next.
  const { value } = kept.key === key ? kept : { value: read<T>(key) ?? fresh }
  const set = useCallback(
    (next: T) => {
      setKept({ key, value: next })
      try {
        localStorage.setItem(key, JSON.stringify(next))
      } catch {
        // No storage: it lasts as long as the page.
      }
    },
    [key],
  )
  return [value, set]
}

function read<T>(key: string): T | null {
  try {
    const text = localStorage.getItem(key)
    return text === null ? null : (JSON.parse(text) as T)
  } catch {
    return null
  }
}
