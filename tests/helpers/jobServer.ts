import { readJson } from './demo'
import {
  apply,
  clashAt,
  JOB_VERSION,
  type Deletion,
  type Envelope,
  type Job,
  type Operation,
  type OpResult,
  type PushRequest,
} from '@/jobfile'
import { JobStore, memoryQueue, type QueueStorage, type Transport } from '@/client'
import type { NotDone, TabMessage } from '@/client'

/** A server in memory with the rules of the real one; it can be away, or lose its answer after doing the work. */
export function fakeServer() {
  const log: Envelope[] = []
  let job = readJson<Job>('demo/jobs/quillfeather-lane.json')
  const state = {
    away: false,
    deleted: null as Deletion | null,
    loseAnswers: 0,
    pushes: 0,
    /** Says what becomes of a request before it is looked at; null: it is taken. */
    instead: (_: PushRequest): NotDone | null => null,
  }
  const push = (request: PushRequest) => {
    const since = log.slice(request.base - 1)
    const results = request.ops.map((e): OpResult => {
      if (log.some((l) => l.opId === e.opId)) return { opId: e.opId, outcome: 'alreadyThere' }
      const newer = log.slice(e.seen - 1).filter((l) => l.client !== e.client && !e.knew?.includes(l.opId))
      const theirs = newer.find((l) => clashAt(e.op, l.op) !== null)
      if (theirs) return { opId: e.opId, outcome: 'stale', path: clashAt(e.op, theirs.op) ?? '', theirs }
      const applied = apply(job, e.op)
      if (!applied.ok) return { opId: e.opId, outcome: 'refused', problems: applied.problems }
      job = applied.value
      log.push(e)
      return { opId: e.opId, outcome: 'applied' }
    })
    const others = since.filter((s) => !request.ops.some((o) => o.opId === s.opId))
    return { version: log.length + 1, results, others }
  }
  const away = { ok: false, why: 'offline', message: 'away' } as const
  let others = 0
  /** Somebody elsewhere does something. */
  const theirs = (op: Operation, seen = log.length + 1) => {
    const envelope = { opId: `theirs-${++others}`, client: 'van', who: 'Ash Tolland', at: '2026-11-24T08:30:00Z', docVersion: JOB_VERSION, seen, op } // prettier-ignore
    return push({ base: log.length + 1, ops: [envelope] })
  }
  const transport: Transport = {
    since: async (_, version) =>
      state.away
        ? away
        : {
            ok: true,
            value: { version: log.length + 1, ops: log.slice(version - 1), deleted: state.deleted },
          },
    load: async () =>
      state.away ? away : { ok: true, value: { version: log.length + 1, job, deleted: state.deleted } },
    push: async (_, request) => {
      state.pushes++
      if (state.away) return away
      const not = state.instead(request)
      if (not) return not
      const value = push(request)
      if (state.loseAnswers > 0) {
        state.loseAnswers--
        return away
      }
      return { ok: true, value }
    },
  }
  return { transport, state, log, current: () => job, push, theirs }
}

/** Timers of a test file stand still, until `pass` moves them on. */
export const stopClock = () => jest.useFakeTimers({ doNotFake: ['nextTick', 'queueMicrotask'] })
/** Lets so many ms pass on the test's clock, with all that becomes due meanwhile. */
export const pass = (ms: number) => jest.advanceTimersByTimeAsync(ms)

let tab = 0
export async function open(
  server: ReturnType<typeof fakeServer>,
  queue: QueueStorage = memoryQueue(),
  tell: (message: TabMessage) => void = () => undefined,
) {
  const client = `tab-${++tab}`
  let n = 0
  const store = new JobStore('quillfeather-lane', {
    transport: server.transport,
    queue,
    client,
    who: () => 'Wren Hollis',
    newId: () => `${client}-${++n}`,
    now: () => new Date('2026-11-24T00:00:00Z'),
    retryAfter: () => 5,
    tell,
  })
  await store.load()
  return store
}
export const set = (value: number) =>
  ({ kind: 'setSetting', ref: 'odt', setting: 'setpoint', value }) as const
export const setpoint = (job: Job | null) => job?.placed.find((p) => p.ref === 'odt')?.settings.setpoint
export const settled = async (store: JobStore) => {
  for (let i = 0; i < 200 && (store.getView().waiting || store.getView().saving !== 'saved'); i++)
    await pass(5)
}
