import { demoInstallation, rewired, wireBetween, without } from '../../../tests/helpers/demo'
import { mended, mendsFor, prove } from '.'

const mends = (inst: ReturnType<typeof demoInstallation>) => {
  const { findings } = prove(inst)
  expect(findings.length).toBeGreaterThan(0)
  return mendsFor(inst, findings[0]!)
}

describe('the smallest change that clears a finding', () => {
  it('moves E past the outdoor thermostat, to either heat terminal', () => {
    const inst = demoInstallation('saltmarsh-row')
    const e = wireBetween(inst, 'tstat.E', 'spl.x').id
    expect(mends(inst)).toEqual(
      expect.arrayContaining([
        { kind: 'moveWire', wire: e, end: 'b', to: 'ah.W1' },
        { kind: 'moveWire', wire: e, end: 'b', to: 'ah.W2' },
      ]),
    )
  })

  it('turns the O/B setting when that is what is wrong', () => {
    expect(mends(demoInstallation('quillfeather-lane', { 'tstat.rvSense': 'heating' }))[0]).toEqual({
      kind: 'setSetting',
      placed: 'tstat',
      setting: 'rvSense',
      value: 'cooling',
    })
  })

  it('puts the missing jumper in', () => {
    const inst = demoInstallation('quillfeather-lane')
    const bare = without(inst, wireBetween(inst, 'ah.W1', 'ah.W2').id)
    expect(mends(bare)).toContainEqual({ kind: 'addJumper', a: 'ah.W1', b: 'ah.W2' })
  })

  it('offers only changes that hold every law and leave nothing always on', () => {
    const inst = demoInstallation('quillfeather-lane')
    const wrong = rewired(inst, wireBetween(inst, 'tstat.E', 'ah.W2').id, { b: 'ah.Y' })
    for (const mend of mends(wrong)) {
      expect(prove(mended(wrong, mend)).findings).toEqual([])
      // Never a heat terminal tied to R.
      expect(JSON.stringify(mend)).not.toContain('ah.R')
    }
  })
})
