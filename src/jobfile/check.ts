import { ValidationError, type AnySchema } from 'yup'
import { fits, unfit } from './fits'
import { problem, show, type Checked, type Problem } from './problem'

/** Limits that are checked before anything else: depth, length of a list, number of values, and problems reported. */
export const LIMITS = Object.freeze({ depth: 64, list: 5000, values: 400_000, problems: 20 })

/** Characters that no text may hold: a NUL, which the database refuses, and half of a surrogate pair. */
const UNSOUND = /[\0\p{Cs}]/u
/** Names that every object has without being given them: a field of that name would be found where there is none. */
export const INHERITED: ReadonlySet<string> = new Set(Object.getOwnPropertyNames(Object.prototype))

/** The expectation that a value fails whatever its schema says; null where it fails none. */
function unsound(value: unknown): string | null {
  if (typeof value === 'string' && UNSOUND.test(value)) return 'text without NUL or half characters'
  return typeof value === 'number' && !Number.isFinite(value) ? 'a finite number' : null
}

/** A value inside another, by what leads to it. */
interface Inner {
  here: unknown
  in: Inner | null
  key: string
  depth: number
}

/** Its path as text. Built for the few values that are reported, not for the many that are checked. */
function pathOf({ in: outer, key }: Inner): string {
  if (!outer) return ''
  const before = pathOf(outer)
  if (Array.isArray(outer.here)) return `${before}[${key}]`
  return before ? `${before}.${key}` : key
}

const over = (at: Inner, expected: string, got: string): Problem => ({ path: pathOf(at), expected, got })

/** The first place at which a value is deeper, longer or more than any file of ours, or holds what none may; null: nowhere. */
function overLimit(value: unknown): Problem | null {
  const open: Inner[] = [{ here: value, in: null, key: '', depth: 0 }]
  let seen = 0
  for (let next = open.pop(); next; next = open.pop()) {
    const { here, depth } = next
    if (++seen > LIMITS.values) return over(next, `at most ${LIMITS.values} values in all`, 'more')
    const wrong = unsound(here)
    if (wrong) return problem(pathOf(next), wrong, here)
    if (typeof here !== 'object' || here === null) continue
    if (depth > LIMITS.depth) return over(next, `at most ${LIMITS.depth} levels`, 'more')
    const keys = Object.keys(here)
    if (keys.length > LIMITS.list) return over(next, `at most ${LIMITS.list} entries`, String(keys.length))
    const strange = keys.find((key) => INHERITED.has(key) || UNSOUND.test(key))
    if (strange !== undefined) return problem(pathOf(next), 'no field of such a name', strange)
    for (const key of keys)
      open.push({ here: (here as Record<string, unknown>)[key], in: next, key, depth: depth + 1 })
  }
  return null
}

/** Checks a value against a schema; the failing places are named, of very many the first. */
export function check<T>(
  schema: AnySchema | { validateSync: AnySchema['validateSync'] },
  value: unknown,
): Checked<T> {
  const over = overLimit(value)
  if (over) return { ok: false, problems: [over] }
  if (fits(schema, value)) return { ok: true, value: value as T }
  const problems: Problem[] = []
  // Yup is asked about one place after the other: all at once, five thousand wrong ones take it a second and a half.
  for (const { path, schema: here, value: v } of unfit(schema, value)) {
    problems.push(...problemsAt(here, v, path, false))
    if (problems.length >= LIMITS.problems) break
  }
  // A schema that `fits` does not know may still accept the value.
  if (!problems.length) problems.push(...problemsAt(schema, value, '', true))
  return problems.length
    ? { ok: false, problems: problems.slice(0, LIMITS.problems) }
    : { ok: true, value: value as T }
}

/** Yup's problems with a value; with `recursive`, with everything inside it too. */
function problemsAt(
  schema: Pick<AnySchema, 'validateSync'>,
  value: unknown,
  path: string,
  recursive: boolean,
): Problem[] {
  try {
    schema.validateSync(value, { strict: true, abortEarly: false, recursive })
    return []
  } catch (e) {
    if (!(e instanceof ValidationError)) throw e
    const inner = e.inner.length ? e.inner : [e]
    return inner.map((i) => {
      const { path: place = '' } = i
      const whole = path && place ? `${path}.${place}` : path || place
      return { path: whole, expected: expectedOf(i), got: show(at(value, place)) }
    })
  }
}

function expectedOf(e: ValidationError): string {
  const p = (e.params ?? {}) as Record<string, unknown>
  switch (e.type) {
    case 'typeError':
    case 'nullable':
      return `a ${typeof p.type === 'string' ? p.type : 'value'}`
    case 'required':
    case 'optionality':
    case 'defined':
      return 'a value'
    case 'oneOf':
      return `one of ${String(p.values)}`
    case 'min':
      return `at least ${String(p.min)}`
    case 'max':
      return `at most ${String(p.max)}`
    case 'integer':
      return 'a whole number'
    case 'matches':
      return 'letters, digits, dashes or underscores'
    case 'noUnknown':
      return `no field named ${String(p.unknown)}`
    default:
      return e.message
  }
}

function at(value: unknown, path: string): unknown {
  let here: unknown = value
  for (const key of path.split(/[.[\]"]+/).filter(Boolean)) {
    if (typeof here !== 'object' || here === null) return undefined
    here = (here as Record<string, unknown>)[key]
  }
  return here
}
