import type Piscina from 'piscina'
import { problem, type Checked } from '@/jobfile'
import { threadPool } from './pool'
import { READERS, readText, type ReadBy, type ReaderName, type ReadTask } from './readText'

/** ms that the reading of one text may take. */
const MOST_MS = 20_000
/** Bytes of large bodies that are held at a time, while they come in or wait to be read. */
const MOST_HELD = 128 * 1024 * 1024

interface Reading {
  pool: Piscina<ReadTask, Checked<unknown>>
  /** Bytes of large bodies. */
  held: number
}
const holder = globalThis as typeof globalThis & { gateCrossReading?: Reading | undefined }
const reading = (): Reading =>
  (holder.gateCrossReading ??= {
    // A single thread, so that a core stays free to answer requests.
    pool: threadPool<ReadTask, Checked<unknown>>('readText', 1),
    held: 0,
  })

/** There are as many large bodies as the server takes at a time: the same request may be sent again. */
export class TooMuchAtOnce extends Error {
  constructor() {
    super(`large requests of ${MOST_HELD / 1024 / 1024} MB are being read`)
  }
}

/**
 * Runs `act` while a body of some bytes is held.
 * @throws TooMuchAtOnce
 */
export async function holding<T>(bytes: number, act: () => Promise<T>): Promise<T> {
  const now = reading()
  if (now.held + bytes > MOST_HELD) throw new TooMuchAtOnce()
  now.held += bytes
  try {
    return await act()
  } finally {
    now.held -= bytes
  }
}

/**
 * Reads and checks a text in UTF-8; one that is not small in a thread, so that other requests are answered meanwhile. The
 * bytes go to the thread as they are, and are no longer here.
 */
export async function readAside<N extends ReaderName>(
  reader: N,
  bytes: Uint8Array<ArrayBuffer>,
): Promise<Checked<ReadBy<N>>> {
  const task = { reader, bytes }
  const read = bytes.length > READERS[reader].small ? await inThread(task, bytes.buffer) : readText(task)
  return read as Checked<ReadBy<N>>
}

async function inThread(task: ReadTask, buffer: ArrayBuffer): Promise<Checked<unknown>> {
  const signal = AbortSignal.timeout(MOST_MS)
  try {
    return await reading().pool.run(task, { signal, transferList: [buffer] })
  } catch (e) {
    if (!signal.aborted) throw e
    return { ok: false, problems: [problem('', `a text that is read within ${MOST_MS / 1000} s`, 'another')] }
  }
}

/** Ends the thread; the next large text starts a new one. */
export async function closeReading(): Promise<void> {
  const open = holder.gateCrossReading
  holder.gateCrossReading = undefined
  await open?.pool.close({ force: true })
}
