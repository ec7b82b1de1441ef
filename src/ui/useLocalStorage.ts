'use client'

import { useCallback, useState } from 'react'
import { removeStored, writeStored, readStoredValue } from './localStore'

/** State that outlives the page on this device: half-done work that is nobody else's yet. */
export function useLocalStorage<T>(key: string, fresh: T): [T, (value: T) => void] {
  const [state, setState] = useState(() => ({ key, value: readStoredValue<T>(key) ?? fresh }))
  // Another key is another thing: what was typed for one job is not shown for the next.
  const { value } = state.key === key ? state : { value: readStoredValue<T>(key) ?? fresh }
  const set = useCallback(
    (next: T) => {
      setState({ key, value: next })
      if (next === null) removeStored(key)
      else writeStored(key, JSON.stringify(next))
    },
    [key],
  )
  return [value, set]
}
