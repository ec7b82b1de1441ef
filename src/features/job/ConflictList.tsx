'use client'

import { sentence, type Operation, type SetupOperation } from '@/jobfile'
import { Button } from '@/ui'
import { refWords } from '@/words'
import { useJobScreen, useJobView } from './JobContext'

/** Edits that the server did not take: yours and theirs side by side, to be decided; neither is lost. */
export function ConflictList({
  decide,
}: {
  decide: (opId: string, choice: 'mine' | 'theirs') => Promise<void> | void
}) {
  const view = useJobView()
  const { inst } = useJobScreen()
  if (!view.conflicted.length) return null
  return (
    <section aria-label="To decide" className="no-print mb-3 border-l-4 border-watch bg-watch-soft p-3">
      <h2 className="font-bold">Changed in two places</h2>
      <ul>
        {view.conflicted.map(({ envelope, theirs, problems }) => (
          <li key={envelope.opId} className="mt-2 flex flex-wrap items-center gap-3">
            <span className="flex-1 basis-72">
              Yours: {operationWords(inst, envelope.op)}.{' '}
              {theirs
                ? `${theirs.who || 'Somebody else'}: ${operationWords(inst, theirs.op)}.`
                : `Not taken: ${problems.map(sentence).join('; ')}.`}
            </span>
            <Button onClick={() => void decide(envelope.opId, 'mine')}>Use mine</Button>
            <Button onClick={() => void decide(envelope.opId, 'theirs')}>
              {theirs ? 'Keep theirs' : 'Let it go'}
            </Button>
          </li>
        ))}
      </ul>
    </section>
  )
}

type SetupKind = SetupOperation['kind']
const SETUP_WORDS: Record<SetupKind, string> = {
  answer: 'an answer of the interview',
  markSource: 'where a setting comes from',
  noteKeyed: 'a note of what a device showed',
  tickLine: 'a tick on a key-in sheet',
  addTemporary: 'a temporary setting',
  putBack: 'a temporary setting put back',
  closeVisit: 'the end of a visit',
}

function operationWords(inst: Parameters<typeof refWords>[0], op: Operation): string {
  switch (op.kind) {
    case 'landWire':
      return `${refWords(inst, `wires.${op.wire}`)} ${op.terminal ? `to ${refWords(inst, op.terminal)}` : 'lifted'}`
    case 'addWire':
      return `a ${op.wire.colour} conductor added`
    case 'removeWire':
      return 'a conductor taken out'
    case 'markWire':
      return `a conductor marked ${op.doubt ? 'not checked' : 'checked'}`
    case 'colourWire':
      return `a conductor's colour ${op.colour}`
    case 'setSetting':
      return `${refWords(inst, `${op.ref}.${op.setting}`)} ${op.value === null ? 'not known' : String(op.value)}`
    case 'setCableFeet':
      return `a cable ${op.feet} ft long`
    case 'setField':
      return `${op.field}: ${op.value}`
    case 'placeDevice':
      return `${op.placed.label} put in`
    case 'removeDevice':
      return `${refWords(inst, op.ref)} taken out`
    case 'addCable':
      return `${op.cable.label} put in`
    case 'removeCable':
      return 'a cable taken out'
    case 'takeReading':
      return `a reading of ${op.reading.value}`
    default:
      return SETUP_WORDS[op.kind]
  }
}
