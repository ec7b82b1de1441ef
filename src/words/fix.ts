import { makeRef, type Installation } from '@/core/installation'
import type { Change } from '@/core/rules'
import { valueAtText } from './intents'
import { refWords } from './names'

/** A change, as an instruction to the technician. */
export function changeWords(inst: Installation, change: Change): string {
  const wireOf = (id: string) => inst.wires.find((w) => w.id === id)
  const named = (id: string) => refWords(inst, `wires.${id}`)
  switch (change.kind) {
    case 'moveWire': {
      const from = wireOf(change.wire)?.[change.end]
      const to = refWords(inst, change.to)
      return from
        ? `Move the ${named(change.wire)} from ${refWords(inst, from)} to ${to}`
        : `Land the ${named(change.wire)} on ${to}`
    }
    case 'removeWire': {
      const wire = wireOf(change.wire)
      const ends = [wire?.a, wire?.b].flatMap((r) => (r ? [refWords(inst, r)] : []))
      return `${wire?.cable === null ? 'Remove' : 'Lift'} the ${named(change.wire)}, ${ends.join(' to ')}`
    }
    case 'addJumper':
      return `Put a jumper from ${refWords(inst, change.a)} to ${refWords(inst, change.b)}`
    case 'setSetting': {
      const at = makeRef(change.placed, change.setting)
      return `Set ${refWords(inst, at)} to ${valueAtText(inst, at, change.value)}`
    }
  }
}
