import * as yup from 'yup'
import { INHERITED } from './check'

/** What a lazy Yup schema stands for, kept beside it, since Yup itself cannot say. */
export type LazyMeaning =
  | { kind: 'union'; by: string; options: Record<string, yup.AnySchema> }
  | { kind: 'anyOf'; options: yup.ISchema<unknown>[] }
  | { kind: 'optional'; schema: yup.ISchema<unknown> }
  | { kind: 'record'; value: yup.ISchema<unknown> }
  | { kind: 'named'; name: string; schema: () => yup.ISchema<unknown> }

const meanings = new WeakMap<object, LazyMeaning>()
export const meaningOf = (schema: object): LazyMeaning | undefined => meanings.get(schema)

function remember<T extends object>(schema: T, meaning: LazyMeaning): T {
  meanings.set(schema, meaning)
  return schema
}

/** What is made when it is first asked for, and kept: who only looks at a job builds no schema of it. */
export function once<T>(make: () => T): () => T {
  let made: { value: T } | null = null
  return () => (made ??= { value: make() }).value
}

const isObject = (v: unknown): v is Record<string, unknown> =>
  typeof v === 'object' && v !== null && !Array.isArray(v)

/** An object without fields beyond the named ones. */
export const shape = (fields: yup.ObjectShape) => yup.object(fields).noUnknown().defined()

/** One of several shapes, told apart by a field. */
export function union(by: string, options: Record<string, yup.AnySchema>) {
  const names = Object.keys(options)
  const tag = yup.string().oneOf(names).required()
  const lazy = yup.lazy((value: unknown) => {
    const name = isObject(value) ? value[by] : undefined
    // Every object has a "constructor": only a name of ours is one.
    const own = typeof name === 'string' && Object.hasOwn(options, name) ? options[name] : undefined
    return own ?? yup.object({ [by]: tag }).required()
  })
  return remember(lazy, { kind: 'union', by, options })
}

/** The first of several schemas that fits; if none does, the last one's complaint. */
export function anyOf(...options: yup.ISchema<unknown>[]) {
  const lazy = yup.lazy((value: unknown) => {
    const fit = options.find((o) => (o as yup.AnySchema).isValidSync(value, { strict: true }))
    return (fit ?? options[options.length - 1]) as yup.AnySchema
  })
  return remember(lazy, { kind: 'anyOf', options })
}

/** One of several shapes, told apart by which field they have. */
export function byField(options: Record<string, yup.AnySchema>) {
  const names = Object.keys(options)
  const none = yup.mixed().test('shape', `an object with one of the fields ${names.join(', ')}`, () => false)
  const lazy = yup.lazy((v: unknown) => {
    const name = names.find((k) => isObject(v) && k in v)
    return (name !== undefined && options[name]) || none
  })
  return remember(lazy, { kind: 'anyOf', options: Object.values(options) })
}

const anything = yup.mixed()

/** A schema that may also be left out. */
export function optional(schema: yup.ISchema<unknown>) {
  const lazy = yup.lazy((v: unknown) => (v === undefined ? anything : (schema as yup.AnySchema)))
  return remember(lazy, { kind: 'optional', schema })
}

/** An object whose keys are names and whose values are alike. */
export function record(value: yup.ISchema<unknown>) {
  const lazy = yup.lazy((v: unknown) =>
    isObject(v)
      ? shape(Object.fromEntries(Object.keys(v).map((k) => [k, value as yup.AnySchema])))
      : yup.object().required(),
  )
  return remember(lazy, { kind: 'record', value })
}

/** A schema that is referred to by name, so that it may contain itself. */
export function named(name: string, schema: () => yup.ISchema<unknown>) {
  return remember(
    yup.lazy(() => schema() as yup.AnySchema),
    { kind: 'named', name, schema },
  )
}

const ID = new RegExp(`^(?!(?:${[...INHERITED].join('|')})$)[A-Za-z0-9@_-]{1,64}$`)
const WHEN =
  /^\d{4}-(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])T([01]\d|2[0-3]):[0-5]\d(:[0-5]\d(\.\d{1,9})?)?(Z|[+-]\d\d:\d\d)$/
const EXAMPLE = 'a date and time such as 2026-11-26T09:00:00Z'

/** An identifier: letters, digits, dashes; it is used in references such as "ah.W1". */
export const id = () => yup.string().matches(ID).required()
/** A date and time as this app writes them: ISO 8601 with a zone. */
export const when = () => yup.string().matches(WHEN, { name: 'when', message: EXAMPLE }).required()
/** A line of text, possibly empty. */
export const text = (most = 400) => yup.string().max(most).defined()
/** A finite number. */
export const num = () => yup.number().defined()
/** A list that is there, possibly empty. */
export const list = (of: yup.AnySchema) => yup.array(of).defined()
/** A value of a setting, or null: not known yet. */
export const knownValue = anyOf(num(), yup.string().max(80).nullable().defined())
