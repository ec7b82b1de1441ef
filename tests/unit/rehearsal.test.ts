import { readFileSync } from 'node:fs'
import { failuresOf } from '@/core/failures'
import { drawFault, physicsFaults, type SiteFault } from '@/core/instruments'
import { installationOf, parseJob, type Job } from '@/jobfile'
import { names, rehearse, type Judged } from '../helpers/rehearsal'

const jobOf = (id: string): Job => {
  const read = parseJob(readFileSync(`demo/jobs/${id}.json`, 'utf8'))
  if (!read.ok) throw new Error(id)
  return read.value
}
const isNotRight = ({ verdict }: Judged) => verdict.verdict === 'wrong' || verdict.verdict === 'watch'
const nameOf = (f: SiteFault): string =>
  f.kind === 'physics'
    ? f.name
    : `${f.failure.kind} ${f.failure.at}${f.failure.state ? ` ${f.failure.state}` : ''}`

/** A job of each family, sound as it is recorded. */
const FAMILIES = {
  'strips behind a one-stage heat pump': 'quillfeather-lane',
  'gas furnace under a two-stage heat pump': 'tallow-mill',
  'oil furnace under a heat pump': 'candlemaker-yard',
  'inverter and its own controller': 'gorse-end',
  'strips in three stages': 'harrier-bank',
}
/** Faults tried of each, and how many of them have to be among the first three causes. */
const [TRIED, NAMED] = [20, 0.75]

/** What is wrong beside the wiring, failures of parts spread evenly over the job, and then all others. */
function faultsOf(job: Job): SiteFault[] {
  const inst = installationOf(job)
  const parts = failuresOf(inst)
  const every = Math.max(1, Math.floor(parts.length / 24))
  return [
    ...physicsFaults(inst),
    ...[...parts.filter((_, i) => i % every === 0), ...parts.filter((_, i) => i % every !== 0)].map(
      (failure) => ({ kind: 'part' as const, failure }),
    ),
  ]
}

describe.each(Object.entries(FAMILIES))('%s', (family, id) => {
  const job = jobOf(id)

  it('a sound site is right in every reading, whatever the instruments’ own errors', () => {
    for (const seed of [1, 2, 3]) {
      const run = rehearse(job, null, seed)
      expect(run.length).toBeGreaterThan(100)
      expect(
        run.filter(isNotRight).map((j) => [j.card, j.reading.kind, j.reading.at, j.reading.value]),
      ).toEqual([])
    }
  })

  it('what is wrong with a site is among the first three causes', () => {
    const lines: string[] = []
    let [seen, named] = [0, 0]
    for (const fault of faultsOf(job)) {
      if (seen === TRIED) break
      const run = rehearse(job, fault)
      const first = run.find(isNotRight)
      // What no reading of that day shows is nobody's to name.
      if (!first) continue
      seen++
      const bad = run.filter((j) => j.card === first.card && isNotRight(j))
      const causes = bad.map((b) => b.verdict.causes.slice(0, 3))
      const isNamed = causes.some((list) => list.some((c) => names(job, c, fault)))
      if (isNamed) named++
      else
        lines.push(`    missed: ${nameOf(fault)}, first seen as ${first.reading.kind} at ${first.reading.at}`)
    }
    console.log([`  ${family}: ${named} of ${seen} faulty sites named`, ...lines].join('\n'))
    expect(seen).toBe(TRIED)
    expect(named / seen).toBeGreaterThanOrEqual(NAMED)
  })
})

it('a sound gas furnace at 5,280 ft is right in every reading, and fires less than its plate', () => {
  const job = jobOf('tallow-mill')
  const altitudeFt = { value: 5280, source: 'measured' as const }
  const high: Job = { ...job, house: { ...job.house, values: { ...job.house.values, altitudeFt } } }
  const run = rehearse(high, null)
  expect(run.filter(isNotRight).map((j) => [j.card, j.reading.kind, j.reading.at, j.reading.value])).toEqual(
    [],
  )
  const inputs = run.flatMap(({ reading: { kind, value } }) =>
    kind === 'clockedInput' ? [Number(value)] : [],
  )
  // Its plate has 80,000 BTU/h with both stages lit: 63,104 there, as a stopwatch tells it.
  expect(Math.abs(Math.max(...inputs) / 63_104 - 1)).toBeLessThan(0.05)
})

it('what is drawn hangs on the seed alone, and some of it is of either kind', () => {
  const inst = installationOf(jobOf('tallow-mill'))
  const drawn = Array.from({ length: 30 }, (_, i) => drawFault(inst, i * 7919))
  expect(drawn).toEqual(Array.from({ length: 30 }, (_, i) => drawFault(inst, i * 7919)))
  expect(new Set(drawn.map((f) => f?.kind))).toEqual(new Set(['part', 'physics']))
})
