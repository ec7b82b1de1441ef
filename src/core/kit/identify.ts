import { nextBreaker } from './conductors'

/** A strip kit as it might be: rated watts of each row at 240 V. */
export interface KitCandidate {
  name: string
  watts: readonly number[]
}
/** Kits as the trade sells them, beside those of the library: kW of each row. */
export const USUAL_KITS: readonly KitCandidate[] = [
  [5], [7.5], [5, 3], [4.8, 4.8], [5, 5], [5, 5, 5], [5, 5, 5, 5],
].map((rows) => ({ name: `${rows.reduce((a, b) => a + b, 0)} kW`, watts: rows.map((kw) => kw * 1000) })) // prettier-ignore

/** Clues that can be seen or read at an unknown kit; each may be missing. */
export interface KitClues {
  /** kW on its label, at 240 V. */
  labelKw?: number
  /** A: the breaker or fuse on its label. It is the largest for that kit: it names the kits that need no more. */
  labelBreaker?: number
  /** A: the breakers that were found to feed it; there may be one more that was not. */
  breakers?: readonly number[]
  /** Ω that were read, cold; OL: the meter showed an open circuit. */
  ohms?: readonly (number | 'OL')[]
  /** Across what OL was read: an element by itself, or a whole row with its relay; left out: nobody said. */
  across?: 'element' | 'row'
  /** A at its feed with every row on, and the volts meanwhile, without which the amps say nothing. */
  amps?: number
  volts?: number
  rows?: number
}
export const CLUES = ['labelKw', 'labelBreaker', 'breakers', 'ohms', 'amps', 'rows'] as const
export type Clue = (typeof CLUES)[number]

export interface KitIdentity {
  /** Kits that every clue allows, the likeliest first. */
  fits: KitCandidate[]
  /** For each clue that was given, the kits that it alone allows. */
  byClue: { clue: Clue; fits: KitCandidate[] }[]
  /** Two clues that no kit satisfies together. */
  contradictions: [Clue, Clue][]
  /** Meaning of an OL reading: an open element, a row with its relay open (normal), or a question to ask. */
  openRow: 'element' | 'row' | 'ask' | null
  /** The amps wait for the volts. */
  needsVolts: boolean
  /** Ω that no kit of the list has a row of. */
  strayOhms: number[]
  /** A that each row that was read draws at the volts that were read; empty without both. */
  rowAmps: number[]
  /** Next clue to look for, the one that separates the remaining kits best; null: none does, or one kit is left. */
  next: Clue | null
}

/** V at which kits are rated. */
const RATED = 240
/** Ω of an element may stand off its rating by this share; a cold one reads a few percent low. */
const OHMS_SHARE = 0.1
const AMPS_LOW = 0.9
const AMPS_HIGH = 1.05
const LABEL_SHARE = 0.03
const CONTINUOUS = 1.25

const total = (k: KitCandidate): number => k.watts.reduce((a, b) => a + b, 0)
const rowOhms = (watts: number): number => RATED ** 2 / watts

const isRow = (ohms: number, watts: number): boolean =>
  Math.abs(ohms - rowOhms(watts)) <= OHMS_SHARE * rowOhms(watts)
const numbers = (ohms: KitClues['ohms'] = []): number[] => ohms.filter((r): r is number => r !== 'OL')

/** How a kit's rows may be fed: all by one circuit; from three rows up also the first two by one and the rest by another. */
const splitsOf = ({ watts }: KitCandidate): (readonly number[])[][] =>
  watts.length < 3 ? [[watts]] : [[watts], [watts.slice(0, 2), watts.slice(2)]]

/**
 * Which clues a kit satisfies.
 * @param blowerA A of a blower that may be on the same circuit
 * @param volts V of the service: a breaker is chosen for what is drawn at them
 */
const SATISFIES: Record<Clue, (k: KitCandidate, clues: KitClues, blowerA: number, volts: number) => boolean> =
  {
    labelKw: (k, { labelKw = 0 }) => Math.abs(total(k) / 1000 - labelKw) <= LABEL_SHARE * labelKw,
    // 1.25 times what a circuit draws, up to the next standard size, with or without the blower: of one circuit, or of two.
    breakers(k, { breakers = [] }, blowerA, volts) {
      const amps = (watts: readonly number[]) => (watts.reduce((a, b) => a + b, 0) / RATED) * (volts / RATED)
      const sizes = (watts: readonly number[]) =>
        [0, blowerA].map((more) => nextBreaker(CONTINUOUS * (amps(watts) + more)))
      return splitsOf(k).some((circuits) => {
        const left = circuits.map(sizes)
        return breakers.every((b) => {
          const at = left.findIndex((s) => s.includes(b))
          if (at < 0) return false
          left.splice(at, 1)
          return true
        })
      })
    },
    labelBreaker(k, { labelBreaker = 0 }, _, volts) {
      const amps = (total(k) / RATED) * (volts / RATED)
      return nextBreaker(CONTINUOUS * amps) <= labelBreaker
    },
    // Each element that was read is one of its rows, and no row is two of them; an open one may be any of those left.
    ohms(k, { ohms = [] }) {
      const left = [...k.watts]
      const all = numbers(ohms).every((r) => {
        const near = left.findIndex((w) => isRow(r, w))
        if (near < 0) return false
        left.splice(near, 1)
        return true
      })
      return all && left.length >= ohms.length - numbers(ohms).length
    },
    amps(k, { amps = 0, volts: at }, blowerA, volts) {
      const drawn = k.watts.reduce((sum, w) => sum + (at ?? volts) / rowOhms(w), 0)
      return amps >= AMPS_LOW * drawn && amps <= AMPS_HIGH * drawn + blowerA
    },
    rows: (k, { rows }) => k.watts.length === rows,
  }

/** The kits that the clues allow, what contradicts what, and what to look at next. */
export function identifyKit(
  clues: KitClues,
  candidates: readonly KitCandidate[],
  { blowerA = 0, volts = RATED }: { blowerA?: number; volts?: number } = {},
): KitIdentity {
  const needsVolts = clues.amps !== undefined && clues.volts === undefined
  const given = CLUES.filter((c) => {
    // Amps say watts only with the volts of the same moment.
    if (c === 'amps' && needsVolts) return false
    const value = clues[c]
    return Array.isArray(value) ? value.length > 0 : value !== undefined
  })
  const allows = (clue: Clue, k: KitCandidate) => SATISFIES[clue](k, clues, blowerA, volts)
  const byClue = given.map((clue) => ({ clue, fits: candidates.filter((k) => allows(clue, k)) }))
  const fits = given.length ? candidates.filter((k) => given.every((c) => allows(c, k))) : []
  const contradictions = byClue.flatMap(({ clue, fits: some }, i) =>
    byClue
      .slice(i + 1)
      .filter((other) => !other.fits.some((k) => some.includes(k)))
      .map((other): [Clue, Clue] => [clue, other.clue]),
  )
  const close = (k: KitCandidate): number =>
    numbers(clues.ohms).reduce(
      (sum, r) => sum + Math.min(...k.watts.map((w) => Math.abs(r / rowOhms(w) - 1))),
      0,
    )
  const isOpen = clues.ohms?.includes('OL') ?? false
  const measured = clues.volts
  return {
    fits: [...fits].sort((a, b) => close(a) - close(b)),
    byClue,
    contradictions,
    openRow: isOpen ? (clues.across ?? 'ask') : null,
    needsVolts,
    strayOhms: numbers(clues.ohms).filter((r) => !candidates.some((k) => k.watts.some((w) => isRow(r, w)))),
    rowAmps: measured === undefined ? [] : numbers(clues.ohms).map((r) => measured / r),
    next: nextClue(
      fits.length ? fits : [],
      CLUES.filter((c) => !given.includes(c)),
    ),
  }
}

/** Text that a kit would give for a clue. Kits that look the same give the same text. */
const SHOWS: Record<Clue, (k: KitCandidate) => string> = {
  labelKw: (k) => String(total(k)),
  rows: (k) => String(k.watts.length),
  ohms: (k) => [...k.watts].sort().join(),
  amps: (k) => String(total(k)),
  labelBreaker: (k) => String(nextBreaker((CONTINUOUS * total(k)) / RATED)),
  breakers: (k) => String(nextBreaker((CONTINUOUS * total(k)) / RATED)),
}
/** The cheapest clue of those that tell the kits that are left apart into the most groups. */
function nextClue(left: readonly KitCandidate[], open: readonly Clue[]): Clue | null {
  if (left.length < 2) return null
  const groups = (c: Clue) => new Set(left.map(SHOWS[c])).size
  const order: readonly Clue[] = ['labelKw', 'rows', 'labelBreaker', 'breakers', 'ohms', 'amps']
  const [best] = [...open].sort((a, b) => groups(b) - groups(a) || order.indexOf(a) - order.indexOf(b))
  return best && groups(best) > 1 ? best : null
}
