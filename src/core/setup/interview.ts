import { degF, type DegF } from '../units'
import {
  aheadTargets,
  burnersOf,
  hasBurner,
  hasStrips,
  isLanded,
  having,
  settingsWith,
  terminalsWith,
  usualBackupCycles,
  onStripsAlone,
} from '../query'
import type { Finding } from '../rules'
import type { Intent, Value } from '../equipment'
import { defaultOf, splitRef, type Installation, type JobSeen, type Ref, withSettings } from '../installation'
import { loadLineOf, meanKwh, weatherOf } from '../house'
import {
  auxGate,
  balanceOf,
  breakEven,
  breakEvenGate,
  heatersOf,
  newFindings,
  STRATEGY_INTENTS,
  type Strategy,
} from '../crossing'
import { isAllowed } from './codec'
import { expressedIn } from './intents'

/** Questions to the owner, with their answers by id; every one may be skipped. */
export const QUESTIONS = {
  priority: ['bills', 'steady'],
  noise: ['yes', 'no'],
  sleepsByDay: ['yes', 'no'],
  coldAir: ['yes', 'no'],
  whoChanges: ['owner', 'tenants', 'guests'],
  scale: ['F', 'C'],
  thermometer: ['agrees', 'warmer', 'colder'],
  fuel: ['none', 'gas', 'lp', 'oil'],
  utility: ['none', 'auxRule'],
  rate: ['flat', 'timeOfUse', 'solar'],
  frail: ['yes', 'no'],
  neverPrograms: ['yes', 'no'],
  autoChangeover: ['yes', 'no'],
  climate: ['humidCool', 'other'],
  zoned: ['yes', 'no'],
  complaint: ['none', 'humidity', 'weakHeat'],
} as const
export type Question = keyof typeof QUESTIONS

/** Settings of an inverter's board for complaints and climates; only its owner is asked about them. */
const FOR_COMPLAINTS: readonly Intent[] = ['earlyDefrost', 'longDefrost', 'capacityDrift', 'boost']
const ABOUT_INVERTERS: readonly Question[] = ['climate', 'zoned', 'complaint']

/** The questions that something in this gear depends on. */
export const questionsFor = (inst: Installation): Question[] => {
  const isInverter = FOR_COMPLAINTS.some((i) => settingsWith(inst, i).length > 0)
  return (Object.keys(QUESTIONS) as Question[]).filter((q) => isInverter || !ABOUT_INVERTERS.includes(q))
}
/** Numbers that only the owner or a rule knows, with the least and the most that make sense. */
export const NUMBERS = {
  /** °F above which the utility wants backup locked out. */
  utilityF: { least: 0, most: 65, unit: '°F' },
  /** Δ°F by which their own thermometer differs. */
  offsetF: { least: 0.5, most: 5, unit: '°F' },
  /** Depth of the filter, inches. */
  filterIn: { least: 0.5, most: 6, unit: 'in.' },
  /** Δ°F below the setpoint that they put up with before backup helps. */
  droopF: { least: 0.5, most: 5, unit: '°F' },
} as const
export type NumberAsked = keyof typeof NUMBERS

/** An answer as a number in its range; null where it was not asked or makes no sense. */
function asked(a: Answers, of: NumberAsked): number | null {
  const n = Number(a[of] ?? Number.NaN)
  return n >= NUMBERS[of].least && n <= NUMBERS[of].most ? n : null
}
/** Inches: from here up a filter is deep media, which lasts half a year and more. */
const DEEP_FILTER_IN = 4

/** The owner's hours, as HH:MM. */
export const HOURS = ['wake', 'leave', 'back', 'sleep'] as const
export type Answers = Readonly<Record<string, string>>

/** A value for one setting, and why. `differs`: practitioners do not agree on it. */
export interface Recommended {
  at: Ref
  intent: Intent
  value: Value
  why: string
  differs: boolean
  /** Finding that the value would cause now. It must be cleared first; until then the value is not offered. */
  needs: Finding | null
}

interface Wish {
  intent: Intent
  value: Value
  why: string
  differs?: boolean
}

/** Settings that the answers and the equipment recommend, on the devices that can express them. */
export function recommend(seen: JobSeen, school: Strategy | null = null): Recommended[] {
  const { inst, answers } = seen
  const wishes: Wish[] = [...gearWishes(inst), ...factoryWishes(inst), ...answerWishes(inst, answers)]
  if (school)
    for (const [intent, value] of Object.entries(schoolIntents(seen, school)))
      wishes.push({ intent: intent as Intent, value, why: `school.${school}`, differs: true })
  const even = school === 'breakEven' ? breakEvenAt(seen) : null
  if (even !== null)
    wishes.push({ intent: 'changeover', value: even, why: 'school.breakEven', differs: true })
  const found = new Map<Ref, Recommended>()
  // A later wish stands over an earlier one: the person before the gear, the school before both.
  for (const { intent, value, why, differs = false } of wishes)
    for (const e of expressedIn(inst, intent))
      if (e.setting.group === 'set' && isAllowed(e.allowed, value))
        found.set(e.at, { at: e.at, intent, value, why, differs, needs: null })
  return harmless(seen, [...found.values()])
}

/**
 * Settings of a strategy on this equipment. With a furnace that takes over by a changeover, locking out backup above
 * another temperature would leave a call without any heat, because the compressor is already locked out there.
 */
function schoolIntents(seen: JobSeen, school: Strategy): Partial<Record<Intent, Value>> {
  const { inst } = seen
  // By the house's own balance point where it is known, else by habit.
  const above = auxGate({ balanceF: balanceOf(seen) })
  const intents = {
    ...STRATEGY_INTENTS[school],
    ...(school === 'runAlways' ? { auxLockout: above, outdoorSwitch: above } : {}),
  }
  if (!hasBurner(inst) || intents.useAuxLockout === undefined) return intents
  const { auxLockout: _, outdoorSwitch: __, ...rest } = intents
  return { ...rest, useAuxLockout: 'off' }
}

/**
 * The same list, with what would raise a finding held back: all of it is tried together first, then one after the other
 * upon those that raise nothing, again and again while that brings more of them in (a lockout waits for its sensor).
 */
function harmless(seen: JobSeen, list: readonly Recommended[]): Recommended[] {
  const findings = newFindings(seen)
  const raised = (inst: Installation): Finding | undefined => findings(inst)[0]
  if (!raised(withSettings(seen.inst, list))) return [...list]
  let inst = seen.inst
  let settable = [...list]
  for (let before = -1; before !== settable.length;) {
    before = settable.length
    settable = settable.filter((r) => {
      const tried = withSettings(inst, [r])
      if (raised(tried)) return true
      inst = tried
      return false
    })
  }
  return list.map((r) =>
    settable.includes(r) ? { ...r, needs: raised(withSettings(inst, [r])) ?? null } : r,
  )
}

/** °F, whole: where fuel and electricity cost the same in this house; null where a price or a rating is missing. */
export function breakEvenAt(seen: JobSeen): DegF | null {
  const { unit, burner } = heatersOf(seen)
  const weather = seen.climate && seen.prices.periods?.length ? weatherOf(seen.climate) : null
  const line = loadLineOf(seen.house, unit)
  const even = breakEven({ unit, burner }, line, meanKwh(seen.prices, weather, NO_HEAT_F), seen.prices.fuel)
  const at = breakEvenGate({ breakEven: even })
  return at === null ? null : degF(at)
}
/** °F below which heat is bought: the usual no-heat temperature. */
const NO_HEAT_F = 65

/** Recommendations from the equipment alone. */
function gearWishes(inst: Installation): Wish[] {
  const burner = hasBurner(inst)
  const ahead = aheadTargets(inst).length > 0
  const sense = having(inst, 'compresses').flatMap((p) =>
    settingsWith({ ...inst, placed: [p] }, 'rvSense'),
  )[0]?.value
  const stats = having(inst, 'onWall')
  const landed = (...roles: string[]) =>
    stats.some((p) => terminalsWith(p, ...roles).some((t) => isLanded(inst, t)))
  const fuel = settingsWith(inst, 'fuel')[0]?.value
  const oil = burnersOf(inst).some((b) => b.fuel === 'oil')
  const kit = having(inst, 'switchesFuel').length > 0
  const wishes: Wish[] = [
    { intent: 'system', value: burner && !kit ? 'dualFuel' : 'heatPump', why: burner ? 'gear.burner' : 'gear.strips' },
    { intent: 'backupSource', value: oil ? 'oil' : burner ? (fuel === 'lp' ? 'lp' : 'gas') : 'electric', why: burner ? 'gear.burner' : 'gear.strips' },
    { intent: 'compressorStages', value: landed('Y2') ? '2' : '1', why: 'gear.landed' },
    { intent: 'backupStages', value: landed('W2') ? '2' : '1', why: 'gear.landed' },
    { intent: 'together', value: burner || ahead ? 'no' : 'yes', why: burner ? 'gear.burner' : ahead ? 'gear.ahead' : 'gear.strips' },
    { intent: 'minimumOff', value: 5, why: 'gear.minimumOff', differs: true },
    { intent: 'cyclesHeatPump', value: 3, why: 'gear.cycles' },
    { intent: 'cyclesBackup', value: Math.min(6, usualBackupCycles(inst)?.most ?? 6), why: 'gear.cyclesBackup' },
    { intent: 'powerRestart', value: 'resume', why: 'gear.restart' },
    { intent: 'auxWithE', value: landed('E') ? 'separate' : 'together', why: 'gear.emergency' },
    { intent: 'stripOn', value: 5, why: 'gear.strip' },
    { intent: 'stripOff', value: 2, why: 'gear.strip' },
    { intent: 'fanInDefrost', value: 'on', why: 'gear.fanDefrost' },
    { intent: 'filterReminder', value: 3, why: 'gear.filter' },
  ] // prettier-ignore
  if (kit) wishes.push({ intent: 'inCharge', value: 'kit', why: 'gear.kit' })
  if (onStripsAlone(inst)) wishes.push({ intent: 'faultHeat', value: 'on', why: 'gear.faultHeat' })
  if (sense === 'cooling' || sense === 'heating')
    wishes.push({ intent: 'rvSense', value: sense, why: 'gear.valve' })
  if (landed('S')) wishes.push({ intent: 'outdoorSource', value: 'wired', why: 'gear.sensor' })
  return wishes
}

/** As the maker left it: what is there for complaints is for complaints. */
const factoryWishes = (inst: Installation): Wish[] =>
  FOR_COMPLAINTS.flatMap((intent) =>
    settingsWith(inst, intent).flatMap(({ at, placed }) => {
      const value = defaultOf(placed, splitRef(at).id)
      return value === undefined ? [] : [{ intent, value, why: 'gear.factory' }]
    }),
  )

/** Recommendations from the owner's answers. */
function answerWishes(inst: Installation, a: Answers): Wish[] {
  const wishes: Wish[] = []
  const wish = (intent: Intent, value: Value, why: string, differs = false) =>
    wishes.push({ intent, value, why, differs })
  if (a.priority === 'bills') {
    wish('droop', 3, 'answer.bills', true)
    // A furnace is cheap heat where a changeover hands over to it: only strips are locked out to save.
    if (onStripsAlone(inst)) wish('useAuxLockout', 'on', 'answer.bills', true)
  }
  if (a.priority === 'steady') wish('droop', 2, 'answer.steady', true)
  const droop = asked(a, 'droopF')
  if (droop !== null) wish('droop', droop, 'answer.droop')
  const filter = asked(a, 'filterIn')
  if (filter !== null) wish('filterReminder', filter >= DEEP_FILTER_IN ? 9 : 3, 'answer.filter', true)
  if (a.autoChangeover === 'yes' || a.autoChangeover === 'no')
    wish('autoChangeover', a.autoChangeover === 'yes' ? 'on' : 'off', 'answer.auto')
  if (a.noise === 'yes' || a.sleepsByDay === 'yes') wish('earlyRecovery', 'off', 'answer.noise')
  if (a.coldAir === 'yes') {
    wish('stripsInDefrost', 'yes', 'answer.coldAir', true)
    if (hasBurner(inst)) wish('changeover', 40, 'answer.coldAir', true)
    wish('coldBlowDelay', 60, 'answer.coldAir')
  }
  if (a.whoChanges === 'tenants' || a.whoChanges === 'guests') {
    wish('keypadLock', 'partial', 'answer.tenants')
    wish('rangeHigh', 74, 'answer.tenants', true)
    wish('rangeLow', 70, 'answer.tenants', true)
  }
  if (a.scale === 'F' || a.scale === 'C') wish('scale', a.scale, 'answer.scale')
  const offset = asked(a, 'offsetF')
  // Which way is not enough: by how much is theirs to say.
  if (offset !== null && a.thermometer === 'warmer') wish('displayOffset', offset, 'answer.thermometer')
  if (offset !== null && a.thermometer === 'colder') wish('displayOffset', -offset, 'answer.thermometer')
  if (a.utility === 'auxRule' && hasStrips(inst)) {
    wish('useAuxLockout', 'on', 'answer.utility')
    const above = asked(a, 'utilityF')
    if (above !== null) wish('auxLockout', above, 'answer.utility')
  }
  if (a.rate === 'timeOfUse') wish('earlyRecovery', 'on', 'answer.rate', true)
  if (a.wake && a.sleep) {
    wish('schedule', '52', 'answer.hours')
    wish('periods', a.leave && a.back ? '4' : '2', 'answer.hours')
  }
  if (a.neverPrograms === 'yes') wish('schedule', 'none', 'answer.never')
  if (a.climate === 'humidCool') {
    wish('earlyDefrost', 'on', 'answer.climate', true)
    wish('longDefrost', 'on', 'answer.climate', true)
  }
  if (a.zoned === 'yes') wish('capacityDrift', 'off', 'answer.zoned', true)
  if (a.complaint === 'weakHeat' || a.complaint === 'humidity') wish('boost', 'on', 'answer.complaint', true)
  if (a.frail === 'yes') {
    wish('stripsInDefrost', 'yes', 'answer.frail')
    wish('faultHeat', 'on', 'answer.frail')
    wish('sourceLost', 'noLockouts', 'answer.frail')
    wish('droop', 2, 'answer.frail')
  }
  return wishes
}
