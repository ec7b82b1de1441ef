import { Client } from 'pg'
import { QueryTypes, type Transaction } from 'sequelize'
import { log } from './log'
import type { Shop } from './shop'

/** The channel on which servers of one database tell each other, through it, that a job has moved on. */
const CHANNEL = 'gate_cross_jobs'

/** Notice of a job that has a new revision, or was archived, deleted or restored. */
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

/** Bytes for the browsers of a shop, encoded once for all of them. */
type Message = Uint8Array<ArrayBuffer>
type Listener = (byShop: ReadonlyMap<string, Message>, missed: boolean) => void

const encoder = new TextEncoder()
const messageOf = (changes: readonly { id: string | null; version: number; moved?: boolean }[]): Message =>
  encoder.encode(
    changes.map(({ id, version, moved }) => `data: ${JSON.stringify({ id, version, moved })}\n\n`).join(''),
  )
/** Some changes may have gone by unheard. */
const MISSED = messageOf([{ id: null, version: 0 }])

/** ms for which changes are gathered: with hundreds of browsers each message costs more than a save. */
const GATHER_MS = 100

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
  /** The newest of each job's changes since browsers were last told, by shop and job; null: some may have gone by. */
  private gathered: Map<string, Told> | null = new Map()
  private gathering: ReturnType<typeof setTimeout> | null = null
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
      // Changes from before the connection were not heard.
      this.tell(null)
    } catch (e) {
      this.again(client, e as Error)
    }
  }

  private tell(told: Told | null): void {
    if (told === null) this.gathered = null
    const key = told && `${told.shop} ${told.id}`
    if (told && key && this.gathered) {
      const before = this.gathered.get(key)
      const moved = told.moved || before?.moved
      this.gathered.set(key, {
        ...told,
        version: Math.max(told.version, before?.version ?? 0),
        ...(moved ? { moved } : {}),
      })
    }
    this.gathering ??= setTimeout(() => {
      this.gathering = null
      const { gathered } = this
      this.gathered = new Map()
      const shops = new Map<string, Told[]>()
      for (const change of gathered?.values() ?? [])
        shops.set(change.shop, [...(shops.get(change.shop) ?? []), change])
      const byShop = new Map([...shops].map(([shop, changes]) => [shop, messageOf(changes)]))
      for (const listener of this.listeners) listener(byShop, gathered === null)
    }, GATHER_MS)
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

/**
 * A stream of what changes, for as long as the request lives. To a browser that does not read nothing more is sent until it
 * does: then it is told that it may have missed some.
 */
export function changeStream({ shop }: Shop, signal: AbortSignal): ReadableStream<Uint8Array> {
  let stop: () => void = () => undefined
  let isBehind = false
  return new ReadableStream<Uint8Array>(
    {
      start(controller) {
        const send = (message: Message) => {
          if ((controller.desiredSize ?? 0) <= 0) isBehind = true
          else controller.enqueue(message)
        }
        const unlisten = line().listen((byShop, missed) => {
          const message = missed ? MISSED : byShop.get(shop)
          if (message) send(message)
        })
        const beat = setInterval(() => send(HERE), BEAT_MS)
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
        controller.enqueue(encoder.encode('retry: 2000\n: here\n\n'))
      },
      pull(controller) {
        if (!isBehind) return
        isBehind = false
        controller.enqueue(MISSED)
      },
      cancel: () => stop(),
    },
    new CountQueuingStrategy({ highWaterMark: MOST_UNREAD }),
  )
}
const HERE = encoder.encode(': here\n\n')
/** Messages that wait for a browser to read them. */
const MOST_UNREAD = 16
