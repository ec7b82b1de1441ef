'use client'

import type { Unknowable, Value } from '@/core/equipment'
import { splitRef, type Ref } from '@/core/installation'
import type { ValueSource } from '@/jobfile'
import { useJobScreen } from '../job/JobContext'

/** Sets a value and says where it comes from; the problems in words where it is refused. */
export function useSetValue() {
  const { edit } = useJobScreen()
  return (at: Ref, value: Unknowable<Value>, source: ValueSource) => {
    const { placed: ref, id: setting } = splitRef(at)
    const result = edit({ kind: 'setSetting', ref, setting, value })
    if (result.ok) edit({ kind: 'markSource', ref, setting, source })
    return result
  }
}

/** Who does it and when, for a note. */
export function useStamp() {
  const { who } = useJobScreen()
  return () => ({ who, when: new Date().toISOString() })
}
