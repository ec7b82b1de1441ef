import type { Complexes } from './elimination'
import type { Driver } from './drivers'
import { across, type Netlist } from './netlist'

/**
 * Contacts and coils on their way to rest in one situation. In small steps of its own each, since one of thousands of
 * settlings runs long before a long one would be compiled well.
 */
export class Settling {
  readonly drivers: Uint8Array
  readonly closed: Uint8Array
  readonly coils: Uint8Array
  private readonly contactDrivers: readonly Driver[]
  private readonly loads: Netlist['loads']

  /**
   * @param outside what the situation answers to the drivers' outside leaves
   * @param threshold the level from which a driver's answer closes its contact
   * @param from how the coils stand before; null: all at rest
   * @param forced by contact: 0 stands open, 1 stands closed, 2 follows its driver
   */
  constructor(
    { contacts, loads }: Netlist,
    drivers: readonly Driver[],
    private readonly outside: Uint8Array,
    private readonly threshold: number,
    from: Uint8Array | null,
    private readonly forced: Uint8Array | null,
  ) {
    this.loads = loads
    this.contactDrivers = drivers
    this.coils = from ? from.slice() : new Uint8Array(loads.length)
    this.drivers = new Uint8Array(contacts.length)
    this.closed = new Uint8Array(contacts.length)
    for (let i = 0; i < contacts.length; i++) this.look(i)
  }

  /** Whether a contact whose driver gives this answer is taken as closed. */
  isClosed(level: number, contact: number): 0 | 1 {
    const held = this.forced ? this.forced[contact] : 2
    return held === 2 ? (level >= this.threshold ? 1 : 0) : held === 1 ? 1 : 0
  }

  /** Asks a contact's driver again. */
  look(contact: number): void {
    const level = this.contactDrivers[contact]!(this.outside, this.coils)
    this.drivers[contact] = level
    this.closed[contact] = this.isClosed(level, contact)
  }

  /** 2 where a load is in with these volts, 0 where it is out; between the two it stays as it was. */
  private stateOf(volts: Complexes, load: number): number {
    const l = this.loads[load]!
    const v = across(volts, l.a, l.b)
    return v >= l.pullIn ? 2 : v < l.dropOut ? 0 : this.coils[load]!
  }

  /** Moves coils to where these volts put them, all together or the first alone; gives those that moved. */
  move(volts: Complexes, coils: Iterable<number>, onlyOne: boolean): number[] {
    const moved: number[] = []
    for (const i of coils) {
      const next = this.stateOf(volts, i)
      if (next === this.coils[i]) continue
      this.coils[i] = next
      moved.push(i)
      if (onlyOne) break
    }
    return moved
  }

  /** Every load at rest, those too that move no contact. */
  rest(volts: Complexes): void {
    for (let i = 0; i < this.loads.length; i++) this.coils[i] = this.stateOf(volts, i)
  }
}
