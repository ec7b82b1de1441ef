import { degF } from '@/core/units'
import type { Situation } from '@/core/situation'
import { JobStore, memoryQueue } from '@/client'
import type { Job } from '@/jobfile'
import { readJson, wireBetween, demoInstallation } from '../../../tests/helpers/demo'
import { JobAnalyses } from './JobAnalyses'
import { LiveBoard } from './LiveBoard'

const START: Situation = { call: 'emergency', outdoorF: degF(52), modes: {} }

async function board() {
  const job = readJson<Job>('demo/jobs/quillfeather-lane.json')
  let n = 0
  const store = new JobStore(job.id, {
    transport: {
      load: () => Promise.resolve({ ok: true, value: { version: 1, job } }),
      push: () => Promise.resolve({ ok: false, why: 'offline', message: 'no signal' }),
    },
    queue: memoryQueue(),
    client: 'test',
    who: () => 'Wren Hollis',
    newId: () => `op-${n++}`,
    now: () => new Date('2026-11-24T10:00:00Z'),
    retryAfter: () => 1e6,
  })
  await store.load()
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
  return { store, set, board: new LiveBoard(store, new JobAnalyses(), situations) }
}

describe('the wiring at this instant', () => {
  it('is solved once for a wiring and a situation, and again when either changes', async () => {
    const { store, set, board: live } = await board()
    const first = live.get()!
    expect(live.get()).toBe(first)
    expect(first.volts.get('ah.W2')!.state).toBe('live')
    set({ ...START, call: 'off' })
    expect(live.get()!.volts.get('ah.W2')!.state).toBe('dead')
    set(START)
    const wire = wireBetween(demoInstallation('quillfeather-lane'), 'tstat.E', 'ah.W2')
    store.edit({ kind: 'landWire', wire: wire.id, end: wire.a === 'tstat.E' ? 'b' : 'a', terminal: null })
    expect(live.get()!.volts.get('ah.W2')!.state).toBe('dead')
    expect(live.get()!.running.has('kit.row2')).toBe(false)
    store.undo()
    expect(live.get()!.running.has('kit.row2')).toBe(true)
    store.close()
  })

  it('does not solve again for an edit that no circuit hangs on', async () => {
    const { store, board: live } = await board()
    const before = live.get()!
    store.edit({ kind: 'setField', field: 'note', value: 'a note' })
    const after = live.get()!
    expect(after.job.note).toBe('a note')
    expect([...after.running]).toEqual([...before.running])
    expect([...after.volts]).toEqual([...before.volts])
    store.close()
  })

  it('tells whoever listens, until they stop listening', async () => {
    const { store, set, board: live } = await board()
    let told = 0
    const stop = live.subscribe(() => told++)
    set({ ...START, outdoorF: degF(10) })
    store.edit({ kind: 'setField', field: 'note', value: 'x' })
    expect(told).toBe(2)
    stop()
    set(START)
    expect(told).toBe(2)
    store.close()
  })
})
