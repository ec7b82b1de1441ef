import type { Proof } from './rule'

/** How a rule stands: what is wrong under every assumption first, then what may be, then what only wants a look. */
export type RuleResult = 'broken' | 'undecided' | 'warning' | 'holds'

/** How one rule stands in a proof. */
export function resultOf(
  { findings, undecided }: Pick<Proof, 'findings' | 'undecided'>,
  rule: string,
): RuleResult {
  const found = findings.filter((f) => f.rule === rule)
  if (found.some((f) => f.severity !== 'warn')) return 'broken'
  if (undecided.some((u) => u.rule === rule)) return 'undecided'
  return found.length ? 'warning' : 'holds'
}
