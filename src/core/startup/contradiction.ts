import { READINGS } from '../readings'
import { onSameVisit, sameState, currentReadings, type Reading } from './reading'
import { number, type Verdict } from './verdict'

/** Two values that no instrument's error explains: half the larger one apart, and of temperatures at least so many °F. */
const [FAR_SHARE, FAR_F] = [0.5, 15]

function isFar(a: number, b: number, unit: string): boolean {
  if (a === b) return false
  const apart = Math.abs(a - b)
  return apart > FAR_SHARE * Math.max(Math.abs(a), Math.abs(b)) && (!unit.includes('°F') || apart >= FAR_F)
}

/** The newest reading by somebody else of the same point, in the same state on the same day, that shows something else; null: none. */
function contradicting(reading: Reading, all: readonly Reading[]): Reading | null {
  const { kind, at, place, id, supersedes, panelsOff = false } = reading
  const others = currentReadings(all).filter(
    (o) =>
      o.id !== id &&
      // Who measures again is not contradicted: what was there may have been mended.
      o.who !== reading.who &&
      o.id !== supersedes &&
      o.supersedes !== id &&
      o.kind === kind &&
      o.at === at &&
      o.place === place &&
      o.withBlower === reading.withBlower &&
      (o.panelsOff ?? false) === panelsOff &&
      sameState(o, reading) &&
      onSameVisit(o, reading) &&
      isFar(number(o), number(reading), READINGS[kind].unit),
  )
  return others.at(-1) ?? null
}

/** Withholds a pass from two readings that contradict each other: it is unknown which of them is right. */
export function withContradiction(verdict: Verdict, reading: Reading, all: readonly Reading[]): Verdict {
  const other = contradicting(reading, all)
  if (!other) return verdict
  return {
    ...verdict,
    verdict: verdict.verdict === 'right' ? 'watch' : verdict.verdict,
    causes: [{ kind: 'contradicted', by: other }, ...verdict.causes],
  }
}
