import type { Year } from '@/core/crossing'
import { BTU_PER_KWH } from '@/core/house'
import {
  kwhOf,
  WINTER_DAYS,
  type Against,
  type BackupCause,
  type PinDay,
  type Sums,
  type Winter,
} from '@/core/simulation'
import { money } from './crossing'
import { count, degrees, figure, whole } from './numbers'
import { duration } from './time'

const BACKUP_CAUSE_WORDS: Record<BackupCause, string> = {
  droop: 'the room fell past the droop',
  upstage: 'the heat pump ran long without catching up',
  recovery: 'an early recovery',
  defrost: 'defrosts',
  emergency: 'emergency heat',
  lockedOut: 'the heat pump is locked out',
  uncalled: 'no call asked for it',
}

/** Settings that work against each other, with the cost. */
const AGAINST_WORDS: Record<Against['code'], (kwh: number) => string> = {
  recoveryWithBackup: (kwh) =>
    `With a setback by night, early recovery with backup allowed costs ${whole(kwh)} kWh more than with the heat pump alone.`,
}

/** A winter in sentences: what it took, what backup ran for and why, starts, defrosts, the coldest room. */
export function winterSentences(
  { sums, cost, ended, year }: Winter,
  against: readonly Against[],
  currency: string,
): string[] {
  if (ended === 'chatter') return ['The winter cannot be run: the circuit comes to no rest.']
  const kwh = kwhOf(sums)
  const backup = Object.entries(sums.backupHours) as [BackupCause, number][]
  const hours = backup.reduce((sum, [, h]) => sum + h, 0)
  const causes = backup
    .filter(([, h]) => h >= 0.5)
    .sort((a, b) => b[1] - a[1])
    .map(([cause, h]) => `${whole(h)} h ${BACKUP_CAUSE_WORDS[cause]}`)
  const day = Math.floor(sums.coldestAt / 86_400) + 1
  const hour = Math.floor((sums.coldestAt % 86_400) / 3600)
  return [
    `180 days from November: ${whole(kwh)} kWh${sums.fuelBtu > 0 ? ` and ${figure(sums.fuelBtu / 1e6, 1)} million BTU of fuel` : ''}${cost === null ? '' : `, ${money(cost, currency)}`}.`,
    `Heat pump ${whole(sums.heatPumpKwh)} kWh in ${whole(sums.compressorHours)} h; strips ${whole(sums.stripKwh)} kWh; blower ${whole(sums.blowerKwh)} kWh.`,
    hours < 0.5 ? 'Backup hardly ran.' : `Backup ran ${whole(hours)} h: ${causes.join('; ')}.`,
    `${count(sums.starts)} ${sums.starts === 1 ? 'start' : 'starts'}${Number.isFinite(sums.shortestOff) ? `, at the shortest ${duration(sums.shortestOff)} after it had stopped` : ''}.`,
    `${count(sums.defrosts)} ${sums.defrosts === 1 ? 'defrost' : 'defrosts'}${sums.defrosts ? `, ${sums.defrostsByTime ? count(sums.defrostsByTime) : 'none'} of them ended by the board’s time` : ''}; at the most ${figure(sums.mostFrostLb)} lb of frost.`,
    `Coldest room ${degrees(sums.coldestF)}, on day ${day} at ${String(hour).padStart(2, '0')}:00; ${whole(sums.belowHours)} h more than 1 °F below the setpoint.`,
    `In the two hours before six in the morning the blower ran ${whole((sums.wakingHours * 60) / WINTER_DAYS)} min a day, with ${startsWords(sums.wakingStarts / WINTER_DAYS)}.`,
    ...(year ? [besideYear(sums, year)] : []),
    ...against.map((a) => AGAINST_WORDS[a.code](a.kwh)),
  ]
}

const startsWords = (n: number): string => {
  const said = figure(n, 1)
  return `${said} ${said === '1' ? 'start' : 'starts'}`
}

/** Less than this part of the whole is no difference worth an explanation. */
const SAME_SHARE = 0.01

/** The year's sums for the same days, where the run differs source by source, and what of that the run measured. */
function besideYear(sums: Sums, year: Year): string {
  const head = `Balance calculates ${whole(year.kwh)} kWh for the same days, ${whole(year.stripKwh)} kWh of it strips${year.fuel > 0 ? ', and fuel' : ''}.`
  const least = Math.max(1, SAME_SHARE * year.kwh)
  const more = (by: number, of: string): string[] =>
    Math.abs(by) < least ? [] : [`${whole(Math.abs(by))} kWh ${by > 0 ? 'more' : 'less'} ${of}`]
  const parts = [
    ...more(sums.stripKwh - year.stripKwh, 'for strips'),
    ...more(sums.heatPumpKwh - year.heatPumpKwh, 'for the heat pump'),
    ...more(sums.blowerKwh - year.blowerKwh, 'for the blower alone'),
  ]
  if (!parts.length) return `${head} The run gives the same.`
  const counted = [
    ...more(heatOf(sums) - heatOfYear(year), 'heat into the house'),
    ...(sums.defrostBtu / BTU_PER_KWH < least
      ? []
      : [`${whole(sums.defrostBtu / BTU_PER_KWH)} kWh of heat taken back by defrosts`]),
  ]
  return `${head} The run has ${parts.join('; ')}.${counted.length ? ` It counts ${counted.join(' and ')}.` : ''}`
}

/** kWh of heat that a run gave the house. */
const heatOf = (s: Sums): number =>
  (s.heatPumpBtu - s.defrostBtu + s.burnerBtu) / BTU_PER_KWH + s.stripKwh + s.blowerKwh - s.motorKwh
const heatOfYear = (y: Year): number => (y.heatPumpHeat + y.stripHeat + y.furnaceHeat) / BTU_PER_KWH

/** "0.8 kWh less, 2 starts more, the room more than 1 °F too cool for 14 min less.": what a change comes to. */
export function differenceSentence(as: Sums, other: Sums): string {
  /** "0.8 kWh less": nothing where it rounds to nothing. */
  const by = (key: NumberKey, unit: string, digits = 0, times = 1): string | null =>
    moreOf((other[key] - as[key]) * times, unit, digits)
  const starts = (n: number) => (Math.abs(n) === 1 ? 'start' : 'starts')
  const backup = (s: Sums) => (s.stripHours + s.burnerHours) * 60
  const cool = by('belowHours', 'min', 0, 60)
  const blower = by('wakingHours', 'min', 0, 60)
  const wakes = by('wakingStarts', starts(other.wakingStarts - as.wakingStarts))
  const heard = [blower && `${blower} of blower`, wakes].filter((p) => p !== null)
  const parts = [
    moreOf(kwhOf(other) - kwhOf(as), 'kWh', 1),
    by('fuelBtu', 'thousand BTU', 0, 1 / 1000)?.concat(' of fuel') ?? null,
    moreOf(backup(other) - backup(as), 'min')?.concat(' of backup') ?? null,
    by('starts', starts(other.starts - as.starts)),
    cool && `the room more than 1 °F too cool for ${cool}`,
    heard.length ? `in the two hours before waking ${heard.join(' and ')}` : null,
    by('defrosts', Math.abs(other.defrosts - as.defrosts) === 1 ? 'defrost' : 'defrosts'),
  ].filter((p) => p !== null)
  return parts.length ? `With the change: ${parts.join(', ')}.` : 'The change makes no difference here.'
}

/** Sums that are one number. */
type NumberKey = { [K in keyof Sums]: Sums[K] extends number ? K : never }[keyof Sums]

const moreOf = (n: number, unit: string, digits = 0): string | null =>
  Math.abs(n) < 0.5 * 10 ** -digits
    ? null
    : `${figure(Math.abs(n), digits)} ${unit} ${n > 0 ? 'more' : 'less'}`

/** "60 min, as set: 21 defrosts, none ended by time; at the most 5.9 lb of frost, 0 lb left; 78 kWh, 5 of them strips." */
export const pinSentence = (d: PinDay): string =>
  `${d.minutes} min${d.isSet ? ', as set' : ''}: ${count(d.defrosts)} defrosts, ${d.byTime || 'none'} ended by time; at the most ${figure(d.mostLb)} lb of frost, ${figure(d.leftLb)} lb left; ${whole(d.kwh)} kWh, ${whole(d.stripKwh)} of them strips.`
