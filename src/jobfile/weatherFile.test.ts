import fc from '../../tests/helpers/property'
import { MONTH_HOURS, weatherOf, type ClimateChoice } from '@/core/house'
import { parseWeather, readWeather, sentence } from '.'

/** °F of an hour of the year, such that each is another: 20 and a hundredth of a degree for each hour of the year/10. */
const at = (hour: number): number => Math.round(10 * (20 + (hour % 500) / 10)) / 10
const YEAR = Array.from({ length: 8760 }, (_, h) => at(h))
const days = MONTH_HOURS.map((h) => h / 24)
const two = (n: number): string => String(n).padStart(2, '0')
interface Stamp {
  month: number
  day: number
  hour: number
}
const STAMPS: Stamp[] = days.flatMap((n, month) =>
  Array.from({ length: 24 * n }, (_, h) => ({ month: month + 1, day: Math.floor(h / 24) + 1, hour: h % 24 })),
)
const csv = (title: string, row: (s: Stamp, hour: number) => string, end = '\n'): string =>
  [title, ...STAMPS.map(row)].join(end)
const iso = (s: Stamp): string => `2025-${two(s.month)}-${two(s.day)} ${two(s.hour)}:00`

const read = (text: string): number[] => {
  const checked = parseWeather(text, 'weather.csv')
  if (!checked.ok) throw new Error(checked.problems.map(sentence).join('; '))
  const year = weatherOf(checked.value)
  return year.kind === 'hours' ? [...year.hours] : []
}
const refused = (text: string) => {
  const checked = parseWeather(text, 'weather.csv')
  return checked.ok ? 'read' : checked.problems.map((p) => `line ${p.line ?? '-'}: ${sentence(p)}`).join('; ')
}

describe('a weather file', () => {
  const plain = csv('time,temperature °F', (s, h) => `${iso(s)},${at(h)}`)

  it('by the hour with its times', () => expect(read(plain)).toEqual(YEAR))
  it('with Windows line ends and a mark at its start', () =>
    expect(read(`\uFEFF${plain.replaceAll('\n', '\r\n')}`)).toEqual(YEAR))
  it('in many parts, each line with its number, and the page has its turn between two', async () => {
    const wide = csv('time;temperature °C;"more"', (s, h) => `${iso(s)};${h === 7000 ? 'x' : 20};${'m'.repeat(90)}`, '\r\n') // prettier-ignore
    const pause = jest.fn(() => Promise.resolve())
    const checked = await readWeather(wide, 'weather.csv', pause)
    expect(checked).toMatchObject({ ok: false, problems: [{ line: 7002 }] })
    expect(pause.mock.calls.length).toBeGreaterThan(3)
    expect(await readWeather(plain, 'weather.csv', pause)).toEqual(parseWeather(plain, 'weather.csv'))
  })
  it.each([
    ['8 MB of line ends', '\n'.repeat(8_000_000), 'at most 527100 rows'],
    ['39 MB of line ends', '\r\n'.repeat(19_500_000), 'at most 527100 rows'],
    ['39 MB of rows', '1\n'.repeat(19_500_000), 'at most 527100 rows'],
    ['39 MB in one line', '1,'.repeat(19_500_000), 'at most 10000 characters in a line'],
    ['39 MB in one quote', `"${'\n'.repeat(39_000_000)}`, 'line'],
  ])('%s is refused early, by what is too much', (_, text, said) => {
    expect(refused(text)).toContain(said)
  })
  it('without times: 8,760 rows from the first hour of January', () =>
    expect(read(['temp_F', ...YEAR].join('\n'))).toEqual(YEAR))
  it('in any order', () => {
    const [title = '', ...rows] = plain.split('\n')
    expect(read([title, ...rows.reverse()].join('\n'))).toEqual(YEAR)
  })
  it('in °C with decimal commas', () => {
    // 0 °C is 32, 10.5 °C is 50.9 °F.
    const text = csv('date;temp °C', (s, h) => `${iso(s)};${h % 2 ? '10,5' : '0'}`)
    expect(read(text).slice(0, 3)).toEqual([32, 50.9, 32])
  })
  it('with the day before the month, which one day past the twelfth decides', () => {
    const text = csv('time,temp F', (s, h) => `${s.day}/${s.month}/2025 ${s.hour}:00,${at(h)}`)
    expect(read(text)).toEqual(YEAR)
  })
  it('with hours from 1 to 24 in columns of their own', () => {
    const text = csv('month,day,hour,temp F', (s, h) => `${s.month},${s.day},${s.hour + 1},${at(h)}`)
    expect(read(text)).toEqual(YEAR)
  })

  it('a leap day is left out, with times and without', () => {
    const leap = [...YEAR.slice(0, 1416), ...Array.from({ length: 24 }, () => 99), ...YEAR.slice(1416)]
    expect(read(['temp F', ...leap].join('\n'))).toEqual(YEAR)
    const [title = '', ...rows] = plain.replaceAll('2025-', '2024-').split('\n')
    const day29 = Array.from({ length: 24 }, (_, h) => `2024-02-29 ${two(h)}:00,99`)
    expect(read([title, ...rows.slice(0, 1416), ...day29, ...rows.slice(1416)].join('\n'))).toEqual(YEAR)
  })

  it('by the quarter of an hour: the mean of four', () => {
    const text = ['temp F', ...YEAR.flatMap((t) => [t - 1, t, t, t + 1])].join('\n')
    expect(read(text)).toEqual(YEAR)
  })

  it('EPW: eight lines of header, °C in the seventh column, hours from 1', () => {
    const header = ['LOCATION,Nowhere', ...Array.from({ length: 7 }, (_, i) => `HEADER ${i}`)]
    const rows = STAMPS.map(
      (s) => `2001,${s.month},${s.day},${s.hour + 1},60,flags,${s.hour === 3 ? -5 : 20},9`,
    )
    const year = read([...header, ...rows].join('\n'))
    // −5 °C is 23 °F, 20 °C is 68.
    expect([year.length, year[3], year[4], year[24 + 3]]).toEqual([8760, 23, 68, 23])
    const gap = [...header, ...rows]
    gap[8 + 100] = (gap[8 + 100] ?? '').replace(/,(20|-5),9$/, ',99.9,9')
    expect(refused(gap.join('\n'))).toMatch(/^line 109: .*a gap has to be filled in/)
  })

  it('temperatures and the hours of each', () => {
    const checked = parseWeather('temp °F,hours\n40,4380\n10,380\n70,4000\n', 'bins.csv')
    expect(checked).toEqual({
      ok: true,
      value: {
        kind: 'bins',
        name: 'bins.csv',
        bins: [
          { outdoorF: 10, hours: 380 },
          { outdoorF: 40, hours: 4380 },
          { outdoorF: 70, hours: 4000 },
        ],
      } satisfies ClimateChoice,
    })
  })

  it.each([
    ['nothing', '', /an empty file/],
    ['no temperatures', 'time,wind\n1,2', /^line 1: .*a column of outdoor temperatures/],
    ['no unit', ['temperature', ...YEAR].join('\n'), /^line 1: .*°F or °C/],
    ['too few rows', ['temp F', ...YEAR.slice(0, 8000)].join('\n'), /^line 8001: .*8760 rows.*8000 rows/],
    ['a text among them', plain.replace(',20.4', ',n\/a'), /^line 6: .*an outdoor temperature/],
    ['an empty cell', plain.replace(',20.4', ','), /^line 6: /],
    ['a temperature that none is', plain.replace(',20.4', ',-999'), /^line 6: .*-999/],
    [
      'an hour missing',
      plain.replace(/\n2025-01-02 03:00,[^\n]*/, ''),
      /^line 28: .*01-02 03:00 is not there.*1 hours missing/,
    ],
    ['a time that is none', plain.replace('2025-01-02 03:00', 'yesterday'), /^line 29: .*a date and an hour/],
    ['bins of half a year', 'temp F,hours\n40,4000', /^line 2: .*add up to a year/],
  ])('refuses %s, with its line', (_, text, said) => expect(refused(text)).toMatch(said))

  it('whatever a file holds, it is read or refused with what was expected', () => {
    const cell = fc.oneof(
      fc.string({ maxLength: 8 }),
      fc.double().map(String),
      fc.constantFrom('temp °F', 'time', 'hours', 'LOCATION', '2025-01-01 00:00', '', '1,5', '\u0000'),
    )
    const file = fc
      .array(fc.array(cell, { maxLength: 9 }), { maxLength: 40 })
      .map((rows) => rows.map((r) => r.join(',')).join('\n'))
    fc.assert(
      fc.property(file, (text) => {
        const checked = parseWeather(text, 'x.csv')
        if (checked.ok) return
        expect(checked.problems.length).toBeGreaterThan(0)
        for (const p of checked.problems) expect(sentence(p).length).toBeLessThan(2000)
      }),
      { numRuns: 300, seed: 7 },
    )
  })
})
