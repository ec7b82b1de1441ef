import type { BlowerSpeed } from '../equipment'
import { settingValue, type Ref } from '../installation'
import { makesHeatAhead } from '../query'
import {
  across,
  overcurrents,
  transformerAmps,
  type Circuit,
  type LoadBranch,
  type Outcome,
  type Settled,
} from '../circuit'
import { tolerances } from '../tolerances'
import { withLoads, type Overload } from './overloads'

/** Facts about a solved state that rules read. */
export interface Facts {
  settled: boolean
  /** The circuit has no solution at all. */
  singular: boolean
  /** Coils that keep changing, when it did not settle. */
  cycle: Ref[]
  compressor: Ref | null
  /** The compressor's second stage, while the compressor runs. */
  highStage: Ref | null
  blower: boolean
  /** Speeds that run, of blowers that have several. */
  speeds: ReadonlySet<BlowerSpeed>
  /** Rows of strips that heat, and all rows there are. */
  stripsOn: Ref[]
  stripsOff: Ref[]
  burnersOn: Ref[]
  burnersOff: Ref[]
  /** Heat that is being made ahead of the indoor coil. */
  heatAhead: Ref[]
  /** Position of the reversing valve; null where its sense is unknown or there is none. */
  valve: { at: Ref; position: 'cooling' | 'heating' } | null
  over: Overload[]
  /** Transformers that give more volt-amperes than they are rated for. */
  overloaded: { ref: Ref; va: number; ratedVa: number }[]
  /** 24 V loads with some volts, but not enough to pull in. */
  weak: { ref: Ref; volts: number; needs: number }[]
  /** Thermostats' electronics without power. */
  unpowered: Ref[]
  /** Boards' electronics without power. */
  deadBoards: Ref[]
  running: Ref[]
}

/** By the coils' states: neighbouring states that change nothing share them. */
const noFacts = (): Map<object, Facts> => new Map()

/** Reads the facts out of an outcome; the same outcome gives the same object. */
export function factsOf(circuit: Circuit, outcome: Outcome): Facts {
  const key = outcome.ok ? outcome.coils : outcome
  const known = circuit.cache.once(noFacts)
  let facts = known.get(key)
  if (!facts) {
    facts = read(circuit, outcome)
    known.set(key, facts)
  }
  return facts
}

/** Facts before anything is known but how the state settled. */
export const blank = (outcome: Outcome): Facts => ({
  settled: outcome.ok,
  singular: !outcome.ok && outcome.why === 'singular',
  cycle: outcome.ok ? [] : outcome.cycle,
  compressor: null,
  highStage: null,
  blower: false,
  speeds: new Set(),
  stripsOn: [],
  stripsOff: [],
  burnersOn: [],
  burnersOff: [],
  heatAhead: [],
  valve: null,
  over: [],
  overloaded: [],
  weak: [],
  unpowered: [],
  deadBoards: [],
  running: [],
})

function read(circuit: Circuit, outcome: Outcome): Facts {
  const facts = blank(outcome)
  if (!outcome.ok) return facts
  facts.over = withLoads(circuit, outcome, overcurrents(circuit.net, outcome))
  for (const t of circuit.net.transformers) {
    const va = transformerAmps(t, outcome) * t.part.secondaryVolts
    if (va > t.part.va * tolerances.overloadShare)
      facts.overloaded.push({ ref: t.ref, va, ratedVa: t.part.va })
  }
  const speeds = new Set<BlowerSpeed>()
  let high: Ref | null = null
  circuit.net.loads.forEach((load, i) => {
    const on = outcome.coils[i] === 2
    if (!on) weakness(load, outcome, facts)
    if (!on && load.isBoard) facts.deadBoards.push(load.ref)
    const does = load.part.does
    if (!does) return
    if (on && does.what !== 'control') facts.running.push(load.ref)
    if (on && makesHeatAhead(load.placed, load.part)) facts.heatAhead.push(load.ref)
    switch (does.what) {
      case 'compressor':
        if (on && does.stage === 1) facts.compressor ??= load.ref
        if (on && does.stage === 2) high = load.ref
        break
      case 'blower':
        if (!on) break
        facts.blower = true
        if (does.speed) speeds.add(does.speed)
        break
      case 'strip':
        ;(on ? facts.stripsOn : facts.stripsOff).push(load.ref)
        break
      case 'burner':
        ;(on ? facts.burnersOn : facts.burnersOff).push(load.ref)
        break
      case 'control':
        if (!on) facts.unpowered.push(load.ref)
        break
      case 'reversingValve':
        facts.valve = valveOf(load, does.energisedIn, on)
        break
    }
  })
  facts.highStage = facts.compressor && high
  facts.speeds = speeds
  return facts
}

function weakness(load: LoadBranch, outcome: Settled, facts: Facts): void {
  if (load.part.volts > tolerances.lowVoltsMost) return
  const volts = across(outcome.volts, load.a, load.b)
  if (volts > load.part.volts * tolerances.weakShare)
    facts.weak.push({ ref: load.ref, volts, needs: load.pullIn })
}

function valveOf(
  load: LoadBranch,
  energisedIn: 'cooling' | 'heating' | { set: string },
  on: boolean,
): Facts['valve'] {
  const sense = typeof energisedIn === 'string' ? energisedIn : settingValue(load.placed, energisedIn.set)
  if (sense !== 'cooling' && sense !== 'heating') return null
  const rest = sense === 'cooling' ? 'heating' : 'cooling'
  return { at: load.ref, position: on ? sense : rest }
}
