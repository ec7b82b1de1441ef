import { demoInstallation, rewired, wireBetween, without } from '../../../tests/helpers/demo'
import { applyFix, fixesFor, prove } from '.'

const fixes = (inst: ReturnType<typeof demoInstallation>) => {
  const { findings } = prove(inst)
  expect(findings.length).toBeGreaterThan(0)
  return fixesFor(inst, findings[0]!)
}

describe('the smallest change that clears a finding', () => {
  it('moves E past the outdoor thermostat, to either heat terminal', () => {
    const inst = demoInstallation('saltmarsh-row')
    const e = wireBetween(inst, 'tstat.E', 'spl.x').id
    expect(fixes(inst)).toEqual(
      expect.arrayContaining([
        [{ kind: 'moveWire', wire: e, end: 'b', to: 'ah.W1' }],
        [{ kind: 'moveWire', wire: e, end: 'b', to: 'ah.W2' }],
      ]),
    )
  })

  it('turns the O/B setting when that is what is wrong', () => {
    expect(fixes(demoInstallation('quillfeather-lane', { 'tstat.rvSense': 'heating' }))[0]).toEqual([
      { kind: 'setSetting', placed: 'tstat', setting: 'rvSense', value: 'cooling' },
    ])
  })

  it('puts the missing jumper in', () => {
    const inst = demoInstallation('quillfeather-lane')
    const bare = without(inst, wireBetween(inst, 'ah.W1', 'ah.W2').id)
    expect(fixes(bare)).toContainEqual([{ kind: 'addJumper', a: 'ah.W1', b: 'ah.W2' }])
  })

  it('offers only changes that hold every rule and leave nothing always on', () => {
    const inst = demoInstallation('quillfeather-lane')
    const wrong = rewired(inst, wireBetween(inst, 'tstat.E', 'ah.W2').id, { b: 'ah.Y' })
    for (const fix of fixes(wrong)) {
      expect(prove(applyFix(wrong, fix)).findings).toEqual([])
      // Never a heat terminal tied to R.
      expect(JSON.stringify(fix)).not.toContain('ah.R')
    }
  })

  it('mends an interlock, though with it the compressor stops for the furnace as it should', () => {
    // The relay's normally open contact holds the compressor where the normally closed one should: four rules break.
    const inst = demoInstallation('lapwing-court')
    const contact = wireBetween(inst, 'rel.NO', 'ceat.T1').id
    const { findings } = prove(inst)
    expect(findings).toHaveLength(4)
    for (const finding of findings) {
      const found = fixesFor(inst, finding)
      expect(found).toContainEqual([{ kind: 'moveWire', wire: contact, end: 'a', to: 'rel.NC' }])
      // Bypassing the interlock would bring the heat back, and leave the danger: it is not offered.
      for (const fix of found) expect(prove(applyFix(inst, fix)).findings).toEqual([])
    }
  })

  it('never stops a compressor that ran', () => {
    const inst = demoInstallation('saltmarsh-row')
    const [finding] = prove(inst).findings
    const y = wireBetween(inst, 'ah.Y', 'od.Y').id
    const e = wireBetween(inst, 'tstat.E', 'spl.x').id
    const right = { kind: 'moveWire', wire: e, end: 'b', to: 'ah.W2' } as const
    const cutting = [[right, { kind: 'removeWire', wire: y } as const]]
    const found = fixesFor(inst, finding!, [cutting, [[right]]])
    expect(found).toEqual([[right]])
  })

  it('clears a contradiction of settings where it is, and not its twin beside it', () => {
    const inst = demoInstallation('pennywort-close', {
      'tstat.compressorStages': '1',
      'tstat.backupStages': '1',
    })
    const finding = prove(inst).findings.find((f) => f.at === 'tstat.compressorStages')
    expect(finding).toMatchObject({ rule: 'stages', code: 'stageNotSet' })
    expect(fixesFor(inst, finding!)).toEqual([
      [{ kind: 'setSetting', placed: 'tstat', setting: 'compressorStages', value: '2' }],
    ])
  })

  describe('where nobody has said what stands where', () => {
    const unplaced = (inst: ReturnType<typeof demoInstallation>) => ({
      ...inst,
      placed: inst.placed.map(({ where: _, ...p }) => p),
    })

    it('a conductor reaches no other device', () => {
      const inst = unplaced(demoInstallation('saltmarsh-row'))
      const e = wireBetween(inst, 'tstat.E', 'spl.x').id
      const ends = fixes(inst).flatMap((fix) =>
        fix.flatMap((c) => (c.kind === 'moveWire' && c.wire === e && c.end === 'b' ? [c.to] : [])),
      )
      expect(ends).toEqual([])
    })

    it('it reaches the terminals of its own', () => {
      const right = unplaced(demoInstallation('quillfeather-lane'))
      const y = wireBetween(right, 'ah.Y', 'od.Y').id
      expect(fixes(rewired(right, y, { b: 'od.OB' }))).toContainEqual([
        { kind: 'moveWire', wire: y, end: 'b', to: 'od.Y' },
      ])
    })
  })
})

describe('a conductor that is taken off', () => {
  const inst = demoInstallation('quillfeather-lane')
  const off = (wire: string) => applyFix(inst, [{ kind: 'removeWire', wire }]).wires

  it('is gone, if it is a jumper', () => {
    const jumper = wireBetween(inst, 'ah.W1', 'ah.W2')
    expect(off(jumper.id)).toEqual(inst.wires.filter((w) => w !== jumper))
  })

  it('stays in its cable, with both ends free', () => {
    const green = wireBetween(inst, 'tstat.G', 'ah.G')
    expect(off(green.id)).toEqual(inst.wires.map((w) => (w === green ? { ...w, a: null, b: null } : w)))
  })
})
