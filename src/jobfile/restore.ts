import isEqual from 'fast-deep-equal'
import * as yup from 'yup'
import { checkWhole } from './file'
import { NAMED_LISTS } from './document'
import { isRaw, problem, type Checked } from './problem'
import { optional, shape } from './schemaKit'
import type { Job } from './sections/registry'
import { fail } from './sections/section'

/** A place with its value now and the value to restore; a value that is left out is absent. */
export interface RestoreChange {
  /** Names of fields, and of elements of lists that have names. */
  at: string[]
  from?: unknown
  to?: unknown
  /** For an element that comes back into a list: the one it stands behind; null: the first. */
  after?: string | null
}

/** Takes an edit back: each place that it changed, back to what it was, where it still is what the edit made of it. */
export interface Restore {
  kind: 'restore'
  changes: RestoreChange[]
}

/** Places that are never taken back: what names the document, and readings, which are corrected. */
const FIXED = new Set(['format', 'version', 'id', 'readings'])
/** Places whose inside is one thing: a device's description is kept or replaced whole. */
const isWhole = (at: readonly string[]): boolean => at[0] === 'devices' && at.length === 2

export const restoreFields = (): yup.ObjectShape => ({
  changes: yup
    .array(
      shape({
        at: yup.array(yup.string().min(1).max(200).defined()).min(1).max(8).defined(),
        from: optional(yup.mixed().nullable()),
        to: optional(yup.mixed().nullable()),
        after: optional(yup.string().max(200).nullable().defined()),
      }),
    )
    .min(1)
    .max(2000)
    .defined(),
})

export const restorePath = (op: Restore): string[] => op.changes.map((c) => c.at.join('.'))

/** The changes that turn one job into another. */
export const restoreOf = (now: Job, then: Job): Restore | null => {
  const changes = differences([], now, then)
  return changes.length ? { kind: 'restore', changes } : null
}

function differences(at: string[], now: unknown, then: unknown): RestoreChange[] {
  if (isEqual(now, then)) return []
  const list = NAMED_LISTS.get(at.join('.'))
  if (list !== undefined && Array.isArray(now) && Array.isArray(then))
    return listDifferences(at, list, now as unknown[], then as unknown[])
  if (isRaw(now) && isRaw(then) && !isWhole(at)) {
    const keys = [...new Set([...Object.keys(now), ...Object.keys(then)])]
    return keys.flatMap((key) =>
      Object.hasOwn(now, key) && Object.hasOwn(then, key)
        ? differences([...at, key], now[key], then[key])
        : [{ at: [...at, key], ...there('from', now, key), ...there('to', then, key) }],
    )
  }
  return [{ at, from: now, to: then }]
}
const there = (name: 'from' | 'to', object: Record<string, unknown>, key: string) =>
  Object.hasOwn(object, key) ? { [name]: object[key] } : {}

function listDifferences(at: string[], field: string, now: unknown[], then: unknown[]): RestoreChange[] {
  const nameOf = (x: unknown) => String((x as Record<string, unknown>)[field])
  const inThen = new Map(then.map((x) => [nameOf(x), x]))
  const inNow = new Map(now.map((x) => [nameOf(x), x]))
  const found: RestoreChange[] = []
  for (const [name, x] of inNow)
    if (inThen.has(name)) found.push(...differences([...at, name], x, inThen.get(name)))
    else found.push({ at: [...at, name], from: x })
  then.forEach((x, i) => {
    const name = nameOf(x)
    if (!inNow.has(name))
      found.push({ at: [...at, name], to: x, after: i === 0 ? null : nameOf(then[i - 1]) })
  })
  return found
}

/** The value at a place; undefined where there is none. */
function valueAt(job: Job, at: readonly string[]): unknown {
  let here: unknown = job
  for (const [i, key] of at.entries()) {
    if (Array.isArray(here)) {
      const field = NAMED_LISTS.get(at.slice(0, i).join('.'))
      here = field && here.find((x) => isRaw(x) && x[field] === key)
    } else here = isRaw(here) && Object.hasOwn(here, key) ? here[key] : undefined
  }
  return here
}

/** The same value with one place changed; places on the way are copied, nothing else is. */
function withChange(here: unknown, at: readonly string[], change: RestoreChange): unknown {
  const [key, ...rest] = at
  if (key === undefined) return change.to
  if (Array.isArray(here)) {
    const field = NAMED_LISTS.get(change.at.slice(0, change.at.length - at.length).join('.')) ?? ''
    const list = here as Record<string, unknown>[]
    if (rest.length) return list.map((x) => (x[field] === key ? withChange(x, rest, change) : x))
    const others = list.filter((x) => x[field] !== key)
    if (!('to' in change)) return others
    const there = list.findIndex((x) => x[field] === key)
    const behind = change.after === null ? 0 : others.findIndex((x) => x[field] === change.after) + 1
    const index = there >= 0 ? there : behind || (change.after === null ? 0 : others.length)
    return [...others.slice(0, index), change.to, ...others.slice(index)]
  }
  const object = isRaw(here) ? here : {}
  if (!rest.length && !('to' in change)) {
    const { [key]: _, ...others } = object
    return others
  }
  return { ...object, [key]: withChange(object[key], rest, change) }
}

/** Splits a restore: places that are still as the edit left them, and places that somebody has changed since. */
export function restorable(job: Job, op: Restore): { can: Restore | null; left: RestoreChange[] } {
  const isStill = (c: RestoreChange) => isEqual(valueAt(job, c.at), c.from)
  const changes = op.changes.filter(isStill)
  const left = op.changes.filter((c) => !isStill(c))
  return { can: changes.length ? { kind: 'restore', changes } : null, left }
}

/** Applies a restoring: every place must be as it says, and the job must be right afterwards. */
export function applyRestore(job: Job, op: Restore): Checked<Job> {
  const wrong = op.changes.flatMap((c) => {
    const path = c.at.join('.')
    if (FIXED.has(c.at[0] ?? '')) return [problem(path, 'a place that can be taken back', path)]
    return isEqual(valueAt(job, c.at), c.from)
      ? []
      : [problem(path, 'what the edit left there; it has been changed since', valueAt(job, c.at))]
  })
  if (wrong.length) return fail(...wrong)
  const next = op.changes.reduce<unknown>((j, c) => withChange(j, c.at, c), job)
  return checkWhole(next)
}
