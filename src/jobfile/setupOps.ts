import type { Unknowable, Value } from '@/core/equipment'
import { splitRef } from '@/core/installation'
import type { Job } from './job'
import { problem, type Problem } from './problem'
import { settingProblem } from './references'
import type { Keyed, Note, Setup, Temporary, ValueSource, Visit } from './setup'

/** An answer of the interview; '' takes it back. */
export interface AnswerQuestion {
  kind: 'answer'
  question: string
  answer: string
}
/** Where a setting's value comes from; null: the device's default. */
export interface MarkSource {
  kind: 'markSource'
  ref: string
  setting: string
  source: ValueSource | null
}
/** What a device showed, or was left with, or showed when it was asked again; null takes the note back. */
export interface NoteKeyed {
  kind: 'noteKeyed'
  ref: string
  setting: string
  what: keyof Keyed
  note: Note | null
}
/** A line of a key-in sheet that sets nothing. */
export interface TickLine {
  kind: 'tickLine'
  line: string
  by: { who: string; when: string } | null
}
export interface AddTemporary {
  kind: 'addTemporary'
  temporary: Temporary
}
export interface PutBack {
  kind: 'putBack'
  temporary: string
  by: { who: string; when: string } | null
}
export interface CloseVisit {
  kind: 'closeVisit'
  visit: Visit
}
export type SetupOperation =
  AnswerQuestion | MarkSource | NoteKeyed | TickLine | AddTemporary | PutBack | CloseVisit

type Done = { job: Job } | { problems: Problem[] }
const wrong = (...problems: Problem[]): Done => ({ problems })

/** A record with one key set, or left out. */
function put<T>(record: Record<string, T>, key: string, value: T | null): Record<string, T> {
  if (value !== null) return { ...record, [key]: value }
  const { [key]: _, ...rest } = record
  return rest
}

/** Applies an operation on the setup; the job passed in is never changed. */
export function applySetup(job: Job, op: SetupOperation): Done {
  const { setup } = job
  const done = (change: Partial<Setup>): Done => ({ job: { ...job, setup: { ...setup, ...change } } })
  switch (op.kind) {
    case 'answer':
      return done({ interview: put(setup.interview, op.question, op.answer || null) })
    case 'markSource': {
      const bad = settingAt(job, op.ref, op.setting, undefined)
      return bad ? wrong(bad) : done({ sources: put(setup.sources, `${op.ref}.${op.setting}`, op.source) })
    }
    case 'noteKeyed': {
      const bad = settingAt(job, op.ref, op.setting, op.note?.value ?? null)
      if (bad) return wrong(bad)
      const at = `${op.ref}.${op.setting}`
      const { [op.what]: _, ...rest } = setup.keyed[at] ?? {}
      const keyed: Keyed = op.note ? { ...rest, [op.what]: op.note } : rest
      return done({ keyed: put(setup.keyed, at, Object.keys(keyed).length ? keyed : null) })
    }
    case 'tickLine':
      return done({ ticks: put(setup.ticks, op.line, op.by) })
    case 'addTemporary': {
      const { temporary } = op
      if (setup.temporary.some((t) => t.id === temporary.id))
        return wrong(problem('temporary.id', 'a name that is not used yet', temporary.id))
      const { placed, id } = splitRef(temporary.at)
      const bad = settingAt(job, placed, id, temporary.now)
      return bad ? wrong(bad) : done({ temporary: [...setup.temporary, temporary] })
    }
    case 'putBack': {
      if (!setup.temporary.some((t) => t.id === op.temporary))
        return wrong(problem('temporary', 'a temporary setting of this job', op.temporary))
      return done({
        temporary: setup.temporary.map((t) => {
          if (t.id !== op.temporary) return t
          const { back: _, ...rest } = t
          return op.by ? { ...rest, back: op.by } : rest
        }),
      })
    }
    case 'closeVisit':
      if (setup.visits.some((v) => v.id === op.visit.id))
        return wrong(problem('visit.id', 'a name that is not used yet', op.visit.id))
      // What was left is next time's "last time"; what was found and ticked today belongs to today.
      return done({ visits: [...setup.visits, op.visit], keyed: {}, ticks: {} })
  }
}

/** What is wrong with a value of a placed device's setting; undefined asks for the setting alone. */
function settingAt(
  job: Job,
  ref: string,
  setting: string,
  value: Unknowable<Value> | undefined,
): Problem | null {
  const entry = job.placed.find((p) => p.ref === ref)
  if (!entry) return problem('ref', 'a placed device', ref)
  const known = job.devices[entry.device]?.settings.find((s) => s.id === setting)
  const bad = settingProblem(known, value ?? null)
  return bad ? problem(`${ref}.${setting}`, bad, value) : null
}

/** The operation that takes this one back; null where there is none. */
export function inverseSetup({ setup }: Job, op: SetupOperation): SetupOperation | null {
  switch (op.kind) {
    case 'answer':
      return { ...op, answer: setup.interview[op.question] ?? '' }
    case 'markSource':
      return { ...op, source: setup.sources[`${op.ref}.${op.setting}`] ?? null }
    case 'noteKeyed':
      return { ...op, note: setup.keyed[`${op.ref}.${op.setting}`]?.[op.what] ?? null }
    case 'tickLine':
      return { ...op, by: setup.ticks[op.line] ?? null }
    case 'addTemporary':
      // Taken back, it is put back: what was done to a device is not forgotten.
      return {
        kind: 'putBack',
        temporary: op.temporary.id,
        by: { who: op.temporary.who, when: op.temporary.when },
      }
    case 'putBack':
      return { ...op, by: setup.temporary.find((t) => t.id === op.temporary)?.back ?? null }
    case 'closeVisit':
      return null
  }
}

/** The place in the document that an operation changes. */
export function pathOfSetup(op: SetupOperation): string {
  switch (op.kind) {
    case 'answer':
      return `setup.interview.${op.question}`
    case 'markSource':
      return `setup.sources.${op.ref}.${op.setting}`
    case 'noteKeyed':
      return `setup.keyed.${op.ref}.${op.setting}.${op.what}`
    case 'tickLine':
      return `setup.ticks.${op.line}`
    case 'addTemporary':
      return `setup.temporary.${op.temporary.id}`
    case 'putBack':
      return `setup.temporary.${op.temporary}`
    case 'closeVisit':
      return `setup.visits.${op.visit.id}`
  }
}
