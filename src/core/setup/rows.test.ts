import { deviceProblems } from '../../jobfile/deviceProblems'
import { libraryDevice, libraryIds } from '../../../tests/helpers/demo'
import { INTENTS, meaningsOf, type ProfileItem } from '../equipment'
import { keypadFor } from '../keypad'
import { meaningFor } from './manualWords'
import {
  EMPTY_ROW,
  frameOf,
  keyInSheet,
  readRows,
  rowsFromText,
  profileRowsOf,
  withRows,
  type ProfileRow,
} from '.'

const row = (change: Partial<ProfileRow>): ProfileRow => ({ ...EMPTY_ROW, ...change })
const stat = libraryDevice('sorrel-h1')
const PROFILED = libraryIds().filter((id) => libraryDevice(id).profile)

describe('a menu typed from a paper manual', () => {
  const rows = [
    row({ code: '01', label: 'Valve', intent: 'rvSense', values: '1=Cooling, 2=Heating' }),
    row({ code: '02', label: 'Chime', values: '0=Off; 1=On' }),
    row({ code: '03', label: 'Chime volume', values: '0..10/2 dB', when: '02=1' }),
  ]

  it('writes the setting that the wiring reads, and brings settings of its own for the rest', () => {
    const read = readRows(stat, rows)
    expect(read.errors).toEqual([])
    expect(read.settings.map((s) => s.id)).toEqual(['rvSense', 's-02'.replace('-', ''), 's03'].map((x) => x))
    expect(read.settings[0]).toMatchObject({
      id: 'rvSense',
      intent: 'rvSense',
      kind: 'choice',
      default: 'cooling',
    })
    expect(read.settings[2]).toMatchObject({ kind: 'number', range: [0, 10], step: 2, unit: 'dB' })
    expect(read.items[2]!.when).toEqual({ set: read.settings[1]!.id, is: ['on'] })
  })

  it('makes a device that is right, and whose sheet a stand-in can be keyed by', () => {
    const device = withRows(stat, readRows(stat, rows), frameOf(stat))
    expect(deviceProblems(device, '')).toEqual([])
    const on = device.settings.find((s) => s.label === 'Chime')!.id
    const sheet = keyInSheet(
      { ref: 't', label: 't', device, settings: { rvSense: 'heating', [on]: 'on' } },
      {},
    )!
    expect(sheet.lines.flatMap((l) => (l.kind === 'set' ? [`${l.item.code}>${l.toCode}`] : []))).toEqual([
      '01>2',
      '02>1',
      '03>0',
    ])
    expect(keypadFor(device)!.settings().rvSense).toBe('cooling')
  })

  it.each([
    [{ code: 'no good' }, 'code'],
    [{ label: '' }, 'label'],
    [{ intent: 'nonsense' }, 'intent'],
    [{ values: 'Cooling or heating' }, 'values'],
    [{ values: '9..1' }, 'values'],
    [{ address: 'attic' }, 'address'],
    [{ when: '99=1' }, 'when'],
  ] as const)('an error names its row and its cell: %j', (change, column) => {
    const read = readRows(stat, [rows[0]!, row({ code: '09', label: 'X', values: '0=a, 1=b', ...change })])
    expect(read.errors.map((e) => [e.row, e.column])).toEqual([[2, column]])
  })

  it.each([
    ['fuel', '0=NG, 1=Propane', ['natural', 'lp']],
    ['rvSense', 'A=On in heating, B=On in cooling', ['heating', 'cooling']],
    ['together', '0=Never, 1=Allowed', ['no', 'yes']],
    ['backupStages', '1=Single stage, 2=Two stages', ['1', '2']],
    ['outdoorSource', '0=Nothing, 1=Display only, 2=Wired sensor', ['none', 'display', 'wired']],
  ])('%s: a manual’s own words are what rules go by: %s', (intent, values, ids) => {
    const read = readRows(stat, [row({ code: '7', label: 'X', intent, values })])
    expect(read.errors).toEqual([])
    expect(read.settings[0]!.options!.map((o) => o.id)).toEqual(ids)
  })

  it('every option that rules go by is found by its own name, whatever else it is called', () => {
    const found = INTENTS.flatMap((intent) =>
      (meaningsOf(intent) ?? []).map((id) => [intent, id, meaningFor(intent, id)] as const),
    )
    expect(found.length).toBeGreaterThan(60)
    expect(found.filter(([, id, as]) => id !== as)).toEqual([])
  })

  it('a meaning that no rule would know is told, with those that there are', () => {
    const said = (intent: string, values: string) =>
      readRows(stat, [row({ code: '7', label: 'X', intent, values })]).errors.map(
        (e) => `${e.column}: ${e.expected}`,
      )
    expect(said('fuel', '0=Gas, 1=Butane')).toEqual([
      'values: meanings among natural, lp, oil, each named so',
    ])
    expect(said('rvSense', '0..1')).toEqual(['values: meanings among cooling, heating, each named so'])
    expect(said('minimumOff', '0..300/60 s')).toEqual(['values: figures in min'])
    expect(said('minimumOff', '0=Off, 1=Short')).toEqual(['values: figures in min, or off'])
    expect(said('changeover', '0=Off, 1=30 °F')).toEqual(['values: figures in °F'])
    expect(said('droop', '1=1 min, 2=2 min')).toEqual(['values: figures in Δ°F'])
    // What no rule counts may be called anything.
    expect(said('schedule', '0=Week, 1=Weekend')).toEqual([])
  })

  it('a time that may be off is a figure, and one without a unit is in the intent’s', () => {
    const [timer] = readRows(stat, [row({ code: '7', label: 'X', intent: 'upstageTimer', values: '0=Off, 1=30 minutes, 2=60 minutes' })]).settings // prettier-ignore
    expect(timer).toMatchObject({ kind: 'number', range: [0, 60], unit: 'minutes', default: 0 })
    const [off] = readRows(stat, [
      row({ code: '8', label: 'X', intent: 'upstageTimer', values: '0..5' }),
    ]).settings
    expect(off).toMatchObject({ kind: 'number', range: [0, 5], unit: 'min' })
  })

  it('a code that stands twice is an error of the second', () => {
    const read = readRows(stat, [rows[1]!, rows[1]!])
    expect(read.errors).toEqual([{ row: 2, column: 'code', expected: 'a code used once' }])
  })

  it('reads what a spreadsheet copies, heading or not', () => {
    const text =
      'Code\tLabel\tIntent\tValues\r\n01\tValve\trvSense\t1=Cooling, 2=Heating\r\n02\tChime\t\t0=Off, 1=On\r\n'
    expect(rowsFromText(text)).toEqual([
      { code: '01', label: 'Valve', intent: 'rvSense', values: '1=Cooling, 2=Heating' },
      { code: '02', label: 'Chime', intent: '', values: '0=Off, 1=On' },
    ])
  })

  it.each(PROFILED)('the profile of %s becomes rows and comes back as the same items, code by code', (id) => {
    const device = libraryDevice(id)
    const read = readRows(device, profileRowsOf(device))
    expect(read.errors).toEqual([])
    const plain = (items: readonly ProfileItem[]) =>
      items.map(({ code, setting, as, leaveAlone, readBack }) => ({
        code,
        setting,
        as,
        leaveAlone,
        readBack,
      }))
    expect(plain(read.items)).toEqual(plain(device.profile!.items))
  })

  it('a range that the device shows by other numbers keeps them', () => {
    const items = readRows(stat, [
      row({ code: '1', label: 'Gap', values: '0.5..3/0.5 °F as 1..6' }),
      row({ code: '2', label: 'Offset', values: '-3..3 °F as 0..6' }),
      row({ code: '3', label: 'Delay', values: '0..120/10 s as 0..12' }),
    ]).items
    // Code = value · times + plus: 0.5 is 1 and 3 is 6; −3 is 0 and 3 is 6; 120 is 12.
    expect(items.map((i) => i.as)).toEqual([
      { number: { plus: 0, times: 2 } },
      { number: { plus: 3, times: 1 } },
      { number: { plus: 0, times: 0.1 } },
    ])
    expect(readRows(stat, [row({ code: '1', label: 'Gap', values: '0..5 as x' })]).errors).toHaveLength(1)
  })
})
