import type { Felt } from '../equipment'
import type { Settled } from '../circuit'
import { BTU_PER_KWH, DEFAULT_INDOOR_F, houseValue, loadLineOf, riseOf } from '../house'
import type { JobSeen, Placed } from '../installation'
import { regionsOf, breakpointsOf, type Situation } from '../situation'
import type { World } from '../time'
import { degF, type DegF } from '../units'
import { ESTIMATES } from './estimates'
import { frostDrop, frostOver, melt, standStill, toward } from './coil'
import { chargeOf, coilFelt, fanStays, isDead, atSiteOf, type AtSite } from './siteFault'
import { frostFactor } from './frost'
import { copy, type State } from './homeState'
import type { Air, HomeInput, Sample } from './input'
import type { Machine, Running } from './machine'
import { Network } from './network'
import type { Sums } from './sums'
import { Tally, type Given } from './tally'
import type { Thermostat } from './thermostat'
import { thresholdsOf } from './thresholds'

/** Nodes: exchanger and duct, air of the rooms, what stands behind it. */
const [DUCT, ROOM, MASS] = [0, 1, 2] as const
/** s of a step while something has just moved, while all runs on, and while all is off; just off, it goes by itself. */
const STEP = { moving: 30, running: 120, still: 600, justOff: 120 } as const
/** s after a change for which things still move. */
const MOVES_FOR = 240
/** s to which an instant is found at which something changes, and looks that are spent on it at the most. */
const FOUND = { within: 0.02, looks: 26 } as const

/** House, coil, air and weather around a job's circuit, with its thermostat. Figures that nobody has are estimates. */
export class Home implements World {
  readonly samples: Sample[] = []
  private readonly state: State
  private readonly saved: State = { t: new Float64Array(3), aheadF: 0, coilF: 0, frostLb: 0, share: 0 }
  private readonly given: Given = { heat: 0, kw: 0, outdoorF: 0, target: 0, roomHours: 0 }
  private readonly signBefore: Int8Array
  private readonly signNow: Int8Array
  private readonly networks = new Map<number, Network>()
  private readonly slope: number
  private readonly gains: number
  private readonly tally: Tally
  private readonly altitude: number
  private readonly air: Air
  private fault: AtSite | null
  private readonly points: { what: Felt; at: number }[]
  private readonly breaks: DegF[]
  private readonly regions: DegF[]
  private region: DegF
  private changedAt = 0
  private felts = 0
  private outdoorNow: number
  private lastState: Settled | null = null
  private lastSample = -Infinity
  private readonly before: Float64Array
  private readonly after: Float64Array
  private readonly inputs = new Float64Array(3)
  private readonly means = new Float64Array(3)

  constructor(
    seen: JobSeen,
    private readonly machine: Machine,
    private readonly thermostat: Thermostat,
    private readonly input: HomeInput,
  ) {
    const { unit } = machine.plant
    const line = loadLineOf(
      seen.house,
      unit && { capacity: unit.capacity, heatFrom: unit.heatFrom, inverter: unit.inverter },
    )
    // Without a load line the house is one that its heat pump just carries at 25 °F.
    const usual = (12_000 * machine.tons * 0.75) / (65 - 25)
    this.slope = line?.slope ?? usual
    const indoor = houseValue(seen.house, 'indoorF') ?? DEFAULT_INDOOR_F
    // loadAt(T) = slope · (noHeat − T) = UA · (indoor − T) − gains.
    this.gains = this.slope * (indoor - (line?.noHeatF ?? indoor - 5))
    this.tally = new Tally(this.slope, this.gains, input.wakes ?? null)
    this.altitude = houseValue(seen.house, 'altitudeFt') ?? 0
    this.air = input.air
    this.fault = input.fault ?? null
    this.points = thresholdsOf(seen)
    this.signBefore = new Int8Array(this.points.length)
    this.signNow = new Int8Array(this.points.length)
    this.before = new Float64Array(this.points.length + 2)
    this.after = new Float64Array(this.points.length + 2)
    this.breaks = breakpointsOf(seen.inst)
    this.regions = regionsOf(seen.inst)
    const outdoorF = input.air.at(0)
    this.region = this.regionOf(outdoorF)
    this.outdoorNow = outdoorF
    this.state = {
      t: Float64Array.of(input.roomF, input.roomF, input.roomF),
      aheadF: input.roomF,
      coilF: outdoorF,
      frostLb: 0,
      share: 0,
    }
  }

  get sums(): Sums {
    return this.tally.sums
  }
  get roomF(): number {
    return this.state.t[ROOM]!
  }

  demand(now: number): ReturnType<World['demand']> {
    this.thermostat.look(now, this.roomF)
    const said = this.thermostat.call
    this.tally.hears(said, this.thermostat.recovers(now))
    return said
  }

  happens(site: string): void {
    this.fault = atSiteOf(site)
    this.felts++
  }

  outdoorF(): DegF {
    return this.region
  }

  feltNumber(): number {
    return this.felts
  }

  feels(_placed: Placed, what: Felt): number {
    return this.felt(what)
  }

  misfeels(what: Felt): string | null {
    const { fault } = this
    const isCoil = what === 'coil' || what === 'frostDrop'
    return isCoil && fault !== null && coilFelt(fault, 0, 60) !== 0 ? fault : null
  }

  private felt(what: Felt): number {
    const { t, aheadF, coilF } = this.state
    if (what === 'coil') return coilFelt(this.fault, coilF, this.outdoorNow)
    if (what === 'frostDrop')
      return frostDrop(coilFelt(this.fault, coilF, this.outdoorNow), this.outdoorNow, this.state.share)
    return what === 'enteringAir' ? aheadF : t[DUCT]!
  }

  pass(now: number, until: number, situation: Situation, settled: Settled): number {
    const r = this.machine.running(situation, settled)
    if (settled !== this.lastState) {
      this.changedAt = now
      this.lastState = settled
    }
    this.tally.runs(now, r)
    const { region } = this
    this.sign(this.signBefore)
    for (;;) {
      if (now >= until - 1e-9) return until
      const h = Math.min(
        until - now,
        this.thermostat.nextAt(now) - now,
        this.stepOf(now, r) / (this.input.finer ?? 1),
      )
      this.keep()
      this.advance(now, h, r)
      if (!this.moved(now + h, region)) {
        this.tally.count(now, h, r, this.given, this.roomF, this.state.frostLb)
        now += h
        this.sample(now)
        continue
      }
      const passed = this.firstChange(now, h, r, region)
      this.restore()
      this.advance(now, passed, r)
      this.tally.count(now, passed, r, this.given, this.roomF, this.state.frostLb)
      this.region = this.regionOf(this.air.at(now + passed))
      if (this.feltOtherwise()) this.felts++
      this.sample(now + passed, true)
      return now + passed
    }
  }

  /** Whether a class of outdoor temperature, something felt or a call is another than when the stretch began. */
  private moved(at: number, region: DegF): boolean {
    if (this.regionOf(this.air.at(at)) !== region) return true
    return this.feltOtherwise() || this.thermostat.wouldChange(at, this.roomF)
  }

  private feltOtherwise(): boolean {
    this.sign(this.signNow)
    for (let i = 0; i < this.signNow.length; i++) if (this.signNow[i] !== this.signBefore[i]) return true
    return false
  }

  /**
   * s after which something has changed within a step, to a few hundredths. What is felt goes nearly straight between two
   * looks: where it passes its temperature there is looked for just before and just after, and halfway where that does not help.
   */
  private firstChange(now: number, h: number, r: Running, region: DegF): number {
    let [low, high] = [0, h]
    const changed = (t: number): boolean => {
      this.restore()
      this.advance(now, t, r)
      const is = this.moved(now + t, region)
      this.seenAt(now + t, is ? this.after : this.before)
      if (is) high = t
      else low = t
      return is
    }
    this.seenAt(now + h, this.after)
    this.restore()
    this.seenAt(now, this.before)
    const half = FOUND.within / 2
    for (let looks = 0; looks < FOUND.looks && high - low > FOUND.within; looks++) {
      const width = high - low
      const part = this.crossing()
      // Nothing that is felt: a count of its own is full at the end of the step.
      if (part === null && high === h) changed(high - half)
      else if (part === null || looks % 4 === 3) changed(low + width / 2)
      else {
        const at = low + part * width
        const after = at + half < high ? changed(at + half) : true
        if (after && at - half > low) changed(at - half)
      }
    }
    return high
  }

  /**
   * Writes the temperatures that devices sense into a list: each point's temperature, the room's distance from its
   * setpoint, and outdoors.
   */
  private seenAt(at: number, into: Float64Array): void {
    const n = this.points.length
    for (let i = 0; i < n; i++) into[i] = this.felt(this.points[i]!.what)
    into[n] = this.thermostat.offAt(at, this.roomF)
    into[n + 1] = this.air.at(at)
  }

  /** Part of the way between two looks at which the first of what is felt passes a temperature that matters; null: none does. */
  private crossing(): number | null {
    const { before, after } = this
    const n = this.points.length
    let first = 1
    const cross = (i: number, at: number): void => {
      const [a, b] = [before[i]!, after[i]!]
      if (a !== b && (at - a) * (at - b) <= 0) first = Math.min(first, (at - a) / (b - a))
    }
    for (let i = 0; i < n; i++) cross(i, this.points[i]!.at)
    for (const at of this.thermostat.edges) cross(n, at)
    for (const at of this.breaks) cross(n + 1, at)
    return first < 1 ? first : null
  }

  private stepOf(now: number, r: Running): number {
    const moves = now - this.changedAt < MOVES_FOR
    const makes = r.stage > 0 || r.burnerBtuh > 0 || r.stripW > 0
    if (r.way === 'defrosts') return STEP.moving
    return makes ? (moves ? STEP.moving : STEP.running) : moves ? STEP.justOff : STEP.still
  }

  /** On which side of each temperature that somebody feels things are. */
  private sign(into: Int8Array): void {
    for (let i = 0; i < this.points.length; i++) {
      const p = this.points[i]!
      into[i] = Math.sign(this.felt(p.what) - p.at)
    }
  }

  /** A single temperature for all those with the same answers from the job: the one that a proof takes. */
  private regionOf(outdoorF: number): DegF {
    // Regions stand as: below the first break, the break, between it and the next, …
    let i = 0
    for (const b of this.breaks) {
      if (outdoorF < b) break
      i += outdoorF > b ? 2 : 1
      if (outdoorF === b) break
    }
    return this.regions[i] ?? degF(outdoorF)
  }

  private networkFor(cfm: number): Network {
    let net = this.networks.get(cfm)
    if (!net) {
      const e = ESTIMATES
      const duct = cfm > 0 ? 1 / riseOf(1, cfm, this.altitude) : e.stillBtuPerHourF
      const mass = e.airToMass * this.slope
      net = new Network(
        [e.ductBtuPerF * this.machine.tons, e.airHours * this.slope, e.massHours * this.slope],
        [
          [0, duct, 0],
          [duct, this.slope, mass],
          [0, mass, 0],
        ],
      )
      this.networks.set(cfm, net)
    }
    return net
  }

  /** A step under what runs; what it gave waits to be counted. */
  private advance(now: number, h: number, r: Running): void {
    const s = this.state
    const outdoorF = this.air.at(now + h / 2)
    this.outdoorNow = outdoorF
    const hours = h / 3600
    const { tons, plant } = this.machine
    const charge = chargeOf(this.fault)
    const target = this.thermostat.target(now)
    s.share = 0
    let heat = 0
    let kw = 0
    if (r.stage > 0 && !isDead(this.fault)) {
      const wanted =
        this.slope * (target - outdoorF) -
        this.gains +
        (ESTIMATES.airHours * this.slope * Math.max(0, target - this.roomF)) / ESTIMATES.inverterHours
      const run = this.machine.heatPump(r.stage, outdoorF, wanted)
      kw = run.kw
      if (r.way === 'heats') {
        // Without air over its coils it moves next to nothing.
        const air = (r.outdoorFan ? 1 : 0.3) * (r.cfm > 0 ? 1 : 0)
        heat = run.heat * frostFactor(s.frostLb, tons) * air * charge * this.ramp(now, h)
        s.share = run.share * (2 - charge)
        frostOver(s, tons, s.share, outdoorF, this.air.dewAt?.(now) ?? null, h)
      } else if (r.way === 'cools') {
        heat = r.cfm > 0 ? -12_000 * tons : 0
        s.coilF = toward(s.coilF, outdoorF + 20, h, ESTIMATES.coilRunS)
      } else {
        const at47 = plant.unit?.full.cleanCapacity(47) ?? 12_000 * tons
        const melts = ESTIMATES.meltShare * at47 * charge
        heat = r.cfm > 0 ? -Math.max(0, melts - kw * BTU_PER_KWH) : 0
        melt(s, tons, melts, r.outdoorFan || fanStays(this.fault), outdoorF, h)
      }
    } else {
      standStill(s, tons, outdoorF, h)
    }
    const b = this.inputs
    b[DUCT] = heat + (r.stripW / 1000) * BTU_PER_KWH + r.burnerBtuh + r.blowerKw * BTU_PER_KWH
    b[ROOM] = this.slope * outdoorF + this.gains
    b[MASS] = 0
    const means = this.means.fill(0)
    this.networkFor(r.cfm).pass(hours, s.t, b, means)
    const ahead = !this.machine.ahead
      ? s.t[ROOM]!
      : r.cfm > 0
        ? s.t[ROOM]! + riseOf(r.burnerBtuh + (r.stripW / 1000) * BTU_PER_KWH, r.cfm, this.altitude)
        : s.t[DUCT]!
    s.aheadF = toward(s.aheadF, ahead, h, ESTIMATES.aheadS)
    const w = this.given
    w.heat = heat
    w.kw = kw
    w.outdoorF = outdoorF
    w.target = this.thermostat.setpoint(now)
    w.roomHours = means[ROOM]!
  }

  /** Part of its heat that a compressor gives over a step, after its start: 1 − e^(−t/τ), in the mean. */
  private ramp(now: number, h: number): number {
    const tau = this.machine.startS
    const since = now - (this.tally.startedAt ?? now)
    if (tau <= 0 || since > 12 * tau || h <= 0) return 1
    return 1 - (tau / h) * (Math.exp(-since / tau) - Math.exp(-(since + h) / tau))
  }

  /** BTU that duct, air and walls hold above 0 °F. */
  heldBtu(): number {
    const e = ESTIMATES
    const { t } = this.state
    return (
      e.ductBtuPerF * this.machine.tons * t[DUCT]! +
      e.airHours * this.slope * t[ROOM]! +
      e.massHours * this.slope * t[MASS]!
    )
  }

  private sample(now: number, always = false): void {
    const { sampleEvery } = this.input
    if (sampleEvery <= 0 || (!always && now - this.lastSample < sampleEvery)) return
    this.lastSample = now
    this.samples.push(this.sampleAt(now))
  }

  sampleAt(now: number): Sample {
    const { t, coilF, frostLb } = this.state
    return {
      at: now,
      roomF: t[ROOM]!,
      targetF: this.thermostat.target(now),
      outdoorF: this.air.at(now),
      coilF,
      supplyF: t[DUCT]!,
      frostLb,
    }
  }

  private keep(): void {
    copy(this.state, this.saved)
  }
  private restore(): void {
    copy(this.saved, this.state)
  }
}
