'use client'

import { useCallback, useEffect, useRef, useState } from 'react'
import { sampleAt, stepAt, type Tape } from '@/core/simulation'
import { degF } from '@/core/units'
import { showSceneInstant, situations, sceneInstantOf } from '../session'

/** s of the scene to a second of the person's. */
export const SPEEDS = [1, 10, 60, 600, 3600, 10_000] as const
export type Speed = (typeof SPEEDS)[number]

/** Seconds between two looks while it plays; a person who wants no motion sees one a second. */
const EVERY = { moving: 50, still: 1000 }

/** ms after which a finger rests, as in Crossing's drag. */
const RESTS_AFTER = 250

export interface Player {
  at: number
  playing: boolean
  speed: Speed
  seek: (at: number) => void
  /** Under a finger that moves: the clock at once, the screen around it when the finger rests. */
  scrub: (at: number) => void
  play: (on: boolean) => void
  setSpeed: (s: Speed) => void
  /** To the event after this instant, or the one before. */
  step: (by: 1 | -1) => void
}

/** Plays a tape: the whole screen stands as it did at its second. */
export function usePlayer(tape: Tape, scene: string, own: string | undefined, begins: number): Player {
  const [at, setAt] = useState(begins)
  const [playing, setPlaying] = useState(false)
  const [speed, setSpeed] = useState<Speed>(600)
  const shown = useRef<{ tape: Tape; step: unknown } | null>(null)

  const show = useCallback(
    (to: number) => {
      const now = Math.min(tape.until, Math.max(0, to))
      setAt(now)
      const step = stepAt(tape, now)
      if (!step) return
      const isHere = sceneInstantOf(situations.get()) !== null
      // Between two events nothing but the air moves: the screen is drawn anew when something has.
      if (isHere && shown.current?.tape === tape && shown.current.step === step) return
      shown.current = { tape, step }
      const outdoorF = sampleAt(tape, now)?.outdoorF
      showSceneInstant({
        scene,
        at: now,
        ...(own === undefined ? {} : { own }),
        situation: {
          ...step.situation,
          ...(outdoorF === undefined ? {} : { outdoorF: degF(Math.round(outdoorF * 10) / 10) }),
        },
        closed: step.closed,
        coils: step.coils,
      })
    },
    [tape, scene, own],
  )

  // A tape that has just come shows where the clock stands.
  useEffect(() => {
    // eslint-disable-next-line react-hooks/set-state-in-effect -- the screen outside follows the tape
    show(at)
    // eslint-disable-next-line react-hooks/exhaustive-deps -- only when another tape comes
  }, [tape])

  useEffect(() => {
    if (!playing) return
    const still = window.matchMedia('(prefers-reduced-motion: reduce)').matches
    const every = still ? EVERY.still : EVERY.moving
    let last = performance.now()
    let now = at
    const timer = setInterval(() => {
      const time = performance.now()
      now = Math.min(tape.until, now + ((time - last) / 1000) * speed)
      last = time
      show(now)
      if (now >= tape.until) setPlaying(false)
    }, every)
    return () => clearInterval(timer)
    // eslint-disable-next-line react-hooks/exhaustive-deps -- it goes on from where it stood when it began
  }, [playing, speed, tape, show])

  const resting = useRef<ReturnType<typeof setTimeout> | null>(null)
  const moves = () => {
    if (resting.current !== null) clearTimeout(resting.current)
    resting.current = null
  }
  useEffect(() => moves, [])
  const scrub = useCallback(
    (to: number) => {
      setPlaying(false)
      const now = Math.min(tape.until, Math.max(0, to))
      setAt(now)
      moves()
      resting.current = setTimeout(() => show(now), RESTS_AFTER)
    },
    [tape, show],
  )
  const seek = useCallback(
    (to: number) => {
      moves()
      setPlaying(false)
      show(to)
    },
    [show],
  )
  const step = useCallback(
    (by: 1 | -1) => {
      const events = tape.steps.filter((s) => s.moves.length)
      const next =
        by > 0 ? events.find((s) => s.at > at + 0.01) : [...events].reverse().find((s) => s.at < at - 0.01)
      seek(next?.at ?? (by > 0 ? tape.until : 0))
    },
    [tape, at, seek],
  )
  const play = useCallback(
    (on: boolean) => {
      if (on && at >= tape.until) setAt(0)
      setPlaying(on)
    },
    [tape, at],
  )
  return { at, playing, speed, seek, scrub, play, setSpeed, step }
}
