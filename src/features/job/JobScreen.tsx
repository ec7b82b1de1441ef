'use client'

import { useDeferredValue, useEffect, useMemo, useSyncExternalStore, type ReactNode } from 'react'
import Link from 'next/link'
import { circuitOf, solve } from '@/core/circuit'
import { gateChain, targetsOf } from '@/core/explain'
import { installationOf, sentence } from '@/jobfile'
import type { JobStore } from '@/client'
import { Bench } from '../bench'
import { Dock } from '../dock'
import { Gear } from '../gear'
import { Handover } from '../handover'
import { Startup } from '../startup'
import { AsideList } from './AsideList'
import { JobContext, type JobScreenValue } from './JobContext'
import { usePlace, useProof, useSituation, useStore, useWho } from './hooks'
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
  // Wiring and settings make the circuit; names, notes and readings do not.
  const circuit = useMemo(() => (inst ? circuitOf(inst) : null), [inst])
  const solved = useMemo(() => (circuit ? solve(circuit, situation) : null), [circuit, situation])
  const targets = useMemo(() => (inst ? targetsOf(inst) : []), [inst])
  // The conductors are relit first; the reasons may come a moment after.
  const later = useDeferredValue(solved)
  const chains = useMemo(
    () => (later?.ok ? targetsOf(later.circuit.inst).map((t) => gateChain(later, t.ref)) : []),
    [later],
  )
  const { runner, proof, stale } = useProof(inst)

  useEffect(() => {
    if (job) document.title = `${job.title} · Gate Cross`
  }, [job])
  useUndoKeys(store)

  const value = useMemo<JobScreenValue | null>(() => {
    if (!job || !inst || !circuit || !solved) return null
    return {
      view,
      job,
      inst,
      circuit,
      situation,
      setSituation,
      solved,
      targets,
      chains,
      proof,
      stale,
      mends: (f) => runner?.mends(inst, f) ?? Promise.resolve([]),
      edit: (op) => store.edit(op),
      undo: () => store.undo(),
      redo: () => store.redo(),
      place,
      go,
      who: who || job.technician,
      setWho,
    }
  }, [
    view,
    job,
    inst,
    circuit,
    situation,
    setSituation,
    solved,
    targets,
    chains,
    proof,
    stale,
    runner,
    store,
    place,
    go,
    who,
    setWho,
  ])

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
  if (!value || !proof)
    return (
      <Waiting>
        {view.saving === 'offline' ? 'The server does not answer yet; trying again …' : undefined}
      </Waiting>
    )
  return (
    <JobContext.Provider value={value}>
      <div className="lg:grid lg:grid-cols-[168px_minmax(0,1fr)] print:block">
        <Rail />
        <div className="min-w-0 pb-36 lg:pb-0 print:pb-0">
          <Dock />
          <main className="px-4 pt-3 lg:px-5">
            <Verdict />
            <AsideList decide={(id, choice) => void store.decide(id, choice)} />
            {place === 'gear' && <Gear />}
            {place === 'bench' && <Bench />}
            {place === 'startup' && <Startup />}
            {place === 'handover' && <Handover />}
          </main>
        </div>
      </div>
    </JobContext.Provider>
  )
}

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
