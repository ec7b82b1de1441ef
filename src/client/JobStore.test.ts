import { fakeServer, open, pass, set, setpoint, settled, stopClock } from '../../tests/helpers/jobServer'
import { memoryQueue } from '.'

stopClock()

describe('JobStore', () => {
  it('shows an edit at once and says when it is saved', async () => {
    const server = fakeServer()
    const store = await open(server)
    expect(store.edit(set(40)).ok).toBe(true)
    expect(setpoint(store.getView().job)).toBe(40)
    expect(store.getView().waiting).toBe(1)
    await settled(store)
    expect(setpoint(server.current())).toBe(40)
    expect(store.getView()).toMatchObject({ waiting: 0, saving: 'saved' })
    store.close()
  })

  it('refuses what cannot be, at once, and queues nothing', async () => {
    const server = fakeServer()
    const store = await open(server)
    expect(store.edit(set(400)).ok).toBe(false)
    expect(store.getView().waiting).toBe(0)
    expect(setpoint(store.getView().job)).toBe(35)
    store.close()
  })

  it('keeps working while the server is away, and sends in order when it is back', async () => {
    const server = fakeServer()
    const store = await open(server)
    server.state.away = true
    for (const v of [20, 21, 22]) store.edit(set(v))
    await pass(20)
    expect(store.getView()).toMatchObject({ waiting: 3, saving: 'offline' })
    server.state.away = false
    await settled(store)
    expect(server.log.map((l) => (l.op as { value: number }).value)).toEqual([20, 21, 22])
    store.close()
  })

  it('does once what was sent twice because the answer was lost', async () => {
    const server = fakeServer()
    const store = await open(server)
    server.state.loseAnswers = 1
    store.edit({ kind: 'removeWire', wire: 'w01' })
    await settled(store)
    expect(server.state.pushes).toBeGreaterThan(1)
    expect(server.log).toHaveLength(1)
    expect(store.getView()).toMatchObject({ waiting: 0, conflicted: [] })
    store.close()
  })

  it('takes up after a reload what an earlier page could not send', async () => {
    const server = fakeServer()
    const queue = memoryQueue()
    const first = await open(server, queue)
    server.state.away = true
    first.edit(set(28))
    await pass(10)
    first.close()
    const second = await open(server, queue)
    expect(setpoint(second.getView().job)).toBe(28)
    server.state.away = false
    await settled(second)
    expect(setpoint(server.current())).toBe(28)
    second.close()
  })

  it('merges edits of different places and shows both where the place is the same', async () => {
    const server = fakeServer()
    const [a, b] = [await open(server), await open(server)]
    a.edit(set(30))
    a.edit({ kind: 'setCableFeet', cable: 'c1', feet: 50 })
    await settled(a)
    b.edit({ kind: 'setCableFeet', cable: 'c2', feet: 70 })
    b.edit(set(44))
    await settled(b)
    expect(
      server
        .current()
        .cables.map((c) => c.feet)
        .slice(0, 2),
    ).toEqual([50, 70])
    expect(setpoint(server.current())).toBe(30)
    const [item] = b.getView().conflicted
    expect(item).toMatchObject({
      path: 'placed.odt.settings.setpoint',
      theirs: { op: { value: 30 } },
      envelope: { op: { value: 44 } },
    })
    // Deciding for one's own makes it again, on top of theirs.
    await b.decide(item!.envelope.opId, 'mine')
    await settled(b)
    expect(setpoint(server.current())).toBe(44)
    expect(b.getView().conflicted).toEqual([])
    a.close()
    b.close()
  })

  it('shows the newest of theirs beside one’s own, also what came after', async () => {
    const server = fakeServer()
    const queue = memoryQueue()
    const [a, b] = [await open(server), await open(server, queue)]
    a.edit(set(30))
    await settled(a)
    b.edit(set(44))
    await settled(b)
    a.edit(set(31))
    await settled(a)
    // Any edit of b's brings what others have done meanwhile.
    b.edit({ kind: 'setCableFeet', cable: 'c2', feet: 70 })
    await settled(b)
    expect(b.getView().conflicted).toMatchObject([
      { theirs: { op: { value: 31 } }, envelope: { op: { value: 44 } } },
    ])
    b.close()
    const again = await open(server, queue)
    expect(again.getView().conflicted).toMatchObject([{ theirs: { op: { value: 31 } } }])
    again.close()
    a.close()
  })

  it('undoes and redoes, each as an edit of its own', async () => {
    const server = fakeServer()
    const store = await open(server)
    store.edit(set(40))
    store.edit({ kind: 'removeWire', wire: 'w17' })
    expect(store.undo()).toBe(true)
    expect(store.getView().job!.wires.some((w) => w.id === 'w17')).toBe(true)
    store.undo()
    expect(setpoint(store.getView().job)).toBe(35)
    expect(store.undo()).toBe(false)
    store.redo()
    expect(setpoint(store.getView().job)).toBe(40)
    await settled(store)
    expect(server.log).toHaveLength(5)
    store.close()
  })
})
