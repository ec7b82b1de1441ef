import { resultOf, type Proof, type RuleResult } from '@/core/rules'
import { cx } from '@/ui'
import { ruleWords } from '@/words'

const WORDS: Record<RuleResult, string> = {
  broken: 'Broken',
  undecided: 'Undecided',
  warning: 'Worth a look',
  holds: 'Holds',
}

/** Every rule of a proof, and whether it holds. */
export function RuleList({ proof }: { proof: Proof }) {
  return (
    <ul className="mt-1 mb-2">
      {proof.rules.map((rule) => {
        const result = resultOf(proof, rule)
        return (
          <li key={rule}>
            <span className={cx('font-bold', result === 'broken' && 'text-harm')}>{WORDS[result]}</span>{' '}
            {ruleWords(rule)}
          </li>
        )
      })}
    </ul>
  )
}
