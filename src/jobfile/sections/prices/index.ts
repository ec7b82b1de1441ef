import * as yup from 'yup'
import { isRaw } from '../../problem'
import { optional, shape } from '../../schemaKit'
import { done, put, type Raw, type Section } from '../section'

/** What energy costs here, in the money of the place. */
export interface Prices {
  /** A kWh. */
  kwh?: number
  /** A therm of natural gas, or a gallon of LP or oil. */
  fuel?: number
}
export interface PricesDoc {
  prices: Prices
}
export interface SetPrice {
  kind: 'setPrice'
  of: keyof Prices
  value: number | null
}
export type PricesOperation = SetPrice

const PRICE = yup.number().min(1e-6).max(1000).defined()
const FROM_INTERVIEW: Readonly<Record<string, keyof Prices>> = { priceKwh: 'kwh', priceFuel: 'fuel' }

/** Until version 3 prices stood in the interview, as texts. */
function upgradePrices(job: Raw): Raw {
  const setup = isRaw(job.setup) ? job.setup : {}
  const interview = isRaw(setup.interview) ? setup.interview : {}
  const prices: Prices = {}
  for (const [question, of] of Object.entries(FROM_INTERVIEW)) {
    const value = Number(interview[question])
    if (value > 0) prices[of] = Math.min(1000, value)
  }
  const rest = Object.entries(interview).filter(([q]) => !Object.hasOwn(FROM_INTERVIEW, q))
  return { ...job, setup: { ...setup, interview: Object.fromEntries(rest) }, prices }
}

export const prices: Section<PricesDoc, PricesOperation> = {
  fields: { prices: shape({ kwh: optional(PRICE), fuel: optional(PRICE) }) },
  operations: {
    setPrice: {
      fields: { of: yup.string().oneOf(['kwh', 'fuel']).required(), value: PRICE.nullable() },
      apply: (job, op) => done({ ...job, prices: put<number>({ ...job.prices }, op.of, op.value) }),
      path: (op) => `prices.${op.of}`,
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
        return { kind: 'setPrice', of, value: value > 0 ? Math.min(1000, value) : null }
      },
    },
  },
}
