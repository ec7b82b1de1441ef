import { hasTrait, amountOf, type Terminal, type Unknowable } from '../equipment'
import { asVolts, type Volts } from '../units'
import {
  settingValue,
  splitRef,
  terminalOf,
  type Installation,
  type Placed,
  type Ref,
  type Name,
} from '../installation'

/** Whether a terminal is a leg or the neutral of the line, by what it says on the device: a blower's lead is neither. */
export const isLeg = ({ side, label }: Terminal): boolean => side === 'line' && /^(L\d?|N)$/.test(label)

/**
 * Placed devices that line-voltage conductors tie to this one, itself included. A grounding conductor feeds nothing, and
 * neither does a neutral that two circuits share.
 */
function lineNeighbours(inst: Installation, start: string): Set<string> {
  const seen = new Set([start])
  const isLine = (ref: Ref) => {
    const at = terminalOf(inst, ref)?.terminal
    return at?.side === 'line' && at.role !== 'ground'
  }
  const isNeutral = (ref: Ref) => terminalOf(inst, ref)?.terminal.label === 'N'
  for (let grew = true; grew;) {
    grew = false
    for (const w of inst.wires) {
      if (!w.a || !w.b || !isLine(w.a) || !isLine(w.b) || (isNeutral(w.a) && isNeutral(w.b))) continue
      const [p, q] = [splitRef(w.a).placed, splitRef(w.b).placed]
      if (seen.has(p) === seen.has(q)) continue
      seen.add(p).add(q)
      grew = true
    }
  }
  return seen
}

/** The feeds that reach a place over line conductors. */
export function feedsOf(inst: Installation, at: Name): Placed[] {
  const near = lineNeighbours(inst, splitRef(at).placed)
  return inst.placed.filter((p) => hasTrait(p.device, 'feedsLine') && near.has(p.ref))
}

/** A feed's breaker: the setting that its rating is, where it is one, and its amps; null: not known, or it has none. */
export function breakerOf(feed: Placed): { setting: string | null; amps: Unknowable<number> } {
  const rated = feed.device.parts.flatMap((p) =>
    p.kind === 'contact' && p.gate === 'breaker' && p.ratedA !== undefined ? [p.ratedA] : [],
  )[0]
  if (rated === undefined) return { setting: null, amps: null }
  return {
    setting: typeof rated === 'object' ? rated.set : null,
    amps: amountOf(rated, (id) => settingValue(feed, id)),
  }
}

/** Nominal line volts of the circuit that feeds a device (its feed's plate); 240 where no feed is found. */
export function serviceVolts(inst: Installation, at: Name): Volts {
  const [feed] = feedsOf(inst, at)
  const given = feed?.device.parts.flatMap((p) =>
    p.kind === 'source' && typeof p.volts === 'object' ? [settingValue(feed, p.volts.set)] : [],
  )[0]
  const volts = given ?? feed?.device.plate.volts
  return asVolts(typeof volts === 'number' ? volts : 240)
}
