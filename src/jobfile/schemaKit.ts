import { nth } from '@/core/assert'
import * as yup from 'yup'
import { INHERITED } from './check'
import { fits } from './fits'
import { lazy } from './lazySchema'
import { isRaw } from './problem'

/** Makes a value when it is first asked for and caches it, so that showing a job builds no schema. */
export function once<T>(make: () => T): () => T {
  let made: { value: T } | null = null
  return () => (made ??= { value: make() }).value
}

/** An object without fields beyond the named ones. */
export const shape = (fields: yup.ObjectShape) =>
  // Changed in place while nobody has seen it yet: each step would copy it whole, and a file has some two hundred of them.
  yup.object(fields).withMutation((made) => made.noUnknown().defined())

/** A choice of several shapes, told apart by a field. */
export function union(by: string, options: Record<string, yup.AnySchema>) {
  const names = Object.keys(options)
  const tag = yup.string().oneOf(names).required()
  const pick = (value: unknown) => {
    const name = isRaw(value) ? value[by] : undefined
    // Every object has a "constructor": only a name of ours is one.
    const own = typeof name === 'string' && Object.hasOwn(options, name) ? options[name] : undefined
    return own ?? yup.object({ [by]: tag }).required()
  }
  return lazy(pick, { kind: 'union', by, options })
}

/** The first of several schemas that fits; if none does, the last one's complaint. Each is of a kind that `fits` knows. */
export function anyOf(...options: yup.ISchema<unknown>[]) {
  const last = nth(options, options.length - 1)
  const pick = (value: unknown) => options.find((o) => o === last || fits(o, value)) ?? last
  return lazy(pick, { kind: 'anyOf', options })
}

/** A choice of several shapes, told apart by which field they have. */
export function byField(options: Record<string, yup.AnySchema>) {
  const names = Object.keys(options)
  const none = yup.mixed().test('shape', `an object with one of the fields ${names.join(', ')}`, () => false)
  const pick = (v: unknown) => {
    const name = names.find((k) => isRaw(v) && k in v)
    return (name !== undefined && options[name]) || none
  }
  return lazy(pick, { kind: 'anyOf', options: Object.values(options) })
}

const anything = yup.mixed()

/** A schema that may also be left out. Given as a function it is made for the first value that there is. */
export function optional(schema: yup.ISchema<unknown> | (() => yup.ISchema<unknown>)) {
  const given = typeof schema === 'function' ? once(schema) : () => schema
  return lazy((v) => (v === undefined ? anything : given()), { kind: 'optional', schema: given })
}

/** An object whose keys are names and whose values are alike. */
export function record(value: yup.ISchema<unknown>) {
  const pick = (v: unknown) =>
    isRaw(v)
      ? shape(Object.fromEntries(Object.keys(v).map((k) => [k, value as yup.AnySchema])))
      : yup.object().required()
  return lazy(pick, { kind: 'record', value })
}

/** A schema that is referred to by name, so that it may contain itself. */
export function named(name: string, schema: () => yup.ISchema<unknown>) {
  return lazy(schema, { kind: 'named', name, schema })
}

/** Characters of an identifier at most. */
export const MOST_ID = 64
const ID = new RegExp(`^(?!(?:${[...INHERITED].join('|')})$)[A-Za-z0-9@_-]{1,${MOST_ID}}$`)
/** Years 1970 to 2199: what a database, a calendar and a date on paper take alike. */
const YEAR = '(19[7-9]\\d|2[01]\\d\\d)'
/** A month with a day that it has; the 29th of February stands in any year. */
const DAY = '((0[13578]|1[02])-(0[1-9]|[12]\\d|3[01])|(0[469]|11)-(0[1-9]|[12]\\d|30)|02-(0[1-9]|[12]\\d))'
const TIME = '([01]\\d|2[0-3]):[0-5]\\d(:[0-5]\\d(\\.\\d{1,9})?)?'
/** No place on earth is more than 14 hours off. */
const ZONE = '(Z|[+-](0\\d|1[0-4]):[0-5]\\d)'
const WHEN = new RegExp(`^${YEAR}-${DAY}T${TIME}${ZONE}$`)
export const EXAMPLE_WHEN = 'a date and time from 1970 to 2199, such as 2026-11-26T09:00:00Z'

/** An identifier: letters, digits, dashes; it is used in references such as "ah.W1". */
export const id = once(() => yup.string().matches(ID).required())
/** Whether a text is such a date and time. */
export const isWhen = (text: string): boolean => WHEN.test(text)
/** A date and time as this app writes them: ISO 8601 with a zone. */
export const when = once(() => yup.string().matches(WHEN, { name: 'when', message: EXAMPLE_WHEN }).required())
/** A line of text, possibly empty. */
export const text = (most = 400) => yup.string().max(most).defined()
/** A finite number. */
export const num = once(() => yup.number().defined())
/** A list that is there, possibly empty. */
export const list = (of: yup.AnySchema) => yup.array(of).defined()
/** A value of a setting, or null: not known yet. */
export const knownValue = anyOf(num(), yup.string().max(80).nullable().defined())
