import * as yup from 'yup'
import {
  BILL_FUELS,
  CABLE_RATINGS,
  CLIMATES,
  HOUSE_VALUES,
  LOAD_WAYS,
  MONTH_HOURS,
  VALUE_SOURCES,
  type ClimateChoice,
  type House,
  type HouseValue,
  type Sourced,
  type ValueSource,
} from '@/core/house'
import { problem, type Problem } from '../../problem'
import { optional, shape, text, union, once } from '../../schemaKit'
import { done, fail, put, refuse, type Section } from '../section'

/** Facts about the house beside its equipment, and the weather for its year. */
export interface HousePart extends House {
  climate?: ClimateChoice
}
export interface HouseDoc {
  house: HousePart
}

/** A number of the house with its source; null: not known. */
export interface SetHouse {
  kind: 'setHouse'
  of: HouseValue
  value: number | null
  source: ValueSource
}
const CHOICES = {
  billFuel: BILL_FUELS,
  way: LOAD_WAYS,
  service: ['existing', 'new', 'metered'],
  cable: CABLE_RATINGS,
} as const
export interface SetHouseChoice {
  kind: 'setHouseChoice'
  of: keyof typeof CHOICES
  value: string | null
}
export interface SetClimate {
  kind: 'setClimate'
  climate: ClimateChoice
}
export interface ClearClimate {
  kind: 'clearClimate'
}
export type HouseOperation = SetHouse | SetHouseChoice | SetClimate | ClearClimate

export const FRESH_HOUSE: HousePart = Object.freeze({ values: {} })

const SOURCE = once(() => yup.string().oneOf([...VALUE_SOURCES]))
const valueSchema = (of: HouseValue) =>
  shape({
    value: yup.number().min(HOUSE_VALUES[of].least).max(HOUSE_VALUES[of].most).defined(),
    source: SOURCE().required(),
  })
const choiceFields = Object.fromEntries(
  Object.entries(CHOICES).map(([of, values]) => [
    of,
    optional(
      yup
        .string()
        .oneOf([...values])
        .required(),
    ),
  ]),
)
const NAMES = Object.keys(HOUSE_VALUES) as HouseValue[]

/** °F that weather may have, as a number and as part of a text: to a tenth, with a space between two. */
const WEATHER = once(() => yup.number().min(-99.9).max(139.9).defined())
const ONE = '(?:-?\\d{1,2}|1[0-3]\\d)(?:\\.\\d)?'
const SHORTEST = Math.min(...MONTH_HOURS)
const LONGEST = Math.max(...MONTH_HOURS)
const monthSchema = once(() =>
  yup
    .string()
    .matches(new RegExp(`^${ONE}(?: ${ONE}){${SHORTEST - 1},${LONGEST - 1}}$`), {
      name: 'hours',
      message:
        'the hours of a month: temperatures from -99.9 to 139.9 °F to a tenth, with a space between two',
    })
    .required(),
)

const climateSchema = once(() =>
  union('kind', {
    shipped: shape({
      kind: yup.string().oneOf(['shipped']).required(),
      climate: yup.string().oneOf(Object.keys(CLIMATES)).required(),
    }),
    bins: shape({
      kind: yup.string().oneOf(['bins']).required(),
      name: text(80),
      bins: yup
        .array(shape({ outdoorF: WEATHER(), hours: yup.number().min(0).max(8784).defined() }))
        .min(1)
        .max(300)
        .defined(),
    }),
    hours: shape({
      kind: yup.string().oneOf(['hours']).required(),
      name: text(80),
      months: yup.array(monthSchema()).min(12).max(12).defined(),
    }),
  }),
)

/** Months that have not the hours of a year of 365 days. */
const monthProblems = (climate: ClimateChoice | undefined, at: string): Problem[] =>
  climate?.kind === 'hours'
    ? climate.months.flatMap((month, i) => {
        const [has, wants] = [month.split(' ').length, MONTH_HOURS[i]]
        return has === wants ? [] : [problem(`${at}.months[${i}]`, `${wants} hours`, has)]
      })
    : []

export const house: Section<HouseDoc, HouseOperation> = {
  fields: () => ({
    house: shape({
      values: shape(Object.fromEntries(NAMES.map((of) => [of, optional(() => valueSchema(of))]))),
      ...choiceFields,
      climate: optional(climateSchema()),
    }),
  }),
  operations: {
    setHouse: {
      fields: () => ({
        of: yup.string().oneOf(NAMES).required(),
        value: yup.number().nullable().defined(),
        source: SOURCE().required(),
      }),
      apply(job, { of, value, source }) {
        const { least, most, unit } = HOUSE_VALUES[of]
        if (value !== null && !(value >= least && value <= most))
          return refuse('value', `${least} to ${most} ${unit}`.trim(), value)
        const values = put<Sourced>({ ...job.house.values }, of, value === null ? null : { value, source })
        return done({ ...job, house: { ...job.house, values } })
      },
      path: (op) => `house.values.${op.of}`,
    },
    setHouseChoice: {
      fields: () => ({
        of: yup.string().oneOf(Object.keys(CHOICES)).required(),
        value: yup.string().max(20).nullable().defined(),
      }),
      apply(job, { of, value }) {
        const allowed: readonly string[] = CHOICES[of]
        if (value !== null && !allowed.includes(value))
          return refuse('value', `one of ${allowed.join(', ')}`, value)
        const { [of]: _, ...rest } = job.house
        return done({ ...job, house: { ...rest, ...(value === null ? {} : { [of]: value }) } })
      },
      path: (op) => `house.${op.of}`,
    },
    setClimate: {
      fields: () => ({ climate: climateSchema() }),
      apply(job, { climate }) {
        const wrong = monthProblems(climate, 'climate')
        return wrong.length ? fail(...wrong) : done({ ...job, house: { ...job.house, climate } })
      },
      path: () => 'house.climate',
    },
    clearClimate: {
      fields: () => ({}),
      apply(job) {
        const { climate: _, ...rest } = job.house
        return done({ ...job, house: rest })
      },
      path: () => 'house.climate',
    },
  },
  references: (job) => monthProblems(job.house.climate, 'house.climate'),
  steps: {
    // Until version 5 nothing was kept of the house itself.
    5: { doc: (job) => ({ ...job, house: { values: {} } }) },
  },
}
