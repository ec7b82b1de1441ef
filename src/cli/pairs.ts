import type { Checked } from '@/jobfile'
import { refuse } from './answer'

/** Each of the words as KEY=VALUE; one that is not is refused by name. */
export function pairs(words: readonly string[], expected: string): Checked<[string, string][]> {
  const list: [string, string][] = []
  for (const word of words) {
    const at = word.indexOf('=')
    if (at < 1 || at === word.length - 1) return refuse(word, expected, word)
    list.push([word.slice(0, at), word.slice(at + 1)])
  }
  return list.length ? { ok: true, value: list } : refuse('place', expected, 'nothing')
}
