import { Client } from 'pg'
import { QueryTypes, type Transaction } from 'sequelize'
import { log } from './log'
import type { Shop } from './shop'

/** The channel on which servers of one database tell each other, through it, that a job has moved on. */
const CHANNEL = 'gate_cross_jobs'

/** What is told of a job that moved on, or stands elsewhere. */
interface JobChange {
  id: string
  version: number
  /** It was archived, deleted or restored: its revision is the same. */
  moved?: boolean
}
/** The same with whose it is. */
type Told = JobChange & { shop: string }

/** Tells every server, when the transaction is done, that a job has moved on. */
export async function tellChange(
  { db, shop }: Shop,
  change: JobChange,
  transaction: Transaction,
): Promise<void> {
  await db.sequelize.query('SELECT pg_notify(:channel, :text)', {
    replacements: { channel: CHANNEL, text: JSON.stringify({ shop, ...change }) },
    type: QueryTypes.SELECT,
    transaction,
  })
}

type Listener = (told: Told | null) => void

/** ms: the first pause before the line to the database is opened again, and the longest. */
const PAUSE = { first: 250, most: 10_000 }

/**
 * This server's own line to the database, on which it hears of changes; a pooler that shares its connections must be gone
 * round, so it may have an address of its own (`DATABASE_DIRECT_URL`). It is opened for the first listener and closed after
 * the last.
 */
class Line {
  readonly listeners = new Set<Listener>()
  private client: Client | null = null
  private pause = PAUSE.first
  private timer: ReturnType<typeof setTimeout> | null = null

  listen(listener: Listener): () => void {
    this.listeners.add(listener)
    if (!this.client && !this.timer) void this.connect()
    return () => {
      this.listeners.delete(listener)
      if (this.listeners.size === 0) this.close()
    }
  }

  private async connect(): Promise<void> {
    const client = new Client({
      connectionString: process.env.DATABASE_DIRECT_URL ?? process.env.DATABASE_URL ?? '',
      connectionTimeoutMillis: 5_000,
      keepAlive: true,
    })
    this.client = client
    client.on('notification', ({ payload }) => this.tell(JSON.parse(payload ?? 'null') as Told | null))
    client.on('error', (e) => this.again(client, e))
    client.on('end', () => this.again(client, null))
    try {
      await client.connect()
      await client.query(`LISTEN ${CHANNEL}`)
      this.pause = PAUSE.first
      // What happened while nobody listened was not heard.
      this.tell(null)
    } catch (e) {
      this.again(client, e as Error)
    }
  }

  private tell(told: Told | null): void {
    for (const listener of this.listeners) listener(told)
  }

  private again(client: Client, why: Error | null): void {
    if (this.client !== client) return
    this.client = null
    void client.end().catch(() => undefined)
    if (why) log.warn({ why: why.message }, 'the line on which changes are heard is down')
    if (this.listeners.size === 0) return
    this.timer = setTimeout(() => {
      this.timer = null
      void this.connect()
    }, this.pause)
    this.pause = Math.min(2 * this.pause, PAUSE.most)
  }

  private close(): void {
    const { client } = this
    this.client = null
    if (this.timer) clearTimeout(this.timer)
    this.timer = null
    void client?.end().catch(() => undefined)
  }
}

const holder = globalThis as typeof globalThis & { gateCrossLine?: Line }
const line = (): Line => (holder.gateCrossLine ??= new Line())

/** Browsers that hear of changes from this server. */
export const listening = (): number => holder.gateCrossLine?.listeners.size ?? 0

/** ms between two signs of life on a stream on which nothing happens: what stands between closes one that is silent. */
const BEAT_MS = 20_000

/** A stream of what changes, for as long as the request lives. null tells that some may have been missed. */
export function changeStream({ shop }: Shop, signal: AbortSignal): ReadableStream<Uint8Array> {
  const encoder = new TextEncoder()
  let stop: () => void = () => undefined
  return new ReadableStream<Uint8Array>({
    start(controller) {
      const send = (text: string) => {
        try {
          controller.enqueue(encoder.encode(text))
        } catch {
          stop()
        }
      }
      const unlisten = line().listen((told) => {
        if (told && told.shop !== shop) return
        const { id, version, moved } = told ?? { id: null, version: 0 }
        send(`data: ${JSON.stringify({ id, version, moved })}\n\n`)
      })
      const beat = setInterval(() => send(': here\n\n'), BEAT_MS)
      stop = () => {
        clearInterval(beat)
        unlisten()
        stop = () => undefined
        try {
          controller.close()
        } catch {
          // The reader has closed it already.
        }
      }
      signal.addEventListener('abort', () => stop())
      send('retry: 2000\n: here\n\n')
    },
    cancel: () => stop(),
  })
}
