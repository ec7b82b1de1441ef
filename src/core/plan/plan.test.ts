import { graveFindings } from '../../../tests/helpers/grave'
import { gear, STRIPS, type Short } from '../../../tests/helpers/gear'
import { joined, moved } from '../../../tests/helpers/ruleFixtures'
import { demoInstallation, jobIds, rewired, without, wireBetween } from '../../../tests/helpers/demo'
import type { Installation } from '../installation'
import { compare, planLanding, planned, practiceFor, openPractices, USUAL, type WiringPractice } from '.'

const plan = (inst: Installation, practice: Partial<WiringPractice> = {}) =>
  planLanding(inst, { ...USUAL, ...practice })
const lawsBroken = (inst: Installation, practice: Partial<WiringPractice> = {}) =>
  graveFindings(planned(inst, plan(inst, practice))).map((f) => `${f.rule}:${f.code}`)
const joins = (inst: Installation, practice: Partial<WiringPractice> = {}) =>
  plan(inst, practice)
    .wires.filter((w) => w.a && w.b && !w.cable?.startsWith('line') && !w.cable?.startsWith('harness'))
    .map((w) => [w.a!, w.b!].sort().join(' '))

const odt: Short = ['odt', 'sedge-t50', 'north']
const FAMILIES: [string, Installation, Partial<WiringPractice>][] = [
  ['strips', gear(STRIPS, 8, 6), {}],
  ['strips, AUX–E jumper', gear(STRIPS, 8, 6), { emergency: 'jumper' }],
  ['strips, cold defrost', gear(STRIPS, 8, 6), { defrost: 'cold' }],
  ['strips through an outdoor thermostat', gear([...STRIPS, odt], 8, 8), {}],
  ['the same with a cold defrost', gear([...STRIPS, odt], 8, 8), { defrost: 'cold' }],
  [
    'an outdoor thermostat on the unit’s pins, B',
    gear(
      [STRIPS[0]!, STRIPS[1]!, STRIPS[2]!, ['od', 'marram-b2', 'north', { rvSense: 'heating' }], odt],
      8,
      7,
    ),
    {},
  ],
  [
    'two stages, staged strips, isolation relay',
    gear(
      [
        ['tstat', 'sorrel-h2', 'wall'],
        ['ah', 'teasel-a5', 'garage'],
        ['kit', 'teasel-k2', 'garage'],
        ['od', 'marram-t2', 'north'],
        ['r', 'sedge-r1', 'garage'],
      ],
      10,
      8,
    ),
    {},
  ],
  [
    'dual fuel by thermostat, weather feed',
    gear(
      [
        ['tstat', 'sorrel-h2', 'wall'],
        ['fur', 'brindle-g2', 'garage'],
        ['od', 'marram-t2', 'north'],
      ],
      9,
      8,
    ),
    {},
  ],
  [
    'dual fuel by kit',
    gear(
      [
        ['tstat', 'plover-p1', 'wall'],
        ['fur', 'brindle-g1', 'garage'],
        ['od', 'marram-s1', 'north'],
        ['k', 'sedge-f2', 'garage'],
      ],
      8,
      6,
    ),
    { fuel: 'kit' },
  ],
  [
    'dual fuel by stages',
    gear(
      [
        ['tstat', 'plover-s3', 'wall'],
        ['fur', 'brindle-g1', 'garage'],
        ['od', 'marram-s1', 'north'],
        ['r', 'sedge-r1', 'garage'],
        ['c', 'sedge-a103', 'garage'],
      ],
      7,
      6,
    ),
    { fuel: 'stage' },
  ],
  [
    'oil on a dry contact',
    gear(
      [
        ['tstat', 'sorrel-d1', 'wall'],
        ['fur', 'brindle-o1', 'garage'],
        ['od', 'marram-s1', 'north'],
        ['r', 'sedge-r1', 'garage'],
      ],
      8,
      6,
    ),
    {},
  ],
  [
    'packaged with strips',
    gear(
      [
        ['tstat', 'sorrel-h1', 'wall'],
        ['od', 'marram-p4', 'yard'],
      ],
      8,
    ),
    {},
  ],
  [
    'packaged dual fuel',
    gear(
      [
        ['tstat', 'sorrel-d1', 'wall'],
        ['od', 'brindle-p7', 'yard'],
      ],
      7,
    ),
    {},
  ],
  [
    'inverter on the bus',
    gear(
      [
        ['tstat', 'sedge-w1', 'wall'],
        ['ah', 'teasel-v2', 'garage'],
        ['kit', 'teasel-k2', 'garage'],
        ['od', 'marram-v3', 'north'],
      ],
      5,
      5,
    ),
    {},
  ],
  [
    'an electric furnace ahead of the coil',
    gear(
      [
        ['tstat', 'sorrel-h1', 'wall'],
        ['fur', 'brindle-e1', 'garage', { coil: 'after' }],
        ['od', 'marram-s1', 'north'],
        ['r', 'sedge-r1', 'garage'],
      ],
      8,
      6,
    ),
    {},
  ],
]

describe('planned landings', () => {
  it.each(FAMILIES)('%s: the plan passes every rule, and leaves a spare', (_, inst, practice) => {
    const p = plan(inst, practice)
    expect([p.unmet, p.short]).toEqual([[], []])
    expect(lawsBroken(inst, practice)).toEqual([])
  })

  it('lands emergency heat past the outdoor thermostat, and the defrost output downstream of it', () => {
    const got = joins(gear([...STRIPS, odt], 8, 8))
    // Hand-drawn: AUX to the switch by way of a splice; the switch's far end on W; W on W1; E on W2; W1 and W2 joined.
    for (const pair of [
      'odt.T1 spl1.x',
      'spl1.x tstat.AUX',
      'od.W odt.T2',
      'ah.W1 od.W',
      'ah.W2 tstat.E',
      'ah.W1 ah.W2',
    ])
      expect(got).toContain(pair)
  })

  it('leaves open the schools that this gear can follow either way, and no others', () => {
    const open = (name: string) => {
      const family = FAMILIES.find(([n]) => n === name)!
      return openPractices(family[1], { ...USUAL, ...family[2] })
    }
    expect(open('strips')).toEqual(['defrost', 'emergency'])
    // Its E goes past the outdoor thermostat by itself.
    expect(open('strips through an outdoor thermostat')).toEqual(['defrost'])
    expect(open('dual fuel by thermostat, weather feed')).toEqual(['fuel'])
    expect(open('dual fuel by stages')).toEqual(['fuel'])
    expect(open('inverter on the bus')).toEqual(['defrost'])
  })

  it('takes the customary colours while they are there', () => {
    const colours = Object.fromEntries(
      plan(gear(STRIPS, 8, 6))
        .wires.filter((w) => w.cable === 'c1' && w.a)
        .map((w) => [w.a, w.colour]),
    )
    expect(colours).toEqual({
      'tstat.R': 'red',
      'tstat.C': 'blue',
      'tstat.Y': 'yellow',
      'tstat.G': 'green',
      'tstat.OB': 'orange',
      'tstat.AUX': 'white',
    })
  })

  it('gives the reason of each unusual landing', () => {
    const p = plan(gear([...STRIPS, odt], 8, 8))
    const why = (a: string, b: string) => {
      const w = p.wires.find((x) => (x.a === a && x.b === b) || (x.a === b && x.b === a))!
      return p.reasons.find((r) => r.wire === w.id)?.why
    }
    expect(why('tstat.E', 'ah.W2')).toBe('bypass')
    expect(why('od.W', 'ah.W1')).toBe('temperedReturn')
    expect(why('ah.W1', 'ah.W2')).toBe('jumperW')
    expect(why('tstat.R', 'ah.R')).toBeUndefined()
  })

  it('refuses to put an outdoor thermostat before emergency heat', () => {
    const p = plan(
      gear(
        [
          ['tstat', 'plover-p1', 'wall'],
          ['ah', 'teasel-a3', 'garage'],
          ['kit', 'teasel-k2', 'garage'],
          ['od', 'marram-s1', 'north'],
          odt,
        ],
        8,
        8,
      ),
    )
    expect(p.unmet).toEqual(['switchNeedsE'])
    expect(p.wires.some((w) => w.a?.startsWith('odt.') || w.b?.startsWith('odt.'))).toBe(false)
  })

  it('says that an outdoor thermostat has no call to open where they go over the bus', () => {
    const bus = (extras: Parameters<typeof gear>[0]) =>
      plan(
        gear(
          [
            ['tstat', 'sedge-w1', 'wall'],
            ['ah', 'teasel-v2', 'garage'],
            ['kit', 'teasel-k2', 'garage'],
            ['od', 'marram-v3', 'north'],
            ...extras,
          ],
          8,
          8,
        ),
      )
    expect(bus([odt]).unmet).toEqual(['switchOnBus'])
    expect(bus([]).unmet).toEqual([])
  })

  it('names the relay and the air thermostat that a stage-driven furnace lacks', () => {
    const p = plan(
      gear(
        [
          ['tstat', 'plover-s3', 'wall'],
          ['fur', 'brindle-g1', 'garage'],
          ['od', 'marram-s1', 'north'],
        ],
        8,
        6,
      ),
      { fuel: 'stage' },
    )
    expect(p.unmet).toEqual(['interlockMissing', 'airMissing'])
  })

  it('keeps line conductors and harnesses as they are', () => {
    const inst = gear(STRIPS, 8, 6)
    const line = (i: Installation) => i.wires.filter((w) => w.cable && !/^c\d/.test(w.cable))
    expect(line(planned(inst, plan(inst)))).toEqual(line(inst))
  })
})

describe('what is landed against the plan', () => {
  const goal = () => {
    const inst = gear(STRIPS, 8, 6)
    return planned(inst, plan(inst))
  }
  it('finds nothing on the plan itself, whatever the colours', () => {
    const found = { ...goal(), wires: goal().wires.map((w) => ({ ...w, colour: 'pink' })) }
    expect(compare(found, goal())).toEqual([])
  })
  it('finds a missing jumper', () => {
    const g = goal()
    expect(compare(without(g, wireBetween(g, 'ah.W1', 'ah.W2').id), g)).toMatchObject([
      { kind: 'missing', a: 'ah.W1', b: 'ah.W2' },
    ])
  })
  it('finds what is not in the plan', () => {
    expect(compare(joined(goal(), 'ah.G', 'ah.Y'), goal())).toMatchObject([
      { kind: 'extra', wire: { a: 'ah.G', b: 'ah.Y' } },
    ])
  })
  it('finds an end on the wrong terminal of the right device', () => {
    expect(compare(moved(goal(), 'ah.G', 'ah.O', 'tstat.G'), goal())).toMatchObject([
      { kind: 'moved', from: 'ah.O', to: 'ah.G' },
    ])
  })
  it('finds two conductors with their ends exchanged', () => {
    const g = goal()
    const [y, o] = [wireBetween(g, 'ah.Y', 'od.Y'), wireBetween(g, 'ah.O', 'od.OB')]
    const end = (w: typeof y, ref: string) => (w.a === ref ? 'a' : 'b')
    const swapped = rewired(rewired(g, y.id, { [end(y, 'od.Y')]: 'od.OB' }), o.id, {
      [end(o, 'od.OB')]: 'od.Y',
    })
    // The same fault seen from either end of the cable.
    const [only, ...more] = compare(swapped, g)
    expect(more).toEqual([])
    expect(only).toMatchObject({ kind: 'swapped' })
    if (only?.kind !== 'swapped') return
    expect([only.one.id, only.other.id].sort()).toEqual([y.id, o.id].sort())
    expect([
      ['od.OB', 'od.Y'],
      ['ah.O', 'ah.Y'],
    ]).toContainEqual([...only.at].sort())
  })
  const usual = (inst: Installation) => planLanding(inst, practiceFor(inst))
  const differences = (id: string) => {
    const inst = demoInstallation(id)
    return compare(inst, planned(inst, usual(inst)))
  }
  it.each(jobIds())('%s: what is planned for it lacks nothing and holds every rule', (id) => {
    const inst = demoInstallation(id)
    const p = usual(inst)
    expect([p.unmet, p.short, p.splices]).toEqual([[], [], []])
    // Where the gas switch stands is inside the furnace: no plan of conductors moves it.
    const broken = graveFindings(planned(inst, p)).filter((f) => f.rule !== 'lowGas')
    expect(broken).toEqual([])
  })
  it('finds in each demo job what is landed wrong there, and nothing in the others', () => {
    // The wiring fault of each job by its story; every other job is landed right, or only set wrong.
    const wrong: Record<string, string[]> = {
      'harrier-bank': ['moved x to Y2', 'moved x to Y2'],
      'lapwing-court': ['moved NO to NC'],
      'saltmarsh-row': ['moved x to W2'],
    }
    const terminal = (ref: string) => ref.split('.')[1]
    for (const id of jobIds()) {
      const found = differences(id).map((d) =>
        d.kind === 'moved' ? `moved ${terminal(d.from)} to ${terminal(d.to)}` : d.kind,
      )
      expect([id, ...found]).toEqual([id, ...(wrong[id] ?? [])])
    }
  })
  it('leaves a conductor of an unusual colour where it is right, and takes another for what it was meant for', () => {
    const g = goal()
    const [y, o] = [wireBetween(g, 'ah.Y', 'od.Y'), wireBetween(g, 'ah.O', 'od.OB')]
    // Yellow and orange exchanged at both ends: right, and G lifted.
    const crossed = rewired(rewired(g, y.id, { a: o.a, b: o.b }), o.id, { a: y.a, b: y.b })
    const green = wireBetween(g, 'tstat.G', 'ah.G')
    const p = plan(rewired(crossed, green.id, { a: null, b: null }))
    expect(wireBetween({ ...g, wires: p.wires }, 'ah.Y', 'od.Y').id).toBe(o.id)
    expect(wireBetween({ ...g, wires: p.wires }, 'ah.O', 'od.OB').id).toBe(y.id)
    expect(wireBetween({ ...g, wires: p.wires }, 'tstat.G', 'ah.G').id).toBe(green.id)
    expect(p.wires.map((w) => w.id).sort()).toEqual(
      plan(g)
        .wires.map((w) => w.id)
        .sort(),
    )
  })
  it('uses the splices that are there, each for what it joins, and names a new one as no other', () => {
    const inst = demoInstallation('tallow-mill')
    const first = inst.placed.find((p) => p.device.kind === 'splice')!
    const rest = {
      ...inst,
      placed: inst.placed.filter((p) => p !== first),
      wires: inst.wires.map((w) => ({
        ...w,
        a: w.a === `${first.ref}.x` ? null : w.a,
        b: w.b === `${first.ref}.x` ? null : w.b,
      })),
    }
    const [made, ...more] = usual(rest).splices
    expect(more).toEqual([])
    expect(rest.placed.map((p) => p.ref)).not.toContain(made!.ref)
    expect(rest.placed.map((p) => p.label)).not.toContain(made!.label)
    // An empty one is as good as a new one.
    expect(usual({ ...rest, placed: inst.placed }).splices).toEqual([])
  })
})
