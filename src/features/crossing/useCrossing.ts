'use client'

import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { useStore } from 'zustand'
import { createStore, type StoreApi } from 'zustand/vanilla'
import { gateChanges, type CrossingGate, type CrossingView, type Sharing } from '@/core/crossing'
import { type JobSeen, withSettings } from '@/core/installation'
import { findingKey, type Finding } from '@/core/rules'
import { CrossingRunner, ProofRunner, type GatePreview } from '@/workers'
import { useJobScreen, useProof, useSetValue } from '../session'

/** A gate on its way: where it is dragged to, and what that would come to. */
export interface Dragged {
  at: string
  valueF: number
  /** The last result, and its °F: it follows the finger with a delay. */
  preview: (GatePreview & { valueF: number }) | null
  /** Result of all operating states once the finger rests: findings that are not there today, and their °F. */
  proven: { valueF: number; raised: Finding[]; failed: boolean } | null
}

/** The gate that is on its way. It is looked at apart from the screen: a finger draws anew what it moves and nothing else. */
export type Drags = StoreApi<{ dragged: Dragged | null }>

/** The gate at a setting, while that is the one that is dragged. */
export const useDragged = (drags: Drags, at: string): Dragged | null =>
  useStore(drags, ({ dragged }) => (dragged?.at === at ? dragged : null))
/** Who would heat when, with the gate where it is dragged to; null: none is, or it is not known yet. */
export const useDraggedSharing = (drags: Drags): Sharing | null =>
  useStore(drags, ({ dragged }) => dragged?.preview?.sharing ?? null)

/** A person's actions on a lockout. */
export interface GateMoves {
  drags: Drags
  drag: (gate: CrossingGate, valueF: number) => void
  set: (gate: CrossingGate, valueF: number) => void
  drop: () => void
}

/** ms between two previews while a gate moves: the knob goes with the finger, what it comes to a few times a second. */
const PREVIEW_EVERY = 120
/** ms for which the finger rests before every state is proven for where it is. */
const PROOF_AFTER = 250

/** Balance of the job on the screen, and of a lockout that is being dragged. */
export function useCrossing() {
  const { analysis } = useJobScreen()
  const setValue = useSetValue()
  const proof = useProof()
  const { seen } = analysis
  const [view, setView] = useState<{ view: CrossingView; of: JobSeen } | null>(null)
  const [drags] = useState<Drags>(() => createStore(() => ({ dragged: null })))
  const runner = useRef<CrossingRunner | null>(null)
  /** The preview that is to be asked for next, and when the last one was. */
  const asking = useRef<{ timer: number; last: number }>({ timer: 0, last: -Infinity })
  const prover = useRef<{ runner: ProofRunner; timer: number } | null>(null)
  useEffect(() => {
    const { current } = asking
    runner.current = new CrossingRunner()
    return () => {
      clearTimeout(current.timer)
      clearTimeout(prover.current?.timer)
      runner.current?.close()
      prover.current?.runner.close()
      prover.current = null
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
        dragged: {
          at,
          valueF,
          preview: now?.at === at ? now.preview : null,
          proven: now?.at === at ? now.proven : null,
        },
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
      // A worker that nobody has dragged for is not started.
      prover.current ??= { runner: new ProofRunner(), timer: 0 }
      const { current } = prover
      clearTimeout(current.timer)
      current.timer = window.setTimeout(
        () =>
          current.runner.request(withSettings(seen.inst, gateChanges(seen.inst, gate, valueF)), (next) => {
            const stands = new Set(proof.findings.map(findingKey))
            const raised = next?.findings.filter((f) => !stands.has(findingKey(f))) ?? []
            drags.setState(({ dragged: now }) =>
              now?.at === at
                ? { dragged: { ...now, proven: { valueF, raised, failed: next === null } } }
                : {},
            )
          }),
        PROOF_AFTER,
      )
    },
    [seen, drags, proof],
  )
  const drop = useCallback(() => {
    clearTimeout(asking.current.timer)
    clearTimeout(prover.current?.timer)
    drags.setState({ dragged: null })
  }, [drags])
  /** Sets the device that realises a gate: its temperature, and its lockout on; one batch, one undo. */
  const set = useCallback(
    (gate: CrossingGate, valueF: number) => {
      clearTimeout(asking.current.timer)
      clearTimeout(prover.current?.timer)
      if (valueF === gate.valueF && gate.acts) return drop()
      setValue(gateChanges(seen.inst, gate, valueF), 'typed')
    },
    [seen, drop, setValue],
  )
  const moves = useMemo<GateMoves>(() => ({ drags, drag, set, drop }), [drags, drag, set, drop])
  return { moves, seen, view: view?.view ?? null, stale: view !== null && view.of !== seen }
}
