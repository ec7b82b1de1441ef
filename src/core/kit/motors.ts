import { quantity, type Placed } from '../installation'
import { tolerances } from '../tolerances'

/** A motor on line voltage. */
export interface Motor {
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
    return [{ what, va: quantity(placed, x.va), volts: x.volts }]
  })
  const [blower] = all.filter((m) => m.what === 'blower').sort((a, b) => b.va - a.va)
  return [...all.filter((m) => m.what !== 'blower'), ...(blower ? [blower] : [])]
}
