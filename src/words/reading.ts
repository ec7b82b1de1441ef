import { READINGS, type ReadingKind, type ReadingPlace, type Spot, type Tool } from '@/core/readings'
import { placedByRef, splitRef, type Installation } from '@/core/installation'
import { heaterRows } from '@/core/kit'
import {
  SIMPLE_CAUSES,
  type BandBasis,
  type Cause,
  type Reading,
  type SimpleCause,
  type Verdict,
} from '@/core/startup'
import { dateWords } from './dates'
import { gateWords } from './gate'
import { gateName, lower, refWords } from './names'
import { degrees, figure, whole } from './numbers'

export const KIND_WORDS: Record<ReadingKind, string> = {
  controlVolts: 'Control volts, R to C',
  terminalVolts: '24 V at a terminal',
  lineVolts: 'Line volts',
  legToGround: 'Leg to ground',
  stripAmps: 'Strip amps',
  rowOhms: 'Row ohms',
  returnAir: 'Return air',
  supplyAir: 'Supply air',
  compressorAmps: 'Compressor amps',
  fanAmps: 'Outdoor fan amps',
  blowerAmps: 'Blower amps',
  staticPressure: 'Total external static',
  airflow: 'Airflow',
  manifold: 'Manifold pressure',
  gasInlet: 'Gas inlet pressure, all appliances firing',
  clockedInput: 'Input, clocked',
  pumpPressure: 'Oil pump pressure',
  flueTemp: 'Flue temperature',
  coAirFree: 'CO, free of excess air',
  smoke: 'Smoke',
  overFireDraft: 'Draft over the fire',
  subcooling: 'Subcooling',
  superheat: 'Superheat',
  dischargeLine: 'Discharge line',
  vapourLine: 'Vapour line',
  valveDifference: 'Across the reversing valve',
  lowGasTrip: 'Low-gas switch opens at',
  nozzle: 'Oil nozzle, as it is marked',
  coilEntering: 'Air entering the coil',
  lineLength: 'Line set length',
  chargeAdded: 'Charge weighed in, beyond the factory’s',
  vacuum: 'Vacuum reached',
  defrostMinutes: 'Defrost lasted',
  coilSwitchOpens: 'Coil thermostat opens',
  thermistorOhms: 'Board sensor ohms, unit off and cold',
  sensorDifference: 'Sensor less thermometer',
  capacitor: 'Capacitor',
  gateTrip: 'Lockout changes over at',
  airTrip: 'Coil-entering-air thermostat opens',
  airRemake: 'Coil-entering-air thermostat remakes',
}
const PLACE_WORDS: Record<ReadingPlace, string> = {
  terminals: 'at the terminals',
  feed: 'at the feed',
  kitLead: 'on one kit lead',
  rowTerminals: 'at the row',
  disconnect: 'at the disconnect',
  returnDuct: 'in the return',
  supplyDuct: 'in the supply',
  motor: 'at the motor',
  twoClamps: 'by two clamps, feed less kit',
  duct: 'at the ducts',
  burner: 'at the burner',
  flue: 'in the flue',
  line: 'on the line',
  coil: 'at the coil',
  sensor: 'at the sensor',
}
/** Tool that a reading is taken with. */
export const TOOL_WORDS: Record<Tool, string> = {
  multimeter: 'multimeter',
  clampMeter: 'clamp meter',
  capacitanceMeter: 'capacitance meter',
  probeThermometer: 'probe thermometer',
  clampThermometer: 'clamp thermometer',
  manometer: 'manometer',
  oilGauge: 'oil pressure gauge',
  combustionAnalyzer: 'combustion analyzer',
  smokeTester: 'smoke tester',
  refrigerantGauges: 'gauges and clamp thermometer',
  vacuumGauge: 'vacuum gauge',
  scale: 'scale',
  tape: 'tape measure',
  stopwatch: 'stopwatch',
  marking: 'marking on the part',
}

/** A place to take a reading, as a person points at it. */
export function spotWords(inst: Installation, kind: ReadingKind, { place, at }: Spot): string {
  const { placed, id } = splitRef(at)
  const device = placedByRef(inst, placed)
  const row = heaterRows(inst).find((r) => r.ref === at)
  if (kind === 'rowOhms' && row) return `Row ${row.row}, element alone`
  if (kind === 'controlVolts' && device) return device.label
  switch (place) {
    case 'disconnect':
      return `${device?.label ?? placed} ${PLACE_WORDS.disconnect}`
    case 'feed':
      return device?.label ?? placed
    case 'kitLead':
      return `One kit lead, ${device?.device.terminals.find((t) => t.id === id)?.label ?? id}`
    case 'rowTerminals':
      return row ? `Row ${row.row} terminals` : refWords(inst, at)
    case 'returnDuct':
      return 'Return duct'
    case 'supplyDuct':
      return 'Supply duct, out of sight of the strips'
    case 'twoClamps':
      return 'Two clamps: the feed less the kit'
    default:
      return refWords(inst, at)
  }
}
export const VERDICT_WORDS: Record<Verdict['verdict'], string> = {
  right: 'Right',
  watch: 'Look again',
  wrong: 'Wrong',
  unjudged: 'Recorded',
}

/** Source of an expected range, after its figures. */
const BASIS_WORDS: Record<BandBasis, (v: Verdict) => string> = {
  plate: () => 'by its plate',
  plateDerated: () =>
    'nameplate input less 4 % for each 1,000 ft of altitude; the manufacturer’s altitude table wins',
  usual: () => 'as is usual; the maker’s figure wins',
  ratedAmps: (v) => `its rated amps are ${figure(v.expected?.nominal ?? 0)}`,
  standsStill: () => 'it should stand still here',
  capacity: (v) =>
    `${whole(v.from.capacity ?? 0)} BTU/h at ${degrees(v.from.outdoor ?? 0)} through ${whole(v.from.cfm ?? 0)} CFM, ±15 %`,
  most: () => 'more is too hot whatever the weather',
  hotLine: () => 'hot in heating',
  coldLine: () => 'cold in cooling',
  cap: (v) => `the board ends it at ${figure(v.expected?.nominal ?? 0)} min whatever the coil says`,
  setting: (v) => `it is set to ${degrees(v.expected?.nominal ?? 0)}`,
  nozzleFlow: (v) =>
    `${whole(v.from.input ?? 0)} BTU/h is ${figure(v.from.gallons ?? 0, 2)} gal/h, through a nozzle at ${figure(v.from.psi ?? 0)} psi`,
  sameAir: (v) =>
    `nothing heats ahead of the coil here: the air is that of the return, ${degrees(v.from.return ?? 0)}`,
  lineSet: (v) =>
    `${figure(v.from.feet ?? 0)} ft less ${figure(v.from.chargedForFt ?? 0)} ft, × ${figure(v.from.ozPerFt ?? 0, 2)} oz a foot`,
  perTon: (v) => `350 to 450 CFM for each of ${figure(v.from.tons ?? 0)} tons`,
}

/** "18 to 24 °F", "at most 0.5 in.w.c.", "85 °F and up". */
function bandWords({ low, high }: NonNullable<Verdict['expected']>, unit: string): string {
  const digits = Math.max(Math.abs(low), Math.abs(high)) < 1 ? 2 : 1
  const n = (x: number) => (Math.abs(x) >= 1000 ? whole(x) : figure(x, digits))
  if (low === -Infinity) return `at most ${n(high)} ${unit}`
  return high === Infinity ? `${n(low)} ${unit} and up` : `${n(low)} to ${n(high)} ${unit}`
}

const SIMPLE_WORDS: Record<SimpleCause, string> = {
  notRunning: 'It does not run: is it called, and does its line voltage reach it?',
  notLit: 'It does not burn: is it called, does it try, and does its gas or oil come?',
  capacitorWeak: 'A weak capacitor: measure its µF',
  notPumping: 'The compressor does not pump: valves, or a reversing valve that leaks back',
  chargeLow: 'Too little charge, or a restriction: for the certified',
  chargeHigh: 'Too much charge: for the certified',
  bladeLoose: 'A blade loose on its shaft, or the wrong one',
  bearing: 'A bearing that is going, or a blade that drags',
  airflowLow: 'Too little air indoors: filter, coil, duct, tap',
  airflowHigh: 'More air than calculated: check the tap and the airflow reading',
  inputLow: 'Too little input: clock it',
  inputHigh: 'Too much input: clock it',
  compressorOff: 'No difference: the compressor is off, or has just started',
  valveLeaks: 'A reversing valve that leaks: temperatures across it',
  valveOtherWay:
    'The reversing valve stands the other way: O or B, and its setting. Stop within three minutes',
  stripsInIt: 'Strips are in it: prove their amps zero, and wait ten minutes after a defrost',
  otherGas: 'Right for the other gas: the conversion was not made, or made twice',
  regulator: 'The regulator: adjust it with every appliance that fires',
  inletLow: 'Too little pressure at the inlet',
  orifice: 'An orifice of the wrong size',
  manifoldLow: 'Too little pressure at the manifold',
  manifoldHigh: 'Too much pressure at the manifold',
  piping: 'Piping too small for all that fires at once',
  utilityGas: 'The supply: the utility’s regulator, or a tank near empty',
  coilSwitch: 'The coil’s thermostat: off its tube, or stuck',
  fanRunsOn: 'The outdoor fan does not stop in defrost',
  sensorPlace: 'The sensor in the sun, by a vent, or not where it was thought',
  sensorWiring: 'A splice or a lead of the sensor',
  settingElsewhere: 'Not set as recorded: read the setting back',
  switchPlace: 'Not where it belongs, or not touching',
  filter: 'The filter',
  duct: 'Ducts too small, or a damper shut',
  tap: 'The blower’s tap or speed',
  excessAir: 'Too much air for the fire',
  draftHigh: 'Too much draft: the damper or barometric',
  draftLow: 'Too little draft: a blocked flue, or a house that is drawn down',
  combustionAir: 'Too little air for combustion: stop, and find it first',
  exchanger: 'The heat exchanger: stop, and have it looked at',
  nozzle: 'The nozzle: size, angle, or worn',
  pumpSetting: 'The pump’s adjustment, or a gauge that is off',
  oilFilter: 'An oil filter or strainer that is full',
  metering: 'The metering device',
  moisture: 'Moisture still in it: go on, or break it with nitrogen',
  twoClamps: 'A small difference of two large readings: clamp the motor’s own lead',
  gasSwitch: 'The low-gas switch: not the one for this gas, or off its rating',
  weighAgain: 'Weigh again: hoses, and what was in the cylinder',
  panelsOff: 'Read with the panels on: an open cabinet changes the airflow',
  otherNozzle: 'Another nozzle than the plate’s input wants: its size, and the pump’s pressure with it',
  heatAhead: 'Something heats ahead of the coil that is not called here',
  probes: 'The probes: out of sight of coil and strips, in mixed air',
  ductLeak: 'A leak in the ducts: cold air gets in before the probe',
  outdoorCoil: 'The outdoor coil is dirty or frosted, or its air is blocked',
  tapFitsLine: 'The transformer is on its 208 V tap, and this line is about 208 V. Record the tap as it is',
  idleLoad:
    'Nothing is called, and something still loads the transformer. Lift the loads one at a time and read it again',
  tooColdToCharge:
    'Too cold to charge by this. It takes 65 °F outdoors, unless the manufacturer has a cold-weather method. Weigh the charge in',
  acrossRow:
    'Was it read across the whole row? Its open relay is normal. Read across the element alone, leads lifted',
  probePlace: 'The probe: not in the same stream of air, or cold air leaks in between',
  lengthWrong: 'The length of the line set: measure it again',
  leak: 'A leak: isolate the pump, and see whether it rises',
}

/** "39.3 A at the feed, with the blower" */
export function readingWords(inst: Installation, r: Reading, unit: string): string {
  const value = r.value === 'OL' ? 'OL' : `${figure(r.value, 2)} ${unit}`
  const at = r.place === 'feed' ? PLACE_WORDS.feed : `${PLACE_WORDS[r.place]}, ${refWords(inst, r.at)}`
  const blower =
    r.kind !== 'stripAmps' || r.place !== 'feed'
      ? ''
      : r.withBlower === null
        ? ', blower in or out not known'
        : r.withBlower
          ? ', blower in it'
          : ', without the blower'
  return `${value} ${at}${blower}${r.panelsOff ? ', panels off' : ''}`
}

/** The reading's comparison, with the arithmetic. */
export function comparedWith(v: Verdict): string {
  const e = v.expected
  if (!e)
    return v.causes.some((c) => c.kind === 'notKnown')
      ? 'Recorded; what it would be held against hangs on what is not known yet.'
      : 'Recorded; what it would be held against is not known here.'
  const band = `${figure(e.low)} to ${figure(e.high)} ${v.unit}`
  switch (v.rule) {
    case 'band':
      return `Held against ${bandWords(e, v.unit)}: ${BASIS_WORDS[v.basis ?? 'usual'](v)}.`
    case 'controlVolts':
      return `Held against ${band}${v.from.computed === undefined ? '' : `; this circuit should give ${figure(v.from.computed)} V`}.`
    case 'terminalVolts':
      return e.nominal
        ? `Held against ${band}: what this circuit gives there.`
        : `Held against ${band}: it is off in this call.`
    case 'lineVolts':
      return v.from.plate === undefined
        ? `Held against ${band}: ${figure(v.from.service ?? e.nominal)} V service, ±10 %.`
        : `Held against ${band}, the plate’s, on a ${figure(v.from.service ?? e.nominal)} V service.`
    case 'legToGround':
      return e.nominal
        ? `Held against ${band}: a live leg to ground.`
        : `Held against ${band}: with the breakers as they stand, nothing feeds this leg.`
    case 'stripsOff':
      return `As wired, no row is on here: held against ${band}.`
    case 'stripAmps': {
      const rows = v.from.rows ?? 0
      const unlike = Array.from({ length: rows }, (_, i) => v.from[`row${i + 1}`]).filter(
        (a) => a !== undefined,
      )
      const sum = unlike.length
        ? `${unlike.map((a) => figure(a, 1)).join(' + ')} A at ${figure(v.from.volts ?? 0)} V`
        : `${rows} ${rows === 1 ? 'row' : 'rows'} × ${figure(v.from.volts ?? 0)} V ÷ ${figure(v.from.ohms ?? 0, 2)} Ω`
      const blower = v.from.blower ? ` + ${figure(v.from.blower)} A blower` : ''
      return `Held against ${figure(e.nominal)} A (${sum}${blower}): ${band}.`
    }
    case 'rowOhms':
      return `Held against ${figure(e.nominal, 2)} Ω ±10 %: ${band}.`
    case 'recordedOnly':
      return ''
  }
}

const isSimple = (c: Cause): c is { kind: SimpleCause } =>
  (SIMPLE_CAUSES as readonly string[]).includes(c.kind)

/** A likely cause, worded so that it can be checked. */
export function causeWords(inst: Installation, c: Cause): string {
  if (isSimple(c)) return SIMPLE_WORDS[c.kind]
  switch (c.kind) {
    case 'fuseOpen':
      return '24 V fuse open'
    case 'doorOpen':
      return 'Blower door off, door switch open'
    case 'breakerOff':
      return 'Breaker or disconnect off'
    case 'tapHighOnLow':
      return 'Transformer on its 240 V tap with 208 V on it (about 20.8 V)'
    case 'tapLowOnHigh':
      return 'Transformer on its 208 V tap with 240 V on it (27.7 V and up)'
    case 'overload':
      return 'Too much on the transformer: does it come up with the calls off?'
    case 'conductorOpen':
      return `Live at ${lower(refWords(inst, c.from))}: a conductor between there and here is open, or off its terminal`
    case 'commonOpen':
      return `The common: its conductor from ${lower(refWords(inst, c.from))} is open, or off its terminal`
    case 'otherService':
      return `A ${c.volts} V service: record the circuit as that, and look at the transformer’s tap`
    case 'legLost':
      return 'One leg is lost: one pole of a breaker or disconnect, or a lug'
    case 'twoLegs':
      return 'Two legs where a leg and the neutral belong: open the circuit before anything is spoilt'
    case 'looseLug':
      return 'Loose lug or burnt contact on the way'
    case 'utility':
      return 'The utility: measure line volts'
    case 'sequencerWaiting':
      return c.seconds
        ? `A sequencer still waiting: up to ${c.seconds} s a step`
        : 'A sequencer still waiting'
    case 'gateBlocks': {
      const { name, reason } = gateWords(inst, c.gate)
      return `Held at ${lower(name)}. ${reason}`
    }
    case 'oneBankClamped':
      return `It is ${c.rows} of ${c.of} rows: only one bank in the clamp? Clamp the conductor that feeds them all`
    case 'rowOpen':
      return c.rows > 1 ? `${c.rows} rows open: ohm each` : 'An open row: ohm it'
    case 'linkOpen':
      return 'Fuse link open (one-time): replace it, and find out why'
    case 'limitOpen':
      return 'Limit open: let it cool, then look at the airflow'
    case 'wrongKit':
      return 'Not the kit on the plate: check the watts of each row'
    case 'voltsNotMeasured':
      return 'Line volts not measured: nominal volts were used'
    case 'shouldBeOff':
      return 'Something is on that this wiring should hold off: a welded contact, or a wire not as recorded'
    case 'meterNext':
      return `Meter ${lower(refWords(inst, c.at))} next`
    case 'gateToCheck':
      return `On the way: ${lower(gateName(inst, c.at))}`
    case 'ghost':
      return 'A ghost? Read it on the low-impedance range; what stays is a leak'
    case 'contradicted': {
      const { by } = c
      const shown = by.value === 'OL' ? 'OL' : `${figure(by.value)} ${READINGS[by.kind].unit}`
      return `Contradiction: ${by.who || 'somebody'} read ${shown} here, ${dateWords(by.when, 'd MMM yyyy HH:mm')}. Measure again. Correct the wrong reading`
    }
    case 'notKnown':
      return `${refWords(inst, c.at)}: not known yet`
    case 'supplyNotFound':
      return 'A supply that is not found yet: look for another breaker, and prove it dead before you touch anything'
    case 'blowerIncluded':
      return 'The blower is in the clamp too?'
    case 'rowIsolated':
      return 'Still connected to another row: lift one lead'
  }
}
