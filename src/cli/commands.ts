import { READINGS } from '@/core/readings'
import { meterWithStrays, solve } from '@/core/circuit'
import { EARTH } from '@/core/equipment'
import { gateChain } from '@/core/explain'
import { makeRef, isRef, type Point, type Ref } from '@/core/installation'
import { resultOf } from '@/core/rules'
import { expectations, lockOutList, runningBy, unknownsBehindVolts, variantsOf } from '@/core/startup'
import { tolerances } from '@/core/tolerances'
import { type JobAnalysis, jsonSchemaOf, judgedReadings, proofOf } from '@/jobfile'
import {
  cabinetWords,
  causeWords,
  chainSentence,
  factorsSentence,
  figure,
  findingSentence,
  findingWords,
  gateWords,
  comparedWith,
  ruleWords,
  proofSentence,
  readingWords,
  refWords,
  undecidedSentence,
  undecidedSentences,
  VERDICT_WORDS,
} from '@/words'
import { ANSWERS, answerSchema, type AnswerName } from './answers'
import { answer, refuse, type Answer, type Result } from './answer'
import { readSituation, type Args } from './args'
import { crossingCommand } from './crossingCommands'
import { kitCommand } from './kitCommand'
import { runCommand, winterCommand } from './sceneCommands'
import { startupCommand, waitCommand } from './timeCommands'
import { failuresCommand, planCommand } from './planCommands'
import { conflictsCommand, sheetCommand } from './setupCommands'

export type { Answer }

/** A bound of a band for a script; one that has no end is null. */
const finite = (n: number | undefined): number | null => (n !== undefined && Number.isFinite(n) ? n : null)

export const COMMANDS: Record<string, (analysis: JobAnalysis, args: Args) => Result> = {
  check(analysis) {
    const { inst } = analysis
    const proof = proofOf(analysis)
    const findings = proof.findings.map((f) => ({
      ...f,
      because: f.because.map((x) => findingWords(inst, x)),
      words: findingSentence(inst, f),
    }))
    const undecided = proof.undecided.map((u) => {
      const { tooMany: _, ...rest } = u
      return { ...rest, words: undecidedSentence(inst, u) }
    })
    const grave = findings.some((f) => f.severity !== 'warn')
    // With no operating state solved, nothing is proven and nothing passes.
    const found = grave || undecided.length > 0 || proof.solved === 0
    const verdict = proofSentence(inst, proof)
    return answer(
      {
        ok: !found,
        verdict,
        rules: proof.rules.length,
        states: proof.solved,
        assumed: proof.assumed,
        findings,
        undecided,
      },
      [
        verdict,
        ...findings.map((f) => `  ${f.severity}: ${f.words}`),
        ...(proof.tooMany ? [] : undecidedSentences(inst, proof.undecided)).map((u) => `  undecided: ${u}`),
      ],
      found,
    )
  },

  sweep(analysis) {
    const proof = proofOf(analysis)
    const rules = proof.rules.map((rule) => ({ rule, result: resultOf(proof, rule), words: ruleWords(rule) }))
    return answer(
      { states: proof.solved, factors: proof.factors, rules },
      [factorsSentence(proof), ...rules.map((r) => `  ${r.result.padEnd(10)} ${r.words}`)],
      rules.some((r) => r.result === 'broken' || r.result === 'undecided'),
    )
  },

  state({ inst, circuit }, args) {
    const situation = readSituation(inst, args.values)
    if (!situation.ok) return situation
    const ways = variantsOf(circuit)
    const solved = solve(ways.usual, situation.value)
    if (!solved.ok) {
      const json = {
        situation: situation.value,
        settled: false,
        cycle: solved.cycle,
        running: [],
        open: [],
        terminals: [],
        overcurrents: [],
      }
      return answer(
        json,
        [`Does not come to rest: ${solved.cycle.map((r) => refWords(inst, r)).join(', ')}`],
        true,
      )
    }
    // The same list that the start-up cards show.
    const devices = expectations(circuit, situation.value) ?? []
    const terminals = devices
      .flatMap((d) => d.terminals)
      .map(({ terminal, volts, state }) => ({ terminal, volts, state }))
    const { runs: running, open } = runningBy(ways, situation.value) ?? { runs: [], open: [] }
    const { overcurrents } = solved
    const names = (refs: readonly Ref[]) => refs.map((r) => refWords(inst, r)).join(', ')
    return answer(
      { situation: situation.value, settled: true, cycle: [], running, open, terminals, overcurrents },
      [
        `Running: ${names(running) || 'nothing'}`,
        ...(open.length ? [`By what is not known yet: ${names(open)}`] : []),
        ...terminals.map((t) => `  ${t.terminal.padEnd(12)} ${figure(t.volts).padStart(6)} V  ${t.state}`),
        ...overcurrents.map(
          (o) =>
            `  overcurrent at ${refWords(inst, o.ref)}: ${figure(o.amps)} A, limit ${figure(o.limitA)} A`,
        ),
      ],
      overcurrents.length > 0,
    )
  },

  supplies({ inst }) {
    const cabinets = lockOutList(inst)
    return answer(
      { cabinets },
      cabinets.length ? cabinets.flatMap((c) => cabinetWords(inst, c)) : ['No line voltage is landed.'],
    )
  },

  chain({ inst, circuit }, args) {
    const target = args.values.target
    const loads = inst.placed.flatMap((p) =>
      p.device.parts.filter((x) => x.kind === 'load').map((x) => makeRef(p.ref, x.id)),
    )
    if (!target || !isRef(target) || !loads.includes(target))
      return refuse('--target', `one of ${loads.join(', ')}`, target)
    const situation = readSituation(inst, args.values)
    if (!situation.ok) return situation
    const solved = solve(circuit, situation.value)
    if (!solved.ok)
      return answer(
        { target, running: 'unknown', words: 'Does not come to rest', first: null, gates: [], route: [] },
        ['Does not come to rest'],
        true,
      )
    const chain = gateChain(solved, target)
    const words = chainSentence(inst, chain)
    const gates = chain.gates.map((g) => ({ at: g.at, side: g.side, state: g.state, ...gateWords(inst, g) }))
    return answer({ target, running: chain.running, words, first: chain.first, gates, route: chain.route }, [
      `${refWords(inst, target)}: ${words}`,
      ...gates.map(
        (g, i) =>
          `${i === chain.first ? '>' : ' '} ${g.state.padEnd(10)} ${g.name}${g.reason ? `: ${g.reason}` : ''}`,
      ),
    ])
  },

  meter({ inst, circuit }, args) {
    const { from, to, low } = args.values
    const isPoint = (ref: string | undefined): ref is Point =>
      ref === EARTH || (ref !== undefined && isRef(ref) && circuit.net.index.has(ref))
    const expected = `a terminal such as ah.W1, or ${EARTH}`
    if (!isPoint(from)) return refuse('--from', expected, from)
    if (!isPoint(to)) return refuse('--to', expected, to)
    const situation = readSituation(inst, args.values)
    if (!situation.ok) return situation
    const solved = solve(circuit, situation.value)
    if (!solved.ok)
      return refuse('--call', 'a situation in which the circuit comes to rest', situation.value.call)
    const meterOhms = low ? tolerances.lowMeterOhms : tolerances.meterOhms
    // As the meter on the Bench shows it, ghosts of neighbouring conductors included.
    const volts = meterWithStrays(solved, from, to, meterOhms)
    const on = unknownsBehindVolts(variantsOf(circuit), situation.value, from, to, meterOhms)
    return answer({ from, to, volts, meterOhms, hangsOn: on, situation: situation.value }, [
      `${figure(volts, 2)} V from ${from} to ${to}`,
      ...on.map((at) => `  hangs on ${refWords(inst, at)}: not known yet`),
    ])
  },

  plan: planCommand,
  failures: failuresCommand,
  crossing: crossingCommand,
  kit: kitCommand,
  wait: waitCommand,
  run: runCommand,
  winter: winterCommand,
  startup: startupCommand,
  conflicts: conflictsCommand,
  sheet: sheetCommand,

  judge(analysis) {
    const { inst } = analysis
    const readings = judgedReadings(analysis).map(({ reading: r, verdict: v }) => ({
      id: r.id,
      kind: r.kind,
      value: readingWords(inst, r, READINGS[r.kind].unit),
      verdict: v.verdict,
      held: comparedWith(v),
      low: finite(v.expected?.low),
      high: finite(v.expected?.high),
      causes: v.causes.map((c) => causeWords(inst, c)),
    }))
    const lines = readings.flatMap((r) => [
      `${VERDICT_WORDS[r.verdict]}: ${r.value}. ${r.held}`,
      ...r.causes.map((c) => `    ${c}`),
    ])
    return answer(
      { readings },
      lines.length ? lines : ['No readings yet'],
      readings.some((r) => r.verdict === 'wrong'),
    )
  },
}

/** `gatecross schema [job|device|<answer>]`: the published schemas; without a name, the list of names. */
export function schemaCommand(name: string | undefined): Result {
  const names = ['job', 'device', ...Object.keys(ANSWERS)]
  if (name === undefined) return answer(names, names)
  if (!names.includes(name)) return refuse('schema', `one of ${names.join(', ')}`, name)
  const schema = name === 'job' || name === 'device' ? jsonSchemaOf(name) : answerSchema(name as AnswerName)
  return answer(schema, [JSON.stringify(schema, null, 2)])
}
