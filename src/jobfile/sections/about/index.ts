import * as yup from 'yup'
import { optional, shape, text } from '../../schemaKit'
import { done, refuse, type Section } from '../section'

/** The job's title, site and owner. */
export interface AboutDoc {
  title: string
  site: { address: string; owner: string; altitudeFt?: number; designF?: number }
  note: string
  technician: string
}

/** The single-line fields of a job that a person types. */
export const FIELDS = ['title', 'note', 'technician', 'site.address', 'site.owner'] as const
export type Field = (typeof FIELDS)[number]

/** Characters of each. */
export const MOST_CHARACTERS: Record<Field, number> = {
  title: 120,
  note: 2000,
  technician: 80,
  'site.address': 200,
  'site.owner': 120,
}

export interface SetField {
  kind: 'setField'
  field: Field
  value: string
}
export type AboutOperation = SetField

export const about: Section<AboutDoc, AboutOperation> = {
  fields: () => ({
    title: yup.string().max(MOST_CHARACTERS.title).required(),
    site: shape({
      address: text(MOST_CHARACTERS['site.address']),
      owner: text(MOST_CHARACTERS['site.owner']),
      altitudeFt: optional(yup.number().min(-1500).max(20_000).defined()),
      designF: optional(yup.number().min(-80).max(120).defined()),
    }),
    note: text(MOST_CHARACTERS.note),
    technician: text(MOST_CHARACTERS.technician),
  }),
  operations: {
    setField: {
      fields: () => ({ field: yup.string().oneOf(FIELDS).required(), value: text(MOST_CHARACTERS.note) }),
      apply(job, { field, value }) {
        if (value.length > MOST_CHARACTERS[field])
          return refuse(field, `at most ${MOST_CHARACTERS[field]} characters`, `${value.length}`)
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
