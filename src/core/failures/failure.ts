import { evaluate, type ContactPart, type Expr, type LoadPart } from '../equipment'
import {
  makeRef,
  placedByRef,
  splitRef,
  terminalOf,
  wireRef,
  type Installation,
  type Placed,
  type Ref,
} from '../installation'
import { evalContextOf, type Situation } from '../situation'
import { tolerances } from '../tolerances'
import { degF } from '../units'

/** A single failure; everything else is as wired. */
export interface Failure {
  kind: 'wireOpen' | 'stuckOpen' | 'stuckClosed' | 'loadOpen' | 'mode'
  /** The conductor, contact, load or mode. */
  at: Ref
  /** The failed state of a mode. */
  state?: string
}

/** Contacts that can weld, or fail to close. Fuses, links, limits and breakers have failures of their own as modes. */
const MOVING: ContactPart['gate'][] = [
  'relay', 'sequencer', 'contactor', 'outdoorThermostat', 'board', 'thermostat', 'safety',
] // prettier-ignore

/**
 * Contacts that protect: they open in an event of their own device (water, a leak, great heat, no flame, no gas, a board's
 * lockout on a fault) and are closed else. One that cannot open any more changes nothing until that event.
 */
export function protects(inst: Installation, at: Ref): boolean {
  const { placed: ref, id } = splitRef(at)
  const placed = placedByRef(inst, ref)
  const part = placed?.device.parts.find((x) => x.id === id)
  if (!placed || part?.kind !== 'contact' || !['safety', 'limit', 'board'].includes(part.gate)) return false
  const outdoorF = degF(tolerances.mildF)
  const answer = (modes: Situation['modes']) =>
    evaluate(
      part.driver,
      evalContextOf(inst, placed, { call: 'off', outdoorF, modes }, () => 'yes'),
    )
  const events = placed.device.modes.flatMap((m) =>
    m.states
      .slice(1)
      // A board's relay also opens when it is not called; that is no protection.
      .filter((s) => part.gate !== 'board' || s.condition === 'lockout')
      .map((s) => ({ [makeRef(ref, m.id)]: s.id })),
  )
  return answer({}) === 'yes' && events.some((e) => answer(e) === 'no')
}

/** Every single failure of wiring and parts that this job can have, in the order of placing. */
export function failuresOf(inst: Installation): Failure[] {
  const wires = inst.wires
    .filter((w) => w.a && w.b && [w.a, w.b].every((r) => terminalOf(inst, r)?.terminal.side === 'low'))
    .map((w): Failure => ({ kind: 'wireOpen', at: wireRef(w.id) }))
  const parts = inst.placed.flatMap((p) => [
    ...p.device.modes.flatMap((m) =>
      m.states
        .filter((s) => s.reach === 'failure' || s.condition === 'off')
        .map((s): Failure => ({ kind: 'mode', at: makeRef(p.ref, m.id), state: s.id })),
    ),
    ...p.device.parts.flatMap((x): Failure[] => {
      const at = makeRef(p.ref, x.id)
      if (x.kind === 'contact' && MOVING.includes(x.gate))
        return [
          { kind: 'stuckOpen', at },
          { kind: 'stuckClosed', at },
        ]
      // An open limit is a mode of its own; a limit that cannot open any more is not.
      if (x.kind === 'contact' && x.gate === 'limit') return [{ kind: 'stuckClosed', at }]
      return x.kind === 'load' ? [{ kind: 'loadOpen', at }] : []
    }),
  ])
  return [...wires, ...parts]
}

const ALWAYS: Expr = { all: [] }
const NEVER: Expr = { any: [] }

/** The job with the failure in it. A failed mode is not part of the job: see `failedModes`. */
export function withFailure(inst: Installation, f: Failure): Installation {
  switch (f.kind) {
    case 'wireOpen':
      return { ...inst, wires: inst.wires.filter((w) => wireRef(w.id) !== f.at) }
    case 'mode':
      return inst
    case 'loadOpen':
      return editPart(inst, f.at, () => null)
    case 'stuckOpen':
    case 'stuckClosed':
      return editPart(inst, f.at, (x) =>
        x.kind === 'contact' ? { ...x, driver: f.kind === 'stuckOpen' ? NEVER : ALWAYS } : x,
      )
  }
}

/** Modes that the failure holds, whatever the situation. */
export const failedModes = (f: Failure): Record<Ref, string> =>
  f.kind === 'mode' && f.state ? { [f.at]: f.state } : {}

function editPart(
  inst: Installation,
  at: Ref,
  change: (x: ContactPart | LoadPart) => ContactPart | LoadPart | null,
): Installation {
  const edit = (p: Placed): Placed => {
    if (!at.startsWith(`${p.ref}.`)) return p
    const parts = p.device.parts.flatMap((x) => {
      if (makeRef(p.ref, x.id) !== at || (x.kind !== 'contact' && x.kind !== 'load')) return [x]
      const next = change(x)
      return next ? [next] : []
    })
    return { ...p, device: { ...p.device, parts } }
  }
  return { ...inst, placed: inst.placed.map(edit) }
}
