'use client'

import { useEffect, useMemo, useRef, useState } from 'react'
import { gateChanges, type CrossingGate, type CrossingView, type SettingChange } from '@/core/crossing'
import { splitRef, type JobSeen } from '@/core/installation'
import { jobSeen, type Operation } from '@/jobfile'
import { CrossingRunner, type GatePreview } from '@/workers'
import { useJobScreen } from '../session'

/** A gate on its way: where it is dragged to, and what that would come to. */
export interface Dragged {
  at: string
  valueF: number
  preview: GatePreview | null
}

/** What Crossing says of the job on the screen, and of a gate that is being dragged. */
export function useCrossing() {
  const { job, inst, edit } = useJobScreen()
  const seen = useMemo<JobSeen>(() => jobSeen(job, inst), [job, inst])
  const [view, setView] = useState<{ view: CrossingView; of: JobSeen } | null>(null)
  const [dragged, setDragged] = useState<Dragged | null>(null)
  const runner = useRef<CrossingRunner | null>(null)
  useEffect(() => {
    runner.current = new CrossingRunner()
    return () => runner.current?.close()
  }, [])
  useEffect(() => {
    runner.current?.view(seen, (next) => {
      setView({ view: next, of: seen })
      setDragged(null)
    })
  }, [seen])
  /** Shows where a gate is dragged to at once, and what it would come to as soon as that is known. */
  const drag = (at: string, valueF: number, changes: SettingChange[]) => {
    setDragged((now) => ({ at, valueF, preview: now?.at === at ? now.preview : null }))
    runner.current?.preview(seen, changes, (preview) =>
      setDragged((now) => (now?.at === at && now.valueF === valueF ? { at, valueF, preview } : now)),
    )
  }
  /** Sets the device that realises a gate: its temperature, and its lockout on; one batch, one undo. */
  const setGate = (gate: CrossingGate, valueF: number) => {
    if (valueF === gate.valueF && gate.acts) return setDragged(null)
    edit(
      gateChanges(inst, gate, valueF).flatMap(({ at, value }): Operation[] => {
        const { placed: ref, id: setting } = splitRef(at)
        return [
          { kind: 'setSetting', ref, setting, value },
          { kind: 'markSource', ref, setting, source: 'typed' },
        ]
      }),
    )
  }
  return {
    setGate,
    seen,
    view: view?.view ?? null,
    stale: view !== null && view.of !== seen,
    dragged,
    drag,
    drop: () => setDragged(null),
  }
}
