import * as G from '../../../tests/cases/gear'
import { compose } from '../../../tests/helpers/compose'
import { demoInstallation } from '../../../tests/helpers/demo'
import { installationOf } from '@/jobfile'
import { heaterRows, rowsBehind, unknownWatts } from '.'
import { partsBehind } from './rows'

const twoCircuits = () => installationOf(compose([...G.TWO_CIRCUITS]))
const refs = (rows: readonly { ref: string }[]) => rows.map((r) => r.ref)

describe('heater rows', () => {
  it('are those of one kit, or of the whole job, with their ohms at rating: 240² / 4,800', () => {
    const inst = demoInstallation('quillfeather-lane')
    expect(heaterRows(inst)).toEqual([
      { ref: 'kit.row1', row: 1, ohms: 12 },
      { ref: 'kit.row2', row: 2, ohms: 12 },
    ])
    expect(heaterRows(inst, 'kit')).toEqual(heaterRows(inst))
    expect(heaterRows(inst, 'ah')).toEqual([])
  })

  it('follow the watts that are set; where nobody has looked, the setting is named', () => {
    // 240² / 2,400 Ω.
    expect(heaterRows(demoInstallation('quillfeather-lane', { 'kit.rowWatts': 2400 }))[0]?.ohms).toBe(24)
    expect(unknownWatts(demoInstallation('quillfeather-lane'))).toEqual([])
    expect(unknownWatts(demoInstallation('quillfeather-lane', { 'kit.rowWatts': null }))).toEqual([
      'kit.rowWatts',
    ])
  })

  it('behind a feed are those that its circuit reaches: two rows on the first, one on the second', () => {
    const inst = twoCircuits()
    const feedOf = (lead: string) =>
      inst.wires.flatMap((w) => (w.b === lead && w.a ? [w.a.split('.')[0]!] : []))[0]!
    const [first, second] = [feedOf('kit.L1'), feedOf('kit.L3')]
    expect(first).not.toBe(second)
    const behind = [first, second].map((feed) => refs(rowsBehind(inst, 'feed', feed)))
    expect(behind.flat().sort()).toEqual(['kit.row1', 'kit.row2', 'kit.row3'])
    expect(behind.map((b) => b.length).sort()).toEqual([1, 2])
    // The same by the kit's own leads; a single row by its own terminals.
    expect(refs(rowsBehind(inst, 'kitLead', 'kit.L1'))).toEqual(behind[0])
    expect(refs(rowsBehind(inst, 'kitLead', 'kit.L3'))).toEqual(behind[1])
    expect(refs(rowsBehind(inst, 'rowTerminals', 'kit.row2'))).toEqual(['kit.row2'])
    expect(rowsBehind(inst, 'rowTerminals', 'kit.none')).toEqual([])
  })

  it('a lead that is looked behind inside its kit reaches nothing outside', () => {
    const inst = demoInstallation('quillfeather-lane')
    const [anywhere, inside] = [partsBehind(inst, 'kit.L1'), partsBehind(inst, 'kit.L1', true)]
    // The blower hangs on the same line, outside of the kit.
    expect([anywhere('ah.blower'), inside('ah.blower')]).toEqual([true, false])
    expect([anywhere('kit.row1'), inside('kit.row1')]).toEqual([true, true])
    expect(anywhere('od.compressor')).toBe(false)
    expect(anywhere('kit.none')).toBe(false)
  })
})
