import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import type { Part } from '../equipment'
import type { Installation } from '../installation'
import { degF } from '../units'
import { ALWAYS, NEVER, coil, contact, device, install, placed, wire } from '../../../tests/helpers/build'
import { Circuit, solve } from '.'

/** Answers printed by ngspice for the netlist of the same name, by our node names, complex volts. */
function spiceAnswers(name: string): Map<string, { re: number; im: number }> {
  const text = readFileSync(join(__dirname, '../../../tests/spice', `${name}.out`), 'utf8')
  const found = new Map<string, { re: number; im: number }>()
  for (const m of text.matchAll(/^v\((\w+)\) = ([-+.\de]+),([-+.\de]+)/gm)) {
    const [device, node] = m[1]!.split('_')
    found.set(`${device}.${node}`, { re: Number(m[2]), im: Number(m[3]) })
  }
  return found
}

const legs = (volts: number, phase: number, to: [string, string]): Part[] => [
  { kind: 'source', id: 'leg1', a: to[0], b: '@earth', volts, phaseDeg: 0, ohms: 0.015 },
  { kind: 'source', id: 'leg2', a: to[1], b: '@earth', volts, phaseDeg: phase, ohms: 0.015 },
]
const transformer = (id: string, a: string, b: string): Part => ({
  kind: 'transformer',
  id,
  a,
  b,
  c: 'R',
  d: 'C',
  primaryVolts: 240,
  secondaryVolts: 24,
  noLoadVolts: 26.4,
  va: 40,
})

/** Node names are compared without regard to case, as ngspice folds it. Terminals joined here are one node there. */
const cases: Record<string, { inst: Installation; same?: Record<string, string> }> = {
  control: {
    inst: install(
      [
        placed(
          's',
          device(
            's',
            ['L1', 'L2', 'R', 'C'],
            [...legs(120, 180, ['L1', 'L2']), transformer('x', 'L1', 'L2')],
          ),
        ),
        placed('c', device('c', ['R', 'C'], [coil('k', 'R', 'C', 9, 0.4), coil('r', 'R', 'C', 6, 0.5)])),
      ],
      [wire('1', 's.R', 'c.R', { gauge: 18, feet: 45 }), wire('2', 's.C', 'c.C', { gauge: 18, feet: 45 })],
    ),
    same: { 't.r': 's.R', 't.c': 's.C' },
  },
  kit208: {
    inst: install(
      [
        placed(
          's',
          device(
            's',
            ['L1', 'L2'],
            [
              ...legs(120.0888, -120, ['b1', 'b2']),
              contact('p1', 'b1', 'L1', ALWAYS),
              contact('p2', 'b2', 'L2', ALWAYS),
            ],
          ),
        ),
        placed(
          'k',
          device(
            'k',
            ['L1', 'L2'],
            [1, 2]
              .flatMap((n): Part[] => [
                contact(`f${n}`, 'L1', `e${n}a`, ALWAYS),
                { kind: 'load', id: `row${n}`, a: `e${n}a`, b: `e${n}b`, volts: 240, va: 4800 },
                contact(`l${n}`, `e${n}b`, `e${n}c`, ALWAYS),
                contact(`q${n}`, `e${n}c`, 'L2', n === 1 ? ALWAYS : NEVER),
              ])
              .concat([{ kind: 'load', id: 'fan', a: 'L1', b: 'L2', volts: 240, va: 520, powerFactor: 0.9 }]),
          ),
        ),
      ],
      [wire('1', 's.L1', 'k.L1', { gauge: 6, feet: 35 }), wire('2', 's.L2', 'k.L2', { gauge: 6, feet: 35 })],
    ),
  },
  opposed: {
    inst: install(
      [
        // One device holds both transformers so that the coil between the hots needs no wire of its own.
        placed(
          's',
          device(
            's',
            ['L1', 'L2', 'pR', 'pC', 'qR', 'qC'],
            [
              ...legs(120, 180, ['L1', 'L2']),
              { ...transformer('p', 'L1', 'L2'), c: 'pR', d: 'pC' } as Part,
              { ...transformer('q', 'L2', 'L1'), c: 'qR', d: 'qC' } as Part,
              coil('between', 'pR', 'qR', 10, 0.6),
              coil('heater', 'pR', 'pC', 8, 1),
              coil('one', 'qR', 'm', 8, 0.4),
              coil('two', 'm', 'qC', 9, 0.4),
            ],
          ),
        ),
      ],
      [wire('1', 's.pC', 's.qC', { gauge: 18, feet: 60 })],
    ),
    same: { 'p.r': 's.pR', 'p.c': 's.pC', 'q.r': 's.qR', 'q.c': 's.qC', 'm.x': 's.m' },
  },
}

describe('against ngspice, node by node', () => {
  it.each(Object.keys(cases))('%s is within 1 mV at every node', (name) => {
    const { inst, same = {} } = cases[name]!
    const circuit = new Circuit(inst)
    const solved = solve(circuit, { call: 'off', outdoorF: degF(47), modes: {} })
    if (!solved.ok) throw new Error(solved.why)
    const index = new Map([...circuit.net.index].map(([k, v]) => [k.toLowerCase(), v]))
    const answers = spiceAnswers(name)
    expect(answers.size).toBeGreaterThanOrEqual(6)
    for (const [node, spice] of answers) {
      const i = index.get((same[node] ?? node).toLowerCase())
      expect([node, i === undefined]).toEqual([node, false])
      const { re, im } = solved.state.volts
      expect([node, Math.hypot(re[i!]! - spice.re, im[i!]! - spice.im) < 1e-3]).toEqual([node, true])
    }
  })
})
