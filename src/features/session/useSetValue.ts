'use client'

import { useCallback } from 'react'
import type { Unknowable, Value } from '@/core/equipment'
import { splitRef, type Ref } from '@/core/installation'
import type { Operation, ValueSource } from '@/jobfile'
import { useJobScreen } from './JobContext'

/** Sets values and says where they come from, all as one edit; the problems in words where one is refused. */
export function useSetValue() {
  const { edit } = useJobScreen()
  return useCallback(
    (values: readonly { at: Ref; value: Unknowable<Value> }[], source: ValueSource) =>
      edit(
        values.flatMap(({ at, value }): Operation[] => {
          const { placed: ref, id: setting } = splitRef(at)
          return [
            { kind: 'setSetting', ref, setting, value },
            { kind: 'markSource', ref, setting, source },
          ]
        }),
      ),
    [edit],
  )
}
