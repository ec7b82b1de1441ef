import { placedByRef } from '@/core/installation'
import { prove } from '@/core/rules'
import { assumedDefaults } from '@/core/situation'
import { readJson } from '../../tests/helpers/demo'
import { apply, installationOf, parseJob, upgradeOperation, type Job } from '.'

const demo = (): Job => {
  const parsed = parseJob(JSON.stringify(readJson('demo/jobs/quillfeather-lane.json')))
  if (!parsed.ok) throw new Error('refused')
  return parsed.value
}
/** The demo job with the outdoor unit's reversing valve left out of the file. */
const leftOut = (assumed: boolean): Job => {
  const job = demo()
  return {
    ...job,
    placed: job.placed.map((p) => {
      if (p.ref !== 'od') return p
      const { defaultAssumed: _, ...rest } = p
      const { rvSense: __, ...settings } = p.settings
      return { ...rest, settings, ...(assumed ? { defaultAssumed: true as const } : {}) }
    }),
  }
}
const valve = (job: Job) => placedByRef(installationOf(job), 'od')!.settings.rvSense

describe('a setting that the file leaves out', () => {
  it('is not known: it is tried both ways, and what hangs on it is undecided by its name', () => {
    const job = leftOut(false)
    expect(valve(job)).toBeNull()
    const proof = prove(installationOf(job))
    // Energised in heating, cooling would heat: one of the two assumptions breaks the rule.
    expect(proof.undecided).toContainEqual(
      expect.objectContaining({ rule: 'valveRight', unknown: ['od.rvSense'] }),
    )
    expect(proof.findings.filter((f) => f.severity !== 'warn')).toEqual([])
  })

  it('stands at its default on a device that is new from its box, and is not counted', () => {
    const done = apply(leftOut(false), { kind: 'setPlate', ref: 'od', field: 'newFromBox', value: true })
    if (!done.ok) throw new Error('refused')
    expect(valve(done.value)).toBeUndefined()
    expect(assumedDefaults(installationOf(done.value))).not.toContain('od.rvSense')
    expect(prove(installationOf(done.value)).undecided).toEqual([])
  })

  it('in a file of an older version is taken to stand at its default, and counted by name', () => {
    const job = leftOut(true)
    expect(valve(job)).toBeUndefined()
    const proof = prove(installationOf(job))
    expect(proof.undecided).toEqual([])
    expect(proof.assumed).toContain('od.rvSense')
  })

  it('that was read off the device has the value that was read', () => {
    const note = { value: 'heating', who: 'Wren', when: '2026-01-05T09:00:00Z' }
    const job = { ...leftOut(false) }
    const seen: Job = { ...job, setup: { ...job.setup, keyed: { 'od.rvSense': { found: note } } } }
    expect(valve(seen)).toBe('heating')
  })

  it('an older operation that places a device brings the old meaning along', () => {
    const placed = { ref: 'odt2', device: 'sedge-t50', label: 'Second switch', settings: {} }
    expect(upgradeOperation({ kind: 'placeDevice', placed }, 3)).toEqual({
      kind: 'placeDevice',
      placed: { ...placed, defaultAssumed: true },
    })
    expect(upgradeOperation({ kind: 'placeDevice', placed }, 4)).toEqual({ kind: 'placeDevice', placed })
  })
})
