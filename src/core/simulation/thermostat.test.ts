import type { Device } from '../equipment'
import { demoInstallation, libraryDevice } from '../../../tests/helpers/demo'
import type { Installation } from '../installation'
import { demandNumbers, thermostatOf } from '../time'
import { Thermostat } from './thermostat'
import type { WallEvent } from './wall'

const WALL = { setpointF: 70, system: 'heat' as const }
const alone = (device: Device, settings: Record<string, string | number> = {}): Installation => ({
  placed: [{ ref: 'tstat', device, label: 'Thermostat', settings }],
  cables: [],
  wires: [],
})
/** What is called as the room stands so at each second. */
function calls(inst: Installation, room: [number, number][], events: WallEvent[] = [], begins = WALL) {
  const t = new Thermostat(inst, events, begins)
  return room.map(([at, f]) => {
    t.look(at, f)
    return t.call.call
  })
}

describe('the numbers that calls are made by', () => {
  it('are the device’s, else its settings’, else what is usual', () => {
    // Droop 2 °F, three cycles an hour; backup goes at half the droop.
    const inst = demoInstallation('quillfeather-lane')
    expect(demandNumbers(inst, thermostatOf(inst))).toMatchObject({
      droopF: 2, cycles: 3, firstF: 0.25, releaseShare: 0.5, upstage: null, recoveryFPerHour: 0,
    }) // prettier-ignore
    const set = demoInstallation('tallow-mill', {
      'tstat.upstageTimer': 30,
      'tstat.droop': 0,
      'tstat.stageDifferential': 2,
    })
    // 30 min; no droop is comfort, a degree.
    expect(demandNumbers(set, thermostatOf(set))).toMatchObject({ upstage: 1800, droopF: 1, secondF: 2 })
    // Nobody has looked at it: what is usual is taken, and marked.
    const dark = demoInstallation('quillfeather-lane', { 'tstat.droop': 'unknown' })
    expect(demandNumbers(dark, thermostatOf(dark))).toMatchObject({ droopF: 1, droopTaken: true })
    expect(demandNumbers(inst, thermostatOf(inst)).droopTaken).toBe(false)
    const seen = new Thermostat(dark, [], WALL)
    seen.look(0, WALL.setpointF - 1.2)
    expect(seen.call.cause).toMatchObject({ why: 'droop', droopF: 1, taken: true })
    // A controller: strips on at 5 °F below, off at 2 below.
    const controller = demoInstallation('gorse-end')
    const of = demandNumbers(controller, thermostatOf(controller))
    expect(of.droopF).toBe(5)
    expect(of.droopF * of.releaseShare).toBeCloseTo(2, 9)
    const own = alone({
      ...libraryDevice('plain-thermostat-1'),
      demand: { firstF: 0.8, backupF: 3, releaseShare: 0.25, cyclesPerHour: 0 },
    })
    expect(demandNumbers(own, own.placed[0])).toMatchObject({
      firstF: 0.8,
      droopF: 3,
      releaseShare: 0.25,
      cycles: null,
    })
  })
})

describe('a thermostat', () => {
  const plain = alone(
    { ...libraryDevice('plain-thermostat-2'), demand: { cyclesPerHour: 0 } },
    { droop: 2, stageDifferential: 1 },
  )

  it('calls stage after stage as the room falls, and backup past the droop', () => {
    // Without a rate: 0.5 below the first, 1.5 the second, 2 backup, 3 the second bank.
    expect(calls(plain, [[0, 69.6], [1, 69.5], [2, 68.6], [3, 68.5], [4, 68.1], [5, 68], [6, 67]])).toEqual([
      'off', 'heat1', 'heat1', 'heat2', 'heat2', 'heatAux1', 'heatAux2',
    ]) // prettier-ignore
  })

  it('lets backup go at half the droop, the second stage with it, and the heat pump at the setpoint', () => {
    // Half of 2 is 1; the second stage, called at 1.5, goes halfway back to the first's 0.5: at 1 as well.
    expect(calls(plain, [[0, 68], [60, 68.9], [120, 69], [180, 69.9], [240, 70]])).toEqual([
      'heatAux1', 'heatAux1', 'heat1', 'heat1', 'off',
    ]) // prettier-ignore
  })

  it('calls backup when the heat pump has run for the upstage time without catching up', () => {
    const inst = alone(
      { ...libraryDevice('plain-thermostat-2'), demand: { cyclesPerHour: 0 } },
      { upstageTimer: 20, droop: 5 },
    )
    const t = new Thermostat(inst, [], WALL)
    t.look(0, 69.5)
    expect(t.nextAt(0)).toBe(1200)
    t.look(1199, 69.6)
    expect(t.call.call).toBe('heat1')
    t.look(1200, 69.6)
    expect(t.call).toEqual({ call: 'heatAux1', cause: { why: 'upstage', seconds: 1200 } })
    // 0.4 below: it goes again at 0.2 below, and the heat pump has its twenty minutes anew.
    t.look(1500, 69.8)
    expect(t.call.call).toBe('heat1')
    expect(t.nextAt(1500)).toBe(2700)
  })

  it('at a rate of three and half load is on for ten minutes: 15 / (3 · 0.5)', () => {
    const t = new Thermostat(demoInstallation('quillfeather-lane'), [], WALL)
    t.look(0, 69.75)
    expect(t.call.call).toBe('heat1')
    t.look(300, 70.1)
    expect(t.call.call).toBe('heat1')
    expect(t.nextAt(300)).toBe(600)
    t.look(600, 70.2)
    expect(t.call.call).toBe('off')
    // On 600 of 1,800 s: x = (0.5 + 1/3) / 2 = 5/12, on for 900 / (3 · 7/12) = 514.3 s.
    t.look(1800, 69.75)
    expect(t.nextAt(1800)).toBeCloseTo(1800 + 514.29, 1)
  })

  it('in emergency heat calls nothing else, in cooling the other way, and off is off', () => {
    expect(calls(plain, [[0, 67]], [], { setpointF: 70, system: 'emergency' as 'heat' })).toEqual([
      'emergency',
    ])
    expect(calls(plain, [[0, 70.4], [1, 70.5], [2, 71.5], [3, 70]], [], { setpointF: 70, system: 'cool' as 'heat' })).toEqual([
      'off', 'cool1', 'cool2', 'off',
    ]) // prettier-ignore
    expect(
      calls(
        plain,
        [
          [0, 60],
          [10, 60],
        ],
        [{ at: 5, system: 'off' }],
      ),
    ).toEqual(['heatAux2', 'off'])
  })

  it('starts ahead of a warmer hour of its schedule, not of a hand', () => {
    const inst = alone(libraryDevice('plain-thermostat-1'), { earlyRecovery: 'on' })
    const target = (by: 'hand' | 'schedule', at: number) =>
      new Thermostat(inst, [{ at: 8 * 3600, setpointF: 70, by }], { ...WALL, setpointF: 62 }).target(at)
    // 4 °F an hour: an hour ahead 66, two hours 62.
    expect(target('schedule', 7 * 3600)).toBeCloseTo(66, 9)
    expect(target('schedule', 5 * 3600)).toBe(62)
    expect(target('hand', 7 * 3600)).toBe(62)
    expect(target('hand', 8 * 3600)).toBe(70)
  })

  it('without backup in an early start waits for the heat pump', () => {
    const inst = alone(libraryDevice('plain-thermostat-1'), { earlyRecovery: 'on' })
    const events: WallEvent[] = [{ at: 8 * 3600, setpointF: 70, by: 'schedule' }]
    const called = (holdsBackup: boolean) => {
      const t = new Thermostat(inst, events, { ...WALL, setpointF: 62, holdsBackup })
      t.look(7.5 * 3600, 63)
      return t.call.call
    }
    expect([called(false), called(true)]).toEqual(['heatAux1', 'heat1'])
  })
})
