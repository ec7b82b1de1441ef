import { hasTrait, type Intent } from '../equipment'
import { makeRef, settingValue, type Installation, type Placed } from '../installation'
import { heaterRows } from '../kit'
import { burnersOf, having } from '../query'
import { READING_KINDS, type ReadingKind } from './kinds'
import type { ReadingPlace, Spot } from './row'

type Spots = (inst: Installation) => Spot[]

const at =
  (place: ReadingPlace, devices: (inst: Installation) => Placed[]): Spots =>
  (inst) =>
    devices(inst).map((p) => ({ place, at: p.ref }))

/** Devices with terminals on line voltage, breakers aside. */
const onLine = (inst: Installation): Placed[] =>
  inst.placed.filter(
    (p) => !hasTrait(p.device, 'feedsLine') && p.device.terminals.some((t) => t.side === 'line'),
  )
const feeds = (inst: Installation): Placed[] =>
  having(inst, 'feedsLine').filter((p) => p.device.terminals.some((t) => t.side === 'line'))

const atControlSupply: Spots = (inst) =>
  inst.placed
    .filter((p) => p.device.terminals.some((t) => t.role === 'C'))
    .flatMap((p) =>
      p.device.terminals
        .filter((t) => t.role === 'R')
        .map((t) => ({ place: 'terminals' as const, at: makeRef(p.ref, t.id) })),
    )

const atTerminals: Spots = (inst) =>
  inst.placed
    .filter((p) => p.device.terminals.some((t) => t.role === 'C' && t.side === 'low'))
    .flatMap((p) =>
      p.device.terminals
        .filter((t) => t.side === 'low' && t.role !== 'C')
        .map((t) => ({ place: 'terminals' as const, at: makeRef(p.ref, t.id) })),
    )

const atSupply: Spots = (inst) => [...at('disconnect', onLine)(inst), ...at('feed', feeds)(inst)]

const atLegs: Spots = (inst) =>
  onLine(inst).flatMap((p) =>
    p.device.terminals
      .filter((t) => t.role === 'line' && t.label !== 'N')
      .map((t) => ({ place: 'terminals' as const, at: makeRef(p.ref, t.id) })),
  )

const areJoined = (inst: Installation, a: string, b: string): boolean =>
  inst.wires.some((w) => {
    const ends = [w.a?.split('.')[0], w.b?.split('.')[0]]
    return ends.includes(a) && ends.includes(b)
  })

/** A clamp for strips: the whole circuit, one lead of the kit, one row. */
const atStrips: Spots = (inst) => {
  const rows = heaterRows(inst)
  const kits = inst.placed.filter((p) => rows.some((r) => r.ref.startsWith(`${p.ref}.`)))
  return [
    ...feeds(inst)
      .filter((f) => kits.some((k) => areJoined(inst, f.ref, k.ref)))
      .map((f) => ({ place: 'feed' as const, at: f.ref })),
    ...kits.flatMap((k) =>
      k.device.terminals
        .filter((t) => t.side === 'line' && t.role === 'line')
        .map((t) => ({ place: 'kitLead' as const, at: makeRef(k.ref, t.id) })),
    ),
    ...atRows(inst),
  ]
}
const atRows: Spots = (inst) => heaterRows(inst).map((r) => ({ place: 'rowTerminals', at: r.ref }))

/** Motors of a job. A second compressor stage is a solenoid of the one compressor. */
const atMotors =
  (...what: ('compressor' | 'outdoorFan' | 'blower')[]): Spots =>
  (inst) =>
    what.flatMap((one) =>
      inst.placed.flatMap((p) =>
        p.device.parts.flatMap((x) =>
          x.kind === 'load' && x.does?.what === one && !('stage' in x.does && x.does.stage === 2)
            ? [{ place: 'motor' as const, at: makeRef(p.ref, x.id) }]
            : [],
        ),
      ),
    )

/** A blower's own lead; with strips on the same feed also two clamps, the feed less the kit. */
const atBlower: Spots = (inst) =>
  atMotors('blower')(inst)
    .slice(0, 1)
    .flatMap((m) => (heaterRows(inst).length ? [m, { ...m, place: 'twoClamps' as const }] : [m]))

const movers = (inst: Installation): Placed[] =>
  inst.placed.filter((p) => p.device.parts.some((x) => x.kind === 'load' && x.does?.what === 'blower'))
const inDuct = at('duct', movers)
const inReturn = at('returnDuct', movers)
const inSupply = at('supplyDuct', movers)

/** Devices with a burner on one of these fuels; one with two stages counts once. */
const burners =
  (...fuels: ('gas' | 'oil')[]) =>
  (inst: Installation): Placed[] => [
    ...new Set(burnersOf(inst).flatMap(({ placed, fuel }) => (fuels.includes(fuel) ? [placed] : []))),
  ]
const atGasBurner = at('burner', burners('gas'))
const atOilBurner = at('burner', burners('oil'))
const inFlue = at('flue', burners('gas', 'oil'))
const inOilFlue = at('flue', burners('oil'))

/** A low-gas-pressure switch: where a setting places it, or on LP. */
const atLowGasSwitch = at('burner', (inst) =>
  burners('gas')(inst).filter((p) =>
    p.device.settings.some((s) => s.intent === 'gasSwitch' || settingValue(p, s.id) === 'lp'),
  ),
)

const onLines = at('line', (inst) => having(inst, 'compresses'))
/** A line set that is filled on site. */
const onLineSet = at('line', (inst) => having(inst, 'outdoorHalf'))
const atOutdoorCoil = at('coil', (inst) => having(inst, 'compresses'))

const boards = (inst: Installation): Placed[] =>
  having(inst, 'compresses').filter((p) => p.device.plate.sensorOhms)
const atBoardSensors: Spots = (inst) => [...at('coil', boards)(inst), ...at('sensor', boards)(inst)]
const atOutdoorSensor = at('sensor', (inst) => having(inst, 'sensesOutdoors'))
const atAirSwitch = at('sensor', (inst) => having(inst, 'feelsEnteringAir'))

/** Settings at which something locks out by the weather. */
const TRIPS: readonly Intent[] = ['compressorLockout', 'auxLockout', 'changeover', 'outdoorSwitch']
const atTrips: Spots = (inst) =>
  inst.placed.flatMap((p) =>
    p.device.settings
      .filter((x) => x.intent && TRIPS.includes(x.intent))
      .map((x) => ({ place: 'sensor' as const, at: makeRef(p.ref, x.id) })),
  )

/** Places of each kind of reading in a job, likeliest first. */
export const SPOTS: Readonly<Record<ReadingKind, Spots>> = {
  controlVolts: atControlSupply,
  terminalVolts: atTerminals,
  lineVolts: atSupply,
  legToGround: atLegs,
  stripAmps: atStrips,
  rowOhms: atRows,
  returnAir: inReturn,
  compressorAmps: atMotors('compressor'),
  fanAmps: atMotors('outdoorFan'),
  blowerAmps: atBlower,
  staticPressure: inDuct,
  airflow: inDuct,
  manifold: atGasBurner,
  gasInlet: atGasBurner,
  clockedInput: atGasBurner,
  pumpPressure: atOilBurner,
  flueTemp: inFlue,
  coAirFree: inFlue,
  smoke: inOilFlue,
  overFireDraft: inOilFlue,
  subcooling: onLines,
  superheat: onLines,
  dischargeLine: onLines,
  vapourLine: onLines,
  valveDifference: onLines,
  lowGasTrip: atLowGasSwitch,
  nozzle: atOilBurner,
  coilEntering: inDuct,
  lineLength: onLineSet,
  chargeAdded: onLineSet,
  vacuum: onLines,
  defrostMinutes: atOutdoorCoil,
  coilSwitchOpens: atOutdoorCoil,
  thermistorOhms: atBoardSensors,
  sensorDifference: atOutdoorSensor,
  capacitor: atMotors('compressor', 'outdoorFan'),
  gateTrip: atTrips,
  airTrip: atAirSwitch,
  airRemake: atAirSwitch,
  supplyAir: inSupply,
}

/** Kinds of reading that something in a job has. */
export const kindsFor = (inst: Installation): ReadingKind[] =>
  READING_KINDS.filter((kind) => SPOTS[kind](inst).length > 0)
