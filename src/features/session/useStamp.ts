'use client'

import { now } from '@/client'
import { useJobScreen } from './JobContext'

/** Who does it and when, for a note. */
export function useStamp() {
  const { who } = useJobScreen()
  return () => ({ who, when: now().toISOString() })
}
