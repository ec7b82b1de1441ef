'use client'

import { Caution, cx, Disclosure } from '@/ui'
import { crossingAnswer, missingInputsSentence } from '@/words'
import { Gates } from './Gates'
import { Here } from './Here'
import { HouseForm } from './HouseForm'
import { InverterSwitches } from './InverterSwitches'
import { Picture } from './Picture'
import { Schools } from './Schools'
import { useCrossing } from './useCrossing'
import { YearCharts } from './YearCharts'

/**
 * Who heats when in this house: the answer, the picture with its gates, the schools side by side, and what it all depends on.
 * Parts that do not depend on a dragged lockout do not render again while it is dragged.
 */
export function Crossing() {
  const { seen, view, stale, moves } = useCrossing()
  if (!view)
    return (
      <p className="py-8 text-soft" aria-busy>
        Reckoning …
      </p>
    )
  const currency = seen.prices.currency ?? ''
  const answer = crossingAnswer(view, currency)
  const wanted = missingInputsSentence(view.wanted)
  return (
    <div className={cx('max-w-6xl pb-8', stale && 'opacity-80')} data-testid="crossing">
      <section aria-label="The answer">
        {answer.map((line) => (
          <Disclosure
            key={line.id}
            summaryClass={cx('min-h-12 py-1 text-lg lg:min-h-8', line.grave && 'font-bold text-watch')}
            summary={<span data-answer={line.id}>{line.text}</span>}
          >
            <p className="pb-2 pl-5 text-[15px] text-soft">{line.how}</p>
          </Disclosure>
        ))}
        {wanted && <p className="py-1 text-[15px] text-watch">{wanted}</p>}
      </section>
      <Picture view={view} moves={moves} />
      <Here view={view} />
      <Gates view={view} moves={moves} currency={currency} />
      <Schools view={view} currency={currency} />
      <YearCharts view={view} currency={currency} />
      <InverterSwitches seen={seen} />
      <HouseForm seen={seen} view={view} />
      <div className="mt-4">
        <Caution>
          These are sums of a year by rated figures, for comparing one way with another. The maker’s floor and
          instructions, local code and the utility’s rules win. Never leave frail people without heat to try a
          lockout.
        </Caution>
      </div>
    </div>
  )
}
