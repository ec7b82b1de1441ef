import {
  hasTrait,
  EARTH,
  type ContactPart,
  type LoadPart,
  type SourcePart,
  type TransformerPart,
} from '../equipment'
import {
  makeRef,
  quantity,
  splitRef,
  wireRef,
  wireSize,
  type Installation,
  type Placed,
  type Point,
  type Ref,
} from '../installation'
import { tolerances } from '../tolerances'
import { wireOhms, asVolts, type Volts } from '../units'
import type { Complexes } from './elimination'

/** Index of the reference node: earth. */
export const GROUND = -1

/** A two-ended branch with a fixed admittance, S (complex). */
export interface Branch {
  ref: Ref
  a: number
  b: number
  re: number
  im: number
}
export interface ContactBranch extends Branch {
  placed: Placed
  part: ContactPart
  ratedA: number | null
}
export interface LoadBranch extends Branch {
  placed: Placed
  part: LoadPart
  pullIn: number
  dropOut: number
  /** The electronics of a board: between R and C of a device that is no thermostat, so always meant to have 24 V. */
  isBoard: boolean
}
export interface SourceBranch extends Branch {
  placed: Placed
  part: SourcePart
  /** Volts of the ideal source, complex. */
  emf: { re: number; im: number }
}
export interface TransformerBranch {
  ref: Ref
  placed: Placed
  part: TransformerPart
  a: number
  b: number
  c: number
  d: number
  /** Secondary no-load volts for each primary volt. */
  ratio: number
  /** Conductance of the secondary's series resistance, S. */
  siemens: number
  ratedA: number
}

/** 24 V and line voltage of one job as one list of branches between numbered nodes. */
export interface Netlist {
  nodes: Ref[]
  index: ReadonlyMap<Ref, number>
  /** Wires and the plain conductors inside devices: always there. */
  conductors: Branch[]
  /** Leakage paths through open triacs. */
  leaks: Branch[]
  contacts: ContactBranch[]
  contactIndex: ReadonlyMap<Ref, number>
  /** Fuses and breakers: the contacts with a rating, by their place among the contacts. */
  rated: number[]
  loads: LoadBranch[]
  sources: SourceBranch[]
  transformers: TransformerBranch[]
}

/** Adds a job's wires to what stands inside its devices. Wires whose ends are not both landed carry nothing: left out. */
export function withWires(inside: Netlist, inst: Installation): Netlist {
  const { index } = inside
  const wires: Branch[] = []
  for (const wire of inst.wires) {
    if (!wire.a || !wire.b) continue
    const a = index.get(wire.a)
    const b = index.get(wire.b)
    if (a === undefined || b === undefined || a === b) continue
    const { gauge, feet } = wireSize(inst, wire)
    const ohms = wireOhms(gauge, feet) + tolerances.contactOhms
    wires.push({ ref: wireRef(wire.id), a, b, re: 1 / ohms, im: 0 })
  }
  return { ...inside, conductors: [...inside.conductors, ...wires] }
}

/** Lays out what stands inside the devices of a job, for the wires to be added. */
export function layDevices(all: readonly Placed[]): Netlist {
  const nodes: Ref[] = []
  const index = new Map<Ref, number>()
  const node = (placed: string, id: string): number => {
    if (id === EARTH) return GROUND
    const ref = makeRef(placed, id)
    let i = index.get(ref)
    if (i === undefined) {
      i = nodes.length
      nodes.push(ref)
      index.set(ref, i)
    }
    return i
  }
  const list: Netlist = {
    nodes,
    index,
    conductors: [],
    leaks: [],
    contacts: [],
    contactIndex: new Map(),
    rated: [],
    loads: [],
    sources: [],
    transformers: [],
  }
  for (const placed of all) {
    for (const t of placed.device.terminals) node(placed.ref, t.id)
    for (const part of placed.device.parts) {
      const ref = makeRef(placed.ref, part.id)
      const a = node(placed.ref, part.a)
      const b = node(placed.ref, part.b)
      const ends = { ref, a, b }
      switch (part.kind) {
        case 'path':
          list.conductors.push({ ...ends, re: 1 / Math.max(part.ohms, 1e-3), im: 0 })
          break
        case 'contact': {
          const ratedA = part.ratedA === undefined ? null : quantity(placed, part.ratedA)
          if (part.openOhms !== undefined) list.leaks.push({ ...ends, re: 1 / part.openOhms, im: 0 })
          list.contacts.push({ ...ends, re: 1 / tolerances.contactOhms, im: 0, placed, part, ratedA })
          break
        }
        case 'load': {
          const siemens = quantity(placed, part.va) / (part.volts * part.volts)
          const pf = part.powerFactor ?? 1
          const pullIn = part.pullIn ?? part.volts * tolerances.runsAtShare
          const dropOut = part.dropOut ?? part.volts * tolerances.stopsAtShare
          const im = -siemens * Math.sqrt(Math.max(0, 1 - pf * pf))
          list.loads.push({
            ...ends,
            re: siemens * pf,
            im,
            placed,
            part,
            pullIn,
            dropOut,
            isBoard: isBoard(placed, part),
          })
          break
        }
        case 'source': {
          const volts = quantity(placed, part.volts)
          const phase = ((part.phaseDeg ?? 0) * Math.PI) / 180
          const emf = { re: volts * Math.cos(phase), im: volts * Math.sin(phase) }
          list.sources.push({ ...ends, re: 1 / part.ohms, im: 0, placed, part, emf })
          break
        }
        case 'transformer': {
          const ratedA = part.va / part.secondaryVolts
          const ohms = Math.max((part.noLoadVolts - part.secondaryVolts) / ratedA, 1e-3)
          list.transformers.push({
            ...ends,
            c: node(placed.ref, part.c),
            d: node(placed.ref, part.d),
            placed,
            part,
            ratio: part.noLoadVolts / quantity(placed, part.primaryVolts),
            siemens: 1 / ohms,
            ratedA,
          })
          break
        }
      }
    }
  }
  list.rated = list.contacts.flatMap((c, i) => (c.ratedA === null ? [] : [i]))
  list.contactIndex = new Map(list.contacts.map((c, i) => [c.ref, i]))
  return list
}

function isBoard({ device }: Placed, part: LoadPart): boolean {
  const role = (id: string) => device.terminals.find((t) => t.id === id)?.role
  const ends = [role(part.a), role(part.b)]
  return !hasTrait(device, 'onWall') && ends.includes('R') && ends.includes('C')
}

/** The node of a terminal or of earth; NaN for a point that is not there. */
export const nodeOf = (net: Netlist, ref: Point): number =>
  ref === EARTH || splitRef(ref).id === EARTH ? GROUND : (net.index.get(ref) ?? Number.NaN)

/** Volts between two nodes, magnitude. */
export function across(volts: Complexes, a: number, b: number): Volts {
  const re = (a === GROUND ? 0 : volts.re[a]!) - (b === GROUND ? 0 : volts.re[b]!)
  const im = (a === GROUND ? 0 : volts.im[a]!) - (b === GROUND ? 0 : volts.im[b]!)
  // Several times quicker than Math.hypot, whose care for huge numbers no voltage needs.
  return asVolts(Math.sqrt(re * re + im * im))
}
