import { demoInstallation, rewired, wireBetween, without } from '../../../tests/helpers/demo'
import { coil, contact, device, install, placed, wire } from '../../../tests/helpers/build'
import { Circuit, solve } from '../circuit'
import type { Installation } from '../installation'
import type { Situation } from '../situation'
import { degF } from '../units'
import { LAWS, prove } from '.'

const right = () => demoInstallation('quillfeather-lane')

const buzzer = device(
  'buzzer',
  ['R', 'C'],
  [
    { kind: 'source', id: 's', a: 'R', b: 'C', volts: 24, ohms: 0.5 },
    contact('nc', 'R', 'x', { not: { energised: 'coil' } }),
    coil('coil', 'x', 'C', 6, 0.5),
  ],
)

/** For each law: a job that breaks it, with the smallest witness worked out by hand, and where it goes wrong. */
const breaking: Record<
  string,
  { why: string; inst: () => Installation; witness: Partial<Situation>; what: string }
> = {
  noShort: {
    why: 'the blue and the red conductor of the outdoor cable are joined at the unit: short with every call, so "off", at the region nearest 47 °F',
    inst: () => ({
      ...right(),
      wires: [...right().wires, wire('x', 'od.R', 'od.C', { gauge: 18, feet: 1 })],
    }),
    witness: { call: 'off', outdoorF: 45 as never, modes: {} },
    what: 'overcurrent',
  },
  noChatter: {
    why: 'a relay that breaks its own coil; with no temperature cuts there is one region, −20 to 115: 48 °F is its middle',
    inst: () => ({ ...install([...right().placed, placed('z', buzzer)], right().wires, right().cables) }),
    witness: { call: 'off', outdoorF: 45 as never, modes: {} },
    what: 'chatter',
  },
  stripsNeedBlower: {
    why: 'without the W1–W2 jumper E lands on W2 alone; with the fan left to the equipment, row 2 heats with no blower',
    inst: () => {
      const inst = demoInstallation('quillfeather-lane', { 'tstat.emergencyFan': 'equipment' })
      return without(inst, wireBetween(inst, 'ah.W1', 'ah.W2').id)
    },
    witness: { call: 'emergency', outdoorF: 45 as never, modes: {} },
    what: 'stripsNoBlower',
  },
  emergencyHeat: {
    why: 'E through the outdoor thermostat: above 40 °F it is open for certain; 45 is the region nearest 47',
    inst: () => demoInstallation('saltmarsh-row'),
    witness: { call: 'emergency', outdoorF: 45 as never, modes: {} },
    what: 'noBackup',
  },
  valveRight: {
    why: 'the thermostat energises O/B in heating, the outdoor unit wants it in cooling: the lowest compressor call is cooling',
    inst: () => demoInstallation('quillfeather-lane', { 'tstat.rvSense': 'heating' }),
    witness: { call: 'cool1', outdoorF: 45 as never, modes: {} },
    what: 'coolingHeats',
  },
  rowsReachable: {
    why: 'without the W1–W2 jumper and with E moved to W1, nothing ever reaches W2',
    inst: () => {
      const inst = right()
      const jumperless = without(inst, wireBetween(inst, 'ah.W1', 'ah.W2').id)
      return rewired(jumperless, wireBetween(inst, 'tstat.E', 'ah.W2').id, { b: 'ah.W1' })
    },
    witness: { call: 'heatAux1', outdoorF: 45 as never, modes: {} },
    what: 'rowNever',
  },
}

describe('every law', () => {
  it('is registered once and has a fixture that breaks it', () => {
    const ids = LAWS.map((l) => l.id)
    expect(new Set(ids).size).toBe(ids.length)
    expect(Object.keys(breaking).sort()).toEqual([...ids].sort())
  })

  it.each(LAWS.map((l) => l.id))('%s holds on the clean job and is broken by its fixture', (id) => {
    const clean = prove(right())
    expect(clean.laws).toContain(id)
    expect(clean.findings.filter((f) => f.law === id)).toEqual([])

    const { inst, witness, what } = breaking[id]!
    const found = prove(inst()).findings.find((f) => f.law === id)
    expect(found).toMatchObject({ law: id, witness, what })
    expect(found!.path.length).toBeGreaterThan(0)
  })
})

describe('further breaches', () => {
  const broken = (inst: Installation) => prove(inst).findings.map((f) => `${f.law}:${f.what}`)

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
    expect(found.map((f) => `${f.law}:${f.what}`)).toEqual(['valveRight:coolingHeats'])
    expect(found[0]!.witness).toEqual({ call: 'cool1', outdoorF: 45, modes: { 'tstat.timer': 'waiting' } })
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
    }).findings.find((f) => f.law === 'noShort')
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
    const found = prove(equipment).findings.find((f) => f.law === 'stripsNeedBlower')
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
    })
  })
})

describe('what is not known yet', () => {
  it('is tried both ways; a law that hangs on it is undecided and names it', () => {
    const proof = prove(demoInstallation('quillfeather-lane', { 'od.rvSense': null }))
    expect(proof.factors.assumptions).toBe(2)
    expect(proof.findings).toEqual([])
    expect(proof.undecided).toMatchObject([{ law: 'valveRight', unknown: ['od.rvSense'] }])
  })

  it('does not disturb laws that do not hang on it', () => {
    const proof = prove(demoInstallation('saltmarsh-row', { 'od.rvSense': null }))
    expect(proof.findings.map((f) => f.law)).toEqual(['emergencyHeat'])
  })

  it('covers a wire in doubt', () => {
    const inst = right()
    const id = wireBetween(inst, 'tstat.E', 'ah.W2').id
    const proof = prove({ ...inst, wires: inst.wires.map((w) => (w.id === id ? { ...w, doubt: true } : w)) })
    expect(proof.undecided).toMatchObject([{ law: 'emergencyHeat', unknown: [`wires.${id}`] }])
  })

  it('leaves everything undecided beyond six binary unknowns', () => {
    const inst = right()
    const doubted = { ...inst, wires: inst.wires.map((w, i) => (i < 7 && w.a ? { ...w, doubt: true } : w)) }
    const proof = prove(doubted)
    expect(proof.solved).toBe(0)
    expect(proof.undecided).toHaveLength(LAWS.length)
    expect(proof.undecided[0]!.unknown).toHaveLength(7)
  })
})
