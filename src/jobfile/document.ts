import equal from 'fast-deep-equal'
import * as yup from 'yup'
import type { Device } from '@/core/equipment'
import { settingValue, type Installation, type Placed } from '@/core/installation'
import { isRaw, type Problem } from './problem'
import { id, once, shape } from './schemaKit'
import { FRESH_COMMISSIONING } from './sections/commissioning'
import type { PlacedEntry } from './sections/gear'
import { FRESH_HOUSE } from './sections/house'
import { JOB_VERSION, SECTIONS, type Job } from './sections/registry'
import type { Raw, Section } from './sections/section'
import { FRESH_PROGRESS } from '@/core/startup'
import { FRESH_SETUP } from './sections/setup/setupSchema'

/** The sections as one list, each seen as a section of anything. */
export const sections = Object.values(SECTIONS) as unknown as Section<object, { kind: string }, Job>[]

/** The job file's schema, put together from the sections; the published JSON Schema is derived from it. */
export const jobSchema = once(() =>
  shape({
    format: yup.string().oneOf(['gatecross.job']).required(),
    version: yup.number().oneOf([JOB_VERSION]).defined(),
    id: id(),
    ...sections.reduce<yup.ObjectShape>((all, s) => ({ ...all, ...s.fields() }), {}),
  }),
)

/** Lists of the document whose elements have a name of their own, by their place. */
export const NAMED_LISTS: ReadonlyMap<string, string> = new Map(
  sections.flatMap((s) => Object.entries(s.lists ?? {})),
)

/** Everything in a job that points at something which is not there, or a value that its place cannot take. */
export const referenceProblems = (job: Job): Problem[] => sections.flatMap((s) => s.references?.(job) ?? [])

/** The parts of a new job in which nothing has been entered yet. */
export const freshParts = (): Pick<
  Job,
  'readings' | 'setup' | 'commissioning' | 'house' | 'prices' | 'startup'
> => ({
  readings: [],
  setup: FRESH_SETUP,
  commissioning: FRESH_COMMISSIONING,
  house: FRESH_HOUSE,
  prices: {},
  startup: FRESH_PROGRESS,
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

/**
 * The installation that the core computes with.
 * @param before that of the job a moment ago: what has not changed stays the same object, and where nothing of the wiring
 * has, so does the whole
 */
export function installationOf(job: Job, before?: Installation): Installation {
  const placed = placedList(job, before?.placed ?? [])
  const { cables, wires } = job
  const isSame = before?.placed === placed && before.cables === cables && before.wires === wires
  return isSame ? before : { placed, cables, wires }
}

/** The same devices with the same settings give the same list, however often a wire is moved. */
function placedList(job: Job, before: Placed[]): Placed[] {
  const list = job.placed.flatMap((p) => {
    const device = job.devices[p.device]
    if (!device) return []
    const made = placed(job, p, device)
    const known = before.find((b) => b.ref === p.ref)
    return [known && isSamePlaced(known, made) ? known : made]
  })
  return list.length === before.length && list.every((p, i) => p === before[i]) ? before : list
}

function isSamePlaced({ device, ...a }: Placed, { device: other, ...b }: Placed): boolean {
  return device === other && equal(a, b)
}

/**
 * A device as the core sees it. What nobody has set, and nobody has read off it, is at its factory default on a device that is
 * new from its box, and is taken to on one from an older file; on any other it is not known.
 */
function placed(job: Job, entry: PlacedEntry, device: Device): Placed {
  const { newFromBox, model } = job.commissioning.plates[entry.ref] ?? {}
  const fresh = newFromBox === true
  const { device: _, defaultAssumed, ...rest } = entry
  const made: Placed = { ...rest, device, settings: { ...readOff(job, entry, device), ...rest.settings } }
  if (model) made.model = model
  if (!fresh) {
    if (defaultAssumed) made.defaultAssumed = true
    else made.settings = { ...Object.fromEntries(device.settings.map((s) => [s.id, null])), ...made.settings }
  }
  return configured(made)
}

/** With each configurable terminal as what it is set to. */
function configured(placed: Placed): Placed {
  const { device } = placed
  if (!device.terminals.some((t) => t.roleBy)) return placed
  const terminals = device.terminals.map((t) => {
    const value = t.roleBy && String(settingValue(placed, t.roleBy.set))
    const roles = t.roleBy?.roles ?? {}
    return value !== undefined && Object.hasOwn(roles, value) ? { ...t, role: roles[value] ?? t.role } : t
  })
  return { ...placed, device: { ...device, terminals } }
}

/** Values read off a device, left or found, for settings that nobody has set in the job. */
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
