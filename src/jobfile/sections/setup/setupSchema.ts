import { MOST } from '../../limits'
import * as yup from 'yup'
import type { Unknowable, Value } from '@/core/equipment'
import { anyOf, id, knownValue, num, optional, record, shape, text, when, once } from '../../schemaKit'

/** A value with who saw or set it, and when. */
export interface Note {
  value: Unknowable<Value>
  who: string
  when: string
}
/** Record of a setting on its device: as found, as left, read back. */
export interface Keyed {
  found?: Note
  left?: Note
  readBack?: Note
}
/** Kinds of temporary changes for a test, beside a setting. */
export const TEMPORARY_KINDS = ['jumper', 'lead', 'forced', 'dial', 'panel', 'breaker', 'other'] as const
export type TemporaryKind = (typeof TEMPORARY_KINDS)[number]

/** Something that is temporarily changed for a test, listed until it is put back. */
export interface Temporary {
  id: string
  /** Left out: a setting. */
  kind?: TemporaryKind
  /** Note of the change, where it is no setting. */
  what?: string
  /** The setting; of anything else the device or terminal that it is about. */
  at: string
  /** A setting's values; of anything else nothing is known of the one and `what` says the other. */
  was: Unknowable<Value>
  now: Value
  why: string
  who: string
  when: string
  back?: { who: string; when: string }
}
/** How every device was left at the end of a visit. */
export interface Visit {
  id: string
  who: string
  when: string
  left: Record<string, Unknowable<Value>>
}
/** Source of a setting's value; a setting that is not listed has its device's default. */
export type ValueSource = 'recommended' | 'typed' | 'found'

/** Setup: the interview, what was found and left on each device, and what must still be put back. */
export interface Setup {
  /** Answers by question; a question that is left out was not asked. */
  interview: Record<string, string>
  /** Source of each setting's value, by reference ("tstat.droop"). */
  sources: Record<string, ValueSource>
  keyed: Record<string, Keyed>
  /** Lines of key-in sheets that set nothing (menu opened, power off), ticked. */
  ticks: Record<string, { who: string; when: string }>
  temporary: Temporary[]
  visits: Visit[]
}

export const FRESH_SETUP: Setup = Object.freeze({
  interview: {},
  sources: {},
  keyed: {},
  ticks: {},
  temporary: [],
  visits: [],
})

export const SOURCES: readonly ValueSource[] = ['recommended', 'typed', 'found']
const stamp = { who: text(80), when: when() }
export const stampSchema = once(() => shape(stamp))
export const noteSchema = once(() => shape({ value: knownValue, ...stamp }))

export const temporarySchema = once(() =>
  shape({
    id: id(),
    kind: yup.string().oneOf(TEMPORARY_KINDS),
    what: yup.string().min(1).max(200),
    at: yup.string().max(130).required(),
    was: knownValue,
    now: anyOf(num(), yup.string().max(80).defined()),
    why: text(200),
    ...stamp,
    back: optional(stampSchema()),
  }),
)
export const visitSchema = once(() => shape({ id: id(), ...stamp, left: record(knownValue) }))
export const setupSchema = once(() =>
  shape({
    interview: record(yup.string().max(80).defined()),
    sources: record(
      yup
        .string()
        .oneOf([...SOURCES])
        .required(),
    ),
    keyed: record(
      shape({
        found: optional(noteSchema()),
        left: optional(noteSchema()),
        readBack: optional(noteSchema()),
      }),
    ),
    ticks: record(shape(stamp)),
    temporary: yup.array(temporarySchema()).max(MOST.temporary).defined(),
    visits: yup.array(visitSchema()).max(MOST.visits).defined(),
  }),
)
