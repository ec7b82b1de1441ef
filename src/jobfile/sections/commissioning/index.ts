import * as yup from 'yup'
import { PLATES, SITE_FLAGS, SITE_TEXTS, type DeviceKind, type SitePlate } from '@/core/equipment'
import { anyPlate, plateFieldSchema } from '../../plateSchema'
import { check } from '../../check'
import { problem, type Problem } from '../../problem'
import { once, anyOf, id, optional, record, shape } from '../../schemaKit'
import type { GearDoc } from '../gear/gearDoc'
import { done, fail, put, refuse, type Section } from '../section'
import { upgradeInterview, upgradeAnswer } from './fromInterview'

/** Readings of plates and airflow on site. */
export interface Commissioning {
  /** By placed device. */
  plates: Record<string, SitePlate>
  air: {
    /** in.w.c.: total external static pressure as measured. */
    staticInWc?: number
  }
}
export interface CommissioningDoc {
  commissioning: Commissioning
}
/** A field of a plate as it was read; null: not read. */
export interface SetPlate {
  kind: 'setPlate'
  ref: string
  field: keyof SitePlate
  value: SitePlate[keyof SitePlate] | null
}
export interface SetAir {
  kind: 'setAir'
  field: keyof Commissioning['air']
  value: number | null
}
export type CommissioningOperation = SetPlate | SetAir

export const FRESH_COMMISSIONING: Commissioning = Object.freeze({ plates: {}, air: {} })

const TEXT = once(() => yup.string().min(1).max(60).defined())
const STATIC = once(() => yup.number().min(0).max(5).defined())

const siteFields = (): yup.ObjectShape => ({
  ...anyPlate(),
  ...Object.fromEntries(SITE_TEXTS.map((f) => [f, optional(TEXT())])),
  ...Object.fromEntries(SITE_FLAGS.map((f) => [f, optional(yup.boolean().defined())])),
})

const kindOf = (job: GearDoc, ref: string): DeviceKind | undefined => {
  const entry = job.placed.find((p) => p.ref === ref)
  return entry && job.devices[entry.device]?.kind
}

/** Problems of a field of a plate of this kind of device. */
function fieldProblems(kind: DeviceKind, field: string, value: unknown, at: string): Problem[] {
  if ((SITE_TEXTS as readonly string[]).includes(field)) return under(check(TEXT(), value), at)
  if ((SITE_FLAGS as readonly string[]).includes(field))
    return under(check(yup.boolean().defined(), value), at)
  const spec = Object.hasOwn(PLATES[kind], field) ? PLATES[kind][field] : undefined
  if (!spec) return [problem(at, `one of ${Object.keys(PLATES[kind]).join(', ')}`, field)]
  return under(check(plateFieldSchema(spec), value), at)
}
const under = (checked: ReturnType<typeof check>, at: string): Problem[] =>
  checked.ok ? [] : checked.problems.map((p) => ({ ...p, path: p.path ? `${at}.${p.path}` : at }))

export const commissioning: Section<CommissioningDoc, CommissioningOperation, CommissioningDoc & GearDoc> = {
  fields: () => ({
    commissioning: shape({
      plates: record(shape(siteFields())),
      air: shape({ staticInWc: optional(STATIC()) }),
    }),
  }),
  operations: {
    setPlate: {
      fields: () => ({
        ref: id(),
        field: id(),
        value: anyOf(
          yup.number().defined(),
          yup.boolean().defined(),
          yup.array().max(200).defined(),
          yup.string().max(80).nullable().defined(),
        ),
      }),
      apply(job, { ref, field, value }) {
        const kind = kindOf(job, ref)
        if (!kind) return refuse('ref', 'a placed device', ref)
        if (value !== null) {
          const wrong = fieldProblems(kind, field, value, `${ref}.${field}`)
          if (wrong.length) return fail(...wrong)
        }
        const plates = job.commissioning.plates
        const plate: SitePlate = put<unknown>({ ...plates[ref] }, field, value)
        return done({
          ...job,
          commissioning: {
            ...job.commissioning,
            plates: put(plates, ref, Object.keys(plate).length ? plate : null),
          },
        })
      },
      path: (op) => `commissioning.plates.${op.ref}.${op.field}`,
    },
    setAir: {
      fields: () => ({ field: yup.string().oneOf(['staticInWc']).required(), value: STATIC().nullable() }),
      apply: (job, { field, value }) =>
        done({
          ...job,
          commissioning: {
            ...job.commissioning,
            air: put<number>({ ...job.commissioning.air }, field, value),
          },
        }),
      path: (op) => `commissioning.air.${op.field}`,
    },
  },
  steps: {
    // Until version 3 the interview held what is no answer of the owner's: models, "new from its box", static pressure.
    3: { doc: upgradeInterview, op: upgradeAnswer },
  },
  references: (job) =>
    Object.entries(job.commissioning.plates).flatMap(([ref, plate]) => {
      const at = `commissioning.plates.${ref}`
      const kind = kindOf(job, ref)
      // A device that was taken off the job leaves what was read on it; it comes back with the device.
      if (!kind) return []
      return Object.entries(plate).flatMap(([field, value]) =>
        fieldProblems(kind, field, value, `${at}.${field}`),
      )
    }),
}
