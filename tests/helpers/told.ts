import { Circuit } from '@/core/circuit'
import type { Call, SitePlate } from '@/core/equipment'
import type { HouseValue } from '@/core/house'
import { UNKNOWN_SITE, type Installation, type JobSeen } from '@/core/installation'
import { READINGS, type BandedKind } from '@/core/readings'
import { judge, type Reading, type Verdict } from '@/core/startup'
import { degF } from '@/core/units'
import { demoInstallation } from './demo'
import { reading } from './reading'

/** A job as it stands, and what is known of the house and its plates. */
export interface Site {
  job: string
  call?: Call
  outdoorF?: number
  modes?: Record<string, string>
  plates?: Record<string, SitePlate>
  /** Fields that no device's own plate says. */
  without?: string[]
  house?: Partial<Record<HouseValue, number>>
  settings?: Record<string, string | number | null>
  returnAir?: number
  /** CFM as measured in the same state. */
  airflow?: number
  lineFt?: number
  panelsOff?: boolean
  moved?: Reading['moved']
}

const circuits = new Map<string, Circuit>()
const less = (inst: Installation, without: readonly string[] = []): Installation => ({
  ...inst,
  placed: inst.placed.map((p) => ({
    ...p,
    device: {
      ...p.device,
      plate: Object.fromEntries(Object.entries(p.device.plate).filter(([field]) => !without.includes(field))),
    },
  })),
})

/** What is said of a reading at a site. */
export function told(
  kind: BandedKind,
  at: string,
  value: number,
  site: Site,
  place: Reading['place'] = READINGS[kind].places[0]!,
): Verdict {
  const key = site.job + JSON.stringify([site.settings ?? {}, site.without])
  const circuit =
    circuits.get(key) ?? new Circuit(less(demoInstallation(site.job, site.settings), site.without))
  circuits.set(key, circuit)
  const seen: JobSeen = {
    ...UNKNOWN_SITE,
    inst: circuit.inst,
    plates: site.plates ?? {},
    house: {
      ...UNKNOWN_SITE.house,
      values: Object.fromEntries(
        Object.entries(site.house ?? {}).map(([k, v]) => [k, { value: v, source: 'measured' as const }]),
      ),
    },
  }
  const read = (over: Partial<Reading>): Reading =>
    reading({
      kind,
      value,
      place,
      at,
      withBlower: null,
      ...(site.panelsOff ? { panelsOff: true } : {}),
      situation: {
        call: site.call ?? 'heat1',
        outdoorF: degF(site.outdoorF ?? 47),
        modes: site.modes ?? {},
      },
      ...(site.moved ? { moved: site.moved } : {}),
      ...over,
    })
  const all =
    site.returnAir === undefined
      ? []
      : [read({ kind: 'returnAir', place: 'returnDuct', value: site.returnAir })]
  if (site.airflow !== undefined) all.push(read({ kind: 'airflow', place: 'duct', value: site.airflow }))
  if (site.lineFt !== undefined) all.push(read({ kind: 'lineLength', place: 'line', value: site.lineFt }))
  return judge(circuit, read({}), all, seen)
}

export const STRIPS: Site = { job: 'quillfeather-lane' }
export const GAS: Site = { job: 'tallow-mill', call: 'emergency', outdoorF: 25 }
export const OIL: Site = { job: 'candlemaker-yard', call: 'emergency', outdoorF: 25 }
export const COOL: Site = { job: 'quillfeather-lane', call: 'cool1', outdoorF: 85 }
