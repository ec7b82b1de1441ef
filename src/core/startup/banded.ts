import { solve, type Circuit } from '../circuit'
import { isCooling } from '../equipment'
import type { JobSeen } from '../installation'
import type { BandedKind } from './bandedKind'
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
  const held = BAND_RULES[reading.kind]({
    circuit,
    seen,
    all,
    v,
    r: reading,
    solved: solve(circuit, reading.situation),
  })
  if (!held)
    return {
      verdict: 'unjudged',
      rule: 'recordedOnly',
      unit,
      expected: null,
      from: {},
      causes: isColdCharge(reading) ? cause('tooColdToCharge') : [],
    }
  const [low, high] = held.right
  const shown = held.value ?? v
  const base = {
    rule: 'band' as const,
    basis: held.basis,
    unit: held.unit ?? unit,
    expected: { low: low ?? -Infinity, high: high ?? Infinity, nominal: held.nominal ?? middle(held.right) },
    from: held.from ?? {},
  }
  const inside = ([a, b]: Banded['right']) => (a === null || shown >= a) && (b === null || shown <= b)
  if (inside(held.right)) return { ...base, verdict: 'right', causes: [...(held.note ?? [])] }
  const causes = low !== null && shown < low ? held.low : held.high
  const verdict = held.watch && inside(held.watch) ? 'watch' : 'wrong'
  return { ...base, verdict, causes: [...causes] }
}

/** A charge that was read in cooling on a day too cold for it. */
const isColdCharge = ({ kind, situation }: Reading): boolean =>
  (kind === 'subcooling' || kind === 'superheat') &&
  isCooling(situation.call) &&
  situation.outdoorF < BANDS.chargeLeastF

const middle = ([a, b]: Banded['right']): number => (a !== null && b !== null ? (a + b) / 2 : (a ?? b ?? 0))
