import type { Law } from './law'

/** No control transformer gives more volt-amperes for good than it is rated for. */
export const transformerLoad: Law = {
  id: 'transformerLoad',
  severity: 'wrong',
  applies: (inst) => inst.placed.some((p) => p.device.parts.some((x) => x.kind === 'transformer')),
  each: ({ facts }) => (facts.overloaded[0] ? { at: facts.overloaded[0].ref, what: 'overloaded' } : null),
}
