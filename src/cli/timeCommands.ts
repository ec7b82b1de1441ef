import { CALLS, type Call } from '@/core/equipment'
import { prove } from '@/core/rules'
import { circuitWith } from '@/core/crossing'
import { testPlan } from '@/core/startup'
import { waitsFor, type Past } from '@/core/time'
import type { Checked, JobAnalysis } from '@/jobfile'
import {
  CALL_WORDS,
  cardTitle,
  findingSentence,
  HAZARD_WORDS,
  STEP_HAZARD,
  stepWords,
  todayWords,
  waitsSentences,
} from '@/words'
import { readSituation, type Args } from './args'
import { answer, refuse, type Result } from './answer'

/** The longest past that is looked at, s: a day. */
const MOST = 86_400

/** `--past heat1=600 --past off=60`: what was called before, first to last, each for how many seconds. */
function readPast(said: readonly string[]): Checked<Past> {
  const past: { call: Call; seconds: number }[] = []
  for (const p of said) {
    const [call, seconds] = p.split('=')
    const s = Number(seconds)
    if (!CALLS.includes(call as Call) || !seconds || !(s > 0 && s <= MOST))
      return refuse('--past', `CALL=SECONDS, such as heat1=600, up to ${MOST}`, p)
    past.push({ call: call as Call, seconds: s })
  }
  return { ok: true, value: past }
}

/** `gatecross wait FILE --call C`: what comes on when after a call, and what each waits for. */
export function waitCommand({ inst, circuit }: JobAnalysis, args: Args): Result {
  const situation = readSituation(inst, args.values)
  if (!situation.ok) return situation
  const past = readPast(args.values.past ?? [])
  if (!past.ok) return past
  const { call } = situation.value
  const found = waitsFor(circuit, call, situation.value, past.value)
  const lines = waitsSentences(inst, found)
  return answer(
    {
      call,
      steady: found.steady,
      settled: found.ended !== 'chatter',
      waits: found.waits.map(({ load, on, seconds, delays }) => ({
        load,
        on,
        seconds,
        held: delays.map((h) => ({ ref: h.ref, seconds: h.seconds })),
      })),
      untimed: found.untimed,
      words: lines,
    },
    found.ended === 'chatter'
      ? [`${CALL_WORDS[call]}: the circuit does not come to rest.`]
      : lines.length
        ? lines
        : [`${CALL_WORDS[call]}: nothing moves.`],
    found.ended === 'chatter',
  )
}

/** `gatecross startup FILE --outdoor T`: the cards of the test run on a day of that temperature, in their order. */
export function startupCommand({ job, inst, circuit }: JobAnalysis, args: Args): Result {
  const situation = readSituation(inst, args.values)
  if (!situation.ok) return situation
  const cards = testPlan(circuit, situation.value.outdoorF, job.commissioning.plates).map((card) => ({
    id: card.id,
    title: cardTitle(inst, card),
    call: card.situation.call,
    steps: card.steps.map((step) => {
      const hazard = STEP_HAZARD[step.kind]
      return `${hazard ? `[${HAZARD_WORDS[hazard]}] ` : ''}${stepWords(inst, step)}`
    }),
    moved: card.moved.map((m) => ({ at: m.at, value: String(m.value) })),
    runs: card.expected?.runs ?? [],
    stays: card.expected?.stays ?? [],
    open: card.expected?.open ?? [],
    today: todayWords(inst, card.today),
    can: card.today.can,
    steady: waitsFor(circuitWith(circuit, card.moved), card.situation.call, card.situation, card.past).steady,
  }))
  const broken = prove(inst).findings.filter((f) => f.severity !== 'warn')
  return answer(
    { broken: broken.map((f) => findingSentence(inst, f)), cards },
    [
      ...(broken.length
        ? [`${broken.length} broken: what runs here as wired is not yet what ought to. Put that right first.`]
        : []),
      ...broken.map((f) => `  ${findingSentence(inst, f)}`),
    ].concat(
      cards.flatMap((c) => [
        c.title,
        ...c.steps.map((step) => `  ${step}`),
        `  ${broken.length ? 'as wired it runs' : 'must run'}: ${c.runs.join(', ') || 'nothing'}${c.stays.length ? `; ${broken.length ? 'and not' : 'must not'}: ${c.stays.join(', ')}` : ''}${c.open.length ? `; by what is not known yet: ${c.open.join(', ')}` : ''}`,
        ...(c.today ? [`  ${c.today}`] : []),
      ]),
    ),
    broken.length > 0,
  )
}
