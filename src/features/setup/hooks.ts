'use client'

import { useMemo } from 'react'
import type { Known, Value } from '@/core/equipment'
import { splitRef, type Ref } from '@/core/installation'
import { conflictsIn, type Conflicting, type SetupSeen } from '@/core/setup'
import type { Job, ValueSource } from '@/jobfile'
import type { Installation } from '@/core/installation'
import { useJobScreen } from '../job/JobContext'

/** What the conflicts of a job are looked for in. */
export const seenOf = (job: Job, inst: Installation): SetupSeen => ({
  inst,
  answers: job.setup.interview,
  tested: job.readings.length > 0,
})

/** The contradictions of the job as it stands. */
export function useConflicts(): Conflicting[] {
  const { job, inst } = useJobScreen()
  return useMemo(() => conflictsIn(seenOf(job, inst)), [job, inst])
}

/** Sets a value and says where it comes from; the problems in words where it is refused. */
export function useSetValue() {
  const { edit } = useJobScreen()
  return (at: Ref, value: Known<Value>, source: ValueSource) => {
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
