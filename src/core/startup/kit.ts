import type { LoadPart } from '../equipment'
import {
  makeRef,
  quantity,
  splitRef,
  terminalOf,
  type Installation,
  type Placed,
  type Ref,
} from '../installation'

export interface HeaterRow {
  ref: Ref
  row: number
  /** Ω at rating: rated volts squared over rated watts. */
  ohms: number
}

const rowParts = (p: Placed): LoadPart[] =>
  p.device.parts.filter((x): x is LoadPart => x.kind === 'load' && x.does?.what === 'strip')

/** The rows of one placed kit, or of the whole job. R = V²/P at rated volts. */
export function heaterRows(inst: Installation, only?: string): HeaterRow[] {
  return inst.placed
    .filter((p) => only === undefined || p.ref === only)
    .flatMap((p) =>
      rowParts(p).map((x) => ({
        ref: makeRef(p.ref, x.id),
        row: x.does?.what === 'strip' ? x.does.row : 0,
        ohms: x.volts ** 2 / quantity(p, x.va),
      })),
    )
}

/** Rated amps of the blower, A at its rated volts; 0 where there is none. */
export function blowerAmps(inst: Installation): number {
  for (const p of inst.placed)
    for (const x of p.device.parts)
      if (x.kind === 'load' && x.does?.what === 'blower') return quantity(p, x.va) / x.volts
  return 0
}

/** Placed devices that line-voltage conductors tie to this one, itself included. */
export function lineNeighbours(inst: Installation, start: string): Set<string> {
  const seen = new Set([start])
  const isLine = (ref: Ref) => terminalOf(inst, ref)?.terminal.side === 'line'
  for (let grew = true; grew;) {
    grew = false
    for (const w of inst.wires) {
      if (!w.a || !w.b || !isLine(w.a) || !isLine(w.b)) continue
      const [p, q] = [splitRef(w.a).placed, splitRef(w.b).placed]
      if (seen.has(p) === seen.has(q)) continue
      seen.add(p).add(q)
      grew = true
    }
  }
  return seen
}

/** The feeds that reach a place over line conductors. */
export function feedsOf(inst: Installation, at: Ref): Placed[] {
  const near = lineNeighbours(inst, splitRef(at).placed)
  return inst.placed.filter((p) => p.device.kind === 'feed' && near.has(p.ref))
}

/** Nominal line volts of the circuit that feeds a device (its feed's plate); 240 where no feed is found. */
export function serviceVolts(inst: Installation, at: Ref): number {
  const volts = feedsOf(inst, at)[0]?.device.plate.volts
  return typeof volts === 'number' ? volts : 240
}
