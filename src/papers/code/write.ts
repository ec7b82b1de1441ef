import { READING_KINDS, READINGS } from '@/core/readings'
import { BitOutputStream } from '@thi.ng/bitstream'
import { encode } from 'base45-ts'
import { deflateSync } from 'fflate'
import { CALLS } from '@/core/equipment'
import { splitRef, type Name, type Wire } from '@/core/installation'
import { currentReadings, type Reading } from '@/core/startup'
import { installationOf, type Job } from '@/jobfile'
import {
  bitsFor,
  CODE_VERSION,
  contentBits,
  DAY_MS,
  DAY_ZERO,
  MARK,
  MOST_CHARACTERS,
  nameBits,
  settingsWord,
} from './layout'
import { COLOURS, DICTIONARY } from './words'

/** Facts that a card's code had no room for. */
export interface LeftOut {
  /** Readings that stand and are not in it. */
  readings: number
  /** Words: the note, who owns it, where devices stand. */
  texts: boolean
  /** The landing itself is too much for one code: there is none. */
  all: boolean
}
export interface CardCode {
  /** `null`: the job is too large for one code. */
  text: string | null
  left: LeftOut
}

/**
 * The essentials of a job as the text of a QR code of at most version 15 at level M: gear by name, landing by terminal and
 * colour, settings as left, and as many of the newest readings as fit. What cannot be in it is named.
 * @param day the day on which the card is made
 */
export function codeOf(job: Job, day: Date): CardCode {
  const readings = currentReadings(job.readings)
    .filter(isPlain)
    .sort((a, b) => (a.when < b.when ? 1 : -1))
  const all = currentReadings(job.readings).length
  for (const texts of [true, false])
    for (let n = Math.min(readings.length, 40); n >= 0; n--) {
      const text = write(job, readings.slice(0, n), texts, day)
      // Places are worth more than the last readings, and the landing more than both.
      if (text.length <= MOST_CHARACTERS && (n >= Math.min(readings.length, 6) || !texts))
        return { text, left: { readings: all - n, texts: !texts, all: false } }
    }
  return { text: null, left: { readings: all, texts: true, all: true } }
}

/** A reading taken with everything normal and nothing moved: that is what a line of the code can say. */
const isPlain = (r: Reading): boolean =>
  !r.moved?.length &&
  Object.keys(r.situation.modes).length === 0 &&
  (r.value === 'OL' || decimalOf(r.value) !== null)

/** A number as digits and the places after its point; null: it has too many. */
function decimalOf(value: number): { digits: number; places: number } | null {
  for (let places = 0; places < 4; places++) {
    const digits = Math.round(value * 10 ** places)
    if (Math.abs(digits) >= 2 ** 20) return null
    if (Math.abs(digits / 10 ** places - value) < 1e-9) return { digits, places }
  }
  return null
}

function write(job: Job, readings: readonly Reading[], texts: boolean, day: Date): string {
  const inst = installationOf(job)
  const { placed, cables, wires } = inst
  const said: string[] = [job.title, texts ? job.site.address : '', texts ? job.technician : '']
  const bits = new BitOutputStream(64)
  const write = (n: number, width: number) => bits.write(n, width)
  write(CODE_VERSION, 4)
  write(Math.floor((day.getTime() - DAY_ZERO) / DAY_MS), 16)
  write(placed.length, 6)
  for (const p of placed) {
    write(nameBits(p.device.id), 24)
    write(contentBits(p.device), 12)
    write(p.defaultAssumed ? 1 : 0, 1)
    said.push(p.ref, p.label, texts ? (p.where ?? '') : '', p.model ?? '', settingsWord(p.settings))
  }
  const devices = bitsFor(placed.length - 1)
  write(cables.length, 6)
  for (const c of cables) {
    write(['low', 'line', 'harness'].indexOf(c.kind), 2)
    for (const end of [c.from, c.to])
      write(
        placed.findIndex((p) => p.ref === end),
        devices,
      )
    write(Math.round(c.gauge), 5)
    write(Math.min(1023, Math.round(c.feet)), 10)
    said.push(c.label)
  }
  // Ends and places of readings are stored by name, so that a later library reads them alike.
  const names = [
    ...new Set(
      [...wires.flatMap((w) => [w.a, w.b]), ...readings.map((r) => r.at)].map((at) =>
        at === null ? '' : splitRef(at).id,
      ),
    ),
  ]
  const nameWidth = bitsFor(names.length)
  said.push(names.join(' '))
  const position = (at: Name | null) => {
    const device = at === null ? -1 : placed.findIndex((p) => p.ref === splitRef(at).placed)
    write(device + 1, bitsFor(placed.length))
    if (at !== null && device >= 0) write(names.indexOf(splitRef(at).id), nameWidth)
  }
  const cableBits = bitsFor(cables.length)
  const colour = (name: string) => {
    const at = COLOURS.findIndex((c) => c === name)
    write(at + 1, 4)
    if (at < 0) said.push(name)
  }
  write(wires.length, 9)
  for (const w of wires) {
    write(cables.findIndex((c) => c.id === w.cable) + 1, cableBits)
    colour(w.colour)
    position(w.a)
    position(w.b)
    writeRare(w)
  }
  function writeRare(w: Wire): void {
    const rare = [w.colourB !== undefined, w.doubt === true, w.gauge !== undefined, w.feet !== undefined]
    write(rare.some(Boolean) ? 1 : 0, 1)
    if (!rare.some(Boolean)) return
    for (const is of rare) write(is ? 1 : 0, 1)
    if (w.colourB !== undefined) colour(w.colourB)
    if (w.gauge !== undefined) write(Math.round(w.gauge), 5)
    if (w.feet !== undefined) write(Math.min(1023, Math.round(w.feet)), 10)
  }
  const kinds = READING_KINDS
  write(readings.length, 6)
  for (const r of readings) {
    const { kind, value } = r
    write(kinds.indexOf(kind), 6)
    write(READINGS[kind].places.indexOf(r.place), 2)
    position(r.at)
    const decimal = value === 'OL' ? null : decimalOf(value)
    write(decimal ? 1 : 0, 1)
    if (decimal) {
      write(decimal.digits < 0 ? 1 : 0, 1)
      write(Math.abs(decimal.digits), 20)
      write(decimal.places, 2)
    }
    write(r.withBlower === null ? 0 : r.withBlower ? 1 : 2, 2)
    write(CALLS.indexOf(r.situation.call), 4)
    write(Math.max(0, Math.min(255, Math.round(r.situation.outdoorF) + 80)), 8)
    write(Math.max(0, Math.floor((Date.parse(r.when) - DAY_ZERO) / DAY_MS)), 16)
  }
  const words = deflateSync(new TextEncoder().encode(said.map((s) => s.replace(/\n/g, ' ')).join('\n')), {
    level: 9,
    dictionary: DICTIONARY,
  })
  const tail = bits.bytes()
  const bytes = new Uint8Array(2 + words.length + tail.length)
  bytes.set([words.length >> 8, words.length & 255])
  bytes.set(words, 2)
  bytes.set(tail, 2 + words.length)
  return MARK + encode(bytes)
}
