import type { Installation } from '@/core/installation'
import type { Conflicting, LineKind, Question, Strategy, SheetLine } from '@/core/setup'
import { refWords } from './names'
import { figure } from './numbers'

export const QUESTION_WORDS: Record<Question, { asks: string; answers: Record<string, string> }> = {
  priority: {
    asks: 'Lower bills or a steady temperature first?',
    answers: { bills: 'Bills', steady: 'Steady' },
  },
  noise: { asks: 'Does noise before waking matter?', answers: { yes: 'Yes', no: 'No' } },
  sleepsByDay: { asks: 'Does anybody sleep by day?', answers: { yes: 'Yes', no: 'No' } },
  coldAir: { asks: 'Does the heat pump’s air feel cold to them?', answers: { yes: 'Yes', no: 'No' } },
  whoChanges: {
    asks: 'Who may change the settings?',
    answers: { owner: 'The owner', tenants: 'Tenants', guests: 'Guests' },
  },
  scale: { asks: '°F or °C?', answers: { F: '°F', C: '°C' } },
  thermometer: {
    asks: 'What does their own thermometer show beside it?',
    answers: { agrees: 'The same', warmer: 'Warmer', colder: 'Colder' },
  },
  fuel: { asks: 'Which fuel is in the house?', answers: { none: 'None', gas: 'Gas', lp: 'LP', oil: 'Oil' } },
  utility: {
    asks: 'A utility rule on electric backup?',
    answers: { none: 'None', auxRule: 'Held off in mild weather' },
  },
  rate: {
    asks: 'Which electric rate?',
    answers: { flat: 'Flat', timeOfUse: 'By the hour', solar: 'Solar on the roof' },
  },
  frail: { asks: 'Anybody frail in the house?', answers: { yes: 'Yes', no: 'No' } },
}

export const STRATEGY_WORDS: Record<Strategy, { name: string; reason: string; fits: string }> = {
  runAlways: {
    name: 'Run it always',
    reason: 'Any COP above 1 beats strips, and the heat pump still carries part of the load.',
    fits: 'strips, cold-climate inverters',
  },
  fixedLine: {
    name: 'A fixed line',
    reason: 'Old one-stage units give little heat in the cold; wear, simplicity, a utility rule.',
    fits: 'one-stage units, mild winters',
  },
  comfortSwitch: {
    name: 'Comfort switch',
    reason: 'People feel 90 °F air as cold.',
    fits: 'dual fuel, an owner who asks for it',
  },
  breakEven: {
    name: 'Break-even',
    reason: 'Below the temperature at which fuel and electricity cost the same, the furnace is cheaper.',
    fits: 'dual fuel with known prices',
  },
  stageDriven: {
    name: 'Driven by stages',
    reason: 'The house finds its own balance; it works when the heat pump is iced up too.',
    fits: 'dual fuel with an interlock',
  },
  emergencyOnly: {
    name: 'Strips for emergencies',
    reason: 'Sized right, an inverter needs no help.',
    fits: 'inverters',
  },
  temperedDefrost: {
    name: 'Tempered defrost',
    reason: 'Comfort during the few minutes of a defrost.',
    fits: 'strips, frail occupants',
  },
  coldDefrost: {
    name: 'Cold defrost',
    reason: 'A few minutes of kWh saved, and no burner in a defrost.',
    fits: 'anywhere that nobody minds it',
  },
  fiveMinutes: { name: 'Off five minutes', reason: 'The makers’ own default.', fits: 'any compressor' },
  twoMinutes: {
    name: 'Off two minutes',
    reason: 'Where the equalising time was measured, for faster service; the board must keep five.',
    fits: 'boards with a delay of their own',
  },
}
export const HOUR_WORDS = { wake: 'Wake', leave: 'Leave', back: 'Back', sleep: 'Sleep' } as const
export const PRICE_WORDS = { kwh: 'Price of a kWh', fuel: 'Price of a therm or gallon' } as const

const WHY: Record<string, string> = {
  'gear.burner': 'a furnace is bolted down',
  'gear.strips': 'the backup is electric',
  'gear.landed': 'that is what is landed',
  'gear.minimumOff': 'five minutes lets pressures equalise; some measure and set less',
  'gear.cycles': 'three starts an hour spare the compressor',
  'gear.cyclesBackup': 'what the burner or the strips stand',
  'gear.restart': 'the house must not stay cold after an outage',
  'gear.emergency': 'so emergency heat finds its own way to the heat',
  'gear.strip': 'on and off must stand apart',
  'gear.fanDefrost': 'strips in defrost need moving air',
  'gear.filter': 'three months is the usual filter',
  'gear.kit': 'a fossil fuel kit is in charge',
  'gear.valve': 'the outdoor unit’s plate says so',
  'gear.sensor': 'a sensor pair is landed',
  'answer.bills': 'they put bills first',
  'answer.steady': 'they put a steady room first',
  'answer.noise': 'they do not want to hear it before waking',
  'answer.coldAir': 'its air feels cold to them',
  'answer.tenants': 'others than the owner use it',
  'answer.hours': 'these are the hours that they keep',
  'answer.scale': 'they asked for it',
  'answer.thermometer': 'their own thermometer disagrees',
  'answer.utility': 'the utility’s rule asks for it',
  'answer.rate': 'electricity is cheaper at some hours',
  'answer.frail': 'somebody frail lives there',
}
/** Why something is recommended. */
export const whyRecommended = (why: string): string =>
  WHY[why] ?? (why.startsWith('school.') ? STRATEGY_WORDS[why.slice(7) as Strategy].reason : why)

const CONFLICT_WORDS: Record<string, (n: string[]) => string> = {
  lockoutNoSource: () => 'A lockout is set, and nothing tells how cold it is.',
  heatGap: ([a, b]) => `No heat between ${a} and ${b} °F outside: backup is held off above ${a}, the compressor below ${b}.`,
  sensorNoConductors: () => 'A wired outdoor sensor is set, and its two conductors are not landed.',
  feedNotOnline: () => 'The outdoor temperature comes over the network, and nobody has seen the device online.',
  profileMisfit: () => 'The model on the plate is not one that this key-in sheet was written for.',
  togetherAhead: () => 'Heat pump and backup may run together, and the backup heats the air ahead of the coil.',
  electricWithFurnace: () => 'Backup is set as electric, and a furnace stands there.',
  fuelWithStrips: () => 'Backup is set as a fuel, and electric strips stand there.',
  oilWithGas: () => 'Backup is set as oil, and the burner is gas.',
  gasWithOil: () => 'Backup is set as gas, and the burner is oil.',
  valveSense: () => 'The reversing valve’s sense is not the outdoor unit’s: heating would cool.',
  stageNotLanded: () => 'Two stages are set, and the second is not landed.',
  stageNotSet: () => 'The second stage is landed, and only one is set.',
  eNotLanded: () => 'E is set as separate, and it is not landed: emergency heat goes nowhere.',
  eLandedTogether: () => 'E has its own conductor, and the thermostat drives AUX in emergency heat as well.',
  bothInCharge: () => 'The fossil fuel kit and the thermostat both decide the changeover.',
  noneInCharge: () => 'An external kit is set as in charge, and there is none.',
  stageNoInterlock: () => 'Stages decide the changeover, and there is no interlock relay.',
  busOnWires: () => 'Communicating is set, and 24 V calls are landed: dead, or damaged.',
  wiresOnBus: () => '24 V is set, and only the communicating pair is landed.',
  noPower: () => 'The thermostat has no common and no battery.',
  kitNotAllowed: ([a]) => `A ${a} kW kit is not on this air handler’s list.`,
  kitOther: ([a, b]) => `The board is set for a ${a} kW kit; ${b} kW is plugged in.`,
  staticBelow: ([a, b]) => `The static class is ${a} in.w.c.; ${b} was measured.`,
  stripReversed: ([a, b]) => `Strips go on ${a} °F below setpoint and off at ${b}: the wrong way round.`,
  stripTight: ([a, b]) => `Strips go on and off ${a} °F apart; at least ${b} are needed.`,
  fanOffInDefrost: () => 'The indoor fan stands in defrost while the strips heat.',
  cyclesCompressor: ([a, b]) => `${a} starts an hour on a compressor; ${b} is the most it should make.`,
  cyclesBurner: ([a, b]) => `${a} starts an hour on a burner; ${b} is the most it should make.`,
  minimumOffShort: ([a]) => `The compressor rests ${a} min, and no board does it rest five.`,
  droopTight: ([a, b]) => `Backup comes on ${a} °F below setpoint, within the ${b} °F between stages.`,
  earlyRecoveryWakes: () => 'Early recovery runs while somebody sleeps.',
  lockBeforeTests: () => 'The keypad is locked before the start-up tests: set it last.',
  stopBeforeTests: ([a]) => `A range stop at ${a} °F keeps the start-up tests from being run: set it last.`,
} // prettier-ignore
export const conflictSentence = (c: Conflicting): string =>
  (CONFLICT_WORDS[c.what] ?? (() => c.what))(c.numbers.map((n) => figure(n, 2)))
export const CONFLICT_WHATS = Object.keys(CONFLICT_WORDS)

const LINE_WORDS: Record<Exclude<LineKind, 'set'>, string> = {
  unitOff: 'Unit off at its controller',
  powerOff: 'Power off, locked, and metered dead',
  enter: 'Open the menu',
  leave: 'Leave the menu',
  unitOn: 'Unit on again',
  powerOn: 'Power on again',
}

const keyList = (line: SheetLine): string =>
  line.steps
    .map((s) =>
      s.do === 'check'
        ? `see “${s.shows}”`
        : s.do === 'until'
          ? `${s.key} until “${s.shows?.[0] ?? s.starts?.trim()}”`
          : s.key,
    )
    .join(', ')

/** One line of a key-in sheet: plain words first, the keys second. */
export function lineWords(line: SheetLine, name: string): { title: string; keys: string } {
  if (line.kind !== 'set') return { title: LINE_WORDS[line.kind], keys: keyList(line) }
  return { title: name, keys: keyList(line) }
}

/** Where a conflict stands, as a person points at it. */
export const conflictPlaces = (inst: Installation, c: Conflicting): string =>
  c.at.map((r) => refWords(inst, r)).join('; ')
