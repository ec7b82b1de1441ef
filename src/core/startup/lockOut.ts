import { EARTH, normalState, type Mode } from '../equipment'
import { Circuit, solve } from '../circuit'
import { makeRef, splitRef, type Installation, type Placed, type Ref, type Name } from '../installation'
import { feedsOf } from '../query'
import type { Situation } from '../situation'
import { tolerances } from '../tolerances'
import { degF } from '../units'

/** One circuit into a cabinet. */
export interface Supply {
  feed: Name
  /** Line terminals in the cabinet that still have their volts with this circuit off and the others on. */
  stillLive: Ref[]
}
/** What stands behind one set of panels, and every circuit that must be off before they are opened. */
export interface Cabinet {
  where: string
  devices: Name[]
  supplies: Supply[]
  /** Pairs of points to meter dead: leg to leg, and each leg to ground. */
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

/**
 * By place, every circuit that comes to what stands there, with what stays live while only that one is off, and where to
 * prove it dead. A place that no line voltage comes to is left out.
 */
export function lockOutList(inst: Installation): Cabinet[] {
  const gear = inst.placed.filter((p) => p.device.kind !== 'feed' && legsOf(inst, p).length > 0)
  const places = [...new Set(gear.map((p) => p.where || p.ref))]
  const circuit = new Circuit(inst)
  const liveIn = (modes: Situation['modes']): ((leg: Ref) => boolean) => {
    const solved = solve(circuit, { call: 'off', outdoorF: degF(tolerances.mildF), modes })
    // What cannot be solved is taken for live.
    return (leg) => !solved.ok || solved.meter(leg, EARTH) > tolerances.liveLineVolts / 2
  }
  // A blower lead, or a neutral, is no leg: with everything on and nothing called it has no volts.
  const isLeg = liveIn({})
  return places.map((where) => {
    const devices = gear.filter((p) => (p.where || p.ref) === where)
    const legs = devices.flatMap((p) => legsOf(inst, p)).filter(isLeg)
    const feeds = [...new Set(devices.flatMap((p) => feedsOf(inst, p.ref)))]
    const liveWith = (feed: Placed): Ref[] => {
      const breaker = breakerOf(feed)
      return legs.filter(liveIn(breaker ? { [makeRef(feed.ref, breaker.mode.id)]: breaker.off } : {}))
    }
    return {
      where,
      devices: devices.map((p) => p.ref),
      supplies: feeds.map((f) => ({ feed: f.ref, stillLive: liveWith(f) })),
      prove: devices.flatMap((p) => pairsOf(legsOf(inst, p).filter(isLeg))),
    }
  })
}

/** Leg to leg within a device, and each leg to ground. */
function pairsOf(legs: readonly Ref[]): [Ref, Ref][] {
  const between = legs.flatMap((a, i) => legs.slice(i + 1).map((b): [Ref, Ref] => [a, b]))
  const ground = (leg: Ref): [Ref, Ref] => [leg, makeRef(splitRef(leg).placed, EARTH)]
  return [...between, ...legs.map(ground)]
}
