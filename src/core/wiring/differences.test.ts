import * as G from '../../../tests/cases/gear'
import { compose } from '../../../tests/helpers/compose'
import { demoInstallation } from '../../../tests/helpers/demo'
import { slipsOf } from '../../../tests/helpers/slips'
import { installationOf } from '@/jobfile'
import type { Installation, Ref } from '../installation'
import { intendedWiring, withDifferences, type Difference } from '.'

const job = (lines: readonly string[]) => installationOf(compose([...lines]))
const found = (inst: Installation) => intendedWiring(inst).differences
/** Terminals that a difference is about. */
const names = (d: Difference): Ref[] => {
  switch (d.kind) {
    case 'missing':
      return [d.from, d.to]
    case 'moved':
      return [d.wire.a, d.wire.b, d.to]
    case 'crossed':
      return [d.one.a, d.one.b, d.other.a, d.other.b]
    case 'extra':
      return [d.wire.a, d.wire.b]
  }
}

describe('a right job', () => {
  it.each(Object.entries(G))('has no difference from the wiring that it should have: %s', (_, lines) => {
    expect(found(job(lines))).toEqual([])
  })

  it.each([
    'candlemaker-yard',
    'ferrous-hill',
    'gorse-end',
    'pennywort-close',
    'quillfeather-lane',
    'tallow-mill',
  ])('nor has one that was wired by hand: %s', (id) => expect(found(demoInstallation(id))).toEqual([]))

  it.each([
    ['the aux call joined to E at the thermostat', G.ONE_STAGE, ['set tstat.auxWithE=separate', 'land tstat.AUX=tstat.E']],
    ['no strips in defrost', G.ONE_STAGE, ['lift ah.W1=od.W']],
    ['a splice in a call’s conductor', G.ONE_STAGE, ['place sp=splice --where garage', 'lift ah.Y=od.Y', 'land ah.Y=sp.x', 'land sp.x=od.Y']],
    ['the other of two relays for each purpose', G.OIL, [
      'lift tstat.W=rel.A1 fur.C=rel.A2 fur.T1=rel.COM rel.NO=fur.T2 tstat.Y=iso.COM iso.NC=ceat.T1 iso.A1=rel.A1 fur.C=iso.A2',
      'land tstat.W=iso.A1 fur.C=iso.A2 fur.T1=iso.COM iso.NO=fur.T2 tstat.Y=rel.COM rel.NC=ceat.T1 rel.A1=iso.A1 fur.C=rel.A2',
    ]],
    ['a relay that somebody added to a call’s conductor', G.ONE_STAGE, [
      'place more=sedge-r1 --where garage --box',
      'lift tstat.Y=ah.Y',
      'land tstat.Y=more.COM more.NC=ah.Y tstat.G=more.A1 ah.C=more.A2',
    ]],
  ])('by another good practice is right as well: %s', (_, gear, work) => {
    expect(found(job([...gear, ...work]))).toEqual([])
  }) // prettier-ignore
})

describe('a single slip', () => {
  it.each([
    ['ONE_STAGE', 3],
    ['TWO_STAGE_SENSOR', 31],
    ['OUTDOOR_THERMOSTAT', 17],
    ['KIT_FUEL', 17],
    ['OIL', 13],
    ['ZONES', 17],
    ['BUS', 17],
    ['TWO_CIRCUITS', 29],
  ] as const)('is one difference, of its own conductors and terminals: %s', (name, every) => {
    const right = job(G[name])
    const slips = [...slipsOf(right)].filter((_, i) => i % every === 0)
    expect(slips.length).toBeGreaterThan(12)
    const wrong = slips.flatMap((slip) => {
      const list = found(slip.inst)
      // Another terminal of the same net is no difference.
      const isNamed = list.length < 2 && list.every((d) => names(d).every((n) => slip.names.includes(n)))
      return isNamed ? [] : [`${slip.what}: ${JSON.stringify(list.map((d) => [d.kind, ...names(d)]))}`]
    })
    expect(wrong).toEqual([])
  })

  it('put right, is none', () => {
    const right = job(G.TWO_STAGE)
    for (const { inst } of [...slipsOf(right)].filter((_, i) => i % 41 === 0))
      expect(found(withDifferences(inst, found(inst)))).toEqual([])
  })

  it('a jumper is named before a further conductor of a cable', () => {
    const bare = job([...G.TWO_STAGE, 'lift tstat.Rc=tstat.Rh'])
    expect(found(bare)).toEqual([{ kind: 'missing', from: 'tstat.Rc', to: 'tstat.Rh' }])
  })
})
