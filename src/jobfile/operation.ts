import * as yup from 'yup'
import type { Unknowable, Value } from '@/core/equipment'
import type { Wire } from '@/core/installation'
import type { Reading } from '@/core/startup'
import { hasTerminal, settingProblem } from './references'
import { readingProblems, readingSchema } from './reading'
import { deviceSchema } from './device'
import { applyGear, inverseGear, type GearOperation } from './gearOps'
import { id, optional, shape, text, union } from './kit'
import { cableSchema, knownValue, placedSchema, wireSchema, type Job } from './job'
import { noteSchema, SOURCES, stampSchema, temporarySchema, visitSchema } from './setup'
import { applySetup, inverseSetup, pathOfSetup, type SetupOperation } from './setupOps'
import { problem, type Checked, type Problem } from './problem'

/** The single-line fields of a job that a person types. */
export const FIELDS = ['title', 'note', 'technician', 'site.address', 'site.owner'] as const
export type Field = (typeof FIELDS)[number]

/** Every edit of a job is one of these small named operations; the browser and the server apply the same ones. */
export type Operation =
  | { kind: 'landWire'; wire: string; end: 'a' | 'b'; terminal: string | null }
  | { kind: 'addWire'; wire: Wire }
  | { kind: 'removeWire'; wire: string }
  | { kind: 'markWire'; wire: string; doubt: boolean }
  | { kind: 'colourWire'; wire: string; end: 'a' | 'b'; colour: string }
  | { kind: 'setSetting'; ref: string; setting: string; value: Unknowable<Value> }
  | { kind: 'setCableFeet'; cable: string; feet: number }
  | { kind: 'setField'; field: Field; value: string }
  | { kind: 'takeReading'; reading: Reading }
  | GearOperation
  | SetupOperation

const kind = (k: Operation['kind']) => yup.string().oneOf([k]).required()
const end = () => yup.string().oneOf(['a', 'b']).required()

export const operationSchema = union('kind', {
  landWire: shape({
    kind: kind('landWire'),
    wire: id(),
    end: end(),
    terminal: yup.string().max(130).nullable().defined(),
  }),
  addWire: shape({ kind: kind('addWire'), wire: wireSchema }),
  removeWire: shape({ kind: kind('removeWire'), wire: id() }),
  markWire: shape({ kind: kind('markWire'), wire: id(), doubt: yup.boolean().defined() }),
  colourWire: shape({ kind: kind('colourWire'), wire: id(), end: end(), colour: text(30) }),
  setSetting: shape({ kind: kind('setSetting'), ref: id(), setting: id(), value: knownValue }),
  setCableFeet: shape({
    kind: kind('setCableFeet'),
    cable: id(),
    feet: yup.number().min(0).max(5000).defined(),
  }),
  setField: shape({
    kind: kind('setField'),
    field: yup
      .string()
      .oneOf([...FIELDS])
      .required(),
    value: text(2000),
  }),
  takeReading: shape({ kind: kind('takeReading'), reading: readingSchema }),
  placeDevice: shape({
    kind: kind('placeDevice'),
    placed: placedSchema,
    device: optional(deviceSchema),
    cables: yup.array(cableSchema).max(60),
    wires: yup.array(wireSchema).max(400),
  }),
  removeDevice: shape({ kind: kind('removeDevice'), ref: id() }),
  addCable: shape({
    kind: kind('addCable'),
    cable: cableSchema,
    wires: yup.array(wireSchema).max(60).defined(),
  }),
  removeCable: shape({ kind: kind('removeCable'), cable: id() }),
  answer: shape({ kind: kind('answer'), question: id(), answer: text(80) }),
  markSource: shape({
    kind: kind('markSource'),
    ref: id(),
    setting: id(),
    source: yup
      .string()
      .oneOf([...SOURCES])
      .nullable()
      .defined(),
  }),
  noteKeyed: shape({
    kind: kind('noteKeyed'),
    ref: id(),
    setting: id(),
    what: yup.string().oneOf(['found', 'left', 'readBack']).required(),
    note: noteSchema.nullable(),
  }),
  tickLine: shape({
    kind: kind('tickLine'),
    line: yup.string().max(160).required(),
    by: stampSchema.nullable(),
  }),
  addTemporary: shape({ kind: kind('addTemporary'), temporary: temporarySchema }),
  putBack: shape({ kind: kind('putBack'), temporary: id(), by: stampSchema.nullable() }),
  closeVisit: shape({ kind: kind('closeVisit'), visit: visitSchema }),
})

const fail = (...problems: Problem[]): Checked<Job> => ({ ok: false, problems })

/** Applies one operation. A refused one names its place and changes nothing; the job passed in is never changed. */
export function apply(job: Job, op: Operation): Checked<Job> {
  switch (op.kind) {
    case 'landWire': {
      if (op.terminal !== null && !hasTerminal(job, op.terminal))
        return fail(problem('terminal', 'a terminal of a placed device', op.terminal))
      return editWire(job, op.wire, (w) => ({ ...w, [op.end]: op.terminal }))
    }
    case 'addWire': {
      const { wire } = op
      if (job.wires.some((w) => w.id === wire.id))
        return fail(problem('wire.id', 'a name that is not used yet', wire.id))
      if (wire.cable !== null && !job.cables.some((c) => c.id === wire.cable))
        return fail(problem('wire.cable', 'a cable of this job', wire.cable))
      for (const e of ['a', 'b'] as const) {
        const ref = wire[e]
        if (ref !== null && !hasTerminal(job, ref))
          return fail(problem(`wire.${e}`, 'a terminal of a placed device', ref))
      }
      return done({ ...job, wires: [...job.wires, wire] })
    }
    case 'removeWire':
      if (!job.wires.some((w) => w.id === op.wire))
        return fail(problem('wire', 'a conductor of this job', op.wire))
      return done({ ...job, wires: job.wires.filter((w) => w.id !== op.wire) })
    case 'markWire':
      return editWire(job, op.wire, ({ doubt: _, ...w }) => (op.doubt ? { ...w, doubt: true } : w))
    case 'colourWire':
      return editWire(job, op.wire, (w) => ({ ...w, [op.end === 'a' ? 'colour' : 'colourB']: op.colour }))
    case 'setSetting': {
      const entry = job.placed.find((p) => p.ref === op.ref)
      if (!entry) return fail(problem('ref', 'a placed device', op.ref))
      const wrong = settingProblem(
        job.devices[entry.device]?.settings.find((s) => s.id === op.setting),
        op.value,
      )
      if (wrong) return fail(problem(`${op.ref}.${op.setting}`, wrong, op.value))
      const placed = job.placed.map((p) =>
        p === entry ? { ...p, settings: { ...p.settings, [op.setting]: op.value } } : p,
      )
      return done({ ...job, placed })
    }
    case 'setCableFeet':
      if (!job.cables.some((c) => c.id === op.cable))
        return fail(problem('cable', 'a cable of this job', op.cable))
      return done({
        ...job,
        cables: job.cables.map((c) => (c.id === op.cable ? { ...c, feet: op.feet } : c)),
      })
    case 'setField': {
      if (op.field === 'title' && !op.value.trim())
        return fail(problem('title', 'a name for the job', op.value))
      const [outer, inner] = op.field.split('.')
      if (inner) return done({ ...job, site: { ...job.site, [inner]: op.value } })
      return done({ ...job, [outer!]: op.value })
    }
    case 'takeReading': {
      const { reading } = op
      const wrong = readingProblems(reading, 'reading')
      if (wrong.length) return fail(...wrong)
      if (job.readings.some((r) => r.id === reading.id))
        return fail(problem('reading.id', 'a name that is not used yet', reading.id))
      if (reading.supersedes && !job.readings.some((r) => r.id === reading.supersedes))
        return fail(problem('reading.supersedes', 'an earlier reading of this job', reading.supersedes))
      return done({ ...job, readings: [...job.readings, reading] })
    }
    case 'placeDevice':
    case 'removeDevice':
    case 'addCable':
    case 'removeCable': {
      const result = applyGear(job, op)
      return 'job' in result ? done(result.job) : fail(...result.problems)
    }
    default: {
      const result = applySetup(job, op)
      return 'job' in result ? done(result.job) : fail(...result.problems)
    }
  }
}

const done = (job: Job): Checked<Job> => ({ ok: true, value: job })

function editWire(job: Job, wire: string, change: (w: Wire) => Wire): Checked<Job> {
  if (!job.wires.some((w) => w.id === wire)) return fail(problem('wire', 'a conductor of this job', wire))
  return done({ ...job, wires: job.wires.map((w) => (w.id === wire ? change(w) : w)) })
}

/** The operation that takes this one back; null for a reading, which is corrected and never taken back. */
export function inverse(job: Job, op: Operation): Operation | null {
  const wire =
    'wire' in op && typeof op.wire === 'string' ? job.wires.find((w) => w.id === op.wire) : undefined
  switch (op.kind) {
    case 'landWire':
      return wire ? { ...op, terminal: wire[op.end] } : null
    case 'addWire':
      return { kind: 'removeWire', wire: op.wire.id }
    case 'removeWire':
      return wire ? { kind: 'addWire', wire } : null
    case 'markWire':
      return { ...op, doubt: wire?.doubt ?? false }
    case 'colourWire':
      return wire ? { ...op, colour: op.end === 'a' ? wire.colour : (wire.colourB ?? wire.colour) } : null
    case 'setSetting': {
      const value = job.placed.find((p) => p.ref === op.ref)?.settings[op.setting]
      return value === undefined ? null : { ...op, value }
    }
    case 'setCableFeet': {
      const cable = job.cables.find((c) => c.id === op.cable)
      return cable ? { ...op, feet: cable.feet } : null
    }
    case 'setField': {
      const [outer, inner] = op.field.split('.')
      const holder = (inner ? job.site : job) as unknown as Record<string, string>
      return { ...op, value: holder[inner ?? outer!] ?? '' }
    }
    case 'takeReading':
      return null
    case 'placeDevice':
    case 'removeDevice':
    case 'addCable':
    case 'removeCable':
      return inverseGear(job, op)
    default:
      return inverseSetup(job, op)
  }
}

/** The place in the document that an operation changes. Two operations clash when one's place contains the other's. */
export function pathOf(op: Operation): string {
  switch (op.kind) {
    case 'landWire':
      return `wires.${op.wire}.${op.end}`
    case 'addWire':
      return `wires.${op.wire.id}`
    case 'removeWire':
      return `wires.${op.wire}`
    case 'markWire':
      return `wires.${op.wire}.doubt`
    case 'colourWire':
      return `wires.${op.wire}.colour.${op.end}`
    case 'setSetting':
      return `settings.${op.ref}.${op.setting}`
    case 'setCableFeet':
      return `cables.${op.cable}.feet`
    case 'setField':
      return op.field
    case 'takeReading':
      return `readings.${op.reading.id}`
    case 'placeDevice':
      return `placed.${op.placed.ref}`
    case 'removeDevice':
      return `placed.${op.ref}`
    case 'addCable':
      return `cables.${op.cable.id}`
    case 'removeCable':
      return `cables.${op.cable}`
    default:
      return pathOfSetup(op)
  }
}
export function clash(a: Operation, b: Operation): boolean {
  const [x, y] = [pathOf(a), pathOf(b)]
  return x === y || x.startsWith(`${y}.`) || y.startsWith(`${x}.`)
}
