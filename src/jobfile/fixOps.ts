import type { Installation } from '@/core/installation'
import type { Change, Fix } from '@/core/rules'
import type { Operation } from './operation'

/** The edits that record a mend as done. */
export const fixOperations = (inst: Installation, fix: Fix, newId: () => string): Operation[] =>
  fix.flatMap((change) => operationsOf(inst, change, newId))

function operationsOf(inst: Installation, change: Change, newId: () => string): Operation[] {
  switch (change.kind) {
    case 'moveWire':
      return [{ kind: 'landWire', wire: change.wire, end: change.end, terminal: change.to }]
    case 'removeWire': {
      const { wire } = change
      if (inst.wires.find((w) => w.id === wire)?.cable === null) return [{ kind: 'removeWire', wire }]
      return (['a', 'b'] as const).map((end) => ({ kind: 'landWire', wire, end, terminal: null }))
    }
    case 'addJumper': {
      const { a, b } = change
      return [{ kind: 'addWire', wire: { id: newId(), cable: null, colour: 'white', a, b, feet: 1 } }]
    }
    case 'setSetting': {
      const { placed: ref, setting, value } = change
      return [{ kind: 'setSetting', ref, setting, value }]
    }
  }
}
