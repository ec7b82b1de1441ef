import type { Ref } from '../installation'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { demoInstallation } from '../../../tests/helpers/demo'
import { Circuit, solve } from '../circuit'
import type { Call } from '../equipment'
import { liveness } from '../startup'
import { degF } from '../units'
import { factsOf } from './facts'

/** The trade's table of what must be energised, call by call, typed by hand. */
const text = readFileSync(join(__dirname, '../../../tests/truth/one-stage-strips.csv'), 'utf8')
const [head, ...lines] = text.split('\n').filter((l) => l && !l.startsWith('#'))
const names = head!.split(',')
const rows = lines.map((l) => Object.fromEntries(l.split(',').map((v, i) => [names[i]!, v])))

describe('what is energised, call by call', () => {
  it('covers every call of the family, both valve senses, both sides of the outdoor thermostat', () => {
    for (const call of ['off', 'fan', 'cool1', 'heat1', 'heatAux1', 'emergency'])
      for (const rv of ['cooling', 'heating'])
        for (const cold of [true, false])
          expect(
            rows.some((r) => r.call === call && r.rv === rv && Number(r.outdoorF) < 35 === cold && !r.mode),
          ).toBe(true)
  })

  it.each(rows)('$call at $outdoorF °F, valve on in $rv, $mode, fault heat $faultHeat', (row) => {
    const inst = demoInstallation('quillfeather-lane', {
      'tstat.rvSense': row.rv!,
      'od.rvSense': row.rv!,
      'od.faultHeat': row.faultHeat!,
    })
    const circuit = new Circuit(inst)
    const modes = row.mode ? Object.fromEntries([row.mode.split('=') as [string, string]]) : {}
    const situation = { call: row.call as Call, outdoorF: degF(Number(row.outdoorF)), modes }
    const solved = solve(circuit, situation)
    if (!solved.ok) throw new Error(solved.why)
    const facts = factsOf(circuit, circuit.settle(situation))
    const live = (a: Ref, common: Ref) => (liveness(solved.meter(a, common)) === 'live' ? '1' : '0')
    const on = (ref: Ref) => (solved.energised(ref) ? '1' : '0')
    const got: Record<string, string> = {
      G: live('ah.G', 'ah.C'),
      Y: live('od.Y', 'od.C'),
      OB: live('od.OB', 'od.C'),
      W1: live('ah.W1', 'ah.C'),
      W2: live('ah.W2', 'ah.C'),
      compressor: on('od.compressor'),
      outdoorFan: on('od.fan'),
      blower: on('ah.blower'),
      row1: on('kit.row1'),
      row2: on('kit.row2'),
      coil: facts.valve!.position,
    }
    const asked = Object.entries(got).filter(([k]) => row[k] !== '*')
    expect(Object.fromEntries(asked)).toEqual(Object.fromEntries(asked.map(([k]) => [k, row[k]])))
  })
})
