import { Patience, type PageClock } from './Patience'

/** A page whose frames and minutes pass when the test says so. */
function page() {
  let now = 0
  let hidden = false
  let due: { at: number | 'frame'; act: () => void }[] = []
  const hold = (at: number | 'frame', act: () => void) => {
    const entry = { at, act }
    due.push(entry)
    return () => {
      due = due.filter((d) => d !== entry)
    }
  }
  const run = (ready: (at: number | 'frame') => boolean) => {
    const acts = due.filter((d) => ready(d.at))
    due = due.filter((d) => !ready(d.at))
    acts.forEach((d) => d.act())
  }
  const clock: PageClock = {
    now: () => now,
    painted: (act) => {
      asked++
      return hold('frame', act)
    },
    after: (ms, act) => hold(now + ms, act),
    hidden: () => hidden,
  }
  let stale = false
  let asked = 0
  const drawn: [number, string][] = []
  return {
    patience: new Patience(
      clock,
      () => stale,
      (how) => drawn.push([now, how]),
    ),
    drawn,
    waiting: () => due.length,
    framesAsked: () => asked,
    setStale: (is: boolean) => (stale = is),
    hide: () => (hidden = true),
    /** Frames are painted 16 ms after they are asked for. */
    frame: () => {
      now += 16
      run((at) => at === 'frame')
    },
    pass: (ms: number) => {
      now += ms
      run((at) => at !== 'frame' && at <= now)
    },
  }
}

describe('patience', () => {
  it('draws after the frame that shows the change, once for all that changed before it', () => {
    const p = page()
    p.patience.changed()
    p.patience.changed()
    expect(p.drawn).toEqual([])
    p.frame()
    expect(p.drawn).toEqual([[16, 'calm']])
    p.frame()
    expect(p.drawn).toHaveLength(1)
  })

  it('waits for a proof that is on its way, and draws after the frame that shows it', () => {
    const p = page()
    p.setStale(true)
    p.patience.changed()
    p.frame()
    p.pass(40)
    expect(p.drawn).toEqual([])
    p.setStale(false)
    p.patience.changed()
    expect(p.drawn).toEqual([])
    p.frame()
    // 16 to the first frame, 40 of waiting, 16 to the proof's own frame.
    expect(p.drawn).toEqual([[72, 'calm']])
    p.pass(1000)
    expect(p.drawn).toHaveLength(1)
  })

  it('asks for the frame anew when the proof comes before it, and once only', () => {
    const p = page()
    p.setStale(true)
    p.patience.changed()
    p.setStale(false)
    p.patience.changed()
    p.patience.changed()
    expect(p.framesAsked()).toBe(2)
    expect(p.waiting()).toBe(1)
    p.frame()
    expect(p.drawn).toEqual([[16, 'calm']])
  })

  it('waits no longer than 150 ms after the first change, whatever changes meanwhile', () => {
    const p = page()
    p.setStale(true)
    p.patience.changed()
    p.frame()
    p.pass(100)
    p.patience.changed()
    p.pass(33)
    expect(p.drawn).toEqual([])
    p.pass(1)
    expect(p.drawn).toEqual([[150, 'calm']])
  })

  it('draws at once on a page that is not shown', () => {
    const p = page()
    p.setStale(true)
    p.hide()
    p.patience.changed()
    expect(p.drawn).toEqual([[0, 'urgent']])
  })

  it('once stopped, draws nothing and holds nothing', () => {
    const p = page()
    p.patience.changed()
    p.patience.stop()
    expect(p.waiting()).toBe(0)
    p.setStale(true)
    p.patience.changed()
    p.frame()
    p.patience.stop()
    expect(p.waiting()).toBe(0)
    p.pass(1000)
    expect(p.drawn).toEqual([])
  })
})
