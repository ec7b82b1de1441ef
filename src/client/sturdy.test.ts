import { fakeServer, open, pass, set, setpoint, settled, stopClock } from '../../tests/helpers/jobServer'
import type { PushRequest } from '@/jobfile'
import { JobStore, memoryQueue, type QueueStorage, type TabMessage } from '.'

stopClock()

describe('errors are sorted', () => {
  const feet = (cable: string, n: number) => ({ kind: 'setCableFeet', cable, feet: n }) as const
  const values = (server: ReturnType<typeof fakeServer>) =>
    server.log.map((l) => ('value' in l.op ? l.op.value : 'feet' in l.op ? l.op.feet : null))
  const holds = (value: number) => (r: PushRequest) =>
    r.ops.some((o) => 'feet' in o.op && o.op.feet === value)
  async function withWaiting(server: ReturnType<typeof fakeServer>) {
    const store = await open(server)
    server.state.away = true
    for (let n = 1; n <= 9; n++) store.edit(feet('c1', n))
    await pass(10)
    server.state.away = false
    return store
  }

  it('one that is refused as a request is found by halves; the rest goes on in order', async () => {
    const server = fakeServer()
    const problems = [{ path: 'ops[0].op', expected: 'one of these' }]
    server.state.instead = (r) => (holds(4)(r) ? { ok: false, why: 'refused', status: 400, problems } : null)
    const store = await withWaiting(server)
    await settled(store)
    expect(values(server)).toEqual([1, 2, 3, 5, 6, 7, 8, 9])
    expect(store.getView().conflicted).toMatchObject([{ envelope: { op: { feet: 4 } }, problems }])
    store.close()
  })

  it('too much at once is split, and all of it arrives', async () => {
    const server = fakeServer()
    const problems = [{ path: 'body', expected: 'at most 2 of them' }]
    server.state.instead = (r) =>
      r.ops.length > 2 ? { ok: false, why: 'refused', status: 413, problems } : null
    const store = await withWaiting(server)
    await settled(store)
    expect(values(server)).toEqual([1, 2, 3, 4, 5, 6, 7, 8, 9])
    expect(store.getView().conflicted).toEqual([])
    store.close()
  })

  it('one on which the server breaks down is tried three times, set aside with its number, and blocks nothing', async () => {
    const server = fakeServer()
    let broke = 0
    server.state.instead = (r) => {
      if (!holds(4)(r)) return null
      if (r.ops.length === 1) broke++
      return { ok: false, why: 'failed', message: 'broke down (number 1f)' }
    }
    const store = await withWaiting(server)
    await settled(store)
    expect(broke).toBe(3)
    expect(values(server)).toEqual([1, 2, 3, 5, 6, 7, 8, 9])
    expect(store.getView().conflicted[0]!.problems[0]!.expected).toContain('number 1f')
    store.close()
  })

  it('a server that breaks down on everything is one that is away: nothing is set aside', async () => {
    const server = fakeServer()
    let isWell = false
    server.state.instead = () => (isWell ? null : { ok: false, why: 'failed', message: 'broke down' })
    const store = await withWaiting(server)
    await pass(80)
    expect(store.getView()).toMatchObject({ waiting: 9, conflicted: [], saving: 'offline' })
    isWell = true
    await settled(store)
    expect(values(server)).toHaveLength(9)
    store.close()
  })

  it('a job that is gone: what waited for it is set aside and can still be looked at', async () => {
    const server = fakeServer()
    const problems = [{ path: 'id', expected: 'a job that is here' }]
    const store = await withWaiting(server)
    server.state.instead = () => ({ ok: false, why: 'refused', status: 404, problems })
    await settled(store)
    expect(store.getView().conflicted).toHaveLength(1)
    expect(store.getView().conflicted[0]).toMatchObject({ envelope: { op: { feet: 9 } }, problems })
    expect(store.getView().job).not.toBeNull()
    store.close()
  })
})

describe('others', () => {
  it('a deletion is seen though the revision is the same, and each edit asks for its new day', async () => {
    const server = fakeServer()
    const store = await open(server)
    expect(store.getView().deleted).toBeNull()
    server.state.deleted = { by: 'Ash Tolland', goes: '2026-12-24T00:00:00Z' }
    store.hear(null)
    await store.flush()
    expect(store.getView().deleted).toEqual(server.state.deleted)
    server.state.deleted = { by: 'Ash Tolland', goes: '2026-12-30T00:00:00Z' }
    store.edit(set(31))
    await settled(store)
    expect(store.getView().deleted?.goes).toBe('2026-12-30T00:00:00Z')
    server.state.deleted = null
    store.hear(null)
    await store.flush()
    expect(store.getView().deleted).toBeNull()
    store.close()
  })

  it('a field that was opened before somebody changed its place overwrites nothing', async () => {
    const server = fakeServer()
    const store = await open(server)
    const { version } = store.getView()
    server.theirs(set(30))
    store.hear(2)
    await settled(store)
    await store.flush()
    expect(setpoint(store.getView().job)).toBe(30)
    expect(store.getView().news).toMatchObject([{ who: 'Ash Tolland', op: { value: 30 } }])
    store.edit(set(44), { seen: version })
    await settled(store)
    expect(setpoint(server.current())).toBe(30)
    expect(store.getView().conflicted).toMatchObject([{ theirs: { op: { value: 30 } } }])
    // Typed on in the same box: the last text is the one to be decided.
    store.edit(set(45), { seen: version })
    await settled(store)
    expect(store.getView().conflicted).toMatchObject([{ envelope: { op: { value: 45 } } }])
    store.dismissNews()
    expect(store.getView().news).toEqual([])
    store.close()
  })

  it('what came before one’s own is taken up with it', async () => {
    const server = fakeServer()
    const store = await open(server)
    server.theirs({ kind: 'setCableFeet', cable: 'c1', feet: 77 })
    store.edit(set(41))
    await settled(store)
    expect(store.getView().job!.cables[0]!.feet).toBe(77)
    expect(store.getView().job).toEqual(server.current())
    store.close()
  })

  it('what was sent before its answer was lost stands where the server has it, whatever is sent after', async () => {
    const server = fakeServer()
    const store = await open(server)
    const mark = (card: string) => ({ kind: 'markCard', card, mark: { state: 'done', who: '', when: '2026-11-24T00:00:00Z' } }) as const // prettier-ignore
    server.state.loseAnswers = 1
    store.edit(mark('first'))
    await pass(3)
    server.theirs(set(33))
    // Two requests more, the last of which is exact in itself.
    store.edit(mark('second'))
    server.state.instead = (r) =>
      r.ops.length > 1 ? { ok: false, why: 'refused', status: 413, problems: [] } : null
    await settled(store)
    await store.flush()
    expect(Object.keys(store.getView().job!.startup.cards)).toEqual(
      Object.keys(server.current().startup.cards),
    )
    expect(store.getView().job).toEqual(server.current())
    store.close()
  })

  it('one that was missed is fetched when the line is back', async () => {
    const server = fakeServer()
    const store = await open(server)
    server.theirs(set(31))
    store.hear(null)
    await store.flush()
    expect(setpoint(store.getView().job)).toBe(31)
    store.close()
  })

  it.each([
    ['told of it by the line', (store: JobStore) => store.hear(2)],
    ['told that some may have been missed', (store: JobStore) => store.hear(null)],
  ])('one that comes while others are asked for is fetched after them: %s', async (_, tell) => {
    const server = fakeServer()
    const store = await open(server)
    const { transport } = server
    const since = transport.since.bind(transport)
    let isFirst = true
    transport.since = async (...asked) => {
      const answer = await since(...asked)
      if (isFirst) {
        // Answered already, and not here yet.
        isFirst = false
        server.theirs(set(32))
        tell(store)
      }
      return answer
    }
    store.hear(null)
    await store.flush()
    expect(setpoint(store.getView().job)).toBe(32)
    store.close()
  })

  it('one that was missed while the document was on its way is fetched as well', async () => {
    const server = fakeServer()
    const { transport } = server
    const load = transport.load.bind(transport)
    let store: JobStore | null = null
    transport.load = async (...asked) => {
      const answer = await load(...asked)
      server.theirs(set(33))
      store?.hear(null)
      return answer
    }
    store = new JobStore('quillfeather-lane', {
      transport,
      queue: memoryQueue(),
      client: 'late',
      who: () => 'Wren Hollis',
      newId: () => 'late-1',
      now: () => new Date('2026-11-24T00:00:00Z'),
    })
    await store.load()
    expect(setpoint(store.getView().job)).toBe(33)
    store.close()
  })

  it('another tab shows an edit at once, sends it only if its maker is gone, and sees no clash with it', async () => {
    const server = fakeServer()
    const queue = memoryQueue()
    const tabs: JobStore[] = []
    const tell = (from: number) => (m: TabMessage) =>
      tabs.forEach((t, n) => n !== from && t.hearTab(structuredClone(m)))
    tabs.push(await open(server, queue, tell(0)))
    tabs.push(await open(server, queue, tell(1)))
    const [a, b] = tabs as [JobStore, JobStore]
    server.state.away = true
    a.edit(set(38))
    expect(setpoint(b.getView().job)).toBe(38)
    // Made on top of what the other tab shows: theirs is seen, though the server has not numbered it.
    b.edit(set(39))
    expect(setpoint(a.getView().job)).toBe(39)
    server.state.away = false
    await settled(a)
    await settled(b)
    expect(b.getView().conflicted).toEqual([])
    expect(setpoint(server.current())).toBe(39)
    expect(server.log).toHaveLength(2)
    a.close()
    b.close()
  })
})

describe('a device that stores nothing', () => {
  const broken = (): QueueStorage => {
    const no = () => Promise.reject(new Error('denied'))
    return { pending: no, add: no, remove: no, conflicted: no, addConflicted: no, settle: no, lastSeen: no, remember: no, onDevice: no }
  } // prettier-ignore

  it('says so, works in memory, and counts what is on the page alone', async () => {
    const server = fakeServer()
    const store = await open(server, broken())
    server.state.away = true
    expect(store.getView().isKeeping).toBe(false)
    store.edit(set(36))
    store.edit(set(37))
    await pass(20)
    expect(store.getView()).toMatchObject({ waiting: 2, onPageOnly: 2, saving: 'offline' })
    server.state.away = false
    await settled(store)
    expect(setpoint(server.current())).toBe(37)
    expect(store.getView()).toMatchObject({ onPageOnly: 0, isKeeping: false, saving: 'saved' })
    store.close()
  })

  it('one that was full, or was emptied, is offered again what waits', async () => {
    const server = fakeServer()
    const queue = memoryQueue()
    let isFull = true
    const store = await open(server, {
      ...queue,
      add: (id, e) => (isFull ? Promise.reject(new Error('quota')) : queue.add(id, e)),
    })
    server.state.away = true
    store.edit(set(36))
    await pass(10)
    expect(store.getView().onPageOnly).toBe(1)
    isFull = false
    await pass(30)
    expect(store.getView()).toMatchObject({ onPageOnly: 0, isKeeping: true, waiting: 1 })
    expect(await queue.pending('quillfeather-lane')).toHaveLength(1)
    await queue.remove(
      'quillfeather-lane',
      (await queue.pending('quillfeather-lane')).map((e) => e.opId),
    )
    await pass(30)
    expect(await queue.pending('quillfeather-lane')).toHaveLength(1)
    store.close()
  })
})
