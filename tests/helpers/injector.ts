import { Circuit, solve, type Solution } from '@/core/circuit'
import { failuresOf, failedModes } from '@/core/failures'
import { gateChain, type ChainGate, type GateChain } from '@/core/explain'
import { makeRef, placedByRef, splitRef, type Installation, type Ref } from '@/core/installation'
import { targetsOf, wiredNet } from '@/core/query'
import { callsOf, modesOf, type Situation } from '@/core/situation'
import { degF } from '@/core/units'
import { slipsOf, type Slip } from './slips'

/** A fault put into a right job, with a record of its own of what was done. */
export interface Fault {
  what: string
  kind: 'lift' | 'move' | 'swap' | 'setting' | 'supply' | 'part'
  inst: Installation
  /** Modes that the fault holds. */
  modes: Record<Ref, string>
  /** Terminals, settings, modes or parts that a true reason names one of. */
  names: readonly Ref[]
}

/** Every single fault of a job: conductors lifted, moved and crossed, settings set otherwise, supplies off, parts failed. */
export function* faultsOf(inst: Installation): Generator<Fault> {
  for (const { what, kind, inst: slipped, names } of slipsOf(inst))
    yield { what, kind, inst: slipped, modes: {}, names }
  for (const p of inst.placed)
    for (const def of p.device.settings) {
      const now = p.settings[def.id] ?? def.default
      const [low, high] = def.range ?? []
      const others = def.options?.map((o) => o.id) ?? (low === undefined ? [] : [low, high!])
      for (const value of others.filter((v) => v !== now))
        yield {
          what: `set ${p.ref}.${def.id}=${String(value)}`,
          kind: 'setting',
          inst: {
            ...inst,
            placed: inst.placed.map((x) =>
              x === p ? { ...p, settings: { ...p.settings, [def.id]: value } } : x,
            ),
          },
          modes: {},
          names: [makeRef(p.ref, def.id)],
        }
    }
  for (const f of failuresOf(inst))
    if (f.kind === 'mode')
      yield {
        what: `mode ${f.at}=${f.state}`,
        kind: f.state === 'off' ? 'supply' : 'part',
        inst,
        modes: failedModes(f),
        names: [f.at],
      }
}

const TEMPERATURES = [20, 45, 90].map(degF)

/** Everything that a reason names: terminals, and the settings, modes and parts of its gate's device. */
function namedBy(inst: Installation, { at, because }: ChainGate): Set<Ref> {
  const { placed } = splitRef(at)
  const names = new Set<Ref>([at])
  for (const b of because) {
    for (const value of Object.values(b) as unknown[])
      for (const one of Array.isArray(value) ? (value as unknown[]) : [value])
        if (typeof one === 'string' && one.includes('.')) names.add(one as Ref)
    if (b.kind === 'mode') names.add(makeRef(placed, b.mode))
    if (b.kind === 'condition')
      for (const { ref, mode } of modesOf(inst))
        if (mode.states.some((s) => s.condition === b.condition)) names.add(ref)
    if (b.kind === 'set') {
      names.add(makeRef(placed, b.setting))
      // One that follows another device's setting is that setting.
      const follows = placedByRef(inst, placed)?.device.settings.find((s) => s.id === b.setting)?.follows
      for (const p of inst.placed)
        for (const s of p.device.settings)
          if (follows && s.intent === follows) names.add(makeRef(p.ref, s.id))
    }
    if (b.kind === 'energised') names.add(makeRef(placed, b.part))
    if (b.kind === 'sense' && b.setting) names.add(makeRef(placed, b.setting))
  }
  return names
}

export type Score = 'right' | 'later' | 'lessExact' | 'wrong' | 'silent'
export interface Scored {
  score: Score
  load: Ref
  situation: Situation
  gate: ChainGate | undefined
}

/** A load that runs in the right job or in the changed one, and not in both. */
interface Changed {
  ref: Ref
  now: Solution
  /** The call and the temperature, with every mode normal. */
  plain: Situation
}

/** Every load that a change stops, or turns on, in each call and at each temperature. */
function* changesBy(
  what: 'stops' | 'turnsOn',
  right: Circuit,
  circuit: Circuit,
  modes: Situation['modes'] = {},
): Generator<Changed> {
  for (const call of callsOf(right.inst))
    for (const outdoorF of TEMPERATURES) {
      const plain: Situation = { call, outdoorF, modes: {} }
      const [good, now] = [solve(right, plain), solve(circuit, { ...plain, modes })]
      if (!good.ok || !now.ok) continue
      const [running, other] = what === 'stops' ? [good, now] : [now, good]
      for (const { ref, does } of targetsOf(right.inst)) {
        if (!running.energised(ref) || other.energised(ref)) continue
        // One speed of a blower that gives way to another has not stopped.
        if (does.what === 'blower' && other.running.some((l) => l.part.does?.what === 'blower')) continue
        yield { ref, now, plain }
      }
    }
}

/** The first of each load in each call. */
function firstOfEach(changes: Iterable<Changed>): Changed[] {
  const firsts = new Map<string, Changed>()
  for (const c of changes) {
    const key = `${c.ref} ${c.plain.call}`
    if (!firsts.has(key)) firsts.set(key, c)
  }
  return [...firsts.values()]
}

const firstGate = ({ first, gates }: GateChain): ChainGate | undefined =>
  first === null ? undefined : gates[first]

/** Every load that a fault stops, and how well the first reason for it names the fault. */
export function scoresOf(right: Circuit, fault: Fault): Scored[] {
  const circuit = fault.inst === right.inst ? right : new Circuit(fault.inst, right)
  return firstOfEach(changesBy('stops', right, circuit, fault.modes)).map(({ ref, now }) => ({
    load: ref,
    situation: now.situation,
    ...scoreOf(now, ref, fault),
  }))
}

function scoreOf(solved: Solution, load: Ref, fault: Fault): { score: Score; gate: ChainGate | undefined } {
  const chain = gateChain(solved, load)
  const gate = firstGate(chain)
  if (!gate) return { score: 'silent', gate }
  const named = namedBy(fault.inst, gate)
  if (fault.names.some((n) => named.has(n))) return { score: 'right', gate }
  if (
    chain.gates.some((g) => g.state !== 'passing' && fault.names.some((n) => namedBy(fault.inst, g).has(n)))
  )
    return { score: 'later', gate }
  const nets = fault.names.map((n) => wiredNet(fault.inst, n))
  if ([...named].some((n) => nets.some((net) => net.has(n)))) return { score: 'lessExact', gate }
  return { score: 'wrong', gate }
}

/** Two slips in one job, and the job with each of them alone. */
export interface Pair {
  what: string
  inst: Installation
  alone: readonly [Slip, Slip]
}

/** A pair of slips drawn by two numbers between 0 and 1: the second with other conductors than the first. */
export function pairOf(
  slips: readonly Slip[],
  again: (first: Slip) => Slip[],
  draw: () => number,
): Pair | null {
  const one = slips[Math.floor(draw() * slips.length)]
  if (!one) return null
  const others = again(one).filter((s) => !s.names.some((n) => one.names.includes(n)))
  const other = others[Math.floor(draw() * others.length)]
  const alone = other && slips.find((s) => s.what === other.what)
  return other && alone
    ? { what: `${one.what} + ${other.what}`, inst: other.inst, alone: [one, alone] }
    : null
}

export interface PairScored {
  load: Ref
  situation: Situation
  /** The first reason names one of the two slips. */
  isFirst: boolean
  /** Each slip alone stops the load; then whether the chain names both. */
  both: boolean | null
  gate: ChainGate | undefined
}

/** Every load that a pair of slips stops, and how well its chain names them. */
export function scoresOfPair(right: Circuit, pair: Pair): PairScored[] {
  const singles = pair.alone.map((s) => new Circuit(s.inst, right))
  const names = pair.alone.map((s) => s.names)
  const changes = changesBy('stops', right, new Circuit(pair.inst, right))
  return firstOfEach(changes).map(({ ref, now, plain }) => {
    const chain = gateChain(now, ref)
    const gate = firstGate(chain)
    const named = gate ? namedBy(pair.inst, gate) : new Set<Ref>()
    const all = new Set(
      chain.gates.filter((g) => g.state !== 'passing').flatMap((g) => [...namedBy(pair.inst, g)]),
    )
    const stops = singles.every((c) => {
      const s = solve(c, plain)
      return s.ok && !s.energised(ref)
    })
    return {
      load: ref,
      situation: plain,
      isFirst: names.some((list) => list.some((n) => named.has(n))),
      both: stops ? names.every((list) => list.some((n) => all.has(n))) : null,
      gate,
    }
  })
}

/** Every load that a slip turns on: whether what is said of it names the slip. */
export const gainsOf = (right: Circuit, slip: Slip): boolean[] =>
  [...changesBy('turnsOn', right, new Circuit(slip.inst, right))].map(({ ref, now }) => {
    const named = gateChain(now, ref).onBy.map((g) => namedBy(slip.inst, g))
    return named.some((list) => slip.names.some((n) => list.has(n)))
  })

/** Numbers from 0 to 1 that are the same for the same seed. */
export function drawnFrom(seed: number): () => number {
  let state = seed
  return () => {
    state = (state * 1_103_515_245 + 12_345) % 2_147_483_648
    return state / 2_147_483_648
  }
}
