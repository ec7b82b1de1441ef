import * as yup from 'yup'
import { CARD_STATES, FRESH_PROGRESS, type CardMark, type Progress } from '@/core/startup'
import { id, optional, record, shape, when, once } from '../../schemaKit'
import { done, put, refuse, type Raw, type Section } from '../section'

/** The test run as far as it has come. */
export interface StartupDoc {
  startup: Progress
}
/** How a card ended; null: it is open again. */
export interface MarkCard {
  kind: 'markCard'
  card: string
  mark: CardMark | null
}
/** When a card's call was made; null: it is not being waited for. */
export interface NoteCall {
  kind: 'noteCall'
  card: string
  when: string | null
}
/** °F outdoors on the day of the test run; null: not known. */
export interface SetToday {
  kind: 'setToday'
  outdoorF: number | null
}
export type StartupOperation = MarkCard | NoteCall | SetToday

/** Cards of a test run that one job may hold. */
const MOST = 500
const who = () => yup.string().max(80).defined()
const markSchema = once(() =>
  shape({
    state: yup.string().oneOf(CARD_STATES).required(),
    note: yup.string().max(400),
    who: who(),
    when: when(),
  }),
)
const OUTDOOR = once(() => yup.number().min(-80).max(160).defined())

const full = (list: object, key: string): boolean =>
  !Object.hasOwn(list, key) && Object.keys(list).length >= MOST

export const startup: Section<StartupDoc, StartupOperation> = {
  fields: () => ({
    startup: shape({
      cards: record(markSchema()),
      calls: record(when()),
      outdoorF: optional(OUTDOOR()),
    }),
  }),
  operations: {
    markCard: {
      fields: () => ({ card: id(), mark: markSchema().nullable() }),
      apply(job, { card, mark }) {
        if (full(job.startup.cards, card)) return refuse('card', `at most ${MOST} cards`, card)
        return done({ ...job, startup: { ...job.startup, cards: put(job.startup.cards, card, mark) } })
      },
      path: (op) => `startup.cards.${op.card}`,
    },
    noteCall: {
      fields: () => ({ card: id(), when: when().nullable() }),
      apply(job, { card, when: at }) {
        if (full(job.startup.calls, card)) return refuse('card', `at most ${MOST} cards`, card)
        return done({ ...job, startup: { ...job.startup, calls: put(job.startup.calls, card, at) } })
      },
      path: (op) => `startup.calls.${op.card}`,
    },
    setToday: {
      fields: () => ({ outdoorF: OUTDOOR().nullable() }),
      apply: (job, { outdoorF }) => {
        const { outdoorF: _, ...rest } = job.startup
        return done({ ...job, startup: outdoorF === null ? rest : { ...rest, outdoorF } })
      },
      path: () => 'startup.outdoorF',
    },
  },
  steps: {
    // Until version 6 a job did not know how far its test run had come.
    6: { doc: (job: Raw): Raw => ({ ...job, startup: FRESH_PROGRESS }) },
  },
}
