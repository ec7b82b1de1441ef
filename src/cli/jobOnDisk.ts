import { readdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { hasTrait, type Device, type Trait } from '@/core/equipment'
import {
  checkJob,
  cut,
  formatJob,
  MOST_BYTES,
  parseDevice,
  problem,
  readJson,
  type Checked,
  type Job,
} from '@/jobfile'

/** A job read from a file, and which devices the file itself carries; the others it names from the library. */
export interface JobOnDisk {
  job: Job
  carried: ReadonlySet<string>
}

const isName = (id: string): boolean => /^[a-z0-9][a-z0-9-]*$/i.test(id)

/** The text of a file; null where it cannot be read. */
export const textOf = (path: string): string | null => {
  try {
    return readFileSync(path, 'utf8')
  } catch {
    return null
  }
}

/** A device of the library by its id, or one in a file of its own (a path that ends in .json). */
export function findDevice(named: string, library: string): Checked<Device> {
  const text = named.endsWith('.json')
    ? textOf(named)
    : isName(named)
      ? textOf(join(library, `${named}.json`))
      : null
  if (text === null)
    return { ok: false, problems: [problem('device', 'a device of the library, or a device file', named)] }
  return parseDevice(text)
}

/** Every device of the library with a trait; what cannot be read is left out. */
export const libraryDevices = (library: string, trait: Trait): Device[] =>
  readdirSync(library)
    .filter((f) => f.endsWith('.json') && hasTraitIn(textOf(join(library, f)), trait))
    .flatMap((f) => {
      const found = findDevice(join(library, f), library)
      return found.ok ? [found.value] : []
    })

/** Asked before a file is checked whole, which takes a hundred times as long. */
function hasTraitIn(text: string | null, trait: Trait): boolean {
  try {
    return hasTrait(JSON.parse(text ?? '') as { kind: string }, trait)
  } catch {
    return false
  }
}

/** While a job is being written it may name library devices instead of carrying them: here they are filled in. */
function withLibrary(raw: unknown, library: string): { value: unknown; carried: Set<string> } {
  const job = raw as { devices?: Record<string, unknown>; placed?: { device?: unknown }[] } | null
  const carried = new Set(Object.keys(job?.devices ?? {}))
  if (!job || !Array.isArray(job.placed)) return { value: raw, carried }
  const devices: Record<string, unknown> = { ...job.devices }
  for (const { device } of job.placed) {
    if (typeof device !== 'string' || !isName(device) || carried.has(device)) continue
    const found = findDevice(device, library)
    if (found.ok) devices[device] = found.value
  }
  return { value: { ...job, devices }, carried }
}

export function readJobFile(path: string, library: string): Checked<JobOnDisk> {
  const text = textOf(path)
  if (text === null)
    return { ok: false, problems: [problem(path || 'FILE', 'a job file that can be read', 'none')] }
  const refused = (expected: string): Checked<never> => ({
    ok: false,
    problems: [problem(path, expected, cut(text, 20))],
  })
  if (text.length > MOST_BYTES) return refused(`at most ${MOST_BYTES / 1024 / 1024} MB`)
  const raw = readJson(text)
  if (!raw.ok) return raw
  const { value, carried } = withLibrary(raw.value, library)
  const job = checkJob(value)
  return job.ok ? { ok: true, value: { job: job.value, carried } } : job
}

/** Writes a job whole or not at all. A device that the file did not carry stays named where the library still has it. */
export function writeJobFile(path: string, { job, carried }: JobOnDisk, library: string): void {
  const named = (id: string): boolean => {
    const found = carried.has(id) ? null : findDevice(id, library)
    return found?.ok === true && JSON.stringify(found.value) === JSON.stringify(job.devices[id])
  }
  const devices = Object.fromEntries(Object.entries(job.devices).filter(([id]) => !named(id)))
  const mine = `${path}.${process.pid}`
  writeFileSync(mine, formatJob({ ...job, devices }))
  renameSync(mine, path)
}
