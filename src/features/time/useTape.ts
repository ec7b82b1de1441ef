'use client'

import { useEffect, useRef, useState } from 'react'
import type { JobSeen } from '@/core/installation'
import type { Variation, SceneEvent, Scene, Tape } from '@/core/simulation'
import { TimeRunner } from '@/workers'
import { useJobScreen } from '../session'

/** A tape, and the one that it is held beside. */
export interface Tapes {
  as: Tape
  other: Tape | null
  scene: Scene
  seen: JobSeen
}

/** Runs a scene of the job as it stands, and once more with one thing otherwise. */
export function useTape(
  scene: Scene,
  outdoorF: number | undefined,
  otherwise: Variation | null,
  own: readonly SceneEvent[] | null,
): { tapes: Tapes | null; failed: boolean; seen: JobSeen } {
  const { analysis } = useJobScreen()
  const { seen } = analysis
  const [tapes, setTapes] = useState<Tapes | null>(null)
  const [failed, setFailed] = useState(false)
  const started = useRef<TimeRunner | null>(null)
  const runner = () => (started.current ??= new TimeRunner())
  useEffect(
    () => () => {
      started.current?.close()
      started.current = null
    },
    [],
  )
  useEffect(() => {
    let wanted = true
    const run = (o: Variation | null) =>
      runner().scene(seen, scene, { outdoorF, sampleEvery: 60, ...(own && { own }) }, o)
    void (async () => {
      try {
        const as = await run(null)
        const other = otherwise ? await run(otherwise) : null
        if (!wanted) return
        setFailed(false)
        setTapes({ as, other, scene, seen })
      } catch {
        if (wanted) setFailed(true)
      }
    })()
    return () => {
      wanted = false
    }
  }, [seen, scene, outdoorF, otherwise, own])
  return { tapes, failed, seen }
}
