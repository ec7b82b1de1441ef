import { demoInstallation, libraryDevice, rewired, wireBetween, without } from '../../../tests/helpers/demo'
import { device, install, placed, wire } from '../../../tests/helpers/build'
import { compose } from '../../../tests/helpers/compose'
import { ONE_STAGE, TWO_STAGE } from '../../../tests/cases/gear'
import { pairOnContactor } from '../../../tests/helpers/pair'
import { FIXTURES, joined, moved, slowHeat } from '../../../tests/helpers/ruleFixtures'
import { said, SAYS } from '../../../tests/helpers/ruleSays'
import {
  conventional,
  JOB_FIXTURES,
  job,
  seen,
  bus,
  as,
  lifted,
  toldNoDefrost,
} from '../../../tests/helpers/jobFixtures'
import { installationOf } from '@/jobfile'
import { Circuit, solve } from '../circuit'
import type { Device, Value } from '../equipment'
import type { Installation, JobSeen } from '../installation'
import { degF } from '../units'
import { jobFindings, RULES, prove, type Proof } from '.'

const right = () => demoInstallation('quillfeather-lane')

/** Codes that the fixtures of the rules do not raise by themselves. */
const MORE: Record<string, () => JobSeen | Proof> = {
  // A thermostat that offers no backup and no emergency call: only the weather changes over.
  hotRestartSeldom: () => prove(weatherAlone({ 'tstat.holdOff': 0 })),
  compressorInLeak: () => prove(joined(job('osier-walk'), 'leak.T3', 'leak.T4')),
  heatInLeak: () => prove(joined(job('osier-walk'), 'ah.K1', 'ah.W1')),
  // On a valve that is energised in heating, its conductor on W1 as well.
  stripsUncalled: () => prove(joined(job('sandpiper-green'), 'tstat.OB', 'ah.W1')),
  // Both ends of the outdoor thermostat off, and aux past it.
  switchHoldsNothing: () =>
    prove(joined(moved(moved(right(), 'odt.T1', null, 'spl.x'), 'odt.T2', null, 'od.W'), 'spl.x', 'ah.W1')),
  // The valve's own terminal past the humidistat, from R.
  humidifierUncalled: () => prove(joined(job('osier-walk'), 'ah.R', 'hum.F2')),
  humidifierNever: () => prove(lifted('osier-walk', 'ah.R', 'hum.R')),
  blowerUncalled: () => prove(joined(right(), 'ah.R', 'ah.G')),
  heatingCools: () => prove(joined(right(), 'od.R', 'od.OB')),
  backupCallEmpty: () => prove(lifted('quillfeather-lane', 'tstat.AUX', 'spl.x')),
  stageCallEmpty: () => prove(lifted('pennywort-close', 'ah.Y2', 'od.Y2')),
  banksExchanged: () =>
    prove(
      installationOf(
        compose([...TWO_STAGE, 'lift ah.K1=kit.W1 ah.K2=kit.W2', 'land ah.K1=kit.W2 ah.K2=kit.W1']),
      ),
    ),
  onlyInEmergency: () => prove(without(right(), wireBetween(right(), 'ah.W1', 'ah.W2').id)),
  auxNoGate: () => prove(job('copper-alley')),
  tapTooHigh: () => seen(job('quillfeather-lane', { 'feedA.volts': 208, 'ah.tap': 240 })),
  conductorUnderMca: () => seen(gauged('feedB', 14), { plates: { od: { mca: 22 } } }),
  // Two rows of 4,800 W at 240 V: 40 A, and a quarter more is 50.
  breakerUnderMca: () =>
    seen(job('quillfeather-lane', { 'feedB.breakerA': 15 }), { plates: { od: { mca: 17.8 } } }),
  breakerUnderLoad: () => seen(job('quillfeather-lane', { 'feedA.breakerA': 45 })),
  // 40 A of strips and the blower's two on a breaker for 40: no short, and too much for continuous load.
  // A contactor of 9 VA on an output that is listed for 0.4 A.
  beyondList: () => prove(pairOnContactor()),
  overRating: () => prove(job('quillfeather-lane', { 'feedA.breakerA': 40 })),
  conductorUnderLoad: () => seen(gauged('feedA', 10)),
  breakerOverConductor: () => seen(gauged('feedA', 10)),
  // Two rows of 7,500 W.
  undivided: () => seen(job('quillfeather-lane', { 'kit.rowWatts': 7500, 'feedA.breakerA': 90 })),
  lpNoSwitch: () => prove(job('millrace-cottage', { 'od.gasSwitch': 'none' })),
  busOpen: () => {
    const inst = job('gorse-end', { 'od.selector': 'bus' })
    const bus = inst.wires.find((w) => w.a === 'od.D1' || w.b === 'od.D1')!
    return prove(without(inst, bus.id))
  },
  busSetWired24: () => prove(job('copper-alley', { 'od.selector': 'bus' })),
  compressorInEmergency: () =>
    prove(rewired(right(), wireBetween(right(), 'tstat.E', 'ah.W2').id, { b: 'ah.Y' })),
  defrostHeats: () => prove(as(right(), 'od', (p) => ({ ...p, device: boardWithoutValve(p.device) }))),
  compressorUncalled: () => prove(joined(right(), 'ah.G', 'ah.Y')),
  fanSpeedOnly: () => {
    const inst = job('harrier-bank')
    const past = rewired(inst, wireBetween(inst, 'tstat.Y', 'ah.Y').id, { b: 'od.Y' })
    return prove(without(past, wireBetween(inst, 'ah.Y', 'od.Y').id))
  },
  burnerNever: () => prove(lifted('tallow-mill', 'tstat.W2', 'fur.W2')),
  stageNotLanded: () => seen(lifted('pennywort-close', 'tstat.Y2', 'ah.Y2')),
  sensorOpen: () => seen(lifted('tallow-mill', 'sen.S1', 'spl3.x')),
  sensorElsewhere: () => seen(joined(job('tallow-mill'), 'tstat.S1', 'fur.R')),
  sensorShorted: () => seen(joined(job('tallow-mill'), 'tstat.S1', 'tstat.S2')),
  sensorNotSet: () => seen(job('tallow-mill', { 'tstat.outdoorSource': 'none' })),
  changeoverNoSource: () =>
    seen(
      job('tallow-mill', {
        'tstat.outdoorSource': 'none',
        'tstat.useCompressorLockout': 'off',
        'tstat.useAuxLockout': 'off',
      }),
    ),
  conventionalOnHeatPump: () => seen(conventional({ 'tstat.system': 'conventional' })),
  burnerNotSet: () => seen(job('tallow-mill', { 'tstat.system': 'heatPump' })),
  fuelWithStrips: () => seen(job('pennywort-close', { 'tstat.backupSource': 'lp' })),
  oilWithGas: () => seen(job('tallow-mill', { 'tstat.backupSource': 'oil' })),
  gasWithOil: () => seen(job('candlemaker-yard', { 'tstat.backupSource': 'gas' })),
  bothInCharge: () =>
    seen(as(job('tallow-mill'), 'sen', (p) => ({ ...p, device: libraryDevice('sedge-f2'), settings: {} }))),
  stageNoInterlock: () => seen(job('tallow-mill', { 'tstat.inCharge': 'stage' })),
  eNotLanded: () => seen(lifted('quillfeather-lane', 'tstat.E', 'ah.W2')),
  stripReversed: () => seen(bus({ 'tstat.stripOn': 3, 'tstat.stripOff': 5 })),
  kitNotListed: () => seen(job('quillfeather-lane'), { plates: { kit: { kilowatts: 20 } } }),
  breakerOverKit: () => seen(job('quillfeather-lane', { 'kit.rowWatts': 2400 })),
  kitOther: () => seen(job('pennywort-close', { 'ah.kitSize': '15' })),
  oneStageOnLow: () => prove(lifted('osier-walk', 'ah.Y', 'ah.Y2')),
  // The table gives 900 CFM at the only speed that strips run at; the kit asks for 1,000.
  kitBelowAir: () =>
    prove(
      as(slowHeat({ leastCfm: 1000 }), 'ah', (p) => ({
        ...p,
        device: {
          ...p.device,
          plate: { ...p.device.plate, blower: [{ speed: 'low', staticInWc: 0.5, cfm: 900 }] },
        },
      })),
    ),
  defrostLandedForFault: () => seen(toldNoDefrost({ 'od.faultHeat': 'on' })),
  defrostNotLanded: () => {
    const inst = toldNoDefrost({}, 'yes')
    return seen({ ...inst, wires: inst.wires.filter((w) => w.a !== 'od.W' && w.b !== 'od.W') })
  },
  // Two rows of 4,800 W at 240 V are 40 A: 1.25 × 40 = 50.
  plateMcaLow: () => seen(job('quillfeather-lane'), { plates: { kit: { mca: 45 } } }),
  plateKilowatts: () => seen(job('quillfeather-lane'), { plates: { kit: { kilowatts: 15 } } }),
  gasWithLp: () => seen(job('tallow-mill', { 'fur.fuel': 'lp' })),
  lpWithGas: () => seen(job('tallow-mill', { 'tstat.backupSource': 'lp', 'fur.fuel': 'natural' })),
  cyclesStrips: () => seen(job('pennywort-close', { 'tstat.cyclesBackup': 12 })),
  // 0.95 of efficiency: it condenses, and three an hour are usual.
  cyclesBurner: () => seen(job('tallow-mill', { 'tstat.cyclesBackup': 5 })),
  stopBeforeTests: () => seen(job('quillfeather-lane', { 'tstat.rangeHigh': 74 }), {}, false),
  // E on W2 alone, and no jumper to W1.
  someBackupMissing: () => prove(without(right(), wireBetween(right(), 'ah.W1', 'ah.W2').id)),
  // The float switch in the thermostat's R, where it stops everything.
  floatCutsThermostat: () =>
    prove(
      installationOf(
        compose([
          ...ONE_STAGE,
          'place fl=sedge-fl1 --where garage --box',
          'lift tstat.R=ah.R',
          'land tstat.R=fl.T2 fl.T1=ah.R',
        ]),
      ),
    ),
  unsolved: () => prove(install([placed('x', contradiction)])),
}

/** The demo job with the conductors of one feed of another gauge. */
const gauged = (feed: string, gauge: number): Installation => ({
  ...right(),
  wires: right().wires.map((w) =>
    w.a?.startsWith(`${feed}.`) || w.b?.startsWith(`${feed}.`) ? { ...w, gauge } : w,
  ),
})

/** Two ideal sources of unlike volts in parallel, without any resistance to share them. */
const contradiction = device(
  'contradiction',
  ['R', 'C'],
  [
    { kind: 'source', id: 's1', a: 'R', b: 'C', volts: 24, ohms: 1e-300 },
    { kind: 'source', id: 's2', a: 'R', b: 'C', volts: 12, ohms: 1e-300 },
  ],
  { calls: [{ call: 'off' }] },
)

/** The same board, whose defrost relay never shifts the valve. */
const boardWithoutValve = (d: Device): Device => ({
  ...d,
  parts: d.parts.map((p) =>
    p.id === 'rvForce' && p.kind === 'contact' ? { ...p, driver: { call: [] } } : p,
  ),
})

/** Tallow Mill with a thermostat that calls for heat alone, and changes over by the outdoor temperature. */
function weatherAlone(settings: Record<string, Value>): Installation {
  return as(job('tallow-mill', settings), 'tstat', (p) => {
    const calls = p.device.calls!.filter((c) => !['heatAux1', 'heatAux2', 'emergency'].includes(c.call))
    return { ...p, device: { ...p.device, calls } }
  })
}

describe('hot air ahead of the coil', () => {
  const codes = (inst: Installation) =>
    prove(inst)
      .findings.filter((f) => f.rule === 'hotCoil')
      .map((f) => [f.code, f.severity])

  it('a thermostat without a hold-off does not know when the furnace has cooled', () => {
    expect(codes(job('tallow-mill', { 'tstat.holdOff': 0 }))).toEqual([['hotRestart', 'danger']])
    expect(codes(job('tallow-mill', { 'tstat.holdOff': 5 }))).toEqual([])
  })

  it('nor does one whose description says that it does, and which has nothing to know it by', () => {
    const inst = as(job('tallow-mill'), 'tstat', (p) => ({
      ...p,
      device: { ...p.device, settings: p.device.settings.filter((s) => s.id !== 'holdOff') },
      settings: { ...p.settings, holdOff: 5 },
    }))
    expect(codes(inst)).toEqual([['hotRestart', 'danger']])
  })

  it('a kit is held to the same; a sensor of its own in the plenum counts', () => {
    expect(codes(job('ferrous-hill', { 'ffk.holdOff': 0 }))).toEqual([['hotRestart', 'danger']])
    const sensed = as(job('ferrous-hill', { 'ffk.holdOff': 0 }), 'ffk', (p) => ({
      ...p,
      device: { ...p.device, plate: { ...p.device.plate, plenumSensor: true } },
    }))
    // Its description asks for the hold-off as well; a kit that goes by its sensor alone has no such setting.
    expect(codes(sensed)).toEqual([['hotRestart', 'danger']])
  })

  it('where only the outdoor temperature changes over it is a warning', () => {
    expect(codes(weatherAlone({ 'tstat.holdOff': 0 }))).toEqual([['hotRestartSeldom', 'warn']])
  })
})

describe('every rule', () => {
  it('is registered once, and has a fixture', () => {
    const ids = RULES.map((r) => r.id)
    expect(new Set(ids).size).toBe(ids.length)
    expect([...new Set([...Object.keys(FIXTURES), ...Object.keys(JOB_FIXTURES)])].sort()).toEqual(ids.sort())
  })

  it.each(Object.keys(FIXTURES))('%s holds on its clean job and is broken by its fixture', (id) => {
    const { clean, broken, witness, code } = FIXTURES[id]!
    const before = prove((clean ?? right)())
    expect(before.rules).toContain(id)
    expect(before.findings.filter((f) => f.rule === id)).toEqual([])

    const found = prove(broken()).findings.find((f) => f.rule === id && f.code === code)
    expect(found).toMatchObject({ rule: id, witness, code })
    expect(said(found!)).toEqual(SAYS[code])
    expect(found!.path.length).toBeGreaterThan(0)
  })

  const codesOf = (list: readonly { code: string; because?: { code: string }[] }[]) =>
    list.flatMap((f) => [f, ...(f.because ?? [])]).map((x) => x.code)
  const ruleOf = (code: string) => RULES.find((r) => r.codes.includes(code as never))?.id
  it.each(Object.keys(MORE).map((code) => [ruleOf(code), code] as const))('%s can say %s', (_, code) => {
    const found = MORE[code]!()
    const list = 'factors' in found ? found.findings : jobFindings(found)
    expect(codesOf(list)).toContain(code)
    const own = list.find((f) => f.code === code)
    if (own) expect(said(own)).toEqual(SAYS[code])
  })

  it('can say nothing that no fixture raises', () => {
    const said = [
      ...Object.keys(MORE),
      ...Object.values(FIXTURES).map((f) => f.code),
      ...Object.values(JOB_FIXTURES).map((f) => f.code),
    ]
    expect(RULES.flatMap((r) => r.codes).filter((c) => !said.includes(c))).toEqual([])
  })
})

describe('further breaches', () => {
  const broken = (inst: Installation) => prove(inst).findings.map((f) => `${f.rule}:${f.code}`)

  it('finds Y and O swapped at the outdoor unit: a heating call then shifts the valve and starts nothing', () => {
    // Cooling: Y and O both live, so all is well. Heating: only O/B at the unit is live, the compressor stays off.
    const inst = right()
    const y = wireBetween(inst, 'ah.Y', 'od.Y').id
    const o = wireBetween(inst, 'ah.O', 'od.OB').id
    const swapped = rewired(rewired(inst, y, { b: 'od.OB' }), o, { b: 'od.Y' })
    const solved = solve(new Circuit(swapped), { call: 'heat1', outdoorF: degF(45), modes: {} })
    if (!solved.ok) throw new Error(solved.why)
    expect(solved.running.map((l) => l.ref)).toEqual(['ah.blower', 'od.rvCoil'])
    // While the minimum-off timer holds Y, O alone now runs the compressor, with the valve at rest: one mode away.
    const found = prove(swapped).findings
    expect(found.map((f) => `${f.rule}:${f.code}`)).toEqual(['someHeat:noHeat', 'valveRight:coolingHeats'])
    expect(found[1]!.witness).toEqual({ call: 'cool1', outdoorF: 45, modes: { 'tstat.timer': 'waiting' } })
  })

  it('a breaker that is too small for its strips is no short, however many times too small', () => {
    // Two rows of 4,800 W at 240 V are 40 A, and the blower.
    const of = (breakerA: number) =>
      prove(job('quillfeather-lane', { 'feedA.breakerA': breakerA }))
        .findings.filter((f) => f.rule === 'noShort')
        .map((f) => f.code)
    expect(of(10)).toEqual(['overRating'])
    expect(of(15)).toEqual(['overRating'])
    expect(of(60)).toEqual([])
    // R on C at the far end of the cable is one, though strips draw more elsewhere.
    const short = prove(joined(demoInstallation('quillfeather-lane'), 'od.R', 'od.C'))
    expect(short.findings.filter((f) => f.rule === 'noShort').map((f) => f.code)).toEqual(['overcurrent'])
  })

  it('names what is called (noHeat): the furnace where it is so cold that the call goes there', () => {
    const at = (id: string, from: string, to: string) => {
      const inst = demoInstallation(id)
      const cut = rewired(inst, wireBetween(inst, from, to).id, { b: null })
      const found = prove(cut).findings.find((f) => f.code === 'noHeat')
      return [
        found?.at,
        found?.witness?.call,
        found && found.witness!.outdoorF < 35,
        found?.path.some((x) => x === to),
      ]
    }
    // By the thermostat's own changeover at 35 °F, and by a fuel kit's.
    expect(at('tallow-mill', 'tstat.AUX', 'fur.W')).toEqual(['fur.valve', 'heat1', true, true])
    expect(at('ferrous-hill', 'ffk.W', 'fur.W')).toEqual(['fur.valve', 'heat1', true, true])
    // Where the heat pump is called it is the compressor.
    expect(at('quillfeather-lane', 'tstat.Y', 'ah.Y').slice(0, 2)).toEqual(['od.compressor', 'heat1'])
  })

  it('finds emergency heat that reaches one row only', () => {
    const inst = right()
    expect(broken(without(inst, wireBetween(inst, 'ah.W1', 'ah.W2').id))).toContain(
      'emergencyHeat:someBackupMissing',
    )
  })

  it('finds emergency heat that starts the compressor', () => {
    const inst = right()
    expect(broken(rewired(inst, wireBetween(inst, 'tstat.E', 'ah.W2').id, { b: 'ah.Y' }))).toContain(
      'emergencyHeat:compressorInEmergency',
    )
  })

  it('finds B of an older thermostat, which is a common, landed on O/B as a short in cooling', () => {
    // 24 V from the O relay straight to common through the conductor: a short whenever cooling is called.
    const inst = right()
    const found = prove({
      ...inst,
      wires: [...inst.wires, wire('x', 'ah.O', 'ah.C', { gauge: 18, feet: 1 })],
    }).findings.find((f) => f.rule === 'noShort')
    expect(found?.witness).toMatchObject({ call: 'cool1', modes: {} })
  })
})

describe('the smallest witness', () => {
  it('stays normal where normal is enough', () => {
    const inst = right()
    const noHold = rewired(inst, wireBetween(inst, 'kit.BL', 'ah.BL').id, { b: null })
    // Fan left to the equipment and the interlock lead off: strips without blower, first in emergency, nothing away.
    const equipment = {
      ...noHold,
      placed: demoInstallation('quillfeather-lane', { 'tstat.emergencyFan': 'equipment' }).placed,
    }
    const found = prove(equipment).findings.find((f) => f.rule === 'stripsNeedBlower')
    expect(found?.witness).toEqual({ call: 'emergency', outdoorF: 45, modes: {} })
  })
})

describe('how many states', () => {
  it('counts what a person counts on the demo job', () => {
    // Cuts: 35 and 40 (outdoor thermostat and its differential), 50 (defrost): regions <35, 35, 35–40, 40, 40–50, 50, >50.
    // Inside 35 ≤ T < 40 the thermostat may be made or broken: those two regions count twice.
    const weight = { below50: 1 + 2 + 2 + 1 + 1, from50: 2 }
    const all = weight.below50 + weight.from50
    const breakers = 2 * 2
    const limits = 2 * 2
    const timer = 2
    const quiet = breakers * all // off, and fan
    const emergency = breakers * limits * all
    const cooling = breakers * timer * 2 * all // board normal or locked out
    const heating = breakers * timer * limits * (3 * weight.below50 + 2 * weight.from50) // and defrost below 50
    expect(prove(right()).solved).toBe(2 * quiet + emergency + cooling + 2 * heating)
    expect(prove(right()).factors).toEqual({
      calls: 6,
      temperatures: 7,
      mostModes: 4 * 2 * 4 * 3 * 2,
      assumptions: 1,
      otherRests: 0,
    })
  })
})
