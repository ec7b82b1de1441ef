import type { JobSeen } from '../installation'
import { stripLockout } from './backupHabits'
import { factorySettings } from './factorySettings'
import { lineCircuits } from './lineCircuits'
import { pairing } from './pairing'
import { plateAdds } from './plateAdds'
import type { JobRule, Proof, Rule, Undecided } from './rule'
import { kitSize, staticClass } from './sharing'
import { feedNotOnline, profileMisfit } from './sources'
import { runJobRules } from './jobRules'
import { earlyRecovery, testsBlocked } from './timing'

/**
 * The rules that ask about the house, in the order of all rules. What shows a proof that is made elsewhere needs these and no
 * others; a test holds them to the rest. No rule explains what one of them finds.
 */
export const SITE_RULES: readonly JobRule<string, string>[] = [
  lineCircuits,
  kitSize,
  stripLockout,
  staticClass,
  earlyRecovery,
  factorySettings,
  pairing,
  plateAdds,
  profileMisfit,
  feedNotOnline,
  testsBlocked,
]

/** A proof with what the owner's answers, plates as read and the state of the work add to it. */
export function withSite(proof: Proof, seen: JobSeen): Proof {
  const asking = SITE_RULES.filter((r) => r.applies(seen.inst))
  const ofJob = runJobRules(seen, asking)
  return {
    ...proof,
    rules: [...proof.rules, ...asking.map((r) => r.id)],
    findings: [...proof.findings, ...ofJob.findings],
    undecided: openQuestions([...proof.undecided, ...ofJob.undecided], SITE_RULES),
  }
}

/** Open questions, one line for each rule; a rule that only repeats a question about the same setting is left out. */
export function openQuestions(list: readonly Undecided[], rules: readonly Rule[]): Undecided[] {
  const first = list.filter((u, i) => list.findIndex((o) => o.rule === u.rule) === i)
  return first.filter((u) => {
    const rule = rules.find((r) => r.id === u.rule)
    const explains = rule?.scope === 'job' ? (rule.explains ?? []) : []
    return !list.some((o) => o.code !== null && explains.includes(o.code))
  })
}
