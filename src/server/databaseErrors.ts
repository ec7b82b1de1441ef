import {
  BaseError,
  ConnectionAcquireTimeoutError,
  ConnectionError,
  DatabaseError,
  TimeoutError,
  ValidationError,
} from 'sequelize'
import { problem, type Problem } from '@/jobfile'
import { POOL } from './database'
import { TooMuchAtOnce } from './threads/reading'
import { TurnTimeout } from './transaction'

/** PostgreSQL's codes for a lock or statement that took too long, and for a deadlock. */
const TOOK_TOO_LONG = new Set(['55P03', '57014', '25P03', '40001', '40P01'])
/** Beginnings of its codes for a connection that is lost, for no room now, and for a server that goes down. */
const AWAY = ['08', '53', '57P', '58']
/** And for a value that it does not take: out of range, or against what it holds together. */
const UNFIT = ['22', '23']

/** PostgreSQL's code of an error; null where it gave no answer. */
function codeOf(e: unknown): string | null {
  const { original } = e as { original?: { code?: string } }
  const code = original?.code ?? null
  return code !== null && /^[0-9A-Z]{5}$/.test(code) ? code : null
}

/** The problem to report where the same request may be sent again later; null for any other error. */
export function awayProblem(e: unknown): Problem | null {
  if (e instanceof TooMuchAtOnce) return problem('the server', `room for it; ${e.message}`)
  const code = codeOf(e)
  if (e instanceof TurnTimeout || (code !== null && TOOK_TOO_LONG.has(code)))
    return problem('database', 'the row to be free; somebody else’s save still holds it')
  if (e instanceof ConnectionAcquireTimeoutError)
    return problem('database', `a free connection; all ${POOL} are in use`)
  // A question to which no code came back was never answered.
  const isUnanswered =
    e instanceof BaseError &&
    !(e instanceof ValidationError) &&
    (code === null || AWAY.some((c) => code.startsWith(c)))
  const { code: own } = e as { code?: string }
  if (isUnanswered || e instanceof ConnectionError || e instanceof TimeoutError || own === 'ECONNREFUSED')
    return problem('database', 'an answer; it is not reachable just now')
  return null
}

/** Why the database does not take a value, however often it is sent; null for any other error. */
export function unfitProblem(e: unknown): Problem | null {
  const code = codeOf(e)
  if (!(e instanceof DatabaseError || e instanceof ValidationError) || code === null) return null
  return UNFIT.some((c) => code.startsWith(c))
    ? problem('the database', `a value that it takes; ${e.message} (${code})`)
    : null
}
