'use client'

import { writeStored } from './localStore'
import { THEME_KEY } from './themeScript'
import { useSyncExternalStore } from 'react'

export type Theme = 'light' | 'dark'

const listeners = new Set<() => void>()
const subscribe = (l: () => void) => {
  listeners.add(l)
  return () => listeners.delete(l)
}
const current = (): Theme => (document.documentElement.dataset.theme === 'dark' ? 'dark' : 'light')

export function useTheme(): [Theme, (t: Theme) => void] {
  const theme = useSyncExternalStore(subscribe, current, () => 'light' as const)
  const set = (t: Theme) => {
    document.documentElement.dataset.theme = t
    writeStored(THEME_KEY, t)
    listeners.forEach((l) => l())
  }
  return [theme, set]
}
