/** System switch at the thermostat. */
export type System = 'heat' | 'cool' | 'emergency' | 'off'
/** From a second on the room is held at so many °F, or the system stands so. */
export type WallEvent = { at: number } & (
  { setpointF: number; by?: 'hand' | 'schedule' } | { system: System }
)

/** A stretch between two events, with all that stands in it. */
interface Stretch {
  from: number
  to: number
  setpointF: number
  system: System
  /** The next setpoint, where a schedule brings it and it is warmer. */
  warmer: { at: number; setpointF: number } | null
}

/**
 * Thermostat's settings at any second. A winter asks a million times, mostly for the stretch that it asked for last.
 */
export class Wall {
  private readonly stretches: Stretch[]
  private at = 0

  constructor(events: readonly WallEvent[], begins: { setpointF: number; system: System }) {
    const sorted = [...events].sort((a, b) => a.at - b.at)
    this.stretches = []
    let { setpointF, system } = begins
    for (let i = -1; i < sorted.length; i++) {
      const e = sorted[i]
      if (e) {
        if ('setpointF' in e) setpointF = e.setpointF
        else system = e.system
      }
      const next = sorted.slice(i + 1).find((x) => 'setpointF' in x)
      this.stretches.push({
        from: e?.at ?? -Infinity,
        to: sorted[i + 1]?.at ?? Infinity,
        setpointF,
        system,
        warmer:
          next && 'setpointF' in next && next.by === 'schedule' && next.setpointF > setpointF
            ? { at: next.at, setpointF: next.setpointF }
            : null,
      })
    }
  }

  /** Settings at a second. */
  stands(now: number): Stretch {
    let i = this.at
    while (i > 0 && now < this.stretches[i]!.from) i--
    while (now >= this.stretches[i]!.to) i++
    this.at = i
    return this.stretches[i]!
  }

  /** s of the next event after a second; Infinity: none. */
  next(now: number): number {
    let { to } = this.stands(now)
    // Several at one second are one.
    while (to <= now + 1e-6) to = this.stands(to).to
    return to
  }
}
