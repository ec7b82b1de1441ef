import { libraryDevice } from '../../tests/helpers/demo'
import { formatDevice, parseDevice } from '.'

const text = formatDevice(libraryDevice('sedge-t60'))
const lineOf = (body: string, needle: string) => body.split('\n').findIndex((l) => l.includes(needle)) + 1

describe('device files', () => {
  it('are read and written again as the same text', () => {
    const read = parseDevice(text)
    expect(read.ok && formatDevice(read.value)).toBe(text)
  })

  it.each([
    ['a wrong word', '"side": "low"', '"side": "middle"', 'terminals[0].side'],
    ['a setting that is not there', '"set": "setpoint"', '"set": "nobody"', 'parts[0].driver'],
    ['a number out of its range', '"default": 35', '"default": 350', 'settings[0].default'],
  ])('%s is named with its line and its place', (_, right, wrong, path) => {
    const body = text.replace(right, wrong)
    const read = parseDevice(body)
    if (read.ok) throw new Error('taken')
    const first = read.problems.find((p) => p.path === path)
    // The line of the thing itself, or of the expression that holds it.
    expect(Math.abs(first!.line! - lineOf(body, wrong))).toBeLessThanOrEqual(path.endsWith('driver') ? 3 : 0)
  })

  it('with a demand that names no setting of the device, or no number, are refused at its place', () => {
    const thermostat = libraryDevice('sorrel-h1')
    const told = (demand: object) => {
      const read = parseDevice(JSON.stringify({ ...thermostat, demand }))
      return read.ok ? [] : read.problems.map((p) => p.path)
    }
    expect(told({ backupF: { set: 'droop' }, backupAfter: 1800, releaseShare: 0.5 })).toEqual([])
    expect(told({ backupF: { set: 'nobody' } })).toEqual(['demand.backupF'])
    expect(told({ firstF: { set: 'rvSense' } })).toEqual(['demand.firstF'])
    expect(told({ releaseShare: 2 })).toEqual(['demand.releaseShare'])
    expect(told({ warmth: 1 })).toEqual(['demand'])
  })

  it('with an option, a unit or a value that no rule would know are refused at its place', () => {
    const told = (id: string, change: (text: string) => string) => {
      const text = JSON.stringify(libraryDevice(id))
      const changed = change(text)
      expect(changed).not.toBe(text)
      const read = parseDevice(changed)
      return read.ok ? [] : read.problems.map((p) => `${p.path} ${p.expected}`)
    }
    expect(told('sorrel-d1', (t) => t.replaceAll('"dualFuel"', '"hybrid"'))).toContainEqual(
      expect.stringMatching(
        /^settings\[\d+\]\.options\[\d+\]\.id one of heatPump, dualFuel, conventional, as system says$/,
      ),
    )
    expect(told('sorrel-h1', (t) => t.replaceAll('"unit":"min"', '"unit":"s"'))).toContainEqual(
      expect.stringMatching(/\.unit min$/),
    )
    // A contact that waits for a state or a value that never comes.
    expect(told('sedge-z2', (t) => t.replaceAll('"is":["ready"]', '"is":["readdy"]'))).toContainEqual(
      expect.stringMatching(/driver a state of timer: one of .*ready/),
    )
    expect(told('sorrel-h1', (t) => t.replaceAll('"is":["cooling"]', '"is":["coolin"]'))).toContainEqual(
      expect.stringMatching(/ a value of rvSense: one of cooling, heating$/),
    )
  })

  it('with a wrong profile name the item and its line', () => {
    const menu = formatDevice(libraryDevice('sorrel-h1'))
    const cases: [string, string, string][] = [
      ['"setting": "droop"', '"setting": "droopy"', 'profile.items[4].setting'],
      ['"code": "15"', '"code": "11"', 'profile.items[4].code'],
      ['"style": "menu"', '"style": "wheel"', 'profile.style'],
      ['"F": "0"', '"K": "0"', 'profile.items[9].as.map.K'],
    ]
    for (const [right, wrong, path] of cases) {
      const at = menu.lastIndexOf(right)
      const body = menu.slice(0, at) + wrong + menu.slice(at + right.length)
      const read = parseDevice(body)
      if (read.ok) throw new Error(`${wrong} was taken`)
      const line = body.slice(0, at).split('\n').length
      expect(read.problems.map((p) => p.path)).toContain(path)
      expect(read.problems.find((p) => p.path === path)!.line).toBe(line)
    }
  })

  it('with a wrong way out of a state name its place', () => {
    const unit = libraryDevice('marram-t2')
    const wrong = (change: (t: Record<string, unknown>) => void): string[] => {
      const copy = structuredClone(unit)
      change(copy.modes.find((m) => m.id === 'board')!.transitions![0] as unknown as Record<string, unknown>)
      const read = parseDevice(formatDevice(copy))
      return read.ok ? [] : read.problems.map((p) => p.path)
    }
    expect(wrong(() => {})).toEqual([])
    const at = 'modes[0].transitions[0]'
    expect(wrong((t) => (t.to = 'nowhere'))).toEqual([`${at}.to`])
    expect(wrong((t) => (t.to = t.from))).toEqual([`${at}.to`])
    expect(wrong((t) => (t.after = { set: 'nobody' }))).toEqual([`${at}.after`])
    expect(wrong((t) => (t.after = { set: 'rvSense' }))).toEqual([`${at}.after`])
    expect(wrong((t) => (t.after = -1))).not.toEqual([])
    expect(wrong((t) => (t.when = { closed: 'nobody' }))).toEqual([`${at}.when`])
    expect(wrong((t) => (t.when = { feels: 'coil' }))).toEqual([`${at}.when`])
    expect(wrong((t) => (t.when = { feels: 'coil', above: 1, below: 2 }))).toEqual([`${at}.when`])
    expect(wrong((t) => (t.reset = { mode: 'nobody', is: ['a'] }))).toEqual([`${at}.reset`])
    expect(wrong((t) => Object.assign(t, { counts: 'ends', when: undefined }))).toEqual([`${at}.when`])
  })

  it('that are not JSON name the line where it breaks', () => {
    const read = parseDevice(`{\n  "format": "gatecross.device",\n  oops\n}`)
    expect(read).toMatchObject({ ok: false, problems: [{ line: 3 }] })
  })

  it('of a newer version, or of another kind, are refused', () => {
    expect(parseDevice(text.replace('"version": 2', '"version": 3'))).toMatchObject({
      ok: false,
      problems: [{ path: 'version' }],
    })
    expect(parseDevice('{"format":"gatecross.job"}')).toMatchObject({
      ok: false,
      problems: [{ path: 'format' }],
    })
  })
})
