import { Circuit } from '../circuit'
import { degF } from '../units'
import { demoInstallation, jobIds } from '../../../tests/helpers/demo'
import { testPlan, type TestCard } from '.'
import { ohmsAt } from './sensorOhms'

const planOf = (id: string, outdoorF: number, settings = {}): TestCard[] =>
  testPlan(new Circuit(demoInstallation(id, settings)), degF(outdoorF))
const card = (plan: TestCard[], id: string): TestCard => {
  const found = plan.find((c) => c.id === id)
  if (!found) throw new Error(`no card ${id} among ${plan.map((c) => c.id).join(', ')}`)
  return found
}

/** The setpoint goes a degree, and nothing limits it. */
const ONE_F = { kind: 'setpoint', way: 'raise', byF: 1, limit: null }

describe('the test run of a job with strips and an outdoor thermostat', () => {
  it('begins with the supplies, runs the heat pump from stage to stage, and cools last', () => {
    expect(planOf('quillfeather-lane', 25).map((c) => c.id)).toEqual([
      'supply',
      'fan',
      'emergency',
      'heat1',
      'heatAux1',
      'defrost-od',
      'gate-odt-setpoint',
      'minimumOff',
      'cool1',
      'outdoors-od',
    ])
  })

  it('asks for the crankcase heater once, before the first start, and looks around the unit last', () => {
    const asks = (plan: TestCard[]) =>
      plan.filter((c) => c.steps.some((s) => s.kind === 'crankcase')).map((c) => c.id)
    expect(asks(planOf('quillfeather-lane', 25))).toEqual(['heat1'])
    // Above 60 °F cooling can be tried too, but heating is first all the same.
    expect(asks(planOf('quillfeather-lane', 70))).toEqual(['heat1'])
    const plan = planOf('quillfeather-lane', 25)
    expect(card(plan, 'outdoors-od').steps.map((s) => s.kind === 'lookOutdoors' && s.what)).toEqual([
      'drainage',
      'snow',
      'clearance',
      'panHeater',
    ])
  })

  it('says the hours of the plate as it was read, else of the device, else that nobody knows them', () => {
    const hours = (id: string, plates = {}) =>
      testPlan(new Circuit(demoInstallation(id)), degF(25), plates)
        .flatMap((c) => c.steps)
        .flatMap((s) => (s.kind === 'crankcase' ? [s.hours] : []))
    expect(hours('quillfeather-lane')).toEqual([null])
    expect(hours('quillfeather-lane', { od: { crankcaseHours: 12 } })).toEqual([12])
  })

  it('runs an inverter at its forced speed for the readings, and nothing else', () => {
    const forced = (id: string) =>
      planOf(id, 50)
        .filter((c) => c.steps.some((s) => s.kind === 'forcedSpeed'))
        .map((c) => c.id)
    expect(forced('copper-alley')).toEqual(expect.arrayContaining(['heat1']))
    expect(forced('copper-alley')).not.toContain('fan')
    expect(forced('quillfeather-lane')).toEqual([])
  })

  it('raises the setpoint less than the droop for the heat pump alone, and a degree past it for backup', () => {
    // Droop 2 °F: one degree stays below it, three pass it.
    const plan = planOf('quillfeather-lane', 25)
    expect(card(plan, 'heat1').steps[1]).toEqual({
      kind: 'setpoint', way: 'raise', byF: 1, limit: { droopF: 2, passes: false },
    }) // prettier-ignore
    expect(card(plan, 'heatAux1').steps[0]).toEqual({
      kind: 'setpoint', way: 'raise', byF: 3, limit: { droopF: 2, passes: true },
    }) // prettier-ignore
    // Droop 1 °F: a whole degree would call backup; half of one does not.
    expect(card(planOf('quillfeather-lane', 25, { 'tstat.droop': 1 }), 'heat1').steps[1]).toMatchObject({
      byF: 0.5,
    })
    // A droop of 0 is comfort: backup comes about a degree below, as the thermostat is run in time.
    expect(card(planOf('quillfeather-lane', 25, { 'tstat.droop': 0 }), 'heat1').steps).toMatchObject([
      { kind: 'crankcase' },
      { kind: 'setpoint', byF: 0.5, limit: { droopF: 1, passes: false } },
    ])
  })

  it('a droop that half a degree does not fit under calls backup too, and so does a stage that needs more than it', () => {
    const { steps } = card(planOf('quillfeather-lane', 25, { 'tstat.droop': 1 }), 'heat1')
    expect(steps[1]).toEqual({
      kind: 'setpoint',
      way: 'raise',
      byF: 0.5,
      limit: { droopF: 1, passes: false },
    })
    // Droop 2 °F: the second stage wants 1 + 1.
    expect(card(planOf('tallow-mill', 55), 'heat2').steps.slice(0, 2)).toEqual([
      { kind: 'setpoint', way: 'raise', byF: 2, limit: null },
      { kind: 'backupComesToo', droopF: 2 },
    ])
  })

  it('turns the switch for a fan, and for emergency heat before a degree is asked for', () => {
    const plan = planOf('quillfeather-lane', 25)
    expect(card(plan, 'fan').steps).toEqual([{ kind: 'mode', mode: 'fan' }])
    expect(card(plan, 'emergency').steps).toEqual([{ kind: 'mode', mode: 'emergency' }, ONE_F])
    const [supply] = plan
    expect(supply).toMatchObject({
      id: 'supply',
      kind: 'supply',
      situation: { call: 'off', outdoorF: 25, modes: {} },
      steps: [{ kind: 'meterSupply' }],
      past: [],
    })
    expect(plan.map((c) => c.id)).not.toContain('off')
    expect(card(plan, 'outdoors-od')).toMatchObject({
      kind: 'outdoors',
      past: [],
      situation: { call: 'off' },
    })
  })

  it('a defrost is looked at while the board defrosts, after the heat pump has run', () => {
    expect(card(planOf('quillfeather-lane', 30), 'defrost-od')).toMatchObject({
      at: 'od.board',
      situation: { call: 'heat1', outdoorF: 30, modes: { 'od.board': 'defrost' } },
      past: [{ call: 'heat1', seconds: 600 }],
    })
    // On a warm day what it would do on one of 40 °F.
    expect(card(planOf('quillfeather-lane', 80), 'defrost-od').situation.outdoorF).toBe(40)
  })

  it('tries the switch from its other side: by its dial on a cold day, in ice water on a mild one', () => {
    // 25 °F outdoors, closed below 35. Open wants 25 − 5 − 5 (its differential) = 15 on the dial.
    const cold = card(planOf('quillfeather-lane', 25), 'gate-odt-setpoint')
    expect(cold.steps).toEqual([
      { kind: 'moveSetting', at: 'odt.setpoint', was: 35, to: 15 },
      { kind: 'setpoint', way: 'raise', byF: 3, limit: { droopF: 2, passes: true } },
    ])
    expect(cold.expected?.stays).toEqual(['kit.row1', 'kit.row2'])
    // 55 °F is past the dial's 50 less 5. Set to 35 °F a switch that is right may close at 30, and ice water is 32: the dial
    // goes up first. From 37 °F on it closes there for certain.
    const mild = card(planOf('quillfeather-lane', 55), 'gate-odt-setpoint')
    expect(mild.steps).toEqual([
      { kind: 'moveSetting', at: 'odt.setpoint', was: 35, to: 50 },
      { kind: 'iceBath', at: 'odt.setpoint' },
      { kind: 'setpoint', way: 'raise', byF: 3, limit: { droopF: 2, passes: true } },
    ])
    const warm = card(planOf('quillfeather-lane', 55, { 'odt.setpoint': 37 }), 'gate-odt-setpoint')
    expect(warm.steps).toEqual([
      { kind: 'iceBath', at: 'odt.setpoint' },
      { kind: 'setpoint', way: 'raise', byF: 3, limit: { droopF: 2, passes: true } },
    ])
    expect(mild.expected?.runs).toEqual(expect.arrayContaining(['kit.row1', 'kit.row2']))
    // Set to 30 °F ice water is too warm: the dial goes up to 50, and back.
    const low = card(planOf('quillfeather-lane', 55, { 'odt.setpoint': 30 }), 'gate-odt-setpoint')
    expect(low.steps).toEqual([
      { kind: 'moveSetting', at: 'odt.setpoint', was: 30, to: 50 },
      { kind: 'iceBath', at: 'odt.setpoint' },
      { kind: 'setpoint', way: 'raise', byF: 3, limit: { droopF: 2, passes: true } },
    ])
    // 40 °F: 45 on the dial is enough.
    expect(card(planOf('quillfeather-lane', 40), 'gate-odt-setpoint').steps).toEqual([
      { kind: 'moveSetting', at: 'odt.setpoint', was: 35, to: 45 },
      { kind: 'setpoint', way: 'raise', byF: 3, limit: { droopF: 2, passes: true } },
    ])
    const open = card(planOf('quillfeather-lane', 40, { 'odt.setpoint': null }), 'gate-odt-setpoint')
    expect(open.today).toEqual({ can: false, why: 'settingUnknown', at: 'odt.setpoint' })
  })

  it('forces a defrost on a mild day with a jumper that comes out at once, and leaves the cold one to a cold day', () => {
    const forced = card(planOf('quillfeather-lane', 65), 'forced-od')
    expect(forced).toMatchObject({ isForced: true, today: { can: true }, situation: { outdoorF: 65, modes: { 'od.board': 'defrost' } } })
    expect(forced.steps.map((s) => s.kind)).toEqual(['jumperCoil', 'setpoint', 'forceDefrost', 'jumperCoilOut'])
    expect(forced.expected!.runs).toEqual(expect.arrayContaining(['od.compressor', 'od.rvCoil', 'kit.row1']))
    expect(forced.expected!.runs).not.toContain('od.fan')
    // In the cold the pins are enough, and there is one card.
    expect(planOf('quillfeather-lane', 30).some((c) => c.isForced)).toBe(false)
    expect(card(planOf('quillfeather-lane', 30), 'defrost-od').steps.map((s) => s.kind)).toEqual(['setpoint', 'forceDefrost'])
    // Two thermistors are never jumpered: the board’s own test, on any day.
    for (const f of [30, 65])
      for (const c of planOf('pennywort-close', f).filter((x) => x.kind === 'defrost'))
        expect(c.steps.map((s) => s.kind)).toEqual(['setpoint', 'installerTest', 'boardDefrostTest'])
  }) // prettier-ignore

  it('never asks that the heat pump come alone where it is locked out', () => {
    const raise = (f: number) => card(planOf('tallow-mill', f), 'heat1').steps.find((s) => s.kind === 'setpoint')
    expect(raise(50)).toMatchObject({ limit: { passes: false } })
    // Below the changeover of 35 °F the furnace answers.
    expect(raise(20)).toMatchObject({ limit: null })
    expect(planOf('tallow-mill', 20).some((c) => c.steps.some((s) => s.kind === 'backupComesToo'))).toBe(false)
  }) // prettier-ignore

  it('waits for the weather where nothing else is honest', () => {
    const warm = planOf('quillfeather-lane', 80)
    expect(card(warm, 'defrost-od').today).toEqual({ can: false, why: 'tooWarm', untilF: 40 })
    expect(card(warm, 'heat1').today).toEqual({ can: true, brief: true })
    expect(card(warm, 'cool1').today).toEqual({ can: true, brief: false })
    expect(card(planOf('quillfeather-lane', 59), 'cool1').today).toEqual({
      can: false, why: 'tooCold', untilF: 60,
    }) // prettier-ignore
    expect(card(planOf('quillfeather-lane', 40), 'defrost-od').today).toMatchObject({ can: true })
  })

  it('says how long the speed-up pins make an interval', () => {
    expect(card(planOf('quillfeather-lane', 30), 'defrost-od').steps.at(-1)).toEqual({
      kind: 'forceDefrost', speedUp: 90, minutes: 60,
    }) // prettier-ignore
  })
})

describe('the test run of a dual fuel job', () => {
  it('moves the changeover at least 5 °F past the sensor, to the side where the other source heats', () => {
    const mild = card(planOf('tallow-mill', 55), 'gate-tstat-changeover')
    expect(mild.steps).toEqual([{ kind: 'moveSetting', at: 'tstat.changeover', was: 35, to: 60 }, ONE_F])
    expect(mild.expected?.runs).toContain('fur.valve')
    expect(mild.expected?.stays).toContain('od.compressor')
    const cold = card(planOf('tallow-mill', 25), 'gate-tstat-changeover')
    expect(cold.steps).toEqual([
      { kind: 'moveSetting', at: 'tstat.changeover', was: 35, to: 20 },
      { ...ONE_F, limit: { droopF: 2, passes: false } },
    ])
    expect(cold.expected?.runs).toContain('od.compressor')
  })

  it('puts a resistor in the sensor’s place where the setting does not go so far', () => {
    // 70 °F outdoors wants 75 °F, and the setting ends at 60. A cold day is 35 − 5 = 30 °F.
    const hot = card(planOf('tallow-mill', 70), 'gate-tstat-changeover')
    expect(hot.steps).toMatchObject([{ kind: 'resistor', at: 'sen.', forF: 30 }, ONE_F])
    const table = demoInstallation('tallow-mill').placed.find((p) => p.ref === 'sen')!.device.plate
      .sensorOhms!
    const given = table.find((p) => p.atF === 30)!
    expect((hot.steps[0] as { ohms: number }).ohms).toBeCloseTo(given.ohms, 6)
    expect(hot.expected?.runs).toContain('fur.valve')
  })

  it('says of a compressor that never runs that it never does, and not that the weather holds it off', () => {
    const inst = demoInstallation('quillfeather-lane')
    const dead = { ...inst, wires: inst.wires.filter((w) => w.a !== 'od.Y' && w.b !== 'od.Y') }
    const plan = testPlan(new Circuit(dead), degF(30))
    for (const id of ['minimumOff', 'defrost-od'])
      expect(card(plan, id).today).toEqual({ can: false, why: 'neverRuns' })
  })

  it('does not try what is the compressor’s doing while it is held off', () => {
    const cold = planOf('tallow-mill', 25)
    expect(card(cold, 'defrost-od').today).toEqual({ can: false, why: 'heldOff' })
    expect(card(cold, 'minimumOff').today).toEqual({ can: false, why: 'heldOff' })
    expect(card(planOf('tallow-mill', 65), 'minimumOff').today.can).toBe(true)
  })
})

describe('what else there is to try', () => {
  it('a float and a leak alarm stop the compressor, as wired', () => {
    const plan = planOf('osier-walk', 65)
    for (const id of ['float-flo', 'leak-leak'])
      expect(card(plan, id).expected?.stays).toContain('od.compressor')
    expect(card(plan, 'float-flo').steps).toEqual([
      { ...ONE_F, way: 'lower' },
      { kind: 'pour', at: 'flo.' },
    ])
    expect(card(plan, 'leak-leak').steps).toEqual([
      { ...ONE_F, way: 'lower' },
      { kind: 'leakTest', at: 'leak.' },
    ])
    // The blower is forced; the humidifier that runs with it proves nothing.
    expect(card(plan, 'leak-leak').expected?.runs).not.toContain('hum.valve')
    expect(card(plan, 'leak-leak').expected?.runs).toContain('ah.blowerHigh')
  })

  it('an outdoor sensor is held beside a thermometer with nothing called; a feed is one as well', () => {
    expect(card(planOf('tallow-mill', 55), 'sensor-sen')).toMatchObject({
      kind: 'sensor',
      at: 'sen.',
      situation: { call: 'off', outdoorF: 55, modes: {} },
      steps: [{ kind: 'compareSensor', at: 'sen.' }],
    })
    const ids = (settings = {}) => planOf('tallow-mill', 55, settings).map((c) => c.id)
    expect(ids()).not.toContain('sensor-tstat')
    expect(ids({ 'tstat.outdoorSource': 'feed' })).toContain('sensor-tstat')
  })

  it('a speed is forced by the maker’s own way, which nobody has entered here', () => {
    const steps = card(planOf('copper-alley', 47), 'heat1').steps.filter((s) => s.kind === 'forcedSpeed')
    expect(steps).toEqual([{ kind: 'forcedSpeed', at: 'od.', text: null }])
  })

  it('on every demo job at every weather: each card once, each solved, none empty-handed', () => {
    for (const id of jobIds())
      for (const t of [-5, 20, 38, 55, 70, 95]) {
        const plan = planOf(id, t)
        expect(new Set(plan.map((c) => c.id)).size).toBe(plan.length)
        for (const c of plan) {
          expect([id, t, c.id, c.expected === null]).toEqual([id, t, c.id, false])
          if (c.today.can) expect([id, c.id, c.steps.length > 0]).toEqual([id, c.id, true])
        }
      }
  })
})

describe('a sensor’s table', () => {
  const table = [
    { atF: 77, ohms: 10_000 },
    { atF: 32, ohms: 32_500 },
  ]
  it('runs straight in the logarithm between its points, and says nothing beyond them', () => {
    // Halfway, at 54.5 °F, the geometric mean: √(10,000 · 32,500) = 18,028.
    expect(ohmsAt(table, degF(54.5))).toBeCloseTo(18_027.76, 1)
    expect(ohmsAt(table, degF(32))).toBeCloseTo(32_500, 6)
    expect(ohmsAt(table, degF(77))).toBeCloseTo(10_000, 6)
    expect(ohmsAt(table, degF(31))).toBeNull()
    expect(ohmsAt(table, degF(78))).toBeNull()
    expect(ohmsAt([], degF(40))).toBeNull()
  })
})

describe('a gate on a sensor without a table of ohms', () => {
  it('is tried in a cup: ice water on a mild day, warm water where the dial does not reach low enough', () => {
    // A kit's own bulb: 80 °F outdoors is past its dial's 60 less 5; 35 °F opens in ice water.
    const mild = card(planOf('ferrous-hill', 80), 'gate-ffk-changeover')
    expect(mild.steps).toEqual([
      { kind: 'iceBath', at: 'ffk.' },
      { kind: 'setpoint', way: 'raise', byF: 0.5, limit: null },
    ])
    // 3 °F outdoors: the dial would go to −2, and ends at 0; the bulb stands at 35 + 5 in a cup.
    const cold = card(planOf('ferrous-hill', 3), 'gate-ffk-changeover')
    expect(cold.steps).toEqual([
      { kind: 'warmBath', at: 'ffk.', forF: 40 },
      { ...ONE_F, byF: 0.5, limit: { droopF: 1, passes: false, taken: true } },
    ])
    expect(cold.expected?.runs).toContain('od.compressor')
  })
})

describe('a low-gas switch', () => {
  it('is proved with the gas valve closed: nothing may try to light, and the heat pump is not called', () => {
    const lowGas = card(planOf('tallow-mill', 30, { 'fur.gasSwitch': 'pressure' }), 'lowGas-fur')
    expect(lowGas.steps.map((s) => s.kind)).toEqual(['closeGas'])
    expect(lowGas.situation).toMatchObject({ call: 'emergency', modes: { 'fur.gasSupply': 'empty' } })
    expect(lowGas.expected?.runs ?? []).not.toContain('fur.valve')
  })
  it('has no card where there is none', () => {
    expect(planOf('tallow-mill', 30, { 'fur.gasSwitch': 'none' }).some((c) => c.kind === 'lowGas')).toBe(
      false,
    )
  })
})
