import type { Device } from '@/core/equipment'
import { splitRef, type Cable, type Wire } from '@/core/installation'
import type { Job, PlacedEntry } from './job'
import { problem, type Problem } from './problem'
import { deviceProblems, hasTerminal, settingProblem } from './references'

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
export type GearOperation = PlaceDevice | RemoveDevice | AddCable | RemoveCable

type Done = { job: Job } | { problems: Problem[] }

/** Applies an operation on what is bolted down; the job passed in is never changed. */
export function applyGear(job: Job, op: GearOperation): Done {
  switch (op.kind) {
    case 'placeDevice':
      return place(job, op)
    case 'removeDevice':
      return takeOut(job, op.ref)
    case 'addCable':
      return addLines(job, [op.cable], op.wires)
    case 'removeCable':
      if (!job.cables.some((c) => c.id === op.cable))
        return { problems: [problem('cable', 'a cable of this job', op.cable)] }
      return {
        job: {
          ...job,
          cables: job.cables.filter((c) => c.id !== op.cable),
          wires: job.wires.filter((w) => w.cable !== op.cable),
        },
      }
  }
}

function place(job: Job, op: PlaceDevice): Done {
  const { placed } = op
  if (placed.ref === 'wires' || job.placed.some((p) => p.ref === placed.ref))
    return { problems: [problem('placed.ref', 'a name that is not used yet', placed.ref)] }
  const device = job.devices[placed.device] ?? op.device
  if (!device || device.id !== placed.device)
    return {
      problems: [problem('placed.device', 'a device of the job, or one that comes with it', placed.device)],
    }
  const wrong = [
    ...(job.devices[device.id] ? [] : deviceProblems(device, 'device')),
    ...Object.entries(placed.settings).flatMap(([id, value]) => {
      const expected = settingProblem(
        device.settings.find((s) => s.id === id),
        value,
      )
      return expected ? [problem(`placed.settings.${id}`, expected, value)] : []
    }),
  ]
  if (wrong.length) return { problems: wrong }
  const next: Job = {
    ...job,
    devices: job.devices[device.id] ? job.devices : { ...job.devices, [device.id]: device },
    placed: [...job.placed, placed],
  }
  return addLines(next, op.cables ?? [], op.wires ?? [])
}

/** Cables and conductors into a job; a conductor that is there already takes the ends given (a device put back). */
function addLines(job: Job, cables: readonly Cable[], wires: readonly Wire[]): Done {
  const found: Problem[] = []
  const all = [...job.cables]
  for (const c of cables) {
    if (all.some((x) => x.id === c.id)) found.push(problem('cable.id', 'a name that is not used yet', c.id))
    for (const end of ['from', 'to'] as const)
      if (!job.placed.some((p) => p.ref === c[end]))
        found.push(problem(`cable.${end}`, 'a placed device', c[end]))
    all.push(c)
  }
  for (const w of wires) {
    if (w.cable !== null && !all.some((c) => c.id === w.cable))
      found.push(problem('wire.cable', 'a cable of this job', w.cable))
    for (const end of ['a', 'b'] as const) {
      const ref = w[end]
      if (ref !== null && !hasTerminal(job, ref))
        found.push(problem(`wire.${end}`, 'a terminal of a placed device', ref))
    }
  }
  if (found.length) return { problems: found }
  const given = new Map(wires.map((w) => [w.id, w]))
  const kept = job.wires.map((w) => given.get(w.id) ?? w)
  const fresh = wires.filter((w) => !job.wires.some((x) => x.id === w.id))
  return { job: { ...job, cables: all, wires: [...kept, ...fresh] } }
}

const at = (ref: string | null, placed: string): boolean => ref !== null && splitRef(ref).placed === placed

/** Takes a device out: its cables go with it, jumpers on it are taken off, conductors of other cables are left bare. */
function takeOut(job: Job, ref: string): Done {
  if (!job.placed.some((p) => p.ref === ref)) return { problems: [problem('ref', 'a placed device', ref)] }
  const gone = new Set(job.cables.filter((c) => c.from === ref || c.to === ref).map((c) => c.id))
  const wires = job.wires
    .filter((w) => !(w.cable && gone.has(w.cable)))
    .filter((w) => w.cable !== null || !(at(w.a, ref) || at(w.b, ref)))
    .map((w) =>
      at(w.a, ref) || at(w.b, ref) ? { ...w, a: at(w.a, ref) ? null : w.a, b: at(w.b, ref) ? null : w.b } : w,
    )
  return {
    job: {
      ...job,
      placed: job.placed.filter((p) => p.ref !== ref),
      cables: job.cables.filter((c) => !gone.has(c.id)),
      wires,
    },
  }
}

/** The operation that takes this one back. */
export function inverseGear(job: Job, op: GearOperation): GearOperation | null {
  switch (op.kind) {
    case 'placeDevice':
      return { kind: 'removeDevice', ref: op.placed.ref }
    case 'removeDevice': {
      const placed = job.placed.find((p) => p.ref === op.ref)
      if (!placed) return null
      const cables = job.cables.filter((c) => c.from === op.ref || c.to === op.ref)
      const wires = job.wires.filter(
        (w) => at(w.a, op.ref) || at(w.b, op.ref) || cables.some((c) => c.id === w.cable),
      )
      const device = job.devices[placed.device]
      return { kind: 'placeDevice', placed, ...(device ? { device } : {}), cables, wires }
    }
    case 'addCable':
      return { kind: 'removeCable', cable: op.cable.id }
    case 'removeCable': {
      const cable = job.cables.find((c) => c.id === op.cable)
      return cable ? { kind: 'addCable', cable, wires: job.wires.filter((w) => w.cable === op.cable) } : null
    }
  }
}
