import fc from '../../../tests/helpers/property'
import { INVERTER } from '../../../tests/cases/gear'
import { compose } from '../../../tests/helpers/compose'
import { libraryDevice } from '../../../tests/helpers/demo'
import { as, bus, job, JOB_FIXTURES, lifted, ONLINE, seen } from '../../../tests/helpers/jobFixtures'
import { demoInstallation, jobIds } from '../../../tests/helpers/demo'
import { said, SAYS } from '../../../tests/helpers/ruleSays'
import { installationOf } from '@/jobfile'
import type { Installation, Site } from '../installation'
import { clearingOf } from '../setup'
import { jobFindings, prove, RULES, SITE_RULES } from '.'

/** Job rules whose fixtures stand with those of the states. */
const STANDING = ['airSide', 'noParallel', 'lowGas', 'spareLeft']

describe('rules about gear, wiring, settings and the owner', () => {
  it('every one has a setup that raises it and one that does not', () =>
    expect(Object.keys(JOB_FIXTURES).sort()).toEqual(
      RULES.filter((r) => r.scope === 'job' && !STANDING.includes(r.id))
        .map((r) => r.id)
        .sort(),
    ))

  it.each(Object.entries(JOB_FIXTURES))('%s is raised where it stands, and nowhere else', (id, f) => {
    const raised = jobFindings(f.raises).filter((c) => c.rule === id)
    expect(raised.map((c) => [c.code, c.at])).toEqual([[f.code, f.at]])
    expect(said(raised[0]!)).toEqual(SAYS[f.code])
    expect(jobFindings(f.clears).filter((c) => c.rule === id)).toEqual([])
  })

  /** What stands in the demo jobs, by rule; every other rule finds nothing in any of them. */
  const IN_DEMO: Record<string, string[]> = {
    valveSense: ['dovecote-lane valveSense tstat.rvSense od.rvSense'],
    selectorMatches: ['gorse-end 24SetWiredBus od.selector'],
    fanOffInDefrost: ['gorse-end fanOffInDefrost tstat.fanInDefrost tstat.stripsInDefrost'],
    lowGas: ['millrace-cottage switchInFlame od.gasSwitch'],
    feedNotOnline: ['candlemaker-yard feedNotOnline tstat.outdoorSource', 'millrace-cottage feedNotOnline tstat.outdoorSource'],
  } // prettier-ignore
  it.each(RULES.filter((r) => r.scope === 'job').map((r) => r.id))('%s finds in the demo jobs what stands there', (id) => {
    const found = jobIds().flatMap((name) =>
      jobFindings(seen(demoInstallation(name)))
        .filter((f) => f.rule === id)
        .map((f) => [name, f.code, f.at, ...f.also].join(' ')),
    )
    expect(found).toEqual(IN_DEMO[id] ?? [])
  }) // prettier-ignore

  it('other ways of the same: reversed strips, a burner’s cycles, both in charge, an oil furnace called gas', () => {
    const whats = (inst: Installation, site: Partial<Site> = ONLINE) =>
      jobFindings(seen(inst, site)).map((c) => c.code)
    expect(whats(bus({ 'tstat.stripOn': 3, 'tstat.stripOff': 5 }))).toContain('stripReversed')
    expect(whats(job('candlemaker-yard', { 'tstat.backupSource': 'gas' }))).toContain('gasWithOil')
    expect(whats(job('pennywort-close', { 'tstat.backupSource': 'lp' }))).toContain('fuelWithStrips')
    expect(whats(lifted('quillfeather-lane', 'tstat.E', 'ah.W2'))).toContain('eNotLanded')
    const kit = as(job('tallow-mill'), 'sen', (p) => ({
      ...p,
      device: libraryDevice('sedge-f2'),
      settings: {},
    }))
    expect(whats(kit)).toContain('bothInCharge')
  })

  it('a selector is wrong only beside what is landed the other way: a Y that is off is a Y that is off', () => {
    const codes = (inst: Installation) =>
      jobFindings(seen(inst))
        .filter((c) => c.rule === 'selectorMatches')
        .map((c) => [c.code, c.at])
    // On 24 V with its Y lifted, and nothing on the bus.
    const inst = job('copper-alley')
    const yOff = (at: string) => ({
      ...inst,
      wires: inst.wires.filter((w) => w.a !== at && w.b !== at),
    })
    expect(codes(yOff('od.Y'))).toEqual([])
    expect(prove(yOff('od.Y')).findings.map((f) => f.rule)).toContain('someHeat')
    expect(codes(job('copper-alley', { 'od.selector': 'bus' }))).toEqual([['busSetWired24', 'od.selector']])
    expect(codes(job('gorse-end'))).toEqual([['24SetWiredBus', 'od.selector']])
  })

  it('boardsPowered (boardUnpowered) asks of what hangs on 24 V, and of nothing that talks over a bus alone', () => {
    const inst = bus()
    const own = inst.placed.find((p) => p.ref === 'od')!.device.terminals
    const on = (end: string | null, roles: (role: string) => boolean) =>
      own.some((t) => end === `od.${t.id}` && t.side === 'low' && roles(t.role))
    const less = (roles: (role: string) => boolean) => ({
      ...inst,
      wires: inst.wires.filter((w) => !on(w.a, roles) && !on(w.b, roles)),
    })
    const dead = (of: Installation) =>
      prove(of)
        .findings.filter((f) => f.rule === 'boardsPowered')
        .map((f) => f.at)
    expect(dead(less((r) => r !== 'bus'))).toEqual([])
    expect(dead(less((r) => r === 'R'))).toEqual(['od.logic'])
    // With no conductor of its own at all it is not wired yet.
    expect(dead(less(() => true))).toEqual([])
  })

  it('defrostIntent (defrostLanded) hears a board that follows a controller where there is none', () => {
    // The inverter's air handler on 24 V, the defrost output on its W1: the strips come in a defrost, whatever it is told.
    const said = (...lines: string[]) =>
      jobFindings(seen(installationOf(compose([...INVERTER, ...lines]))))
        .filter((f) => f.rule === 'defrostIntent')
        .map((f) => [f.code, f.at, ...f.also])
    expect(said('set ah.stripsInDefrost=no')).toEqual([['defrostLanded', 'ah.stripsInDefrost', 'od.W']])
    expect(said('set ah.stripsInDefrost=yes')).toEqual([])
    expect(said('set ah.stripsInDefrost=no', 'lift ah.W1=od.W')).toEqual([])
  })

  it('backupCalls (backupCallEmpty, onlyInEmergency, stageCallEmpty) asks burners as it asks strips', () => {
    const codes = (a: string, b: string, id = 'tallow-mill') =>
      prove(lifted(id, a, b))
        .findings.filter((f) => f.rule === 'backupCalls')
        .map((f) => [f.code, f.at, f.witness?.call])
    expect(codes('tstat.AUX', 'fur.W')).toEqual([
      ['backupCallEmpty', 'fur.valve', 'heatAux1'],
      ['stageCallEmpty', 'fur.valve', 'heatAux2'],
    ])
    expect(codes('tstat.W2', 'fur.W2')).toEqual([['stageCallEmpty', 'fur.valve2', 'heatAux2']])
    expect(codes('tstat.G', 'fur.G')).toEqual([])
  })

  it('names the smallest change that clears each, where a setting can', () => {
    const clearing = (id: string) => {
      const { raises } = JOB_FIXTURES[id]!
      return clearingOf(
        raises,
        jobFindings(raises).find((c) => c.rule === id)!,
      )
    }
    // Aux locked out above 30, compressor below 40: aux up to 40 closes the gap.
    expect(clearing('heatGap')).toEqual({ at: 'tstat.auxLockout', value: 40 })
    expect(clearing('valveSense')).toEqual({ at: 'tstat.rvSense', value: 'cooling' })
    expect(clearing('minimumOff')).toEqual({ at: 'tstat.minimumOff', value: 5 })
    expect(clearing('stripHysteresis')).toEqual({ at: 'tstat.stripOff', value: 2 })
    expect(clearing('staticClass')).toEqual({ at: 'tstat.staticClass', value: '07' })
    // No common is a wire's matter.
    expect(clearing('noPower')).toBeNull()
  })

  it('whatever lockouts pass as clean, the sweep finds heat at every outdoor temperature', () => {
    let clean = 0
    fc.assert(
      fc.property(
        fc.constantFrom('none', 'feed'),
        fc.constantFrom('on', 'off'),
        fc.integer({ min: -4, max: 12 }).map((n) => n * 5),
        fc.constantFrom('on', 'off'),
        fc.integer({ min: 0, max: 14 }).map((n) => n * 5),
        (source, useC, c, useA, a) => {
          const inst = job('pennywort-close', {
            'tstat.outdoorSource': source,
            'tstat.useCompressorLockout': useC,
            'tstat.compressorLockout': c,
            'tstat.useAuxLockout': useA,
            'tstat.auxLockout': a,
          })
          const gap = jobFindings(seen(inst, ONLINE)).some((x) => x.rule === 'heatGap')
          const cold = prove(inst).findings.some((f) => f.rule === 'someHeat')
          // Both ways: what is clean is warm, and what is called a gap is one.
          expect([source, useC, c, useA, a, cold]).toEqual([source, useC, c, useA, a, gap])
          if (!gap) clean++
        },
      ),
      { seed: 20261124, numRuns: 150 },
    )
    expect(clean).toBeGreaterThan(50)
  }, 60_000)
})

describe('the rules that ask about the house', () => {
  it('are all those of the registry, in its order, and no rule explains what they find', () => {
    const asking = RULES.filter((r) => r.scope === 'job' && r.asksSite === true)
    expect(SITE_RULES).toEqual(asking)
    const found = new Set(asking.flatMap((r) => [...r.codes]))
    const explained = RULES.flatMap((r) => (r.scope === 'job' ? [...(r.explains ?? [])] : []))
    expect(explained.filter((code) => found.has(code))).toEqual([])
  })
})
