import * as yup from 'yup'
import { id, shape, text } from './kit'
import { operationSchema, type Operation } from './operation'

/** An operation on its way: named once and for all by whoever made it, so that sending it twice does it once. */
export interface Envelope {
  opId: string
  /** The browser (tab) that made it. */
  client: string
  who: string
  /** ISO time at which it was made. */
  at: string
  op: Operation
}

/** What the browser sends: the version of the job that it has seen, and operations in the order of making. */
export interface PushRequest {
  base: number
  ops: Envelope[]
}

/** What became of one operation. */
export type OpResult =
  | { opId: string; outcome: 'applied' | 'alreadyThere' }
  /** Someone else has changed the same place since `base`: nothing was changed, theirs is shown beside yours. */
  | { opId: string; outcome: 'stale'; place: string; theirs: Envelope }
  | { opId: string; outcome: 'refused'; problems: { path: string; expected: string; got?: string }[] }

export interface PushResponse {
  version: number
  results: OpResult[]
  /** Operations of others, after `base`, in order. */
  others: Envelope[]
}

/** The most operations in one request. */
export const MOST_OPS = 100

const envelopeSchema = shape({
  opId: id(),
  client: id(),
  who: text(80),
  at: yup.string().max(40).required(),
  op: operationSchema,
})
export const pushSchema = shape({
  base: yup.number().integer().min(0).defined(),
  ops: yup.array(envelopeSchema).max(MOST_OPS).defined(),
})
