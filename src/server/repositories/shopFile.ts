import isEqual from 'fast-deep-equal'
import { formatDevice, formatJob, shopText, storedJob, upgradeDevice, type ShopFile } from '@/jobfile'
import type { Device } from '@/core/equipment'
import type { Shop } from '../shop'
import { addDevice } from './devices'
import { freshJob } from './held'
import { createJob } from './jobs'

/** Jobs that are at hand at a time: a large shop is never in memory as a whole. */
const AT_ONCE = 50

/** Everything that a shop has as one file, piece by piece. */
export async function* shopFileOf(at: Shop): AsyncGenerator<string, undefined> {
  const { db, shop } = at
  const rows = await db.jobs.findAll({
    where: { shop, deletedAt: null },
    attributes: ['id'],
    order: [['id', 'ASC']],
  })
  const devices = await db.devices.findAll({ where: { shop }, order: [['id', 'ASC']] })
  const jobs: string[] = []
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
    for (const [i, { id }] of rows.entries()) {
      const held = await freshJob(at, id)
      if (held) jobs.push(`${i ? ',' : ''}${formatJob(held.doc)}`)
      if (jobs.length >= AT_ONCE) yield jobs.splice(0).join('')
    }
    yield jobs.join('')
  }
}
const JOBS = ' '

/** What became of a shop's file. */
export interface Imported {
  jobs: number
  devices: number
  /** What was here already, the same to the letter. */
  known: number
}

/** Imports a shop's file: what is here already stays, and what has a name that something else has gets a number. */
export async function importShop(at: Shop, file: ShopFile): Promise<Imported> {
  const { db, shop } = at
  const done: Imported = { jobs: 0, devices: 0, known: 0 }
  for (const device of file.devices) {
    const row = await db.devices.findOne({ where: { shop, id: device.id } })
    if (row && isEqual(upgradeDevice(row.doc), device)) done.known++
    else {
      await addDevice(at, device)
      done.devices++
    }
  }
  for (const job of file.jobs) {
    const held = await freshJob(at, job.id)
    if (held && isEqual(storedJob(held.doc), job)) done.known++
    else {
      await createJob(at, job, true)
      done.jobs++
    }
  }
  return done
}
