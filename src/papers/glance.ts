import { DEVICE_KINDS, hasTrait, KINDS } from '@/core/equipment'
import { runSummary, type RunSummary } from '@/core/startup'
import {
  factorsSentence,
  findingSentence,
  KIND_WORDS,
  proofSentence,
  runSentence,
  temporaryWords,
  undecidedSentences,
  upper,
} from '@/words'
import { line, type Line, type Section, type Tone } from './paper'
import type { PaperInput } from './paperInput'
import type { Speech } from './speech'

/** Kinds that identify a house, from outdoors to the wall; feeds, splices and small controls are on later pages. */
const SHOWN = DEVICE_KINDS.filter((kind) => hasTrait({ kind }, 'onGlance')).sort(
  (a, b) => (KINDS[b].column ?? 0) - (KINDS[a].column ?? 0),
)
/** Lines of what is open that one page holds; the rest is counted. */
const MOST_OPEN = 14

/** The page that is read in a minute: what it is, what was proven, what was read, what is open. */
export function glance(input: PaperInput, speech: Speech): Section {
  const { inst, proof, stands, verdicts, job } = input
  const { labels } = speech
  const count = (v: string) => stands.filter((r) => verdicts.get(r.id)?.verdict === v).length
  const run = runSummary(input.circuit, job.startup)
  const open = openLines(input, run, speech)
  return {
    id: 'glance',
    title: labels.atAGlance,
    blocks: [
      { kind: 'heading', text: labels.whatItIs },
      {
        kind: 'table',
        caption: labels.whatItIs,
        widths: [1, 2],
        rows: SHOWN.flatMap((kind) =>
          inst.placed
            .filter((p) => p.device.kind === kind)
            .map((p) => ({
              cells: [{ text: p.label, tone: 'strong' as const }, nameOf(input, p.ref, labels)],
            })),
        ),
      },
      { kind: 'heading', text: labels.proven },
      {
        kind: 'lines',
        lines: [
          line(
            proofSentence(inst, proof),
            proof.findings.some((f) => f.severity !== 'warn') ? 'harm' : 'strong',
          ),
          line(`${factorsSentence(proof)}.`, 'soft'),
        ],
      },
      { kind: 'heading', text: labels.readings },
      {
        kind: 'lines',
        lines: [
          line(
            speech.read({
              all: stands.length,
              right: count('right'),
              watch: count('watch'),
              wrong: count('wrong'),
              unjudged: count('unjudged'),
            }),
            count('wrong') ? 'harm' : 'strong',
          ),
          line(runLine(run)),
        ],
      },
      { kind: 'heading', text: labels.open },
      {
        kind: 'lines',
        lines: open.length
          ? [
              ...open.slice(0, MOST_OPEN),
              ...(open.length > MOST_OPEN ? [line(`+ ${open.length - MOST_OPEN}`, 'soft')] : []),
            ]
          : [line(labels.nothingOpen, 'well')],
      },
      ...(job.handover?.signatures?.some((s) => !s.withdrawn)
        ? []
        : [{ kind: 'lines' as const, lines: [line(labels.notSigned, 'soft')] }]),
    ],
  }
}

function nameOf({ inst, seen }: PaperInput, ref: string, labels: Speech['labels']): string {
  const placed = inst.placed.find((p) => p.ref === ref)
  const { model, serial } = seen.plates[ref] ?? {}
  return [
    placed?.device.name ?? ref,
    model ? `${labels.model} ${model}` : '',
    serial ? `${labels.serial} ${serial}` : '',
  ]
    .filter(Boolean)
    .join(', ')
}

const runLine = (run: RunSummary | null): string =>
  run ? `${runSentence(run)}.` : 'The test run has not begun.'

/** Everything that somebody still has to see to, gravest first. */
function openLines(input: PaperInput, run: RunSummary | null, { labels, verdicts: said }: Speech): Line[] {
  const { inst, proof, conflicts, job, stands, verdicts } = input
  const wrong = (v: 'wrong' | 'watch', tone: Tone) =>
    stands
      .filter((r) => verdicts.get(r.id)?.verdict === v)
      .map((r) => ({ text: `${said[v]}: ${KIND_WORDS[r.kind]}`, tone }))
  // Findings about settings are among the proof's findings where that covers them.
  const known = new Set(proof.findings.map((f) => findingSentence(inst, f)))
  const findings = [...proof.findings, ...conflicts.filter((c) => !known.has(findingSentence(inst, c)))]
  const of = (isWarning: boolean) =>
    findings
      .filter((f) => (f.severity === 'warn') === isWarning)
      .map((f) => ({
        text: `${isWarning ? labels.look : labels.broken}: ${findingSentence(inst, f)}`,
        tone: isWarning ? ('watch' as const) : ('harm' as const),
      }))
  return [
    ...of(false),
    ...job.setup.temporary
      .filter((t) => !t.back)
      .map((t) => ({ text: upper(temporaryWords(inst, t).open), tone: 'harm' as const })),
    ...wrong('wrong', 'harm'),
    ...undecidedSentences(inst, proof.undecided).map((words) => ({
      text: `${labels.undecided}: ${words}`,
      tone: 'watch' as const,
    })),
    ...of(true),
    ...wrong('watch', 'watch'),
    ...runOpen(run),
  ]
}

/** A test run that has not come to its end. */
function runOpen(run: RunSummary | null): Line[] {
  const isEnded = run && !run.failed && !run.open && !run.waiting
  return isEnded ? [] : [{ text: runLine(run), tone: run?.failed ? 'harm' : 'watch' }]
}
