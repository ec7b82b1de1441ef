'use client'

import { useCallback } from 'react'
import { useLocalStorage } from '@/ui'
import { useJobScreen, useSessionState } from './JobContext'

interface Draft<T> {
  value: T
  /** The revision of the job that was seen at the first keystroke. */
  seen: number
}

/**
 * Something half-typed, which outlives the page on this device, and the revision that was seen when it was begun: an edit made
 * of it is compared with what somebody else has done since.
 * @param name tells it from other drafts of the job
 * @returns the draft (null: none), the revision, what takes a keystroke, and what forgets it
 */
export function useDraft<T>(name: string) {
  const { job } = useJobScreen()
  const state = useSessionState()
  const [draft, setDraft] = useLocalStorage<Draft<T> | null>(`gate-cross-draft-${job.id}-${name}`, null)
  const put = useCallback(
    (value: T) => setDraft({ value, seen: draft?.seen ?? state.getState().view.version }),
    [draft, setDraft, state],
  )
  const clear = useCallback(() => setDraft(null), [setDraft])
  return { value: draft?.value ?? null, seen: draft?.seen, put, clear }
}
