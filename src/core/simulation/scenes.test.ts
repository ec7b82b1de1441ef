import { Circuit } from '../circuit'
import type { Device } from '../equipment'
import type { Ref } from '../installation'
import { demoInstallation } from '../../../tests/helpers/demo'
import { stageDriven } from '../../../tests/helpers/ruleFixtures'
import { demoSeen } from '../../../tests/helpers/seen'
import { sceneInput, sceneNotes, simulate, type Scene, type SceneOptions } from '.'

const circuits = new Map<string, { seen: ReturnType<typeof demoSeen>; circuit: Circuit }>()
const jobOf = (id: string) => {
  let job = circuits.get(id)
  if (!job) {
    const seen = demoSeen(id)
    circuits.set(id, (job = { seen, circuit: new Circuit(seen.inst) }))
  }
  return job
}

/** "+od.compressor" and "-kit.row1" with the second at which it happens, in their order. */
function loadsOf(id: string, scene: Scene, o: SceneOptions): [string, number][] {
  const { seen, circuit } = jobOf(id)
  const run = simulate(circuit, seen, sceneInput(seen, scene, { sampleEvery: 60, ...o }))
  return run.steps.flatMap((s) =>
    s.moves.flatMap((m): [string, number][] =>
      m.kind === 'load' ? [[`${m.on ? '+' : '-'}${m.ref}`, s.at]] : [],
    ),
  )
}

/** What happens to some loads, by the device's own delays: the arithmetic stands beside each. */
interface Fixture {
  job: string
  scene: Scene
  o?: SceneOptions
  of: Ref[]
  /** In their order from the first on, each to a second. */
  events: [string, number][]
}

const STRIPS: Ref[] = ['od.compressor', 'kit.row1', 'kit.row2']
const FIXTURES: Record<string, Fixture> = {
  // The wall is turned at 60 s. A degree is below the droop of 2: the heat pump alone, at once.
  'a degree brings the heat pump alone': {
    job: 'quillfeather-lane', scene: 'raise1', o: { outdoorF: 25, until: 3600 }, of: STRIPS,
    events: [['+od.compressor', 60]],
  },
  // 4 ≥ 2: backup too; sequencers close 12 and 24 s after their coils: 60 + 12, 60 + 24.
  'four degrees bring the strips, one row after the other': {
    job: 'quillfeather-lane', scene: 'raise4', o: { outdoorF: 25, until: 300 }, of: STRIPS,
    events: [['+od.compressor', 60], ['+kit.row1', 72], ['+kit.row2', 84]],
  },
  // Set to 35 °F the switch is open at 36 once it has been warmer: the strips stay off, whatever is called.
  'an outdoor thermostat holds the strips off': {
    job: 'quillfeather-lane', scene: 'raise4', o: { outdoorF: 45, until: 3000 }, of: STRIPS,
    events: [['+od.compressor', 60]],
  },
  // All off at 1,200 s with the breakers. Back at 2,400, the thermostat waits its 5 min again: 2,700; by then the room has
  // fallen past the droop, and the sequencers need no compressor: 2,412 and 2,424.
  'after a power failure the minimum-off is counted anew, and the strips come before it': {
    job: 'quillfeather-lane', scene: 'powerOff', o: { outdoorF: 15, until: 2800 }, of: STRIPS,
    events: [
      ['+od.compressor', 60], ['+kit.row1', 72], ['+kit.row2', 84],
      ['-kit.row1', 1200], ['-kit.row2', 1200], ['-od.compressor', 1200],
      ['+kit.row1', 2412], ['+kit.row2', 2424], ['+od.compressor', 2700],
    ],
  },
  // Emergency at 60 s: rows at 72 and 84, no compressor. Heat at 960 s: it starts at once, never having stopped; the rows
  // open 75 and 50 s after their coils: 1,035 and 1,010.
  'emergency heat, and back to the heat pump': {
    job: 'quillfeather-lane', scene: 'backupCycle', o: { outdoorF: 45, until: 1100 }, of: STRIPS,
    events: [['+kit.row1', 72], ['+kit.row2', 84], ['+od.compressor', 960], ['-kit.row2', 1010], ['-kit.row1', 1035]],
  },
  // Turned down at 720 s, up at 960: 240 s off. The timer of 5 min ends at 720 + 300.
  'up and down: the compressor waits out its five minutes': {
    job: 'osier-walk', scene: 'upAndDown', o: { outdoorF: 40, until: 1100 }, of: ['od.compressor'],
    events: [['+od.compressor', 60], ['-od.compressor', 720], ['+od.compressor', 1020]],
  },
  // Two stages of strips on a two-stage thermostat: 4 °F are past the droop of 2 and the stage of 1 more: both banks.
  'four degrees bring both banks and both stages': {
    job: 'harrier-bank', scene: 'raise4', o: { outdoorF: 25, until: 300 }, of: ['od.compressor', 'od.stage2', 'kit.row1', 'kit.row2'],
    events: [['+od.compressor', 60], ['+od.stage2', 60], ['+kit.row1', 72], ['+kit.row2', 84]],
  },
  // Below its changeover of 35 °F the furnace answers: 33 s of prepurge and trial; its blower 30 s after the flame; high
  // fire 45 s after W2 of a 4 °F call.
  'a furnace below its changeover': {
    job: 'tallow-mill', scene: 'raise4', o: { outdoorF: 30, until: 400 }, of: ['od.compressor', 'fur.valve', 'fur.valve2', 'fur.blowerHeat'],
    events: [['+fur.valve', 93], ['+fur.valve2', 105], ['+fur.blowerHeat', 123]],
  },
  // Emergency from 60 to 960 s. The burner goes at once; the air ahead of the coil is warm for 45 s and cool 80 s after
  // that: the compressor waits until 960 + 125.
  // 960 s and the five minutes that the thermostat is set to: longer than the air takes to cool.
  'after a furnace cycle the compressor waits out the hold-off': {
    job: 'tallow-mill', scene: 'backupCycle', o: { outdoorF: 45, until: 1500 }, of: ['od.compressor', 'fur.valve'],
    events: [['+fur.valve', 93], ['-fur.valve', 960], ['+od.compressor', 1260]],
  },
  // Oil: the primary's 12 s, the fan 45 s after it.
  'an oil burner, and its fan': {
    job: 'candlemaker-yard', scene: 'raise1', o: { outdoorF: 20, until: 300 }, of: ['fur.burnerLoad', 'fur.blowerHeat'],
    events: [['+fur.burnerLoad', 72], ['+fur.blowerHeat', 117]],
  },
  'a fuel kit gives the furnace below its own changeover': {
    job: 'ferrous-hill', scene: 'raise1', o: { outdoorF: 25, until: 300 }, of: ['fur.valve', 'od.compressor', 'fur.blowerHeat'],
    events: [['+fur.valve', 93], ['+fur.blowerHeat', 123]],
  },
  // Its thermostat has no droop to set: comfort is a degree, and a degree calls backup.
  'a comfort droop of a degree brings the furnace for a degree': {
    job: 'ferrous-hill', scene: 'raise1', o: { outdoorF: 45, until: 300 }, of: ['fur.valve', 'od.compressor'],
    events: [['+fur.valve', 93]],
  },
  'an inverter with its strips': {
    job: 'copper-alley', scene: 'raise4', o: { outdoorF: 35, until: 300 }, of: STRIPS,
    events: [['+od.compressor', 60], ['+kit.row1', 72], ['+kit.row2', 84]],
  },
  'its heat pump alone for a degree': {
    job: 'copper-alley', scene: 'raise1', o: { outdoorF: 35, until: 300 }, of: STRIPS,
    events: [['+od.compressor', 60]],
  },
  // A relay kit closes at once.
  'a kit on relays comes at once': {
    job: 'brambling-rise', scene: 'raise4', o: { outdoorF: 25, until: 300 }, of: ['od.compressor', 'kit.row1'],
    events: [['+od.compressor', 60], ['+kit.row1', 60]],
  },
  'in cooling it runs at once': {
    job: 'sandpiper-green', scene: 'cooling', o: { until: 600 }, of: ['od.compressor', 'kit.row1'],
    events: [['+od.compressor', 60]],
  },
  'two degrees of cooling are two stages': {
    job: 'tallow-mill', scene: 'cooling', o: { until: 600 }, of: ['od.compressor', 'od.stage2', 'fur.valve'],
    events: [['+od.compressor', 60], ['+od.stage2', 60]],
  },
  'a packaged unit in emergency heat': {
    job: 'dovecote-lane', scene: 'backupCycle', o: { outdoorF: 45, until: 1000 }, of: ['od.compressor', 'od.row1', 'od.row2'],
    events: [['+od.row1', 60], ['+od.row2', 60], ['+od.compressor', 960], ['-od.row1', 960], ['-od.row2', 960]],
  },
  'a heat pump thermostat on a fuel job, mild': {
    job: 'millrace-cottage', scene: 'raise1', o: { outdoorF: 50, until: 600 }, of: ['od.compressor', 'fur.valve', 'fur.burnerLoad'],
    events: [['+od.compressor', 60]],
  },
  // Strips on 5 °F below: 4 do not bring them.
  'a controller whose strips come five degrees below does without them at four': {
    job: 'gorse-end', scene: 'raise4', o: { outdoorF: 50, until: 900 }, of: ['kit.row1', 'kit.row2'],
    events: [],
  },
  // The interlock on the wrong contact: with backup the compressor starts, and stops when the air is hot, 45 s after the flame.
  'an interlock on the wrong contact runs the compressor into the furnace': {
    job: 'lapwing-court', scene: 'raise4', o: { outdoorF: 25, until: 400 }, of: ['od.compressor', 'fur.valve'],
    events: [['+od.compressor', 60], ['+fur.valve', 93], ['-od.compressor', 138]],
  },
  'a two-stage unit takes its first stage for a degree': {
    job: 'pennywort-close', scene: 'raise1', o: { outdoorF: 40, until: 300 }, of: ['od.compressor', 'od.stage2', 'kit.row1'],
    events: [['+od.compressor', 60]],
  },
  'emergency heat that reaches no strips brings none': {
    job: 'saltmarsh-row', scene: 'backupCycle', o: { outdoorF: 45, until: 900 }, of: STRIPS,
    events: [],
  },
  // At 7,200 s the board locks out on a fault while it runs; what the thermostat calls later brings no compressor.
  'a heat pump that dies stays dead, and its strips carry on': {
    job: 'quillfeather-lane', scene: 'heatPumpDies', o: { outdoorF: 20 }, of: ['od.compressor'],
    events: [['-od.compressor', 7200]],
  },
  // The switch takes 0.5 °F of coolness at once: heat at 60 s. The coil goes from 32 to below 30 °F within some 10 s
  // (45 · ln(10/8)); at 600 s 530 are counted, and each second then is 90: (3,600 − 530)/90 = 34. Rows 12 and 24 s after it.
  'speed-up pins force a defrost in half a minute, and its strips follow': {
    job: 'quillfeather-lane', scene: 'forcedDefrost', o: { until: 700 }, of: ['od.compressor', 'od.fan', 'kit.row1', 'kit.row2'],
    events: [['+od.compressor', 60], ['+od.fan', 60], ['-od.fan', 634], ['+kit.row1', 646], ['+kit.row2', 658]],
  },
  // The jumper stands for a cold coil from the start: at 600 s 540 are counted, (3,600 − 540)/90 = 34. The pins are let go at
  // 645 s; two minutes later the power goes off, and the jumper comes out.
  'on a mild day a jumper and the pins force one, and the power ends it': {
    job: 'quillfeather-lane', scene: 'forcedDefrost', o: { outdoorF: 65, until: 800 }, of: ['od.compressor', 'od.fan', 'kit.row1', 'kit.row2'],
    events: [
      ['+od.compressor', 60], ['+od.fan', 60], ['-od.fan', 634], ['+kit.row1', 646], ['+kit.row2', 658],
      ['-od.compressor', 765], ['-kit.row1', 765], ['-kit.row2', 765],
    ],
  },
  // Its own test at 600 s; the first row 12 s after the board’s W.
  'a demand board defrosts by its own test in any weather': {
    job: 'pennywort-close', scene: 'forcedDefrost', o: { outdoorF: 65, until: 620 }, of: ['od.compressor', 'od.fan', 'kit.row1'],
    events: [['+od.compressor', 60], ['+od.fan', 60], ['-od.fan', 600], ['+kit.row1', 612]],
  },
} // prettier-ignore

/** What happens in one second has no order. */
const inOrder = (list: [string, number][]): [string, number][] =>
  [...list].sort((a, b) => Math.round(a[1]) - Math.round(b[1]) || (a[0] < b[0] ? -1 : 1))

/** s at which the compressor starts after a cycle of the furnace, behind an air thermostat that remakes at so many °F. */
function backAfterFurnace(remakesF: number): { at: number; because: unknown } {
  const inst = stageDriven()
  const text = JSON.stringify(inst.placed.find((p) => p.ref === 'ceat')!.device).replace('"below":86', `"below":${remakesF}`)
  const placed = inst.placed.map((p) => (p.ref === 'ceat' ? { ...p, device: JSON.parse(text) as Device } : p))
  const seen = { ...demoSeen('lapwing-court'), inst: { ...inst, placed } }
  const run = simulate(new Circuit(seen.inst), seen, sceneInput(seen, 'backupCycle', { sampleEvery: 60, outdoorF: 45, until: 2400 }))
  const step = run.steps.find((s) => s.at > 960 && s.moves.some((m) => m.kind === 'load' && m.on && m.ref === 'od.compressor'))
  const moved = step?.moves.find((m) => m.kind === 'mode' && m.ref === 'ceat.ahead')
  return { at: step?.at ?? NaN, because: moved?.kind === 'mode' ? moved.because : null }
} // prettier-ignore

describe('a coil-entering-air thermostat ahead of the coil', () => {
  it('lets the compressor back at its own temperature', () => {
    expect(backAfterFurnace(86).because).toMatchObject({ feels: 'enteringAir', side: 'below', at: 86 })
    expect(backAfterFurnace(78).because).toMatchObject({ feels: 'enteringAir', side: 'below', at: 78 })
    expect(backAfterFurnace(78).at).toBeGreaterThan(backAfterFurnace(86).at)
  })
})

describe('scenes, by the delays of their devices', () => {
  it.each(Object.entries(FIXTURES))('%s', (_, { job, scene, o = {}, of, events }) => {
    const found = loadsOf(job, scene, o).filter(([e]) => of.includes(e.slice(1) as Ref))
    const seen = inOrder(scene === 'heatPumpDies' ? found.slice(-1) : found)
    expect(seen.map(([e]) => e)).toEqual(inOrder(events).map(([e]) => e))
    for (const [i, [, at]] of inOrder(events).entries())
      expect(Math.abs(seen[i]![1] - at)).toBeLessThanOrEqual(1)
  })
})

describe('what a scene was expected to bring', () => {
  const notesOf = (job: string, scene: Scene, o: Parameters<typeof sceneInput>[2], settings = {}) => {
    const seen = { ...demoSeen(job), inst: demoInstallation(job, settings) }
    const run = simulate(new Circuit(seen.inst), seen, sceneInput(seen, scene, o))
    return sceneNotes(seen.inst, scene, run.steps, run.samples)
  }

  it('no defrost, where the compressor is locked out at that temperature', () => {
    expect(notesOf('ferrous-hill', 'forcedDefrost', { outdoorF: 30 })).toMatchObject([
      { why: 'noDefrost', load: 'od.compressor', situation: { outdoorF: expect.any(Number) } },
    ])
    expect(notesOf('quillfeather-lane', 'forcedDefrost', { outdoorF: 30 })).toEqual([])
  })

  it('no backup, where its lockout lets the house cool', () => {
    // An outdoor thermostat at 0 °F holds the strips off at 10, where the heat pump alone is not enough.
    const o = { outdoorF: 10, until: 12 * 3600 }
    expect(notesOf('quillfeather-lane', 'raise4', o, { 'odt.setpoint': 0 })).toMatchObject([
      { why: 'noBackup', load: 'kit.row1', situation: { call: 'heatAux1' } },
    ])
    expect(notesOf('quillfeather-lane', 'raise4', o)).toEqual([])
    // At 35 °F the strips are off too, and the heat pump alone brings the room up: nothing is missing.
    expect(notesOf('quillfeather-lane', 'raise4', { outdoorF: 35 })).toEqual([])
  })
})
