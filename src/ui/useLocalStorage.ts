'use client'

import { useCallback, useState } from 'react'
import { drop, keep, keptValue } from './kept'

/** State that outlives the page on this device: half-done work that is nobody else's yet. */
export function useLocalStorage<T>(key: string, fresh: T): [T, (value: T) => void] {
  const [state, setState] = useState(() => ({ key, value: keptValue<T>(key) ?? fresh }))
  // Another key is another thing: what was typed for one job is not shown for the next.
  const { value } = state.key === key ? state : { value: keptValue<T>(key) ?? fresh }
  const set = useCallback(
    (next: T) => {
      setState({ key, value: next })
      if (next === null) drop(key)
      else keep(key, JSON.stringify(next))
    },
    [key],
  )
  return [value, set]
}
