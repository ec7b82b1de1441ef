import fc from 'fast-check'
import { demoInstallation, libraryDevice, wireBetween, without } from '../../../../tests/helpers/demo'
import type { Value } from '../../equipment'
import { UNKNOWN_SITE, type Installation, type Site } from '../../installation'
import { prove } from '../../laws'
import { clearingOf, CONFLICTS, conflictsIn, type SetupSeen } from '..'

type Change = Record<string, Value | null>
const job = (id: string, settings: Change = {}): Installation => demoInstallation(id, settings)
const seen = (inst: Installation, site: Partial<Site> = {}, tested = true): SetupSeen => ({
  ...UNKNOWN_SITE,
  ...site,
  inst,
  tested,
})
const ONLINE: Partial<Site> = { plates: { tstat: { seenOnline: true } } }
/** A wired controller's device beside a strip kit on the bus. */
const bus = (settings: Change = {}) =>
  job('gorse-end', { 'od.selector': 'bus', 'tstat.fanInDefrost': 'on', ...settings })
const lifted = (id: string, a: string, b: string, settings: Change = {}) => {
  const inst = job(id, settings)
  return without(inst, wireBetween(inst, a, b).id)
}
/** The same job with one device looked at under another description. */
const as = (
  inst: Installation,
  ref: string,
  change: (p: Installation['placed'][number]) => Installation['placed'][number],
) => ({
  ...inst,
  placed: inst.placed.map((p) => (p.ref === ref ? change(p) : p)),
})

/** For each conflict: a setup that raises it, what it says, and one that does not. */
const FIXTURES: Record<string, { raises: SetupSeen; what: string; at: string; clears: SetupSeen }> = {
  togetherAhead: {
    raises: seen(job('tallow-mill', { 'tstat.together': 'yes' })),
    what: 'togetherAhead',
    at: 'tstat.together',
    clears: seen(job('tallow-mill')),
  },
  heatGap: {
    raises: seen(
      job('pennywort-close', {
        'tstat.outdoorSource': 'feed',
        'tstat.useCompressorLockout': 'on',
        'tstat.compressorLockout': 40,
        'tstat.useAuxLockout': 'on',
        'tstat.auxLockout': 30,
      }),
      ONLINE,
    ),
    what: 'heatGap',
    at: 'tstat.auxLockout',
    clears: seen(
      job('pennywort-close', {
        'tstat.outdoorSource': 'feed',
        'tstat.useCompressorLockout': 'on',
        'tstat.compressorLockout': 30,
        'tstat.useAuxLockout': 'on',
        'tstat.auxLockout': 30,
      }),
      ONLINE,
    ),
  },
  selector: {
    raises: seen(bus({ 'od.selector': '24V' })),
    what: 'wiresOnBus',
    at: 'od.selector',
    clears: seen(bus()),
  },
  valveSense: {
    raises: seen(job('pennywort-close', { 'tstat.rvSense': 'heating' })),
    what: 'valveSense',
    at: 'tstat.rvSense',
    clears: seen(job('pennywort-close')),
  },
  noPower: {
    raises: seen(lifted('quillfeather-lane', 'tstat.C', 'ah.C')),
    what: 'noPower',
    at: 'tstat.C',
    clears: seen(job('quillfeather-lane')),
  },
  backupSourceWrong: {
    raises: seen(job('tallow-mill', { 'tstat.backupSource': 'electric' })),
    what: 'electricWithFurnace',
    at: 'tstat.backupSource',
    clears: seen(job('tallow-mill')),
  },
  inCharge: {
    raises: seen(job('tallow-mill', { 'tstat.inCharge': 'kit' })),
    what: 'noneInCharge',
    at: 'tstat.inCharge',
    clears: seen(job('tallow-mill')),
  },
  stages: {
    raises: seen(job('pennywort-close', { 'tstat.compressorStages': '1' })),
    what: 'stageNotSet',
    at: 'tstat.compressorStages',
    clears: seen(job('pennywort-close')),
  },
  emergencyPath: {
    raises: seen(job('quillfeather-lane', { 'tstat.auxWithE': 'together' })),
    what: 'eLandedTogether',
    at: 'tstat.auxWithE',
    clears: seen(job('quillfeather-lane')),
  },
  lockoutNoSource: {
    raises: seen(job('pennywort-close', { 'tstat.outdoorSource': 'none', 'tstat.useAuxLockout': 'on' })),
    what: 'lockoutNoSource',
    at: 'tstat.useAuxLockout',
    clears: seen(job('pennywort-close', { 'tstat.outdoorSource': 'none', 'tstat.useAuxLockout': 'off' })),
  },
  sensorNoConductors: {
    raises: seen(job('pennywort-close', { 'tstat.outdoorSource': 'wired' })),
    what: 'sensorNoConductors',
    at: 'tstat.outdoorSource',
    clears: seen(job('pennywort-close', { 'tstat.outdoorSource': 'none', 'tstat.useAuxLockout': 'off' })),
  },
  fanOffInDefrost: {
    raises: seen(bus({ 'tstat.fanInDefrost': 'off' })),
    what: 'fanOffInDefrost',
    at: 'tstat.fanInDefrost',
    clears: seen(bus()),
  },
  stripHysteresis: {
    raises: seen(bus({ 'tstat.stripOn': 4, 'tstat.stripOff': 3 })),
    what: 'stripTight',
    at: 'tstat.stripOff',
    clears: seen(bus({ 'tstat.stripOn': 5, 'tstat.stripOff': 3 })),
  },
  kitSize: {
    raises: seen(job('pennywort-close', { 'ah.kitSize': '20' })),
    what: 'kitNotAllowed',
    at: 'ah.kitSize',
    clears: seen(job('pennywort-close', { 'ah.kitSize': '10' })),
  },
  staticClass: {
    raises: seen(bus({ 'tstat.staticClass': '05' }), { staticInWc: 0.62 }),
    what: 'staticBelow',
    at: 'tstat.staticClass',
    clears: seen(bus({ 'tstat.staticClass': '08' }), { staticInWc: 0.62 }),
  },
  minimumOff: {
    raises: seen(job('quillfeather-lane', { 'tstat.minimumOff': 2 })),
    what: 'minimumOffShort',
    at: 'tstat.minimumOff',
    // The two-stage unit's own board waits five minutes.
    clears: seen(job('pennywort-close', { 'tstat.minimumOff': 2 })),
  },
  cycles: {
    raises: seen(job('candlemaker-yard', { 'tstat.cyclesHeatPump': 4 }), ONLINE),
    what: 'cyclesCompressor',
    at: 'tstat.cyclesHeatPump',
    clears: seen(job('candlemaker-yard'), ONLINE),
  },
  droop: {
    raises: seen(job('pennywort-close', { 'tstat.droop': 1, 'tstat.stageDifferential': 2 })),
    what: 'droopTight',
    at: 'tstat.droop',
    clears: seen(job('pennywort-close', { 'tstat.droop': 2, 'tstat.stageDifferential': 2 })),
  },
  earlyRecovery: {
    raises: seen(job('pennywort-close', { 'tstat.earlyRecovery': 'on' }), {
      answers: { sleepsByDay: 'yes' },
    }),
    what: 'earlyRecoveryWakes',
    at: 'tstat.earlyRecovery',
    clears: seen(job('pennywort-close', { 'tstat.earlyRecovery': 'on' })),
  },
  profileMisfit: {
    raises: seen(job('quillfeather-lane'), { plates: { tstat: { model: 'H1-C' } } }),
    what: 'profileMisfit',
    at: 'tstat.',
    clears: seen(job('quillfeather-lane'), { plates: { tstat: { model: 'h1-a' } } }),
  },
  feedNotOnline: {
    raises: seen(job('millrace-cottage')),
    what: 'feedNotOnline',
    at: 'tstat.outdoorSource',
    clears: seen(job('millrace-cottage'), ONLINE),
  },
  testsBlocked: {
    raises: seen(job('quillfeather-lane', { 'tstat.keypadLock': 'full' }), {}, false),
    what: 'lockBeforeTests',
    at: 'tstat.keypadLock',
    clears: seen(job('quillfeather-lane', { 'tstat.keypadLock': 'full' }), {}, true),
  },
}

describe('conflicts between gear, wiring, settings and the owner', () => {
  it('every one has a setup that raises it and one that does not', () =>
    expect(Object.keys(FIXTURES).sort()).toEqual(CONFLICTS.map((c) => c.id).sort()))

  it.each(Object.entries(FIXTURES))('%s is raised where it stands, and nowhere else', (id, f) => {
    const raised = conflictsIn(f.raises).filter((c) => c.conflict === id)
    expect(raised.map((c) => [c.what, c.at[0]])).toEqual([[f.what, f.at]])
    expect(conflictsIn(f.clears).filter((c) => c.conflict === id)).toEqual([])
  })

  it('other ways of the same: reversed strips, a burner’s cycles, both in charge, an oil furnace called gas', () => {
    const whats = (inst: Installation, site: Partial<Site> = ONLINE) =>
      conflictsIn(seen(inst, site)).map((c) => c.what)
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

  it('names the smallest change that clears each, where a setting can', () => {
    const clearing = (id: string) => {
      const { raises } = FIXTURES[id]!
      return clearingOf(
        raises,
        conflictsIn(raises).find((c) => c.conflict === id)!,
      )
    }
    // Aux held off above 30, compressor below 40: aux up to 40 closes the gap.
    expect(clearing('heatGap')).toEqual({ at: 'tstat.auxLockout', value: 40 })
    expect(clearing('valveSense')).toEqual({ at: 'tstat.rvSense', value: 'cooling' })
    expect(clearing('minimumOff')).toEqual({ at: 'tstat.minimumOff', value: 5 })
    expect(clearing('stripHysteresis')).toEqual({ at: 'tstat.stripOff', value: 2 })
    expect(clearing('staticClass')).toEqual({ at: 'tstat.staticClass', value: '08' })
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
          const gap = conflictsIn(seen(inst, ONLINE)).some((x) => x.conflict === 'heatGap')
          const cold = prove(inst).findings.some((f) => f.law === 'someHeat')
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
