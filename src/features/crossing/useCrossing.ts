'use client'

import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { useStore } from 'zustand'
import { createStore, type StoreApi } from 'zustand/vanilla'
import { gateChanges, type CrossingGate, type CrossingView, type Sharing } from '@/core/crossing'
import type { JobSeen } from '@/core/installation'
import { jobSeen } from '@/jobfile'
import { CrossingRunner, type GatePreview } from '@/workers'
import { useJobScreen, useSetValue } from '../session'

/** A gate on its way: where it is dragged to, and what that would come to. */
export interface Dragged {
  at: string
  valueF: number
  /** What was reckoned last, and for which °F: it comes after the finger. */
  preview: (GatePreview & { valueF: number }) | null
}

/** The gate that is on its way. It is looked at apart from the screen: a finger draws anew what it moves and nothing else. */
export type Drags = StoreApi<{ dragged: Dragged | null }>

/** The gate at a setting, while that is the one that is dragged. */
export const useDragged = (drags: Drags, at: string): Dragged | null =>
  useStore(drags, ({ dragged }) => (dragged?.at === at ? dragged : null))
/** Who would heat when, with the gate where it is dragged to; null: none is, or it is not known yet. */
export const useDraggedSharing = (drags: Drags): Sharing | null =>
  useStore(drags, ({ dragged }) => dragged?.preview?.sharing ?? null)

/** What a person does with a gate. */
export interface GateMoves {
  drags: Drags
  drag: (gate: CrossingGate, valueF: number) => void
  set: (gate: CrossingGate, valueF: number) => void
  drop: () => void
}

/** ms between two previews while a gate moves: the knob goes with the finger, what it comes to a few times a second. */
const PREVIEW_EVERY = 120

/** What Crossing says of the job on the screen, and of a gate that is being dragged. */
export function useCrossing() {
  const { job, inst } = useJobScreen()
  const setValue = useSetValue()
  const seen = useMemo<JobSeen>(() => jobSeen(job, inst), [job, inst])
  const [view, setView] = useState<{ view: CrossingView; of: JobSeen } | null>(null)
  const [drags] = useState<Drags>(() => createStore(() => ({ dragged: null })))
  const runner = useRef<CrossingRunner | null>(null)
  /** The preview that is to be asked for next, and when the last one was. */
  const asking = useRef<{ timer: number; last: number }>({ timer: 0, last: -Infinity })
  useEffect(() => {
    const { current } = asking
    runner.current = new CrossingRunner()
    return () => {
      clearTimeout(current.timer)
      runner.current?.close()
    }
  }, [])
  useEffect(() => {
    runner.current?.view(seen, (next) => {
      setView({ view: next, of: seen })
      drags.setState({ dragged: null })
    })
  }, [seen, drags])
  /** Shows where a gate is dragged to at once, and what it would come to as soon as that is known. */
  const drag = useCallback(
    (gate: CrossingGate, valueF: number) => {
      const { at } = gate
      drags.setState(({ dragged: now }) => ({
        dragged: { at, valueF, preview: now?.at === at ? now.preview : null },
      }))
      const ask = () => {
        asking.current.last = performance.now()
        runner.current?.preview(seen, gateChanges(seen.inst, gate, valueF), (preview) =>
          drags.setState(({ dragged: now }) =>
            now?.at === at ? { dragged: { ...now, preview: { ...preview, valueF } } } : {},
          ),
        )
      }
      clearTimeout(asking.current.timer)
      const wait = asking.current.last + PREVIEW_EVERY - performance.now()
      asking.current.timer = window.setTimeout(ask, Math.max(0, wait))
    },
    [seen, drags],
  )
  const drop = useCallback(() => {
    clearTimeout(asking.current.timer)
    drags.setState({ dragged: null })
  }, [drags])
  /** Sets the device that realises a gate: its temperature, and its lockout on; one batch, one undo. */
  const set = useCallback(
    (gate: CrossingGate, valueF: number) => {
      clearTimeout(asking.current.timer)
      if (valueF === gate.valueF && gate.acts) return drop()
      setValue(gateChanges(seen.inst, gate, valueF), 'typed')
    },
    [seen, drop, setValue],
  )
  const moves = useMemo<GateMoves>(() => ({ drags, drag, set, drop }), [drags, drag, set, drop])
  return { moves, seen, view: view?.view ?? null, stale: view !== null && view.of !== seen }
}
