import type { Device } from '@/core/equipment'
import type { Installation, Ref, Wire } from '@/core/installation'

/** What every name is given behind it. */
const MARK = 'zz'
type Raw = Record<string, unknown>

/** The same text with the names as they were. */
export const unmarked = (text: string): string => text.replaceAll(MARK, '')
export const marked = (ref: Ref): Ref => `${ref}${MARK}` as Ref

/** The same job whose devices call their terminals, points, parts, settings, modes and states otherwise. */
export function renamed(inst: Installation): Installation {
  const end = (e: Wire['a']) => (e === null ? null : marked(e))
  return {
    ...inst,
    placed: inst.placed.map((p) => ({
      ...p,
      device: renamedDevice(p.device),
      settings: Object.fromEntries(Object.entries(p.settings).map(([id, v]) => [`${id}${MARK}`, v])),
    })),
    wires: inst.wires.map((w) => ({ ...w, a: end(w.a), b: end(w.b) })),
  }
}

function renamedDevice(device: Device): Device {
  // How it is keyed names settings too, and decides nothing of what is said here.
  const { profile: _, otherProfiles: __, draft: ___, ...rest } = device
  const own = structuredClone(rest) as unknown as Raw
  inExpressions(own)
  const list = (key: string) => own[key] as Raw[]
  for (const thing of [...list('terminals'), ...list('parts'), ...list('settings'), ...list('modes')])
    mark(thing, 'id')
  for (const part of list('parts'))
    for (const at of ['a', 'b', 'c', 'd']) if (part[at] !== '@earth') mark(part, at)
  for (const mode of list('modes')) {
    for (const state of mode.states as Raw[]) mark(state, 'id')
    for (const t of (mode.transitions ?? []) as Raw[]) for (const at of ['from', 'to']) mark(t, at)
  }
  return own as unknown as Device
}

function mark(thing: Raw, key: string): void {
  if (typeof thing[key] === 'string') thing[key] = `${thing[key]}${MARK}`
}

/** Whatever an expression, a quantity or a terminal's role names. */
function inExpressions(value: unknown): void {
  if (Array.isArray(value)) return value.forEach(inExpressions)
  if (typeof value !== 'object' || value === null) return
  const thing = value as Raw
  if (typeof thing.mode === 'string' && Array.isArray(thing.is)) {
    mark(thing, 'mode')
    thing.is = thing.is.map((state) => `${String(state)}${MARK}`)
  }
  for (const key of ['energised', 'set', 'closed']) mark(thing, key)
  Object.values(thing).forEach(inExpressions)
}
