import type { Plate } from '../equipment'
import { makeRef, quantity, type Installation, type Name, type Placed, type Ref } from '../installation'
import { tolerances } from '../tolerances'
import { asAmps, type Amps } from '../units'
import { partsBehind } from './rows'

/** Plates read on site, by placed device. */
type Plates = Readonly<Record<string, Plate>>

/** A motor on line voltage. */
export interface Motor {
  at: Ref
  what: 'blower' | 'compressor' | 'outdoorFan'
  /** VA at its rated volts. */
  va: number
  volts: number
}

/** The motors of a device that may run at once: of a blower's speeds only the one that draws most. */
export function motorsOf(placed: Placed): Motor[] {
  const all = placed.device.parts.flatMap((x): Motor[] => {
    const what = x.kind === 'load' ? x.does?.what : undefined
    if (x.kind !== 'load' || x.volts <= tolerances.lowVoltsMost) return []
    if (what !== 'blower' && what !== 'compressor' && what !== 'outdoorFan') return []
    return [{ at: makeRef(placed.ref, x.id), what, va: quantity(placed, x.va), volts: x.volts }]
  })
  const [blower] = all.filter((m) => m.what === 'blower').sort((a, b) => b.va - a.va)
  return [...all.filter((m) => m.what !== 'blower'), ...(blower ? [blower] : [])]
}

/** Rated A of a motor: as its plate has it, on site or in the library; else by its VA. */
function ratedAmps(motor: Motor, plate: Plate): Amps {
  const { blowerFla, compressorRla, fanFla } = plate
  const plated = { blower: blowerFla, compressor: compressorRla, outdoorFan: fanFla }[motor.what]
  return asAmps(plated ?? motor.va / motor.volts)
}

/** The motors that a feed, or a lead, gives current to, each with its rated A. */
export function motorsBehind(inst: Installation, at: Name, plates: Plates): (Motor & { amps: Amps })[] {
  const isReached = partsBehind(inst, at)
  return inst.placed.flatMap((p) =>
    motorsOf(p)
      .filter((m) => isReached(m.at))
      .map((m) => ({ ...m, amps: ratedAmps(m, { ...p.device.plate, ...plates[p.ref] }) })),
  )
}

/** Rated A of the job's blower; 0 where there is none. */
export function blowerAmps(inst: Installation, plates: Plates): Amps {
  const all = inst.placed.flatMap((p) =>
    motorsOf(p)
      .filter((m) => m.what === 'blower')
      .map((m) => ratedAmps(m, { ...p.device.plate, ...plates[p.ref] })),
  )
  return asAmps(Math.max(0, ...all))
}
