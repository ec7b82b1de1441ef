import * as yup from 'yup'
import { id, optional, shape, text, when, once } from './schemaKit'
import { upgradeOperation } from './document'
import { operationSchema, type Operation } from './operation'
import { isRaw } from './problem'
import { JOB_VERSION } from './sections/registry'

/** An operation on its way: named once and for all by whoever made it, so that sending it twice does it once. */
export interface Envelope {
  opId: string
  /** The browser (tab) that made it. */
  client: string
  who: string
  /** ISO time at which it was made, by the clock that is trusted. */
  at: string
  /** ms that were added to the device's clock for it; left out: none. */
  clock?: number
  /** Time by the device's clock, where the server found that wrong. */
  deviceAt?: string
  /** The version of the document that it was written for. */
  docVersion: number
  /** The revision of the job that its maker saw: what somebody else did to the same place since is a clash. */
  seen: number
  /** Operations that its maker saw before they had a revision: another tab of the same browser had them waiting. */
  knew?: string[]
  op: Operation
}

/** A browser's request: the version of the job that it has seen, and operations in the order of making. */
export interface PushRequest {
  base: number
  /** ISO time by the device's own clock as it is sent. */
  sent?: string
  ops: Envelope[]
}

/** Result of an operation. */
export type OpResult =
  /** `as`: how it was taken, where the device's clock was wrong. */
  | { opId: string; outcome: 'applied' | 'alreadyThere'; as?: Envelope }
  /** Someone else has changed the same place since `base`: nothing was changed, theirs is shown beside yours. */
  | { opId: string; outcome: 'stale'; path: string; theirs: Envelope }
  | { opId: string; outcome: 'refused'; problems: { path: string; expected: string; got?: string }[] }

export interface PushResponse {
  version: number
  results: OpResult[]
  /** Operations of others, after `base`, in order. */
  others: Envelope[]
}

/** The most operations in one request. */
export const MOST_OPS = 100

/** The most that may wait in other tabs of one browser to be named. */
const MOST_KNOWN = 1000

const envelopeSchema = once(() =>
  shape({
    opId: id(),
    client: id(),
    who: text(80),
    at: when(),
    clock: optional(yup.number().integer().defined()),
    deviceAt: optional(when()),
    docVersion: yup.number().integer().oneOf([JOB_VERSION]).defined(),
    seen: yup.number().integer().min(0).defined(),
    knew: optional(yup.array(id()).max(MOST_KNOWN).defined()),
    op: operationSchema(),
  }),
)
export const pushSchema = once(() =>
  shape({
    base: yup.number().integer().min(0).defined(),
    sent: optional(when()),
    ops: yup.array(envelopeSchema()).max(MOST_OPS).defined(),
  }),
)

/**
 * An envelope of an older version as one of today's: queued in a browser, or logged. Before version 3 it did not say for
 * which document it was written, nor what its maker had seen: then that is the revision it was sent with.
 */
export function upgradeEnvelope(value: unknown, base: number): unknown {
  if (!isRaw(value)) return value
  const { docVersion = 2, seen = base } = value
  if (typeof docVersion !== 'number' || docVersion > JOB_VERSION) return value
  return { ...value, op: upgradeOperation(value.op, docVersion), docVersion: JOB_VERSION, seen }
}

/** A request with envelopes of any version that this code knows, as one of today's. */
export function upgradePush(value: unknown): unknown {
  if (!isRaw(value) || !Array.isArray(value.ops)) return value
  const base = typeof value.base === 'number' ? value.base : 0
  return { ...value, ops: value.ops.map((e: unknown) => upgradeEnvelope(e, base)) }
}
