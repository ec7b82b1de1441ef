import { Circuit } from '@/core/circuit'
import type { Installation } from '@/core/installation'
import { prove } from '@/core/rules'
import { installationOf } from '@/jobfile'
import * as GEAR from '../tests/cases/gear'
import { compose } from '../tests/helpers/compose'
import { demoInstallation, jobIds } from '../tests/helpers/demo'
import {
  drawnFrom,
  faultsOf,
  gainsOf,
  pairOf,
  scoresOf,
  scoresOfPair,
  type Fault,
  type Score,
} from '../tests/helpers/injector'
import { behaviourOf, slipsOf, unseenBy } from '../tests/helpers/slips'

const PAIRS = 20_000
const SCORES: readonly Score[] = ['right', 'later', 'lessExact', 'wrong', 'silent']

/** The demo jobs without a grave finding of their own, and every gear of the cases. */
function rightJobs(): [string, Installation][] {
  const demo = jobIds().map((id): [string, Installation] => [id, demoInstallation(id)])
  const sound = demo.filter(([, inst]) => prove(inst).findings.every((f) => f.severity === 'warn'))
  const written = Object.entries(GEAR).map(([name, lines]): [string, Installation] => [
    name,
    installationOf(compose(lines)),
  ])
  return [...sound, ...written]
}

/**
 * Every single fault of every right job, and drawn pairs of slips: how often the first reason names what was injected, by the
 * injector's own record, and what the proof misses.
 * @param every 1: all of them; n: each n-th
 */
export function everySlip(every = 1): void {
  const start = performance.now()
  const jobs = rightJobs()
  const table = new Map<Fault['kind'], Record<Score, number>>()
  let [count, nothing, gained, gainedRight] = [0, 0, 0, 0]
  for (const [name, inst] of jobs) {
    const right = new Circuit(inst)
    for (const fault of faultsOf(inst)) {
      if (count++ % every) continue
      const scored = scoresOf(right, fault)
      if (!scored.length) nothing++
      const row = table.get(fault.kind) ?? { right: 0, later: 0, lessExact: 0, wrong: 0, silent: 0 }
      table.set(fault.kind, row)
      for (const s of scored) {
        row[s.score]++
        if (s.score !== 'right')
          console.log(
            `slips: ${s.score}: ${name}: ${fault.what}: ${s.situation.call} ${s.situation.outdoorF} ${s.load} at ${s.gate?.at ?? 'nothing'}`,
          )
      }
    }
    for (const [i, slip] of [...slipsOf(inst)].entries()) {
      if (i % every) continue
      const gains = gainsOf(right, slip)
      gained += gains.length
      gainedRight += gains.filter(Boolean).length
    }
  }
  const sum = (score?: Score) =>
    [...table.values()].reduce(
      (n, row) => n + SCORES.reduce((m, s) => m + (score && s !== score ? 0 : row[s]), 0),
      0,
    )
  const share = (n: number, of: number) => `${((100 * n) / of).toFixed(2)} %`
  for (const [kind, row] of table)
    console.log(`slips: ${kind}: ${SCORES.map((s) => `${s} ${row[s]}`).join(', ')}`)
  console.log(
    `slips: single: ${SCORES.map((s) => `${s} ${share(sum(s), sum())}`).join(', ')} of ${sum()} loads; ${nothing} faults change nothing that was looked at`,
  )
  console.log(`slips: loads that a slip turns on: ${share(gainedRight, gained)} of ${gained} named`)
  pairs(jobs, Math.ceil(PAIRS / every))
  proofOfSlips(jobs, every)
  console.log(`slips: ${((performance.now() - start) / 60_000).toFixed(1)} min`)
}

function pairs(jobs: readonly [string, Installation][], most: number): void {
  const draw = drawnFrom(1)
  let [made, loads, first, ofBoth, both] = [0, 0, 0, 0, 0]
  for (const [name, inst] of jobs) {
    const right = new Circuit(inst)
    const slips = [...slipsOf(inst)]
    for (let i = 0; i < most / jobs.length; i++) {
      const pair = pairOf(slips, (s) => [...slipsOf(s.inst)], draw)
      if (!pair) continue
      made++
      for (const s of scoresOfPair(right, pair)) {
        loads++
        if (s.isFirst) first++
        else
          console.log(
            `slips: pair: ${name}: ${pair.what}: ${s.situation.call} ${s.load} at ${s.gate?.at ?? 'nothing'}`,
          )
        if (s.both === null) continue
        ofBoth++
        if (s.both) both++
      }
    }
  }
  console.log(
    `slips: ${made} pairs: one of the two first ${((100 * first) / loads).toFixed(2)} % of ${loads} loads; both named ${((100 * both) / ofBoth).toFixed(2)} % of ${ofBoth} that each stops alone`,
  )
}

/** Slips that change what runs in a job that the proof still passes. */
function proofOfSlips(jobs: readonly [string, Installation][], every: number): void {
  let [slips, missed] = [0, 0]
  for (const [name, inst] of jobs) {
    const good = behaviourOf(inst)
    for (const [i, { what, inst: slipped }] of [...slipsOf(inst)].entries()) {
      if (i % every) continue
      slips++
      const unseen = unseenBy(slipped, good)
      if (unseen.length) console.log(`slips: proof: ${name}: ${what} is not found: ${unseen[0]}`)
      missed += unseen.length ? 1 : 0
    }
  }
  console.log(`slips: proof: ${slips} slips, ${missed} not found`)
}
