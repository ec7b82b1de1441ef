import { isRaw } from './problem'

type Raw = Record<string, unknown>

/** The version of the device file that this code writes, and the newest that it reads. */
export const DEVICE_VERSION = 2

type Step = (device: Raw) => Raw

/** By the version that the step ends at. */
const STEPS: Readonly<Record<number, Step>> = {
  2: (device) => ({
    ...device,
    parts: each(withoutLooseLinks(device), (part) => ({
      ...renamed(part, 'makes', 'does'),
      ...driverOf(part),
    })),
    modes: each(device.modes, (mode) => ({
      ...mode,
      states: each(mode.states, (state) => {
        const now = renamed(state, 'means', 'condition')
        return 'reach' in now ? { ...now, reach: expression(now.reach) } : now
      }),
    })),
    ...('calls' in device
      ? { calls: each(device.calls, (c) => ('when' in c ? { ...c, when: expression(c.when) } : c)) }
      : {}),
    ...(isRaw(device.profile)
      ? {
          profile: {
            ...device.profile,
            items: each(device.profile.items, (i) => ('when' in i ? { ...i, when: expression(i.when) } : i)),
          },
        }
      : {}),
    plate: isRaw(device.plate) ? typedPlate(device.plate) : device.plate,
  }),
}

/** Version 1 let a link end nowhere, which does nothing; since then that is refused as a name misspelt. */
function withoutLooseLinks({ parts, terminals }: Raw): unknown {
  if (!Array.isArray(parts) || !Array.isArray(terminals)) return parts
  const points = [...(parts as unknown[]), ...(terminals as unknown[])]
    .filter(isRaw)
    .flatMap((x) => [x.a, x.b, x.c, x.d, x.kind === undefined ? x.id : undefined])
  const isLoose = (end: unknown) => end !== '@earth' && points.filter((p) => p === end).length < 2
  const isTerminal = (end: unknown) => terminals.some((t) => isRaw(t) && t.id === end)
  return parts.filter(
    (p) => !isRaw(p) || p.kind !== 'path' || ![p.a, p.b].some((end) => isLoose(end) && !isTerminal(end)),
  )
}

const each = (list: unknown, change: (item: Raw) => Raw): unknown =>
  Array.isArray(list) ? list.map((x: unknown) => (isRaw(x) ? change(x) : x)) : list

/** The same object with one key called otherwise, in its place. */
function renamed(object: Raw, from: string, to: string): Raw {
  return Object.fromEntries(Object.entries(object).map(([k, v]) => [k === from ? to : k, v]))
}

const driverOf = (part: Raw): Raw => ('driver' in part ? { driver: expression(part.driver) } : {})

/** "means" of version 1 is "condition" since. */
function expression(e: unknown): unknown {
  if (!isRaw(e)) return e
  if (Array.isArray(e.all)) return { ...e, all: e.all.map(expression) }
  if (Array.isArray(e.any)) return { ...e, any: e.any.map(expression) }
  if ('not' in e) return { ...e, not: expression(e.not) }
  return renamed(e, 'means', 'condition')
}

/** Version 1 wrote yes and no as words, and a list of kits as a text. */
function typedPlate(plate: Raw): Raw {
  const flag = (v: unknown): unknown => (v === 'yes' ? true : v === 'no' ? false : v)
  return Object.fromEntries(
    Object.entries(plate).map(([key, value]) => {
      if (key === 'kits' && typeof value === 'string')
        return [key, value.split(',').map((k) => ({ kilowatts: Number(k) }))]
      return [key, ['detectsWires', 'battery', 'togetherAllowed'].includes(key) ? flag(value) : value]
    }),
  )
}

/** A device of an older version as one of today's; anything else is given back as it is, for the check to name. */
export function upgradeDevice(value: unknown): unknown {
  if (!isRaw(value) || typeof value.version !== 'number') return value
  let device: Raw = value
  for (let v = value.version + 1; v <= DEVICE_VERSION; v++) {
    const step = STEPS[v]
    if (!step) return value
    device = { ...step(device), version: v }
  }
  return device
}
