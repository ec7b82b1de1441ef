import * as yup from 'yup'
import type { Device, Unknowable, Value } from '@/core/equipment'
import { splitRef, type Cable, type Wire } from '@/core/installation'
import { deviceProblems } from '../../deviceProblems'
import { deviceSchema } from '../../deviceSchema'
import { settingAt, settingProblem } from '../../lookup'
import { MOST } from '../../limits'
import { isRaw, problem, type Checked, type Problem } from '../../problem'
import { id, knownValue, optional, record, shape, text, once } from '../../schemaKit'
import { upgradeDevice } from '../../upgradeDevice'
import type { WiringDoc } from '../wiring/wiringDoc'
import type { GearDoc, PlacedEntry } from './gearDoc'
import { done, fail, refuse, repeated, type Raw, type Section } from '../section'
import { addLines } from '../wiring/lines'
import { cableSchema, wireSchema } from '../wiring/wiringSchema'

export interface SetSetting {
  kind: 'setSetting'
  ref: string
  setting: string
  value: Unknowable<Value>
}
/** A device into the job, with its own description where the job has none yet, and what is wired to it. */
export interface PlaceDevice {
  kind: 'placeDevice'
  placed: PlacedEntry
  device?: Device
  cables?: Cable[]
  wires?: Wire[]
}
export interface RemoveDevice {
  kind: 'removeDevice'
  ref: string
}
/** A newer description of a device that the job has, in place of the one it carries; landing and settings stay. */
export interface ReplaceDevice {
  kind: 'replaceDevice'
  device: Device
}
type Gear = GearDoc & WiringDoc
export type GearOperation = SetSetting | PlaceDevice | RemoveDevice | ReplaceDevice

const placedSchema = once(() =>
  shape({
    ref: id(),
    device: id(),
    label: text(80),
    where: yup.string().max(80),
    settings: record(knownValue),
    defaultAssumed: optional(yup.boolean().oneOf([true]).defined()),
  }),
)

function place<J extends Gear>(job: J, op: PlaceDevice): Checked<J> {
  const { placed } = op
  if (placed.ref === 'wires' || job.placed.some((p) => p.ref === placed.ref))
    return refuse('placed.ref', 'a name that is not used yet', placed.ref)
  const device = job.devices[placed.device] ?? op.device
  if (!device || device.id !== placed.device)
    return refuse('placed.device', 'a device of the job, or one that comes with it', placed.device)
  const wrong = [
    ...(job.devices[device.id] ? [] : deviceProblems(device, 'device')),
    ...settingProblems(device, placed.settings, 'placed.settings'),
  ]
  if (wrong.length) return fail(...wrong)
  const next: J = {
    ...job,
    devices: job.devices[device.id] ? job.devices : { ...job.devices, [device.id]: device },
    placed: [...job.placed, placed],
  }
  return addLines(next, op.cables ?? [], op.wires ?? [])
}

const settingProblems = (device: Device, settings: PlacedEntry['settings'], at: string): Problem[] =>
  Object.entries(settings).flatMap(([setting, value]) => {
    const expected = settingProblem(
      device.settings.find((s) => s.id === setting),
      value,
    )
    return expected ? [problem(`${at}.${setting}`, expected, value)] : []
  })

const onPlaced = (terminal: string | null, ref: string): boolean =>
  terminal !== null && splitRef(terminal).placed === ref

/** Takes a device out: its cables go with it, jumpers on it are taken off, conductors of other cables are left bare. */
function remove<J extends Gear>(job: J, ref: string): Checked<J> {
  if (!job.placed.some((p) => p.ref === ref)) return refuse('ref', 'a placed device', ref)
  const gone = new Set(job.cables.filter((c) => c.from === ref || c.to === ref).map((c) => c.id))
  const isOn = (w: Wire) => onPlaced(w.a, ref) || onPlaced(w.b, ref)
  const bare = (end: string | null) => (onPlaced(end, ref) ? null : end)
  const wires = job.wires
    .filter((w) => (w.cable === null ? !isOn(w) : !gone.has(w.cable)))
    .map((w) => (isOn(w) ? { ...w, a: bare(w.a), b: bare(w.b) } : w))
  return done({
    ...job,
    placed: job.placed.filter((p) => p.ref !== ref),
    cables: job.cables.filter((c) => !gone.has(c.id)),
    wires,
  })
}

/**
 * Takes a newer description in. It must have each terminal that a conductor is landed on. A setting that it no longer
 * has goes; a value that it does not take becomes "not known yet", which is what it then is.
 */
function replace<J extends Gear>(job: J, device: Device): Checked<J> {
  if (!job.devices[device.id]) return refuse('device.id', 'a device of this job', device.id)
  const wrong = deviceProblems(device, 'device')
  const terminals = new Set(device.terminals.map((t) => t.id))
  const refs = job.placed.filter((p) => p.device === device.id).map((p) => p.ref)
  for (const wire of job.wires)
    for (const end of [wire.a, wire.b]) {
      if (end === null) continue
      const at = splitRef(end)
      if (refs.includes(at.placed) && !terminals.has(at.id))
        wrong.push(problem('device.terminals', `terminal ${at.id}, which conductor ${wire.id} is on`, 'none'))
    }
  if (wrong.length) return fail(...wrong)
  const kept = (settings: PlacedEntry['settings']): PlacedEntry['settings'] =>
    Object.fromEntries(
      Object.entries(settings).flatMap(([key, value]) => {
        const setting = device.settings.find((s) => s.id === key)
        if (!setting) return []
        return [[key, settingProblem(setting, value) ? null : value]]
      }),
    )
  return done({
    ...job,
    devices: { ...job.devices, [device.id]: device },
    placed: job.placed.map((p) => (p.device === device.id ? { ...p, settings: kept(p.settings) } : p)),
  })
}

const assumingDefaults = (placed: unknown): unknown =>
  isRaw(placed) ? { ...placed, defaultAssumed: true } : placed

const upgradeDevices = (job: Raw): Raw => ({
  ...job,
  devices: Object.fromEntries(
    Object.entries((job.devices ?? {}) as Record<string, unknown>).map(([key, d]) => [key, upgradeDevice(d)]),
  ),
})

export const gear: Section<GearDoc, GearOperation, Gear> = {
  fields: () => ({
    devices: record(deviceSchema()),
    placed: yup.array(placedSchema()).max(MOST.placed).defined(),
  }),
  lists: { placed: 'ref' },
  operations: {
    setSetting: {
      fields: () => ({ ref: id(), setting: id(), value: knownValue }),
      apply(job, op) {
        const wrong = settingAt(job, op.ref, op.setting, op.value)
        if (wrong) return fail(wrong)
        return done({
          ...job,
          placed: job.placed.map((p) =>
            p.ref === op.ref ? { ...p, settings: { ...p.settings, [op.setting]: op.value } } : p,
          ),
        })
      },
      path: (op) => `placed.${op.ref}.settings.${op.setting}`,
    },
    placeDevice: {
      fields: () => ({
        placed: placedSchema(),
        device: optional(deviceSchema()),
        cables: yup.array(cableSchema()).max(MOST.cables),
        wires: yup.array(wireSchema()).max(MOST.wires),
      }),
      apply: place,
      path: (op) => `placed.${op.placed.ref}`,
    },
    removeDevice: {
      fields: () => ({ ref: id() }),
      apply: (job, op) => remove(job, op.ref),
      path: (op) => `placed.${op.ref}`,
    },
    replaceDevice: {
      fields: () => ({ device: deviceSchema() }),
      apply: (job, op) => replace(job, op.device),
      path: (op) => `devices.${op.device.id}`,
    },
  },
  steps: {
    // Device files of version 2 say "does" and "condition", and their plates are typed.
    3: {
      doc: upgradeDevices,
      op: (op) => (op.device === undefined ? op : { ...op, device: upgradeDevice(op.device) }),
    },
    // Up to version 3 a setting that the file left out stood at its default; from here it is not known.
    4: {
      doc: (job) => ({
        ...job,
        placed: Array.isArray(job.placed) ? job.placed.map(assumingDefaults) : job.placed,
      }),
      op: (op) => (op.kind === 'placeDevice' ? { ...op, placed: assumingDefaults(op.placed) } : op),
    },
  },
  references(job) {
    return [
      ...Object.entries(job.devices).flatMap(([key, device]) => [
        ...(device.id === key ? [] : [problem(`devices.${key}.id`, `"${key}"`, device.id)]),
        ...deviceProblems(device, `devices.${key}`),
      ]),
      ...repeated(job.placed, 'ref', 'placed'),
      ...job.placed.flatMap((p, i) => {
        const at = `placed[${i}]`
        if (p.ref === 'wires') return [problem(`${at}.ref`, 'another name', p.ref)]
        const device = Object.hasOwn(job.devices, p.device) ? job.devices[p.device] : undefined
        if (!device)
          return [problem(`${at}.device`, 'a device that the file carries under "devices"', p.device)]
        return settingProblems(device, p.settings, `${at}.settings`)
      }),
    ]
  },
}
export type { GearDoc, PlacedEntry } from './gearDoc'
