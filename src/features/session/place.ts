import type { ComponentType } from 'react'
import type { Circuit } from '@/core/circuit'
import type { Installation } from '@/core/installation'
import type { Finding, Proof } from '@/core/rules'
import type { Job } from '@/jobfile'

/** How a place stands, in a word or two for the rail. */
export interface PlaceMark {
  text: string
  /** It waits for the technician. */
  needs: boolean
}
export interface MarkSeen {
  job: Job
  inst: Installation
  circuit: Circuit
  conflicts: readonly Finding[]
  proof: Proof
}

/** One place of a job: its name in the address, its title, how it stands, and what it shows. */
export interface PlaceEntry {
  id: string
  title: string
  mark: (seen: MarkSeen) => PlaceMark
  Component: ComponentType
  /** What stands on paper in its stead; left out: what the screen shows. */
  Print?: ComponentType
}
