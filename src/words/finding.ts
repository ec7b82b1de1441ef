import type { Finding, Proof, Undecided } from '@/core/laws'
import type { Installation } from '@/core/installation'
import { count } from './numbers'
import { refWords } from './names'
import { situationWords } from './situation'

/** What each law says, as a statement that holds. */
export const LAW_WORDS: Record<string, string> = {
  noShort: 'No short: every fuse and breaker carries less than its rating',
  noParallel: 'No two transformers feed one conductor',
  heatAheadOfCoil: 'The compressor never runs with heat made ahead of the indoor coil',
  hotCoil: 'The compressor never starts into air that the furnace left hot',
  stripsNeedBlower: 'Strips never heat without the blower',
  leakStopsHeat: 'A refrigerant leak alarm drops all backup and runs the blower',
  lowGas: 'On LP a low-gas-pressure switch stands in the pressure switch circuit',
  selectorMatches: 'The 24 V or communicating selector agrees with the wiring',
  defrostNoBurner: 'A defrost never lights the furnace',
  emergencyHeat: 'Emergency heat brings on all backup at any outdoor temperature, and never the compressor',
  someHeat: 'A heating demand brings some heat at every outdoor temperature',
  noChatter: 'Relays and contactors come to rest',
  valveRight: 'The reversing valve is right in cooling, heating and defrost',
  coolRuns: 'A cooling call runs the compressor',
  quietUncalled: 'Nothing heats or cools without a call for it',
  compressorNeedsBlower: 'The compressor never runs without the blower',
  blowerSpeed: 'The blower speed fits the call',
  rowsReachable: 'Every strip row can be reached by some call',
  stagesReachable: 'Every compressor and burner stage can be reached by some call',
  settingsMatch: 'The thermostat’s settings match what is landed',
  airSide: 'The coil-entering-air thermostat sits between furnace and coil',
  coilVolts: 'Every coil has its volts or none',
  transformerLoad: 'No transformer gives more than it is rated for',
  thermostatPowered: 'The thermostat has its power, water in the pan or not',
  floatStops: 'Water in the pan stops the compressor in cooling',
  humidifierHeat: 'A wet humidifier pan does not stop the heat',
  auxHeldOff: 'Aux stays off above its gate, defrost and emergency excepted (energy codes ask for it)',
  defrostTempered: 'Where the defrost output is landed, strips temper every defrost',
  wireDetect: 'Nothing feeds back into a thermostat that finds its wires by their volts',
  spareLeft: 'Every low-voltage cable has a spare conductor left',
}

const BREACH_WORDS: Record<string, string> = {
  overcurrent: 'Short: more current than the fuse or breaker carries',
  paralleled: 'Two transformers feed the same conductor',
  heatAheadOfCoil: 'The compressor runs while heat is made ahead of its coil',
  hotRestart: 'The compressor starts into air that the furnace left hot',
  heatInLeak: 'Backup heats during a refrigerant leak alarm',
  noBlowerInLeak: 'A refrigerant leak alarm does not run the blower',
  lpNoSwitch: 'LP, and no low-gas-pressure switch: an empty tank is tried again and again',
  switchInFlame: 'The low-gas switch is in the flame-sense wire: an empty tank is still tried',
  busSetWired24: 'Set to communicating, wired for 24 V: dead, or damaged',
  '24SetWiredBus': 'Set to 24 V, wired for the bus: dead, or damaged',
  defrostBurns: 'A defrost lights the furnace',
  chatter: 'A relay keeps pulling in and dropping out',
  stripsNoBlower: 'A strip heats with no blower',
  compressorInEmergency: 'Emergency heat starts the compressor',
  noBackup: 'Emergency heat brings on no backup',
  someBackupMissing: 'Emergency heat leaves part of the backup off',
  noHeat: 'A heating demand brings no heat at all',
  coolingHeats: 'A cooling call heats: the reversing valve stands wrong',
  heatingCools: 'A heating call blows cold: the reversing valve stands wrong',
  defrostHeats: 'Defrost does not shift the reversing valve',
  noCooling: 'A cooling call does not run the compressor',
  heatUncalled: 'Backup heats with no call for heat',
  compressorUncalled: 'The compressor runs with no call for it',
  compressorNoBlower: 'The compressor runs with no blower',
  fanSpeedOnly: 'The blower stays at fan speed while the heat pump runs: Y does not reach its board',
  lowSpeedInHigh: 'The blower stays at low speed in second stage: Y2 does not reach its board',
  rowNever: 'This strip row never heats, on any call',
  stageNever: 'This compressor stage never runs, on any call',
  burnerNever: 'This burner stage never lights, on any call',
  setNotLanded: 'A stage is set that is not landed',
  landedNotSet: 'A stage is landed that is not set',
  sensorShorted: 'The outdoor sensor’s two conductors are joined: it reads as great heat',
  sensorNotLanded: 'An outdoor sensor is set and no sensor pair is landed',
  sensorNotSet: 'An outdoor sensor is landed and not set',
  lockoutNoSource: 'A lockout or changeover is set with no outdoor temperature to go by',
  fuelSetNoBurner: 'Set to dual fuel, and there is no furnace',
  burnerNotSet: 'A furnace is wired and the thermostat is set to electric backup',
  airAfterCoil: 'The coil-entering-air thermostat sits after the coil: it trips on the heat pump’s own heat',
  weakCoil: 'A coil has some volts, and not enough to pull in',
  overloaded: 'The transformer gives more than it is rated for',
  unpowered: 'The thermostat has no power',
  floatCutsThermostat: 'Water in the pan cuts the thermostat’s power, not only the compressor',
  floatDoesNotStop: 'Water in the pan does not stop the compressor',
  wetStopsHeat: 'A wet humidifier pan stops the heat',
  auxAboveGate: 'Aux heats above its gate on an ordinary call',
  coldDefrost: 'A defrost blows cold: the strips stay off',
  misled: 'Back-feed makes an output of the thermostat live: it would misread its wires',
  noSpare: 'No spare conductor is left in a cable',
}
/** Every breach that has words; the suite holds it against what the laws can say. */
export const BREACHES: readonly string[] = Object.keys(BREACH_WORDS)
export const breachWords = (what: string): string => BREACH_WORDS[what] ?? what

/** The smallest situation that shows a finding. */
export const witnessSentence = (inst: Installation, f: Finding): string =>
  `Smallest case: ${situationWords(inst, f.witness)}`

/** The finding and its smallest witness in a sentence. */
export const findingSentence = (inst: Installation, f: Finding): string =>
  `${breachWords(f.what)}: ${situationWords(inst, f.witness)}`

export const undecidedSentence = (inst: Installation, u: Undecided): string =>
  `Cannot be settled until this is known: ${u.unknown.map((r) => refWords(inst, r)).join(', ')}`

/** The verdict over the whole job, in one sentence. */
export function proofSentence(proof: Proof): string {
  const [first] = proof.findings
  const n = `${count(proof.solved)} states`
  if (first) {
    const more = proof.findings.length - 1
    return `${breachWords(first.what)}.${more ? ` And ${more} more.` : ''}`
  }
  if (proof.undecided.length && proof.solved === 0) return 'Too much is not known yet to prove anything.'
  if (proof.undecided.length) {
    const held = proof.laws.length - proof.undecided.length
    return `${held} of ${proof.laws.length} laws hold in ${n}; the rest hang on what is not known yet.`
  }
  return `All ${proof.laws.length} laws hold in ${n}.`
}

/** Where N comes from. */
export function factorsSentence(p: Proof): string {
  const { calls, temperatures, mostModes, assumptions } = p.factors
  const unknown = assumptions > 1 ? ` × ${assumptions} ways for what is not known` : ''
  return `${calls} calls × ${temperatures} outdoor temperatures × up to ${mostModes} combinations of timers, defrost, limits and breakers${unknown}, counting those that can occur`
}
