import { TokenParser, Tokenizer, TokenType, type ParsedTokenInfo } from '@streamparser/json'
import { LIMITS } from './check'
import { MOST_BYTES } from './file'
import { problem, show, type Problem } from './problem'

const FORMAT = 'gatecross.shop'
const VERSION = 1
/** The lists of a shop's file: its jobs, and the devices of its own. */
const SHOP_LISTS = ['jobs', 'devices'] as const
type ShopList = (typeof SHOP_LISTS)[number]

/** A job or a device of a shop's file, not read yet. */
export interface ShopItem {
  list: ShopList
  /** Its place in the list, from 0. */
  index: number
  /** Its JSON. */
  text: string
}

/** Result of importing an item of a shop's file. */
export interface Imported {
  list: ShopList
  index: number
  /** The name in the shop; the name in the file where it was not imported; empty where it has none. */
  id: string
  /**
   * `known`: the same is here already. `differs`: another of that name is here, and no copy was asked for. `deleted`: it is
   * among the deleted jobs. `refused`: it is wrong at `problems`.
   */
  outcome: 'imported' | 'known' | 'differs' | 'deleted' | 'refused'
  problems?: Problem[]
}

/** Results of importing a shop's file, item by item, as far as it could be read. */
export interface ShopReport {
  items: Imported[]
  /** The place where the file itself is wrong; the rest of it was not read. */
  problem: Problem | null
}

/** A shop's file that cannot be read on. */
export class ShopFileError extends Error {
  constructor(readonly problem: Problem) {
    super(problem.expected)
  }
}
const stop = (path: string, expected: string, got?: unknown): never => {
  throw new ShopFileError(problem(path, expected, got))
}

const isList = (name: unknown): name is ShopList => (SHOP_LISTS as readonly unknown[]).includes(name)

/**
 * Splits a shop's file into its jobs and devices while its bytes come, so that a large shop is never in memory as a whole.
 * No item is read here: each is text, at most `MOST_BYTES` characters long.
 * @throws ShopFileError where the file is no shop's file, or breaks off
 */
export async function* shopItems(chunks: AsyncIterable<Uint8Array>): AsyncGenerator<ShopItem, undefined> {
  const splitter = new Splitter()
  for await (const chunk of chunks) {
    let wrong: Error | null = null
    try {
      splitter.write(chunk)
    } catch (e) {
      wrong = e as Error
    }
    yield* splitter.take()
    if (wrong) throw wrong
  }
  splitter.end()
}

const OPENS: ReadonlySet<TokenType> = new Set([TokenType.LEFT_BRACE, TokenType.LEFT_BRACKET])
const CLOSES: ReadonlySet<TokenType> = new Set([TokenType.RIGHT_BRACE, TokenType.RIGHT_BRACKET])
/** Brackets around an item: those of the file and of its list. */
const ITEM_DEPTH = 2

/** The frame of the file goes through a parser in which `null` stands for each item; the item itself is cut out as text. */
class Splitter {
  private readonly tokenizer = new Tokenizer()
  private readonly frame = new TokenParser({ paths: ['$.*', '$.jobs.*', '$.devices.*'], keepStack: false })
  private depth = 0
  /** Bytes before this chunk, and the chunk. */
  private base = 0
  private chunk: Uint8Array = new Uint8Array()
  /** Offset in the file of the open item, or of its part in this chunk; null: no item is open. */
  private from: number | null = null
  /** Offset of the last token of the frame, or of the open item. */
  private mark = 0
  private text = ''
  private decoder = new TextDecoder()
  private ready: ShopItem[] = []
  private last = ''
  private readonly seen = new Set<string>()

  constructor() {
    // Errors that are thrown while a token is handled arrive here too.
    const broken = (e: Error) => {
      if (e instanceof ShopFileError) throw e
      stop(this.place(), 'JSON', e.message)
    }
    this.tokenizer.onError = broken
    this.frame.onError = broken
    // Its end is told to the frame by hand.
    this.frame.onEnd = () => undefined
    this.tokenizer.onToken = (token) => this.token(token.token, token.value, token.offset)
    this.frame.onValue = ({ value, key, stack }) => {
      if (stack.length > 1) this.item(stack[1]?.key, Number(key))
      else this.field(String(key), value)
    }
  }

  write(chunk: Uint8Array): void {
    this.chunk = chunk
    this.tokenizer.write(chunk)
    if (this.from !== null) {
      this.text += this.decoder.decode(chunk.subarray(this.from - this.base), { stream: true })
      this.from = this.base + chunk.length
    }
    this.base += chunk.length
    if (this.base - this.mark > MOST_BYTES)
      stop(this.place(), `at most ${MOST_BYTES / 1024 / 1024} MB for each job or device`, 'more')
  }

  /** The items that are whole by now. */
  take(): ShopItem[] {
    return this.ready.splice(0)
  }

  end(): void {
    if (this.depth > 0 || this.seen.size === 0) stop(this.place(), 'the rest of the file', 'its end')
    for (const name of ['format', 'version', ...SHOP_LISTS])
      if (!this.seen.has(name)) stop(name, 'a value', undefined)
  }

  private token(token: TokenType, value: unknown, offset: number): void {
    if (OPENS.has(token)) {
      this.depth++
      if (this.depth === ITEM_DEPTH + 1) this.from = this.mark = offset
      if (this.depth > LIMITS.depth + ITEM_DEPTH) stop(this.place(), `at most ${LIMITS.depth} levels`, 'more')
    }
    if (this.from === null) {
      this.mark = offset
      this.frame.write({ token, value } as ParsedTokenInfo)
    }
    if (!CLOSES.has(token)) return
    if (this.depth-- !== ITEM_DEPTH + 1 || this.from === null) return
    this.text += this.decoder.decode(this.chunk.subarray(this.from - this.base, offset + 1 - this.base))
    this.from = null
    this.mark = offset
    this.frame.write({ token: TokenType.NULL, value: null })
  }

  private item(list: unknown, index: number): void {
    const text = this.text || 'null'
    this.text = ''
    if (!isList(list)) return
    if (Number.isNaN(index)) stop(list, 'a list', 'an object')
    this.last = `${list}[${index}]`
    this.ready.push({ list, index, text })
  }

  private field(name: string, value: unknown): void {
    if (this.seen.has(name)) stop(name, 'each field once', 'it a second time')
    this.seen.add(name)
    if (name === 'format' && value !== FORMAT) stop(name, `"${FORMAT}"`, value)
    if (name === 'version' && value !== VERSION)
      stop(name, `${VERSION}: another Gate Cross wrote the file`, value)
    if (isList(name) ? !Array.isArray(value) : !['format', 'version'].includes(name))
      stop(name, isList(name) ? 'a list' : `no field named ${show(name)}`, value)
  }

  /** The place that is being read: behind the last complete item. */
  private place(): string {
    return this.last && `behind ${this.last}`
  }
}

/** The file, piece by piece, so that a large shop is never one text. */
export function* shopText(jobs: Iterable<string>, devices: Iterable<string>): Generator<string> {
  yield `{\n"format": "${FORMAT}",\n"version": ${VERSION},\n"jobs": [\n`
  yield* separated(jobs)
  yield '],\n"devices": [\n'
  yield* separated(devices)
  yield ']\n}\n'
}

function* separated(texts: Iterable<string>): Generator<string> {
  let isFirst = true
  for (const text of texts) {
    yield isFirst ? text : `,${text}`
    isFirst = false
  }
}
