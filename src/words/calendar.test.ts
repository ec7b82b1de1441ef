import { demoInstallation } from '../../tests/helpers/demo'
import { calendarOf, remindersOf } from '.'

const inst = demoInstallation('quillfeather-lane')
const JOB = { id: 'quillfeather-lane', title: '18 Quillfeather Lane', owner: 'Odell Marsh' }
/** An iCalendar file's lines, those that were folded put together again (RFC 5545, 3.1). */
const lines = (text: string) => text.replace(/\r\n[ \t]/g, '').split('\r\n')

describe('reminders', () => {
  it('are those that the thermostat was set to, and a yearly look', () => {
    const set = { ...inst, placed: inst.placed.map((p) => (p.ref === 'tstat' ? { ...p, settings: { ...p.settings, ...Object.fromEntries(p.device.settings.filter((s) => s.intent === 'filterReminder').map((s) => [s.id, 6])) } } : p)) } // prettier-ignore
    const has = inst.placed.some((p) => p.device.settings.some((s) => s.intent === 'filterReminder' && s.unit === 'months')) // prettier-ignore
    expect(remindersOf(set).map((r) => [r.id, r.months])).toEqual([['filter', has ? 6 : 3], ['service', 12]]) // prettier-ignore
  })

  it('are a calendar of whole days that recur, each with a name of its own', () => {
    const reminders = [
      { id: 'filter', what: 'Filter', months: 3, note: 'As set.' },
      { id: 'service', what: 'Service', months: 12, note: '' },
    ]
    const text = calendarOf(JOB, reminders, new Date('2026-11-30T09:00:00Z'))
    const all = lines(text)
    expect(all[0]).toBe('BEGIN:VCALENDAR')
    expect(all[all.length - 1] || all[all.length - 2]).toBe('END:VCALENDAR')
    expect(all).toContain('VERSION:2.0')
    expect(all.filter((l) => l.startsWith('UID:'))).toEqual([
      'UID:filter-quillfeather-lane@gate-cross',
      'UID:service-quillfeather-lane@gate-cross',
    ])
    // Three months after the last of November is the last of February.
    expect(all.filter((l) => l.startsWith('DTSTART'))).toEqual([
      'DTSTART;VALUE=DATE:20270228',
      'DTSTART;VALUE=DATE:20271130',
    ])
    expect(all.filter((l) => l.startsWith('RRULE'))).toEqual(['RRULE:FREQ=MONTHLY;INTERVAL=3', 'RRULE:FREQ=MONTHLY;INTERVAL=12']) // prettier-ignore
    // Lines end as the standard asks, and none is longer than 75 octets.
    expect(text.replace(/\r\n/g, '')).not.toContain('\n')
    for (const l of text.split('\r\n')) expect(Buffer.byteLength(l)).toBeLessThanOrEqual(75)
  })
})
