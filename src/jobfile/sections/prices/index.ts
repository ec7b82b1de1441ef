import * as yup from 'yup'
import { PRICE_LIMITS, type Prices, type RatePeriod } from '@/core/house'
import { isRaw } from '../../problem'
import { once, optional, shape, text } from '../../schemaKit'
import { done, put, type Raw, type Section } from '../section'

export interface PricesDoc {
  prices: Prices
}
export interface SetPrice {
  kind: 'setPrice'
  of: 'kwh' | 'fuel'
  value: number | null
}
/** The sign before an amount; empty: none. */
export interface SetCurrency {
  kind: 'setCurrency'
  sign: string
}
/** Prices of the kWh by month and hour; an empty list: it costs the same at all times. */
export interface SetRates {
  kind: 'setRates'
  periods: RatePeriod[]
}
export type PricesOperation = SetPrice | SetCurrency | SetRates

const PRICE = once(() => yup.number().min(PRICE_LIMITS.least).max(PRICE_LIMITS.most).defined())
const month = () => yup.number().integer().min(1).max(12).defined()
const hour = () => yup.number().integer().min(0).max(23).defined()
const PERIODS = once(() =>
  yup
    .array(shape({ fromMonth: month(), toMonth: month(), fromHour: hour(), toHour: hour(), kwh: PRICE() }))
    .max(24)
    .defined(),
)
/** Longest sign of a currency. */
const SIGN = 4
const FROM_INTERVIEW: Readonly<Record<string, SetPrice['of']>> = { priceKwh: 'kwh', priceFuel: 'fuel' }

const fitting = (price: number): number => Math.min(PRICE_LIMITS.most, Math.max(PRICE_LIMITS.least, price))

/** Until version 3 prices stood in the interview, as texts. */
function upgradePrices(job: Raw): Raw {
  const setup = isRaw(job.setup) ? job.setup : {}
  const interview = isRaw(setup.interview) ? setup.interview : {}
  const prices: Prices = {}
  for (const [question, of] of Object.entries(FROM_INTERVIEW)) {
    const value = Number(interview[question])
    if (value > 0) prices[of] = fitting(value)
  }
  const rest = Object.entries(interview).filter(([q]) => !Object.hasOwn(FROM_INTERVIEW, q))
  return { ...job, setup: { ...setup, interview: Object.fromEntries(rest) }, prices }
}

export const prices: Section<PricesDoc, PricesOperation> = {
  fields: () => ({
    prices: shape({
      kwh: optional(PRICE()),
      fuel: optional(PRICE()),
      currency: optional(text(SIGN)),
      periods: optional(PERIODS()),
    }),
  }),
  operations: {
    setPrice: {
      fields: () => ({ of: yup.string().oneOf(['kwh', 'fuel']).required(), value: PRICE().nullable() }),
      apply: (job, op) => done({ ...job, prices: put<unknown>({ ...job.prices }, op.of, op.value) }),
      path: (op) => `prices.${op.of}`,
    },
    setCurrency: {
      fields: () => ({ sign: text(SIGN) }),
      apply: (job, { sign }) =>
        done({ ...job, prices: put<unknown>({ ...job.prices }, 'currency', sign || null) }),
      path: () => 'prices.currency',
    },
    setRates: {
      fields: () => ({ periods: PERIODS() }),
      apply: (job, { periods }) =>
        done({ ...job, prices: put<unknown>({ ...job.prices }, 'periods', periods.length ? periods : null) }),
      path: () => 'prices.periods',
    },
  },
  steps: {
    3: {
      doc: upgradePrices,
      op(op) {
        const of =
          op.kind === 'answer' && typeof op.question === 'string' ? FROM_INTERVIEW[op.question] : undefined
        if (!of) return op
        const value = Number(op.answer)
        return { kind: 'setPrice', of, value: value > 0 ? fitting(value) : null }
      },
    },
  },
}
