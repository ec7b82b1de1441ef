import type { JobListEntry, Summary } from '@/jobfile'

/** What a list of jobs can be narrowed to. */
export const STATES = ['all', 'open', 'broken', 'needsReading', 'toPutBack', 'waiting', 'done'] as const
export type JobState = (typeof STATES)[number]
export const ORDERS = ['urgent', 'newest', 'street'] as const
export type JobOrder = (typeof ORDERS)[number]

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

function isIn(state: JobState, s: Summary | null): boolean {
  if (state === 'all') return true
  // What is not proven since its last change claims nothing, and is in no state.
  if (!s) return false
  switch (state) {
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

/** The street before the number, so that neighbours stand together. */
const streetOf = (address: string): string => {
  const [, number = '', rest = address] = /^(\d+)\s+(.*)$/.exec(address) ?? []
  return `${rest.toLowerCase()} ${number.padStart(5, '0')}`
}

const hasWords = (entry: JobListEntry, text: string): boolean => {
  const all = `${entry.title} ${entry.owner} ${entry.address} ${entry.note}`.toLowerCase()
  return text
    .toLowerCase()
    .split(/\s+/)
    .every((word) => all.includes(word))
}

/**
 * The jobs that have every word that was typed and are in the state that was chosen, in order.
 * @param rank of a job by urgency, the lowest first; jobs of one rank keep their order
 */
export function filterJobs<T extends JobListEntry>(
  jobs: readonly T[],
  asked: { text: string; state: JobState; order: JobOrder },
  rank: (job: T) => number,
  current: (job: T) => Summary | null,
): T[] {
  const found = jobs.filter((j) => hasWords(j, asked.text.trim()) && isIn(asked.state, current(j)))
  switch (asked.order) {
    case 'urgent':
      return found.sort((a, b) => rank(a) - rank(b))
    case 'newest':
      return found.sort((a, b) => b.updatedAt.localeCompare(a.updatedAt))
    case 'street':
      return found.sort((a, b) => streetOf(a.address).localeCompare(streetOf(b.address)))
  }
}
