'use client'

import { targetsOf } from '@/core/query'
import { memo, useEffect, useMemo, useState, type ReactNode } from 'react'
import Link from 'next/link'
import { gateChain } from '@/core/explain'
import { jobFindings } from '@/core/rules'
import { jobSeen, sentence, type Operation } from '@/jobfile'
import type { JobStore, JobView } from '@/client'
import { ConflictList } from './ConflictList'
import {
  BoardContext,
  JobAnalyses,
  JobContext,
  LiveBoard,
  LiveProof,
  LiveProofContext,
  ProofContext,
  setSituation,
  SituationContext,
  situations,
  StoreContext,
  useCalm,
  useJobScreen,
  usePlace,
  useSituation,
  useStore,
  useWho,
  ViewContext,
  type JobScreenValue,
  type LiveValue,
  type Proven,
  type Source,
} from '../session'
import { Dock } from './dock'
import { placeNamed } from './places'
import { Rail } from './Rail'
import { Verdict } from './Verdict'

/** A job: its places, the dock, and the verdict over all of it. */
export function JobScreen({ jobId }: { jobId: string }) {
  const store = useStore(jobId)
  const [live, setLive] = useState<Live | null>(null)
  useEffect(() => {
    if (!store) return
    const analyses = new JobAnalyses()
    const proof = new LiveProof(store, analyses)
    // eslint-disable-next-line react-hooks/set-state-in-effect -- workers live in the browser only
    setLive({ store, board: new LiveBoard(store, analyses, situations), proof })
    return () => proof.close()
  }, [store])
  return live && live.store === store ? <Loaded {...live} /> : <Waiting />
}

interface Live {
  store: JobStore
  board: LiveBoard
  proof: LiveProof
}

function Waiting({ children }: { children?: ReactNode }) {
  return (
    <main className="flex min-h-dvh items-center justify-center p-8 text-soft" aria-busy={!children}>
      {children ?? 'Opening the job …'}
    </main>
  )
}

/** Everything that the calm parts of the screen look at, as one value: it changes as a whole or not at all. */
function calmSource({ store, board, proof }: Live): Source<Calm> {
  let last: Calm | null = null
  return {
    get: () => {
      const next: Calm = { view: store.getView(), live: board.get(), proven: proof.get() }
      if (last && last.view === next.view && last.live === next.live && last.proven === next.proven)
        return last
      return (last = next)
    },
    subscribe: (l) => {
      const stops = [board.subscribe(l), proof.subscribe(l)]
      return () => stops.forEach((stop) => stop())
    },
  }
}
interface Calm {
  view: JobView
  live: LiveValue | null
  proven: Proven | null
}

function Loaded({ store, board, proof }: Live) {
  const [named, go] = usePlace(store.jobId)
  const place = placeNamed(named).id
  const [who, setWho] = useWho()
  const source = useMemo(() => calmSource({ store, board, proof }), [store, board, proof])
  // On the Bench the conductors are relit first; everything else comes a moment after.
  const { view, live, proven } = useCalm(source, proof, place === 'bench')
  const situation = useSituation()
  const now = useMemo(() => ({ situation, setSituation }), [situation])
  const title = live?.job.title

  useEffect(() => {
    if (title) document.title = `${title} · Gate Cross`
  }, [title])
  useUndoKeys(store)

  const tools = useMemo(
    () => ({
      edit: (op: Operation | readonly Operation[]) => store.edit(op),
      undo: () => void store.undo(),
      redo: () => void store.redo(),
      fixes: proof.fixes,
    }),
    [store, proof],
  )
  const value = useMemo<JobScreenValue | null>(() => {
    if (!live) return null
    const { solved, analysis, inst, situation, volts, job } = live
    const targets = targetsOf(inst)
    return {
      ...tools,
      job,
      inst,
      circuit: analysis.circuit,
      conflicts: jobFindings(jobSeen(job, inst)),
      situation,
      setSituation,
      solved,
      volts,
      targets,
      chains: solved.ok ? targets.map((t) => gateChain(solved, t.ref)) : [],
      place,
      go,
      who: who || job.technician,
      setWho,
    }
  }, [live, tools, place, go, who, setWho])

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
    return (
      <Waiting>
        {view.saving === 'offline' ? 'The server does not answer yet; trying again …' : undefined}
      </Waiting>
    )
  return (
    <SituationContext.Provider value={now}>
      <BoardContext.Provider value={board}>
        <StoreContext.Provider value={store}>
          <ViewContext.Provider value={view}>
            <LiveProofContext.Provider value={proof}>
              <ProofContext.Provider value={proven.proof}>
                <JobContext.Provider value={value}>
                  <Walk decide={store.decide} />
                </JobContext.Provider>
              </ProofContext.Provider>
            </LiveProofContext.Provider>
          </ViewContext.Provider>
        </StoreContext.Provider>
      </BoardContext.Provider>
    </SituationContext.Provider>
  )
}

/** The frame and the place; each part of it draws itself again only for what it looks at. */
const Walk = memo(function Walk({ decide }: { decide: JobStore['decide'] }) {
  const { Component } = placeNamed(useJobScreen().place)
  return (
    <div className="lg:grid lg:grid-cols-[168px_minmax(0,1fr)] print:block">
      <Rail />
      <div className="min-w-0 pb-36 lg:pb-0 print:pb-0">
        <Dock />
        <main className="px-4 pt-3 lg:px-5">
          <Verdict />
          <ConflictList decide={decide} />
          <Component />
        </main>
      </div>
    </div>
  )
})

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
