import { wantsBackup, type Call } from '../equipment'
import type { DemandCause } from '../time'
import type { Running } from './machine'
import { noSums, type BackupCause } from './sums'

/** Output of a step: BTU/h and kW of the heat pump, °F outdoors and at the thermostat, °F·h of the room. */
export interface Given {
  heat: number
  kw: number
  outdoorF: number
  target: number
  roomHours: number
}

/** s before waking in which a blower that starts is heard. */
const BEFORE_WAKING_S = 7200

/** Counts what a run comes to. */
export class Tally {
  readonly sums = noSums()
  private stoppedAt: number | null = null
  /** s at which the compressor that runs was started; null: none runs. */
  startedAt: number | null = null
  private called: Call = 'off'
  private backupBy: BackupCause = 'droop'
  private tail: BackupCause = 'droop'

  /** @param slope BTU/h·°F of the house; @param gains BTU/h; @param wakes s, once or so often */
  constructor(
    private readonly slope: number,
    private readonly gains: number,
    private readonly wakes: { at: number; every?: number } | null,
  ) {}

  hears({ call, cause }: { call: Call; cause: DemandCause }, recovers: boolean): void {
    this.called = call
    if (call === 'emergency') this.backupBy = 'emergency'
    else if (cause.why === 'upstage' || cause.why === 'droop')
      this.backupBy = recovers ? 'recovery' : cause.why
  }

  /** Counts starts, and the time that a load was off before. */
  runs(now: number, r: Running): void {
    const runs = r.stage > 0
    if (runs && this.startedAt === null) {
      this.startedAt = now
      this.sums.starts++
      if (this.stoppedAt !== null)
        this.sums.shortestOff = Math.min(this.sums.shortestOff, now - this.stoppedAt)
    }
    if (!runs && this.startedAt !== null) {
      this.startedAt = null
      this.stoppedAt = now
    }
    const blows = r.cfm > 0
    if (blows && !this.blew && this.before(now, now + 1) > 0) this.sums.wakingStarts++
    this.blew = blows
  }
  private blew = false

  /** s of a stretch that lie in the last before somebody wakes. */
  private before(from: number, to: number): number {
    if (!this.wakes) return 0
    const { at, every } = this.wakes
    const next = every ? at + Math.ceil((from - at) / every - 1e-9) * every : at
    return Math.max(0, Math.min(to, next) - Math.max(from, next - BEFORE_WAKING_S))
  }

  /** @param h s of the step; @param roomF at its end */
  count(now: number, h: number, r: Running, by: Given, roomF: number, frostLb: number): void {
    const { sums } = this
    const hours = h / 3600
    sums.hours += hours
    sums.blowerKwh += (r.blowerKw + r.motorKw) * hours
    sums.motorKwh += r.motorKw * hours
    if (r.cfm > 0) sums.wakingHours += this.before(now, now + h) / 3600
    if (r.stage > 0) {
      sums.compressorHours += hours
      sums.heatPumpKwh += by.kw * hours
      if (r.way === 'defrosts') sums.defrostBtu -= by.heat * hours
      else sums.heatPumpBtu += by.heat * hours
    }
    if (r.stripW > 0) {
      sums.stripHours += hours
      sums.stripKwh += (r.stripW / 1000) * hours
    }
    if (r.burnerBtuh > 0) {
      sums.burnerHours += hours
      sums.burnerBtu += r.burnerBtuh * hours
      sums.fuelBtu += r.burnerInBtuh * hours
    }
    if (r.stripW > 0 || r.burnerBtuh > 0) sums.backupHours[this.causeOf(r)] += hours
    sums.lostBtu += this.slope * (by.roomHours - by.outdoorF * hours)
    sums.gainsBtu += this.gains * hours
    const below = by.target - roomF
    if (below > 1) sums.belowHours += hours
    if (roomF < sums.coldestF) {
      sums.coldestF = roomF
      sums.coldestAt = now + h
    }
    sums.mostFrostLb = Math.max(sums.mostFrostLb, frostLb)
  }

  /** Cause of the running backup. A contact that opens late still belongs to the last cause. */
  private causeOf({ backupFrom, stage }: Running): BackupCause {
    if (backupFrom === 'defrost') this.tail = 'defrost'
    else if (backupFrom === 'call')
      this.tail = wantsBackup(this.called) ? this.backupBy : stage === 0 ? 'lockedOut' : 'uncalled'
    return this.tail
  }
}
