'use client'

import { Trash2 } from 'lucide-react'
import { PRICE_LIMITS, type RatePeriod } from '@/core/house'
import { Button, Field, NumberField, TypedInput } from '@/ui'
import { PRICE_WORDS } from '@/words'
import { useJobScreen } from '../session'

/** A rate's first period before anything is typed: winter evenings. */
const FIRST: Omit<RatePeriod, 'kwh'> = { fromMonth: 11, toMonth: 3, fromHour: 16, toHour: 20 }
const PARTS = [
  ['fromMonth', 'From month', 1, 12],
  ['toMonth', 'to month', 1, 12],
  ['fromHour', 'from hour', 0, 23],
  ['toHour', 'to hour', 0, 23],
] as const

/** Energy prices: a kWh, flat or by month and hour, and the fuel. */
export function PricesForm() {
  const { job, edit } = useJobScreen()
  const { kwh, fuel, currency = '', periods = [] } = job.prices
  const change = (i: number, part: Partial<RatePeriod>) =>
    edit((now) => ({
      kind: 'setRates',
      periods: (now.job.prices.periods ?? []).map((p, n) => (n === i ? { ...p, ...part } : p)),
    }))
  return (
    <fieldset data-testid="prices-form">
      <legend className="font-bold">Prices</legend>
      <div className="mt-1 grid grid-cols-3 items-end gap-3">
        {(['kwh', 'fuel'] as const).map((of) => (
          <NumberField
            key={of}
            label={PRICE_WORDS[of]}
            value={of === 'kwh' ? kwh : fuel}
            {...PRICE_LIMITS}
            onValue={(value) => edit({ kind: 'setPrice', of, value })}
          />
        ))}
        <Field label="Sign of the money">
          {(ids) => (
            <TypedInput
              {...ids}
              maxLength={4}
              value={currency}
              onValue={(sign) => edit({ kind: 'setCurrency', sign: sign.trim() })}
            />
          )}
        </Field>
      </div>
      {periods.map((p, i) => (
        <div
          key={i}
          className="mt-2 grid grid-cols-3 items-end gap-2 border-t border-line pt-2 sm:grid-cols-6"
        >
          {PARTS.map(([part, label, least, most]) => (
            <NumberField
              key={part}
              label={label}
              value={p[part]}
              {...{ least, most }}
              whole
              onValue={(n) => n !== null && change(i, { [part]: n })}
            />
          ))}
          <NumberField
            label="a kWh costs"
            value={p.kwh}
            {...PRICE_LIMITS}
            onValue={(n) => n !== null && change(i, { kwh: n })}
          />
          <Button
            aria-label="Remove this period"
            onClick={() =>
              edit((now) => ({
                kind: 'setRates',
                periods: (now.job.prices.periods ?? []).filter((_, n) => n !== i),
              }))
            }
          >
            <Trash2 aria-hidden className="size-4" />
          </Button>
        </div>
      ))}
      <Button
        className="mt-2"
        disabled={periods.length >= 24}
        onClick={() =>
          edit((now) => ({
            kind: 'setRates',
            periods: [...(now.job.prices.periods ?? []), { ...FIRST, kwh: now.job.prices.kwh ?? 0.2 }],
          }))
        }
      >
        Add a price by month and hour
      </Button>
    </fieldset>
  )
}
