import { E_TIMEOUT, Mutex, withTimeout, type MutexInterface } from 'async-mutex'
import type { Transaction } from 'sequelize'
import type { Database } from './database'

/** ms: how long a statement waits for a row that somebody else holds, and how long it may run. */
const LOCK_MS = 2_000
const STATEMENT_MS = 10_000
/** ms: how long a transaction may stand still, and a request wait for its turn at one thing. */
const IDLE_MS = 15_000
const TURN_MS = 8_000

/**
 * A transaction that gives up: one row that is stuck must not keep a connection from everybody else. The limits are set
 * for the transaction alone, so that a pooler between app and database may share its connections.
 */
export const inTransaction = <T>(db: Database, work: (transaction: Transaction) => Promise<T>): Promise<T> =>
  db.sequelize.transaction(async (transaction) => {
    await db.sequelize.query(
      `SET LOCAL lock_timeout = ${LOCK_MS}; SET LOCAL statement_timeout = ${STATEMENT_MS}; SET LOCAL idle_in_transaction_session_timeout = ${IDLE_MS}`,
      { transaction },
    )
    return work(transaction)
  })

/** The wait for a turn was too long: somebody is still at it. */
export class TurnTimeout extends Error {
  constructor(at: string) {
    super(`no turn at ${at} within ${TURN_MS} ms`)
  }
}

const turns = new Map<string, MutexInterface>()

/**
 * Does one thing after the other where they are about the same; what waits holds no connection. The order is this server's
 * own affair: another server's turn is settled by the row's lock.
 * @throws TurnTimeout when its turn does not come
 */
export async function inTurn<T>(name: string, work: () => Promise<T>): Promise<T> {
  const turn = turns.get(name) ?? withTimeout(new Mutex(), TURN_MS)
  turns.set(name, turn)
  try {
    return await turn.runExclusive(work)
  } catch (e) {
    throw e === E_TIMEOUT ? new TurnTimeout(name) : e
  } finally {
    if (!turn.isLocked()) turns.delete(name)
  }
}
