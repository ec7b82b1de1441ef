import { Op, type Order, type WhereOptions } from 'sequelize'
import type { JobListEntry, JobListing, JobOrder, ListAsked, Shelf, Summary } from '@/jobfile'
import { ENGINE } from '../engine'
import type { JobRow } from '../models/job'
import type { Shop } from '../shop'
import { deletionOf } from './deletion'

/** The part of the list that a browser asks for. */
export interface Listed extends ListAsked {
  /** How many come before the first, and how many are wanted. */
  from: number
  most: number
}

const ORDER: Record<JobOrder, Order> = {
  // By what was last known: a line keeps its place while it is looked at.
  urgent: [['urgent', 'DESC'], ['updatedAt', 'DESC'], ['id', 'ASC']],
  newest: [['updatedAt', 'DESC'], ['id', 'ASC']],
  street: [['street', 'ASC'], ['id', 'ASC']],
} // prettier-ignore

const onShelf = ({ shop }: Shop, shelf: Shelf): WhereOptions<JobRow> =>
  shelf === 'deleted'
    ? { shop, deletedAt: { [Op.ne]: null } }
    : { shop, deletedAt: null, archivedAt: shelf === 'archived' ? { [Op.ne]: null } : null }

/** A part of the list, out of columns alone: no document is read, and nothing is proven. */
export async function listJobs(at: Shop, asked: Listed): Promise<JobListing> {
  const { db } = at
  const shelf = onShelf(at, asked.shelf)
  const isCurrent = { summaryVersion: { [Op.eq]: db.sequelize.col('version') }, engine: ENGINE }
  const where: WhereOptions<JobRow> = {
    [Op.and]: [
      shelf,
      ...words(asked.text).map((word) =>
        db.sequelize.literal(`search LIKE ${db.sequelize.escape(`%${word}%`)}`),
      ),
      ...(asked.state === 'all' ? [] : [{ ...isCurrent, states: { [Op.contains]: [asked.state] } }]),
    ],
  }
  const [rows, found, all, needYou] = await Promise.all([
    db.jobs.findAll({
      where,
      attributes: { exclude: ['doc', 'shop', 'states'] },
      order: ORDER[asked.order],
      offset: asked.from,
      limit: asked.most,
    }),
    db.jobs.count({ where }),
    db.jobs.count({ where: shelf }),
    db.jobs.count({ where: { [Op.and]: [shelf, isCurrent, { urgent: true }] } }),
  ])
  return { jobs: rows.map(entryOf), found, all, needYou }
}

/** The words of a search, escaped so that the signs of LIKE mean themselves. */
const words = (text: string): string[] =>
  text
    .toLowerCase()
    .split(/\s+/)
    .filter(Boolean)
    .slice(0, 8)
    .map((word) => word.replace(/[\\%_]/g, '\\$&'))

type Standing = Pick<JobRow, 'summary' | 'summaryVersion' | 'version' | 'engine'>

function entryOf(row: JobRow): JobListEntry {
  const { id, title, address, owner, note, version } = row
  const deleted = deletionOf(row)
  return {
    id,
    title,
    address,
    owner,
    note,
    version,
    updatedAt: row.updatedAt.toISOString(),
    summary: currentOf(row),
    ...(deleted ? { deleted } : {}),
  }
}

/** The summary of a row's proof; null where the row has changed since, or other rules proved it. */
export const currentOf = ({ summary, summaryVersion, version, engine }: Standing): Summary | null =>
  summaryVersion === version && engine === ENGINE ? summary : null
