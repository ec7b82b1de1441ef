import * as yup from 'yup'
import { optional, shape, text } from '../../schemaKit'
import { done, refuse, type Section } from '../section'

/** What the job is called, where it is and whose. */
export interface AboutDoc {
  title: string
  site: { address: string; owner: string; altitudeFt?: number; designF?: number }
  note: string
  technician: string
}

/** The single-line fields of a job that a person types. */
export const FIELDS = ['title', 'note', 'technician', 'site.address', 'site.owner'] as const
export type Field = (typeof FIELDS)[number]

export interface SetField {
  kind: 'setField'
  field: Field
  value: string
}
export type AboutOperation = SetField

export const about: Section<AboutDoc, AboutOperation> = {
  fields: {
    title: yup.string().max(120).required(),
    site: shape({
      address: text(200),
      owner: text(120),
      altitudeFt: optional(yup.number().min(-1500).max(20_000).defined()),
      designF: optional(yup.number().min(-80).max(120).defined()),
    }),
    note: text(2000),
    technician: text(80),
  },
  operations: {
    setField: {
      fields: { field: yup.string().oneOf(FIELDS).required(), value: text(2000) },
      apply(job, { field, value }) {
        switch (field) {
          case 'title':
            return value.trim()
              ? done({ ...job, title: value })
              : refuse('title', 'a name for the job', value)
          case 'site.address':
            return done({ ...job, site: { ...job.site, address: value } })
          case 'site.owner':
            return done({ ...job, site: { ...job.site, owner: value } })
          default:
            return done({ ...job, [field]: value })
        }
      },
      path: (op) => op.field,
    },
  },
}
