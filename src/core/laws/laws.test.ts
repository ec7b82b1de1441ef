import { demoInstallation, rewired, wireBetween, without } from '../../../tests/helpers/demo'
import { wire } from '../../../tests/helpers/build'
import { FIXTURES } from '../../../tests/helpers/lawFixtures'
import { BREACHES, LAW_WORDS } from '@/words'
import { Circuit, solve } from '../circuit'
import type { Installation } from '../installation'
import { degF } from '../units'
import { LAWS, proofSteps, prove } from '.'

const right = () => demoInstallation('quillfeather-lane')

describe('every law', () => {
  it('is registered once, has words, and a fixture that breaks it', () => {
    const ids = LAWS.map((l) => l.id)
    expect(new Set(ids).size).toBe(ids.length)
    expect(Object.keys(FIXTURES).sort()).toEqual([...ids].sort())
    expect(Object.keys(LAW_WORDS).sort()).toEqual([...ids].sort())
    for (const { what } of Object.values(FIXTURES)) expect(BREACHES).toContain(what)
  })

  it.each(LAWS.map((l) => l.id))('%s holds on its clean job and is broken by its fixture', (id) => {
    const { clean, broken, witness, what } = FIXTURES[id]!
    const before = prove((clean ?? right)())
    expect(before.laws).toContain(id)
    expect(before.findings.filter((f) => f.law === id)).toEqual([])

    const found = prove(broken()).findings.find((f) => f.law === id)
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
    expect(found.map((f) => `${f.law}:${f.what}`)).toEqual(['someHeat:noHeat', 'valveRight:coolingHeats'])
    expect(found[1]!.witness).toEqual({ call: 'cool1', outdoorF: 45, modes: { 'tstat.timer': 'waiting' } })
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

  it('is proven in a step for each of the six calls under each assumption', () => {
    const inst = demoInstallation('saltmarsh-row', { 'od.rvSense': null })
    const steps = proofSteps(inst)
    let [taken, step] = [0, steps.next()]
    for (; !step.done; step = steps.next()) taken++
    expect(taken).toBe(6 * 2)
    expect(step.value).toEqual(prove(inst))
  })

  it('leaves everything undecided beyond six binary unknowns', () => {
    const inst = right()
    const doubted = { ...inst, wires: inst.wires.map((w, i) => (i < 7 && w.a ? { ...w, doubt: true } : w)) }
    const proof = prove(doubted)
    expect(proof.solved).toBe(0)
    expect(proof.undecided).toHaveLength(LAWS.filter((l) => l.applies(doubted)).length)
    expect(proof.undecided[0]!.unknown).toHaveLength(7)
  })
})
