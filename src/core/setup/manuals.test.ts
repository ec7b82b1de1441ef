import { deviceProblems } from '../../jobfile/deviceProblems'
import { libraryDevice } from '../../../tests/helpers/demo'
import { profilesOf, type Device, type Value } from '../equipment'
import { settingValue, type Placed } from '../installation'
import { keypadFor, type Keypad } from '../keypad'
import {
  EMPTY_ROW,
  frameOf,
  keyInSheet,
  profileRowsOf,
  readRows,
  withRows,
  type ProfileRow,
  type Step,
} from '.'

const row = (code: string, label: string, values: string, more: Partial<ProfileRow> = {}): ProfileRow => ({
  ...EMPTY_ROW,
  code,
  label,
  values,
  ...more,
})
const stat = libraryDevice('sorrel-h2')
const outdoor = libraryDevice('marram-s1')

/** A device with these lines of a manual, right in every way. */
function described(device: Device, rows: readonly ProfileRow[], frame = frameOf(device), way = 0): Device {
  const read = readRows(device, rows)
  expect(read.errors).toEqual([])
  const made = withRows(device, read, frame, way)
  expect(deviceProblems(made, '')).toEqual([])
  return made
}
const placedWith = (device: Device, settings: Record<string, Value>): Placed => ({
  ref: 'd',
  label: 'd',
  device,
  settings,
})
/** Does what the steps say on a stand-in, and nothing else. */
function follow(box: Keypad, steps: readonly Step[]): void {
  for (const step of steps) {
    if (step.do === 'wait') continue
    if (step.do === 'press') box.press(step.key)
    else if (step.do === 'check') expect(box.display()).toBe(step.shows)
    else
      for (
        let n = 0;
        !(step.shows?.includes(box.display()) ?? box.display().startsWith(step.starts ?? ''));
        n++
      ) {
        if (n > 200) throw new Error(`${step.key}: still ${box.display()}`)
        box.press(step.key)
      }
  }
}
const sets = (placed: Placed, way = 0) =>
  keyInSheet(placed, {}, true, profilesOf(placed.device)[way])!.lines.flatMap((l) =>
    l.kind === 'set' ? [`${l.item.code}>${l.toCode}`] : [],
  )

describe('one code that decides two things', () => {
  const both = row(
    'S1',
    'SYSTEM',
    '1=Heat pump with electric backup / One, 2=Heat pump with electric backup / Two, 3=Dual fuel / One, 4=Dual fuel / Two',
    { intent: 'system + compressorStages' },
  )
  const made = described(stat, [
    both,
    row('S2', 'BACKUP', '1=One, 2=Two', { intent: 'backupStages', when: 'S1=2' }),
  ])

  it.each([
    ['heatPump', '1', '1'],
    ['heatPump', '2', '2'],
    ['dualFuel', '1', '3'],
    ['dualFuel', '2', '4'],
  ] as const)(
    '%s with %s stages is %s, and a stand-in keyed so has both',
    (system, compressorStages, code) => {
      const placed = placedWith(made, { system, compressorStages, backupStages: '1' })
      expect(sets(placed)[0]).toBe(`S1>${code}`)
      const box = keypadFor(made, { system: 'heatPump', compressorStages: '1', backupStages: '2' })!
      for (const line of keyInSheet(placed, {})!.lines) follow(box, line.steps)
      expect(box.settings()).toMatchObject({ system, compressorStages })
    },
  )

  it('hides what hangs on it by both', () => {
    const codes = (compressorStages: string) =>
      sets(placedWith(made, { system: 'heatPump', compressorStages, backupStages: '1' }))
    expect(codes('2')).toEqual(['S1>2', 'S2>1'])
    expect(codes('1')).toEqual(['S1>1'])
  })

  it('says what there is no code for, and comes back as the same rows', () => {
    const few = described(stat, [row('S1', 'SYSTEM', '1=Heat pump with electric backup / One, 3=Dual fuel / Two', { intent: 'system + compressorStages' })]) // prettier-ignore
    const sheet = keyInSheet(placedWith(few, { system: 'heatPump', compressorStages: '2' }), {})!
    expect(sheet.cannot).toEqual([{ setting: 'system', value: 'heatPump' }])
    expect(profileRowsOf(made).map((r) => [r.intent, r.values, r.when])).toEqual([
      [both.intent, both.values, ''],
      ['backupStages', '1=One, 2=Two', 'S1=2'],
    ])
  })

  it('refuses halves that are missing, and a pair that has two codes', () => {
    const wrong = (values: string) => readRows(stat, [{ ...both, values }]).errors.map((e) => e.column)
    expect(wrong('1=Heat pump with electric backup, 2=Dual fuel')).toEqual(['values'])
    expect(wrong('1=Dual fuel / One, 2=Dual fuel / One')).toEqual(['values'])
  })
})

describe('numbers', () => {
  it('behind the positions of a switch are numbers, so that what reads minutes finds them', () => {
    const bare: Device = { ...outdoor, settings: outdoor.settings.filter((s) => s.intent !== 'droop') }
    const made = described(bare, [
      row('SW1', 'Quiet time', 'OFF=30 min, ON=90 min', { intent: 'upstageTimer' }),
    ])
    const setting = made.settings.find((s) => s.intent === 'upstageTimer')!
    expect(setting).toMatchObject({ kind: 'number', range: [30, 90], unit: 'min', default: 30 })
    expect(sets(placedWith(made, { [setting.id]: 90 }))).toEqual(['SW1>ON'])
    expect(profileRowsOf(made)[0]!.values).toBe('OFF=30 min, ON=90 min')
  })

  it('stay words where they are mixed with words or bare', () => {
    const kind = (values: string) => readRows(stat, [row('9', 'Lamp', values)]).settings[0]!.kind
    expect([kind('0=Off, 1=30 min'), kind('1=One, 2=Two'), kind('0=10 %, 1=20 %')]).toEqual([
      'choice',
      'choice',
      'number',
    ])
  })

  it('with a fraction are keyed with it', () => {
    const made = described(stat, [row('D1', 'DROOP', '0.5..3/0.5 °F', { intent: 'droop' })])
    const placed = placedWith(made, { droop: 1.5 })
    expect(sets(placed)).toEqual(['D1>1.5'])
    const box = keypadFor(made, { droop: 3 })!
    for (const line of keyInSheet(placed, {})!.lines) follow(box, line.steps)
    expect(box.settings().droop).toBe(1.5)
    expect(profileRowsOf(made)[0]!.values).toBe('0.5..3/0.5 °F')
  })
})

describe('what a manual says beside the codes', () => {
  it('is left alone where its maker wants it so: shown with everything, never set', () => {
    const made = described(stat, [
      row('A6', 'O/B', '0=Cooling, 1=Heating', { intent: 'rvSense' }),
      row('Z9', 'FACTORY', '0=Off, 1=On', { note: 'leave alone' }),
    ])
    const placed = placedWith(made, { rvSense: 'heating' })
    const kinds = (all: boolean) => keyInSheet(placed, {}, all)!.lines.map((l) => l.kind)
    expect(kinds(false)).toEqual(['enter', 'set', 'leave'])
    expect(kinds(true)).toEqual(['enter', 'set', 'leaveAlone', 'leave'])
    expect(keyInSheet(placed, {}, true)!.changes).toBe(1)
  })

  it('is waited for before the menu is opened', () => {
    const frame = { ...frameOf(stat), wait: 'the outdoor unit has sent its data' }
    const made = described(stat, [row('A6', 'O/B', '0=Cooling, 1=Heating', { intent: 'rvSense' })], frame)
    const [first, second] = keyInSheet(placedWith(made, { rvSense: 'heating' }), {})!.lines
    expect([first!.kind, first!.steps]).toEqual(['wait', [{ do: 'wait', until: frame.wait }]])
    expect(second!.kind).toBe('enter')
  })

  it('may be another default for another revision, which stands where nobody has set it', () => {
    const made = described(stat, [row('D1', 'DROOP', '0..5 °F', { intent: 'droop', note: 'default 2; default 4 for REV B' })]) // prettier-ignore
    const standing = (model?: string) =>
      settingValue({ ...placedWith(made, {}), ...(model ? { model } : {}) }, 'droop')
    expect([standing(), standing('H2 rev a'), standing('H2 rev b')]).toEqual([2, 2, 4])
    expect(settingValue({ ...placedWith(made, { droop: 1 }), model: 'H2 REV B' }, 'droop')).toBe(1)
    expect(profileRowsOf(made)[0]!.note).toBe('default 4 for REV B')
  })

  it.each(['leave it', 'default 9', 'reads back', 'default 2 in REV B'])(
    '“%s” is refused at its cell',
    (note) =>
      expect(
        readRows(stat, [row('D1', 'DROOP', '0..5 °F', { intent: 'droop', note })]).errors.map(
          (e) => e.column,
        ),
      ).toEqual(['note']),
  )
})

describe('a device that is keyed in two ways', () => {
  const rows = [row('11', 'Valve', '1=Cooling, 2=Heating', { intent: 'rvSense' })]
  const menu = described(stat, rows)
  const frame = { style: 'request' as const, name: 'Request codes', enter: [], leave: [] }
  const made = described(menu, [{ ...rows[0]!, code: '411', note: 'reads back 911' }], frame, 1)

  it('has a sheet for each, and a stand-in keyed by either is left alike', () => {
    const placed = placedWith(made, { rvSense: 'heating' })
    expect([sets(placed, 0), sets(placed, 1)]).toEqual([['11>2'], ['411>2']])
    for (const profile of profilesOf(made)) {
      const box = keypadFor(made, { rvSense: 'cooling' }, profile)!
      for (const line of keyInSheet(placed, {}, false, profile)!.lines) follow(box, line.steps)
      expect(box.settings().rvSense).toBe('heating')
    }
  })

  it('keeps each as it was when the other is written anew', () => {
    const again = described(made, profileRowsOf(made, 0), frameOf(made, 0), 0)
    expect(again.otherProfiles).toEqual(made.otherProfiles)
    expect(frameOf(again, 1).name).toBe('Request codes')
  })
})
