import { availableParallelism } from 'node:os'
import { Semaphore } from 'async-mutex'
import type Piscina from 'piscina'
import { log } from '../log'
import { MOST_MB, threadPool } from './pool'
import type { ProofTask, ProvenJob } from './proveJob'

/** ms that a proof may take on the server: the budget of states keeps nearly every one far below. */
const MOST_MS = 20_000

const holder = globalThis as typeof globalThis & { gateCrossProofs?: Proofs | undefined }
interface Proofs {
  pool: Piscina<ProofTask, ProvenJob>
  /** A permit for each thread: the time limit of a proof begins when it starts, not while it waits. */
  turns: Semaphore
  /** The one that is being worked out for a job's revision: who asks meanwhile waits for the same. */
  underWay: Map<string, Promise<ProvenJob>>
}

/** A core stays free to answer requests. */
const THREADS = Math.max(1, Math.min(4, availableParallelism() - 1))

function proofs(): Proofs {
  return (holder.gateCrossProofs ??= {
    pool: threadPool<ProofTask, ProvenJob>('proveJob', THREADS),
    turns: new Semaphore(THREADS),
    underWay: new Map(),
  })
}

/**
 * Proves a job in a thread of its own, so that requests are answered meanwhile. One that takes too long or too much
 * is given up, and says so: it takes neither the server nor its neighbours along.
 * @param id the job's
 */
export function provenAside(id: string, task: ProofTask, mostMs = MOST_MS): Promise<ProvenJob> {
  const { pool, turns, underWay } = proofs()
  const key = `${id} ${task.version}`
  const known = underWay.get(key)
  if (known) return known
  const made = turns
    .runExclusive(() => pool.run(task, { signal: AbortSignal.timeout(mostMs) }))
    .catch((e: unknown) => givenUp(task, e instanceof Error ? e : new Error(String(e)), mostMs))
    .finally(() => underWay.delete(key))
  underWay.set(key, made)
  return made
}

/** Proofs that are under way or wait for a thread. */
export const proofsWaiting = (): number => holder.gateCrossProofs?.underWay.size ?? 0

/** Ends the threads; the next proof starts new ones. */
export async function closeProofs(): Promise<void> {
  const open = holder.gateCrossProofs
  holder.gateCrossProofs = undefined
  await open?.pool.close({ force: true })
}

function givenUp({ version, engine }: ProofTask, e: Error, mostMs: number): ProvenJob {
  log.error({ why: e.message }, 'proof given up')
  const why =
    e.name === 'AbortError'
      ? `it took longer than ${mostMs / 1000} s`
      : (e as { code?: string }).code === 'ERR_WORKER_OUT_OF_MEMORY'
        ? `it took more than ${MOST_MB} MB`
        : 'Gate Cross itself failed on it'
  const summary = {
    version,
    engine,
    verdict: `Not proven: ${why}. Open the job for what makes it so large.`,
    broken: 0,
    undecided: 1,
    states: 0,
    readings: 0,
    wrongReadings: 0,
    toPutBack: 0,
    run: null,
  }
  return { summary, wiring: null }
}
