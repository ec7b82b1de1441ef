'use client'

import { useSyncExternalStore } from 'react'
import { sceneInAddress } from '../session'

/** Whether the clock is out; an address that names a scene brings it. */
let open: boolean | null = null
const listeners = new Set<() => void>()

const isOpen = (): boolean => (open ??= sceneInAddress() !== null)

export function setClockOpen(next: boolean): void {
  open = next
  listeners.forEach((l) => l())
}

export const useClockOpen = (): boolean =>
  useSyncExternalStore(
    (l) => {
      listeners.add(l)
      return () => listeners.delete(l)
    },
    isOpen,
    () => false,
  )
