import type { Plate } from '@/core/equipment'
import { upper } from './names'
import { figure } from './numbers'

/** Label of each plate field. A field without one does not compile. */
const PLATE_WORDS: Record<keyof Required<Plate>, string> = {
  volts: 'volts',
  minimumVolts: 'lowest volts',
  blowerFla: 'blower FLA',
  transformerVa: 'transformer VA',
  rows: 'rows',
  sequencerSeconds: 'sequencer step, s',
  kilowatts: 'kW',
  leastCfm: 'least airflow, CFM',
  leastSpeed: 'least blower speed:',
  tons: 'tons',
  temperDefrost: 'burner may temper a defrost:',
  gasSwitchCircuit: 'low-gas switch belongs in the circuit of:',
  emergencySteps: 'emergency heat in steps:',
  pairs: 'paired with air handlers of, tons:',
  leastStripGapF: 'strips on and off apart by at least, °F',
  compressorRla: 'compressor RLA',
  fanFla: 'fan FLA',
  inverter: 'inverter:',
  ratings: 'ratings:',
  cd: 'cycling loss',
  drawsDownLeak: 'draws a leak down with the compressor:',
  floorF: 'runs down to, °F',
  kits: 'strip kits, kW:',
  blower: 'blower table:',
  mca: 'MCA',
  mocpA: 'MOCP',
  differentialF: 'differential, °F',
  stages: 'stages',
  inputBtuh: 'input, BTU/h',
  inputAtAltitudeBtuh: 'input at this altitude, BTU/h',
  efficiency: 'efficiency',
  burnerStages: 'burner stages',
  riseLow: 'rise from, °F',
  riseHigh: 'rise to, °F',
  flueLowF: 'flue from, °F',
  flueHighF: 'flue to, °F',
  circuits: 'line circuits',
  opensF: 'opens at, °F',
  closesF: 'remakes at, °F',
  detectsWires: 'finds its wires by their volts:',
  battery: 'battery:',
  plenumSensor: 'sensor in the plenum:',
  togetherAllowed: 'heat pump and burner together:',
  maxStaticInWc: 'most static, in.w.c.',
  manifoldInWc: 'manifold, in.w.c.',
  inletLowInWc: 'inlet from, in.w.c.',
  inletHighInWc: 'inlet to, in.w.c.',
  lowGasTripInWc: 'low-gas switch opens at, in.w.c.',
  pumpPsi: 'oil pump, psi',
  compressorUf: 'compressor capacitor, µF',
  fanUf: 'fan capacitor, µF',
  subcoolingF: 'subcooling, °F',
  superheatF: 'superheat, °F',
  chargedForFt: 'factory charge is for, ft of line set',
  chargeOzPerFt: 'charge for each foot more, oz',
  crankcaseHours: 'crankcase heater before the first start, h',
  coilOpensF: 'coil thermostat opens at, °F',
  speedUp: 'speed-up pins, times faster',
  sensorOhms: 'sensor, Ω by °F:',
  delays: 'waits by itself:',
}

const DELAY_WORDS: Record<NonNullable<Plate['delays']>[number]['what'], string> = {
  minimumOff: 'minimum-off',
  powerUp: 'power-up',
  blowerOn: 'blower on',
  blowerOff: 'blower off',
  prepurge: 'prepurge',
}

function valueWords<K extends keyof Plate>(field: K, value: NonNullable<Plate[K]>): string {
  if (typeof value === 'boolean') return value ? 'yes' : 'no'
  if (typeof value !== 'object') return String(value)
  const plate: Plate = { [field]: value }
  if (plate.pairs) return plate.pairs.map((k) => String(k.tons)).join(', ')
  if (plate.kits) return plate.kits.map((k) => String(k.kilowatts)).join(', ')
  if (plate.delays) return plate.delays.map((d) => `${DELAY_WORDS[d.what]} ${d.seconds} s`).join(', ')
  if (plate.ratings)
    return plate.ratings
      .map(
        (r) =>
          `${r.cop === undefined ? figure(r.capacityBtuh ?? 0, 0) : `COP ${figure(r.cop, 2)}`} at ${r.outdoorF} °F`,
      )
      .join(', ')
  return `${value.length} points`
}

/** A plate as a line: each field with its value. */
export const plateLine = (plate: Plate): string =>
  (Object.keys(plate) as (keyof Plate)[])
    .flatMap((field) => {
      const value = plate[field]
      return value === undefined ? [] : [`${PLATE_WORDS[field]} ${valueWords(field, value)}`]
    })
    .join(', ')

/** "Blower FLA": a field of a plate where it is asked for. */
export const plateFieldLabel = (field: keyof Plate): string => upper(PLATE_WORDS[field].replace(/:$/, ''))

/** The value of one field, as the line has it. */
export const plateValue = (field: keyof Plate, value: NonNullable<Plate[keyof Plate]>): string =>
  valueWords(field, value as never)
