import { compose } from '../../../tests/helpers/compose'
import { renamed } from '../../../tests/helpers/renamed'
import * as G from '../../../tests/cases/gear'
import { installationOf, jobSeen } from '@/jobfile'
import type { Installation, Wire } from '../installation'
import { prove, withSite } from '.'

const wiresOf = (change: (w: Wire, inst: Installation) => Wire) => (inst: Installation): Installation => ({
  ...inst,
  wires: inst.wires.map((w) => change(w, inst)),
}) // prettier-ignore

/** What makes no difference to a job. */
const CHANGES: [string, (inst: Installation) => Installation][] = [
  ['which end of a conductor is written first', wiresOf((w) => ({ ...w, a: w.b, b: w.a }))],
  ['in which order the conductors stand', (inst) => ({ ...inst, wires: [...inst.wires].reverse() })],
  ['in which order the devices stand', (inst) => ({ ...inst, placed: [...inst.placed].reverse() })],
  ['which leg is which', wiresOf((w) => ({ ...w, a: otherLeg(w.a) }))],
  ['whether the grounds meet on one bar', onOneBar],
  ['what the devices call their terminals, parts and settings', renamed],
]

/** A feed's other leg; a feed of 120 V has one. */
function otherLeg(end: Wire['a']): Wire['a'] {
  const [, feed, leg] = /^(feed[BC])\.L([12])$/.exec(end ?? '') ?? []
  return leg ? `${feed}.L${leg === '1' ? 2 : 1}` : end
}
function onOneBar(inst: Installation): Installation {
  const [bar, ...others] = inst.placed
    .filter((p) => p.device.terminals.some((t) => t.role === 'ground'))
    .map((p) => `${p.ref}.GND` as const)
  const laid = others.map((b, i): Wire => ({ id: `bar${i}`, cable: null, colour: 'green', a: bar!, b }))
  return { ...inst, wires: [...inst.wires, ...laid] }
}

/** Jobs that break something on the line side, on 24 V, and nothing. */
const JOBS: [string, readonly string[], readonly string[]][] = [
  ['a breaker over the plate’s most', G.ONE_STAGE, ['set feedB.breakerA=60']],
  ['the fan and backup not landed', G.ONE_STAGE, ['lift tstat.G=ah.G tstat.AUX=ah.W1']],
  ['an interlock that stays closed', G.STAGE_FUEL, ['lift rel.A2=fur.C']],
  ['one leg twice, and a small breaker', G.TWO_CIRCUITS, ['lift feedB.L2=kit.L4', 'land feedB.L1=kit.L4', 'set feedB.breakerA=25']],
  ['as it should be', G.OUTDOOR_THERMOSTAT, []],
] // prettier-ignore

describe('what is said of a job does not hang on', () => {
  it.each(CHANGES.flatMap(([change, to]) => JOBS.map((j) => [change, j[0], to, j] as const)))(
    '%s: %s',
    (_, __, to, [, gear, work]) => {
      const job = compose([...gear, ...work])
      const said = (inst: Installation) =>
        withSite(prove(inst), { ...jobSeen(job), inst }).findings.map(
          (f) => `${f.rule} ${f.code} ${f.severity} ${f.numbers.map((n) => n.toFixed(3)).join(' ')}`,
        )
      const inst = installationOf(job)
      expect(said(to(inst)).sort()).toEqual(said(inst).sort())
    },
  )
})
