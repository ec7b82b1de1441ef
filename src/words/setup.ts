import type { Installation } from '@/core/installation'
import type { Finding } from '@/core/rules'
import type { Strategy } from '@/core/crossing'
import type { LineKind, NumberAsked, Question, SheetLine } from '@/core/setup'
import { refWords } from './names'

/** How many contradictions there are; that there is none is said of what is known alone. */
export function conflictsSentence(count: number, unknown: number): string {
  if (count === 1) return 'One contradiction between gear, wiring and settings.'
  if (count) return `${count} contradictions between gear, wiring and settings.`
  if (!unknown) return 'Gear, wiring and settings do not contradict each other.'
  const settings = unknown === 1 ? '1 setting is' : `${unknown} settings are`
  return `${settings} not known yet. What is known of gear, wiring and settings does not contradict itself.`
}

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
  neverPrograms: { asks: 'Do they never program a thermostat?', answers: { yes: 'Never', no: 'They do' } },
  autoChangeover: {
    asks: 'Shall it change between heat and cool by itself?',
    answers: { yes: 'By itself', no: 'By hand' },
  },
  climate: {
    asks: 'Are the winters there cool and humid, with frost day after day?',
    answers: { humidCool: 'Cool and humid', other: 'Not so' },
  },
  zoned: { asks: 'Is the house zoned?', answers: { yes: 'Yes', no: 'No' } },
  complaint: {
    asks: 'What do they complain of?',
    answers: { none: 'Nothing', humidity: 'Damp in summer', weakHeat: 'Weak heat' },
  },
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
export const NUMBER_WORDS: Record<NumberAsked, string> = {
  utilityF: 'The rule holds backup off above, °F',
  offsetF: 'Their thermometer differs by, °F',
  filterIn: 'Depth of the filter, in.',
  droopF: 'Below the setpoint they put up with, °F',
}
export const PRICE_WORDS = { kwh: 'Price of a kWh', fuel: 'Price of a therm or gallon' } as const

const WHY: Record<string, string> = {
  'gear.burner': 'a furnace is bolted down',
  'gear.strips': 'the backup is electric',
  'gear.ahead': 'the strips heat upstream of the coil',
  'gear.landed': 'that is what is landed',
  'gear.minimumOff': 'five minutes lets pressures equalise; some measure and set less',
  'gear.cycles': 'three starts an hour spare the compressor',
  'gear.cyclesBackup': 'what the burner or the strips stand',
  'gear.restart': 'the house must not stay cold after an outage',
  'gear.emergency': 'so emergency heat finds its own way to the heat',
  'gear.strip': 'on and off must stand apart',
  'gear.fanDefrost': 'strips in defrost need moving air',
  'gear.filter': 'three months is the usual filter',
  'gear.faultHeat': 'the strips are there for the day on which the heat pump stops',
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
  'answer.droop': 'so much below the setpoint is well with them',
  'answer.filter': 'an inch lasts one to three months, deep media six to twelve',
  'answer.auto': 'they said so of changing between heat and cool by itself',
  'answer.never': 'they never program: no schedule to fight',
  'answer.frail': 'somebody frail lives there',
  'gear.factory': 'it is there for complaints: left as its maker set it otherwise',
  'answer.climate': 'frost builds up day after day in a cool, humid winter',
  'answer.zoned': 'one zone alone must not make it drift',
  'answer.complaint':
    'they complain of what it is made for: a hotter or colder coil, and not more than rated',
}
/** Why something is recommended. */
export const whyRecommended = (why: string): string =>
  WHY[why] ?? (why.startsWith('school.') ? STRATEGY_WORDS[why.slice(7) as Strategy].reason : why)

const LINE_WORDS: Record<Exclude<LineKind, 'set' | 'leaveAlone'>, string> = {
  unitOff: 'Unit off at its controller',
  powerOff: 'Power off, locked, and metered dead',
  wait: 'Wait',
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
          : s.do === 'wait'
            ? `until ${s.until}`
            : s.key,
    )
    .join(', ')

/** A line of a key-in sheet: plain words first, the keys second. */
export function lineWords(line: SheetLine, name: string): { title: string; keys: string } {
  if (line.kind === 'leaveAlone') return { title: name, keys: 'Leave it as it stands: its maker wants it so' }
  if (line.kind !== 'set') return { title: LINE_WORDS[line.kind], keys: keyList(line) }
  return { title: name, keys: keyList(line) }
}

/** Places of a finding about settings, as a person points at them. */
export const findingPlaces = (inst: Installation, f: Finding): string =>
  [f.at, ...f.also].map((r) => refWords(inst, r)).join('; ')
