import { READINGS } from '@/core/readings'
import { dayF, supersededBy, testPlan, type Reading } from '@/core/startup'
import {
  cardTitle,
  causeWords,
  comparedWith,
  KIND_WORDS,
  readingWords,
  situationWords,
  stopped,
} from '@/words'
import { line, type Cell, type Line, type Section, type Tone } from './paper'
import type { PaperInput } from './paperInput'
import type { Speech } from './speech'

/** How each card of the test run ended; what was not tried is said as well. */
export function runSection({ circuit, job, inst }: PaperInput, speech: Speech): Section {
  const { labels, cards: states } = speech
  const { cards } = job.startup
  const rows = testPlan(circuit, dayF(job.startup), job.commissioning.plates).map((card) => {
    const mark = cards[card.id]
    const by = mark && `${mark.who || labels.nobody}, ${speech.moment(mark.when)}`
    const state: Line = mark
      ? { text: states[mark.state], tone: mark.state === 'failed' ? 'harm' : 'strong' }
      : line(labels.notTried)
    return {
      id: `run:${card.id}`,
      cells: [
        state,
        [line(cardTitle(inst, card)), ...(mark?.note ? [line(mark.note, 'soft')] : [])],
        by ?? '',
      ] satisfies Cell[],
    }
  })
  return {
    id: 'run',
    title: labels.run,
    blocks: Object.keys(cards).length
      ? [{ kind: 'table', caption: labels.run, widths: [1.2, 4, 2], rows }]
      : [{ kind: 'lines', lines: [line(labels.noCards)] }],
  }
}

const TONE: Record<keyof Speech['verdicts'], Tone> = {
  right: 'well',
  watch: 'watch',
  wrong: 'harm',
  unjudged: 'soft',
}

/** Every reading that stands, with what it was compared with, and those that it superseded. */
export function readingsSection({ inst, job, stands, verdicts }: PaperInput, speech: Speech): Section {
  const { labels } = speech
  const taken = (r: Reading): string => `${r.instrument}, ${r.who || labels.nobody}, ${speech.moment(r.when)}`
  const rows = stands.map((r) => {
    const { unit } = READINGS[r.kind]
    const v = verdicts.get(r.id)
    const held: Line[] = v
      ? [
          { text: speech.verdicts[v.verdict], tone: TONE[v.verdict] },
          line(comparedWith(v)),
          ...(v.causes.length
            ? [
                line(
                  `${v.verdict === 'right' ? labels.note : labels.check} ${v.causes.map((c) => stopped(causeWords(inst, c))).join(' ')}`,
                  'soft',
                ),
              ]
            : []),
        ]
      : []
    return {
      id: `reading:${r.id}`,
      cells: [
        [
          { text: KIND_WORDS[r.kind], tone: 'strong' as const },
          line(readingWords(inst, r, unit)),
          ...(r.note ? [line(r.note, 'soft')] : []),
          ...supersededBy(r, job.readings).map((e) => ({
            text: `${labels.superseded}: ${readingWords(inst, e, unit)}. ${taken(e)}`,
            tone: 'soft' as const,
            gone: true,
          })),
        ],
        held,
        [line(situationWords(inst, r.situation)), line(taken(r), 'soft')],
      ] satisfies Cell[],
    }
  })
  return {
    id: 'readings',
    title: labels.readings,
    blocks: rows.length
      ? [
          {
            kind: 'table',
            caption: labels.readings,
            heads: [labels.reading, labels.verdict, labels.taken],
            widths: [2.4, 3, 2],
            rows,
          },
        ]
      : [{ kind: 'lines', lines: [line(labels.noReadings)] }],
  }
}
