'use client'

import { useSyncExternalStore } from 'react'

/** As Tailwind's `lg`. */
const WIDE = '(min-width: 1024px)'
const onWidth = (l: () => void) => {
  const query = window.matchMedia(WIDE)
  query.addEventListener('change', l)
  return () => query.removeEventListener('change', l)
}

/** Whether there is room for what a wide screen shows; what is not shown is not computed either. */
export const useWide = (): boolean =>
  useSyncExternalStore(
    onWidth,
    () => window.matchMedia(WIDE).matches,
    () => true,
  )
