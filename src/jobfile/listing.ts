import type { Proof } from '@/core/rules'
import type { RunSummary } from '@/core/startup'

/** A job's line in the list, computed from one version of its document. */
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
  run: RunSummary | null
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
  /** null: not worked out since its last change. */
  summary: Summary | null
  deleted?: Deletion
}

/** A job that is deleted and can still be restored. */
export interface Deletion {
  /** Who deleted it; empty where nobody said who. */
  by: string
  /** ISO time after which it is removed. */
  goes: string
}

/** Facts about a job before it is opened. */
export interface JobKnown {
  title: string
  owner: string
  /** As it was proven last; null: it has changed since. */
  verdict: string | null
}

/** The proof of a job's wiring at one revision, as the server has it. */
export interface JobProof {
  version: number
  /** The rules that it was worked out with. */
  engine: string
  /** null: it was given up. */
  proof: Proof | null
}

/** The list of jobs as the server sends a part of it. */
export interface JobListing {
  jobs: JobListEntry[]
  /** How many fit what was asked. */
  found: number
  /** How many there are on the shelf, and how many of them need the technician, as far as they are proven. */
  all: number
  needYou: number
}

/** States that the list of jobs can be filtered by. */
export const STATES = ['all', 'open', 'broken', 'needsReading', 'toPutBack', 'waiting', 'done'] as const
export type JobState = (typeof STATES)[number]
export const ORDERS = ['urgent', 'newest', 'street'] as const
export type JobOrder = (typeof ORDERS)[number]
/** The lists of jobs: active, archived, and deleted jobs that can still be restored. */
export const SHELVES = ['here', 'archived', 'deleted'] as const
export type Shelf = (typeof SHELVES)[number]

/** A request for a part of the list. */
export interface ListAsked {
  shelf: Shelf
  /** Every word of it is in the job's title, owner, address or note. */
  text: string
  state: JobState
  order: JobOrder
}
/** The first request, and the number of lines in each part. */
export const LIST_START: ListAsked = { shelf: 'here', text: '', state: 'all', order: 'urgent' }
export const LIST_PART = 40

/** Whether something is wrong that a technician has to see to. */
export const needsYou = (s: Summary | null): boolean =>
  s !== null && (s.broken > 0 || s.wrongReadings > 0 || s.toPutBack > 0 || (s.run?.failed ?? 0) > 0)

/** Proven, read, and its test run, where one was begun, at its end. */
const isDone = (s: Summary): boolean =>
  !needsYou(s) &&
  s.readings > 0 &&
  s.undecided === 0 &&
  s.states > 0 &&
  (!s.run || s.run.open + s.run.waiting === 0)

/** The states that a job is in; one that is not proven since its last change claims nothing, and is in none. */
export const statesOf = (s: Summary): JobState[] => STATES.filter((state) => isIn(state, s))

function isIn(state: JobState, s: Summary): boolean {
  switch (state) {
    case 'all':
      return true
    case 'open':
      // Begun, and something can be tried today.
      return (s.run?.open ?? 0) > 0
    case 'broken':
      return s.broken > 0 || (s.run?.failed ?? 0) > 0
    case 'needsReading':
      return s.readings === 0 || s.wrongReadings > 0
    case 'toPutBack':
      return s.toPutBack > 0
    case 'waiting':
      return s.run?.open === 0 && s.run.waiting > 0
    case 'done':
      return isDone(s)
  }
}
