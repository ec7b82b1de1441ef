import {
  MOST_BYTES,
  MOST_DEVICE_BYTES,
  check,
  parseDevice,
  parseJob,
  pushSchema,
  readJson,
  upgradePush,
  type Checked,
  type PushRequest,
} from '@/jobfile'

/** How a request's body is read. */
export interface Reader<T> {
  /** Bytes that it may have. */
  most: number
  /** Bytes up to which it is read at once, since handing it to a thread takes longer. Making a job's schema takes longest. */
  small: number
  parse(text: string): Checked<T>
}

/**
 * Reads a text as JSON of a schema.
 * @param upgrade makes of an older version's value one of today's
 */
export const jsonOf =
  <T>(schema: Parameters<typeof check>[0], upgrade: (value: unknown) => unknown = (value) => value) =>
  (text: string): Checked<T> => {
    const read = readJson(text)
    return read.ok ? check<T>(schema, upgrade(read.value)) : read
  }

/** The readers of bodies that may be large. A large one is read in a thread, which knows its reader by this name. */
export const READERS = {
  job: { most: MOST_BYTES, small: 0, parse: parseJob },
  device: { most: MOST_DEVICE_BYTES, small: 0, parse: parseDevice },
  // Operations are small; a request larger than this is a mistake.
  edits: {
    most: 512 * 1024,
    small: 8 * 1024,
    parse: (text) => jsonOf<PushRequest>(pushSchema(), upgradePush)(text),
  },
} satisfies Record<string, Reader<unknown>>
export type ReaderName = keyof typeof READERS
/** Type of the value that a reader gives for a valid text. */
export type ReadBy<N extends ReaderName> = (typeof READERS)[N] extends Reader<infer T> ? T : never

export interface ReadTask {
  reader: ReaderName
  /** The text in UTF-8. */
  bytes: Uint8Array
}

/** Reads and checks a text. */
export const readText = ({ reader, bytes }: ReadTask): Checked<unknown> =>
  READERS[reader].parse(new TextDecoder().decode(bytes))
