'use client'

import { memo } from 'react'
import { expressedIn, recommend } from '@/core/setup'
import type { JobSeen } from '@/core/installation'
import { INTENT_WORDS, settingText, whyRecommended } from '@/words'

const SWITCHES = ['earlyDefrost', 'longDefrost', 'capacityDrift', 'boost'] as const

/**
 * Recommended positions of an inverter's switches in this climate and house, with reasons: otherwise the factory
 * default.
 */
export const InverterSwitches = memo(function InverterSwitches({ seen }: { seen: JobSeen }) {
  const wanted = recommend(seen)
  const rows = SWITCHES.flatMap((intent) =>
    expressedIn(seen.inst, intent).map((e) => ({ intent, e, r: wanted.find((w) => w.at === e.at) })),
  )
  if (!rows.length) return null
  return (
    <section aria-label="The inverter’s switches" className="below-fold mt-5 border-t border-line pt-2">
      <h2 className="text-lg font-bold">The inverter’s switches</h2>
      <p className="text-[15px] text-soft">
        They are for cool, humid places, zoned houses and complaints. The interview in Setup asks for those.
      </p>
      <ul className="text-[15px]">
        {rows.map(({ intent, e, r }) => (
          <li key={e.at} className="py-0.5">
            <span className="font-bold">{INTENT_WORDS[intent].name}</span>:{' '}
            {r ? `${settingText(e.setting, r.value)}, ${whyRecommended(r.why)}` : 'as its maker left it'}
            {r && e.value !== r.value ? `. Stands at ${settingText(e.setting, e.value)}.` : '.'}
          </li>
        ))}
      </ul>
    </section>
  )
})
