import type { AnyObjectSchema, ISchema } from 'yup'
import { meaningOf, pickOf } from './lazySchema'

/**
 * The same value with the keys of every object in the order in which its schema names them (records: sorted).
 * The database keeps no order, so this is what makes two exports of one job the same text.
 */
export function orderKeys(schema: ISchema<unknown>, value: unknown): unknown {
  if (typeof value !== 'object' || value === null) return value
  const meaning = meaningOf(schema)
  if (meaning?.kind === 'record') {
    const entries = Object.entries(value).sort(([a], [b]) => (a < b ? -1 : 1))
    return Object.fromEntries(entries.map(([k, v]) => [k, orderKeys(meaning.value, v)]))
  }
  const pick = pickOf(schema)
  if (pick) return orderKeys(pick(value), value)
  const plain = schema as unknown as { type: string; innerType?: ISchema<unknown> }
  if (Array.isArray(value))
    return value.map((v: unknown) => (plain.innerType ? orderKeys(plain.innerType, v) : v))
  const { fields } = schema as unknown as AnyObjectSchema
  const out: Record<string, unknown> = {}
  for (const [key, field] of Object.entries(fields ?? {})) {
    const v = (value as Record<string, unknown>)[key]
    if (v !== undefined) out[key] = orderKeys(field as ISchema<unknown>, v)
  }
  return out
}
