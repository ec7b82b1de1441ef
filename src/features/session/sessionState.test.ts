import { pass, stopClock } from '../../../tests/helpers/jobServer'
import { degF } from '@/core/units'
import type { Situation } from '@/core/situation'
import { JobStore, memoryQueue } from '@/client'
import type { Job } from '@/jobfile'
import { readJson, wireBetween, demoInstallation } from '../../../tests/helpers/demo'
import { JobAnalyses } from './JobAnalyses'
import { liveOf } from './JobContext'
import { openSessionState, type Proven } from './sessionState'

const START: Situation = { call: 'emergency', outdoorF: degF(52), modes: {} }

async function board({ isLoaded = true } = {}) {
  const job = readJson<Job>('demo/jobs/quillfeather-lane.json')
  let n = 0
  const store = new JobStore(job.id, {
    transport: {
      load: () => Promise.resolve({ ok: true, value: { version: 1, job, deleted: null } }),
      push: () => Promise.resolve({ ok: false, why: 'offline', message: 'no signal' }),
      since: () => Promise.resolve({ ok: false, why: 'offline', message: 'no signal' }),
    },
    queue: memoryQueue(),
    client: 'test',
    who: () => 'Wren Hollis',
    newId: () => `op-${n++}`,
    now: () => new Date('2026-11-24T10:00:00Z'),
    retryAfter: () => 1e6,
  })
  if (isLoaded) await store.load()
  let now = START
  const listeners = new Set<() => void>()
  const situations = {
    get: () => now,
    subscribe: (l: () => void) => {
      listeners.add(l)
      return () => listeners.delete(l)
    },
  }
  const set = (s: Situation) => {
    now = s
    listeners.forEach((l) => l())
  }
  const { state, close } = openSessionState(store, new JobAnalyses(), situations, noProof)
  return { store, set, state, close, live: () => liveOf(state.getState()) }
}

const noProof = {
  get: (): Proven | null => null,
  subscribe: () => () => undefined,
  stale: () => true,
  failure: () => null,
}

describe('the state of a screen', () => {
  beforeAll(() => void stopClock())
  it('solves a job that comes while it is open in a go of its own, once', async () => {
    const { store, state, live, close } = await board({ isLoaded: false })
    const solved: unknown[] = []
    state.subscribe((now) => now.live && solved.push(now.live))
    await store.load()
    expect(state.getState().live).toBeNull()
    await pass(1)
    expect(live().volts.get('ah.W2')!.state).toBe('live')
    expect(new Set(solved).size).toBe(1)
    close()
  })

  it('does not, once it is closed', async () => {
    const { store, state, close } = await board({ isLoaded: false })
    await store.load()
    close()
    await pass(1)
    expect(state.getState().live).toBeNull()
  })

  it('is solved once for a wiring and a situation, and again when either changes', async () => {
    const { store, set, live, close } = await board()
    const first = live()
    set(START)
    expect(live()).toBe(first)
    expect(first.volts.get('ah.W2')!.state).toBe('live')
    set({ ...START, call: 'off' })
    expect(live().volts.get('ah.W2')!.state).toBe('dead')
    set(START)
    const wire = wireBetween(demoInstallation('quillfeather-lane'), 'tstat.E', 'ah.W2')
    store.edit({ kind: 'landWire', wire: wire.id, end: wire.a === 'tstat.E' ? 'b' : 'a', terminal: null })
    expect(live().volts.get('ah.W2')!.state).toBe('dead')
    expect(live().running.has('kit.row2')).toBe(false)
    store.undo()
    expect(live().running.has('kit.row2')).toBe(true)
    close()
    store.close()
  })

  it('does not solve again for an edit that no circuit hangs on', async () => {
    const { store, live, close } = await board()
    const before = live()
    store.edit({ kind: 'setField', field: 'note', value: 'a note' })
    const after = live()
    expect(after.job.note).toBe('a note')
    expect(after.solved).toBe(before.solved)
    expect(after.volts).toBe(before.volts)
    close()
    store.close()
  })

  it('tells whoever listens, until it is closed', async () => {
    const { store, set, state, live, close } = await board()
    let told = 0
    state.subscribe(() => told++)
    set({ ...START, outdoorF: degF(10) })
    store.edit({ kind: 'setField', field: 'note', value: 'x' })
    expect(told).toBe(2)
    close()
    const last = live()
    set(START)
    expect(told).toBe(2)
    expect(live()).toBe(last)
    store.close()
  })
})
