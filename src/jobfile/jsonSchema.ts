import { nth, mustGet } from '@/core/assert'
import type { AnyObjectSchema, AnySchema, ISchema } from 'yup'
import { deviceSchema } from './deviceSchema'
import { jobSchema } from './document'
import { meaningOf } from './lazySchema'

type Json = Record<string, unknown>

/** Any Yup schema of this house as a published JSON Schema (draft 2020-12). */
export function publish(schema: ISchema<unknown>, title: string): Json {
  const defs: Json = {}
  const root = derive(schema, defs)
  return { $schema: 'https://json-schema.org/draft/2020-12/schema', title, ...root, $defs: defs }
}

/** The published JSON Schema of a file, derived from its Yup schema. */
export const jsonSchemaOf = (name: 'job' | 'device'): Json =>
  publish(name === 'job' ? jobSchema() : deviceSchema(), `Gate Cross ${name} file`)

interface Inside {
  type: string
  spec: { optional?: boolean; nullable?: boolean }
  tests: { OPTIONS?: { name?: string; params?: Record<string, unknown> } }[]
  _whitelist: Set<unknown>
  innerType?: ISchema<unknown>
}

/** Derives one schema; named schemas are put into `defs` once. */
function derive(schema: ISchema<unknown>, defs: Json): Json {
  const meaning = meaningOf(schema)
  switch (meaning?.kind) {
    case 'union':
      return { oneOf: Object.values(meaning.options).map((o) => derive(o, defs)) }
    case 'anyOf':
      return { anyOf: meaning.options.map((o) => derive(o, defs)) }
    case 'optional':
      return derive(meaning.schema(), defs)
    case 'record':
      return { type: 'object', additionalProperties: derive(meaning.value, defs) }
    case 'named':
      if (!(meaning.name in defs)) {
        defs[meaning.name] = {}
        defs[meaning.name] = derive(meaning.schema(), defs)
      }
      return { $ref: `#/$defs/${meaning.name}` }
    case undefined:
      return plain(schema as unknown as AnySchema, defs)
  }
}

function plain(schema: AnySchema, defs: Json): Json {
  const inside = schema as unknown as Inside
  const out: Json = { type: inside.type }
  const allowed = inside._whitelist
  if (allowed.size) out.enum = [...allowed]
  const tests = new Map(inside.tests.map((t) => [t.OPTIONS?.name, t.OPTIONS?.params ?? {}]))
  const size = {
    string: ['minLength', 'maxLength'],
    array: ['minItems', 'maxItems'],
    number: ['minimum', 'maximum'],
  }[inside.type]
  if (size) {
    if (tests.has('min')) out[nth(size, 0)] = mustGet(tests, 'min').min
    if (tests.has('max')) out[nth(size, 1)] = mustGet(tests, 'max').max
  }
  if (tests.has('integer')) out.type = 'integer'
  // By what it holds and not by its name: a pattern may have a name of its own, for its own words.
  for (const { regex } of tests.values()) if (regex instanceof RegExp) out.pattern = regex.source
  // Yup's "required" refuses an empty text.
  if (inside.type === 'string' && tests.has('required') && !allowed.size) out.minLength = 1
  if (inside.type === 'array' && inside.innerType) out.items = derive(inside.innerType, defs)
  if (inside.type === 'object') {
    const { fields } = schema as AnyObjectSchema
    out.properties = Object.fromEntries(
      Object.entries(fields).map(([k, f]) => [k, derive(f as ISchema<unknown>, defs)]),
    )
    out.required = Object.entries(fields)
      .filter(([, f]) => !mayBeLeftOut(f as ISchema<unknown>))
      .map(([k]) => k)
    if (tests.has('noUnknown')) out.additionalProperties = false
  }
  if (!inside.spec.nullable) return out
  if (out.enum) return { anyOf: [out, { type: 'null' }] }
  return { ...out, type: [out.type, 'null'] }
}

function mayBeLeftOut(field: ISchema<unknown>): boolean {
  const meaning = meaningOf(field)
  if (meaning) return meaning.kind === 'optional'
  return (field as unknown as Inside).spec.optional === true
}
