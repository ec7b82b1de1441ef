import { deviceProblems } from '../../jobfile/deviceProblems'
import { libraryDevice, libraryIds } from '../../../tests/helpers/demo'
import type { ProfileItem } from '../equipment'
import { keypadFor } from '../keypad'
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
