import { readdirSync, readFileSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { demoInstallation, libraryDevice } from '../../tests/helpers/demo'
import { Circuit, solve } from './circuit'
import type { Device } from './equipment'
import { gateChain } from './explain'
import type { Installation, Ref } from './installation'
import { prove } from './rules'
import { callsOf, regionsOf } from './situation'
import { degF } from './units'

/**
 * A thermostat that the library lacks: B is a common, O is held on after the last cooling call, and an own outdoor
 * sensor locks the compressor out below a set temperature. It exists only here, as data.
 */
const HP = ['cool1', 'heat1', 'heatAux1'] as const
const odd: Device = {
  format: 'gatecross.device',
  version: 2,
  id: 'odd-one',
  kind: 'thermostat',
  name: 'A thermostat nobody has listed',
  fits: [],
  terminals: (['R', 'B', 'Y', 'G', 'O', 'W'] as const).map((id) => ({
    id,
    label: id,
    side: 'low' as const,
    role: id === 'B' ? 'C' : id === 'Y' ? 'Y1' : id === 'W' ? 'AUX' : id,
  })),
  parts: [
    { kind: 'load', id: 'self', a: 'R', b: 'B', volts: 24, va: 1.5, pullIn: 14, dropOut: 9 },
    {
      kind: 'contact', id: 'y', a: 'R', b: 'Y', gate: 'thermostat',
      driver: { all: [{ call: [...HP] }, { not: { sense: 'outdoor', below: { set: 'lockout' } } }] },
    },
    { kind: 'contact', id: 'g', a: 'R', b: 'G', gate: 'thermostat', driver: { call: ['fan', ...HP, 'emergency'] } },
    {
      kind: 'contact', id: 'o', a: 'R', b: 'O', gate: 'thermostat',
      driver: { any: [{ call: ['cool1'] }, { all: [{ call: ['off', 'fan'] }, { mode: 'held', is: ['cooling'] }] }] },
    },
    {
      kind: 'contact', id: 'w', a: 'R', b: 'W', gate: 'thermostat',
      driver: {
        any: [
          { call: ['heatAux1', 'emergency'] },
          { all: [{ call: ['heat1'] }, { sense: 'outdoor', below: { set: 'lockout' } }] },
        ],
      },
    },
  ],
  settings: [
    { id: 'lockout', label: 'Compressor off below', group: 'set', kind: 'number', range: [0, 45], unit: '°F', default: 20 },
  ],
  modes: [
    {
      id: 'held',
      label: 'Valve after the last call',
      states: [
        { id: 'heating', label: 'Last call was heating' },
        { id: 'cooling', label: 'Last call was cooling', reach: { call: ['off', 'fan'] } },
      ],
    },
  ],
  calls: (['off', 'fan', 'cool1', 'heat1', 'heatAux1', 'emergency'] as const).map((call) => ({ call })),
  plate: {},
} // prettier-ignore

/** The demo job with the odd thermostat in place of its own: C goes to B, AUX and E become one W past the switch. */
function withOdd(commonAt: 'B' | 'O' = 'B'): Installation {
  const inst = demoInstallation('quillfeather-lane')
  const moved: Record<string, Ref | null> = {
    'tstat.C': commonAt === 'B' ? 'tstat.B' : 'tstat.O',
    'tstat.OB': commonAt === 'B' ? 'tstat.O' : 'tstat.B',
    'tstat.AUX': null,
    'tstat.E': 'tstat.W',
  }
  return {
    ...inst,
    placed: inst.placed.map((p) =>
      p.ref === 'tstat' ? { ...p, device: odd, settings: { lockout: 20 } } : p,
    ),
    wires: inst.wires.map((w) => (w.a && w.a in moved ? { ...w, a: moved[w.a]! } : w)),
  }
}

function run(inst: Installation, call: 'off' | 'cool1' | 'heat1' | 'emergency', f: number, modes = {}) {
  const s = solve(new Circuit(inst), { call, outdoorF: degF(f), modes })
  if (!s.ok) throw new Error(s.why)
  return s
}

describe('a thermostat that no file lists', () => {
  it('works: B is its common, and all that can be held against it is its one W for aux and emergency', () => {
    expect(run(withOdd(), 'heat1', 47).running.map((l) => l.ref)).toEqual([
      'ah.blower',
      'od.compressor',
      'od.fan',
    ])
    // The conductor that bypasses the outdoor thermostat for emergency heat carries aux as well: one W for both.
    expect(prove(withOdd()).findings.map((f) => f.rule)).toEqual(['auxHeldOff'])
  })

  it('locks the compressor out below its setting and brings the strips on instead, with the number in the reason', () => {
    const s = run(withOdd(), 'heat1', 15)
    expect(s.running.map((l) => l.ref)).toEqual(['ah.blower', 'kit.row1', 'kit.row2'])
    const chain = gateChain(s, 'od.compressor')
    expect(chain.gates[chain.first!]).toMatchObject({
      at: 'tstat.y',
      because: [{ kind: 'sense', at: 15, below: 20, setting: 'lockout', negated: true }],
    })
  })

  it('cuts the sweep at its lockout', () => {
    expect(regionsOf(withOdd())).toContain(20)
    expect(callsOf(withOdd())).toHaveLength(6)
  })

  it('holds O after a cooling call: the valve stays shifted and nothing else runs', () => {
    const s = run(withOdd(), 'off', 70, { 'tstat.held': 'cooling' })
    expect(s.running.map((l) => l.ref)).toEqual(['od.rvCoil'])
  })

  it('blows the fuse when the blue common is landed on O and the orange on B: a short in cooling', () => {
    const found = prove(withOdd('O')).findings.find((f) => f.rule === 'noShort')
    expect(found?.witness?.call).toBe('cool1')
  })
})

describe('devices are data', () => {
  const root = join(__dirname, '..', '..')
  const ids = readdirSync(join(root, 'library'))
    .map((f) => libraryDevice(f.replace('.json', '')).id)
    // "splice" is a word of the trade and a kind of device as well as an id.
    .filter((id) => id !== 'splice')
  const sources = (dir: string): string[] =>
    readdirSync(dir).flatMap((f) => {
      const path = join(dir, f)
      return statSync(path).isDirectory() ? sources(path) : /(?<!\.test)\.tsx?$/.test(path) ? [path] : []
    })

  it('no device of the library is named in the code', () => {
    expect(ids.length).toBeGreaterThan(5)
    for (const file of sources(join(root, 'src'))) {
      const text = readFileSync(file, 'utf8')
      for (const id of ids) expect([file, text.includes(id)]).toEqual([file, false])
    }
  })
})
