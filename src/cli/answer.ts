import { problem, type Checked } from '@/jobfile'

/** An answer: what a script reads, what a person reads, and the exit code (0 well, 1 finding). */
export interface Answer {
  json: unknown
  lines: string[]
  code: 0 | 1
}
export type Result = Checked<Answer>
export const answer = (json: unknown, lines: string[], found = false): Result => ({
  ok: true,
  value: { json, lines, code: found ? 1 : 0 },
})
export const refuse = (path: string, expected: string, got: unknown): Checked<never> => ({
  ok: false,
  problems: [problem(path, expected, got)],
})
