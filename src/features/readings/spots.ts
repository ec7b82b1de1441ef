import { having } from '@/core/query'
import { hasTrait, type Intent } from '@/core/equipment'
import { makeRef, settingValue, type Installation, type Name, type Placed } from '@/core/installation'
import { heaterRows } from '@/core/kit'
import { READING_KINDS, type BandedKind, type ReadingKind, type ReadingPlace } from '@/core/startup'
import { PLACE_WORDS, refWords } from '@/words'

/** A way to take a reading: where the leads or the jaw go. */
export interface Spot {
  place: ReadingPlace
  at: Name
  label: string
}

/** Places where a kind of reading can be taken in this job, likeliest first. */
export function spotsFor(inst: Installation, kind: ReadingKind): Spot[] {
  const spot = (place: ReadingPlace, at: Name, label = `${refWords(inst, at)}`): Spot => ({
    place,
    at,
    label,
  })
  const lined = inst.placed.filter((p) => p.device.terminals.some((t) => t.side === 'line'))
  const feeds = lined.filter((p) => hasTrait(p.device, 'feedsLine'))
  const rows = heaterRows(inst)
  const kits = inst.placed.filter((p) => rows.some((r) => r.ref.startsWith(`${p.ref}.`)))
  switch (kind) {
    case 'controlVolts':
      return inst.placed
        .filter((p) => p.device.terminals.some((t) => t.role === 'C'))
        .flatMap((p) =>
          p.device.terminals
            .filter((t) => t.role === 'R')
            .map((t) => spot('terminals', makeRef(p.ref, t.id), p.label)),
        )

    case 'terminalVolts':
      return inst.placed
        .filter((p) => p.device.terminals.some((t) => t.role === 'C' && t.side === 'low'))
        .flatMap((p) =>
          p.device.terminals
            .filter((t) => t.side === 'low' && t.role !== 'C')
            .map((t) => spot('terminals', makeRef(p.ref, t.id))),
        )
    case 'lineVolts':
      return [
        ...lined
          .filter((p) => !hasTrait(p.device, 'feedsLine'))
          .map((p) => spot('disconnect', p.ref, `${p.label} ${PLACE_WORDS.disconnect}`)),
        ...feeds.map((p) => spot('feed', p.ref, p.label)),
      ]
    case 'legToGround':
      return lined.flatMap((p) =>
        p.device.terminals
          .filter((t) => t.role === 'line' && t.label !== 'N' && !hasTrait(p.device, 'feedsLine'))
          .map((t) => spot('terminals', makeRef(p.ref, t.id))),
      )
    case 'stripAmps':
      return [
        ...feeds
          .filter((f) => kits.some((k) => joined(inst, f.ref, k.ref)))
          .map((f) => spot('feed', f.ref, f.label)),
        ...kits.flatMap((k) =>
          k.device.terminals
            .filter((t) => t.side === 'line' && t.role === 'line')
            .map((t) => spot('kitLead', makeRef(k.ref, t.id), `One kit lead, ${t.label}`)),
        ),
        ...rows.map((r) => spot('rowTerminals', r.ref, `Row ${r.row} terminals`)),
      ]
    case 'rowOhms':
      return rows.map((r) => spot('rowTerminals', r.ref, `Row ${r.row}, element alone`))
    case 'lineLength':
      return splits(inst).map((p) => spot('line', p.ref))
    case 'returnAir':
      return movers(inst).map((p) => spot('returnDuct', p.ref, 'Return duct'))
    case 'supplyAir':
      return movers(inst).map((p) => spot('supplyDuct', p.ref, 'Supply duct, out of sight of the strips'))
    default:
      return bandedSpots(inst, kind).map(({ place, at, label }) => spot(place, at, label))
  }
}

/** The kinds of reading that something of this job can be read for. */
export const kindsFor = (inst: Installation): ReadingKind[] =>
  (Object.keys(READING_KINDS) as ReadingKind[]).filter((kind) => spotsFor(inst, kind).length > 0)

/** Devices that move the house's air. */
const movers = (inst: Installation): Placed[] =>
  inst.placed.filter((p) => p.device.parts.some((x) => x.kind === 'load' && x.does?.what === 'blower'))
/** Outdoor units with a line set that is filled on site. */
const splits = (inst: Installation): Placed[] => having(inst, 'outdoorHalf')
const outdoors = (inst: Installation): Placed[] => having(inst, 'compresses')

/** Loads of a job that do something, as places to clamp. */
function motors(inst: Installation, what: 'compressor' | 'outdoorFan' | 'blower'): PartialSpot[] {
  return inst.placed.flatMap((p) =>
    p.device.parts.flatMap((x) =>
      // A second stage is a solenoid of the one compressor.
      x.kind === 'load' && x.does?.what === what && !('stage' in x.does && x.does.stage === 2)
        ? [{ place: 'motor' as const, at: makeRef(p.ref, x.id) }]
        : [],
    ),
  )
}

interface PartialSpot {
  place: ReadingPlace
  at: Name
  label?: string
}

function bandedSpots(inst: Installation, kind: BandedKind): PartialSpot[] {
  const at = (place: ReadingPlace, list: readonly Placed[]): PartialSpot[] =>
    list.map((p) => ({ place, at: p.ref }))
  const burners = (fuel: 'gas' | 'oil' | null) =>
    inst.placed.filter((p) =>
      p.device.parts.some(
        (x) => x.kind === 'load' && x.does?.what === 'burner' && (fuel === null || x.does.fuel === fuel),
      ),
    )
  switch (kind) {
    case 'compressorAmps':
      return motors(inst, 'compressor')
    case 'fanAmps':
      return motors(inst, 'outdoorFan')
    case 'blowerAmps':
      return motors(inst, 'blower')
        .slice(0, 1)
        .flatMap((m) =>
          heaterRows(inst).length
            ? [m, { ...m, place: 'twoClamps', label: 'Two clamps: the feed less the kit' }]
            : [m],
        )
    case 'capacitor':
      return [...motors(inst, 'compressor'), ...motors(inst, 'outdoorFan')]
    case 'staticPressure':
    case 'airflow':
      return at('duct', movers(inst))
    case 'manifold':
    case 'gasInlet':
    case 'clockedInput':
      return at('burner', burners('gas'))
    case 'lowGasTrip':
      return at(
        'burner',
        burners('gas').filter((p) =>
          p.device.settings.some((s) => s.intent === 'gasSwitch' || settingValue(p, s.id) === 'lp'),
        ),
      )
    case 'coilEntering':
      return at('duct', movers(inst))
    case 'nozzle':
    case 'pumpPressure':
      return at('burner', burners('oil'))
    case 'smoke':
    case 'overFireDraft':
      return at('flue', burners('oil'))
    case 'flueTemp':
    case 'coAirFree':
      return at('flue', burners(null))
    case 'subcooling':
    case 'superheat':
    case 'dischargeLine':
    case 'vapourLine':
    case 'valveDifference':
    case 'vacuum':
      return at('line', outdoors(inst))
    case 'chargeAdded':
      return at('line', splits(inst))
    case 'defrostMinutes':
    case 'coilSwitchOpens':
      return at('coil', outdoors(inst))
    case 'thermistorOhms': {
      const boards = outdoors(inst).filter((p) => p.device.plate.sensorOhms)
      return [...at('coil', boards), ...at('sensor', boards)]
    }
    case 'sensorDifference':
      return at('sensor', having(inst, 'sensesOutdoors'))
    case 'airTrip':
    case 'airRemake':
      return at('sensor', having(inst, 'feelsEnteringAir'))
    case 'gateTrip':
      return inst.placed.flatMap((p) =>
        p.device.settings
          .filter((x) => x.intent && TRIPS.includes(x.intent))
          .map((x) => ({ place: 'sensor' as const, at: makeRef(p.ref, x.id) })),
      )
    case 'supplyAir':
      return []
  }
}
/** Settings at which something drops in or out by the weather. */
const TRIPS: readonly Intent[] = ['compressorLockout', 'auxLockout', 'changeover', 'outdoorSwitch']

const joined = (inst: Installation, a: string, b: string): boolean =>
  inst.wires.some((w) => {
    const ends = [w.a?.split('.')[0], w.b?.split('.')[0]]
    return ends.includes(a) && ends.includes(b)
  })
