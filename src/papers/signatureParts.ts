import type { Block, Section } from './paper'
import { line } from './paper'
import type { PaperInput } from './paperInput'
import type { Speech } from './speech'

/** Who signed, and whether the job is still what was signed. */
export function signatureSection({ job, state }: PaperInput, speech: Speech): Section {
  const { labels, roles } = speech
  const signatures = job.handover?.signatures ?? []
  const blocks: Block[] = signatures.map((s) => ({
    kind: 'signature',
    strokes: s.withdrawn ? [] : s.strokes,
    under: [
      line(`${s.name}, ${roles[s.role].toLowerCase()}, ${speech.moment(s.when)}`),
      s.withdrawn
        ? line(
            `${labels.withdrawn}: ${s.withdrawn.who || labels.nobody}, ${speech.moment(s.withdrawn.when)}`,
            'harm',
          )
        : s.of === state
          ? line(labels.signedThis, 'soft')
          : line(labels.changedSince, 'watch'),
    ],
  }))
  return {
    id: 'signatures',
    title: labels.signatures,
    blocks: blocks.length ? blocks : [{ kind: 'lines', lines: [line(labels.notSigned)] }],
  }
}
