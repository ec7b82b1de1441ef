import type { Proof } from '@/core/rules'
import { cx } from '@/ui'
import { ruleWords } from '@/words'

/** Every rule of a proof, and whether it holds. */
export function RuleList({ proof }: { proof: Proof }) {
  return (
    <ul className="mt-1 mb-2">
      {proof.rules.map((rule) => {
        const found = proof.findings.filter((f) => f.rule === rule)
        const off = found.some((f) => f.severity !== 'warn')
        const open = proof.undecided.some((u) => u.rule === rule)
        return (
          <li key={rule}>
            <span className={cx('font-bold', off && 'text-harm')}>
              {off ? 'Broken' : found.length ? 'Worth a look' : open ? 'Undecided' : 'Holds'}
            </span>{' '}
            {ruleWords(rule)}
          </li>
        )
      })}
    </ul>
  )
}
