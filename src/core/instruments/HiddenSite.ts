import { Circuit, solutionOf, type Solution } from '../circuit'
import { failedModes, withFailure } from '../failures'
import {
  isRef,
  commonOf,
  makeRef,
  placedByRef,
  quantity as amountOf,
  settingValue,
  splitRef,
  wireRef,
  withSettings,
  type Installation,
  type Name,
} from '../installation'
import { runTime, type Trace } from '../time'
import { conditionsOf, type Situation } from '../situation'
import { asOhms, type Ohms } from '../units'
import { SOUND, type Physics, type SiteFault } from './fault'
import type { Instrument } from '../readings'
import { meterFor } from './meters'
import { NATURES, seedOf, shown } from './instrument'
import { fireShare, fullFire, plateHaving, steadyOf, thermistorOhms, type Steady } from './plant'
import type { Point } from './point'
import { SiteAir, TAU } from './SiteAir'

/** An instrument's display. */
interface Sample {
  instrument: Instrument
  value: number | 'OL'
  unit: string
  /** It has settled: unit and probe are steady. */
  settled: boolean
}

/** Low-impedance volts: what a technician's meter is set to. */
const METER_OHMS = asOhms(3000)
/** s after which a defrost that nobody timed is looked at: it is over in minutes. */
const IN_DEFROST = 100
/** s of a call that was made long ago. */
const LONG_AGO = 3600
const DAY = 86_400

/**
 * A house that something is wrong with, or nothing, as instruments see it: the circuit solved with what has failed, and air,
 * refrigerant and fire by rules of thumb of its own. It knows nothing of the bands that readings are compared with.
 */
export class HiddenSite {
  private readonly inst: Installation
  private readonly physics: Physics
  private readonly stuck: Situation['modes']
  private readonly traces = new Map<string, { circuit: Circuit; trace: Trace }>()

  /**
   * @param seed decides the instruments' own errors
   * @param altitudeFt thins the air, by exp(−ft / 27,000); a gas burner's orifices are those for it: 4 % less input for each
   * 1,000 ft, at sites above 2,000 ft
   */
  constructor(
    inst: Installation,
    readonly fault: SiteFault | null,
    private readonly seed: number,
    altitudeFt = 0,
  ) {
    this.inst = fault?.kind === 'part' ? withFailure(inst, fault.failure) : inst
    this.stuck = fault?.kind === 'part' ? failedModes(fault.failure) : {}
    const orifice = altitudeFt > 2000 ? 1 - (0.04 * altitudeFt) / 1000 : 1
    const density = Math.exp(-altitudeFt / 27_000)
    this.physics = { ...SOUND, density, orifice, ...(fault?.kind === 'physics' ? fault.change : {}) }
  }

  /** s for which a call has stood that nobody noted the time of. */
  usual = ({ situation }: Point): number =>
    conditionsOf(this.inst, situation).has('defrost') ? IN_DEFROST : LONG_AGO

  /** The instrument's display at a point, so many seconds after the call; null: that point cannot be measured. */
  read(point: Point, seconds: number): Sample | null {
    const { instrument, unit } = meterFor(point.quantity)
    const { lag } = NATURES[instrument]
    const now = this.truth(point, seconds)
    if (now === null) return null
    if (now === 'OL') return { instrument, unit, value: 'OL', settled: true }
    // The probe shows what was a moment ago.
    const before = this.truth(point, Math.max(0, seconds - lag))
    const seen = typeof before === 'number' ? now + (before - now) * Math.exp(-1) : now
    const later = this.truth(point, seconds + 60)
    const near = (a: unknown) =>
      typeof a === 'number' && Math.abs(a - now) <= Math.max(0.02 * Math.abs(now), 0.3)
    return {
      instrument,
      unit,
      value: shown(instrument, seen, this.seed + seedOf(`${point.quantity} ${point.at}`), seconds),
      settled: near(before) && near(later),
    }
  }

  private truth(point: Point, seconds: number): number | 'OL' | null {
    const { steps, circuit } = this.trace(point, seconds)
    const passed = steps.filter((s) => s.at <= seconds)
    const last = passed[passed.length - 1]
    if (!last) return null
    const solution = solutionOf(circuit, last.situation, last.state)
    const electric = this.electric(point, solution)
    if (electric !== undefined) return electric
    // Air and refrigerant follow what has run until now, each stretch on its way to where it would end.
    const { returnF } = this.physics
    let [supplyF, vapourF, dischargeF] = [returnF, returnF, Number(last.situation.outdoorF)]
    for (const [i, s] of passed.entries()) {
      const until = Math.min(seconds, passed[i + 1]?.at ?? seconds)
      const to = steadyOf(solutionOf(circuit, s.situation, s.state), this.physics)
      const k = Math.exp(-(until - s.at) / TAU)
      const toward = (from: number, end: number) => end + (from - end) * k
      supplyF = toward(supplyF, to.supplyF)
      vapourF = toward(vapourF, to.vapourF)
      dischargeF = toward(dischargeF, to.dischargeF)
    }
    return this.other(point, { ...steadyOf(solution, this.physics), supplyF, vapourF, dischargeF })
  }

  /**
   * Modes over time after a call at 0 s. Modes that the situation names (a defrost, an open breaker) count from the
   * start.
   */
  private trace(
    { situation, moved = [] }: Point,
    seconds: number,
  ): { circuit: Circuit; steps: Trace['steps'] } {
    const until = seconds > LONG_AGO ? DAY : LONG_AGO
    const key = JSON.stringify([situation, moved, until])
    let known = this.traces.get(key)
    if (!known) {
      const inst = moved.length ? withSettings(this.inst, moved) : this.inst
      const circuit = new Circuit(inst)
      const modes = { ...situation.modes, ...this.stuck }
      const trace = runTime(circuit, {
        start: { call: 'off', outdoorF: situation.outdoorF, modes: {} },
        events: [
          ...Object.entries(modes).flatMap(([mode, state]) => (isRef(mode) ? [{ at: 0, mode, state }] : [])),
          { at: 0, call: situation.call },
        ],
        until,
        world: new SiteAir(circuit, this.physics, { ...situation, modes }),
      })
      known = { circuit, trace }
      this.traces.set(key, known)
    }
    return { circuit: known.circuit, steps: known.trace.steps }
  }

  /** From when the outdoor fan stops, or the valve goes over, to when its board is done; null: none begins. */
  private defrostMinutes(point: Point): number | null {
    const { steps, circuit } = this.trace(point, LONG_AGO)
    const defrosts = (s: Situation) => conditionsOf(circuit.inst, s).has('defrost')
    const from = steps.findIndex((s) => defrosts(s.situation))
    const to = steps.findIndex((s, i) => i > from && !defrosts(s.situation))
    const [begins, ends] = [steps[from], steps[to]]
    return begins && ends && from >= 0 && to > from ? (ends.at - begins.at) / 60 : null
  }

  /** Volts, amps and ohms; undefined: it is none of these. */
  private electric(point: Point, s: Solution): number | 'OL' | null | undefined {
    const { at, quantity } = point
    const { lineShare } = this.physics
    const placed = placedByRef(this.inst, splitRef(at).placed)
    const common = placed && commonOf(placed)
    const volts = (a: Name, b: Name, ohms?: Ohms) =>
      isRef(a) && (isRef(b) || b === '@earth') ? finite(s.meter(a, b, ohms)) : null
    switch (quantity) {
      case 'controlVolts':
      case 'terminalVolts':
        return common ? scaled(volts(at, common, METER_OHMS), lineShare) : null
      case 'lineVolts': {
        // Leg to leg, or to the neutral where there is one leg.
        const legs =
          placed?.device.terminals.filter((t) => t.side === 'line' && /^(L\d?|N)$/.test(t.id)) ?? []
        const [a, b] = legs
        return placed && a && b
          ? scaled(volts(makeRef(placed.ref, a.id), makeRef(placed.ref, b.id)), lineShare)
          : null
      }
      case 'legToGround':
        return scaled(volts(at, '@earth'), lineShare)
      case 'stripAmps':
        return scaled(this.clamped(point, s), lineShare)
      case 'compressorAmps':
      case 'fanAmps':
      case 'blowerAmps':
        return this.motor(point, s)
      case 'rowOhms':
        return this.row(at, s)
      default:
        return undefined
    }
  }

  /** A clamp about a feed's or a kit's lead: what flows in the conductors landed there; about a row: what flows in it. */
  private clamped({ at, place, withBlower }: Point, s: Solution): number | null {
    if (place === 'rowTerminals') return isRef(at) ? finite(s.amps(at)) : null
    const { placed: ref, id } = splitRef(at)
    const placed = placedByRef(this.inst, ref)
    const leg = id || placed?.device.terminals.find((t) => t.role === 'line')?.id
    if (!placed || !leg) return null
    const lead = makeRef(ref, leg)
    const into = this.inst.wires.filter((w) => w.a === lead || w.b === lead)
    const amps = into.map((w) => s.amps(wireRef(w.id))).filter((a) => Number.isFinite(a))
    if (!amps.length) return null
    // At a kit's own lead one conductor brings what the others take on.
    const sum = place === 'kitLead' ? Math.max(...amps) : amps.reduce((a, b) => a + b, 0)
    if (withBlower !== false) return sum
    const motors = s.running.filter((l) => l.part.does?.what === 'blower').map((l) => s.amps(l.ref))
    return Math.max(0, sum - motors.reduce((a, b) => a + b, 0))
  }

  private motor({ at, quantity }: Point, s: Solution): number | null {
    const steady = steadyOf(s, this.physics)
    const { pumping, charge, airShare, capacitor } = this.physics
    const unit = plateHaving(this.inst, 'compresses')
    if (quantity === 'compressorAmps') {
      const rated = unit.compressorRla ?? 14
      if (!steady.compressor) return 0
      return (
        rated *
        0.72 *
        (0.35 + 0.65 * pumping) *
        (0.6 + 0.4 * Math.min(1.3, charge)) *
        (capacitor < 0.9 ? 1.5 : 1)
      )
    }
    if (quantity === 'fanAmps') return steady.outdoorFan ? (unit.fanFla ?? 1) * 0.8 : 0
    const own = placedByRef(this.inst, splitRef(at).placed)?.device.plate.blowerFla ?? 3
    return steady.blower ? own * (0.55 + 0.15 * airShare) : 0
  }

  /** An element alone, its leads lifted: what its watts come to at its volts. */
  private row(at: Name, s: Solution): number | 'OL' | null {
    const load = s.circuit.net.loads.find((l) => l.ref === at)
    // Burnt through, it is not among the loads any more.
    if (!load) return 'OL'
    const { va, volts } = load.part
    const watts = amountOf(load.placed, va)
    return watts > 0 ? volts ** 2 / watts : null
  }

  private other(point: Point, air: Steady): number | null {
    const p = this.physics
    const unit = plateHaving(this.inst, 'compresses')
    const furnace = plateHaving(this.inst, 'burns')
    const own = placedByRef(this.inst, splitRef(point.at).placed)
    const plate = own?.device.plate ?? {}
    const isLp =
      own?.device.settings.some((x) => x.intent === 'fuel' && settingValue(own, x.id) === 'lp') ?? false
    switch (point.quantity) {
      case 'returnAir':
        return p.returnF
      case 'supplyAir':
        return air.supplyF
      case 'coilEntering':
        // Ahead of the coil stands what heats ahead of it, and nothing else.
        return air.fire ? air.supplyF : p.returnF
      case 'vapourLine':
        return air.vapourF
      case 'dischargeLine':
        return air.dischargeF
      case 'airflow':
        return air.cfm
      case 'staticPressure':
        return air.blower ? 0.45 / p.airShare ** 1.7 : 0
      case 'subcooling':
        return air.compressor ? Math.max(0, (unit.subcoolingF ?? 10) + 45 * (p.charge - 1)) : 0
      case 'superheat':
        return air.compressor ? Math.max(0, (unit.superheatF ?? 10) - 55 * (p.charge - 1)) : 0
      case 'valveDifference':
        return air.compressor ? 1.5 + 18 * p.valveLeak : 0
      case 'vacuum':
        return 320
      case 'lowGasTrip':
        return plate.lowGasTripInWc ?? null
      // A tape and a scale stream nothing.
      case 'nozzle':
      case 'lineLength':
      case 'chargeAdded':
        return null
      case 'defrostMinutes':
        return this.defrostMinutes(point)
      case 'coilSwitchOpens':
        return unit.coilOpensF ?? 65
      case 'thermistorOhms':
        return thermistorOhms(plate.sensorOhms ?? [], point.situation.outdoorF)
      case 'sensorDifference':
        return p.sensorF
      case 'gateTrip': {
        const set = own ? settingValue(own, splitRef(point.at).id) : null
        const moved = point.moved?.find((m) => m.at === point.at)?.value
        const value = moved ?? set
        return typeof value === 'number' ? value + p.switchF + p.sensorF : null
      }
      case 'airTrip':
        return plate.opensF ?? null
      case 'airRemake':
        return plate.closesF ?? null
      case 'manifold':
        return air.fire?.fuel === 'gas' ? (isLp ? 10.5 : 3.5) * p.manifold * Math.min(1, p.inlet / 0.75) : 0
      case 'gasInlet':
        return (isLp ? 12.5 : 7) * p.inlet
      case 'clockedInput':
        return air.fire ? fullFire(furnace, p, air.fire.fuel) : 0
      case 'pumpPressure':
        return air.fire ? (furnace.pumpPsi ?? 100) * p.nozzle : 0
      case 'flueTemp':
        return air.fire
          ? (furnace.flueLowF !== undefined && furnace.flueHighF !== undefined
              ? (furnace.flueLowF + furnace.flueHighF) / 2
              : 400) +
              120 * (fireShare(p) - 1)
          : 70
      case 'coAirFree':
        return air.fire ? 25 + 900 * Math.max(0, 1 - p.fireAir) : 0
      case 'smoke':
        return air.fire ? 8 * Math.max(0, 1 - p.fireAir) : 0
      case 'overFireDraft':
        return air.fire ? -0.015 : 0
      case 'capacitor': {
        const isFan = point.at.endsWith('fan') || /fan/i.test(splitRef(point.at).id)
        const rated = isFan ? plate.fanUf : plate.compressorUf
        return rated === undefined ? null : rated * (isFan ? 1 : p.capacitor)
      }
      default:
        return null
    }
  }
}

const finite = (n: number): number | null => (Number.isFinite(n) ? n : null)
const scaled = (n: number | null, by: number): number | null => (n === null ? null : n * by)
