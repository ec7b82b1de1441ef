import * as yup from 'yup'
import { MOST } from '../../limits'
import { EXAMPLE_WHEN, id, isWhen, list, num, once, optional, shape, text, when } from '../../schemaKit'
import type { SetupDoc } from '../setup'
import { done, refuse, repeated, type Section } from '../section'

/** In whose name a signature stands. */
export const SIGNER_ROLES = ['technician', 'owner', 'inspector'] as const
export type SignerRole = (typeof SIGNER_ROLES)[number]

/** A signature drawn on the screen. It is never changed: one that should not stand is withdrawn. */
export interface Signature {
  id: string
  role: SignerRole
  name: string
  /** Each stroke as x, y, x, y …, in thousandths of the field's width. */
  strokes: number[][]
  /** The signed content, as `signedState` gives it: it tells whether the job is still the same. */
  of: string
  who: string
  when: string
  withdrawn?: { who: string; when: string }
}

/** The handover's part of a job. */
export interface Handover {
  /** The technician's licence, as it stands on the report. */
  licence?: string
  /** When the technician came, and went. */
  arrived?: string
  departed?: string
  signatures?: Signature[]
}
export interface HandoverDoc {
  handover?: Handover
}

/** The licence, or a time; null: not recorded. */
export interface SetHandover {
  kind: 'setHandover'
  field: 'licence' | 'arrived' | 'departed'
  value: string | null
}
export interface Sign {
  kind: 'sign'
  signature: Signature
}
export interface WithdrawSignature {
  kind: 'withdrawSignature'
  signature: string
  by: { who: string; when: string }
}
export type HandoverOperation = SetHandover | Sign | WithdrawSignature

const LICENCE_MOST = 80
const stamp = { who: text(80), when: when() }
const signatureSchema = once(() =>
  shape({
    id: id(),
    role: yup.string().oneOf(SIGNER_ROLES).required(),
    name: yup.string().min(1).max(80).required(),
    strokes: yup
      .array(yup.array(num().min(0).max(2000)).min(2).max(800).defined())
      .min(1)
      .max(80)
      .defined(),
    of: yup.string().max(80).defined(),
    ...stamp,
    withdrawn: optional(shape(stamp)),
  }),
)

const FIELDS = ['licence', 'arrived', 'departed'] as const

export const handover: Section<HandoverDoc, HandoverOperation, HandoverDoc & SetupDoc> = {
  fields: () => ({
    handover: optional(
      shape({
        licence: optional(text(LICENCE_MOST)),
        arrived: optional(when()),
        departed: optional(when()),
        signatures: optional(list(signatureSchema()).max(MOST.signatures)),
      }),
    ),
  }),
  lists: { 'handover.signatures': 'id' },
  operations: {
    setHandover: {
      fields: () => ({
        field: yup.string().oneOf(FIELDS).required(),
        value: yup.string().max(LICENCE_MOST).nullable().defined(),
      }),
      apply(job, { field, value }) {
        if (value !== null && field !== 'licence' && !isWhen(value))
          return refuse('value', EXAMPLE_WHEN, value)
        const { [field]: _, ...rest } = job.handover ?? {}
        return done({ ...job, handover: value === null ? rest : { ...rest, [field]: value } })
      },
      path: (op) => `handover.${op.field}`,
    },
    sign: {
      fields: () => ({ signature: signatureSchema() }),
      apply(job, { signature }) {
        const stands = job.handover?.signatures ?? []
        if (stands.some((s) => s.id === signature.id))
          return refuse('signature.id', 'a name that is not used yet', signature.id)
        if (stands.length >= MOST.signatures)
          return refuse('signature', `at most ${MOST.signatures} signatures`, stands.length + 1)
        // Nothing is signed off while something is temporarily changed for a test.
        const open = job.setup.temporary.find((t) => !t.back)
        if (open) return refuse('signature', 'everything put back first', open.what ?? open.at)
        return done({ ...job, handover: { ...job.handover, signatures: [...stands, signature] } })
      },
      path: (op) => `handover.signatures.${op.signature.id}`,
      undoable: false,
    },
    withdrawSignature: {
      fields: () => ({ signature: id(), by: shape(stamp) }),
      apply(job, { signature, by }) {
        const stands = job.handover?.signatures ?? []
        const one = stands.find((s) => s.id === signature)
        if (!one) return refuse('signature', 'a signature of this job', signature)
        if (one.withdrawn) return done(job)
        const signatures = stands.map((s) => (s === one ? { ...s, withdrawn: by } : s))
        return done({ ...job, handover: { ...job.handover, signatures } })
      },
      path: (op) => `handover.signatures.${op.signature}`,
      undoable: false,
    },
  },
  references: (job) => repeated(job.handover?.signatures ?? [], 'id', 'handover.signatures'),
}
