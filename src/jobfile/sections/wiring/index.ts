import * as yup from 'yup'
import type { Cable, Wire } from '@/core/installation'
import { MOST } from '../../limits'
import { problem, type Checked } from '../../problem'
import { id, text } from '../../schemaKit'
import { hasTerminal } from '../../lookup'
import type { GearDoc } from '../gear/gearDoc'
import { done, refuse, repeated, type Section } from '../section'
import type { WiringDoc } from './wiringDoc'
import { addLines } from './lines'
import { cableSchema, terminalRef, wireSchema } from './wiringSchema'

export interface LandWire {
  kind: 'landWire'
  wire: string
  end: 'a' | 'b'
  terminal: string | null
}
export interface AddWire {
  kind: 'addWire'
  wire: Wire
}
export interface RemoveWire {
  kind: 'removeWire'
  wire: string
}
export interface MarkWire {
  kind: 'markWire'
  wire: string
  doubt: boolean
}
export interface ColourWire {
  kind: 'colourWire'
  wire: string
  end: 'a' | 'b'
  colour: string
}
export interface SetCableFeet {
  kind: 'setCableFeet'
  cable: string
  feet: number
}
/** A cable with its conductors. */
export interface AddCable {
  kind: 'addCable'
  cable: Cable
  wires: Wire[]
}
export interface RemoveCable {
  kind: 'removeCable'
  cable: string
}
export type WiringOperation =
  LandWire | AddWire | RemoveWire | MarkWire | ColourWire | SetCableFeet | AddCable | RemoveCable

const end = () => yup.string().oneOf(['a', 'b']).required()
const ENDS = ['a', 'b'] as const

const noWire = (wire: string) => refuse('wire', 'a conductor of this job', wire)
const noCable = (cable: string) => refuse('cable', 'a cable of this job', cable)

function editWire<J extends WiringDoc>(job: J, wire: string, change: (w: Wire) => Wire): Checked<J> {
  if (!job.wires.some((w) => w.id === wire)) return noWire(wire)
  return done({ ...job, wires: job.wires.map((w) => (w.id === wire ? change(w) : w)) })
}

export const wiring: Section<WiringDoc, WiringOperation, WiringDoc & GearDoc> = {
  fields: () => ({
    cables: yup.array(cableSchema()).max(MOST.cables).defined(),
    wires: yup.array(wireSchema()).max(MOST.wires).defined(),
  }),
  lists: { cables: 'id', wires: 'id' },
  operations: {
    landWire: {
      fields: () => ({ wire: id(), end: end(), terminal: terminalRef() }),
      apply(job, op) {
        if (op.terminal !== null && !hasTerminal(job, op.terminal))
          return refuse('terminal', 'a terminal of a placed device', op.terminal)
        return editWire(job, op.wire, (w) => ({ ...w, [op.end]: op.terminal }))
      },
      path: (op) => `wires.${op.wire}.${op.end}`,
    },
    addWire: {
      fields: () => ({ wire: wireSchema() }),
      apply(job, { wire }) {
        if (job.wires.some((w) => w.id === wire.id))
          return refuse('wire.id', 'a name that is not used yet', wire.id)
        if (wire.cable !== null && !job.cables.some((c) => c.id === wire.cable))
          return refuse('wire.cable', 'a cable of this job', wire.cable)
        for (const e of ENDS)
          if (wire[e] !== null && !hasTerminal(job, wire[e]))
            return refuse(`wire.${e}`, 'a terminal of a placed device', wire[e])
        return done({ ...job, wires: [...job.wires, wire] })
      },
      path: (op) => `wires.${op.wire.id}`,
    },
    removeWire: {
      fields: () => ({ wire: id() }),
      apply(job, { wire }) {
        if (!job.wires.some((w) => w.id === wire)) return noWire(wire)
        return done({ ...job, wires: job.wires.filter((w) => w.id !== wire) })
      },
      path: (op) => `wires.${op.wire}`,
    },
    markWire: {
      fields: () => ({ wire: id(), doubt: yup.boolean().defined() }),
      apply: (job, op) =>
        editWire(job, op.wire, ({ doubt: _, ...w }) => (op.doubt ? { ...w, doubt: true } : w)),
      path: (op) => `wires.${op.wire}.doubt`,
    },
    colourWire: {
      fields: () => ({ wire: id(), end: end(), colour: text(30) }),
      apply: (job, op) =>
        editWire(job, op.wire, (w) => ({ ...w, [op.end === 'a' ? 'colour' : 'colourB']: op.colour })),
      path: (op) => `wires.${op.wire}.${op.end === 'a' ? 'colour' : 'colourB'}`,
    },
    setCableFeet: {
      fields: () => ({ cable: id(), feet: yup.number().min(0).max(5000).defined() }),
      apply(job, { cable, feet }) {
        if (!job.cables.some((c) => c.id === cable)) return noCable(cable)
        return done({ ...job, cables: job.cables.map((c) => (c.id === cable ? { ...c, feet } : c)) })
      },
      path: (op) => `cables.${op.cable}.feet`,
    },
    addCable: {
      fields: () => ({ cable: cableSchema(), wires: yup.array(wireSchema()).max(60).defined() }),
      apply: (job, op) => addLines(job, [op.cable], op.wires),
      path: (op) => `cables.${op.cable.id}`,
    },
    removeCable: {
      fields: () => ({ cable: id() }),
      apply(job, { cable }) {
        if (!job.cables.some((c) => c.id === cable)) return noCable(cable)
        return done({
          ...job,
          cables: job.cables.filter((c) => c.id !== cable),
          wires: job.wires.filter((w) => w.cable !== cable),
        })
      },
      path: (op) => `cables.${op.cable}`,
    },
  },
  references(job) {
    const refs = new Set(job.placed.map((p) => p.ref))
    const cables = new Set(job.cables.map((c) => c.id))
    return [
      ...repeated(job.cables, 'id', 'cables'),
      ...repeated(job.wires, 'id', 'wires'),
      ...job.cables.flatMap((c, i) =>
        (['from', 'to'] as const).flatMap((e) =>
          refs.has(c[e]) ? [] : [problem(`cables[${i}].${e}`, 'a placed device', c[e])],
        ),
      ),
      ...job.wires.flatMap((w, i) => [
        ...(w.cable === null || cables.has(w.cable)
          ? []
          : [problem(`wires[${i}].cable`, 'a cable of this job', w.cable)]),
        ...ENDS.flatMap((e) =>
          w[e] === null || hasTerminal(job, w[e])
            ? []
            : [problem(`wires[${i}].${e}`, 'a terminal of a placed device', w[e])],
        ),
      ]),
    ]
  },
}
export type { WiringDoc } from './wiringDoc'
