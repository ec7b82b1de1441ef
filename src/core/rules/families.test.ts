import { targetsOf } from '../query'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { demoInstallation } from '../../../tests/helpers/demo'
import { stageDriven } from '../../../tests/helpers/ruleFixtures'
import { Circuit, solve } from '../circuit'
import type { Call } from '../equipment'
import type { Installation } from '../installation'
import { memoriesAt } from '../situation'
import { degF } from '../units'
import { factsOf } from './facts'

/** Calls against what runs, one job for each family, both senses of the reversing valve where the thermostat can be set. */
const text = readFileSync(join(__dirname, '../../../tests/truth/families.csv'), 'utf8')
const [head, ...lines] = text.split('\n').filter((l) => l && !l.startsWith('#'))
const names = head!.split(',')
const rows = lines.map((l) => Object.fromEntries(l.split(',').map((v, i) => [names[i]!, v])))
const jobs = [...new Set(rows.map((r) => r.job!))]

const sensed = (id: string): boolean => {
  const inst = demoInstallation(id)
  return inst.placed.some((p) => p.ref === 'tstat' && p.device.settings.some((s) => s.id === 'rvSense'))
}
type Row = Record<string, string>
const cases: Row[] = rows.flatMap((r) =>
  (sensed(r.job!) ? ['cooling', 'heating'] : ['as it is']).map((sense) => ({ ...r, sense })),
)

/** The demo jobs with a fault in them, put right. */
const right = (id: string, settings: Record<string, string>): Installation =>
  id === 'lapwing-court'
    ? stageDriven(settings)
    : demoInstallation(id, id === 'gorse-end' ? { ...settings, 'od.selector': 'bus' } : settings)

function jobWith(id: string, sense: string): Installation {
  if (sense === 'as it is') return right(id, {})
  const outdoor = demoInstallation(id).placed.find((p) => p.ref === 'od')
  const has = outdoor?.device.settings.some((s) => s.id === 'rvSense')
  return right(id, { 'tstat.rvSense': sense, ...(has ? { 'od.rvSense': sense } : {}) })
}

describe('what runs, call by call, family by family', () => {
  it('has a row for a heating call, a cooling call and emergency heat of every family but the table of its own', () => {
    for (const job of jobs.filter((j) => j !== 'quillfeather-lane'))
      for (const call of ['cool1', 'heat1', 'emergency'])
        expect([job, call, rows.some((r) => r.job === job && r.call === call)]).toEqual([job, call, true])
  })

  it.each(cases)('$job: $call at $outdoorF °F, $mode, valve on in $sense', (row) => {
    const inst = jobWith(row.job!, row.sense!)
    const circuit = new Circuit(inst)
    const outdoorF = degF(Number(row.outdoorF))
    const modes = {
      ...Object.fromEntries(memoriesAt(inst, outdoorF).map((m) => [m, 'broken'])),
      ...(row.mode ? Object.fromEntries([row.mode.split('=') as [string, string]]) : {}),
    }
    const situation = { call: row.call as Call, outdoorF, modes }
    const solved = solve(circuit, situation)
    if (!solved.ok) throw new Error(solved.why)
    const facts = factsOf(circuit, circuit.settle(situation))
    const targets = targetsOf(inst)
    const of = (what: string, stage: number) => {
      const t = targets.find((x) => x.does.what === what && 'stage' in x.does && x.does.stage === stage)
      return t ? (solved.energised(t.ref) ? '1' : '0') : '-'
    }
    const strips = targets.some((t) => t.does.what === 'strip') ? String(facts.stripsOn.length) : '-'
    const got: Record<string, string> = {
      compressor: of('compressor', 1),
      high: of('compressor', 2),
      burner: of('burner', 1),
      fire2: of('burner', 2),
      strips,
      blower: facts.blower ? [...facts.speeds].sort().join('+') || '1' : '0',
      valve: facts.valve!.position,
    }
    const asked = Object.keys(got).filter((k) => row[k] !== '*')
    expect(Object.fromEntries(asked.map((k) => [k, got[k]]))).toEqual(
      Object.fromEntries(asked.map((k) => [k, row[k]])),
    )
  })
})
