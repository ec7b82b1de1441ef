import { graveFindings } from '../../../tests/helpers/grave'
import { joined as tied } from '../../../tests/helpers/ruleFixtures'
import { demoInstallation, jobIds, rewired, wireBetween, without } from '../../../tests/helpers/demo'
import type { Installation } from '../installation'
import { applyFix, prove, type Fix } from '../rules'
import { fixesFromPlan } from '.'

const right = () => demoInstallation('quillfeather-lane')
/** The mends of the first finding, each proven to clear everything. */
function fixesOf(inst: Installation): Fix[] {
  const found = fixesFromPlan(inst, prove(inst).findings[0]!)
  // Gorse End has a second fault that has nothing to do with the first: its fan stands in defrost.
  for (const fix of found)
    expect(
      graveFindings(applyFix(inst, fix))
        .map((f) => f.rule)
        .filter((rule) => rule !== 'fanOffInDefrost'),
    ).toEqual([])
  return found
}

describe('changes toward the plan', () => {
  it('are the one change that each demo job’s story asks for', () => {
    const story: Record<string, string[]> = {
      'dovecote-lane': ['tstat.rvSense=cooling'],
      'gorse-end': ['od.selector=bus'],
      'harrier-bank': ['grey to ah.Y2, black to ah.Y2'],
      'lapwing-court': ['yellow to rel.NC'],
      // Its gas switch is moved inside the furnace.
      'millrace-cottage': [],
      'saltmarsh-row': ['brown to ah.W2'],
    }
    const broken = jobIds().filter((id) => graveFindings(demoInstallation(id)).length > 0)
    expect(broken.sort()).toEqual(Object.keys(story))
    for (const id of broken) {
      const inst = demoInstallation(id)
      const told = fixesOf(inst).map((fix) =>
        fix
          .map((c) => {
            if (c.kind === 'setSetting') return `${c.placed}.${c.setting}=${c.value}`
            if (c.kind !== 'moveWire') return c.kind
            return `${inst.wires.find((w) => w.id === c.wire)!.colour} to ${c.to}`
          })
          .join(', '),
      )
      expect([id, told]).toEqual([id, story[id]])
    }
  })

  it('take out a jumper that nothing asks for', () => {
    const inst = tied(right(), 'ah.R', 'ah.W1')
    const { id } = inst.wires.at(-1)!
    expect(fixesOf(inst)).toEqual([[{ kind: 'removeWire', wire: id }]])
  })

  it('put back a jumper, land a lifted conductor, and exchange two', () => {
    const jumper = wireBetween(right(), 'ah.W1', 'ah.W2')
    expect(fixesOf(without(right(), jumper.id))).toContainEqual([
      { kind: 'addJumper', a: jumper.a, b: jumper.b },
    ])
    const y = wireBetween(right(), 'tstat.Y', 'ah.Y')
    expect(fixesOf(rewired(right(), y.id, { a: null, b: null }))).toEqual([
      [
        { kind: 'moveWire', wire: y.id, end: 'a', to: y.a },
        { kind: 'moveWire', wire: y.id, end: 'b', to: y.b },
      ],
    ])
    const g = wireBetween(right(), 'tstat.G', 'ah.G')
    const exchanged = rewired(rewired(right(), y.id, { b: g.b }), g.id, { b: y.b })
    const [fix, ...more] = fixesOf(exchanged)
    expect(more).toEqual([])
    expect(applyFix(exchanged, fix!).wires).toEqual(right().wires)
  })
})
