'use client'

import { usePathname } from 'next/navigation'
import { startTransition, useCallback, useEffect, useState, useSyncExternalStore } from 'react'
import type { Installation } from '@/core/installation'
import type { Proof } from '@/core/laws'
import type { Situation } from '@/core/situation'
import { browserQueue, httpTransport, JobStore } from '@/client'
import { installationOf } from '@/jobfile'
import { ProofRunner } from '@/workers'
import { placeOfPath, type Place } from './places'
import { fromQuery, START, toQuery } from './situationUrl'

const WHO = 'gate-cross-who'

/** Who is at work on this device; kept here, stamped on every edit and reading. */
export function useWho(): [string, (who: string) => void] {
  const [who, setWho] = useState(() =>
    typeof localStorage === 'undefined' ? '' : (localStorage.getItem(WHO) ?? ''),
  )
  const set = useCallback((next: string) => {
    setWho(next)
    try {
      localStorage.setItem(WHO, next)
    } catch {
      // No storage: the name lasts as long as the page.
    }
  }, [])
  return [who, set]
}

/** After the next frame at the latest, and at once where no frame will come. */
const afterFrame = (act: () => Promise<void>): Promise<void> =>
  new Promise((resolve, reject) => {
    if (document.visibilityState === 'hidden') return act().then(resolve, reject)
    requestAnimationFrame(() => setTimeout(() => act().then(resolve, reject)))
  })

/** The job's store, loaded, and looked at again whenever the technician comes back to the page. */
export function useStore(jobId: string): JobStore | null {
  const [store, setStore] = useState<JobStore | null>(null)
  useEffect(() => {
    const made = new JobStore(jobId, {
      transport: httpTransport(),
      queue: browserQueue(),
      client: crypto.randomUUID(),
      who: () => localStorage.getItem(WHO) ?? '',
      newId: () => crypto.randomUUID(),
      now: () => new Date(),
      sendAfter: 150,
      aside: afterFrame,
    })
    // eslint-disable-next-line react-hooks/set-state-in-effect -- the store lives in the browser only
    setStore(made)
    void made.load()
    const again = () => document.visibilityState === 'visible' && void made.load()
    const online = () => void made.flush()
    document.addEventListener('visibilitychange', again)
    window.addEventListener('online', online)
    return () => {
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
export function useSituation(): [Situation, (s: Situation) => void] {
  const situation = useSyncExternalStore(
    (l) => {
      listeners.add(l)
      window.addEventListener('popstate', l)
      return () => {
        listeners.delete(l)
        window.removeEventListener('popstate', l)
      }
    },
    readSituation,
    () => START,
  )
  const set = useCallback((s: Situation) => {
    const query = toQuery(s)
    current = { query, situation: s }
    window.history.replaceState(null, '', `${window.location.pathname}${query}`)
    listeners.forEach((l) => l())
  }, [])
  return [situation, set]
}

/** The place in the address. Moving between places makes no request. */
export function usePlace(jobId: string): [Place, (p: Place) => void] {
  const path = usePathname()
  const go = useCallback(
    (p: Place) => {
      window.history.pushState(null, '', `/job/${jobId}/${p}${window.location.search}`)
      window.scrollTo(0, 0)
    },
    [jobId],
  )
  return [placeOfPath(path), go]
}

/**
 * The proof of the wiring, from the worker; the last one stays, stale, until the next is there. It is asked for by the
 * edit itself and not by the drawing that follows it: the two go on side by side.
 */
export function useProofs(store: JobStore) {
  const [runner, setRunner] = useState<ProofRunner | null>(null)
  const [result, setResult] = useState<{ proof: Proof; of: Installation } | null>(null)
  useEffect(() => {
    const made = new ProofRunner()
    // eslint-disable-next-line react-hooks/set-state-in-effect -- the worker lives in the browser only
    setRunner(made)
    let asked: Installation | null = null
    const ask = () => {
      const { job } = store.getView()
      const inst = job && installationOf(job)
      if (!inst || inst === asked) return
      asked = inst
      made.request(inst, (proof) => setResult({ proof, of: inst }))
    }
    ask()
    const stop = store.subscribe(ask)
    return () => {
      stop()
      made.close()
    }
  }, [store])
  return { runner, proof: result?.proof ?? null, of: result?.of }
}

/**
 * The value as it was when the screen was last painted, brought up to date after the next painting: what hangs on it is
 * not drawn in the way of what the technician is looking at.
 */
export function useAfterPaint<T>(value: T): T {
  const [later, setLater] = useState(value)
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined
    const show = () => startTransition(() => setLater(value))
    // A page that is not shown paints nothing: then there is nothing to wait for.
    if (document.visibilityState === 'hidden') timer = setTimeout(show)
    const frame = requestAnimationFrame(() => {
      timer = setTimeout(show)
    })
    return () => {
      cancelAnimationFrame(frame)
      clearTimeout(timer)
    }
  }, [value])
  return later ?? value
}
