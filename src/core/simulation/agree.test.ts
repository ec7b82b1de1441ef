import { withSettings, type Installation, type JobSeen } from '../installation'
import { disagreements } from '../../../tests/helpers/agree'
import { jobIds, rewired, wireBetween, without } from '../../../tests/helpers/demo'
import { demoSeen } from '../../../tests/helpers/seen'
import { Circuit } from '../circuit'
import { crossingOf } from '../crossing'
import { winterOf } from '.'

/** A job with its wiring or settings changed, and nothing else. */
const changed = (id: string, change: (inst: Installation) => Installation): JobSeen => {
  const seen = demoSeen(id)
  return { ...seen, inst: change(seen.inst) }
}
const lifted = (id: string, a: string, b: string) =>
  changed(id, (inst) => without(inst, wireBetween(inst, a, b).id))
const moved = (id: string, a: string, b: string, to: string) =>
  changed(id, (inst) => {
    const wire = wireBetween(inst, a, b)
    return rewired(
      inst,
      wire.id,
      wire.a === b ? { a: to as typeof wire.b & string } : { b: to as typeof wire.b & string },
    )
  })
const set = (id: string, at: string, value: string | number) =>
  changed(id, (inst) => withSettings(inst, [{ at: at as `${string}.${string}`, value }]))

/** Jobs that are wired or set wrong in the ways that people do. */
const WRONG: readonly (readonly [string, JobSeen])[] = [
  ['the valve is set the other way', set('pennywort-close', 'tstat.rvSense', 'heating')],
  ['no Y at the outdoor unit', lifted('quillfeather-lane', 'ah.Y', 'od.Y')],
  ['no O at the outdoor unit', lifted('quillfeather-lane', 'ah.O', 'od.OB')],
  ['no AUX', lifted('osier-walk', 'tstat.AUX', 'ah.W1')],
  ['no second compressor stage', lifted('pennywort-close', 'ah.Y2', 'od.Y2')],
  ['no common at the thermostat', lifted('saltmarsh-row', 'tstat.C', 'ah.C')],
  ['Y at AUX', moved('quillfeather-lane', 'ah.Y', 'tstat.Y', 'tstat.AUX')],
  ['Y always hot', moved('tallow-mill', 'fur.Y', 'tstat.Y', 'tstat.R')],
]

describe('the year, the run, the cards and the kit', () => {
  it.each(jobIds())('describe the same job: %s', (id) => {
    expect(disagreements(demoSeen(id), [2, 17, 30, 41, 52])).toEqual([])
  })

  it.each(WRONG)('also where %s', (_, seen) => {
    expect(disagreements(seen, [5, 25, 45])).toEqual([])
  })

  it('a valve that cools on a heat call takes heat away: the year says so as the winter does', () => {
    const seen = set('pennywort-close', 'tstat.rvSense', 'heating')
    const circuit = new Circuit(seen.inst)
    const right = crossingOf(demoSeen('pennywort-close'), new Circuit(demoSeen('pennywort-close').inst)).year!
    const wrong = crossingOf(seen, circuit).year!
    expect(right.unmetDegreeHours).toBeLessThan(50)
    expect(wrong.unmetDegreeHours).toBeGreaterThan(10_000)
    expect(wrong.heatPumpHeat).toBeLessThan(0)
    expect(wrong.kwh).toBeGreaterThan(1.5 * right.kwh)
    const winter = winterOf(seen, circuit, { days: 20 })!
    expect(winter.sums.heatPumpBtu).toBeLessThan(0)
    expect(winter.sums.coldestF).toBeLessThan(60)
  })
})
