import { listening } from './changes'
import type { Database } from './database'
import { proofsWaiting } from './threads/proofs'

/** How the server stands. */
export interface Health {
  ok: true
  /** Names the rules and words of this build. */
  engine: string
  /** ms that the database took to answer. */
  databaseMs: number
  /** Database connections that are open, and requests that wait for one. */
  connections: { open: number; waiting: number }
  /** Proofs that are under way or wait for a thread. */
  proofs: number
  /** Browsers that hear of changes from this server. */
  listening: number
}

/** Counts of Sequelize's connection pool, which its types leave out. */
interface Pool {
  size: number
  waiting?: number
}

/** Asks the database, and says what stands in line. */
export async function healthOf({ sequelize }: Database): Promise<Health> {
  const start = performance.now()
  await sequelize.query('SELECT 1')
  const { pool } = sequelize.connectionManager as unknown as { pool: Pool }
  return {
    ok: true,
    engine: process.env.GATE_CROSS_ENGINE ?? '',
    databaseMs: Math.round(10 * (performance.now() - start)) / 10,
    connections: { open: pool.size, waiting: pool.waiting ?? 0 },
    proofs: proofsWaiting(),
    listening: listening(),
  }
}
