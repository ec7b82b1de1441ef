'use client'

import { usePathname } from 'next/navigation'
import { useCallback, useEffect, useState } from 'react'
import type { Situation } from '@/core/situation'
import { browserQueue, clockOff, httpTransport, JobStore, now, openLive } from '@/client'
import { readStored, writeStored, WHO } from '@/ui'
import type { Source } from './sessionState'
import { setSceneInstant, sceneInstantOf, type SceneInstant } from './sceneInstant'
import { fromQuery, toQuery } from './situationUrl'

/** Who is at work on this device; kept here, stamped on every edit and reading. */
export function useWho(): [string, (who: string) => void] {
  const [who, setWho] = useState(() => readStored(WHO) ?? '')
  const set = useCallback((next: string) => {
    setWho(next)
    writeStored(WHO, next)
  }, [])
  return [who, set]
}

/** After the next frame at the latest, and at once where no frame will come, or the page is put away. */
const afterFrame = (act: () => Promise<void>): Promise<void> =>
  new Promise((resolve, reject) => {
    let ran = false
    const run = () => {
      window.removeEventListener('pagehide', run)
      if (!ran) void act().then(resolve, reject)
      ran = true
    }
    window.addEventListener('pagehide', run)
    // A page that is not shown paints nothing.
    if (document.visibilityState === 'hidden') run()
    else requestAnimationFrame(() => setTimeout(run))
  })

/** Once nobody has edited for three seconds, when nothing else is to be done, or the page is put away. */
const whenQuiet = (act: () => Promise<void>): Promise<void> =>
  new Promise((resolve, reject) => {
    const write = () => {
      clearTimeout(timer)
      window.removeEventListener('pagehide', write)
      act().then(resolve, reject)
    }
    const timer = setTimeout(() => requestIdleCallback(write, { timeout: 2000 }), 3000)
    window.addEventListener('pagehide', write)
  })

/** Job name in the address of the page that serves every job. */
const ANY_JOB = '-'

/** The job's store, loaded, and looked at again whenever the technician comes back to the page. */
export function useStore(jobId: string): JobStore | null {
  const [store, setStore] = useState<JobStore | null>(null)
  useEffect(() => {
    const live = openLive()
    // Without a signal one page stands for every job, and its address says which.
    const id = jobId === ANY_JOB ? (window.location.pathname.split('/')[2] ?? jobId) : jobId
    const made = new JobStore(id, {
      transport: httpTransport(),
      queue: browserQueue(),
      client: crypto.randomUUID(),
      who: () => readStored(WHO) ?? '',
      newId: () => crypto.randomUUID(),
      now,
      clockOff,
      sendAfter: 150,
      defer: afterFrame,
      idle: whenQuiet,
      tell: live.tell,
    })
    // eslint-disable-next-line react-hooks/set-state-in-effect -- the store lives in the browser only
    setStore(made)
    void made.load()
    const stop = live.listen((heard) => {
      if (heard.kind !== 'changed') made.hearTab(heard)
      else if (heard.id === null) made.hear(null)
      else if (heard.id === id) made.hear(heard.moved ? null : heard.version)
    })
    const again = () => document.visibilityState === 'visible' && made.hear(null)
    const online = () => void made.flush()
    document.addEventListener('visibilitychange', again)
    window.addEventListener('online', online)
    return () => {
      stop()
      document.removeEventListener('visibilitychange', again)
      window.removeEventListener('online', online)
      made.close()
    }
  }, [jobId])
  return store
}

const listeners = new Set<() => void>()
let current: { query: string; situation: Situation } | null = null
function readSituation(): Situation {
  const query = window.location.search
  if (current?.query !== query) current = { query, situation: fromQuery(query) }
  return current.situation
}

/** The situation lives in the address, so that it can be sent, bookmarked and gone back to. */
export const situations: Source<Situation> = {
  get: readSituation,
  subscribe: (l) => {
    listeners.add(l)
    window.addEventListener('popstate', l)
    return () => {
      listeners.delete(l)
      window.removeEventListener('popstate', l)
    }
  },
}
export function setSituation(s: Situation): void {
  const now = sceneInstantOf(s)
  if (!now) setSceneInstant(null)
  const query = `${toQuery(s)}${now ? `&scene=${now.scene}&at=${Math.round(now.at)}${now.own === undefined ? '' : `&events=${encodeURIComponent(now.own)}`}` : ''}`
  current = { query, situation: s }
  window.history.replaceState(null, '', `${window.location.pathname}${query}`)
  listeners.forEach((l) => l())
}
/** Shows an instant of a scene: the whole screen stands as it does there, and the address says so. */
export function showSceneInstant(instant: SceneInstant): void {
  setSceneInstant(instant)
  setSituation(instant.situation)
}
/** The scene and the second that the address names; null: none. */
export function sceneInAddress(): { scene: string; at: number; own: string | null } | null {
  const q = new URLSearchParams(window.location.search)
  const [scene, at] = [q.get('scene'), Number(q.get('at') ?? 0)]
  return scene ? { scene, at: Number.isFinite(at) && at >= 0 ? at : 0, own: q.get('events') } : null
}
/** The place that an address names; '' when it names none. */
export const placeOfPath = (path: string): string => path.split('/')[3] ?? ''

/** The place in the address. Moving between places makes no request. */
export function usePlace(jobId: string): [string, (place: string) => void] {
  const path = usePathname()
  const go = useCallback(
    (place: string) => {
      window.history.pushState(null, '', `/job/${jobId}/${place}${window.location.search}`)
      window.scrollTo(0, 0)
    },
    [jobId],
  )
  return [placeOfPath(path), go]
}
