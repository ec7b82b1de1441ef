import { READING_KINDS, READINGS } from '@/core/readings'
import * as yup from 'yup'
import { CALLS } from '@/core/equipment'
import { type Reading } from '@/core/startup'
import {
  anyOf,
  EXAMPLE_WHEN,
  id,
  isWhen,
  num,
  optional,
  record,
  shape,
  text,
  when,
  once,
} from '../../schemaKit'
import { problem, type Problem } from '../../problem'

const situationSchema = once(() =>
  shape({
    call: yup
      .string()
      .oneOf([...CALLS])
      .required(),
    outdoorF: yup.number().min(-80).max(160).defined(),
    modes: record(yup.string().max(64).defined()),
  }),
)

const kinds = READING_KINDS
const places = [...new Set(kinds.flatMap((k) => READINGS[k].places))]

export const readingSchema = once(() =>
  shape({
    id: id(),
    kind: yup.string().oneOf(kinds).required(),
    value: anyOf(yup.string().oneOf(['OL']).required(), num()),
    place: yup.string().oneOf(places).required(),
    at: yup.string().max(130).defined(),
    withBlower: yup.boolean().nullable().defined(),
    panelsOff: optional(yup.boolean().defined()),
    instrument: text(80),
    situation: situationSchema(),
    moved: yup
      .array(
        shape({ at: yup.string().max(130).defined(), value: anyOf(num(), yup.string().max(80).defined()) }),
      )
      .max(20),
    who: text(80),
    when: when(),
    deviceWhen: optional(when()),
    supersedes: yup.string().max(64).nullable().defined(),
    note: yup.string().max(400),
  }),
)

/** Problems of a reading that no schema finds: a value that no meter shows, or a place that does not fit the kind. */
export function readingProblems(reading: Reading, path: string): Problem[] {
  const kind = READINGS[reading.kind]
  const found: Problem[] = []
  const { value } = reading
  if (value === 'OL') {
    if (reading.kind !== 'rowOhms') found.push(problem(`${path}.value`, `a number in ${kind.unit}`, value))
  } else if (!Number.isFinite(value) || value < kind.least || value > kind.most) {
    found.push(problem(`${path}.value`, `${kind.least} to ${kind.most} ${kind.unit}`, value))
  }
  if (!kind.places.includes(reading.place))
    found.push(problem(`${path}.place`, `one of ${kind.places.join(', ')}`, reading.place))
  if (!isWhen(reading.when)) found.push(problem(`${path}.when`, EXAMPLE_WHEN, reading.when))
  return found
}
