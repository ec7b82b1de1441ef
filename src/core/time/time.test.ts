import fc from '../../../tests/helpers/property'
import { CALLS, type Call } from '../equipment'
import { Circuit } from '../circuit'
import { timerTransitions } from '../deviceBuilder'
import { callsOf, reachableModes } from '../situation'
import { degF } from '../units'
import { demoInstallation, jobIds } from '../../../tests/helpers/demo'
import { runTime, waitsFor, type OutsideEvent, type Trace } from '.'

const at = (outdoorF: number, modes: Record<string, string> = {}) => ({
  call: 'off' as Call,
  outdoorF: degF(outdoorF),
  modes: modes as never,
})
const circuitOf = (id: string, settings = {}) => new Circuit(demoInstallation(id, settings))
/** "+load@s" and "-load@s" of a trace, in order. */
const told = (t: Trace, only: RegExp = /./): string[] =>
  t.steps.flatMap((s) =>
    s.moves.flatMap((m) =>
      m.kind === 'load' && only.test(m.ref) ? [`${m.on ? '+' : '-'}${m.ref}@${s.at}`] : [],
    ),
  )
const waited = (w: ReturnType<typeof waitsFor>, load: string) => w.waits.find((x) => x.load === load)

describe('waits, worked by hand', () => {
  it('a minimum-off timer counts from the drop of the compressor, not from the call', () => {
    // 5 min from the stop; 60 s of them have gone when the call comes: 240 s are left.
    const c = circuitOf('quillfeather-lane')
    const past = [
      { call: 'heat1' as const, seconds: 600 },
      { call: 'off' as const, seconds: 60 },
    ]
    const w = waited(waitsFor(c, 'heat1', at(40), past), 'od.compressor')!
    expect(w.seconds).toBe(240)
    expect(w.delays).toEqual([{ kind: 'mode', ref: 'tstat.timer', state: 'waiting', seconds: 300 }])
    // After six minutes off nothing waits.
    const later = [past[0]!, { call: 'off' as const, seconds: 360 }]
    expect(waited(waitsFor(c, 'heat1', at(40), later), 'od.compressor')).toMatchObject({
      seconds: 0,
      delays: [],
    })
    // 2 min set: 60 s are left; unknown: nobody can say, and it is said.
    const two = circuitOf('quillfeather-lane', { 'tstat.minimumOff': 2 })
    expect(waited(waitsFor(two, 'heat1', at(40), past), 'od.compressor')!.seconds).toBe(60)
    const open = waitsFor(circuitOf('quillfeather-lane', { 'tstat.minimumOff': null }), 'heat1', at(40), past)
    expect(waited(open, 'od.compressor')).toBeUndefined()
    expect(open.untimed).toEqual(['tstat.timer'])
  })

  it('sequencers bring their rows in one after another, and let them go the other way', () => {
    const c = circuitOf('quillfeather-lane')
    const on = waitsFor(c, 'heatAux1', at(20))
    expect([waited(on, 'kit.row1')!.seconds, waited(on, 'kit.row2')!.seconds]).toEqual([12, 24])
    expect(waited(on, 'kit.row2')!.delays).toEqual([
      { kind: 'contact', ref: 'kit.seq2c', closes: true, seconds: 24 },
    ])
    // Row 2 leaves after 50 s and row 1 after 75; the interlock holds the blower to 95.
    const off = waitsFor(c, 'off', at(20), [{ call: 'heatAux1', seconds: 300 }])
    const gone = (load: string) => {
      const w = waited(off, load)
      return w && !w.on ? w.seconds : null
    }
    expect([gone('kit.row2'), gone('kit.row1'), gone('ah.blower')]).toEqual([50, 75, 95])
    expect(off.steady).toBe(95)
  })

  it('a furnace lights, then blows: 33 s and 30 more; after the call the blower runs on by its setting', () => {
    const c = circuitOf('tallow-mill')
    const on = waitsFor(c, 'emergency', at(20))
    expect(waited(on, 'fur.valve')!.seconds).toBe(33)
    expect(waited(on, 'fur.blowerHeat')).toMatchObject({
      seconds: 63,
      delays: [
        { kind: 'contact', ref: 'fur.trial', closes: true, seconds: 33 },
        { kind: 'contact', ref: 'fur.heatFan', closes: true, seconds: 30 },
      ],
    })
    const off = waitsFor(c, 'off', at(20), [{ call: 'emergency', seconds: 600 }])
    expect(waited(off, 'fur.valve')).toMatchObject({ on: false, seconds: 0 })
    expect(waited(off, 'fur.blowerHeat')).toMatchObject({ on: false, seconds: 90 })
  })

  it('a board has one motor: the speed that it leaves does not outlast the one that it takes up', () => {
    const c = circuitOf('pennywort-close')
    const t = runTime(c, {
      start: { ...at(40), call: 'heat1' },
      events: [{ at: 60, call: 'fan' }],
      until: 900,
    })
    expect(told(t, /blower/)).toEqual(['+ah.blowerFan@60', '-ah.blowerLow@60'])
    const end = runTime(c, {
      start: { ...at(40), call: 'heat1' },
      events: [{ at: 60, call: 'off' }],
      until: 900,
    })
    expect(told(end, /blower/)).toEqual(['-ah.blowerLow@120'])
  })
})

describe('what comes with a call', () => {
  it('begins with it, and has not run its time before', () => {
    // Forced while the heat pump runs: the board's cap of 600 s counts from then.
    const c = circuitOf('quillfeather-lane')
    const w = waitsFor(c, 'heat1', at(30, { 'od.board': 'defrost' }), [{ call: 'heat1', seconds: 600 }])
    expect(waited(w, 'od.fan')).toMatchObject({
      on: true,
      seconds: 600,
      delays: [{ kind: 'mode', ref: 'od.board', state: 'defrost', seconds: 600 }],
    })
    // A breaker that is off was off before.
    const dead = waitsFor(c, 'heat1', at(30, { 'feedA.breaker': 'off' }), [{ call: 'heat1', seconds: 600 }])
    expect(dead.waits).toEqual([])
  })
})

describe('a defrost board', () => {
  const c = circuitOf('quillfeather-lane')
  const short: OutsideEvent[] = Array.from({ length: 6 }, (_, i): OutsideEvent[] => [
    { at: 1800 * i, call: 'heat1' },
    { at: 1800 * i + 721, call: 'off' },
  ]).flat()
  const run = (coilF: number | null, events: OutsideEvent[], until = 14_400) =>
    runTime(c, { start: at(30), events, until, feels: (_, what) => (what === 'coil' ? coilF : null) })
  const defrosts = (t: Trace) =>
    t.steps.flatMap((s) =>
      s.moves.flatMap((m) => (m.kind === 'mode' && m.ref === 'od.board' ? [`${m.to}@${s.at}`] : [])),
    )

  it('adds up short runs: five of twelve minutes make an hour, and the cap of ten minutes ends it', () => {
    // The pins stand at 60 min = 3,600 s; run k begins at 1,800·k s and lasts 721 s. Four of them are 2,884 s, so the fifth
    // fills the count 716 s after it began, at 7,916 s. 5 s of the defrost are left of that run; the sixth, from 9,000 s
    // on, does the other 595 of its 600.
    expect(defrosts(run(25, short))).toEqual(['defrost@7916', 'normal@9595'])
  })

  it('never begins on a coil that is not cold, nor where nobody knows how cold it is', () => {
    expect(defrosts(run(40, [{ at: 0, call: 'heat1' }]))).toEqual([])
    expect(defrosts(run(null, [{ at: 0, call: 'heat1' }]))).toEqual([])
  })

  it('does its interval again and again on a coil that stays cold, each to the cap', () => {
    // The compressor runs on through the defrost and the count starts anew after it: 3,600, + 600, + 3,600 …
    expect(defrosts(run(20, [{ at: 0, call: 'heat1' }], 9000))).toEqual([
      'defrost@3600',
      'normal@4200',
      'defrost@7800',
      'normal@8400',
    ])
  })

  it('counts faster while its speed-up pins are held, and nothing else does', () => {
    // 600 s by themselves; from then on each second is 90: the other 3,000 take 33⅓ s. Let go, the cap is as long as ever.
    const pins: OutsideEvent[] = [
      { at: 0, call: 'heat1' },
      { at: 600, device: 'od', faster: 90 },
      { at: 640, device: 'od', faster: 1 },
    ]
    const run = defrosts(
      runTime(c, {
        start: at(30),
        events: pins,
        until: 5000,
        feels: (_, what) => (what === 'coil' ? 20 : null),
      }),
    )
    expect(run.map((d) => d.split('@')[0])).toEqual(['defrost', 'normal', 'defrost'])
    const times = run.map((d) => Number(d.split('@')[1]))
    for (const [i, t] of [600 + 3000 / 90, 1200 + 3000 / 90, 4800 + 3000 / 90].entries())
      expect(times[i]).toBeCloseTo(t, 3)
  })

  it('shows how its count fills over short runs, stands between them, and is empty after', () => {
    const { counts } = runTime(c, {
      start: at(30),
      events: short,
      until: 14_400,
      counts: true,
      feels: (_, what) => (what === 'coil' ? 25 : null),
    })
    const interval = counts.find((k) => k.to === 'defrost')!
    expect([interval.mode, interval.after]).toEqual(['od.board', 3600])
    // Corners of the five runs of 721 s that begin each 1,800 s; the fifth is full after 716 of them.
    expect(interval.points.map(([s, v]) => [Math.round(s), Math.round(v)])).toEqual([
      [0, 0], [721, 721], [1800, 721], [2521, 1442], [3600, 1442], [4321, 2163], [5400, 2163], [6121, 2884], [7200, 2884],
      [7916, 3600], [7916, 0], [9595, 0], [9721, 126], [14_400, 126],
    ]) // prettier-ignore
    const cap = counts.find((k) => k.from === 'defrost')!
    expect(cap.points.map(([s, v]) => [Math.round(s), Math.round(v)])).toEqual([
      [0, 0], [7916, 0], [7921, 5], [9000, 5], [9595, 600], [9595, 0], [14_400, 0],
    ]) // prettier-ignore
  })

  it('ends by its coil before the cap', () => {
    let coil = 20
    const t = runTime(c, {
      start: { ...at(30), call: 'heat1' },
      // The weather is looked at again at 3,900 s: by then the coil has come to 70 °F.
      events: [{ at: 3900, outdoorF: degF(31) }],
      until: 5000,
      feels: (_, what, s) => (what === 'coil' ? (s.outdoorF > 30 ? (coil = 70) : coil) : null),
    })
    expect(defrosts(t)).toEqual(['defrost@3600', 'normal@3900'])
  })
})

describe('power', () => {
  it('back after a failure, the timers begin anew: five minutes from then', () => {
    const c = circuitOf('quillfeather-lane')
    const feed = 'feedA.breaker' as never
    const t = runTime(c, {
      start: { ...at(40), call: 'heat1' },
      events: [
        { at: 100, mode: feed, state: 'off' },
        { at: 1300, mode: feed, state: 'on' },
      ],
      until: 3000,
    })
    expect(told(t, /compressor/)).toEqual(['-od.compressor@100', '+od.compressor@1600'])
  })
})

describe('a timer that loses its power', () => {
  // Five minutes minimum-off. The compressor runs until the breaker opens at 21:00; power is back at 24:00.
  const startsAt = (atPowerLoss: 'anew' | 'goesOn' | 'clears'): number => {
    const inst = demoInstallation('quillfeather-lane')
    const transitions = timerTransitions('outY', { set: 'minimumOff', times: 60 }, 'self', atPowerLoss)
    const stat = inst.placed.find((p) => p.ref === 'tstat')!
    const device = {
      ...stat.device,
      modes: stat.device.modes.map((m) => (m.id === 'timer' ? { ...m, transitions } : m)),
    }
    const own = { ...inst, placed: inst.placed.map((p) => (p === stat ? { ...p, device } : p)) }
    const trace = runTime(new Circuit(own), {
      start: { ...at(40), call: 'heat1' },
      events: [
        { at: 21 * 60, mode: 'feedA.breaker', state: 'off' },
        { at: 24 * 60, mode: 'feedA.breaker', state: 'on' },
      ],
      until: 3600,
    })
    return (
      Number(
        told(trace, /compressor/)
          .at(-1)!
          .split('@')[1],
      ) / 60
    )
  }

  it('starts anew: compressor at 29:00', () => expect(startsAt('anew')).toBe(29))
  it('keeps counting: compressor at 26:00', () => expect(startsAt('goesOn')).toBe(26))
  it('clears: compressor with the power, at 24:00', () => expect(startsAt('clears')).toBe(24))
})

describe('a switch with a differential', () => {
  it('does inside it what it did on the side that it came from', () => {
    // The outdoor thermostat closes below its setting and opens 5 °F above it.
    const c = circuitOf('quillfeather-lane', { 'odt.setpoint': 35 })
    const cold = (from: number) =>
      runTime(c, {
        start: { ...at(from), call: 'heatAux1' },
        events: [{ at: 600, outdoorF: degF(37) }],
        until: 3000,
      })
        .steps.at(-1)!
        .running.filter((r) => r.startsWith('kit.'))
    expect(cold(20)).toEqual(['kit.row1', 'kit.row2'])
    expect(cold(60)).toEqual([])
  })
})

describe('on every demo job', () => {
  const circuits = jobIds().map((id) => circuitOf(id))
  it('what is called and when gives one trace, every state of which the sweep has among its combinations', () => {
    fc.assert(
      fc.property(
        fc.nat(circuits.length - 1),
        fc.integer({ min: -10, max: 90 }),
        fc.array(fc.record({ wait: fc.integer({ min: 1, max: 900 }), call: fc.nat(CALLS.length - 1) }), {
          minLength: 1,
          maxLength: 8,
        }),
        (n, outdoorF, list) => {
          const c = circuits[n]!
          const calls = callsOf(c.inst)
          let now = 0
          const events = list.map((e): OutsideEvent => ({
            at: (now += e.wait),
            call: calls[e.call % calls.length]!,
          }))
          const once = () =>
            runTime(c, {
              start: at(outdoorF),
              events,
              until: now + 2000,
              feels: (_, w) => (w === 'coil' ? 20 : 90),
            })
          const t = once()
          expect(told(once())).toEqual(told(t))
          expect(t.ended).not.toBe('chatter')
          for (const s of t.steps) {
            const modes = Object.entries(s.situation.modes)
            const rows = reachableModes(c.inst, s.situation.call, s.situation.outdoorF)
            const hasAll = (r: Record<string, string>) => modes.every(([ref, state]) => r[ref] === state)
            // A defrost that began in the cold goes on when it gets warmer: it is one of the cold.
            const inCold = modes.some(([, state]) => state === 'defrost')
              ? reachableModes(c.inst, s.situation.call, degF(30))
              : []
            const found = [...rows, ...inCold].some(hasAll)
            expect([s.at, s.situation, found]).toEqual([s.at, s.situation, true])
          }
        },
      ),
      { numRuns: 60, seed: 7 },
    )
  })
})
