import * as yup from 'yup'

/** Meaning of a lazy Yup schema, stored beside it, since Yup itself cannot tell. */
export type LazyMeaning =
  | { kind: 'union'; by: string; options: Record<string, yup.AnySchema> }
  | { kind: 'anyOf'; options: yup.ISchema<unknown>[] }
  | { kind: 'optional'; schema: () => yup.ISchema<unknown> }
  | { kind: 'record'; value: yup.ISchema<unknown> }
  | { kind: 'named'; name: string; schema: () => yup.ISchema<unknown> }

/** Which schema a value is held to. */
type Pick = (value: unknown) => yup.ISchema<unknown>

const known = new WeakMap<object, { pick: Pick; meaning: LazyMeaning }>()
export const meaningOf = (schema: object): LazyMeaning | undefined => known.get(schema)?.meaning
/** Function by which a lazy schema chooses the schema for a value. */
export const pickOf = (schema: object): Pick | undefined => known.get(schema)?.pick

/** A lazy schema, with what it stands for. */
export function lazy(pick: Pick, meaning: LazyMeaning) {
  const made = yup.lazy((value: unknown) => pick(value) as yup.AnySchema)
  known.set(made, { pick, meaning })
  return made
}
