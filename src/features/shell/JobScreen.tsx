'use client'

import {
  memo,
  startTransition,
  Suspense,
  useDeferredValue,
  useEffect,
  useMemo,
  useState,
  useSyncExternalStore,
  type ReactNode,
} from 'react'
import Link from 'next/link'
import { usePathname } from 'next/navigation'
import { useStore as useZustand, type StoreApi } from 'zustand'
import { targetsOf } from '@/core/query'
import { sentence, type JobKnown } from '@/jobfile'
import { proofOf, type JobStore } from '@/client'
import {
  JobAnalyses,
  JobContext,
  liveOf,
  later,
  LiveProof,
  openSessionState,
  placeOfPath,
  ProofContext,
  setSituation,
  situations,
  StateContext,
  useFetchedIdle,
  useJobScreen,
  usePlace,
  useStore,
  useWho,
  watchOpenField,
  whenIdle,
  type JobScreenValue,
  type SessionState,
} from '../session'
import { MissingPart } from '../offline'
import { PutBack } from '../putBack'
import { TimeSlot } from '../time'
import { Dock } from './dock'
import { NothingStored } from './NothingStored'
import { PLACES, placeNamed } from './places'
import { FirstRail, Rail } from './Rail'
import { Verdict } from './Verdict'

/** Notices of other people's changes, and of conflicts with them, load after the first render. */
const Notices = later(async () => (await import('./Notices')).Notices)

/**
 * A job: its places, the dock, and the verdict over all of it.
 * @param known what can be shown of it before it is here
 */
export function JobScreen({ jobId, known }: { jobId: string; known: JobKnown | null }) {
  const store = useStore(jobId)
  useEffect(() => {
    // The place of the address loads while the job is loaded and proven.
    void placeNamed(placeOfPath(window.location.pathname))
      .fetch()
      .catch(() => undefined)
  }, [])
  const [session, setSession] = useState<Session | null>(null)
  useEffect(() => {
    if (!store) return
    const analyses = new JobAnalyses()
    const proof = new LiveProof(store, analyses, proofOf(store.jobId))
    const { state, close } = openSessionState(store, analyses, situations, proof)
    const field = watchOpenField(state)
    startTransition(() => setSession({ store, proof, state, seen: field.seen }))
    return () => {
      field.close()
      close()
      proof.close()
    }
  }, [store])
  const first = known ? <FirstLook jobId={jobId} known={known} /> : <Waiting />
  return session && session.store === store ? (
    <StateContext.Provider value={session.state}>
      <Loaded {...session} first={first} />
    </StateContext.Provider>
  ) : (
    first
  )
}

interface Session {
  store: JobStore
  proof: LiveProof
  state: StoreApi<SessionState>
  /** Revision that was on the screen when the box that is typed in was opened. */
  seen: () => number | undefined
}

/** Page content until the job has loaded. */
function Waiting({ children }: { children?: ReactNode }) {
  return (
    <main className="flex min-h-dvh items-center justify-center p-8 text-soft" aria-busy={!children}>
      {children ?? 'Opening the job …'}
    </main>
  )
}

/** The server's knowledge of the job, shown at once. Its verdict is gray, since nothing is checked yet. */
function FirstLook({ jobId, known: { title, owner, verdict } }: { jobId: string; known: JobKnown }) {
  const place = placeNamed(placeOfPath(usePathname())).id
  return (
    <div className="lg:grid lg:grid-cols-[168px_minmax(0,1fr)]" aria-busy>
      <FirstRail {...{ jobId, place, title, owner }} />
      <main className="px-4 pt-3 text-soft lg:px-5 lg:pt-[84px]">
        {verdict && <p className="text-lg leading-snug font-bold">{verdict}</p>}
        <p className="text-sm">{verdict && 'As it was proven last. '}Opening the job …</p>
      </main>
    </div>
  )
}

function Loaded({ store, proof, state, seen, first }: Session & { first: ReactNode }) {
  const [named, go] = usePlace(store.jobId)
  const place = placeNamed(named).id
  const [who, setWho] = useWho()
  // The conductors and the verdict are shown at once; everything else a moment after, without keeping the finger waiting.
  const { view, live, proven } = useDeferredValue(useZustand(state))
  const title = live?.job.title

  useEffect(() => {
    if (title) document.title = `${title} · Gate Cross`
  }, [title])
  useUndoKeys(store)
  const tools = useMemo<Pick<JobScreenValue, 'edit' | 'undo' | 'redo' | 'fixes'>>(
    () => ({
      edit: (op, how) => {
        const begun = how?.seen ?? seen()
        return store.edit(
          typeof op === 'function' ? op(liveOf(state.getState())) : op,
          begun === undefined ? how : { ...how, seen: begun },
        )
      },
      undo: () => void store.undo(),
      redo: () => void store.redo(),
      fixes: proof.fixes,
    }),
    [store, proof, state, seen],
  )
  const find = useFetchedIdle(finder, proven !== null)
  const value = useMemo<JobScreenValue | null>(() => {
    if (!live) return null
    const { solved, analysis, inst, situation, volts, job } = live
    const targets = targetsOf(inst)
    return {
      ...tools,
      job,
      analysis,
      inst,
      circuit: analysis.circuit,
      conflicts: find ? find(analysis) : [],
      situation,
      setSituation,
      solved,
      volts,
      targets,
      place,
      go,
      who: who || job.technician,
      setWho,
    }
  }, [live, find, tools, place, go, who, setWho])

  if (view.missing)
    return (
      <Waiting>
        <div>
          <h1 className="text-xl font-bold text-ink">This job cannot be shown</h1>
          <p className="mt-2">{view.missing.map(sentence).join('; ')}</p>
          <p className="mt-4">
            <Link href="/" className="text-copper underline">
              Go to the jobs
            </Link>
          </p>
        </div>
      </Waiting>
    )
  // The verdict heads every place: nothing is shown before it, so that nothing shifts when it comes.
  if (!value || !proven)
    return view.saving === 'offline' ? (
      <Waiting>The server does not answer yet; trying again …</Waiting>
    ) : (
      first
    )
  return (
    <ProofContext.Provider value={proven.proof}>
      <JobContext.Provider value={value}>
        <Walk decide={store.decide} onSeen={store.dismissNews} />
      </JobContext.Provider>
    </ProofContext.Provider>
  )
}

/**
 * Fetches the other places' code one after another when the browser is idle, so that opening them waits for nothing. An
 * installed app fetches them in `Offline`. They do not run before they are opened: that would delay the finger.
 */
function useOthersFetched() {
  useEffect(() => {
    if ('serviceWorker' in navigator) return
    const others = PLACES.flatMap((p) => [p.fetch, p.fetchMore])
    let left = false
    let callOff = () => undefined as void
    const after = (ms: number, mostMs: number) => {
      const [fetch] = others.splice(0, 1)
      if (!fetch || left) return
      callOff = whenIdle(
        () =>
          void fetch()
            .catch(() => undefined)
            .then(() => after(0, 1000)),
        ms,
        mostMs,
      )
    }
    after(2500, 5000)
    return () => {
      left = true
      callOff()
    }
  }, [])
}

const isPrinting = () => window.matchMedia('print').matches
const onPrint = (l: () => void) => {
  const query = window.matchMedia('print')
  query.addEventListener('change', l)
  return () => query.removeEventListener('change', l)
}

/** The frame and the place; each part of it draws itself again only for what it looks at. */
const Walk = memo(function Walk({ decide, onSeen }: { decide: JobStore['decide']; onSeen: () => void }) {
  const { place } = useJobScreen()
  const { Component, Print } = placeNamed(place)
  useOthersFetched()
  const printing = useSyncExternalStore(onPrint, isPrinting, () => false)
  return (
    <div className="lg:grid lg:grid-cols-[168px_minmax(0,1fr)] print:block">
      <Rail />
      <div className="min-w-0 pb-36 lg:pb-0 print:pb-0">
        <Dock />
        <main className="px-4 pt-3 lg:px-5">
          <TimeSlot />
          <NothingStored />
          <Verdict />
          <Notices decide={decide} onSeen={onSeen} />
          <PutBack />
          {/* It stays as it is meanwhile: what is open there is open again afterwards. */}
          <div hidden={Print !== undefined && printing}>
            <MissingPart key={place}>
              <Suspense
                fallback={
                  <p className="min-h-96 text-soft" data-testid="fetching">
                    …
                  </p>
                }
              >
                <Component />
              </Suspense>
            </MissingPart>
          </div>
          {Print && printing && (
            <Suspense>
              <Print />
            </Suspense>
          )}
        </main>
      </div>
    </div>
  )
})

/** Finds contradictions: the first render does not wait for every rule. */
const finder = async () => (await import('@/jobfile/derived')).jobFindingsOf

function useUndoKeys(store: JobStore) {
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      const typing = e.target instanceof HTMLElement && e.target.closest('input, textarea, select')
      if (typing || !(e.ctrlKey || e.metaKey) || e.key.toLowerCase() !== 'z') return
      e.preventDefault()
      if (e.shiftKey) store.redo()
      else store.undo()
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [store])
}
