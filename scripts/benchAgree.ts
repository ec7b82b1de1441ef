import type { JobSeen } from '@/core/installation'
import { jobSeen } from '@/jobfile'
import { CASES } from '../tests/cases/cases'
import { CROSSED_CASES } from '../tests/cases/crossed'
import { FURTHER_CASES } from '../tests/cases/further'
import { MORE_CASES } from '../tests/cases/more'
import { PAIRED_CASES } from '../tests/cases/paired'
import { disagreements } from '../tests/helpers/agree'
import { compose } from '../tests/helpers/compose'
import { jobIds } from '../tests/helpers/demo'
import { demoSeen } from '../tests/helpers/seen'
import { slipsOf } from '../tests/helpers/slips'

const TEMPERATURES = [5, 25, 45]
/** Jobs that are drawn from the slips of the demo jobs. */
const DRAWN = 200

/** Every `n`th of a list, so that `most` are drawn from all of it. */
const spread = <T>(list: readonly T[], most: number): T[] => {
  const every = Math.max(1, Math.ceil(list.length / most))
  return list.filter((_, i) => i % every === 0)
}

/** The demo jobs, the written cases in a house of the demo, and drawn slips: where two places say different things of one. */
export function agree(): void {
  const start = performance.now()
  const jobs: (readonly [string, JobSeen])[] = []
  for (const id of jobIds()) {
    const seen = demoSeen(id)
    jobs.push([id, seen])
    for (const { what, inst } of spread([...slipsOf(seen.inst)], Math.ceil(DRAWN / jobIds().length)))
      jobs.push([`${id}, ${what}`, { ...seen, inst }])
  }
  const { house, climate, prices } = demoSeen('quillfeather-lane')
  for (const c of [...CASES, ...MORE_CASES, ...FURTHER_CASES, ...CROSSED_CASES, ...PAIRED_CASES])
    jobs.push([c.name, { ...jobSeen(compose([...c.gear, ...c.work])), house, climate, prices }])
  let apart = 0
  for (const [name, seen] of jobs) {
    const found = disagreements(seen, TEMPERATURES)
    if (!found.length) continue
    apart++
    for (const d of found)
      console.log(`agree: ${name}: ${d.at}, ${d.what}: ${String(d.here)} against ${String(d.there)}`)
  }
  const minutes = (performance.now() - start) / 60_000
  console.log(
    `agree: ${jobs.length} jobs at ${TEMPERATURES.length} temperatures, ${apart} of them apart; ${minutes.toFixed(1)} min`,
  )
}
