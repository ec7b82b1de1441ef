import { Schema, type TestConfig } from 'yup'
import { meaningOf, pickOf } from './lazySchema'
import { isRaw } from './problem'

/** Whether a value surely fits. */
type Fit = (value: unknown) => boolean
type Test = { OPTIONS?: TestConfig }

/** Yup's internal fields of a schema that is not lazy, as far as they decide what fits. */
interface Inside {
  type: string
  internalTests: Record<string, Test | undefined>
  tests: Test[]
  conditions: unknown[]
  _whitelist: ReadonlySet<unknown>
  fields?: Record<string, object>
  innerType?: object
}

/** Schema types whose own checks are known here, beyond their tests. */
const TYPES: ReadonlySet<string> = new Set(['object', 'array', 'string', 'number', 'boolean', 'mixed'])

const made = new WeakMap<object, Fit>()

/**
 * Whether a value surely fits a schema, taken as it is (Yup's "strict"): the schema's own tests are asked, without the paths,
 * options and errors that Yup carries along for its words, which take five times as long. Of a value that does not fit, and
 * of a schema that this does not know, nothing is said: Yup itself is to be asked.
 */
export const fits = (schema: object, value: unknown): boolean => fitOf(schema)(value)

/** A place of a value that does not fit, or inside which something does not. */
interface Unfit {
  path: string
  /** The schema of the value at that place. */
  schema: Schema
  value: unknown
}

/** The places of a value that do not surely fit, the outermost first, found one by one as they are asked for. */
export function* unfit(schema: object, value: unknown, path = ''): Generator<Unfit, undefined> {
  if (fits(schema, value)) return
  const meaning = meaningOf(schema)
  if (meaning?.kind === 'record' && isRaw(value)) {
    for (const [key, v] of Object.entries(value)) yield* unfit(meaning.value, v, under(path, key))
    return
  }
  const pick = pickOf(schema)
  if (pick) {
    yield* unfit(pick(value), value, path)
    return
  }
  yield { path, schema: schema as Schema, value }
  const { fields, innerType } = schema as unknown as Inside
  if (fields && isRaw(value))
    for (const [name, field] of Object.entries(fields)) yield* unfit(field, value[name], under(path, name))
  if (innerType && Array.isArray(value))
    for (let i = 0; i < value.length; i++) yield* unfit(innerType, value[i], `${path}[${i}]`)
}
const under = (path: string, name: string): string => (path ? `${path}.${name}` : name)

/** Reads each schema once: its tests as a list, its fields by name. */
function fitOf(schema: object): Fit {
  let fit = made.get(schema)
  if (!fit) made.set(schema, (fit = fitMade(schema)))
  return fit
}

function fitMade(schema: object): Fit {
  const meaning = meaningOf(schema)
  if (meaning?.kind === 'record') {
    const one = fitOf(meaning.value)
    return (value) => isRaw(value) && Object.values(value).every(one)
  }
  const pick = pickOf(schema)
  // Chosen anew for each value, as a schema may contain itself.
  if (pick) return (value) => fitOf(pick(value))(value)
  const inside = schema as unknown as Inside
  const isKnown = schema instanceof Schema && TYPES.has(inside.type) && !inside.conditions.length
  return isKnown ? plainFit(inside) : () => false
}

/** Stand-in for a test's `resolve`, which has nothing to do where no schema refers to another field. */
const resolve = <T>(item: T): T => item
const createError = (): boolean => false

/** Makes a check of one test of a schema. The two most frequent tests answer from a set, where Yup makes lists. */
function testFit(schema: Inside, { name, test, skipAbsent }: TestConfig): Fit {
  const { fields = {}, _whitelist: allowed } = schema
  const isAbsent = (value: unknown): boolean => value === undefined || value === null
  if (name === 'oneOf') return (value) => isAbsent(value) || allowed.has(value)
  if (name === 'noUnknown')
    return (value) => !isRaw(value) || Object.keys(value).every((key) => Object.hasOwn(fields, key))
  const context = { schema, resolve, createError } as never
  return (value) => (skipAbsent && isAbsent(value)) || test.call(context, value, context) === true
}

function plainFit(schema: Inside): Fit {
  const tests = [...Object.values(schema.internalTests), ...schema.tests]
    .flatMap((t) => t?.OPTIONS ?? [])
    .map((t) => testFit(schema, t))
  const { fields, innerType } = schema
  const inner: [string, Fit][] = Object.entries(fields ?? {}).map(([name, f]) => [name, fitOf(f)])
  const one = innerType && fitOf(innerType)
  return (value) => {
    for (const fit of tests) if (!fit(value)) return false
    if (fields && isRaw(value)) return inner.every(([name, fit]) => fit(value[name]))
    // By number and not by `every`, which does not look at an element that is missing.
    if (one && Array.isArray(value)) for (let i = 0; i < value.length; i++) if (!one(value[i])) return false
    return true
  }
}
