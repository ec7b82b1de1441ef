import { STRATEGIES, type CrossingGate } from '@/core/crossing'
import { cableOf } from '@/core/house'
import { heaterRows, bankTable, lineCircuitsOf, rowFigures } from '@/core/kit'
import { recommend, type Recommended } from '@/core/setup'
import { lineVoltsFor, lockOutList } from '@/core/startup'
import {
  cabinetWords,
  circuitNoteWords,
  circuitSentence,
  crossingAnswer,
  degrees,
  figure,
  INTENT_WORDS,
  recommendedSentence,
  refWords,
  whyRecommended,
} from '@/words'
import { line, type Block, type Section } from './paper'
import type { PaperInput } from './paperInput'
import type { Speech } from './speech'

/** The bank table of a kit in words: "W1: rows 1, 2". */
export const bankLines = (input: PaperInput): { kit: string; banks: { live: string; rows: string }[] }[] =>
  input.inst.placed
    .filter((p) => heaterRows(input.inst, p.ref).length > 0)
    .map((p) => ({
      kit: p.label,
      banks: bankTable(p).map((b) => ({
        live: b.inputs.join(' + '),
        rows: b.rows.map((r) => r.row).join(', ') || '–',
      })),
    }))

/** Rows, banks, circuits, and what to open before a cabinet is. */
export function kitSection(input: PaperInput, { labels }: Speech): Section[] {
  const { inst, seen, stands } = input
  const blocks: Block[] = []
  for (const kit of inst.placed) {
    const [first] = heaterRows(inst, kit.ref)
    if (!first) continue
    // As they were read on the circuit that feeds it, else as the service has them.
    const { volts } = lineVoltsFor(inst, first.ref, stands)
    blocks.push({
      kind: 'table',
      caption: `${labels.row}, ${figure(volts)} V`,
      heads: [labels.row, 'Ω', `A, ${figure(volts)} V`, 'kW'],
      widths: [3, 1, 1, 1],
      rows: rowFigures(inst, kit.ref, volts).map((r) => ({
        cells: [refWords(inst, r.ref), figure(r.ohms, 2), figure(r.amps), figure(r.kw, 2)],
      })),
    })
  }
  for (const { kit, banks } of bankLines(input))
    if (banks.length)
      blocks.push({
        kind: 'table',
        caption: `${labels.bankTable}, ${kit}`,
        heads: [labels.live, labels.rowsOn],
        widths: [1, 3],
        rows: banks.map((b) => ({ cells: [b.live, b.rows] })),
      })
  const circuits = lineCircuitsOf(inst, seen.plates, cableOf(seen.house))
  if (circuits.length)
    blocks.push(
      { kind: 'heading', text: labels.circuits },
      {
        kind: 'lines',
        lines: circuits.flatMap((c) => [
          line(circuitSentence(inst, c)),
          ...c.notes.map((n) => line(circuitNoteWords(n), 'watch')),
        ]),
      },
    )
  const cabinets = lockOutList(inst)
  if (cabinets.length)
    blocks.push(
      { kind: 'heading', text: labels.lockOut },
      {
        kind: 'lines',
        lines: cabinets.flatMap((c) => {
          const [title = '', ...rest] = cabinetWords(inst, c)
          return [line(title, 'strong'), ...rest.map((text) => line(text.trim()))]
        }),
      },
    )
  return blocks.length ? [{ id: 'kit', title: labels.kit, blocks }] : []
}

/** Crossing's numbers, and each gate with what supports it. */
export function crossingSection(input: PaperInput, { labels }: Speech): Section[] {
  const { crossing: view, job, inst } = input
  if (!view) return []
  const answer = crossingAnswer(view, job.prices.currency)
  const { gates } = view.gates
  const recommended = gates.length ? speakingFor(input) : []
  const blocks: Block[] = []
  if (answer.length)
    blocks.push({
      kind: 'lines',
      lines: answer.flatMap((a) => [line(a.text, a.grave ? 'watch' : 'strong'), line(a.how, 'soft')]),
    })
  if (view.recommended) blocks.push({ kind: 'lines', lines: [line(recommendedSentence(view.recommended))] })
  if (gates.length)
    blocks.push({
      kind: 'table',
      caption: labels.gate,
      heads: [labels.gate, labels.setAt, labels.why],
      widths: [3, 1.2, 4],
      rows: gates.map((g) => ({
        id: `gate:${g.at}`,
        cells: [
          refWords(inst, g.at),
          g.valueF === null ? labels.notKnown : degrees(g.valueF),
          [
            line(g.acts ? labels.decides : g.wouldAct ? labels.isOff : labels.holdsNothing),
            line(INTENT_WORDS[g.intent].does, 'soft'),
            ...reasonsFor(g, recommended).map((why) => line(why, 'soft')),
          ],
        ],
      })),
    })
  return blocks.length ? [{ id: 'crossing', title: labels.crossing, blocks }] : []
}

/** Reasons for settings: the owner's answers, the equipment, the strategies; asked once for all lockouts. */
const speakingFor = ({ seen }: PaperInput): Recommended[] =>
  [null, ...STRATEGIES].flatMap((school) => recommend(seen, school))

/** Reasons for a lockout's present value. */
const reasonsFor = (gate: CrossingGate, all: readonly Recommended[]): string[] => [
  ...new Set(
    all.filter((r) => r.at === gate.at && r.value === gate.valueF).map((r) => whyRecommended(r.why)),
  ),
]
