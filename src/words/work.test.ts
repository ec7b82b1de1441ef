import { withPair } from '../../tests/helpers/pair'
import { failuresOf, singleFailures, type Effect } from '@/core/failures'
import { wireRef, type Installation } from '@/core/installation'
import type { Change } from '@/core/rules'
import { compare, planLanding, planned, USUAL, type Plan } from '@/core/plan'
import { degF } from '@/core/units'
import { installationOf } from '@/jobfile'
import { NOT_LOOKED_AT, ONE_STAGE, ZONES } from '../../tests/cases/gear'
import { compose } from '../../tests/helpers/compose'
import { demoInstallation, rewired, without, wireBetween, jobIds } from '../../tests/helpers/demo'
import {
  unmetWords,
  changeWords,
  differenceWords,
  effectWords,
  failureWords,
  planSentence,
  planSettingWords,
  assumedSentence,
  whyWords,
} from '.'

const JOBS = jobIds()
const inst = demoInstallation('quillfeather-lane')
const wireOf = (a: string, b: string) => wireRef(wireBetween(inst, a, b).id)

describe('failures in words', () => {
  it.each([
    [{ kind: 'mode', at: 'feedA.breaker', state: 'off' }, /: breaker off$/],
    [{ kind: 'stuckOpen', at: 'odt.switch' }, / does not close$/],
    [{ kind: 'stuckClosed', at: 'odt.switch' }, / does not open$/],
    [{ kind: 'loadOpen', at: 'od.contactor' }, /, open or dead$/],
    [{ kind: 'wireOpen', at: wireOf('tstat.E', 'ah.W2') }, /^Open: brown conductor of the thermostat cable, Thermostat E to Air handler W2$/],
  ] as const)('%j', (failure, words) => expect(failureWords(inst, failure)).toMatch(words)) // prettier-ignore

  it.each(JOBS)('%s: every part that can fail has a name of its own, and no name is a reference', (job) => {
    const here = demoInstallation(job)
    const said = failuresOf(here).map((f) => failureWords(here, f))
    expect(said.length).toBeGreaterThan(20)
    for (const words of said) {
      expect(words).not.toMatch(/undefined|null|\[object/)
      // "kit.row1" is for the machine; "24.2 V" and "O/B" are not such.
      expect(words).not.toMatch(/\b[a-z]\w*\.[A-Za-z]\w*\b/)
    }
    expect(new Set(said).size / said.length).toBeGreaterThan(0.9)
  })

  const witness = { call: 'emergency' as const, outdoorF: degF(45), modes: {} }
  const effect = (over: Partial<Effect>): Effect =>
    ({ kind: 'unnoticed', failure: { kind: 'loadOpen', at: 'kit.row1' }, witness, lost: [], gained: [], rule: null, ...over }) // prettier-ignore
  it('an effect says where it shows, what stops and what starts', () => {
    expect(effectWords(inst, effect({ lost: ['kit.row1', 'kit.row2'], gained: ['od.compressor'] }))).toMatch(
      /^Emergency heat at 45 °F, everything normal: .*row 1.*, .*row 2.* off; .*compressor.* on$/i,
    )
    expect(effectWords(inst, effect({ kind: 'harm', rule: 'stripsNeedBlower' }))).toBe(
      'Breaks: strips never heat without the blower. Emergency heat at 45 °F, everything normal',
    )
    expect(effectWords(inst, effect({ kind: 'noHeat' }))).toMatch(
      /^No heat from anything: Emergency heat at 45/,
    )
    expect(effectWords(inst, effect({}))).toBe('')
  })
})

describe('failures where not everything is known', () => {
  it('are tried as it usually stands, and said so', () => {
    const unlooked = installationOf(compose(NOT_LOOKED_AT))
    expect(assumedSentence(unlooked)).toBe('8 things are not known, and taken as they usually stand.')
    expect(assumedSentence(installationOf(compose([...ONE_STAGE, 'set tstat.rvSense=?'])))).toBe(
      '1 thing is not known, and taken as it usually stands.',
    )
    expect(assumedSentence(installationOf(compose(ONE_STAGE)))).toBeNull()
    // Landed alike and standing at its defaults, it fails alike: a relay of which nothing was known was taken as open.
    const told = (gear: readonly string[]) =>
      singleFailures(installationOf(compose(gear))).map((e) => [e.failure.at, e.failure.kind, e.kind])
    expect(told(NOT_LOOKED_AT)).toEqual(told(ONE_STAGE))
  })
})

describe('the plan in words', () => {
  const plan = (over: Partial<Plan>): Plan => ({
    ...planLanding(inst, USUAL),
    short: [],
    spares: [],
    ...over,
  })
  const cable = inst.cables.find((c) => c.label === 'Thermostat cable')!.id

  it('what is short comes first, then what is left', () => {
    const short = (by: number) => planSentence(inst, plan({ short: [{ cable, by }] as Plan['short'] }))
    expect(short(1)).toMatch(
      /^Thermostat cable is short of 1 conductor\. Best: pull a cable with more conductors\./,
    )
    expect(short(2)).toMatch(/^Thermostat cable is short of 2 conductors\./)
    // What the job has not is named; what it has is not.
    expect(short(1)).toMatch(/add a call sender and receiver .* add a relay/)
    expect(planSentence(withPair(8), plan({ short: [{ cable, by: 1 }] as Plan['short'] }))).not.toMatch(
      /add a call/,
    )
    expect(planSentence(inst, plan({ spares: [{ cable, left: 2 }] as Plan['spares'] }))).toBe(
      'Everything fits: 2 spare in the thermostat cable.',
    )
    expect(planSentence(inst, plan({}))).toBe('Everything fits.')
  })

  it('names the places that no cable joins', () => {
    const apart: Plan['apart'] = [['garage', 'shed'], ['shed', 'garage']] // prettier-ignore
    expect(planSentence(inst, plan({ apart }))).toBe(
      'No control cable joins garage and shed. Add one, or correct where each device is.',
    )
  })

  it('never says that everything fits where the gear lacks something', () => {
    expect(planSentence(inst, plan({ unmet: ['transformerSmall'] }))).toBe(
      'One thing is beyond this gear. The conductors fit.',
    )
    const both = plan({
      unmet: ['transformerSmall', 'weakInput'],
      spares: [{ cable, left: 2 }] as Plan['spares'],
    })
    expect(planSentence(inst, both)).toBe(
      '2 things are beyond this gear. The conductors fit: 2 spare in the thermostat cable.',
    )
    // Two transformers' worth of coils on one of 40 VA: 43.83 in a defrost, by the proof of the job as it is landed.
    const zones = installationOf(compose(ZONES))
    const made = planLanding(zones, USUAL)
    expect(made.unmet).toEqual(['transformerSmall'])
    expect(planSentence(zones, made)).toMatch(/^One thing is beyond this gear\./)
  })

  it.each(JOBS)('%s: every conductor, setting and want of its plan has its reason in words', (job) => {
    const here = demoInstallation(job)
    const made = planLanding(here, USUAL)
    for (const s of made.settings) expect(planSettingWords(here, s)).toMatch(/^Set .+, .+, to .+/)
    for (const c of made.unmet) expect(unmetWords(c)).toMatch(/\.$/)
    for (const { why } of made.reasons) expect(whyWords(why)).toBeTruthy()
  })

  it('a difference names the conductor, where it is and where the plan has it', () => {
    const target = planned(inst, planLanding(inst, USUAL))
    const words = (found: Installation) => compare(found, target).map((d) => differenceWords(found, target, d))
    const same = words(target)
    expect(same).toEqual([])
    const y = wireBetween(target, 'tstat.Y', 'ah.Y')
    expect(words(without(target, y.id)).join('\n')).toMatch(/^Missing: (Thermostat Y to Air handler Y|Air handler Y to Thermostat Y)$/m)
    const moved = words(rewired(target, y.id, y.a === 'ah.Y' ? { a: 'ah.G' } : { b: 'ah.G' })).join('\n')
    expect(moved).toMatch(/On the wrong terminal: the .+ conductor of the thermostat cable is on Air handler G, the plan has Air handler Y/)
  }) // prettier-ignore
})

describe('what to change', () => {
  const found = demoInstallation('saltmarsh-row')
  const words = (change: Change) => changeWords(found, change)
  it('names the conductor, where it is and where it goes', () => {
    expect(words({ kind: 'moveWire', wire: 'w07', end: 'b', to: 'ah.W2' })).toBe(
      'Move the brown conductor of the thermostat cable from Splice S1 to Air handler W2',
    )
    const bare = found.wires.find((w) => w.cable === 'c1' && !w.a)!
    expect(words({ kind: 'moveWire', wire: bare.id, end: 'a', to: 'tstat.G' })).toBe(
      `Land the ${bare.colour} conductor of the thermostat cable on Thermostat G`,
    )
  })
  it('says what comes out and what goes in', () => {
    const jumper = found.wires.find((w) => w.cable === null)!
    expect(words({ kind: 'removeWire', wire: jumper.id })).toMatch(/^Remove the .* \(jumper\), .* to .*/)
    expect(words({ kind: 'removeWire', wire: 'w07' })).toBe(
      'Lift the brown conductor of the thermostat cable, Thermostat E to Splice S1',
    )
    expect(words({ kind: 'addJumper', a: 'ah.W1', b: 'ah.W2' })).toBe(
      'Put a jumper from Air handler W1 to Air handler W2',
    )
    expect(words({ kind: 'setSetting', placed: 'tstat', setting: 'rvSense', value: 'heating' })).toMatch(
      /^Set Thermostat.* to Heating \(B\)$/,
    )
  })
})
