import type { Installation } from '../installation'
import { aheadTargets } from '../query'
import { heaterRows } from '../kit'
import type { Finding } from './rule'

/**
 * Whether a proof holds that the compressor never heats with strips: every row is ahead of the coil, and the rule that
 * keeps the two apart was proven without a finding. What a service load may leave out (NEC 220.60, 220.82).
 */
export function stripsNeverTogether(
  inst: Installation,
  proof: { rules: readonly string[]; findings: readonly Finding[]; undecided: readonly { rule: string }[] },
): boolean {
  const ahead = new Set(aheadTargets(inst).map((t) => t.ref))
  const rows = heaterRows(inst)
  const rule = 'heatAheadOfCoil'
  const isProven =
    proof.rules.includes(rule) && [...proof.findings, ...proof.undecided].every((f) => f.rule !== rule)
  return rows.length > 0 && isProven && rows.every((r) => ahead.has(r.ref))
}
