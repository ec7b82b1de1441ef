import isEqual from 'fast-deep-equal'
import { Semaphore } from 'async-mutex'
import {
  formatDevice,
  problem,
  ShopFileError,
  shopItems,
  shopText,
  storedJob,
  upgradeDevice,
  type Imported,
  type Job,
  type ShopItem,
  type ShopReport,
} from '@/jobfile'
import type { Device } from '@/core/equipment'
import type { Shop } from '../shop'
import { readAside } from '../threads/reading'
import { addDevice, allDevices } from './devices'
import { freshJob } from './jobCache'
import { createJob, namesLike } from './jobs'

/** Exports take turns by the job: thirty at once leave the database's connections to everybody else. */
const turn = new Semaphore(1)

/** Everything that a shop has as one file, piece by piece: a large shop is never in memory as a whole. */
export async function* shopFileOf(at: Shop): AsyncGenerator<string, undefined> {
  const { db, shop } = at
  const rows = await db.jobs.findAll({
    where: { shop, deletedAt: null },
    attributes: ['id'],
    order: [['id', 'ASC']],
  })
  const devices = await db.devices.findAll({ where: { shop }, order: [['id', 'ASC']] })
  // The pieces of the text around them are the file's own affair; each job is one of them.
  const pieces = shopText(
    [JOBS],
    devices.map((d) => formatDevice(upgradeDevice(d.doc) as Device)),
  )
  for (const piece of pieces) {
    if (piece !== JOBS) {
      yield piece
      continue
    }
    let comma = ''
    for (const { id } of rows) {
      const text = await turn.runExclusive(async () => {
        const held = await freshJob(at, id)
        return held && JSON.stringify(held.doc)
      })
      if (text !== null) yield `${comma}${text}`
      if (text !== null) comma = ','
    }
  }
}
const JOBS = ' '

/** Wrong items that are named of one file: what has so many is no shop's file. */
const MOST_WRONG = 100

/**
 * Imports a shop's file while it comes, item by item: a bad item affects no other, and what was imported before a
 * break stays and is known the next time.
 * @param copies what has the name of something else here is imported under a name with a number
 */
export async function importShop(
  at: Shop,
  chunks: AsyncIterable<Uint8Array>,
  copies: boolean,
): Promise<ShopReport> {
  const items: Imported[] = []
  let wrong = 0
  try {
    for await (const item of shopItems(chunks)) {
      const { list, index } = item
      const became = await importItem(at, item, copies)
      items.push({ list, index, ...became })
      if (became.outcome === 'refused' && ++wrong === MOST_WRONG)
        return { items, problem: problem(`${list}[${index}]`, `fewer than ${MOST_WRONG} wrong items`) }
    }
  } catch (e) {
    if (!(e instanceof ShopFileError)) throw e
    return { items, problem: e.problem }
  }
  return { items, problem: null }
}

type Outcome = Omit<Imported, 'list' | 'index'>

async function importItem(at: Shop, { list, text }: ShopItem, copies: boolean): Promise<Outcome> {
  const read = await readAside(list === 'jobs' ? 'job' : 'device', new TextEncoder().encode(text))
  if (!read.ok) return { id: '', outcome: 'refused', problems: read.problems }
  return list === 'jobs'
    ? importJob(at, read.value as Job, copies)
    : importDevice(at, read.value as Device, copies)
}

async function importJob(at: Shop, job: Job, copies: boolean): Promise<Outcome> {
  const names = await namesLike(at, job.id)
  if (names.includes(job.id)) {
    const known = await whoseIs(at, names, job)
    if (known || !copies) {
      const id = known ?? job.id
      const isDeleted = (await freshJob(at, id))?.deleted
      return { id, outcome: isDeleted ? 'deleted' : known ? 'known' : 'differs' }
    }
  }
  const made = await createJob(at, job, copies)
  return made.ok ? { id: made.id, outcome: 'imported' } : { id: job.id, outcome: 'differs' }
}

/** The one of some jobs that is the same as another, its name aside; null: none is. */
async function whoseIs(at: Shop, names: readonly string[], job: Job): Promise<string | null> {
  for (const id of names) {
    const held = await freshJob(at, id)
    if (held && isEqual(storedJob({ ...held.doc, id: job.id }), job)) return id
  }
  return null
}

async function importDevice(at: Shop, device: Device, copies: boolean): Promise<Outcome> {
  const { id } = device
  const { devices } = await allDevices(at)
  const same = devices.find((d) => isEqual({ ...d, id }, device))
  if (same) return { id: same.id, outcome: 'known' }
  if (!copies && devices.some((d) => d.id === id)) return { id, outcome: 'differs' }
  return { id: (await addDevice(at, device)).id, outcome: 'imported' }
}
