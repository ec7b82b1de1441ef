import { Sequelize } from 'sequelize'
import { defineJob, type JobRow } from './models/job'
import { defineJobOp, type JobOpRow } from './models/jobOp'
import { defineJobSnapshot, type JobSnapshotRow } from './models/jobSnapshot'
import { defineLibraryDevice, type LibraryDeviceRow } from './models/libraryDevice'
import { defineReading, type ReadingRow } from './models/reading'

/** The connection and its models, kept together: pages and route handlers load this module separately. */
export interface Database {
  sequelize: Sequelize
  jobs: typeof JobRow
  ops: typeof JobOpRow
  snapshots: typeof JobSnapshotRow
  readings: typeof ReadingRow
  devices: typeof LibraryDeviceRow
}

const holder = globalThis as typeof globalThis & { gateCrossDatabase?: Database }

/** The database named by DATABASE_URL. Connecting happens with the first query. */
export function database(): Database {
  if (!holder.gateCrossDatabase) {
    const url = process.env.DATABASE_URL
    if (!url) throw new Error('DATABASE_URL is not set: start the app with "npm run demo"')
    holder.gateCrossDatabase = connect(url)
  }
  return holder.gateCrossDatabase
}

/** Connections that one server holds at most. */
export const POOL = 8

export function connect(url: string): Database {
  const sequelize = new Sequelize(url, {
    dialect: 'postgres',
    logging: false,
    pool: { max: POOL, idle: 10_000, acquire: 8_000 },
    retry: { max: 1 },
    // ms, held by this side alone: a database that takes the question and never answers is one that is away.
    dialectOptions: { connectionTimeoutMillis: 5_000, query_timeout: 15_000 },
  })
  return {
    sequelize,
    jobs: defineJob(sequelize),
    ops: defineJobOp(sequelize),
    snapshots: defineJobSnapshot(sequelize),
    readings: defineReading(sequelize),
    devices: defineLibraryDevice(sequelize),
  }
}
