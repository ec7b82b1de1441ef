import type { Making } from '../equipment'
import { settingValue, type Ref } from '../installation'
import { overcurrents, type Circuit, type Outcome, type Overcurrent } from '../circuit'

/** What laws need to know of a solved state. */
export interface Facts {
  settled: boolean
  /** Coils that keep changing, when it did not settle. */
  cycle: Ref[]
  compressor: Ref | null
  blower: boolean
  /** Rows of strips that heat, and all rows there are. */
  stripsOn: Ref[]
  stripsOff: Ref[]
  /** What the reversing valve makes of the refrigerant circuit; null where its sense is not known or there is none. */
  valve: { at: Ref; position: 'cooling' | 'heating' } | null
  over: Overcurrent[]
  running: Ref[]
}

const cache = new WeakMap<Outcome, Facts>()

/** Reads the facts out of an outcome; the same outcome gives the same object. */
export function factsOf(circuit: Circuit, outcome: Outcome): Facts {
  let facts = cache.get(outcome)
  if (!facts) {
    facts = read(circuit, outcome)
    cache.set(outcome, facts)
  }
  return facts
}

function read(circuit: Circuit, outcome: Outcome): Facts {
  const facts: Facts = {
    settled: outcome.ok,
    cycle: outcome.ok ? [] : outcome.cycle,
    compressor: null,
    blower: false,
    stripsOn: [],
    stripsOff: [],
    valve: null,
    over: outcome.ok ? overcurrents(circuit, outcome) : [],
    running: [],
  }
  if (!outcome.ok) return facts
  circuit.net.loads.forEach((load, i) => {
    const makes: Making | undefined = load.part.makes
    if (!makes) return
    const on = outcome.coils[i] === 2
    if (on) facts.running.push(load.ref)
    if (makes.what === 'compressor' && on) facts.compressor ??= load.ref
    if (makes.what === 'blower' && on) facts.blower = true
    if (makes.what === 'strip') (on ? facts.stripsOn : facts.stripsOff).push(load.ref)
    if (makes.what === 'reversingValve') {
      const sense =
        typeof makes.energisedIn === 'string'
          ? makes.energisedIn
          : settingValue(load.placed, makes.energisedIn.set)
      if (sense === 'cooling' || sense === 'heating') {
        const rest = sense === 'cooling' ? 'heating' : 'cooling'
        facts.valve = { at: load.ref, position: on ? sense : rest }
      }
    }
  })
  return facts
}
