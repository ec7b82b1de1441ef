import { READING_KINDS, READINGS, type ReadingPlace } from '@/core/readings'
import { CABLE_COLOURS, freeName, planLanding, practiceFor, withLineWork } from '@/core/plan'
import type { Device } from '@/core/equipment'
import { placedByRef, splitRef, terminalOf, type Wire, isRef } from '@/core/installation'
import { type Reading } from '@/core/startup'
import {
  apply,
  freshParts,
  installationOf,
  JOB_VERSION,
  planOperations,
  type Checked,
  type Job,
  type Operation,
} from '@/jobfile'
import { DEVICE_WORDS } from '@/words'
import { refuse } from './answer'
import { readPractice, readSituation, type Args } from './args'
import { findDevice, libraryDevices } from './jobOnDisk'
import { pairs } from './pairs'
import { set } from './setCommand'

/** An edit of a job from the command line: the operations that the screens make too, in order. */
type Edit = (job: Job, args: Args) => Checked<Operation[]>

const done = (ops: Operation[]): Checked<Operation[]> => ({ ok: true, value: ops })
/** A job in which nothing is installed yet. */
export function newJob(id: string, title: string): Job {
  return {
    format: 'gatecross.job',
    version: JOB_VERSION,
    id,
    title,
    site: { address: '', owner: '' },
    note: '',
    technician: '',
    devices: {},
    placed: [],
    cables: [],
    wires: [],
    ...freshParts(),
  }
}

/** `place FILE REF=DEVICE …`: devices of the library, or of files of their own, installed. */
const place: Edit = (job, { words, library, values }) => {
  const list = pairs(words, 'REF=DEVICE, a name of your own and a device')
  if (!list.ok) return list
  const ops: Operation[] = []
  for (const [ref, named] of list.value) {
    const known = job.devices[named]
    const device: Checked<Device> = known ? { ok: true, value: known } : findDevice(named, library)
    if (!device.ok) return device
    const { id, kind } = device.value
    ops.push({
      kind: 'placeDevice',
      placed: {
        ref,
        device: id,
        label: values.label ?? DEVICE_WORDS[kind],
        where: values.where ?? '',
        settings: {},
      },
      ...(job.devices[id] ? {} : { device: device.value }),
    })
    if (values.box) ops.push({ kind: 'setPlate', ref, field: 'newFromBox', value: true })
  }
  return done(ops)
}

/** A bare conductor of a cable between two devices: of the colour asked for, else the next one. */
function bareBetween(job: Job, from: string, to: string, colour: string | undefined): Wire | undefined {
  return job.wires.find((w) => {
    const cable = job.cables.find((c) => c.id === w.cable)
    if (!cable || w.a !== null || w.b !== null || (colour && w.colour !== colour)) return false
    return (cable.from === from && cable.to === to) || (cable.from === to && cable.to === from)
  })
}

/** `cable FILE FROM=TO --conductors N`: a low-voltage cable with bare conductors. */
const cable: Edit = (job, { words, values }) => {
  const list = pairs(words, 'FROM=TO, such as tstat=ah')
  if (!list.ok) return list
  const conductors = Number(values.conductors ?? 8)
  if (!Number.isInteger(conductors) || conductors < 1 || conductors > CABLE_COLOURS.length)
    return refuse('--conductors', `1 to ${CABLE_COLOURS.length}`, values.conductors)
  const feet = Number(values.feet ?? 40)
  let now = job
  const ops: Operation[] = []
  for (const [from, to] of list.value) {
    const id = freeName(now.cables, 'c')
    const wires: Wire[] = []
    for (const colour of CABLE_COLOURS.slice(0, conductors))
      wires.push({ id: freeName([...now.wires, ...wires], 'w'), cable: id, colour, a: null, b: null })
    const op: Operation = {
      kind: 'addCable',
      cable: { id, label: `Cable ${from} to ${to}`, kind: 'low', from, to, gauge: 18, feet },
      wires,
    }
    const next = apply(now, op)
    if (!next.ok) return next
    now = next.value
    ops.push(op)
  }
  return done(ops)
}

/**
 * `land FILE A=B …`: a conductor from A to B each. Between two devices it is the next bare one of a cable that joins them,
 * where there is one; on one device, or without a cable, it is a jumper. `--line` plugs kits in and gives every piece of
 * line-voltage gear a circuit; `--plan` lands as the plan has it.
 */
const land: Edit = (job, args) => {
  const { words, values, library } = args
  if (values.plan) {
    const inst = installationOf(job)
    const chosen = readPractice(values)
    if (!chosen.ok) return chosen
    let now = job
    return done(
      planOperations(inst, planLanding(inst, practiceFor(inst, chosen.value)), () => {
        const id = freeName(now.wires, 'w')
        now = { ...now, wires: [...now.wires, { id, cable: null, colour: '', a: null, b: null }] }
        return id
      }),
    )
  }
  if (values.line) return lineWork(job, library)
  const list = pairs(words, 'TERMINAL=TERMINAL, such as tstat.Y=ah.Y')
  if (!list.ok) return list
  let now = job
  const ops: Operation[] = []
  const inst = installationOf(job)
  for (const [a, b] of list.value) {
    for (const end of [a, b])
      if (!terminalOf(inst, end)) return refuse(end, 'a terminal of a placed device', end)
    if (!isRef(a) || !isRef(b)) continue
    const bare = bareBetween(now, splitRef(a).placed, splitRef(b).placed, values.colour)
    const isForward = bare && now.cables.find((c) => c.id === bare.cable)?.from === splitRef(a).placed
    const made: Operation[] = bare
      ? [
          { kind: 'landWire', wire: bare.id, end: 'a', terminal: isForward ? a : b },
          { kind: 'landWire', wire: bare.id, end: 'b', terminal: isForward ? b : a },
        ]
      : [
          {
            kind: 'addWire',
            wire: {
              id: freeName(now.wires, 'w'),
              cable: null,
              colour: values.colour ?? 'red',
              a,
              b,
              ...(values.gauge ? { gauge: Number(values.gauge) } : {}),
              ...(values.feet ? { feet: Number(values.feet) } : {}),
            },
          },
        ]
    for (const op of made) {
      const next = apply(now, op)
      if (!next.ok) return next
      now = next.value
    }
    ops.push(...made)
  }
  return done(ops)
}

/** `lift FILE A=B …`: the conductor between A and B off both; a jumper goes. */
const lift: Edit = (job, { words }) => {
  const list = pairs(words, 'TERMINAL=TERMINAL, such as tstat.Y=ah.Y')
  if (!list.ok) return list
  const ops: Operation[] = []
  for (const [a, b] of list.value) {
    const wire = job.wires.find((w) => (w.a === a && w.b === b) || (w.a === b && w.b === a))
    if (!wire) return refuse(`${a}=${b}`, 'two terminals that a conductor joins', `${a}=${b}`)
    if (wire.cable === null) ops.push({ kind: 'removeWire', wire: wire.id })
    else
      for (const end of ['a', 'b'] as const)
        ops.push({ kind: 'landWire', wire: wire.id, end, terminal: null })
  }
  return done(ops)
}

const serviceVolts = (feed: Device): number =>
  Number(feed.settings.find((s) => s.id === 'volts')?.default ?? 0)

/** Kits plugged in, and a circuit for each piece of line-voltage gear that has none. */
function lineWork(job: Job, library: string): Checked<Operation[]> {
  const feeds = libraryDevices(library, 'feedsLine')
  const of = (terminal: string) =>
    feeds
      .filter((d) => d.terminals.some((t) => t.id === terminal))
      // Among several feeds, take the one of the highest volts: usually the house's service.
      .reduce<Device | null>((a, d) => (a && serviceVolts(a) >= serviceVolts(d) ? a : d), null)
  const [twoPole, onePole] = [of('L2'), of('N')]
  if (!twoPole || !onePole)
    return refuse('--line', 'a library with a two-pole and a one-pole circuit', library)
  const inst = installationOf(job)
  const fed = withLineWork(inst, { twoPole, onePole })
  const fresh = fed.placed.filter((p) => !placedByRef(inst, p.ref))
  const ops: Operation[] = fresh.map(({ device, where, ...placed }, i) => ({
    kind: 'placeDevice',
    placed: { ...placed, where: where ?? '', device: device.id },
    ...(job.devices[device.id] || fresh.slice(0, i).some((p) => p.device.id === device.id) ? {} : { device }),
  }))
  for (const c of fed.cables.filter((x) => !inst.cables.some((y) => y.id === x.id)))
    ops.push({ kind: 'addCable', cable: c, wires: fed.wires.filter((w) => w.cable === c.id) })
  return done(ops)
}

/** `read FILE KIND VALUE --at REF …`: one reading, with its place, situation, person and time. */
const read: Edit = (job, { words, values, now }) => {
  const [kindText = '', valueText = ''] = words
  const kind = READING_KINDS.find((k) => k === kindText)
  if (!kind) return refuse('KIND', `one of ${READING_KINDS.join(', ')}`, kindText)
  const inst = installationOf(job)
  const situation = readSituation(inst, values)
  if (!situation.ok) return situation
  const isOpen = valueText.toUpperCase() === 'OL'
  if (!isOpen && !/^-?\d+(\.\d+)?$/.test(valueText))
    return refuse(
      'VALUE',
      `a number in ${READINGS[kind].unit}${kind === 'rowOhms' ? ', or OL' : ''}`,
      valueText,
    )
  const place = (values.place ?? READINGS[kind].places[0]) as ReadingPlace
  const reading: Reading = {
    id: freeName(job.readings, 'r'),
    kind,
    value: isOpen ? 'OL' : Number(valueText),
    place,
    at: values.at ?? '',
    withBlower: values.blower === undefined ? null : values.blower === 'in',
    instrument: values.instrument ?? '',
    situation: situation.value,
    who: values.who ?? '',
    when: values.when ?? now,
    supersedes: values.corrects ?? null,
  }
  return done([{ kind: 'takeReading', reading }])
}

export const EDITS: Record<string, Edit> = { place, cable, land, lift, set, read }
