import { isRaw, problem, type Problem } from './problem'

/**
 * The longest that each list of a job may be: one table for files and edits, so that whatever is entered can be
 * exported and read back. A house with four systems and a visit each season for ten years stays well below each.
 */
export const MOST = Object.freeze({
  placed: 60,
  cables: 60,
  wires: 400,
  readings: 2500,
  temporary: 200,
  visits: 200,
  signatures: 40,
})

/** Fields of any record that grows by edits (marks, ticks, what was keyed); a file of ours may have 5,000. */
const MOST_FIELDS = 2000
/** Characters of all device descriptions together; a file of ours may have 8 MB in all. */
const MOST_DESCRIBED = 2_000_000

/** The first place of a job that an edit has made too full; null: none. Only what it has changed is looked at. */
export function tooFull(before: object, after: object): Problem | null {
  const was = before as Record<string, unknown>
  for (const [name, value] of Object.entries(after)) {
    if (value === was[name]) continue
    const full =
      listProblem(name, value) ??
      (name === 'devices'
        ? describedProblem(value)
        : isRaw(value)
          ? insideProblem(name, value, was[name])
          : null)
    if (full) return full
  }
  return null
}

function insideProblem(name: string, value: Record<string, unknown>, was: unknown): Problem | null {
  const old = isRaw(was) ? was : {}
  for (const [field, inside] of Object.entries(value)) {
    if (inside === old[field]) continue
    const full = listProblem(`${name}.${field}`, inside)
    if (full) return full
    if (isRaw(inside) && Object.keys(inside).length > MOST_FIELDS)
      return problem(`${name}.${field}`, `at most ${MOST_FIELDS} entries`, Object.keys(inside).length)
  }
  return null
}

function listProblem(path: string, value: unknown): Problem | null {
  const last = path.slice(path.lastIndexOf('.') + 1)
  if (!Array.isArray(value) || !Object.hasOwn(MOST, last)) return null
  const most = MOST[last as keyof typeof MOST]
  return value.length > most ? problem(path, `at most ${most} of them`, value.length) : null
}

function describedProblem(devices: unknown): Problem | null {
  const length = JSON.stringify(devices).length
  return length > MOST_DESCRIBED
    ? problem(
        'devices',
        `descriptions of at most ${MOST_DESCRIBED / 1e6} MB together`,
        `${length} characters`,
      )
    : null
}
