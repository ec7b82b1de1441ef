/** What the list of jobs shows, worked out from one version of the document. */
export interface Summary {
  version: number
  verdict: string
  broken: number
  undecided: number
  states: number
  readings: number
  wrongReadings: number
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
