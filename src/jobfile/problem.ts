import { cut } from './cut'

/** A problem of a file or an operation: its place, the expectation, and the value that was found. */
export interface Problem {
  /** Place inside the file ("placed[3].settings.tap"); empty for the whole of it. */
  path: string
  expected: string
  got?: string
  /** Line of the file, from 1, where the file's text was at hand. */
  line?: number
}
export type Checked<T> = { ok: true; value: T } | { ok: false; problems: Problem[] }

/** A short rendering of what stands in the place. */
export function show(v: unknown): string {
  if (v === undefined) return 'nothing'
  const s = typeof v === 'string' ? v : (JSON.stringify(v) ?? typeof v)
  return s.length > 60 ? `${cut(s, 57)}…` : s
}

export const problem = (path: string, expected: string, got?: unknown): Problem => ({
  path,
  expected,
  got: show(got),
})

/** A problem as a sentence. */
export const sentence = (p: Problem): string =>
  `${p.line ? `line ${p.line}, ` : ''}${p.path || 'the file'}: expected ${p.expected}${p.got === undefined ? '' : `, found ${p.got}`}`

/** A JSON object, of which nothing is known yet. */
export const isRaw = (v: unknown): v is Record<string, unknown> =>
  typeof v === 'object' && v !== null && !Array.isArray(v)
