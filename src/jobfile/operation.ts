import * as yup from 'yup'
import { sections } from './document'
import { tooFull } from './limits'
import { type Checked } from './problem'
import { applyRestore, restoreOf, restoreFields, restorePath, type Restore } from './restore'
import { once, shape, union } from './schemaKit'
import type { Job, SectionOperation } from './sections/registry'
import { done, refuse, type OperationSpec } from './sections/section'

/** Several edits that are one thing to a person: applied whole or not at all, taken back as one, logged as one. */
export interface Batch {
  kind: 'batch'
  ops: (SectionOperation | Restore)[]
}

/** Every edit of a job is one of these small named operations; the browser and the server apply the same ones. */
export type Operation = SectionOperation | Restore | Batch

/** The most edits in one batch: a whole landing and more. */
const MOST_IN_BATCH = 600

const specs = new Map<string, OperationSpec<{ kind: string }, Job>>(
  sections.flatMap((s) => Object.entries<OperationSpec<{ kind: string }, Job>>(s.operations)),
)

/** Every kind of edit that some section has. */
export const OPERATION_KINDS: readonly string[] = [...specs.keys()]

const kindField = (k: string) => ({ kind: yup.string().oneOf([k]).required() })
export const operationSchema = once(() => {
  const single: Record<string, yup.AnySchema> = Object.fromEntries([
    ...[...specs].map(([k, spec]) => [k, shape({ ...kindField(k), ...spec.fields() })] as const),
    ['restore', shape({ ...kindField('restore'), ...restoreFields() })] as const,
  ])
  return union('kind', {
    ...single,
    batch: shape({
      ...kindField('batch'),
      ops: yup.array(union('kind', single)).min(1).max(MOST_IN_BATCH).defined(),
    }),
  })
})

/** The edits that an operation consists of. */
export const partsOf = (op: Operation): (SectionOperation | Restore)[] =>
  op.kind === 'batch' ? op.ops : [op]

/** Several edits that belong together as one operation; a single edit stays itself. */
export const batched = (ops: readonly Operation[]): Operation | null => {
  const all = ops.flatMap(partsOf)
  return all.length > 1 ? { kind: 'batch', ops: all } : (all[0] ?? null)
}

/**
 * Applies one operation. A refused one names its place and changes nothing; the job passed in is never changed. A job that
 * it would make too full for a file is refused as well.
 */
export function apply(job: Job, op: Operation): Checked<Job> {
  const applied = applyAny(job, op)
  const full = applied.ok ? tooFull(job, applied.value) : null
  return full ? { ok: false, problems: [full] } : applied
}

function applyAny(job: Job, op: Operation): Checked<Job> {
  if (op.kind === 'restore') return applyRestore(job, op)
  if (op.kind !== 'batch') {
    const spec = specs.get(op.kind)
    // A newer version of the app may have left it in this browser's queue.
    return spec ? spec.apply(job, op) : refuse('kind', 'an operation that this version knows', op.kind)
  }
  let now = job
  for (const [i, each] of op.ops.entries()) {
    const next = applyAny(now, each)
    if (!next.ok)
      return { ok: false, problems: next.problems.map((p) => ({ ...p, path: `ops[${i}].${p.path}` })) }
    now = next.value
  }
  return done(now)
}

/** Whether an operation can be taken back: a reading is corrected, and never is. */
const isUndoable = (op: Operation): boolean =>
  partsOf(op).every((o) => o.kind === 'restore' || specs.get(o.kind)?.undoable !== false)

/** The operation that makes of the job as it was left the job as it was found, exactly; null where there is none. */
export function inverse(before: Job, op: Operation, after = apply(before, op)): Restore | null {
  return after.ok && isUndoable(op) ? restoreOf(after.value, before) : null
}

/** The places in the document that an operation changes. */
export const pathsOf = (op: Operation): string[] =>
  partsOf(op).flatMap((o) => (o.kind === 'restore' ? restorePath(o) : (specs.get(o.kind)?.path(o) ?? [])))

/** The first place that both change; null where they touch nothing in common. */
export function clashAt(a: Operation, b: Operation): string | null {
  const theirs = pathsOf(b)
  return (
    pathsOf(a).find((x) => theirs.some((y) => x === y || x.startsWith(`${y}.`) || y.startsWith(`${x}.`))) ??
    null
  )
}
export const clash = (a: Operation, b: Operation): boolean => clashAt(a, b) !== null
