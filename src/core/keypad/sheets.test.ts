import fc from '../../../tests/helpers/property'
import { libraryDevice, libraryIds } from '../../../tests/helpers/demo'
import type { Device, Unknowable, Value } from '../equipment'
import { allowedOf, itemsFor, isShown, keyInSheet, type Step } from '../setup'
import { keypadFor, type Keypad } from '.'

const PROFILED = libraryIds()
  .map(libraryDevice)
  .filter((d) => d.profile)
const settable = (d: Device) => d.settings.filter((s) => itemsFor(d, s.id).length > 0)

/** Every value that a setting takes through its items. */
function values(d: Device, id: string): Value[] {
  const allowed = allowedOf(
    d,
    d.settings.find((s) => s.id === id)!,
  )
  if (allowed.kind === 'options') return allowed.values.map((v) => v.value)
  const list: number[] = []
  for (let v = allowed.low; v <= allowed.high + 1e-9; v += allowed.step) list.push(v)
  return list
}
const anySettings = (d: Device) =>
  fc.record(Object.fromEntries(settable(d).map((s) => [s.id, fc.constantFrom(...values(d, s.id))])))

/** Follows a sheet to the letter, as a person does who looks at the display and thinks of nothing. */
function follow(device: Keypad, steps: readonly Step[]): void {
  for (const step of steps) {
    if (step.do === 'wait') continue
    if (step.do === 'press') device.press(step.key)
    else if (step.do === 'check') expect(device.display()).toBe(step.shows)
    else {
      const there = () => {
        const text = device.display()
        return step.shows ? step.shows.includes(text) : text.startsWith(step.starts!)
      }
      for (let n = 0; !there(); n++) {
        if (n > 400)
          throw new Error(
            `pressed ${step.key} 400 times and still see "${device.display()}", not ${JSON.stringify(step)}`,
          )
        device.press(step.key)
      }
    }
  }
}

describe('key-in sheets on stand-ins', () => {
  it('there are ten profiles and more, and all seven styles', () => {
    expect(PROFILED.length).toBeGreaterThanOrEqual(10)
    expect(new Set(PROFILED.map((d) => d.profile!.style)).size).toBe(7)
  })

  it.each(PROFILED.map((d) => [d.id, d] as const))(
    '%s: a sheet followed to the letter leaves the device as wanted, from any state that it was found in',
    (_, device) => {
      fc.assert(
        fc.property(
          anySettings(device),
          anySettings(device),
          fc.boolean(),
          fc.boolean(),
          (was, wanted, all, looked) => {
            const box = keypadFor(device, was)!
            const placed = { ref: 'd', label: 'd', device, settings: wanted }
            // What nobody looked at is not known, and the sheet then sets it.
            const found: Record<string, Unknowable<Value>> = looked ? was : {}
            const sheet = keyInSheet(placed, found, all)!
            expect(sheet.cannot).toEqual([])
            for (const line of sheet.lines) follow(box, line.steps)
            const left = box.settings()
            const shown = (id: string) =>
              itemsFor(device, id).some((i) => isShown(i, (s) => wanted[s] ?? null))
            for (const s of settable(device))
              if (shown(s.id)) expect([s.id, left[s.id]]).toEqual([s.id, wanted[s.id]])
          },
        ),
        { seed: 20261124, numRuns: 60 },
      )
    },
  )

  it('keys only what must change', () => {
    const device = libraryDevice('sorrel-h2')
    const now = Object.fromEntries(device.settings.map((s) => [s.id, s.default]))
    const placed = { ref: 't', label: 't', device, settings: { ...now, minimumOff: 4 } }
    const lines = keyInSheet(placed, now)!.lines.map((l) => l.item?.code ?? l.kind)
    expect(lines).toEqual(['enter', 'C6', 'leave'])
    expect(keyInSheet({ ...placed, settings: now }, now)!.lines).toEqual([])
  })

  it('spreads one intent over two functions, and writes only the half that differs', () => {
    const device = libraryDevice('sedge-w1')
    const now = Object.fromEntries(device.settings.map((s) => [s.id, s.default]))
    const placed = { ref: 't', label: 't', device, settings: { ...now, staticClass: '07' } }
    // 0.5 is 1 and 0, 0.8 is 1 and 1: the second half alone.
    expect(keyInSheet(placed, now)!.lines.flatMap((l) => l.item?.code ?? [])).toEqual(['F42'])
    expect(keyInSheet(placed, {})!.lines.flatMap((l) => l.item?.code ?? [])).toContain('F41')
  })

  it('says which value a device has no code for', () => {
    const device = libraryDevice('teasel-a5')
    const placed = { ref: 'ah', label: 'ah', device, settings: { kitSize: '20' } }
    expect(keyInSheet(placed, {})!.cannot).toEqual([{ setting: 'kitSize', value: '20' }])
  })
})

/** Keys and displays written by hand from the profile's words, one trace for each peculiarity. */
describe('stand-ins, key by key', () => {
  const run = (id: string, start: Record<string, Value>, trace: [string, string][]) => {
    const box = keypadFor(libraryDevice(id), start)!
    for (const [key, shows] of trace) {
      box.press(key)
      expect([key, box.display()]).toEqual([key, shows])
    }
    return box.settings()
  }

  it('a numbered menu hides what the answers make needless', () => {
    const left = run(
      'sorrel-h2',
      { outdoorSource: 'none', auxWithE: 'separate', emergencyFan: 'equipment', droop: 2 },
      [
        ['HOLD DOWN', '72'],
        ['HOLD MENU', '72'],
        ['HOLD DOWN', 'A1 3'],
        ['BACK', 'F3 0'],
        ['NEXT', 'A1 3'],
        ['NEXT', 'A2 2'],
        ['NEXT', 'A3 2'],
        ['NEXT', 'A4 0'],
        // Not dual fuel: nobody asks who decides the changeover.
        ['NEXT', 'A6 0'],
        ['NEXT', 'A7 0'],
        ['NEXT', 'A8 0'],
        ['NEXT', 'A9 0'],
        ['NEXT', 'B1 0'],
        // No outdoor temperature: no lockouts to set.
        ['NEXT', 'B8 0'],
        ['BACK', 'B1 0'],
        ['UP', 'B1 1'],
        ['NEXT', 'B2 0'],
        ['NEXT', 'B3 0'],
        ['UP', 'B3 1'],
        ['NEXT', 'B4 115'],
        ['DONE', '72'],
        ['UP', '72'],
      ],
    )
    expect(left).toMatchObject({ outdoorSource: 'wired', useCompressorLockout: 'on', compressorLockout: 15 })
  })

  it('a passcode that is wrong opens nothing', () => {
    run('sorrel-h1', {}, [
      ['HOLD SET', 'PIN '],
      ['2', 'PIN *'],
      ['8', 'PIN **'],
      ['OK', '72'],
      ['HOLD SET', 'PIN '],
      ['2', 'PIN *'],
      ['7', 'PIN **'],
      ['OK', '11 0'],
    ])
  })

  it('guided screens ask about the wires first and keep nothing that is not finished', () => {
    const left = run('sorrel-d1', { system: 'heatPump', rvSense: 'cooling' }, [
      ['SETUP', 'These terminals are live: correct?'],
      ['NO', 'Hello'],
      ['SETUP', 'These terminals are live: correct?'],
      ['YES', 'System: 1'],
      ['PICK 2', 'Backup: 1'],
      ['PICK 2', 'Decides: 1'],
      ['CANCEL', 'Hello'],
    ])
    expect(left).toMatchObject({ system: 'heatPump', backupSource: 'electric' })
  })

  it('a wired controller wants the unit off and its code, has three addresses and forgets what is not written', () => {
    const left = run('sedge-w1', { boardDelay: '0', stripOn: 5, stripsWithHeatPump: 'yes' }, [
      ['HOLD SET', 'ON'],
      ['ON/OFF', 'OFF'],
      ['HOLD SET', 'CODE '],
      ['4', 'CODE *'],
      ['2', 'CODE **'],
      ['1', 'CODE ***'],
      ['0', 'CODE ****'],
      ['OK', 'G F05 1'],
      ['FN+', 'G F12 0'],
      ['VAL+', 'G F12 1*'],
      ['FN-', 'G F05 1'],
      ['FN+', 'G F12 0'],
      ['VAL+', 'G F12 1*'],
      ['WRITE', 'G F12 1'],
      ['ADDR', 'U F31 1'],
      ['ADDR', 'O F07 0'],
      ['EXIT', 'OFF'],
    ])
    expect(left.boardDelay).toBe('14')
  })

  it('a request code says sent whether or not it took; the other code tells', () => {
    const left = run('sedge-f2', { changeover: 35 }, [
      ['4', '4'],
      ['1', '41'],
      ['TO', '41>'],
      ['9', '41>9'],
      ['9', '41>99'],
      ['SEND', '41 SENT'],
      ['1', '1'],
      ['4', '14'],
      ['1', '141'],
      ['SEND', '141 = 35'],
    ])
    // 99 °F is outside its range: it kept 35.
    expect(left.changeover).toBe(35)
  })

  it('a stored triplet stays; an option that was not stored does not', () => {
    const left = run('plover-p2', { rvSense: 'cooling', holdValve: 'release' }, [
      ['HOLD MODE', '1-01-1'],
      ['OPTION', '1-01-2?'],
      ['SETTING', '1-02-1'],
      ['OPTION', '1-02-2?'],
      ['STORE', '1-02-2'],
      ['MODE', '2-01-1'],
      ['HOLD MODE', '-'],
    ])
    expect(left).toMatchObject({ rvSense: 'cooling', holdValve: 'hold' })
  })

  it('lights count in binary, and what is stored blinks until it is activated', () => {
    const box = keypadFor(libraryDevice('marram-v3'), {
      defrostPins: 60,
      earlyDefrost: 'off',
      selector: '24V',
    })!
    const shows = (key: string, text: string) => {
      box.press(key)
      expect([key, box.display()]).toEqual([key, text])
    }
    expect(box.display()).toBe('○○○● ○○○')
    // Item 2 is 0010; 60 minutes is its value 2, 010; 90 is 3, 011.
    shows('SELECT', '○○●○ ○●○')
    shows('CHANGE', '○○●○ ○●● changed')
    shows('STORE', '○○●○ ○●● blinking')
    expect(box.settings().defrostPins).toBe(60)
    shows('STORE', '○○●○ ○●●')
    expect(box.settings().defrostPins).toBe(90)
    // Item 9 is 1001, item 10 is 1010.
    for (let i = 0; i < 3; i++) box.press('SELECT')
    shows('SELECT', '●○○● ○○●')
    shows('SELECT', '●○●○ ○●○')
  })

  it('switches are read when power comes back, and moved only without it', () => {
    const box = keypadFor(libraryDevice('marram-s1'), { defrostPins: 60, faultHeat: 'off' })!
    box.press('SW1-1 1')
    expect(box.display()).toBe('POWER ON P1:60 SW1-1:0')
    box.press('POWER')
    box.press('SW1-1 1')
    expect(box.display()).toBe('POWER OFF P1:60 SW1-1:1')
    expect(box.settings().faultHeat).toBe('off')
    box.press('POWER')
    expect(box.settings().faultHeat).toBe('on')
  })

  it('a device without a profile has no stand-in', () =>
    expect(keypadFor(libraryDevice('splice'))).toBeNull())
})
