import { hasTrait, type Plate } from '../equipment'
import type { CableRating } from '../house'
import { splitRef, terminalOf, wireSize, type Installation, type Placed, type Ref } from '../installation'
import { having, breakerOf, feedsOf, serviceVolts } from '../query'
import { tolerances } from '../tolerances'
import { ampacityOf, conductorFor, largestBreaker, nextBreaker } from './conductors'
import { motorsBehind } from './motors'
import { heaterRows, rowsBehind } from './rows'

/** A: elements above this are subdivided, and a subdivided load is protected at no more than the other (NEC 424.22(B)). */
const SUBDIVIDED_ABOVE_A = 48
const SUBDIVIDED_BREAKER_A = 60

/** Problems of and questions about a line circuit. */
export type CircuitNote =
  | { code: 'breakerSmall'; needs: number }
  | { code: 'breakerLarge'; most: number }
  | { code: 'conductorThin'; needs: number }
  | { code: 'subdivide'; amps: number }
  | { code: 'breakerUnknown' }
  | { code: 'conductorUnknown' }

/** A line circuit of the job: its loads, the ratings that they need, and the ratings that it has. */
export interface LineCircuit {
  feed: string
  volts: number
  /** Placed devices that it feeds and that draw from it. */
  feeds: string[]
  elementsA: number
  motorsA: number
  /** A that the conductors must be good for; from the plate where it says so. */
  requiredA: number
  fromPlate: boolean
  /** The placed device whose plate says so; null: none does. */
  platedBy: string | null
  /** A compressor is on it: what it asks for is its plate's matter alone. */
  hasCompressor: boolean
  /** Largest breaker that an outdoor unit's plate allows. */
  mostBreakerA: number | null
  /** A: the smallest standard breaker. */
  breakerNeeds: number
  /** AWG of the thinnest copper that is enough. */
  gaugeNeeds: number | null
  breakerA: number | null
  /** The feed's setting that this is; null: it is fixed. */
  breakerSetting: string | null
  gauge: number | null
  notes: CircuitNote[]
}

/** Every line circuit of a job, by its feed; what each must be by 125 % of elements and motor, or by the plate. */
export function lineCircuitsOf(
  inst: Installation,
  plates: Readonly<Record<string, Plate>>,
  rating: CableRating,
): LineCircuit[] {
  return having(inst, 'feedsLine')
    .map((feed) => circuitOf(inst, plates, feed, rating))
    .filter((c) => c.feeds.length > 0)
}

function circuitOf(
  inst: Installation,
  plates: Readonly<Record<string, Plate>>,
  feed: Placed,
  rating: CableRating,
): LineCircuit {
  const volts = serviceVolts(inst, feed.ref)
  const rows = rowsBehind(inst, 'feed', feed.ref)
  const motors = motorsBehind(inst, feed.ref, plates)
  const drawing = new Set(
    [...rows.map((r) => r.ref), ...motors.map((m) => m.at)].map((r) => splitRef(r).placed),
  )
  const fed = [...drawing].flatMap((ref) => inst.placed.find((p) => p.ref === ref) ?? [])
  const outdoor = fed.find((p) => hasTrait(p.device, 'outdoorHalf'))
  const elementsA = rows.reduce((sum, r) => sum + volts / r.ohms, 0)
  const motorsA = motors.reduce((sum, m) => sum + m.amps, 0)
  // With several circuits to one cabinet, the plate's figures are not for each of them.
  const plated = fed
    .filter((p) => feedsOf(inst, p.ref).length === 1)
    .map((p) => ({ ref: p.ref, plate: { ...p.device.plate, ...plates[p.ref] } }))
  const mcas = plated.flatMap(({ ref, plate: { mca } }) => (mca === undefined ? [] : [{ ref, mca }]))
  const [most] = mcas.sort((a, b) => b.mca - a.mca)
  const mocps = plated.flatMap(({ plate }) => plate.mocpA ?? [])
  const requiredA = most ? most.mca : tolerances.continuousShare * (elementsA + motorsA)
  const breaker = breakerOf(feed)
  const gauge = gaugeOf(inst, feed.ref)
  const motor = outdoor !== undefined && elementsA === 0
  const circuit: LineCircuit = {
    feed: feed.ref,
    volts,
    feeds: fed.map((p) => p.ref),
    elementsA,
    motorsA,
    requiredA,
    fromPlate: most !== undefined,
    platedBy: most?.ref ?? null,
    hasCompressor: motors.some((m) => m.what === 'compressor'),
    mostBreakerA: mocps.length ? Math.min(...mocps) : null,
    breakerNeeds: nextBreaker(requiredA),
    gaugeNeeds: conductorFor(requiredA, rating, motor),
    breakerA: breaker.amps,
    breakerSetting: breaker.setting,
    gauge,
    notes: [],
  }
  return { ...circuit, notes: notesOf(circuit, rating, motor) }
}

const isGround = (inst: Installation, end: Ref): boolean => terminalOf(inst, end)?.terminal.role === 'ground'

/** The thinnest conductor on a feed's terminals, AWG: the highest number; null where none is recorded. */
function gaugeOf(inst: Installation, feed: string): number | null {
  const gauges = inst.wires
    .filter((w) => [w.a, w.b].some((end) => end !== null && splitRef(end).placed === feed))
    // The grounding conductor is sized by the breaker and not by the load.
    .filter((w) => ![w.a, w.b].some((end) => end !== null && isGround(inst, end)))
    .map((w) => wireSize(inst, w).gauge)
  return gauges.length ? Math.max(...gauges) : null
}

function notesOf(c: LineCircuit, rating: CableRating, motor: boolean): CircuitNote[] {
  const notes: CircuitNote[] = []
  const { breakerA, gauge } = c
  if (breakerA === null) notes.push({ code: 'breakerUnknown' })
  if (gauge === null) notes.push({ code: 'conductorUnknown' })
  if (breakerA !== null && breakerA < c.requiredA) notes.push({ code: 'breakerSmall', needs: c.breakerNeeds })
  const byWire = gauge === null ? Infinity : largestBreaker(gauge, rating, motor)
  const most = motor ? (c.mostBreakerA ?? Infinity) : Math.min(byWire, c.mostBreakerA ?? Infinity)
  if (breakerA !== null && breakerA > most) notes.push({ code: 'breakerLarge', most })
  if (gauge !== null && ampacityOf(gauge, rating) < c.requiredA - 1e-9)
    notes.push({ code: 'conductorThin', needs: c.gaugeNeeds ?? NaN })
  // A kit that the manufacturer divided inside, behind one feed, says so on its plate.
  if (
    !c.fromPlate &&
    (c.elementsA > SUBDIVIDED_ABOVE_A || (breakerA ?? 0) > SUBDIVIDED_BREAKER_A) &&
    c.elementsA > 0
  )
    notes.push({ code: 'subdivide', amps: c.elementsA })
  return notes
}

/** Kit rows with what each should read at measured volts. */
export interface RowFigures {
  ref: Ref
  row: number
  ohms: number
  amps: number
  kw: number
}

/** Expected figures of each row: R = V² / P at rated volts, I = V / R, P = V² / R. */
export const rowFigures = (inst: Installation, kit: string, volts: number): RowFigures[] =>
  heaterRows(inst, kit).map((r) => ({
    ref: r.ref,
    row: r.row,
    ohms: r.ohms,
    amps: volts / r.ohms,
    kw: volts ** 2 / r.ohms / 1000,
  }))
