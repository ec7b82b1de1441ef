'use client'

import type { Verdict } from '@/core/startup'
import { cx } from '@/ui'
import { causeWords, comparedWith, stopped, VERDICT_WORDS } from '@/words'
import { useJobScreen } from '../session'

const TONE: Record<Verdict['verdict'], string> = {
  right: 'border-well text-well',
  watch: 'border-watch text-watch',
  wrong: 'border-harm text-harm',
  unjudged: 'border-edge text-soft',
}

/** A verdict with the number it was compared with, and what to check first. */
export function VerdictLine({ verdict }: { verdict: Verdict }) {
  const { inst } = useJobScreen()
  return (
    <div className="text-[15px]" data-verdict={verdict.verdict}>
      <p>
        <span className={cx('mr-2 inline-block border-b-[3px] font-bold', TONE[verdict.verdict])}>
          {VERDICT_WORDS[verdict.verdict]}
        </span>
        {comparedWith(verdict)}
      </p>
      {verdict.causes.length > 0 && (
        <p className="text-sm text-soft">
          {verdict.verdict === 'right' ? 'Note: ' : 'Check, cheapest first: '}
          {verdict.causes.map((c) => stopped(causeWords(inst, c))).join(' ')}
        </p>
      )}
    </div>
  )
}
