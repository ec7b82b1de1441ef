import { lazy, type ComponentType } from 'react'
import type { Proof } from '@/core/rules'
import type { JobAnalysis } from '@/jobfile'

/** How a place stands, in a word or two for the rail. */
export interface PlaceMark {
  text: string
  /** It waits for the technician. */
  needs: boolean
}
export interface MarkSeen {
  analysis: JobAnalysis
  proof: Proof
}

/** A place of a job: its name in the address, title, status, and content. */
export interface PlaceEntry {
  id: string
  title: string
  /** How it stands; what works that out is fetched after the first look. */
  mark: () => Promise<(seen: MarkSeen) => PlaceMark>
  Component: ComponentType
  /** Fetches what it shows, ahead of being looked at; and what else it can show. */
  fetch: () => Promise<unknown>
  fetchMore: () => Promise<unknown>
  /** Printed content; left out: the screen's content. */
  Print?: ComponentType
}

/**
 * Content of a place, fetched when the place is first opened.
 * @param more other content, fetched when the browser is idle
 */
export function loaded(
  load: () => Promise<ComponentType>,
  more: () => Promise<unknown> = () => Promise.resolve(),
): Pick<PlaceEntry, 'Component' | 'fetch' | 'fetchMore'> {
  return {
    Component: lazy(async () => ({ default: await load() })),
    fetch: load,
    fetchMore: more,
  }
}
