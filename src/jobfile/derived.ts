import { jobFindings, prove, RULES, withSite, type Finding, type Proof } from '@/core/rules'
import { currentReadings, judge, type Reading, type Verdict } from '@/core/startup'
import type { JobAnalysis } from './JobAnalysis'

const findings = ({ seen }: JobAnalysis): Finding[] => jobFindings(seen)

/** Findings about equipment, wiring, settings and answers, without solving any state. */
export const jobFindingsOf = (analysis: JobAnalysis): Finding[] => analysis.cache.once(findings)

const proof = ({ inst, circuit, seen }: JobAnalysis): Proof => withSite(prove(inst, RULES, circuit), seen)

/** The proof of a job: its wiring in every operating state, and its house. It takes seconds for a large job. */
export const proofOf = (analysis: JobAnalysis): Proof => analysis.cache.once(proof)

const verdicts = (): WeakMap<Reading, Verdict> => new WeakMap()

/** Verdict of a reading by its job; a reading of the job is judged once for a revision. */
export function verdictOf(analysis: JobAnalysis, reading: Reading): Verdict {
  const known = analysis.cache.once(verdicts)
  const { circuit, job, seen } = analysis
  const verdict = known.get(reading) ?? judge(circuit, reading, job.readings, seen)
  known.set(reading, verdict)
  return verdict
}

/** The current readings of a job, each with its verdict. */
export const judgedReadings = (analysis: JobAnalysis): { reading: Reading; verdict: Verdict }[] =>
  currentReadings(analysis.job.readings).map((reading) => ({
    reading,
    verdict: verdictOf(analysis, reading),
  }))

/** Current readings that are wrong. */
export const wrongReadings = (analysis: JobAnalysis): Reading[] =>
  judgedReadings(analysis).flatMap(({ reading, verdict }) => (verdict.verdict === 'wrong' ? [reading] : []))
