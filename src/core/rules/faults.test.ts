import { demoInstallation, libraryDevice, rewired, without, wireBetween } from '../../../tests/helpers/demo'
import { placed } from '../../../tests/helpers/build'
import { joined, moved, stageDriven } from '../../../tests/helpers/ruleFixtures'
import { gear, STRIPS, type Short } from '../../../tests/helpers/gear'
import { failuresOf, singleFailures } from '../failures'
import type { Installation, Ref } from '../installation'
import { planLanding, planned, USUAL } from '../plan'
import { prove } from '.'

/** The faults that a bench of this trade must know, one by one: those of the wiring are caught by a rule. */
const good = (s = {}) => demoInstallation('quillfeather-lane', s)
const two = (s = {}) => demoInstallation('pennywort-close', s)
const swap = (inst: Installation, one: [string, string], other: [string, string]) => {
  const [a, b] = [wireBetween(inst, ...one), wireBetween(inst, ...other)]
  const end = (w: typeof a, ref: string) => (w.a === ref ? 'a' : 'b')
  return rewired(rewired(inst, a.id, { [end(a, one[1])]: other[1] }), b.id, { [end(b, other[1])]: one[1] })
}
/** A job as the plan lands it, for gear that no demo job has. */
const landed = (pieces: Short[], wall: number, out: number, fuel: 'thermostat' | 'stage' = 'thermostat') => {
  const inst = gear(pieces, wall, out)
  return planned(inst, planLanding(inst, { ...USUAL, fuel }))
}

const WIRING: [string, () => Installation, string][] = [
  ['R–C short at a splice', () => joined(good(), 'od.R', 'od.C'), 'noShort'],
  ['O/B swapped', () => good({ 'tstat.rvSense': 'heating' }), 'valveRight'],
  ['Y and O swapped', () => swap(good(), ['ah.Y', 'od.Y'], ['ah.O', 'od.OB']), 'someHeat'],
  ['C missing', () => moved(good(), 'tstat.C', null, 'ah.C'), 'thermostatPowered'],
  [
    'B used as common, landed on the reversing valve',
    () =>
      joined(
        landed([['tstat', 'plover-b7', 'wall'], STRIPS[1]!, STRIPS[2]!, STRIPS[3]!], 8, 6),
        'tstat.B',
        'ah.O',
      ),
    'noShort',
  ],
  [
    'W landed on the outdoor output only',
    () => without(moved(good(), 'ah.W1', null, 'od.W'), wireBetween(good(), 'tstat.E', 'ah.W2').id),
    'emergencyHeat',
  ],
  ['E through the outdoor thermostat', () => demoInstallation('saltmarsh-row'), 'emergencyHeat'],
  [
    'AUX–E jumper missing',
    () => {
      const inst = gear(STRIPS, 8, 6)
      const p = planned(inst, planLanding(inst, { ...USUAL, emergency: 'jumper' }))
      return without(p, wireBetween(p, 'tstat.AUX', 'tstat.E').id)
    },
    'emergencyHeat',
  ],
  [
    'AUX–E jumper defeating the outdoor thermostat',
    () => joined(good(), 'tstat.AUX', 'tstat.E'),
    'auxHeldOff',
  ],
  ['W1–W2 jumper missing', () => without(good(), wireBetween(good(), 'ah.W1', 'ah.W2').id), 'emergencyHeat'],
  ['Y2 not landed', () => moved(two(), 'tstat.Y2', null, 'ah.Y2'), 'stages'],
  ['W2 landed and not configured', () => two({ 'tstat.backupStages': '1' }), 'stages'],
  [
    'sensor pair open',
    () => moved(demoInstallation('tallow-mill'), 'tstat.S1', null, wireTo('tallow-mill', 'tstat.S1')),
    'sensor',
  ],
  ['defrost W landed on a furnace', () => joined(stageDriven(), 'od.W', 'fur.W'), 'defrostNoBurner'],
  ['interlock relay on the wrong contact', () => demoInstallation('lapwing-court'), 'heatAheadOfCoil'],
  ['coil-entering-air thermostat absent', () => joined(stageDriven(), 'ceat.T1', 'ceat.T2'), 'hotCoil'],
  ['coil-entering-air thermostat after the coil', () => stageDriven({ 'ceat.position': 'after' }), 'airSide'],
  [
    'Rc–Rh jumper missing',
    () => without(two(), wireBetween(two(), 'tstat.Rc', 'tstat.Rh').id),
    'emergencyHeat',
  ],
  [
    'Rc–Rh jumper present with two transformers',
    () => {
      const x = placed('x', libraryDevice('sedge-x40'), { tap: 240 })
      const inst = joined(
        joined({ ...two(), placed: [...two().placed, x] }, 'x.L1', 'kit.L1'),
        'x.L2',
        'kit.L2',
      )
      return joined(inst, 'x.R', 'tstat.Rh')
    },
    'noParallel',
  ],
  [
    'float switch in the wrong leg: it cuts the thermostat’s R',
    () => {
      const inst = demoInstallation('osier-walk')
      const jumped = joined(inst, 'flo.T1', 'flo.T2')
      return moved(jumped, 'ah.R', null, 'tstat.R')
    },
    'thermostatPowered',
  ],
  [
    'selector set communicating on 24 V wiring',
    () => demoInstallation('copper-alley', { 'od.selector': 'bus' }),
    'selectorMatches',
  ],
  ['sensor pair shorted', () => joined(demoInstallation('tallow-mill'), 'tstat.S1', 'tstat.S2'), 'sensor'],
  ['low-gas switch in the wrong circuit', () => demoInstallation('millrace-cottage'), 'lowGas'],
  ['Y spliced past the air handler board', () => demoInstallation('harrier-bank'), 'blowerSpeed'],
  [
    'defrost output joined upstream of the outdoor thermostat',
    () => {
      const inst = moved(good(), 'od.W', 'odt.T2', 'ah.W1')
      return rewired(inst, inst.wires.find((w) => w.a === 'odt.T2' && w.b === 'od.W')!.id, { a: 'odt.T1' })
    },
    'defrostTempered',
  ],
  [
    'blower interlock missing, and no G with the strips',
    () => moved(good({ 'tstat.emergencyFan': 'equipment' }), 'kit.BL', null, 'ah.BL'),
    'stripsNeedBlower',
  ],
]

function wireTo(job: string, terminal: string): Ref {
  const w = demoInstallation(job).wires.find((x) => x.a === terminal || x.b === terminal)!
  return (w.a === terminal ? w.b : w.a)!
}

describe('faults of the wiring', () => {
  it.each(WIRING)('%s', (_, inst, rule) => {
    const proof = prove(inst())
    const named = [...proof.findings.map((f) => f.rule), ...proof.undecided.map((u) => u.rule)]
    expect(named).toContain(rule)
  })
})

describe('failures of parts', () => {
  const jobs = { strips: good(), fuel: demoInstallation('tallow-mill') }
  const effects = { strips: singleFailures(jobs.strips), fuel: singleFailures(jobs.fuel) }
  const harmless = ['nothing', 'lostProtection']

  it.each([
    ['open transformer fuse', 'strips', 'mode', 'ah.fuse24', ['noHeat']],
    ['outdoor thermostat stuck open', 'strips', 'stuckOpen', 'odt.switch', ['unnoticed']],
    ['outdoor thermostat stuck closed', 'strips', 'stuckClosed', 'odt.switch', ['unnoticed']],
    ['stuck contactor', 'strips', 'stuckClosed', 'od.pole', ['noticed', 'harm']],
    ['welded sequencer', 'strips', 'stuckClosed', 'kit.seq2c', ['harm']],
    ['open element', 'strips', 'loadOpen', 'kit.row2', ['unnoticed']],
    ['open fuse link', 'strips', 'mode', 'kit.link2', ['unnoticed']],
    ['defrost output dead', 'strips', 'stuckOpen', 'od.outW', ['unnoticed']],
    ['outdoor fan that does not stop', 'strips', 'stuckClosed', 'od.fanRelay', ['unnoticed']],
    ['valve coil open', 'strips', 'loadOpen', 'od.rvCoil', ['unnoticed']],
    ['one breaker of two off', 'strips', 'mode', 'feedB.breaker', ['noticed']],
    ['thermostat relay welded on Y', 'fuel', 'stuckClosed', 'tstat.outY', ['harm']],
    ['flame not proved', 'fuel', 'mode', 'fur.flame', ['noHeat']],
    ['empty gas supply', 'fuel', 'mode', 'fur.gasSupply', ['noHeat']],
  ] as const)('%s has its effect', (_, job, kind, at, kinds) => {
    const found = effects[job].filter((e) => e.failure.kind === kind && e.failure.at === at)
    expect(found).toHaveLength(1)
    expect(kinds).toContain(found[0]!.kind)
    expect(found[0]!.witness).not.toBeNull()
  })

  it('says where each shows, and changes nothing where it says so', () => {
    // What becomes of its defrosts shows in no single state.
    for (const e of [...effects.strips, ...effects.fuel].filter((x) => !x.defrosts))
      expect([e.failure.at, e.witness === null]).toEqual([e.failure.at, harmless.includes(e.kind)])
    expect(effects.strips).toHaveLength(failuresOf(jobs.strips).length)
  })
})
