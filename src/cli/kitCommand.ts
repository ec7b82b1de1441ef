import { kitAdvice, heatersOf, plateOf } from '@/core/crossing'
import { airflowOf, BTU_PER_KWH, cableOf, houseValue } from '@/core/house'
import type { JobSeen } from '@/core/installation'
import {
  bankTable,
  blowerAmps,
  clockedInput,
  identifyKit,
  inputAtSite,
  lineCircuitsOf,
  nozzleFlow,
  nozzleFor,
  oilInput,
  rowFigures,
  serviceLoadOf,
  unknownWatts,
  USUAL_HEATING,
  USUAL_KITS,
  USUAL_PSI,
  type KitClues,
} from '@/core/kit'
import { burnersOf, serviceVolts } from '@/core/query'
import { prove, stripsNeverTogether } from '@/core/rules'
import type { Checked, JobAnalysis } from '@/jobfile'
import {
  btuh,
  circuitNoteWords,
  circuitSentence,
  count,
  figure,
  identitySentences,
  kitAdviceSentences,
  serviceSentence,
  unknownWattsSentence,
} from '@/words'
import { answer, refuse, type Result } from './answer'
import type { Args } from './args'

/** Numbers with colons between, as an option has them: at least so many, and no more than its form names. */
function numbers(
  option: string,
  text: string | undefined,
  form: string,
  least: number,
): Checked<number[] | null> {
  if (text === undefined) return { ok: true, value: null }
  const list = text.split(':').map(Number)
  return list.length >= least &&
    list.length <= form.split(':').length &&
    list.every((n) => n > 0 && Number.isFinite(n))
    ? { ok: true, value: list }
    : refuse(option, form, text)
}

/** The clues of `--which`: "label=10 breaker=60 found=60,30 ohms=11.5,OL across=element amps=39 volts=236 rows=2". */
function cluesOf(text: string): Checked<KitClues> {
  const clues: Record<string, unknown> = {}
  const KEYS = { label: 'labelKw', breaker: 'labelBreaker', found: 'breakers', ohms: 'ohms', across: 'across', amps: 'amps', volts: 'volts', rows: 'rows' } as const // prettier-ignore
  for (const word of text.split(/\s+/).filter(Boolean)) {
    const [key = '', said = ''] = word.split('=')
    if (!Object.hasOwn(KEYS, key) || !said)
      return refuse('--which', `${Object.keys(KEYS).join('=, ')}=, such as "label=10 rows=2"`, word)
    const of = KEYS[key as keyof typeof KEYS]
    if (of === 'across') {
      if (said !== 'element' && said !== 'row') return refuse('--which', 'across=element or across=row', word)
      clues[of] = said
      continue
    }
    const list = said.split(',').map((t) => (of === 'ohms' && t.toUpperCase() === 'OL' ? 'OL' : Number(t)))
    if (list.some((n) => typeof n === 'number' && !(n > 0))) return refuse('--which', 'numbers above 0', word)
    clues[of] = of === 'ohms' || of === 'breakers' ? list : list[0]
  }
  return { ok: true, value: clues }
}

/** Lines about the service load, by the method that the job names; none where its numbers are missing. */
function serviceLines(seen: JobSeen): string[] {
  const { inst, house } = seen
  const serviceA = houseValue(house, 'serviceA')
  if (serviceA === undefined) return []
  const load = serviceLoadOf(inst, house, stripsNeverTogether(inst, prove(inst)))
  return load ? [`Service: ${serviceSentence(load, serviceA)}`] : []
}

/** The burner by its plate at this altitude, and by its meter or its nozzle where they were read. */
function burnerLines(seen: JobSeen, clock: number[] | null, nozzle: number[] | null): string[] {
  const at = burnersOf(seen.inst)[0]
  const { fuel } = heatersOf(seen)
  if (!at || !fuel) return []
  const plate = plateOf(seen, at.placed)
  const altitude = houseValue(seen.house, 'altitudeFt')
  const wanted = inputAtSite(plate, fuel, altitude)
  const lines = wanted
    ? [
        `Burner: ${btuh(wanted.btuh)} in${wanted.isDerated ? ` at ${count(altitude ?? 0)} ft (the manufacturer’s table wins)` : ', by its plate'}.`,
      ]
    : []
  const psi = nozzle?.[1] ?? USUAL_PSI
  if (fuel === 'oil' && wanted)
    lines.push(`Nozzle for it: ${figure(nozzleFor(wanted.btuh, psi), 2)} gal/h at ${figure(psi)} psi.`)
  const gph = nozzle?.[0]
  if (fuel === 'oil' && gph !== undefined)
    lines.push(
      `A ${figure(gph, 2)} gal/h nozzle at ${figure(psi)} psi: ${btuh(oilInput(nozzleFlow(gph, psi)))} in.`,
    )
  const [feet, seconds, heating] = clock ?? []
  if (fuel !== 'oil' && feet !== undefined && seconds !== undefined) {
    const by = (meterFt: number) => clockedInput(feet, seconds, heating ?? USUAL_HEATING[fuel], meterFt)
    lines.push(
      altitude
        ? `Clocked: ${btuh(by(altitude))} in, or ${btuh(by(0))} if the meter compensates for pressure. Ask the utility.`
        : `Clocked: ${btuh(by(0))} in.`,
    )
  }
  return lines
}

const total = (rows: readonly { kw: number; amps: number }[], of: 'kw' | 'amps'): number =>
  rows.reduce((sum, r) => sum + r[of], 0)

/** `gatecross kit FILE`: rows, banks, circuits, service, burner; with readings also airflow, clocked input, which kit. */
export function kitCommand({ inst, circuit, seen }: JobAnalysis, args: Args): Result {
  const { values } = args
  const asked = values.volts === undefined ? null : Number(values.volts)
  if (asked !== null && !(asked >= 100 && asked <= 300))
    return refuse('--volts', '100 to 300 V', values.volts)
  const clock = numbers('--clock', values.clock, 'FT3:SECONDS:BTU', 2)
  if (!clock.ok) return clock
  const nozzle = numbers('--nozzle', values.nozzle, 'GPH:PSI', 1)
  if (!nozzle.ok) return nozzle
  const air = numbers('--airflow', values.airflow, 'AMPS:RISE', 2)
  if (!air.ok) return air
  const which = values.which === undefined ? null : cluesOf(values.which)
  if (which && !which.ok) return which
  const kits = inst.placed.flatMap((placed) => {
    const volts = asked ?? serviceVolts(inst, placed.ref)
    const rows = rowFigures(inst, placed.ref, volts)
    if (!rows.length) return []
    const banks = bankTable(placed).map((b) => ({ inputs: b.inputs, rows: b.rows.map((r) => r.row) }))
    return [{ kit: placed.ref, volts, rows, banks }]
  })
  const circuits = lineCircuitsOf(inst, seen.plates, cableOf(seen.house)).map((c) => ({
    feed: c.feed,
    feeds: c.feeds,
    requiredA: c.requiredA,
    breakerA: c.breakerA,
    gauge: c.gauge,
    words: circuitSentence(inst, c),
    notes: c.notes.map(circuitNoteWords),
  }))
  const notKnown = unknownWatts(inst)
  const advice = kitAdvice(seen, circuit)
  const sentences = advice ? kitAdviceSentences(advice) : []
  const volts = asked ?? kits[0]?.volts ?? 240
  const [amps, rise] = air.value ?? []
  const readings = [
    ...serviceLines(seen),
    ...burnerLines(seen, clock.value, nozzle.value),
    ...(amps !== undefined && rise !== undefined
      ? [
          `Airflow: ${count(Math.round(airflowOf((volts * amps * BTU_PER_KWH) / 1000, rise, houseValue(seen.house, 'altitudeFt'))))} CFM by ${figure(amps)} A at ${figure(volts)} V and a rise of ${figure(rise)} °F.`,
        ]
      : []),
    ...(which?.ok
      ? identitySentences(
          identifyKit(which.value, USUAL_KITS, { blowerA: blowerAmps(inst, seen.plates), volts }),
        )
      : []),
  ]
  return answer(
    { kits, circuits, advice: sentences, readings, notKnown },
    [
      ...notKnown.flatMap((at) => unknownWattsSentence(inst, [at]) ?? []),
      ...kits.flatMap((k) => [
        `${k.kit} at ${figure(k.volts)} V: ${figure(total(k.rows, 'kw'), 2)} kW, ${figure(total(k.rows, 'amps'))} A`,
        ...k.rows.map(
          (r) => `  row ${r.row}  ${figure(r.ohms, 2)} Ω  ${figure(r.amps)} A  ${figure(r.kw, 2)} kW`,
        ),
        ...k.banks.map(
          (b) =>
            `  ${b.inputs.join(' + ')}: ${b.rows.length === 1 ? 'row' : 'rows'} ${b.rows.join(', ') || 'none'}`,
        ),
      ]),
      ...circuits.flatMap((c) => [c.words, ...c.notes.map((n) => `  ${n}`)]),
      ...readings,
      ...sentences,
    ],
    circuits.some((c) => c.notes.length > 0),
  )
}
