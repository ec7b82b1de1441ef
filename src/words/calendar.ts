import ical, { ICalEventRepeatingFreq } from 'ical-generator'
import { expressedIn } from '@/core/setup'
import type { Installation } from '@/core/installation'

/** A recurring task for the owner: what, every how many months, and why. */
export interface Reminder {
  id: string
  what: string
  months: number
  note: string
}

const ASKED = [
  ['filterReminder', 'filter', 'Look at the air filter, and change it where it is grey'],
  ['padReminder', 'pad', 'Change the humidifier’s pad'],
  ['lampReminder', 'lamp', 'Change the lamp'],
] as const

/** Months between two looks of a technician, where nothing else is agreed. */
const SERVICE_MONTHS = 12

/** Recurring tasks in a house, by its thermostat's reminders; a filter is always on the list. */
export function remindersOf(inst: Installation): Reminder[] {
  const set = ASKED.flatMap(([intent, id, what]): Reminder[] => {
    const found = expressedIn(inst, intent).find(
      ({ setting, value }) => setting.unit === 'months' && typeof value === 'number' && value > 0,
    )
    const months = Number(found?.value ?? (id === 'filter' ? 3 : 0))
    const note = found
      ? `As ${found.placed.label.toLowerCase()} is set.`
      : 'Every three months, where nothing else is known.'
    return months > 0 ? [{ id, what, months, note }] : []
  })
  return [
    ...set,
    {
      id: 'service',
      what: 'Have the heat pump looked over before the cold',
      months: SERVICE_MONTHS,
      note: 'Readings are held against those of today.',
    },
  ]
}

/**
 * The reminders of a house as an iCalendar file, each a day that recurs.
 * @param from the day on which it was handed over
 */
export function calendarOf(
  { id, title, owner }: { id: string; title: string; owner: string },
  reminders: readonly Reminder[],
  from: Date,
): string {
  const calendar = ical({
    name: `${title}: heating`,
    prodId: { company: 'Gate Cross', product: 'reminders' },
  })
  for (const r of reminders)
    calendar.createEvent({
      id: `${r.id}-${id}@gate-cross`,
      stamp: from,
      start: monthsAfter(from, r.months),
      allDay: true,
      summary: `${r.what}: ${title}`,
      description: `${owner}. ${r.note}`,
      repeating: { freq: ICalEventRepeatingFreq.MONTHLY, interval: r.months },
    })
  return calendar.toString()
}

/** The same day so many months later; of a shorter month its last. */
function monthsAfter(from: Date, months: number): Date {
  const day = new Date(Date.UTC(from.getUTCFullYear(), from.getUTCMonth() + months, 1, 12))
  const last = new Date(Date.UTC(day.getUTCFullYear(), day.getUTCMonth() + 1, 0)).getUTCDate()
  day.setUTCDate(Math.min(from.getUTCDate(), last))
  return day
}
