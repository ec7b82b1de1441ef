import type { ReadingKind } from '../readings'
import type { Solution } from '../circuit'
import { gateChain } from '../explain'
import {
  commonOf,
  isRef,
  makeRef,
  placedByRef,
  splitRef,
  terminalOf,
  type Installation,
  type Name,
  type Ref,
} from '../installation'
import { farEnds } from '../query'
import { tolerances } from '../tolerances'
import { BANDS } from './bands'
import { currentReadings, onSameVisit, readBeside, sameState, type Reading } from './reading'
import { number, type Cause, type Verdict } from './verdict'

/** Causes of one way that a person is told at once. */
const MOST = 5

/**
 * Parts that may be open on the way to a load or terminal without its volts: the conductors and contacts after the last
 * point that was read live in this state, in order. Without such a reading: the nearest parts, and where to meter.
 * @param target a load part, or a terminal
 */
export function inTheWay(solved: Solution, target: Ref, r: Reading, all: readonly Reading[]): Cause[] {
  const { net, inst } = solved.circuit
  const isLoad = net.loads.some((l) => l.ref === target)
  const route = isLoad ? gateChain(solved, target).route : wayBefore(solved, target)
  if (!route.length) return besides(solved, target)
  const read = new Map(readBeside(r, all, 'terminalVolts').map((x) => [x.at, number(x)]))
  const isLive = (ref: Ref) => (read.get(ref) ?? 0) >= tolerances.liveVolts
  const isDead = (ref: Ref) => (read.get(ref) ?? Infinity) <= tolerances.deadVolts
  const last = route.findLastIndex(isLive)
  const dead = route.findIndex((ref, i) => i > last && isDead(ref))
  const isKnown = last >= 0
  const part = route.slice(last + 1, dead < 0 ? undefined : dead + 1)
  const suspects = (proven: ReadonlySet<Ref>) =>
    part.flatMap((ref, i): Cause[] => {
      if (proven.has(ref)) return []
      if (net.contacts.some((c) => c.ref === ref)) return [{ kind: 'gateToCheck', at: ref }]
      if (splitRef(ref).placed !== 'wires' || !isLow(inst, ref)) return []
      const common = commonEnd(inst, ref)
      if (common) return [{ kind: 'commonOpen', from: common }]
      const before = [...route.slice(0, last + 1), ...part.slice(0, i)].findLast((x) => lowTerminal(inst, x))
      return before ? [{ kind: 'conductorOpen', from: before }] : []
    })
  const less = suspects(runsThrough(solved, r, all))
  // When every part seems to carry current, a reading is wrong: then no part is ruled out.
  const open = less.length ? less : suspects(new Set())
  if (isKnown) return open.slice(0, MOST)
  const points = part.filter((ref) => lowTerminal(inst, ref))
  const middle = points[Math.floor(points.length / 2)]
  const nearest = open.reverse()
  return [
    ...(middle ? [{ kind: 'meterNext' as const, at: middle }] : []),
    ...nearest.filter((c) => c.kind === 'gateToCheck').slice(0, 2),
    ...nearest.filter((c) => c.kind !== 'gateToCheck').slice(0, 1),
  ]
}

/** Parts that carry the current of a load that was read with amps in this state: they are closed. */
function runsThrough(solved: Solution, r: Reading, all: readonly Reading[]): ReadonlySet<Ref> {
  const running = readBeside(r, all, ...AMPS).filter((x) => isRef(x.at) && number(x) > BANDS.idleA)
  return new Set(running.flatMap((x) => (isRef(x.at) ? gateChain(solved, x.at).route : [])))
}
const AMPS: readonly ReadingKind[] = ['compressorAmps', 'fanAmps', 'blowerAmps', 'stripAmps']

/** The end of a conductor that lies on a common; null: it is none of the common's. */
function commonEnd(inst: Installation, wire: Ref): Ref | null {
  const own = inst.wires.find((w) => w.id === splitRef(wire).id)
  return (
    [own?.a, own?.b].find((end): end is Ref => !!end && terminalOf(inst, end)?.terminal.role === 'C') ?? null
  )
}

const lowTerminal = (inst: Installation, ref: Name): boolean => terminalOf(inst, ref)?.terminal.side === 'low'
function isLow(inst: Installation, wire: Ref): boolean {
  const own = inst.wires.find((w) => w.id === splitRef(wire).id)
  return [own?.a, own?.b].some((end) => end && lowTerminal(inst, end))
}

/** Contacts, conductors and terminals that the current passes from its source to a terminal, in order. */
function wayBefore(solved: Solution, at: Ref): Ref[] {
  for (const load of solved.circuit.net.loads) {
    if (!solved.energised(load.ref)) continue
    const { route } = gateChain(solved, load.ref)
    const i = route.indexOf(at)
    if (i > 0) return route.slice(0, i)
  }
  return []
}

/** Closed contacts and conductors that end at a terminal outside the path of every running load's current. */
function besides(solved: Solution, at: Ref): Cause[] {
  const { inst } = solved.circuit
  const { placed: ref, id } = splitRef(at)
  const contacts = (placedByRef(inst, ref)?.device.parts ?? []).flatMap((x): Cause[] => {
    if (x.kind !== 'contact' || (x.a !== id && x.b !== id)) return []
    const contact = makeRef(ref, x.id)
    return solved.closed(contact) === 'yes' ? [{ kind: 'gateToCheck', at: contact }] : []
  })
  const wires = farEnds(inst, at).map((from): Cause => ({ kind: 'conductorOpen', from }))
  return [...contacts, ...wires]
}

/** The conductors of a device's common, each of which may be open. */
export function commonCauses(inst: Installation, ref: string): Cause[] {
  const placed = placedByRef(inst, ref)
  const common = placed && commonOf(placed)
  return common ? farEnds(inst, common).map((from) => ({ kind: 'commonOpen', from })) : []
}

/** A reading of one of these kinds that is right speaks against a cause; one that is wrong supports it. */
const TOLD_BY: Partial<Record<Cause['kind'], readonly ReadingKind[]>> = {
  airflowHigh: ['airflow'],
  airflowLow: ['airflow', 'staticPressure'],
  filter: ['staticPressure', 'airflow'],
  duct: ['staticPressure', 'airflow'],
  tap: ['airflow'],
  chargeLow: ['subcooling', 'superheat'],
  chargeHigh: ['subcooling', 'superheat'],
  valveLeaks: ['valveDifference'],
  inputLow: ['clockedInput'],
  inputHigh: ['clockedInput'],
  manifoldLow: ['manifold'],
  manifoldHigh: ['manifold'],
  inletLow: ['gasInlet'],
  capacitorWeak: ['capacitor'],
  rowOpen: ['rowOhms'],
  utility: ['lineVolts'],
  looseLug: ['lineVolts'],
  breakerOff: ['lineVolts'],
  stripsInIt: ['stripAmps'],
}
/** A reading of the first of those kinds that is wrong on this side is the cause itself. */
const SIDE: Partial<Record<Cause['kind'], 'low' | 'high'>> = {
  airflowHigh: 'high',
  airflowLow: 'low',
  inputLow: 'low',
  inputHigh: 'high',
  manifoldLow: 'low',
  manifoldHigh: 'high',
  inletLow: 'low',
}
/** Readings that do not depend on the call. */
const ANY_STATE: readonly ReadingKind[] = ['capacitor', 'rowOhms', 'lineVolts', 'gasInlet']

/**
 * A verdict with its causes in the order that the other readings make likely: those that another reading supports first,
 * those that one speaks against last, and the rest as they come, the cheapest to check first.
 * @param judgeAlone judges a reading without looking at the order of causes
 */
export function inLikelyOrder(
  verdict: Verdict,
  r: Reading,
  all: readonly Reading[],
  judgeAlone: (other: Reading) => Verdict,
): Verdict {
  if (verdict.verdict === 'right' || verdict.causes.length < 2) return verdict
  const others = currentReadings(all).filter((x) => x.id !== r.id)
  const verdicts = new Map<string, Verdict>()
  const judged = (x: Reading): Verdict => {
    const known = verdicts.get(x.id) ?? judgeAlone(x)
    verdicts.set(x.id, known)
    return known
  }
  const weigh = (c: Cause): number => {
    const kinds = TOLD_BY[c.kind]
    if (!kinds) return 0
    let weight = 0
    for (const x of others) {
      if (!kinds.includes(x.kind) || !(ANY_STATE.includes(x.kind) || (sameState(x, r) && onSameVisit(x, r))))
        continue
      if (x.kind === 'rowOhms' && x.at !== r.at) continue
      const { verdict: v, causes, expected } = judged(x)
      const side = x.kind === kinds[0] ? SIDE[c.kind] : undefined
      if (side && expected && v === 'wrong')
        if (side === 'low' ? number(x) < expected.low : number(x) > expected.high) return 1
      if (v === 'right') weight = Math.min(weight, -1)
      else if ((v === 'wrong' || v === 'watch') && causes.some((other) => other.kind === c.kind)) return 1
    }
    return weight
  }
  const weights = new Map(verdict.causes.map((c) => [c, weigh(c)]))
  const causes = [...verdict.causes].sort((a, b) => (weights.get(b) ?? 0) - (weights.get(a) ?? 0))
  return { ...verdict, causes }
}
