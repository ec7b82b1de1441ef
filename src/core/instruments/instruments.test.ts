import { Circuit, solve } from '../circuit'
import { degF } from '../units'
import { demoInstallation } from '../../../tests/helpers/demo'
import { INSTRUMENTS, READING_KINDS, type ReadingKind } from '../readings'
import { NATURES, shown } from './instrument'
import type { Point } from './point'
import { HiddenSite } from './HiddenSite'
import { meterFor } from './meters'

/** Quillfeather Lane: two rows of 4,800 W at 240 V, 12 Ω and 20 A each; sequencers bring them after 12 and 24 s. */
const inst = demoInstallation('quillfeather-lane')
const sound = new HiddenSite(inst, null, 1)
const at = (quantity: ReadingKind, where: string, place: string, more: Partial<Point> = {}): Point => ({
  quantity,
  place,
  at: where,
  withBlower: null,
  situation: { call: 'emergency', outdoorF: degF(42), modes: {} },
  ...more,
})
const row2 = at('stripAmps', 'kit.row2', 'rowTerminals')

describe('stand-in instruments', () => {
  it('each quantity has one that measures it, and each instrument measures something', () => {
    const used = new Set(READING_KINDS.map((kind) => meterFor(kind).instrument))
    expect([...used].sort()).toEqual([...INSTRUMENTS].sort())
  })

  it('they differ by no more than their nature, in its steps, and flicker within it', () => {
    for (const instrument of INSTRUMENTS)
      for (let seed = 0; seed < 40; seed++)
        for (const second of [0, 7, 1800]) {
          const { share, step } = NATURES[instrument]
          const value = shown(instrument, 200, seed, second)
          expect(Math.abs(value - 200)).toBeLessThanOrEqual(200 * share + step / 2 + 1e-9)
          expect(Math.abs(value / step - Math.round(value / step))).toBeLessThan(1e-6)
        }
    // The same seed and second show the same.
    expect(shown('clamp', 20, 5, 3)).toBe(shown('clamp', 20, 5, 3))
  })

  it('a row draws nothing until its sequencer has closed, and V over R from then on', () => {
    // Row 2 after 24 s: 240 V over 12 Ω are 20 A, less what the conductors take, and the clamp’s own 1.5 %.
    expect(sound.read(row2, 20)).toMatchObject({ value: 0, unit: 'A', settled: false })
    const steady = sound.read(row2, 600)!
    expect(steady.settled).toBe(true)
    expect(Math.abs((steady.value as number) / 20 - 1)).toBeLessThan(0.03)
  })

  it('a clamp about the feed takes in both rows, and the blower only where it is let in', () => {
    const feed = (withBlower: boolean) =>
      sound.read(at('stripAmps', 'feedA', 'feed', { withBlower }), 600)!.value as number
    expect(Math.abs(feed(false) / 40 - 1)).toBeLessThan(0.03)
    expect(feed(true) - feed(false)).toBeGreaterThan(0.5)
  })

  it('volts are those of the solved circuit, on a low-impedance range', () => {
    const situation = { call: 'heat1' as const, outdoorF: degF(42), modes: {} }
    const solved = solve(new Circuit(inst), situation)
    if (!solved.ok) throw new Error('no rest')
    const meter = sound.read(at('terminalVolts', 'ah.Y', 'terminals', { situation }), 900)!.value as number
    expect(Math.abs(meter / solved.meter('ah.Y', 'ah.C') - 1)).toBeLessThan(0.02)
    expect(sound.read(at('terminalVolts', 'ah.W1', 'terminals', { situation }), 900)!.value).toBe(0)
  })

  it('air warms with the heat that is in it: BTU/h over 1.08 and CFM', () => {
    const supply = (seconds: number) => sound.read(at('supplyAir', 'ah', 'supplyDuct'), seconds)!
    // 9.6 kW are 32,755 BTU/h; 1,200 CFM carry 1,296 a degree: 25.3 °F above 68.
    expect(Math.abs((supply(1800).value as number) - (68 + 32_755 / (1.08 * 1200)))).toBeLessThan(2)
    expect(supply(1800).settled).toBe(true)
    // Half a minute in, one row is on and the air is on its way.
    expect(supply(30).value as number).toBeLessThan(80)
    expect(supply(30).settled).toBe(false)
  })

  it('an open element is OL, and its row draws nothing, whatever is called', () => {
    const open = new HiddenSite(inst, { kind: 'part', failure: { kind: 'loadOpen', at: 'kit.row2' } }, 1)
    expect(open.read(at('rowOhms', 'kit.row2', 'rowTerminals'), 600)!.value).toBe('OL')
    expect(
      Math.abs((open.read(at('rowOhms', 'kit.row1', 'rowTerminals'), 600)!.value as number) - 12),
    ).toBeLessThan(0.2)
    const feed = open.read(at('stripAmps', 'feedA', 'feed', { withBlower: false }), 600)!.value as number
    expect(Math.abs(feed / 20 - 1)).toBeLessThan(0.03)
  })

  describe('in a defrost that is forced', () => {
    it('is looked at while it is on, where nobody noted when it began', () => {
      const usual = (modes: Point['situation']['modes']) =>
        sound.usual(at('fanAmps', 'od.fan', 'motorLead', { situation: { ...situation, modes } }))
      expect([usual({ 'od.board': 'defrost' }), usual({}), usual({ 'feedA.breaker': 'off' })]).toEqual([
        100, 3600, 3600,
      ])
    })

    const situation = { call: 'heat1' as const, outdoorF: degF(30), modes: { 'od.board': 'defrost' } }
    const fan = at('fanAmps', 'od.fan', 'motorLead', { situation })
    const minutes = (site: HiddenSite) =>
      site.read(at('defrostMinutes', 'od', 'coil', { situation }), 600)!.value as number

    it('the fan stands still until the coil is warm, and runs again then', () => {
      // 3 tons: 3 lb of ice at 144 BTU and a coil of 24 BTU/°F from 18 to 65 °F are 432 + 1,128 = 1,560 BTU; 0.6 of
      // 36,000 BTU/h bring them in 260 s.
      expect(sound.read(fan, 100)!.value).toBe(0)
      expect(sound.read(fan, 400)!.value as number).toBeGreaterThan(0.3)
      expect(Math.abs(minutes(sound) - 260 / 60)).toBeLessThan(0.2)
    })

    it('a fan that does not stop, or little charge, lets it run to its cap or nearly', () => {
      const wrong = (name: 'fanRunsOn' | 'lowCharge', change: object) =>
        new HiddenSite(inst, { kind: 'physics', name, change }, 1)
      expect(Math.abs(minutes(wrong('fanRunsOn', { fanRunsOn: true })) - 10)).toBeLessThan(0.15)
      // 0.6^1.5 = 0.46 of the heat: 260 / 0.46 = 559 s.
      expect(Math.abs(minutes(wrong('lowCharge', { charge: 0.6 })) - 559 / 60)).toBeLessThan(0.3)
    })
  })

  it('a defrost comes by itself once its board has counted its hour on a cold coil, and not on a mild day', () => {
    const supply = (outdoorF: number, seconds: number) =>
      sound.read(
        at('fanAmps', 'od.fan', 'motorLead', {
          situation: { call: 'heat1', outdoorF: degF(outdoorF), modes: {} },
        }),
        seconds,
      )!.value as number
    // The coil is below 30 °F within a minute; 60 min of running, and the fan stops.
    expect([
      supply(20, 3500) > 0.3,
      supply(20, 3700),
      supply(20, 5000) > 0.3,
      supply(45, 3700) > 0.3,
    ]).toEqual([true, 0, true, true])
  })

  it('there is nothing to hold an instrument to where nothing is', () => {
    expect(sound.read(at('terminalVolts', 'nobody.R', 'terminals'), 600)).toBeNull()
    expect(sound.read(at('stripAmps', 'od', 'feed'), 600)?.value ?? null).not.toBe('OL')
  })
})
