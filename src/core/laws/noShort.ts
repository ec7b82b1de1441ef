import type { Law } from './law'

/** No fuse, breaker or transformer carries more than it is made for. */
export const noShort: Law = {
  id: 'noShort',
  severity: 'danger',
  applies: () => true,
  each: ({ facts }) => {
    const worst = facts.over.reduce<(typeof facts.over)[number] | null>(
      (a, o) => (a && a.amps / a.limitA >= o.amps / o.limitA ? a : o),
      null,
    )
    return worst && { at: worst.ref, what: 'overcurrent' }
  },
}
