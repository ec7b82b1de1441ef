import equal from 'fast-deep-equal'
import * as yup from 'yup'
import type { Device } from '@/core/equipment'
import type { Installation, Placed } from '@/core/installation'
import { isRaw, type Problem } from './problem'
import { id, shape } from './schemaKit'
import { FRESH_COMMISSIONING } from './sections/commissioning'
import type { PlacedEntry } from './sections/gear'
import { JOB_VERSION, SECTIONS, type Job } from './sections/registry'
import type { Raw, Section } from './sections/section'
import { FRESH_SETUP } from './sections/setup/setupSchema'

/** The sections as one list, each seen as a section of anything. */
export const sections = Object.values(SECTIONS) as unknown as Section<object, { kind: string }, Job>[]

/** The job file's schema, put together from the sections; the published JSON Schema is derived from it. */
export const jobSchema = shape({
  format: yup.string().oneOf(['gatecross.job']).required(),
  version: yup.number().oneOf([JOB_VERSION]).defined(),
  id: id(),
  ...sections.reduce<yup.ObjectShape>((all, s) => ({ ...all, ...s.fields }), {}),
})

/** Lists of the document whose elements have a name of their own, by their place. */
export const NAMED_LISTS: ReadonlyMap<string, string> = new Map(
  sections.flatMap((s) => Object.entries(s.lists ?? {})),
)

/** Everything in a job that points at something which is not there, or a value that its place cannot take. */
export const referenceProblems = (job: Job): Problem[] => sections.flatMap((s) => s.references?.(job) ?? [])

/** The parts of a new job in which nothing has been entered yet. */
export const freshParts = (): Pick<Job, 'readings' | 'setup' | 'commissioning' | 'prices'> => ({
  readings: [],
  setup: FRESH_SETUP,
  commissioning: FRESH_COMMISSIONING,
  prices: {},
})

/** The version steps from one version of the document to the next, through every section in turn. */
function stepTo<K extends 'doc' | 'op'>(version: number, what: K, value: Raw): Raw {
  return sections.reduce((v, s) => s.steps?.[version]?.[what]?.(v) ?? v, value)
}

/**
 * A job of an older version as one of today's, step by step; today's is given back as it is, and so is what is no job:
 * checking is not done here.
 */
export function upgradeJob(value: unknown): unknown {
  if (!isRaw(value) || typeof value.version !== 'number' || !Number.isInteger(value.version)) return value
  if (value.version < 1) return value
  let job: Raw = value
  for (let v = value.version + 1; v <= JOB_VERSION; v++) job = { ...stepTo(v, 'doc', job), version: v }
  return job
}

/** A document that this code's own server or browser stored, in today's form. */
export const storedJob = (doc: unknown): Job => upgradeJob(doc) as Job

/** An operation that was made for an older version of the document, as one of today's. */
export function upgradeOperation(op: unknown, from: number): unknown {
  if (!isRaw(op)) return op
  if (op.kind === 'batch' && Array.isArray(op.ops))
    return { ...op, ops: op.ops.map((o: unknown) => upgradeOperation(o, from)) }
  let now: Raw = op
  for (let v = from + 1; v <= JOB_VERSION; v++) now = stepTo(v, 'op', now)
  return now
}

interface KnownPlaced {
  device: Device
  fresh: boolean
  looked: Placed['settings']
  placed: Placed
}
const placedOf = new WeakMap<PlacedEntry, KnownPlaced>()
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
  const list = job.placed.flatMap((p) => {
    const device = job.devices[p.device]
    return device ? [placed(job, p, device)] : []
  })
  if (known?.every((p, i) => p === list[i])) return known
  placedLists.set(job.placed, list)
  return list
}
const placedLists = new WeakMap<PlacedEntry[], Placed[]>()
/**
 * A device as the core sees it. What nobody has set, and nobody has read off it, stands at its default on a device that is
 * new from its box, and is taken to on one from an older file; on any other it is not known.
 */
function placed(job: Job, entry: PlacedEntry, device: Device): Placed {
  const fresh = job.commissioning.plates[entry.ref]?.newFromBox === true
  const looked = readOff(job, entry, device)
  const known = placedOf.get(entry)
  if (known && known.device === device && known.fresh === fresh && equal(known.looked, looked))
    return known.placed
  const { device: _, defaultAssumed, ...rest } = entry
  const made: Placed = { ...rest, device, settings: { ...looked, ...rest.settings } }
  if (!fresh) {
    if (defaultAssumed) made.defaultAssumed = true
    else made.settings = { ...Object.fromEntries(device.settings.map((s) => [s.id, null])), ...made.settings }
  }
  placedOf.set(entry, { device, fresh, looked, placed: made })
  return made
}

/** What was read off a device, left or found, for settings that nobody has set in the job. */
function readOff(job: Job, entry: PlacedEntry, device: Device): Placed['settings'] {
  const { keyed } = job.setup
  return Object.fromEntries(
    device.settings.flatMap((s) => {
      const key = `${entry.ref}.${s.id}`
      const note = s.id in entry.settings || !Object.hasOwn(keyed, key) ? undefined : keyed[key]
      const value = note?.left?.value ?? note?.found?.value
      return value === undefined ? [] : [[s.id, value] as const]
    }),
  )
}
