import Papa from 'papaparse'
import { MONTH_HOURS, monthTexts, YEAR_HOURS, type ClimateChoice } from '@/core/house'
import { cut } from './cut'
import { problem, type Checked, type Problem } from './problem'
import { fail } from './sections/section'

/** The largest weather file that is read, characters: a year by the minute and more. */
const MOST_WEATHER = 40 * 1024 * 1024
/** Rows of a year by the minute, a leap day too; and lines, of which every second may be empty. */
const [MOST_ROWS, MOST_LINES] = [527_100, 1_054_200]
/** Characters of one line. */
const MOST_LINE = 10_000
/** Characters that are read at a time: what a page has to do meanwhile comes between two of them. */
const PART = 256 * 1024

/** Months and days that a year of 365 days has. */
const FEBRUARY = 1
const hourBefore = (month: number): number => MONTH_HOURS.slice(0, month).reduce((a, b) => a + b, 0)

/** Rows that a column of temperatures without times may have: by the hour, half hour or quarter hour, leap day or not. */
const ROWS = [8760, 8784, 17_520, 17_568, 35_040, 35_136]

interface Row {
  line: number
  /** °F; NaN: none there. */
  outdoorF: number
  /** Month 0 to 11, day from 1, hour 0 to 23; null: the file has no times. */
  when: { month: number; day: number; hour: number } | null
}

const wrong = (line: number, expected: string, got: unknown): Problem => ({
  ...problem('', expected, got),
  line,
})

/**
 * Reads a file of weather: EPW, a plain CSV of outdoor temperatures by the hour or finer, or a CSV of temperatures and
 * hours a year. A leap day is left out; several values of an hour are averaged. Anything else is refused with its line.
 */
export function parseWeather(text: string, name: string): Checked<ClimateChoice> {
  const read = linesOf(text)
  let step = read.next()
  while (!step.done) step = read.next()
  return step.value.ok ? climateOf(step.value.value, name) : step.value
}

/** The same, with a pause between the parts: a page stays usable while a large file is read. */
export async function readWeather(
  text: string,
  name: string,
  pause: () => Promise<void>,
): Promise<Checked<ClimateChoice>> {
  const read = linesOf(text)
  let step = read.next()
  while (!step.done) {
    await pause()
    step = read.next()
  }
  return step.value.ok ? climateOf(step.value.value, name) : step.value
}

interface FullLine {
  line: number
  cells: string[]
}

/** The lines of a file that have something in them, part by part. */
function* linesOf(file: string): Generator<void, Checked<FullLine[]>> {
  if (file.length > MOST_WEATHER)
    return fail(problem('', `at most ${MOST_WEATHER / 1024 / 1024} MB`, `${file.length} bytes`))
  const text = file.replace(/^\uFEFF/, '')
  const full: FullLine[] = []
  let delimiter = ''
  let line = 0
  for (let from = 0; from < text.length;) {
    const end = partEnd(text, from)
    if (end === null)
      return fail(wrong(line + 1, `at most ${MOST_LINE} characters in a line`, 'a longer one'))
    // The first part says by what the cells are separated.
    const part = Papa.parse<string[]>(text.slice(from, end), { skipEmptyLines: false, delimiter })
    delimiter = part.meta.delimiter
    // Behind the last line end of a part there is no line.
    const rows = end < text.length ? part.data.slice(0, -1) : part.data
    for (const cells of rows) {
      line++
      const trimmed = cells.map((c) => c.trim())
      if (trimmed.some((c) => c !== '')) full.push({ line, cells: trimmed })
    }
    if (full.length > MOST_ROWS || line > MOST_LINES)
      return fail(wrong(line, `at most ${MOST_ROWS} rows, a year by the minute`, 'more'))
    from = end
    yield
  }
  return { ok: true, value: full }
}

/** End of the part that begins at `from`, behind a line end; null where a line is too long. */
function partEnd(text: string, from: number): number | null {
  if (text.length - from <= PART) {
    return longest(text, from, text.length) > MOST_LINE ? null : text.length
  }
  const end = Math.max(text.lastIndexOf('\n', from + PART), text.lastIndexOf('\r', from + PART - 1)) + 1
  return end <= from || longest(text, from, end) > MOST_LINE ? null : end
}

/** Characters of the longest line between two places. */
function longest(text: string, from: number, to: number): number {
  let most = 0
  let begun = from
  for (let i = from; i < to; i++) {
    const c = text.charCodeAt(i)
    if (c !== LINE_FEED && c !== RETURN) continue
    most = Math.max(most, i - begun)
    begun = i + 1
  }
  return Math.max(most, to - begun)
}
const [LINE_FEED, RETURN] = [10, 13]

function climateOf(full: FullLine[], name: string): Checked<ClimateChoice> {
  const [first] = full
  if (!first) return fail(problem('', 'a year of outdoor temperatures', 'an empty file'))
  const title = cut(name.trim() || 'From a file', 80)
  if (first.cells[0]?.toUpperCase() === 'LOCATION') return hourly(epwRows(full), title)
  const table = tableOf(first.cells, first.line)
  if (!table.ok) return table
  const rest = full.slice(1)
  const { hoursAt } = table.value
  return hoursAt === null
    ? hourly(csvRows(rest, table.value), title)
    : binsOf(rest, table.value, hoursAt, title)
}

/** °C of an EPW's dry bulb that stands for none. */
const EPW_MISSING = 99.9
/** Header lines of an EPW. */
const EPW_HEADER = 8
const fahrenheit = (celsius: number): number => celsius * 1.8 + 32

function epwRows(lines: { line: number; cells: string[] }[]): Row[] {
  return lines.slice(EPW_HEADER).map(({ line, cells }) => {
    const [month, day, hour, dry] = [cells[1], cells[2], cells[3], cells[6]].map(numberIn)
    const missing = dry === undefined || dry >= EPW_MISSING
    return {
      line,
      outdoorF: missing ? NaN : fahrenheit(dry),
      // Its hours are counted from 1 to 24.
      when: { month: (month ?? NaN) - 1, day: day ?? NaN, hour: (hour ?? NaN) - 1 },
    }
  })
}

const numberIn = (cell: string | undefined): number => {
  const text = (cell ?? '').replace(/^(-?\d+),(\d+)$/, '$1.$2')
  return text === '' ? NaN : Number(text)
}

interface Table {
  temperatureAt: number
  celsius: boolean
  /** Columns of the time: one with all of it, or one each. */
  timeAt: number | null
  partsAt: { month: number; day: number; hour: number } | null
  hoursAt: number | null
}

/** Which column is what, by the titles in the first line. */
function tableOf(titles: string[], line: number): Checked<Table> {
  const find = (is: RegExp) => titles.findIndex((t) => is.test(t))
  const temperatureAt = find(/temp|dry.?bulb|outdoor|°\s*[cf]\b/i)
  if (temperatureAt < 0)
    return fail(
      wrong(
        line,
        'a title line with a column of outdoor temperatures, such as “temperature °F”',
        titles.join(', '),
      ),
    )
  const title = titles[temperatureAt] ?? ''
  const [c, f] = [
    /°\s*c\b|celsius|[_( ]c\)?$|deg\s?c/i.test(title),
    /°\s*f\b|fahrenheit|[_( ]f\)?$|deg\s?f/i.test(title),
  ]
  if (c === f) return fail(wrong(line, 'the unit in the title of the temperatures: °F or °C', title))
  const hoursAt = find(/^hours?( a year| per year|\/year)?$/i)
  const [month, day, hour] = [find(/^month/i), find(/^day/i), find(/^hour$/i)]
  const timeAt = find(/time|date/i)
  const parts = month >= 0 && day >= 0 && hour >= 0 ? { month, day, hour } : null
  const isBins = hoursAt >= 0 && !parts && timeAt < 0
  return {
    ok: true,
    value: {
      temperatureAt,
      celsius: c,
      timeAt: timeAt >= 0 && !parts ? timeAt : null,
      partsAt: parts,
      hoursAt: isBins ? hoursAt : null,
    },
  }
}

/** A date and an hour as they are usually written: year first, or month or day first, which the whole file decides. */
const YEAR_FIRST = /^\d{4}[-/](\d{1,2})[-/](\d{1,2})[T ](\d{1,2})/
const YEAR_LAST = /^(\d{1,2})[-/.](\d{1,2})(?:[-/.]\d{2,4})?[T ]+(\d{1,2})/

function csvRows(lines: { line: number; cells: string[] }[], table: Table): Row[] {
  const { temperatureAt, celsius, timeAt, partsAt } = table
  const times = timeAt === null ? [] : lines.map(({ cells }) => cells[timeAt] ?? '')
  const dayFirst = times.some((t) => Number(YEAR_LAST.exec(t)?.[1]) > 12)
  const timeOf = (cells: string[]): Row['when'] => {
    if (partsAt) {
      const [month, day, hour] = [partsAt.month, partsAt.day, partsAt.hour].map((i) => numberIn(cells[i]))
      return { month: (month ?? NaN) - 1, day: day ?? NaN, hour: hour ?? NaN }
    }
    if (timeAt === null) return null
    const text = cells[timeAt] ?? ''
    const [, month, day, hour] = YEAR_FIRST.exec(text) ?? []
    if (month) return { month: Number(month) - 1, day: Number(day), hour: Number(hour) }
    const [, a, b, at] = YEAR_LAST.exec(text) ?? []
    const [m, d] = dayFirst ? [b, a] : [a, b]
    return { month: Number(m ?? NaN) - 1, day: Number(d ?? NaN), hour: Number(at ?? NaN) }
  }
  const rows = lines.map(({ line, cells }) => {
    const t = numberIn(cells[temperatureAt])
    return { line, outdoorF: celsius ? fahrenheit(t) : t, when: timeOf(cells) }
  })
  // Hours counted from 1 to 24 end with what they are named after.
  const from1 = rows.some((r) => r.when?.hour === 24)
  return from1 ? rows.map((r) => ({ ...r, when: r.when && { ...r.when, hour: r.when.hour - 1 } })) : rows
}

/** °F that weather has; a file with others is in another unit, or marks what is missing. */
const isWeather = (t: number): boolean => t >= -90 && t <= 135

function hourly(rows: Row[], name: string): Checked<ClimateChoice> {
  const bad = rows.find((r) => !isWeather(r.outdoorF))
  if (bad)
    return fail(
      wrong(
        bad.line,
        'an outdoor temperature (-90 to 135 °F); a gap has to be filled in first',
        Number.isNaN(bad.outdoorF) ? 'none' : `${bad.outdoorF.toFixed(1)} °F`,
      ),
    )
  const placed = rows.every((r) => r.when) ? byTime(rows) : byPlace(rows)
  if (!placed.ok) return placed
  return { ok: true, value: { kind: 'hours', name, months: monthTexts(placed.value) } }
}

/** By position: from the first hour of January on, in rows of an hour or an even part of one. */
function byPlace(rows: Row[]): Checked<Float64Array> {
  const end = rows[rows.length - 1]?.line ?? 1
  if (!ROWS.includes(rows.length))
    return fail(
      wrong(
        end,
        `${YEAR_HOURS} rows, one for each hour of a year (8,784 with a leap day; 15 and 30 minutes are read too)`,
        `${rows.length} rows`,
      ),
    )
  const leap = rows.length % 8784 === 0
  const each = rows.length / (leap ? 8784 : 8760)
  const skip = hourBefore(FEBRUARY + 1)
  const hours = new Float64Array(YEAR_HOURS)
  for (let hour = 0; hour < YEAR_HOURS; hour++) {
    const from = each * (leap && hour >= skip ? hour + 24 : hour)
    const part = rows.slice(from, from + each)
    hours[hour] = part.reduce((sum, r) => sum + r.outdoorF, 0) / each
  }
  return { ok: true, value: hours }
}

/** By the times in the file, in whatever order: every hour of a year must be there. */
function byTime(rows: Row[]): Checked<Float64Array> {
  const [sums, counts] = [new Float64Array(YEAR_HOURS), new Float64Array(YEAR_HOURS)]
  for (const { line, outdoorF, when } of rows) {
    const days = (MONTH_HOURS[when?.month ?? -1] ?? 0) / 24
    const isLeapDay = when?.month === FEBRUARY && when.day === 29
    if (isLeapDay) continue
    if (
      !when ||
      !(when.day >= 1 && when.day <= days) ||
      !(when.hour >= 0 && when.hour <= 23) ||
      !Number.isInteger(when.hour)
    )
      return fail(wrong(line, 'a date and an hour, such as 2025-01-31 23:00', 'another text'))
    const hour = hourBefore(when.month) + 24 * (when.day - 1) + when.hour
    sums[hour] = (sums[hour] ?? 0) + outdoorF
    counts[hour] = (counts[hour] ?? 0) + 1
  }
  const missing = counts.findIndex((n) => n === 0)
  if (missing >= 0) {
    const gaps = counts.filter((n) => n === 0).length
    return fail(
      wrong(
        lineBefore(rows, missing),
        `every hour of a year; ${whenWords(missing)} is not there`,
        `${gaps} hours missing`,
      ),
    )
  }
  return { ok: true, value: sums.map((s, i) => s / (counts[i] ?? 1)) }
}

/** The line of the file after which an hour should stand. */
function lineBefore(rows: Row[], hour: number): number {
  const of = (r: Row) => (r.when ? hourBefore(r.when.month) + 24 * (r.when.day - 1) + r.when.hour : 0)
  let line = rows[0]?.line ?? 1
  let nearest = -1
  for (const r of rows) {
    const at = of(r)
    if (at < hour && at > nearest) {
      nearest = at
      line = r.line
    }
  }
  return line
}

function whenWords(hour: number): string {
  const month = MONTH_HOURS.findIndex((_, m) => hour < hourBefore(m + 1))
  const into = hour - hourBefore(month)
  const two = (n: number) => String(n).padStart(2, '0')
  return `${two(month + 1)}-${two(Math.floor(into / 24) + 1)} ${two(into % 24)}:00`
}

function binsOf(
  lines: { line: number; cells: string[] }[],
  { temperatureAt, celsius }: Table,
  hoursAt: number,
  name: string,
): Checked<ClimateChoice> {
  const bins: { outdoorF: number; hours: number }[] = []
  for (const { line, cells } of lines) {
    const [t, hours] = [numberIn(cells[temperatureAt]), numberIn(cells[hoursAt])]
    const outdoorF = Math.round(10 * (celsius ? fahrenheit(t) : t)) / 10
    if (!isWeather(outdoorF) || !(hours >= 0))
      return fail(wrong(line, 'a temperature and how many hours a year have it', cells.join(', ')))
    bins.push({ outdoorF, hours })
  }
  const all = bins.reduce((sum, b) => sum + b.hours, 0)
  if (Math.abs(all - YEAR_HOURS) > 24)
    return fail(
      wrong(
        lines[lines.length - 1]?.line ?? 1,
        `hours that add up to a year of ${YEAR_HOURS}`,
        `${all} hours`,
      ),
    )
  return { ok: true, value: { kind: 'bins', name, bins: bins.sort((a, b) => a.outdoorF - b.outdoorF) } }
}
