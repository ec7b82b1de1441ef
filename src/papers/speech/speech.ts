import type { CardState, Verdict } from '@/core/startup'
import type { Intent, Value } from '@/core/equipment'
import type { SignerRole } from '@/jobfile'

/** Kind of backup, for words. */
export type BackupName = 'strips' | 'furnace'

/** Words that stand by themselves. */
export interface Labels {
  report: string
  atAGlance: string
  whatItIs: string
  proven: string
  gear: string
  landing: string
  schedule: string
  settings: string
  run: string
  readings: string
  kit: string
  crossing: string
  putBack: string
  safety: string
  signatures: string
  broken: string
  look: string
  undecided: string
  holds: string
  open: string
  nothingOpen: string
  notTried: string
  noCards: string
  noReadings: string
  nothingKeyed: string
  conductor: string
  from: string
  to: string
  notLanded: string
  notChecked: string
  jumper: string
  setting: string
  found: string
  left: string
  readBack: string
  who: string
  reading: string
  verdict: string
  taken: string
  nobody: string
  technician: string
  licence: string
  arrived: string
  departed: string
  lastReading: string
  noReadingsYet: string
  serial: string
  model: string
  notKnown: string
  superseded: string
  check: string
  note: string
  row: string
  circuits: string
  lockOut: string
  bankTable: string
  live: string
  rowsOn: string
  gate: string
  setAt: string
  why: string
  decides: string
  holdsNothing: string
  isOff: string
  wasPutBack: string
  stillOpen: string
  signedThis: string
  changedSince: string
  withdrawn: string
  notSigned: string
  makersWin: string
  caution: string
  page: string
  cabinetCard: string
  codes: string
  pins: string
  whenNew: string
  gates: string
  balance: string
  scan: string
  scanAll: string
  notInCode: string
  ownersCard: string
  costs: string
}

/**
 * Texts of the papers in one language. English is complete; a text that another language lacks comes in English.
 * Findings, contacts and verdicts with their numbers are English in every language so far.
 */
export interface Speech {
  lang: string
  /** The language's own name. */
  name: string
  labels: Labels
  roles: Record<SignerRole, string>
  verdicts: Record<Verdict['verdict'], string>
  cards: Record<CardState, string>
  /** "12 readings: 11 right, 1 wrong" */
  read: (count: { all: number; right: number; watch: number; wrong: number; unjudged: number }) => string
  day: (at: Date) => string
  moment: (at: string) => string
  balanceAt: (balanceF: string) => string
  /**
   * A setting's meaning for the owner, by its intent, from its value as a person says it and as a number; null where
   * there is nothing to say. An intent that is left out is said in English.
   */
  owner: Partial<Record<Intent, (text: string, value: Value) => string | null>>
  /** Cost of backup for the same heat: how many times the heat pump's cost, at a temperature. */
  auxCosts: (times: number, at: string, source: BackupName) => string
  cheaperAbove: (at: string) => string
  emergencyCosts: (times: number | null, source: BackupName) => string
}

/** A language as it stands in its file: whatever it has. */
export type PartialSpeech = Pick<Speech, 'lang' | 'name'> & {
  [K in Exclude<keyof Speech, 'lang' | 'name'>]?: Speech[K] extends (...args: never[]) => unknown
    ? Speech[K]
    : Partial<Speech[K]>
}
