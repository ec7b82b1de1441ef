import * as yup from 'yup'
import type { Reading } from '@/core/startup'
import { MOST } from '../../limits'
import { problem } from '../../problem'
import { done, fail, refuse, repeated, type Section } from '../section'
import { readingProblems, readingSchema } from './readingSchema'

/** Readings only ever grow: a wrong one is corrected by a later one that supersedes it. */
export interface ReadingsDoc {
  readings: Reading[]
}
export interface TakeReading {
  kind: 'takeReading'
  reading: Reading
}
export type ReadingsOperation = TakeReading

export const readings: Section<ReadingsDoc, ReadingsOperation> = {
  fields: () => ({ readings: yup.array(readingSchema()).max(MOST.readings).defined() }),
  lists: { readings: 'id' },
  operations: {
    takeReading: {
      fields: () => ({ reading: readingSchema() }),
      apply(job, { reading }) {
        const wrong = readingProblems(reading, 'reading')
        if (wrong.length) return fail(...wrong)
        if (job.readings.some((r) => r.id === reading.id))
          return refuse('reading.id', 'a name that is not used yet', reading.id)
        if (reading.supersedes !== null && !job.readings.some((r) => r.id === reading.supersedes))
          return refuse('reading.supersedes', 'an earlier reading of this job', reading.supersedes)
        return done({ ...job, readings: [...job.readings, reading] })
      },
      path: (op) => `readings.${op.reading.id}`,
      undoable: false,
    },
  },
  references: (job) => [
    ...repeated(job.readings, 'id', 'readings'),
    ...job.readings.flatMap((r, i) => [
      ...readingProblems(r, `readings[${i}]`),
      ...(r.supersedes === null || job.readings.slice(0, i).some((x) => x.id === r.supersedes)
        ? []
        : [problem(`readings[${i}].supersedes`, 'an earlier reading of this job', r.supersedes)]),
    ]),
  ],
}
