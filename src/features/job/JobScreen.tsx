'use client'

import { memo, useEffect, useMemo, useSyncExternalStore, type ReactNode } from 'react'
import Link from 'next/link'
import { circuitOf, solve } from '@/core/circuit'
import { gateChain, targetsOf } from '@/core/explain'
import type { Finding } from '@/core/laws'
import type { Situation } from '@/core/situation'
import { installationOf, sentence, type Operation } from '@/jobfile'
import type { JobStore } from '@/client'
import { Bench } from '../bench'
import { Dock } from '../dock'
import { Gear } from '../gear'
import { Handover } from '../handover'
import { Startup } from '../startup'
import { AsideList } from './AsideList'
import {
  JobContext,
  LiveContext,
  ProofContext,
  SituationContext,
  StaleContext,
  useJobScreen,
  ViewContext,
  type JobScreenValue,
  type LiveValue,
} from './JobContext'
import { useAfterPaint, usePlace, useProofs, useSituation, useStore, useWho } from './hooks'
import { terminalVolts } from './liveness'
import { Rail } from './Rail'
import { Verdict } from './Verdict'

/** A job: its places, the dock, and the verdict over all of it. */
export function JobScreen({ jobId }: { jobId: string }) {
  const store = useStore(jobId)
  return store ? <Loaded store={store} /> : <Waiting />
}

function Waiting({ children }: { children?: ReactNode }) {
  return (
    <main className="flex min-h-dvh items-center justify-center p-8 text-soft" aria-busy={!children}>
      {children ?? 'Opening the job …'}
    </main>
  )
}

function Loaded({ store }: { store: JobStore }) {
  const view = useSyncExternalStore(store.subscribe, store.getView, store.getView)
  const [situation, setSituation] = useSituation()
  const [place, go] = usePlace(store.jobId)
  const [who, setWho] = useWho()
  const { job } = view
  const inst = useMemo(() => (job ? installationOf(job) : null), [job])
  const live = useMemo<(LiveValue & { situation: Situation }) | null>(() => {
    if (!inst) return null
    const solved = solve(circuitOf(inst), situation)
    return { inst, situation, solved, volts: terminalVolts(inst, solved) }
  }, [inst, situation])
  const now = useMemo(() => ({ situation, setSituation }), [situation, setSituation])
  const { runner, proof, of } = useProofs(store)

  useEffect(() => {
    if (job) document.title = `${job.title} · Gate Cross`
  }, [job])
  useUndoKeys(store)

  const tools = useMemo(
    () => ({
      edit: (op: Operation) => store.edit(op),
      undo: () => void store.undo(),
      redo: () => void store.redo(),
      mends: (f: Finding) => {
        const now = store.getView().job
        return runner && now ? runner.mends(installationOf(now), f) : Promise.resolve([])
      },
    }),
    [store, runner],
  )
  const latest = useMemo(() => (job && live ? { job, live } : null), [job, live])
  // On the Bench the conductors are relit first; everything else may come a moment after.
  const later = useAfterPaint(latest)
  const shown = place === 'bench' ? later : latest
  const value = useMemo<JobScreenValue | null>(() => {
    if (!shown) return null
    const { solved, inst, situation, volts } = shown.live
    const targets = targetsOf(inst)
    return {
      ...tools,
      job: shown.job,
      inst,
      circuit: circuitOf(inst),
      situation,
      setSituation,
      solved,
      volts,
      targets,
      chains: solved.ok ? targets.map((t) => gateChain(solved, t.ref)) : [],
      place,
      go,
      who: who || shown.job.technician,
      setWho,
    }
  }, [shown, tools, setSituation, place, go, who, setWho])

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
  if (!value || !live || !proof)
    return (
      <Waiting>
        {view.saving === 'offline' ? 'The server does not answer yet; trying again …' : undefined}
      </Waiting>
    )
  return (
    <SituationContext.Provider value={now}>
      <LiveContext.Provider value={live}>
        <ViewContext.Provider value={view}>
          <ProofContext.Provider value={proof}>
            <StaleContext.Provider value={of !== inst}>
              <JobContext.Provider value={value}>
                <Walk decide={store.decide} />
              </JobContext.Provider>
            </StaleContext.Provider>
          </ProofContext.Provider>
        </ViewContext.Provider>
      </LiveContext.Provider>
    </SituationContext.Provider>
  )
}

/** The frame and the place; each part of it draws itself again only for what it looks at. */
const Walk = memo(function Walk({ decide }: { decide: JobStore['decide'] }) {
  const { place } = useJobScreen()
  return (
    <div className="lg:grid lg:grid-cols-[168px_minmax(0,1fr)] print:block">
      <Rail />
      <div className="min-w-0 pb-36 lg:pb-0 print:pb-0">
        <Dock />
        <main className="px-4 pt-3 lg:px-5">
          <Verdict />
          <AsideList decide={decide} />
          {place === 'gear' && <Gear />}
          {place === 'bench' && <Bench />}
          {place === 'startup' && <Startup />}
          {place === 'handover' && <Handover />}
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
