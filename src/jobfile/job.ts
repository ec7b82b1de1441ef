import * as yup from 'yup'
import type { Device, Unknowable, Value } from '@/core/equipment'
import type { Cable, Installation, Placed, Wire } from '@/core/installation'
import type { Reading } from '@/core/startup'
import { deviceSchema } from './device'
import { anyOf, id, num, optional, record, shape, text } from './kit'
import { readingSchema } from './reading'
import { FRESH_SETUP, setupSchema, type Setup } from './setup'

/** The version of the job file that this code writes, and the newest that it reads. */
export const JOB_VERSION = 2

/** A placed device in a file: it names its device, whose description is carried in the same file. */
export interface PlacedEntry {
  ref: string
  device: string
  label: string
  where?: string
  settings: Record<string, Unknowable<Value>>
}

/** A job: what is bolted down, wired and set, and what was read. One document, carrying the devices it uses. */
export interface Job {
  format: 'gatecross.job'
  version: number
  id: string
  title: string
  site: { address: string; owner: string; altitudeFt?: number; designF?: number }
  note: string
  technician: string
  devices: Record<string, Device>
  placed: PlacedEntry[]
  cables: Cable[]
  wires: Wire[]
  readings: Reading[]
  setup: Setup
}

const terminal = () => yup.string().max(130).nullable().defined()

export const wireSchema = shape({
  id: id(),
  cable: yup.string().max(64).nullable().defined(),
  colour: text(30),
  colourB: yup.string().max(30),
  a: terminal(),
  b: terminal(),
  gauge: yup.number().min(0).max(40),
  feet: yup.number().min(0).max(5000),
  doubt: yup.boolean(),
})
export const cableSchema = shape({
  id: id(),
  label: text(80),
  kind: yup.string().oneOf(['low', 'line', 'harness']).required(),
  from: id(),
  to: id(),
  gauge: yup.number().min(0).max(40).defined(),
  feet: yup.number().min(0).max(5000).defined(),
})
export const knownValue = anyOf(num(), yup.string().max(80).nullable().defined())
export const placedSchema = shape({
  ref: id(),
  device: id(),
  label: text(80),
  where: yup.string().max(80),
  settings: record(knownValue),
})

/** The job file's schema; the published JSON Schema is derived from it. */
export const jobSchema = shape({
  format: yup.string().oneOf(['gatecross.job']).required(),
  version: yup.number().oneOf([JOB_VERSION]).defined(),
  id: id(),
  title: yup.string().max(120).required(),
  site: shape({
    address: text(200),
    owner: text(120),
    altitudeFt: optional(yup.number().min(-1500).max(20_000).defined()),
    designF: optional(yup.number().min(-80).max(120).defined()),
  }),
  note: text(2000),
  technician: text(80),
  devices: record(deviceSchema),
  placed: yup.array(placedSchema).max(60).defined(),
  cables: yup.array(cableSchema).max(60).defined(),
  wires: yup.array(wireSchema).max(400).defined(),
  readings: yup.array(readingSchema).max(5000).defined(),
  setup: setupSchema,
})

/**
 * A job of an older version as one of today's; today's is given back as it is.
 * Version 1 knew nothing of setup.
 */
export function upgradeJob(job: Job): Job {
  return job.version === 1 ? { ...job, version: JOB_VERSION, setup: FRESH_SETUP } : job
}

const placedOf = new WeakMap<PlacedEntry, { device: Device; placed: Placed }>()
const installations = new WeakMap<Job, Installation>()

/**
 * What the core computes on. The same job gives the same object, and an unchanged placed device stays the same object
 * when another part of the job changes.
 */
export function installationOf(job: Job): Installation {
  let inst = installations.get(job)
  if (!inst) {
    inst = {
      placed: placedList(job),
      cables: job.cables,
      wires: job.wires,
    }
    installations.set(job, inst)
  }
  return inst
}
/** The same devices with the same settings give the same list, however often a wire is moved. */
function placedList(job: Job): Placed[] {
  const known = placedLists.get(job.placed)
  const list = job.placed.map((p) => placed(p, job.devices[p.device]!))
  if (known?.every((p, i) => p === list[i])) return known
  placedLists.set(job.placed, list)
  return list
}
const placedLists = new WeakMap<PlacedEntry[], Placed[]>()
function placed(entry: PlacedEntry, device: Device): Placed {
  const known = placedOf.get(entry)
  if (known && known.device === device) return known.placed
  const { device: _, ...rest } = entry
  const made: Placed = { ...rest, device }
  placedOf.set(entry, { device, placed: made })
  return made
}
