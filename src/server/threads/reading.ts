import type Piscina from 'piscina'
import type { Checked } from '@/jobfile'
import { threadPool } from './pool'
import { READERS, type ReadBy, type ReaderName, type ReadTask } from './readText'

/** Characters up to which a text is read at once: a thread would take longer to be told. */
const SMALL = 64 * 1024
/** ms that the reading of one text may take. */
const MOST_MS = 20_000
/** Large bodies that are held at a time, while they come in or wait to be read. */
const MOST_LARGE = 16

interface Reading {
  pool: Piscina<ReadTask, Checked<unknown>>
  large: number
}
const holder = globalThis as typeof globalThis & { gateCrossReading?: Reading | undefined }
const reading = (): Reading =>
  (holder.gateCrossReading ??= {
    // One thread: a core stays with whoever answers requests.
    pool: threadPool<ReadTask, Checked<unknown>>('readText', 1),
    large: 0,
  })

/** There are as many large bodies as the server takes at a time: the same request may be sent again. */
export class TooMuchAtOnce extends Error {
  constructor() {
    super(`${MOST_LARGE} large requests are being read`)
  }
}

/** Whether something of a length (bytes or characters) is read in a thread. */
export const isLarge = (length: number): boolean => length > SMALL

/**
 * Runs `act` while a large body is held.
 * @throws TooMuchAtOnce
 */
export async function holdingLarge<T>(act: () => Promise<T>): Promise<T> {
  const held = reading()
  if (held.large >= MOST_LARGE) throw new TooMuchAtOnce()
  held.large++
  try {
    return await act()
  } finally {
    held.large--
  }
}

/** Reads and checks a text; a large one in a thread, so that other requests are answered meanwhile. */
export async function readAside<N extends ReaderName>(reader: N, text: string): Promise<Checked<ReadBy<N>>> {
  const read = isLarge(text.length)
    ? await reading().pool.run({ reader, text }, { signal: AbortSignal.timeout(MOST_MS) })
    : READERS[reader].parse(text)
  return read as Checked<ReadBy<N>>
}

/** Ends the thread; the next large text starts a new one. */
export async function closeReading(): Promise<void> {
  const open = holder.gateCrossReading
  holder.gateCrossReading = undefined
  await open?.pool.close({ force: true })
}
