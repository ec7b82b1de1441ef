import type { Call } from '../equipment'
import type { Installation } from '../installation'
import { callsOf } from '../situation'
import { demandNumbers, thermostatOf, type DemandCause, type DemandNumbers } from '../time'
import { tolerances } from '../tolerances'
import { Wall, type System, type WallEvent } from './wall'

/** °F by which the room must have risen for a stage at a rate to end. */
const RATE_SWING_F = 0.05
/** min that a stage is on at a rate of N and a load factor x: 15 / (N · (1 − x)). */
const RATE_MINUTES = 15

const droopCause = (offF: number, { droopF, droopTaken }: DemandNumbers): DemandCause => ({
  why: 'droop',
  offF,
  droopF,
  ...(droopTaken && { taken: true }),
})

interface Flags {
  first: boolean
  second: boolean
  backup: 0 | 1 | 2
  cause: DemandCause
}
const NOTHING: Flags = { first: false, second: false, backup: 0, cause: { why: 'satisfied' } }

/** A room and a setpoint, made into calls. What it decides at an instant it decides again at that instant. */
export class Thermostat {
  readonly numbers: DemandNumbers
  private readonly wall: Wall
  private readonly offered: Set<Call>
  private flags: Flags = NOTHING
  /** s at which the first stage was called, and at which the count to backup began. */
  private onSince = 0
  private countSince = 0
  /** s since which the room is far enough below for the second stage. */
  private secondSince: number | null = null
  /** Δ°F at which backup goes again. */
  private releaseF = 0
  private lastOn: number | null = null
  private lastOff: number | null = null
  /** Share of the time that the heat pump ran, of its last cycles. */
  private share = 0.5

  constructor(
    inst: Installation,
    events: readonly WallEvent[],
    private readonly begins: { setpointF: number; system: System; holdsBackup?: boolean },
  ) {
    this.wall = new Wall(events, begins)
    this.numbers = demandNumbers(inst, thermostatOf(inst))
    this.offered = new Set(callsOf(inst))
  }

  /** °F that the room is held at: an early start climbs ahead of a warmer hour of the schedule. */
  target(now: number): number {
    const { setpointF, warmer } = this.wall.stands(now)
    const { recoveryFPerHour: slope } = this.numbers
    if (slope <= 0 || !warmer) return setpointF
    return Math.max(setpointF, warmer.setpointF - (slope * (warmer.at - now)) / 3600)
  }

  /** °F that somebody wants: what stands on the wall, without an early start's climb. */
  setpoint = (now: number): number => this.wall.stands(now).setpointF

  /** Whether it has started ahead of a warmer hour. */
  recovers = (now: number): boolean => this.target(now) > this.setpoint(now)

  /** °F by which the room lacks what it is held at; over it in cooling. */
  offAt(now: number, roomF: number): number {
    const off = this.target(now) - roomF
    return this.wall.stands(now).system === 'cool' ? -off : off
  }

  get call(): { call: Call; cause: DemandCause } {
    return { call: this.nearest(this.wanted), cause: this.flags.cause }
  }
  private wanted: Call = 'off'

  /** Looks at the room, and changes what it calls. */
  look(now: number, roomF: number): void {
    const system = this.wall.stands(now).system
    for (let round = 0; round < 4; round++) {
      const next = this.decide(now, roomF, this.flags, system)
      if (same(next, this.flags)) break
      this.take(now, next, roomF)
    }
    this.wanted = callOf(this.flags, system)
    const off = this.target(now) - roomF
    // How long it has been cold enough for the second stage is counted from here.
    if (off >= this.secondAt() - EPS) this.secondSince ??= now
    else this.secondSince = null
  }

  /** Whether it would call otherwise. */
  wouldChange(now: number, roomF: number): boolean {
    const system = this.wall.stands(now).system
    if (callOf(this.flags, system) !== this.wanted) return true
    if (!same(this.decide(now, roomF, this.flags, system), this.flags)) return true
    return this.target(now) - roomF >= this.secondAt() - EPS !== (this.secondSince !== null)
  }

  /** Temperatures at which the answer of `offAt` may change. */
  get edges(): readonly number[] {
    return (this.knownEdges ??= this.newEdges())
  }
  private knownEdges: readonly number[] | null = null

  private newEdges(): number[] {
    const { firstF, secondF, droopF } = this.numbers
    const more = [firstF, firstF + secondF, droopF, droopF + secondF].map((off) => off - EPS)
    const less = [this.endF, firstF + secondF / 2, droopF, this.releaseF].map((off) => off + EPS)
    return [...more, ...less, 0]
  }

  /** s at which one of its own counts, or somebody's hand, may change something; Infinity: none. */
  nextAt(now: number): number {
    let at = Infinity
    const later = (t: number) => {
      if (t > now + 1e-6 && t < at) at = t
    }
    later(this.wall.next(now))
    const { upstage, secondAfter } = this.numbers
    if (this.flags.first && !this.flags.backup && upstage !== null) later(this.countSince + upstage)
    if (this.secondSince !== null) later(this.secondSince + secondAfter)
    if (this.flags.first) later(this.onSince + this.leastOn())
    return at
  }

  /** °F under the setpoint at which the first stage may end: at a rate as soon as the room is on its way, by time; else there. */
  private get endF(): number {
    const { cycles, firstF, overF } = this.numbers
    return cycles === null ? -overF : firstF - RATE_SWING_F
  }

  private secondAt = (): number => this.numbers.firstF + this.numbers.secondF
  private leastOn = (): number => {
    const { cycles } = this.numbers
    return cycles === null ? 0 : (60 * RATE_MINUTES) / (cycles * (1 - this.share))
  }

  private decide(now: number, roomF: number, f: Flags, system: System): Flags {
    if (system === 'off') return f.first ? { ...NOTHING, cause: { why: 'set' } } : f
    const n = this.numbers
    const off = this.offAt(now, roomF)
    if (!f.first)
      return off >= n.firstF - EPS ? { ...f, first: true, cause: { why: 'differential', offF: off } } : f
    const backup = system === 'heat' ? this.backupOf(now, off, f) : null
    if (backup) return backup
    const mayEnd = f.backup === 0 && now >= this.onSince + this.leastOn() - EPS
    if (off <= this.endF + EPS && mayEnd) return { ...NOTHING }
    const staged =
      system === 'cool' ? this.offered.has('cool2') : system === 'heat' && this.offered.has('heat2')
    if (!staged) return f
    const cold = off >= this.secondAt() - EPS
    const stood =
      cold &&
      (n.secondAfter === 0 || (this.secondSince !== null && now >= this.secondSince + n.secondAfter - EPS))
    if (!f.second && stood) return { ...f, second: true, cause: { why: 'differential', offF: off } }
    // It goes halfway back to the first stage's own differential.
    if (f.second && f.backup === 0 && off <= n.firstF + n.secondF / 2 + EPS)
      return { ...f, second: false, cause: { why: 'satisfied' } }
    return f
  }

  private backupOf(now: number, off: number, f: Flags): Flags | null {
    const n = this.numbers
    if (!this.offered.has('heatAux1')) return null
    const second = this.offered.has('heat2')
    if (f.backup === 0) {
      if (this.begins.holdsBackup && this.recovers(now)) return null
      if (off >= n.droopF - EPS) return { ...f, second, backup: 1, cause: droopCause(off, n) }
      if (n.upstage !== null && now >= this.countSince + n.upstage - EPS && off > 0)
        return { ...f, second, backup: 1, cause: { why: 'upstage', seconds: n.upstage } }
      return null
    }
    if (off <= this.releaseF + EPS) return { ...f, backup: 0, cause: { why: 'satisfied' } }
    if (f.backup === 1 && this.offered.has('heatAux2') && off >= n.droopF + n.secondF - EPS)
      return { ...f, backup: 2, cause: { why: 'differential', offF: off } }
    if (f.backup === 2 && off <= n.droopF + EPS) return { ...f, backup: 1, cause: { why: 'satisfied' } }
    return null
  }

  private take(now: number, next: Flags, roomF: number): void {
    const f = this.flags
    if (next.first && !f.first) {
      if (this.lastOn !== null && this.lastOff !== null && now > this.lastOn)
        this.share = clamp((this.share + (this.lastOff - this.lastOn) / (now - this.lastOn)) / 2)
      this.lastOn = this.onSince = this.countSince = now
    }
    if (!next.first && f.first) this.lastOff = now
    if (next.backup > 0 && f.backup === 0) {
      this.releaseF = Math.min(
        this.numbers.droopF * this.numbers.releaseShare,
        (this.target(now) - roomF) / 2,
      )
      this.knownEdges = null
    }
    // After backup the heat pump is given its time again.
    if (next.backup === 0 && f.backup > 0) this.countSince = now
    this.flags = next
  }

  /** The next lower call that the thermostat has. */
  private nearest(call: Call): Call {
    const down: Partial<Record<Call, Call>> = {
      heatAux2: 'heatAux1',
      heatAux1: 'heat2',
      heat2: 'heat1',
      cool2: 'cool1',
    }
    let found: Call | undefined = call
    while (found && !this.offered.has(found)) found = down[found]
    return found ?? 'off'
  }
}

const EPS = tolerances.sameInstant
const clamp = (x: number): number => Math.min(0.95, Math.max(0.05, x))
const same = (a: Flags, b: Flags): boolean =>
  a.first === b.first && a.second === b.second && a.backup === b.backup

function callOf(f: Flags, system: System): Call {
  if (!f.first || system === 'off') return 'off'
  if (system === 'cool') return f.second ? 'cool2' : 'cool1'
  if (system === 'emergency') return 'emergency'
  if (f.backup > 0) return f.backup === 2 ? 'heatAux2' : 'heatAux1'
  return f.second ? 'heat2' : 'heat1'
}
