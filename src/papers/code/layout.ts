import { hash } from 'ohash'
import type { Device, Unknowable, Value } from '@/core/equipment'

/** The version of the code that this code writes, and the only one that it reads. */
export const CODE_VERSION = 1
/** First characters of every code. */
export const MARK = 'GC1'
/** Characters of the alphanumeric kind that a QR code of version 15 at level M holds (ISO/IEC 18004). */
export const MOST_CHARACTERS = 600
/** Day 0 of dates in a code. */
export const DAY_ZERO = Date.UTC(2020, 0, 1)
export const DAY_MS = 86_400_000

/** Bits that numbers up to `most` take. */
export const bitsFor = (most: number): number => Math.max(1, Math.ceil(Math.log2(most + 1)))

const ALPHABET = 'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789-_'
/** The first bits of a hash that is written in six-bit characters. */
const head = (text: string, characters: number): number =>
  [...text.slice(0, characters)].reduce((n, c) => n * 64 + ALPHABET.indexOf(c), 0)

/** 24 bits that stand for a device's name in its library. */
export const nameBits = (id: string): number => head(hash(id), 4)
/** 12 bits that stand for its description: they tell whether a reader's library has the same. */
export const contentBits = (device: Device): number => head(hash(device), 2)

/** Settings as one word: "minimumOff=5;rvSense='cooling;tap=~;", where ~ is not known yet. */
export const settingsWord = (settings: Readonly<Record<string, Unknowable<Value>>>): string =>
  Object.entries(settings)
    .map(([id, v]) => `${id}=${v === null ? '~' : typeof v === 'number' ? v : `'${encodeURIComponent(v)}`};`)
    .join('')

/** @throws RangeError where it is none */
export function settingsOf(word: string): Record<string, Unknowable<Value>> {
  if (!word) return {}
  return Object.fromEntries<Unknowable<Value>>(
    word
      .split(';')
      .slice(0, -1)
      .map((part) => {
        const [id = '', value = ''] = part.split('=')
        if (value === '~') return [id, null]
        if (value.startsWith("'")) return [id, decodeURIComponent(value.slice(1))]
        const number = Number(value)
        if (!value || !Number.isFinite(number)) throw new RangeError(part)
        return [id, number]
      }),
  )
}
