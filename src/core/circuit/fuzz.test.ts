import { demoInstallation } from '../../../tests/helpers/demo'
import { evaluate, type Call } from '../equipment'
import { makeRef, quantity, terminalOf, type Installation, type Wire, type Point } from '../installation'
import { callsOf, reachableCombinations, regionsOf, evalContextOf, type Situation } from '../situation'
import { Circuit, solve } from '.'

/**
 * Seeded random landings against a second method that shares nothing with the solver: plain reachability. Every source
 * end gives its points a name (leg 1, leg 2, earth, a transformer's hot side and its common); a load runs when copper
 * and closed contacts bring two different names of one system to its ends. It knows no ohms, so landings in which
 * current would have to go through two loads in a row, or through a short, are left out, and counted.
 */
const JOBS = [
  'quillfeather-lane',
  'pennywort-close',
  'tallow-mill',
  'ferrous-hill',
  'candlemaker-yard',
  'osier-walk',
  'copper-alley',
]
const LANDINGS = 3000

const random = (seed: number) => () => {
  // Mulberry32.
  seed = (seed + 0x6d2b79f5) | 0
  let t = Math.imul(seed ^ (seed >>> 15), 1 | seed)
  t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
  return ((t ^ (t >>> 14)) >>> 0) / 4294967296
}
const pick = <T>(r: () => number, list: readonly T[]): T => list[Math.floor(r() * list.length)]!

function jumbled(inst: Installation, r: () => number): Installation {
  const low = inst.placed.flatMap((p) =>
    p.device.terminals.filter((t) => t.side === 'low').map((t) => makeRef(p.ref, t.id)),
  )
  const isLow = (w: Wire) =>
    [w.a, w.b].every((x) => x === null || terminalOf(inst, x)?.terminal.side === 'low')
  let wires = [...inst.wires]
  for (let n = 1 + Math.floor(r() * 4); n > 0; n--) {
    const w = pick(r, wires.filter(isLow))
    const dice = r()
    if (dice < 0.6) wires = wires.map((x) => (x === w ? { ...x, [r() < 0.5 ? 'a' : 'b']: pick(r, low) } : x))
    else if (dice < 0.8) wires = wires.map((x) => (x === w ? { ...x, [r() < 0.5 ? 'a' : 'b']: null } : x))
    else wires.push({ id: `j${n}`, cable: null, colour: 'white', a: pick(r, low), b: pick(r, low), feet: 1 })
  }
  return { ...inst, wires }
}

type Name = string
interface Reached {
  on: Set<Point>
  /** Two names met: a short. */
  short: boolean
  /** Something hangs between two loads. */
  series: boolean
}

/** Names by copper alone, coils to a fixpoint; null when it goes in a circle. */
function reach(inst: Installation, s: Situation): Reached | 'circle' {
  let on = new Set<Point>()
  const seen = new Set<string>()
  for (;;) {
    const now = once(inst, s, on)
    const key = [...now.on].sort().join()
    if (now.short || key === [...on].sort().join()) return now
    if (seen.has(key)) return 'circle'
    seen.add(key)
    on = now.on
  }
}

function once(inst: Installation, s: Situation, on: ReadonlySet<Point>): Reached {
  const parent = new Map<Point, Point>()
  const top = (r: Point): Point => {
    const up = parent.get(r)
    return up === undefined ? r : top(up)
  }
  const join = (a: Point, b: Point) => top(a) !== top(b) && void parent.set(top(a), top(b))
  for (const w of inst.wires) if (w.a && w.b) join(w.a, w.b)
  const end = (ref: string, id: string): Point => (id === '@earth' ? '@earth' : makeRef(ref, id))
  for (const p of inst.placed) {
    const context = evalContextOf(inst, p, s, (id) => (on.has(makeRef(p.ref, id)) ? 'yes' : 'no'))
    for (const x of p.device.parts)
      if (
        (x.kind === 'path' && x.ohms < 100) ||
        (x.kind === 'contact' && evaluate(x.driver, context) === 'yes')
      )
        join(end(p.ref, x.a), end(p.ref, x.b))
  }
  const names = new Map<Point, Set<Name>>()
  const name = (at: Point, n: Name) => names.set(top(at), (names.get(top(at)) ?? new Set()).add(n))
  name('@earth', 'line:earth')
  for (const p of inst.placed)
    for (const x of p.device.parts)
      if (x.kind === 'source') {
        const hot = x.b === '@earth' ? `line:${x.phaseDeg === 180 ? 'leg2' : 'leg1'}` : `${p.ref}.${x.id}:a`
        name(end(p.ref, x.a), hot)
        if (x.b !== '@earth') name(end(p.ref, x.b), `${p.ref}.${x.id}:b`)
      }
  const label = (at: Point): Name | undefined => [...(names.get(top(at)) ?? [])][0]
  const volts: Record<string, number> = { 'earth leg1': 120, 'earth leg2': 120, 'leg1 leg2': 240 }
  const between = (a: Point, b: Point): number => {
    const [x, y] = [label(a)?.split(':'), label(b)?.split(':')]
    if (!x || !y || x[0] !== y[0] || x[1] === y[1]) return 0
    return x[0] === 'line'
      ? (volts[[x[1]!, y[1]!].sort().join(' ')] ?? 0)
      : x[0]!.includes('busSupply')
        ? 12
        : 24
  }
  // A transformer gives its two names once its primary has volts.
  for (const p of inst.placed)
    for (const x of p.device.parts)
      if (
        x.kind === 'transformer' &&
        between(end(p.ref, x.a), end(p.ref, x.b)) > 0.7 * quantity(p, x.primaryVolts)
      ) {
        name(end(p.ref, x.c), `${p.ref}.${x.id}:hot`)
        name(end(p.ref, x.d), `${p.ref}.${x.id}:common`)
      }
  const short = [...names.values()].some((n) => n.size > 1)
  const next = new Set<Point>()
  // Points that nothing holds, joined through the loads between them, with the names around each such island.
  const islands = new Map<Point, Point>()
  const island = (r: Point): Point => {
    const up = islands.get(r)
    return up === undefined || up === r ? r : island(up)
  }
  const around: [Point, Name][] = []
  for (const p of inst.placed)
    for (const x of p.device.parts) {
      if (x.kind !== 'load') continue
      const [a, b] = [end(p.ref, x.a), end(p.ref, x.b)]
      const v = between(a, b)
      if (v >= (x.pullIn ?? x.volts * 0.7)) next.add(makeRef(p.ref, x.id))
      const [la, lb] = [label(a), label(b)]
      if (!la && !lb) islands.set(island(top(a)), island(top(b)))
      else if (!la) around.push([top(a), lb!])
      else if (!lb) around.push([top(b), la])
    }
  const near = new Map<Point, Set<Name>>()
  for (const [r, n] of around) near.set(island(r), (near.get(island(r)) ?? new Set()).add(n))
  const series = [...near.values()].some((n) => n.size > 1)
  return { on: next, short, series }
}

describe('random landings', () => {
  it('energise the same loads as plain reachability says, and chatter is reported as chatter', () => {
    const tally = { compared: 0, series: 0, short: 0, circle: 0 }
    const jobs = JOBS.map((id) => demoInstallation(id))
    for (let seed = 1; seed <= LANDINGS; seed++) {
      const r = random(seed)
      const inst = jumbled(pick(r, jobs), r)
      const call: Call = pick(r, callsOf(inst))
      const outdoorF = pick(r, regionsOf(inst))
      const { modes } = pick(r, reachableCombinations(inst, call, outdoorF))
      const situation = { call, outdoorF, modes }
      const solved = solve(new Circuit(inst), situation)
      const said = reach(inst, situation)
      if (said === 'circle') {
        tally.circle++
        continue
      }
      if (said.short) {
        tally.short++
        continue
      }
      if (said.series) {
        tally.series++
        continue
      }
      tally.compared++
      if (!solved.ok) throw new Error(`seed ${seed}: ${solved.why} where plain reachability comes to rest`)
      const ours = solved.circuit.net.loads.filter((l) => solved.energised(l.ref)).map((l) => l.ref)
      expect([seed, [...ours].sort()]).toEqual([seed, [...said.on].sort()])
    }
    const left = 1 - tally.compared / LANDINGS
    console.info(`${LANDINGS} landings: ${JSON.stringify(tally)}; ${(left * 100).toFixed(1)} % left out`)
    expect(left).toBeLessThanOrEqual(0.2)
  })
})
