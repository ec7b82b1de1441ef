import { JOB_VERSION, type Envelope, type Operation } from '@/jobfile'
import type { StoreNeeds } from './view'

/**
 * An edit on its way.
 * @param pending what waits on this device, other tabs' edits too
 * @param version of the document here
 * @param seen the revision that its maker saw when they began with it; the one that is here when left out
 */
export function envelopeOf(
  op: Operation,
  needs: StoreNeeds,
  pending: readonly Envelope[],
  version: number,
  seen?: number,
): Envelope {
  const knew = pending.filter((e) => e.client !== needs.client).map((e) => e.opId)
  const clock = needs.clockOff?.() ?? 0
  return {
    opId: needs.newId(),
    client: needs.client,
    who: needs.who(),
    at: needs.now().toISOString(),
    ...(clock ? { clock } : {}),
    docVersion: JOB_VERSION,
    seen: Math.min(seen ?? version, version),
    ...(knew.length && seen === undefined ? { knew } : {}),
    op,
  }
}

/** The time by the device's own clock, ISO: the server compares it with its own. */
export const sentNow = ({ now, clockOff }: StoreNeeds): string =>
  new Date(now().getTime() - (clockOff?.() ?? 0)).toISOString()
