import { hash } from 'ohash'
import type { Job } from './sections/registry'

/** A short name for all that a signature is put under: equal for equal jobs, whatever is signed. */
export function signedState(job: Job): string {
  const { handover: _, ...rest } = job
  return hash(rest)
}
