import { degF } from '../units'
import type { Reading } from './reading'
import { readingHistory } from './history'

let n = 0
const reading = (
  kind: Reading['kind'],
  value: Reading['value'],
  when: string,
  more: Partial<Reading> = {},
): Reading => ({
  id: `r${n++}`,
  kind,
  value,
  place: kind === 'stripAmps' ? 'feed' : kind === 'lineVolts' ? 'disconnect' : 'rowTerminals',
  at: 'kit.row1',
  withBlower: kind === 'stripAmps' ? false : null,
  instrument: '',
  situation: { call: 'emergency', outdoorF: degF(40), modes: {} },
  who: '',
  when: `${when}T10:00:00Z`,
  supersedes: null,
  ...more,
})
const [YEAR_1, YEAR_2] = ['2025-11-01', '2026-11-01']

describe('readings over the years', () => {
  it('a row 8 % up drifts, one 4 % up does not', () => {
    // 12.0 to 12.96 is 8 %, 12.0 to 12.48 is 4; 5 % is allowed.
    const [up, well] = readingHistory([
      reading('rowOhms', 12, YEAR_1),
      reading('rowOhms', 12.96, YEAR_2),
      reading('rowOhms', 12, YEAR_1, { at: 'kit.row2' }),
      reading('rowOhms', 12.48, YEAR_2, { at: 'kit.row2' }),
    ])
    expect(up!.change).toBeCloseTo(0.08, 9)
    expect(up!.drift).toBe('drifts')
    expect(well!.drift).toBe('steady')
  })

  it('strip amps are set against the volts of their day', () => {
    const amps = [reading('stripAmps', 40, YEAR_1), reading('stripAmps', 37, YEAR_2)]
    // 7.5 % less, which without volts is within 10 %.
    expect(readingHistory(amps)[0]).toMatchObject({ drift: 'steady' })
    // 240 to 222 V is 7.5 % less as well: nothing has changed.
    const sagged = [...amps, reading('lineVolts', 240, YEAR_1), reading('lineVolts', 222, YEAR_2)]
    const [line] = readingHistory(sagged)
    expect(line!.change).toBeCloseTo(0, 9)
    expect(line!.drift).toBe('steady')
    // At the same volts on both days it is the strips.
    const falling = [...amps, reading('lineVolts', 240, YEAR_1), reading('lineVolts', 240, YEAR_2)]
    expect(readingHistory(falling)[0]).toMatchObject({ drift: 'drifts' })
  })

  it('one a day counts, the corrected one does not, and other calls and clamps are lines of their own', () => {
    const first = reading('stripAmps', 20, YEAR_1)
    const lines = readingHistory([
      first,
      reading('stripAmps', 40, YEAR_1, { supersedes: first.id }),
      reading('stripAmps', 42, YEAR_1, { withBlower: true }),
      reading('stripAmps', 41, YEAR_2),
      reading('stripAmps', 20, YEAR_2, { situation: { call: 'heatAux1', outdoorF: degF(40), modes: {} } }),
    ])
    expect(lines.map((l) => l.points.map((p) => p.value))).toEqual([[40, 41], [42], [20]])
    expect(lines[1]).toMatchObject({ change: null, drift: null })
  })

  it('of two on one day the later stands, whatever its hour', () => {
    const at = (value: number, when: string) => ({ ...reading('rowOhms', value, YEAR_1), when })
    const [line] = readingHistory([at(12, '2025-11-01T16:00:00Z'), at(11, '2025-11-01T08:00:00Z')])
    expect(line!.points.map(({ day, value }) => [day, value])).toEqual([['2025-11-01', 12]])
    expect(line).toMatchObject({ change: null, drift: null })
  })

  it('volts of one day alone are none to set against, and ohms do not go with them', () => {
    // 7.5 % less: within the 10 that stand where volts were not read on both days.
    const amps = [reading('stripAmps', 40, YEAR_1), reading('stripAmps', 37, YEAR_2)]
    for (const year of [YEAR_1, YEAR_2]) {
      const [line] = readingHistory([...amps, reading('lineVolts', 222, year)])
      expect([line!.change!.toFixed(3), line!.drift]).toEqual(['-0.075', 'steady'])
    }
    // 12.96 of 12 Ω are 8 % more at any volts.
    const volts = [reading('lineVolts', 240, YEAR_1), reading('lineVolts', 222, YEAR_2)]
    const [row] = readingHistory([
      reading('rowOhms', 12, YEAR_1),
      reading('rowOhms', 12.96, YEAR_2),
      ...volts,
    ])
    expect([row!.change!.toFixed(3), row!.drift]).toEqual(['0.080', 'drifts'])
  })

  it('a row that has opened drifts; what hangs on the day’s weather is shown and not judged', () => {
    const lines = readingHistory([
      reading('rowOhms', 12, YEAR_1),
      reading('rowOhms', 'OL', YEAR_2),
      reading('compressorAmps', 10, YEAR_1, { at: 'od.compressor', place: 'motor' }),
      reading('compressorAmps', 14, YEAR_2, { at: 'od.compressor', place: 'motor' }),
    ])
    expect(lines[0]).toMatchObject({ change: null, drift: 'drifts' })
    expect(lines[1]!.change).toBeCloseTo(0.4, 9)
    expect(lines[1]!.drift).toBeNull()
  })
})
