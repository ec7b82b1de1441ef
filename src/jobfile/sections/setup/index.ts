import * as yup from 'yup'
import { splitRef } from '@/core/installation'
import { settingAt } from '../../lookup'
import type { Checked } from '../../problem'
import { id, text } from '../../schemaKit'
import type { GearDoc } from '../gear/gearDoc'
import { done, fail, put, refuse, repeated, type Section } from '../section'
import {
  FRESH_SETUP,
  noteSchema,
  setupSchema,
  SOURCES,
  stampSchema,
  temporarySchema,
  visitSchema,
  type Keyed,
  type Note,
  type Setup,
  type Temporary,
  type ValueSource,
  type Visit,
} from './setupSchema'

export interface SetupDoc {
  setup: Setup
}

/** An answer of the interview; '' takes it back. */
export interface AnswerQuestion {
  kind: 'answer'
  question: string
  answer: string
}
/** Source of a setting's value; null: the device's default. */
export interface MarkSource {
  kind: 'markSource'
  ref: string
  setting: string
  source: ValueSource | null
}
/** A value as found, as left, or as read back on a device; null takes the note back. */
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

const changed = <J extends SetupDoc>(job: J, change: Partial<Setup>): Checked<J> =>
  done({ ...job, setup: { ...job.setup, ...change } })

export const setup: Section<SetupDoc, SetupOperation, SetupDoc & GearDoc> = {
  fields: () => ({ setup: setupSchema() }),
  lists: { 'setup.temporary': 'id', 'setup.visits': 'id' },
  operations: {
    answer: {
      fields: () => ({ question: id(), answer: text(80) }),
      apply: (job, op) =>
        changed(job, { interview: put(job.setup.interview, op.question, op.answer || null) }),
      path: (op) => `setup.interview.${op.question}`,
    },
    markSource: {
      fields: () => ({
        ref: id(),
        setting: id(),
        source: yup
          .string()
          .oneOf([...SOURCES])
          .nullable()
          .defined(),
      }),
      apply(job, { ref, setting, source }) {
        const wrong = settingAt(job, ref, setting)
        if (wrong) return fail(wrong)
        return changed(job, { sources: put(job.setup.sources, `${ref}.${setting}`, source) })
      },
      path: (op) => `setup.sources.${op.ref}.${op.setting}`,
    },
    noteKeyed: {
      fields: () => ({
        ref: id(),
        setting: id(),
        what: yup.string().oneOf(['found', 'left', 'readBack']).required(),
        note: noteSchema().nullable(),
      }),
      apply(job, op) {
        const wrong = settingAt(job, op.ref, op.setting, op.note?.value)
        if (wrong) return fail(wrong)
        const at = `${op.ref}.${op.setting}`
        const { [op.what]: _, ...rest } = job.setup.keyed[at] ?? {}
        const keyed: Keyed = op.note ? { ...rest, [op.what]: op.note } : rest
        return changed(job, {
          keyed: put(job.setup.keyed, at, Object.keys(keyed).length ? keyed : null),
        })
      },
      path: (op) => `setup.keyed.${op.ref}.${op.setting}.${op.what}`,
    },
    tickLine: {
      fields: () => ({ line: yup.string().max(160).required(), by: stampSchema().nullable() }),
      apply: (job, op) => changed(job, { ticks: put(job.setup.ticks, op.line, op.by) }),
      path: (op) => `setup.ticks.${op.line}`,
    },
    addTemporary: {
      fields: () => ({ temporary: temporarySchema() }),
      apply(job, { temporary }) {
        if (job.setup.temporary.some((t) => t.id === temporary.id))
          return refuse('temporary.id', 'a name that is not used yet', temporary.id)
        if (temporary.kind) {
          if (!temporary.what) return refuse('temporary.what', 'what was done', temporary.what)
          return changed(job, { temporary: [...job.setup.temporary, temporary] })
        }
        const { placed, id: setting } = splitRef(temporary.at)
        const wrong = settingAt(job, placed, setting, temporary.now)
        return wrong ? fail(wrong) : changed(job, { temporary: [...job.setup.temporary, temporary] })
      },
      path: (op) => `setup.temporary.${op.temporary.id}`,
    },
    putBack: {
      fields: () => ({ temporary: id(), by: stampSchema().nullable() }),
      apply(job, op) {
        if (!job.setup.temporary.some((t) => t.id === op.temporary))
          return refuse('temporary', 'a temporary setting of this job', op.temporary)
        return changed(job, {
          temporary: job.setup.temporary.map((t) => {
            if (t.id !== op.temporary) return t
            const { back: _, ...rest } = t
            return op.by ? { ...rest, back: op.by } : rest
          }),
        })
      },
      path: (op) => `setup.temporary.${op.temporary}`,
    },
    closeVisit: {
      fields: () => ({ visit: visitSchema() }),
      apply(job, { visit }) {
        if (job.setup.visits.some((v) => v.id === visit.id))
          return refuse('visit.id', 'a name that is not used yet', visit.id)
        const open = job.setup.temporary.find((t) => !t.back)
        if (open) return refuse('visit', 'everything put back first', open.what ?? open.at)
        // Values as left become the next visit's "last time"; values found and ticked today belong to today.
        return changed(job, { visits: [...job.setup.visits, visit], keyed: {}, ticks: {} })
      },
      path: (op) => `setup.visits.${op.visit.id}`,
      undoable: false,
    },
  },
  steps: {
    // Version 1 knew nothing of setup.
    2: { doc: (job) => ({ ...job, setup: FRESH_SETUP }) },
  },
  references: (job) => [
    ...repeated(job.setup.temporary, 'id', 'setup.temporary'),
    ...repeated(job.setup.visits, 'id', 'setup.visits'),
  ],
}
