'use client'

import { useCallback, useEffect, useMemo, useState } from 'react'
import type { Ref } from '@/core/installation'
import type { Operation } from '@/jobfile'
import { refWords } from '@/words'
import { liveOf, newWireId, useJobScreen, useSessionState } from '../session'
import { choose, landingOperations, type Landing } from './landing'

/** The last action, offered for undo. */
export interface Done {
  words: string
  at: number
}

/** The landing machine with its edits, and what was done last. */
export function useLanding() {
  const { edit, undo } = useJobScreen()
  const session = useSessionState()
  const [state, setState] = useState<Landing>({ step: 'none' })
  const [done, setDone] = useState<Done | null>(null)

  const perform = useCallback(
    (op: Operation, words: string) => {
      // The wiring at this instant: two quick landings must not take the same spare.
      if (edit(landingOperations(liveOf(session.getState()).inst, op)).ok) setDone({ words, at: Date.now() })
    },
    [session, edit],
  )

  const chooseTerminal = useCallback(
    (terminal: Ref) => {
      const { inst } = liveOf(session.getState())
      const { next, op } = choose(inst, state, terminal, newWireId)
      setState(next)
      if (!op) return
      if (op.kind === 'addWire')
        perform(op, `Landed from ${refWords(inst, op.wire.a ?? '')} to ${refWords(inst, op.wire.b ?? '')}`)
      else if (op.kind === 'landWire') perform(op, `Moved to ${refWords(inst, terminal)}`)
    },
    [session, state, perform],
  )

  useEffect(() => {
    const onKey = (e: KeyboardEvent) => e.key === 'Escape' && setState({ step: 'none' })
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [])

  return useMemo(
    () => ({
      state,
      setState,
      chooseTerminal,
      perform,
      done,
      forget: () => setDone(null),
      undoDone: () => {
        undo()
        setDone(null)
      },
    }),
    [state, chooseTerminal, perform, done, undo],
  )
}
export type LandingTools = ReturnType<typeof useLanding>
