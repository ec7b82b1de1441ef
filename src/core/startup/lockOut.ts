import { hasTrait, EARTH, normalState, type Mode } from '../equipment'
import { Circuit, solve } from '../circuit'
import {
  commonOf,
  makeRef,
  splitRef,
  type Installation,
  type Placed,
  type Ref,
  type Name,
} from '../installation'
import { having, feedsOf } from '../query'
import { callsOf, type Situation } from '../situation'
import { tolerances } from '../tolerances'
import { degF } from '../units'

/** A circuit into a cabinet. */
export interface Supply {
  feed: Name
  /** Line terminals in the cabinet that still have their volts with this circuit off and the others on. */
  stillLive: Ref[]
  /** 24 V terminals in the cabinet that still have control volts then, on some call. */
  still24: Ref[]
}
/** The space behind one set of covers, and every circuit that must be off before they are opened. */
export interface Cabinet {
  where: string
  devices: Name[]
  supplies: Supply[]
  /** Circuits of other cabinets whose transformer keeps 24 V on terminals here. */
  controlFrom: Name[]
  /** Points that still have volts with every circuit of the job open: something feeds them that is not recorded. */
  neverDead: Ref[]
  /** Parts that hold a charge with everything off. */
  stored: 'none' | 'capacitor' | 'dcBus'
  /** Pairs of points to meter dead: those with line volts between them when all is on, and each of them to ground. */
  prove: [Ref, Ref][]
}

const breakerOf = (feed: Placed): { mode: Mode; off: string } | null => {
  for (const mode of feed.device.modes) {
    const off = mode.states.find((s) => s.condition === 'off')
    if (off && off.id !== normalState(mode)) return { mode, off: off.id }
  }
  return null
}

/** Terminals of line volts that a conductor is landed on, a device's own legs and those that come through a harness. */
function legsOf(inst: Installation, p: Placed): Ref[] {
  const isLanded = (ref: Ref) => inst.wires.some((w) => (w.a === ref || w.b === ref) && w.a && w.b)
  return p.device.terminals
    .filter((t) => t.side === 'line' && t.role !== 'ground')
    .map((t) => makeRef(p.ref, t.id))
    .filter(isLanded)
}

/** The 24 V terminals of a device, each with the common that it is metered against. */
function controlOf(p: Placed): [Ref, Ref][] {
  const common = commonOf(p)
  if (!common) return []
  return p.device.terminals
    .filter((t) => t.side === 'low' && t.role !== 'bus' && t.role !== 'ground')
    .map((t) => makeRef(p.ref, t.id))
    .flatMap((at): [Ref, Ref][] => (at === common ? [] : [[at, common]]))
}

/**
 * By place, every circuit that comes to what stands there, with what stays live while only that one is off, line or control
 * volts, by the solved circuit; what another cabinet's transformer keeps alive; and where to prove it dead. A place that no
 * line voltage comes to is left out.
 */
export function lockOutList(inst: Installation): Cabinet[] {
  const gear = inst.placed.filter((p) => !hasTrait(p.device, 'feedsLine') && legsOf(inst, p).length > 0)
  const places = [...new Set(gear.map((p) => p.where || p.ref))]
  const circuit = new Circuit(inst)
  const idleIn = (modes: Situation['modes']) =>
    solve(circuit, { call: 'off', outdoorF: degF(tolerances.mildF), modes })
  /** A leg that cannot be solved counts as live. */
  const liveAt = (solved: ReturnType<typeof idleIn>) => (leg: Ref) =>
    !solved.ok || solved.meter(leg, EARTH) > tolerances.liveLineVolts / 2
  const liveIn = (modes: Situation['modes']) => liveAt(idleIn(modes))
  const feedsOfJob = having(inst, 'feedsLine')
  const off = (feeds: readonly Placed[]): Situation['modes'] =>
    Object.fromEntries(
      feeds.flatMap((feed) => {
        const breaker = breakerOf(feed)
        return breaker ? [[makeRef(feed.ref, breaker.mode.id), breaker.off]] : []
      }),
    )
  const allOff = off(feedsOfJob)
  /** Terminals with control volts on some call. A thermostat goes on calling while a breaker is open. */
  const controlIn = (devices: readonly Placed[], modes: Situation['modes']): Ref[] => {
    const live = new Set<Ref>()
    for (const call of ['off' as const, ...callsOf(inst)]) {
      const solved = solve(circuit, { call, outdoorF: degF(tolerances.mildF), modes })
      for (const p of devices)
        for (const [at, common] of controlOf(p))
          if (!solved.ok || solved.meter(at, common) >= tolerances.liveVolts) live.add(at)
    }
    return [...live]
  }
  // A blower lead, or a neutral, is no leg: with everything on and nothing called it has no volts.
  const on = idleIn({})
  const isLeg = liveAt(on)
  const hasVolts = (a: Ref, b: Ref) => !on.ok || on.meter(a, b) > tolerances.liveLineVolts / 2
  return places.map((where) => {
    const devices = gear.filter((p) => (p.where || p.ref) === where)
    const legs = devices.flatMap((p) => legsOf(inst, p)).filter(isLeg)
    const feeds = [...new Set(devices.flatMap((p) => feedsOf(inst, p.ref)))]
    const others = feedsOfJob.filter((f) => !feeds.includes(f))
    const parts = devices.flatMap((p) => p.device.parts)
    return {
      where,
      devices: devices.map((p) => p.ref),
      supplies: feeds.map((f) => ({
        feed: f.ref,
        stillLive: legs.filter(liveIn(off([f]))),
        still24: controlIn(devices, off([f])),
      })),
      // With this circuit alone on, and all others of the job off.
      controlFrom: others
        .filter((f) => controlIn(devices, off(feedsOfJob.filter((o) => o !== f))).length > 0)
        .map((f) => f.ref),
      neverDead: [...legs.filter(liveIn(allOff)), ...controlIn(devices, allOff)],
      stored: devices.some((p) => p.device.plate.inverter)
        ? 'dcBus'
        : parts.some((x) => x.kind === 'load' && x.does?.what === 'compressor')
          ? 'capacitor'
          : 'none',
      prove: devices.flatMap((p) => pairsOf(legsOf(inst, p), hasVolts)),
    }
  })
}

/** Leg to leg or to neutral within a device, and each of them to ground. */
function pairsOf(ends: readonly Ref[], hasVolts: (a: Ref, b: Ref) => boolean): [Ref, Ref][] {
  const between = ends.flatMap((a, i) =>
    ends
      .slice(i + 1)
      .filter((b) => hasVolts(a, b))
      .map((b): [Ref, Ref] => [a, b]),
  )
  const ground = (end: Ref): [Ref, Ref] => [end, makeRef(splitRef(end).placed, EARTH)]
  return [...between, ...ends.filter((end) => between.some((pair) => pair.includes(end))).map(ground)]
}
