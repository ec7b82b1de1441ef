import { join } from 'node:path'
import Piscina from 'piscina'

/** MB of memory that one thread may take. */
export const MOST_MB = 512

/** Path of what the threads run: the build puts it beside the pages' bundle, `npm run dev` elsewhere. */
const workerFile = (): string =>
  process.env.GATE_CROSS_THREADS ?? join(process.cwd(), '.next', 'server', 'tasks.worker.cjs')

/** Threads that run one kind of task. */
export const threadPool = <Task, Result>(name: string, maxThreads: number): Piscina<Task, Result> =>
  new Piscina<Task, Result>({
    filename: workerFile(),
    name,
    minThreads: 1,
    maxThreads,
    idleTimeout: 30_000,
    resourceLimits: { maxOldGenerationSizeMb: MOST_MB },
  })
