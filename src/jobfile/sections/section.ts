import type * as yup from 'yup'
import { problem, type Checked, type Problem } from '../problem'

/** A kind of edit: its fields, its effect, and the place in the document that it changes. */
export interface OperationSpec<O extends { kind: string }, N> {
  /** Its fields beside `kind`. */
  fields: () => yup.ObjectShape
  /** Applies it. A refused one names its place; the job passed in is never changed. */
  apply: <J extends N>(job: J, op: O) => Checked<J>
  /** The place that it changes ("wires.w7.a"). Two operations clash when one's place contains the other's. */
  path: (op: O) => string
  /** False for what is recorded once and for all: it is corrected, never taken back. */
  undoable?: false
}

/** An object of some older version: read, never trusted. */
export type Raw = Record<string, unknown>

/** A version step's change of a section's part of an older document, and of an older operation. */
export interface VersionStep {
  doc?: (job: Raw) => Raw
  op?: (op: Raw) => Raw
}

/**
 * A part of the job document: its fields with their schema, the edits that change them, how older versions become today's
 * and what its references must find. `D` is its part of the document, `N` that and what it reads of other sections. The document, the operations, undo and the published schemas are put together from
 * the sections that `registry.ts` lists.
 */
export interface Section<D extends object, O extends { kind: string }, N = D> {
  fields: () => { [K in keyof D]-?: yup.ISchema<unknown> }
  operations: { [K in O['kind']]: OperationSpec<Extract<O, { kind: K }>, N> }
  /** By the version that the step ends at. */
  steps?: Readonly<Record<number, VersionStep>>
  /** Everything in the section that points at something which is not there. */
  references?: (job: N) => Problem[]
  /** Lists whose elements have a name of their own, by their place, with the field that holds the name. */
  lists?: Readonly<Record<string, string>>
}

export const done = <J>(job: J): Checked<J> => ({ ok: true, value: job })
export const fail = (...problems: Problem[]): Checked<never> => ({ ok: false, problems })
export const refuse = (path: string, expected: string, got: unknown): Checked<never> =>
  fail(problem(path, expected, got))

/** A record with one key set, or left out. */
export function put<T>(record: Readonly<Record<string, T>>, key: string, value: T | null): Record<string, T> {
  if (value !== null) return { ...record, [key]: value }
  const { [key]: _, ...rest } = record
  return rest
}

/** Names that stand twice in a list, each a problem at its place. */
export const repeated = <F extends string>(
  list: readonly Record<F, string>[],
  field: F,
  at: string,
): Problem[] =>
  list.flatMap((x, i) =>
    list.findIndex((y) => y[field] === x[field]) === i
      ? []
      : [problem(`${at}[${i}].${field}`, 'a name used once', x[field])],
  )
