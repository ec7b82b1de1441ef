import { nth } from '../assert'
import { kindWith, type Device } from '../equipment'
import { makeRef, type Installation, type Placed, type Ref } from '../installation'
import { placeOfDevice, type Net } from '../wiring'
import { having } from '../query'

/** A splice, where a plan needs one: a node and nothing else. */
const SPLICE_DEVICE: Device = {
  format: 'gatecross.device',
  version: 2,
  id: 'splice',
  kind: kindWith('joinsWires'),
  name: 'Splice',
  fits: ['any'],
  about: 'Conductors joined under one connector.',
  terminals: [{ id: 'x', label: 'splice', side: 'low', role: 'splice' }],
  parts: [],
  settings: [],
  modes: [],
  plate: {},
}

/** The splices of a landing: those that are there are used before new ones are made. */
export class Splices {
  /** Devices that the landing adds. */
  readonly made: Placed[] = []
  private readonly unused: Placed[]

  constructor(private readonly inst: Installation) {
    this.unused = having(inst, 'joinsWires')
  }

  /** A splice at this place for this net: one that joins points of it already, else an empty one, else a new one. */
  pointAt(where: string, net: Net): Ref {
    const here = this.unused.filter((p) => placeOfDevice(p, p.ref) === where)
    const best = here.reduce<{ splice: Placed; joins: number } | null>((found, splice) => {
      const [joins, landed] = this.landedOn(splice, net)
      const fits = joins > 0 || landed === 0
      return fits && joins > (found?.joins ?? -1) ? { splice, joins } : found
    }, null)
    if (best) this.unused.splice(this.unused.indexOf(best.splice), 1)
    return pointOf(best?.splice ?? this.make(where))
  }

  /** How many conductors on a splice come from this net, and how many there are. */
  private landedOn(splice: Placed, net: Net): [number, number] {
    const point = pointOf(splice)
    const far = this.inst.wires.flatMap((w) => (w.a === point ? [w.b] : w.b === point ? [w.a] : []))
    return [far.filter((r) => r !== null && net.points.includes(r)).length, far.length]
  }

  private make(where: string): Placed {
    const taken = new Set([...this.inst.placed, ...this.made].flatMap((p) => [p.ref, p.label]))
    let n = 1
    while (taken.has(`spl${n}`) || taken.has(`Splice ${n}`)) n++
    const splice: Placed = {
      ref: `spl${n}`,
      label: `Splice ${n}`,
      where,
      device: SPLICE_DEVICE,
      settings: {},
    }
    this.made.push(splice)
    return splice
  }
}

const pointOf = (splice: Placed): Ref => makeRef(splice.ref, nth(splice.device.terminals, 0).id)
