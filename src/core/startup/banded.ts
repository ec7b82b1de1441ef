import type { BandedKind } from '../readings'
import { solve, type Circuit } from '../circuit'
import { isCooling } from '../equipment'
import type { JobSeen } from '../installation'
import { cause, type Banded } from './bandContext'
import { BAND_RULES } from './bandRules'
import { BANDS } from './bands'
import type { Reading } from './reading'
import { number, type Verdict } from './verdict'

/** Judges a reading that a band alone decides: right inside it, worth another look a little outside, else wrong. */
export function judgeBanded(
  circuit: Circuit,
  reading: Reading & { kind: BandedKind },
  all: readonly Reading[],
  seen: JobSeen,
  unit: string,
): Verdict {
  const v = number(reading)
  const band = BAND_RULES[reading.kind]({
    circuit,
    seen,
    all,
    v,
    r: reading,
    solved: solve(circuit, reading.situation),
  })
  if (!band)
    return {
      verdict: 'unjudged',
      rule: 'recordedOnly',
      unit,
      expected: null,
      from: {},
      causes: isColdCharge(reading) ? cause('tooColdToCharge') : [],
    }
  const [low, high] = band.right
  const shown = band.value ?? v
  const base = {
    rule: 'band' as const,
    basis: band.basis,
    unit: band.unit ?? unit,
    expected: { low: low ?? -Infinity, high: high ?? Infinity, nominal: band.nominal ?? middle(band.right) },
    from: band.from ?? {},
  }
  const inside = ([a, b]: Banded['right']) => (a === null || shown >= a) && (b === null || shown <= b)
  if (inside(band.right)) return { ...base, verdict: 'right', causes: [...(band.note ?? [])] }
  const causes = low !== null && shown < low ? band.low : band.high
  const verdict = band.watch && inside(band.watch) ? 'watch' : 'wrong'
  return { ...base, verdict, causes: [...causes] }
}

/** A charge that was read in cooling on a day too cold for it. */
const isColdCharge = ({ kind, situation }: Reading): boolean =>
  (kind === 'subcooling' || kind === 'superheat') &&
  isCooling(situation.call) &&
  situation.outdoorF < BANDS.chargeLeastF

const middle = ([a, b]: Banded['right']): number => (a !== null && b !== null ? (a + b) / 2 : (a ?? b ?? 0))
