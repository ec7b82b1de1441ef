import type { Device } from '@/core/equipment'
import { checkDevice } from './deviceFile'
import { checkJob } from './file'
import { readJson } from './jsonText'
import { isRaw, problem, type Checked, type Problem } from './problem'
import type { Job } from './sections/registry'

/** The largest file of a whole shop that is read, bytes; and the most jobs and devices in it. */
export const MOST_SHOP_BYTES = 48 * 1024 * 1024
const MOST_JOBS = 5000
/** Wrong places that are named of all that may be wrong. */
const MOST_PROBLEMS = 20
const VERSION = 1

/** Everything that a shop has: its jobs, and the devices of its own. */
export interface ShopFile {
  format: 'gatecross.shop'
  version: typeof VERSION
  jobs: Job[]
  devices: Device[]
}

/** Reads the text of a shop's file: the whole of it is right, or the wrong places are named. */
export function parseShop(text: string): Checked<ShopFile> {
  const read = readJson(text)
  if (!read.ok) return read
  const { value } = read
  if (!isRaw(value) || value.format !== 'gatecross.shop')
    return wrong(problem('format', '"gatecross.shop"', isRaw(value) ? value.format : value))
  if (value.version !== VERSION)
    return wrong(problem('version', `${VERSION}: another Gate Cross wrote it`, value.version))
  const strange = Object.keys(value).find((k) => !['format', 'version', 'jobs', 'devices'].includes(k))
  if (strange !== undefined) return wrong(problem('', `no field named ${strange}`))
  const jobs = each('jobs', value.jobs, checkJob)
  const devices = each('devices', value.devices, checkDevice)
  const problems = [jobs, devices].flatMap((l) => (l.ok ? [] : l.problems))
  if (!jobs.ok || !devices.ok) return { ok: false, problems: problems.slice(0, MOST_PROBLEMS) }
  return {
    ok: true,
    value: { format: 'gatecross.shop', version: VERSION, jobs: jobs.value, devices: devices.value },
  }
}

const wrong = (p: Problem) => ({ ok: false as const, problems: [p] })

function each<T>(name: string, list: unknown, checkOne: (value: unknown) => Checked<T>): Checked<T[]> {
  if (!Array.isArray(list)) return wrong(problem(name, 'a list', list))
  if (list.length > MOST_JOBS) return wrong(problem(name, `at most ${MOST_JOBS} of them`, list.length))
  const found: T[] = []
  const problems: Problem[] = []
  for (const [i, value] of list.entries()) {
    const checked = checkOne(value)
    if (checked.ok) found.push(checked.value)
    else
      problems.push(
        ...checked.problems.map((p) => ({ ...p, path: `${name}[${i}]${p.path && `.${p.path}`}` })),
      )
    if (problems.length >= MOST_PROBLEMS) break
  }
  return problems.length ? { ok: false, problems } : { ok: true, value: found }
}

/** The file, piece by piece, so that a large shop is never one text. */
export function* shopText(jobs: Iterable<string>, devices: Iterable<string>): Generator<string> {
  yield `{\n"format": "gatecross.shop",\n"version": ${VERSION},\n"jobs": [\n`
  yield* separated(jobs)
  yield '],\n"devices": [\n'
  yield* separated(devices)
  yield ']\n}\n'
}

function* separated(texts: Iterable<string>): Generator<string> {
  let isFirst = true
  for (const text of texts) {
    yield isFirst ? text : `,${text}`
    isFirst = false
  }
}
