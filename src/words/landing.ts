import type { Installation } from '@/core/installation'
import { csvOf } from '@/jobfile'
import { refWords } from './names'

/** The landing schedule as CSV: one conductor or jumper a line, harnesses and line conductors included. */
export function landingCsv(inst: Installation): string {
  const rows = inst.wires.map((w) => {
    const cable = inst.cables.find((c) => c.id === w.cable)
    return [
      cable?.label ?? 'Jumper',
      w.colour,
      w.colourB ?? w.colour,
      w.a ? refWords(inst, w.a) : '',
      w.b ? refWords(inst, w.b) : '',
      w.a ?? '',
      w.b ?? '',
      w.doubt ? 'not checked' : '',
    ]
  })
  const head = ['cable', 'colour', 'colour at the far end', 'from', 'to', 'from id', 'to id', 'note']
  return csvOf(head, rows)
}
