import { houseValue, type House } from '../house'
import type { Installation } from '../installation'
import { motorsOf } from './motors'
import { heaterRows } from './rows'

/** How a dwelling's service is calculated (NEC 2023; numbering and factors differ by edition, local code decides). */
export type ServiceMethod = 'new' | 'existing' | 'metered'

export interface ServiceAsked {
  method: ServiceMethod
  /** A: the main breaker. */
  serviceA: number
  /** ft²; VA of everything fastened in place but heating and cooling. Not asked of a metered service. */
  areaFt2?: number
  applianceVa?: number
  /** kW: the year's highest metered demand. */
  peakKw?: number
  /** VA of the compressor with its fan, of the strips, of the blower. */
  compressorVa: number
  stripsVa: number
  blowerVa: number
  /** The compressor never runs with the strips, and that is proven. */
  neverTogether: boolean
}

/** VA of what heats a job: compressor with its fan, strips at the service's volts, blower. */
export function heatingVa(inst: Installation): Pick<ServiceAsked, 'compressorVa' | 'stripsVa' | 'blowerVa'> {
  const motors = inst.placed.flatMap(motorsOf)
  const sum = (list: typeof motors) => list.reduce((va, m) => va + m.va, 0)
  return {
    compressorVa: sum(motors.filter((m) => m.what !== 'blower')),
    stripsVa: heaterRows(inst).reduce((va, r) => va + SERVICE_VOLTS ** 2 / r.ohms, 0),
    blowerVa: sum(motors.filter((m) => m.what === 'blower')),
  }
}

export interface ServiceLoad {
  va: number
  amps: number
  fits: boolean
  /** Each part that was added, VA. */
  parts: { code: 'general' | 'generalRest' | 'heating' | 'metered'; va: number }[]
}

/** VA of a square foot's lighting and sockets, and of two kitchen circuits with a laundry (NEC 220.12, 220.52). */
const VA_PER_FT2 = 3
const KITCHEN_LAUNDRY_VA = 4500
const SERVICE_VOLTS = 240
/** NEC 220.82 and 220.83: what counts whole, and the share of the rest. */
const FIRST = { new: 10_000, existing: 8_000 } as const
const REST_SHARE = 0.4
/** NEC 220.82(C)(4): supplementary strips beside a compressor; 220.87: a metered peak counts a quarter more. */
const STRIPS_SHARE = 0.65
const METERED_SHARE = 1.25

/** Whether the service carries the heating; null where a number that the method depends on is missing. */
export function serviceLoad(asked: ServiceAsked): ServiceLoad | null {
  const { method, serviceA, areaFt2, applianceVa, peakKw, compressorVa, stripsVa, blowerVa } = asked
  // Cooling is the compressor alone, and less than heating with it: the larger of the two counts.
  const compressor = asked.neverTogether && stripsVa > 0 ? 0 : compressorVa
  const together = (share: number) =>
    Math.max(compressorVa + blowerVa, compressor + share * stripsVa + blowerVa)
  if (method === 'metered') {
    if (peakKw === undefined) return null
    const metered = METERED_SHARE * peakKw * 1000
    return sum(serviceA, [
      { code: 'metered', va: metered },
      { code: 'heating', va: together(1) },
    ])
  }
  if (areaFt2 === undefined || applianceVa === undefined) return null
  const general = VA_PER_FT2 * areaFt2 + KITCHEN_LAUNDRY_VA + applianceVa
  const first = Math.min(general, FIRST[method])
  return sum(serviceA, [
    { code: 'general', va: first },
    { code: 'generalRest', va: REST_SHARE * (general - first) },
    { code: 'heating', va: together(method === 'new' ? STRIPS_SHARE : 1) },
  ])
}

/**
 * Load on this job's service, by the method that its house names; null where a number is missing.
 * @param neverTogether the compressor never runs with the strips, and that is proven
 */
export function serviceLoadOf(inst: Installation, house: House, neverTogether: boolean): ServiceLoad | null {
  const serviceA = houseValue(house, 'serviceA')
  if (serviceA === undefined) return null
  const known = (['areaFt2', 'applianceVa', 'peakKw'] as const).flatMap((of) => {
    const value = houseValue(house, of)
    return value === undefined ? [] : [[of, value] as const]
  })
  return serviceLoad({
    method: house.service ?? 'existing',
    serviceA,
    ...Object.fromEntries(known),
    ...heatingVa(inst),
    neverTogether,
  })
}

function sum(serviceA: number, parts: ServiceLoad['parts']): ServiceLoad {
  const va = parts.reduce((all, p) => all + p.va, 0)
  const amps = va / SERVICE_VOLTS
  return { va, amps, fits: amps <= serviceA, parts }
}
