import type { RunStanding } from '@/core/startup'

/** What the list of jobs shows, worked out from one version of the document. */
export interface Summary {
  version: number
  /** The rules and words that it was worked out with: others may come to another verdict. */
  engine: string
  verdict: string
  broken: number
  undecided: number
  states: number
  readings: number
  wrongReadings: number
  /** Temporary settings that are still to be put back. */
  toPutBack: number
  /** How its test run stands; null: it has not begun. */
  run: RunStanding | null
}

/** A line of the job list, as the server sends it. */
export interface JobListEntry {
  id: string
  title: string
  address: string
  owner: string
  note: string
  updatedAt: string
  version: number
  /** null: never worked out. One of an earlier version says nothing about this one. */
  summary: Summary | null
}
