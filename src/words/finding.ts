import type { Breach, Finding, Proof, RuleCode, Undecided } from '@/core/rules'
import { splitRef, type Installation, type Name } from '@/core/installation'
import { count, figure } from './numbers'
import { lower, refWords, upper } from './names'
import { situationWords } from './situation'

/** Names and figures for the words of a finding: the place, its cable, and the numbers. */
interface Naming {
  at: string
  cable: string
  n: string[]
}

/** Result of each code, as a clause. A code without one does not compile. */
const CODE_WORDS: Record<RuleCode, (found: Naming) => string> = {
  overcurrent: ({ at, n: [a, b] }) => `Short: ${at} carries ${a} A, and is made for ${b}`,
  overRating: ({ at, n: [a, b] }) => `${at} carries ${a} A, and is made for ${b}: it trips in time`,
  beyondList: ({ at, n: [a, b] }) => `${at} carries ${a} A. Its manufacturer lists loads up to ${b} A on it`,
  paralleled: () => 'Two transformers feed the same conductor',
  heatAheadOfCoil: () => 'The compressor runs while heat is made ahead of its coil',
  hotRestart: () => 'The compressor starts into air that the furnace left hot',
  hotRestartSeldom: () =>
    'At a change of weather the compressor may start into air that the furnace left hot: nothing waits for it to cool',
  heatInLeak: () => 'Backup heats during a refrigerant leak alarm',
  compressorInLeak: () => 'The compressor runs during a refrigerant leak alarm',
  noBlowerInLeak: () => 'A refrigerant leak alarm does not run the blower',
  lpNoSwitch: () => 'LP, and no low-gas-pressure switch: an empty tank is tried again and again',
  switchInFlame: () =>
    'The low-gas switch is in the flame-sense wire: without gas, the burner still tries to light',
  busSetWired24: () => 'Set to communicating, wired for 24 V: dead, or damaged',
  busCallMissing: ({ at }) =>
    `${at} gets no 24 V on this call. The thermostat’s call doesn’t reach the air handler`,
  busOpen: () => 'Set to communicating, and the bus is not landed at both of its terminals: dead',
  '24SetWiredBus': () => 'Set to 24 V, wired for the bus: dead, or damaged',
  defrostBurns: () => 'A defrost lights the furnace',
  chatter: ({ at }) => `${at} keeps pulling in and dropping out`,
  stripsNoBlower: () => 'A strip heats with no blower',
  blowerLeadOff: ({ at }) =>
    `${at} leads to no blower: should the fan not be called, the strips heat without air`,
  burnerNoBlower: ({ at }) => `${at} burns with no blower`,
  compressorInEmergency: () => 'Emergency heat starts the compressor',
  noBackup: () => 'Emergency heat brings on no backup',
  someBackupMissing: () => 'Emergency heat leaves part of the backup off',
  noHeat: () => 'A heating demand brings no heat at all',
  coolingHeats: () => 'A cooling call heats: the reversing valve stands wrong',
  heatingCools: () => 'A heating call blows cold: the reversing valve stands wrong',
  defrostHeats: () => 'Defrost does not shift the reversing valve',
  noCooling: () => 'A cooling call does not run the compressor',
  heatUncalled: () => 'Backup heats with no call for heat',
  blowerUncalled: () => 'The blower runs with nothing called',
  stripsUncalled: () => 'Strips heat on a plain call for the heat pump',
  noFan: () => 'A call for the fan does not run the blower',
  switchHoldsNothing: ({ at }) =>
    `${at} is there, and holds nothing off: nothing that it opens lies between the thermostat and the strips`,
  compressorUncalled: () => 'The compressor runs with no call for it',
  compressorNoBlower: () => 'The compressor runs with no blower',
  fanSpeedOnly: () => 'The blower stays at fan speed while the heat pump runs: Y does not reach its board',
  lowSpeedInHigh: () => 'The blower stays at low speed in second stage: Y2 does not reach its board',
  oneStageOnLow: () =>
    'A one-stage heat pump runs the blower at low speed: its Y belongs on Y/Y2, or Y1 and Y2 joined',
  kitBelowSpeed: ({ at }) => `${at} heats at less blower speed than its plate asks for`,
  kitBelowAir: ({ at, n: [a, b] }) => `${at} heats at ${a} CFM at most, and its plate asks for ${b}`,
  unpaired: ({ n: [a, b] }) =>
    `A ${a}-ton outdoor unit on a ${b}-ton air handler: right only where the maker’s table pairs them`,
  plateMca: ({ at, n: [mca, rla, fan, sum] }) =>
    `${at}: the plate says MCA ${mca} A, and 1.25 × ${rla} + ${fan} makes ${sum} A: one of them is read wrong`,
  plateMcaLow: ({ at, n: [mca, heat] }) =>
    `${at}: the plate says MCA ${mca} A. Its strips and motors make ${heat} A. One is misread, or entered wrong`,
  plateKilowatts: ({ at, n: [kw, rows] }) =>
    `${at}: the plate says ${kw} kW, and its rows make ${rows} kW: one is read wrong`,
  defrostLanded: () =>
    'Strips in defrost are set to no, and the defrost output is landed: it brings them on all the same',
  defrostLandedForFault: () =>
    'Strips in defrost are set to no, and the defrost output is landed for backup on a fault: the board does not tell the two apart. Taken off, backup on a fault is given up; left on, every defrost heats',
  defrostNotLanded: () => 'Strips in defrost are set to yes, and the defrost output is landed nowhere',
  gasWithLp: () => 'Backup is set as natural gas, and the furnace is set up for LP',
  lpWithGas: () => 'Backup is set as LP, and the furnace is set up for natural gas',
  cyclesStrips: ({ n: [a, b] }) => `${a} starts an hour on strips; ${b} is usual at most`,
  backupCallEmpty: () => 'A call for backup brings on no backup at any outdoor temperature',
  stageCallEmpty: ({ at }) => `The second stage is called and brings nothing more: ${at} stays as it was`,
  banksExchanged: ({ at }) =>
    `The first call for backup brings on the second bank. ${at} waits for the second call: W1 and W2 are exchanged`,
  onlyInEmergency: ({ at }) => `${at} heats in emergency heat alone, and in no ordinary call for backup`,
  rowNever: ({ at }) => `${at} never heats, on any call`,
  stageNever: ({ at }) => `${at} never runs, on any call`,
  burnerNever: ({ at }) => `${at} never lights, on any call`,
  sensorShorted: () => 'The outdoor sensor’s two conductors are joined: it reads as great heat',
  airAfterCoil: () =>
    'The coil-entering-air thermostat sits after the coil: it trips on the heat pump’s own heat',
  weakCoil: ({ at, n: [a, b] }) => `${at} has ${a} V, and pulls in at ${b}`,
  overloaded: ({ at, n: [a, b] }) => `${at} gives ${a} VA, and is rated for ${b}`,
  unpowered: () => 'The thermostat has no power',
  boardUnpowered: ({ at }) => `${at} has no 24 V between its R and C`,
  floatCutsThermostat: () => 'Water in the pan cuts the thermostat’s power, not only the compressor',
  floatDoesNotStop: () => 'Water in the pan does not stop the compressor',
  monitorDoesNotStop: () => 'The compressor runs while the line-voltage monitor holds it off',
  humidifierNever: () => 'The humidifier never runs, on any call',
  humidifierUncalled: () => 'The humidifier runs with nothing called',
  wetStopsHeat: () => 'A wet humidifier pan stops the heat',
  auxAboveGate: ({ at, n: [a] }) =>
    `${at} heats on an ordinary call from ${a} °F up, where its gate holds aux off`,
  auxNoGate: ({ at, n: [a] }) =>
    `Nothing holds ${lower(at)} off in mild weather: a call for backup heats at ${a} °F too`,
  faultHeatOff: ({ at }) =>
    `${at} is off: should the outdoor unit stop on a fault, its board brings no strips on, though its output for them is landed`,
  lockoutByHabit: ({ at, n: [a, b] }) =>
    `${at}: ${a} °F, over the ${b} °F down to which the unit may run: it beats strips at any temperature that it runs at, and they alone may be too small`,
  coldDefrost: () => 'A defrost blows cold: the strips stay off',
  misled: () => 'Back-feed makes an output of the thermostat live: it would misread its wires',
  noSpare: ({ cable }) => `No spare conductor is left in ${cable}`,
  unsolved: () => 'This circuit cannot be solved: its parts contradict each other',
  sensorNotLanded: () => 'A wired outdoor sensor is set, and its two conductors are not landed',
  sensorNotSet: () => 'An outdoor sensor is landed, and not set',
  sensorOpen: ({ at }) => `A wired outdoor sensor is set, and ${lower(at)} leads to none`,
  sensorElsewhere: ({ at }) =>
    `${at} is joined to something that is no sensor: it reads false, and 24 V there can spoil the input`,
  changeoverNoSource: () => 'The thermostat decides the changeover, and nothing tells it how cold it is',
  conventionalOnHeatPump: () =>
    'Set to conventional (furnace and air conditioner). The outdoor unit is a heat pump',
  heatPumpNeverHeats: () => 'No heating call runs the heat pump. Backup does all the heating',
  fuelSetNoBurner: () => 'Set to dual fuel, and there is no furnace',
  burnerNotSet: () => 'A furnace is wired and the thermostat is set to electric backup',
  lockoutNoSource: () => 'A lockout is set, and nothing tells how cold it is',
  tapTooHigh: ({ n: [a, b] }) =>
    `The transformer is on its ${a} V tap and the feed is ${b} V: low control volts, relays that chatter`,
  tapTooLow: ({ n: [a, b] }) =>
    `The transformer is on its ${a} V tap and the feed is ${b} V: high control volts, which age coils and boards`,
  neutralCrossed: ({ at }) =>
    `${at} is on the hot leg: line and neutral are crossed, and the door switch leaves everything live`,
  noGround: ({ at }) => `${at} leads to no equipment ground: a fault makes the cabinet live`,
  breakerOverMax: ({ at, n: [a, b] }) => `${at}: ${a} A, and the plate allows at most ${b} A`,
  conductorUnderMca: ({ at, n: [a, b] }) =>
    `${at}: its conductors carry ${a} A at most, and the plate asks for ${b} A`,
  breakerUnderMca: ({ at, n: [a, b] }) =>
    `${at}: ${a} A, and the plate asks for a circuit of ${b} A at least`,
  breakerUnderLoad: ({ at, n: [a, b] }) => `${at}: ${a} A, and 125 % of strips and blower is ${b} A`,
  breakerOverKit: ({ at, n: [a, b] }) =>
    `${at} is ${a} A. This kit needs ${b} A. Check the largest breaker on the kit’s label`,
  conductorUnderLoad: ({ at, n: [a, b] }) =>
    `${at}: its conductors carry ${a} A at most, and 125 % of strips and blower is ${b} A`,
  breakerOverConductor: ({ at, n: [a, b] }) => `${at}: ${a} A, over conductors for ${b} A`,
  undivided: ({ at, n: [a] }) =>
    `${at}: ${a} A of elements on one circuit; they are divided into 48 A at most, each part on 60 A at most (NEC 424.22), unless the kit has breakers of its own`,
  heatGap: ({ n: [a, b] }) =>
    `No heat between ${a} and ${b} °F outside: backup is held off above ${a}, the compressor below ${b}`,
  feedNotOnline: () =>
    'The outdoor temperature comes over the network, and nobody has seen the device online',
  profileMisfit: () => 'The model on the plate is not one that this key-in sheet was written for',
  togetherAhead: () =>
    'Heat pump and backup may run together, and the backup heats the air ahead of the coil',
  electricWithFurnace: () => 'Backup is set as electric, and a furnace stands there',
  fuelWithStrips: () => 'Backup is set as a fuel, and electric strips stand there',
  oilWithGas: () => 'Backup is set as oil, and the burner is gas',
  gasWithOil: () => 'Backup is set as gas, and the burner is oil',
  valveSense: () => 'The reversing valve’s sense is not the outdoor unit’s: heating would cool',
  stageNotLanded: () => 'Two stages are set, and the second is not landed',
  stageNotSet: () => 'The second stage is landed, and only one is set',
  eNotLanded: () => 'E is set as separate, and it is not landed: emergency heat goes nowhere',
  eLandedTogether: () => 'E has its own conductor, and the thermostat drives AUX in emergency heat as well',
  bothInCharge: () => 'The fossil fuel kit and the thermostat both decide the changeover',
  noneInCharge: () => 'An external kit is set as in charge, and there is none',
  stageNoInterlock: () => 'Stages decide the changeover, and there is no interlock relay',
  noPower: () => 'The thermostat has no common and no battery',
  kitNotAllowed: ({ n: [a] }) => `A ${a} kW kit is not on this air handler’s list`,
  kitNotListed: ({ at, n: [a] }) => `${at} doesn’t list a ${a} kW kit`,
  kitOther: ({ n: [a, b] }) => `The board is set for a ${a} kW kit; ${b} kW is plugged in`,
  staticBelow: ({ n: [a, b] }) => `The static class is ${a} in.w.c.; ${b} was measured`,
  stripReversed: ({ n: [a, b] }) =>
    `Strips go on ${a} °F below setpoint and off at ${b}: the wrong way round`,
  stripTight: ({ n: [a, b] }) => `Strips go on and off ${a} °F apart; at least ${b} are needed`,
  fanOffInDefrost: () => 'The fan is set off in defrost, and the strips are set to heat then',
  cyclesCompressor: ({ n: [a, b] }) => `${a} starts an hour on a compressor; ${b} is the most it should make`,
  cyclesBurner: ({ n: [a, b] }) => `${a} starts an hour on a burner; ${b} is the most it should make`,
  minimumOffShort: ({ n: [a] }) => `The compressor rests ${a} min, and no board does it rest five`,
  droopTight: ({ n: [a, b] }) => `Backup comes on ${a} °F below setpoint, within the ${b} °F between stages`,
  earlyRecoveryWakes: () => 'Early recovery runs while somebody sleeps',
  factoryLeft: ({ at }) =>
    `${at} is not as its maker set it, and no complaint or climate that asks for it is recorded`,
  lockBeforeTests: () => 'The keypad is locked before the start-up tests: set it last',
  stopBeforeTests: ({ n: [a] }) =>
    `A range stop at ${a} °F keeps the start-up tests from being run: set it last`,
}

/** A finding as a clause, with the place and the figures in it. */
export function findingWords(inst: Installation, f: Breach): string {
  const words = CODE_WORDS[f.code as RuleCode]
  if (!words) return f.code
  return words({
    at: upper(refWords(inst, f.at)),
    cable: cableOf(inst, f.at),
    n: (f.numbers ?? []).map((x) => figure(x, 2)),
  })
}
function cableOf(inst: Installation, at: Name): string {
  const wire = inst.wires.find((w) => w.id === splitRef(at).id)
  return inst.cables.find((c) => c.id === wire?.cable)?.label.toLowerCase() ?? 'a cable'
}

/** Condition before a value can be set that would otherwise cause a finding. */
export function needsWords(inst: Installation, f: Finding): string {
  switch (f.code as RuleCode) {
    case 'lockoutNoSource':
    case 'changeoverNoSource':
      return 'an outdoor temperature to go by: a wired sensor (the part, two spare conductors, a shaded place), or a feed where the device takes one'
    case 'sensorNotLanded':
    case 'sensorOpen':
      return 'an outdoor sensor, with its two conductors landed'
    default:
      return `mend what it would raise: ${lower(findingWords(inst, f))}`
  }
}

/** A finding as a sentence, with what brings it about. */
export const findingStatement = (inst: Installation, f: Finding): string =>
  `${[findingWords(inst, f), ...f.because.map((b) => findingWords(inst, b))].join('. ')}.`

/** The smallest situation that shows a finding; null where it stands in every situation. */
export const witnessSentence = (inst: Installation, f: Finding): string | null =>
  f.witness && `Smallest case: ${situationWords(inst, f.witness)}`

/** The finding and its smallest witness in a sentence. */
export const findingSentence = (inst: Installation, f: Finding): string => {
  const said = findingStatement(inst, f).slice(0, -1)
  return f.witness ? `${said}: ${situationWords(inst, f.witness)}` : said
}

export const undecidedSentence = (inst: Installation, u: Undecided): string =>
  `${u.tooMany ? 'More states than can be tried, because of' : 'Cannot be settled until this is known:'} ${u.unknown.map((r) => refWords(inst, r)).join(', ')}`

/** Undecided rules as sentences: each unknown once, with the number of rules that depend on it. */
export function undecidedSentences(inst: Installation, undecided: readonly Undecided[]): string[] {
  const rules = new Map<string, Set<string>>()
  for (const u of undecided) {
    const words = undecidedSentence(inst, u)
    rules.set(words, new Set([...(rules.get(words) ?? []), u.rule]))
  }
  return [...rules].map(([words, of]) => (of.size > 1 ? `${words} (${of.size} rules)` : words))
}

/** The verdict over the whole job, in one sentence or two, and what it takes for granted. */
export function proofSentence(inst: Installation, proof: Proof): string {
  const n = proof.assumed.length
  // A finding is true whatever is assumed; only a pass depends on assumptions.
  if (!n || proof.findings.some((f) => f.severity !== 'warn')) return verdictOf(inst, proof)
  const settings = n === 1 ? '1 setting stands at its' : `${n} settings stand at their`
  return `${verdictOf(inst, proof)} ${settings} default, not looked at.`
}

/** No state was solved, so that nothing can be said to hold. */
const NOTHING_TRIED = 'Nothing is proven yet: there is no thermostat that calls for anything.'

/** A count for a person: of very many only that they are. */
const many = (n: number): string => (n < 1e12 ? count(n) : 'more than a million million')

function verdictOf(inst: Installation, proof: Proof): string {
  const grave = proof.findings.filter((f) => f.severity !== 'warn')
  const [first] = grave.length ? grave : proof.findings
  const more = proof.findings.length - 1
  const said = first && `${findingWords(inst, first)}.${more ? ` And ${more} more.` : ''}`
  if (said && grave.length) return said
  const stands = standingWords(inst, proof)
  return said ? `${stands} Worth a look: ${said}` : stands
}

/** Verdict where nothing was found wrong: it never claims more than was tried. */
function standingWords(inst: Installation, proof: Proof): string {
  if (proof.tooMany) {
    const { states, allowed, modes } = proof.tooMany
    return `Undecided: ${many(states)} states where ${count(allowed)} are allowed, because of ${modes.map((m) => refWords(inst, m)).join(', ')} and the like.`
  }
  if (proof.solved === 0)
    return proof.undecided.length ? 'Too much is not known yet to prove anything.' : NOTHING_TRIED
  const n = `${count(proof.solved)} states`
  const open = new Set(proof.undecided.map((u) => u.rule))
  const warned = new Set(proof.findings.map((f) => f.rule))
  if (open.size) {
    const hold = proof.rules.filter((r) => !open.has(r) && !warned.has(r)).length
    const rest = warned.size ? `${open.size} more hang` : 'the rest hang'
    return `${hold} of ${proof.rules.length} rules hold in ${n}; ${rest} on what is not known yet.`
  }
  return warned.size ? `Nothing is wrong in ${n}.` : `All ${proof.rules.length} rules hold in ${n}.`
}

/** Origin of the number of operating states. */
export function factorsSentence(p: Proof): string {
  const { calls, temperatures, mostModes, assumptions, otherRests } = p.factors
  const unknown = assumptions > 1 ? ` × ${assumptions} ways for what is not known` : ''
  const rests = otherRests
    ? `, and ${otherRests} more in which relays rest otherwise after what stood before`
    : ''
  return `${calls} calls × ${temperatures} outdoor temperatures × up to ${mostModes} combinations of timers, defrost, limits and breakers${unknown}, counting those that can occur and that some contact or rule can see${rests}`
}
