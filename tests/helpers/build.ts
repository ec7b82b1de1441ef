import type { Device, Expr, Mode, Part, Setting, Terminal, Value } from '@/core/equipment'
import type { Cable, Installation, Placed, Wire, Ref } from '@/core/installation'

type LoosePart = Partial<Extract<Part, { kind: 'contact' }>> | Part

/** A small device for a test: terminals by name (low voltage unless they start with "L"). */
export function device(
  id: string,
  terminals: string[],
  parts: LoosePart[],
  more: { settings?: Setting[]; modes?: Mode[]; calls?: Device['calls']; kind?: Device['kind'] } = {},
): Device {
  return {
    format: 'gatecross.device',
    version: 2,
    id,
    kind: more.kind ?? 'airHandler',
    name: id,
    fits: [],
    terminals: terminals.map((t): Terminal => ({
      id: t,
      label: t,
      side: /^L\d/.test(t) ? 'line' : 'low',
      role: t === 'C' ? 'C' : 'spare',
    })),
    parts: parts as Part[],
    settings: more.settings ?? [],
    modes: more.modes ?? [],
    ...(more.calls ? { calls: more.calls } : {}),
    plate: {},
  }
}

export const placed = (ref: string, dev: Device, settings: Record<string, Value | null> = {}): Placed => ({
  ref,
  label: ref,
  device: dev,
  settings,
})

export const wire = (id: string, a: Ref, b: Ref, size: { gauge: number; feet: number }): Wire => ({
  id,
  cable: null,
  colour: 'red',
  a,
  b,
  ...size,
})

export const install = (list: Placed[], wires: Wire[] = [], cables: Cable[] = []): Installation => ({
  placed: list,
  wires,
  cables,
})

export const contact = (id: string, a: string, b: string, driver: Expr): Part => ({
  kind: 'contact',
  id,
  a,
  b,
  gate: 'relay',
  driver,
})

/** A driver that is always true: a demand is one of all demands. */
export const ALWAYS: Expr = {
  call: ['off', 'fan', 'cool1', 'cool2', 'heat1', 'heat2', 'heatAux1', 'heatAux2', 'emergency'],
}
export const NEVER: Expr = { not: ALWAYS }

export const coil = (
  id: string,
  a: string,
  b: string,
  va: number,
  powerFactor: number,
  volts = 24,
): Part => ({
  kind: 'load',
  id,
  a,
  b,
  volts,
  va,
  powerFactor,
  pullIn: 18,
  dropOut: 10,
})
