import type { ChainGate } from '../explain'
import type { Name, Ref } from '../installation'
import type { Reading } from './reading'

/** Causes that say all by their name. */
export const SIMPLE_CAUSES = [
  'notRunning', 'notLit', 'capacitorWeak', 'notPumping', 'chargeLow', 'chargeHigh', 'bladeLoose', 'bearing', 'airflowLow', 'airflowHigh',
  'inputLow', 'inputHigh', 'compressorOff', 'valveLeaks', 'valveOtherWay', 'stripsInIt', 'otherGas', 'regulator', 'inletLow',
  'orifice', 'manifoldLow', 'manifoldHigh', 'piping', 'utilityGas', 'coilSwitch', 'fanRunsOn', 'sensorPlace', 'sensorWiring',
  'settingElsewhere', 'switchPlace', 'filter', 'duct', 'tap', 'excessAir', 'draftHigh', 'draftLow', 'combustionAir',
  'exchanger', 'nozzle', 'pumpSetting', 'oilFilter', 'metering', 'moisture', 'leak',
  'ductLeak', 'outdoorCoil', 'tapFitsLine', 'idleLoad', 'tooColdToCharge', 'acrossRow', 'probes', 'twoClamps', 'gasSwitch', 'weighAgain', 'lengthWrong', 'panelsOff', 'otherNozzle', 'heatAhead', 'probePlace',
] as const // prettier-ignore
export type SimpleCause = (typeof SIMPLE_CAUSES)[number]

/** Source of an expected range. */
export type BandBasis =
  | 'plate' | 'plateDerated' | 'usual' | 'ratedAmps' | 'standsStill' | 'capacity' | 'most' | 'hotLine' | 'coldLine' | 'cap'
  | 'setting' | 'perTon' | 'lineSet' | 'nozzleFlow' | 'sameAir' // prettier-ignore

/** Likely causes of a wrong reading, cheapest to check first. */
export type Cause =
  | { kind: 'fuseOpen' } | { kind: 'doorOpen' } | { kind: 'breakerOff' } | { kind: 'tapHighOnLow' } | { kind: 'tapLowOnHigh' }
  | { kind: 'overload' } | { kind: 'looseLug' } | { kind: 'utility' } | { kind: 'sequencerWaiting'; seconds: number | null }
  | { kind: 'gateBlocks'; gate: ChainGate } | { kind: 'oneBankClamped'; rows: number; of: number } | { kind: 'rowOpen'; rows: number }
  | { kind: 'linkOpen' } | { kind: 'limitOpen' } | { kind: 'wrongKit' } | { kind: 'voltsNotMeasured' } | { kind: 'shouldBeOff' }
  /** Live there and dead here: a conductor between the two. */
  | { kind: 'conductorOpen'; from: Ref } | { kind: 'commonOpen'; from: Ref } | { kind: 'otherService'; volts: number } | { kind: 'legLost' } | { kind: 'twoLegs' }
  /** Next point to meter; parts on the way from the source to here. */
  | { kind: 'meterNext'; at: Ref } | { kind: 'gateToCheck'; at: Ref } | { kind: 'ghost' }
  | { kind: SimpleCause }
  /** A setting or a conductor that is not known: the verdict depends on it. */
  | { kind: 'notKnown'; at: Name }
  /** Another reading of the same point shows something else. */
  | { kind: 'contradicted'; by: Reading }
  | { kind: 'supplyNotFound' } | { kind: 'blowerIncluded' } | { kind: 'rowIsolated' } // prettier-ignore

export type Rule =
  | 'band'
  | 'controlVolts'
  | 'terminalVolts'
  | 'lineVolts'
  | 'legToGround'
  | 'stripAmps'
  | 'stripsOff'
  | 'rowOhms'
  | 'recordedOnly'

export interface Verdict {
  verdict: 'right' | 'watch' | 'wrong' | 'unjudged'
  rule: Rule
  /** Source of the expected range. */
  basis?: BandBasis
  unit: string
  /** Expected range; null where there is nothing to compare with. */
  expected: { low: number; high: number; nominal: number } | null
  /** Numbers that the expectation was worked out from, for "why". */
  from: Record<string, number>
  causes: Cause[]
}

/** A reading as a number; an open circuit is endless. */
export const number = (r: Reading): number => (r.value === 'OL' ? Infinity : r.value)
