import { ask, linesOf } from '@/client'
import {
  sentence,
  ShopFileError,
  shopItems,
  shopText,
  type Imported,
  type ShopItem,
  type ShopReport,
} from '@/jobfile'

/** A request of the import: a server takes it in well under a second, and what a lost one costs is little. */
const BATCH = { items: 25, characters: 1_000_000 }

/** How far an import is, and how it ended. */
export interface ShopImport {
  items: readonly Imported[]
  /** Why it ended before the end of the file; null: it did not. */
  stopped: string | null
}

/**
 * Imports the file of a whole shop in small requests, each of which is imported whole. What is here already is known again,
 * so that an import that was stopped goes on where it was.
 * @param copies imports what has the name of something else here too, under a name with a number
 * @param onItems is told what became of the items so far
 */
export async function importShop(
  file: Blob,
  copies: boolean,
  onItems: (items: readonly Imported[]) => void,
  signal: AbortSignal,
): Promise<ShopImport> {
  const items: Imported[] = []
  let batch: ShopItem[] = []
  const send = async (): Promise<string | null> => {
    const lists = (['jobs', 'devices'] as const).map((list) => batch.filter((item) => item.list === list))
    batch = []
    const sent = lists.flat()
    if (!sent.length) return null
    const [jobs = [], devices = []] = lists.map((l) => l.map((item) => item.text))
    const path = `/api/shop${copies ? '?copies=1' : ''}`
    const body = [...shopText(jobs, devices)].join('')
    const answer = await ask<ShopReport>(fetch, path, { method: 'POST', body })
    if (!answer.ok) return linesOf(answer, 'The server did not answer')[0] ?? 'The server refused it'
    // Each request numbers its own items from 0.
    for (const [i, { index }] of sent.entries()) {
      const became = answer.value.items[i]
      if (became) items.push({ ...became, index })
    }
    onItems([...items])
    return answer.value.problem && sentence(answer.value.problem)
  }
  try {
    for await (const item of shopItems(chunksOf(file))) {
      if (signal.aborted) return { items, stopped: 'You stopped it' }
      batch.push(item)
      const characters = batch.reduce((sum, { text }) => sum + text.length, 0)
      if (batch.length < BATCH.items && characters < BATCH.characters) continue
      const stopped = await send()
      if (stopped) return { items, stopped }
    }
    return { items, stopped: await send() }
  } catch (e) {
    if (!(e instanceof ShopFileError)) throw e
    return { items, stopped: (await send()) ?? sentence(e.problem) }
  }
}

/** A file's bytes as they are read; not every browser lets its streams be iterated. */
async function* chunksOf(file: Blob): AsyncGenerator<Uint8Array> {
  const reader = file.stream().getReader()
  for (;;) {
    const { done, value } = await reader.read()
    if (done) return
    yield value
  }
}
