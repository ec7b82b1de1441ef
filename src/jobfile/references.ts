import { EARTH, leaves, type Device, type Expr, type Setting } from '@/core/equipment'
import { splitRef } from '@/core/installation'
import type { Job } from './job'
import { problem, type Problem } from './problem'
import { readingProblems } from './reading'

/** Everything in a job that points at something which is not there, or a value that its setting cannot take. */
export function referenceProblems(job: Job): Problem[] {
  const found: Problem[] = []
  for (const [key, device] of Object.entries(job.devices)) {
    if (device.id !== key) found.push(problem(`devices.${key}.id`, `"${key}"`, device.id))
    found.push(...deviceProblems(device, `devices.${key}`))
  }
  const refs = new Set<string>()
  job.placed.forEach((p, i) => {
    const path = `placed[${i}]`
    if (refs.has(p.ref) || p.ref === 'wires') found.push(problem(`${path}.ref`, 'a name used once', p.ref))
    refs.add(p.ref)
    const device = job.devices[p.device]
    if (!device) {
      found.push(problem(`${path}.device`, 'a device that the file carries under "devices"', p.device))
      return
    }
    for (const [id, value] of Object.entries(p.settings)) {
      const wrong = settingProblem(
        device.settings.find((s) => s.id === id),
        value,
      )
      if (wrong) found.push(problem(`${path}.settings.${id}`, wrong, value))
    }
  })
  const cables = new Set<string>()
  job.cables.forEach((c, i) => {
    if (cables.has(c.id)) found.push(problem(`cables[${i}].id`, 'a name used once', c.id))
    cables.add(c.id)
    for (const end of ['from', 'to'] as const)
      if (!refs.has(c[end])) found.push(problem(`cables[${i}].${end}`, 'a placed device', c[end]))
  })
  const wires = new Set<string>()
  job.wires.forEach((w, i) => {
    if (wires.has(w.id)) found.push(problem(`wires[${i}].id`, 'a name used once', w.id))
    wires.add(w.id)
    if (w.cable !== null && !cables.has(w.cable))
      found.push(problem(`wires[${i}].cable`, 'a cable of this job', w.cable))
    for (const end of ['a', 'b'] as const)
      if (w[end] !== null && !hasTerminal(job, w[end]))
        found.push(problem(`wires[${i}].${end}`, 'a terminal of a placed device', w[end]))
  })
  const readings = new Set<string>()
  job.readings.forEach((r, i) => {
    if (readings.has(r.id)) found.push(problem(`readings[${i}].id`, 'a name used once', r.id))
    readings.add(r.id)
    found.push(...readingProblems(r, `readings[${i}]`))
  })
  return found
}

export function hasTerminal(job: Job, ref: string): boolean {
  const { placed, id } = splitRef(ref)
  const entry = job.placed.find((p) => p.ref === placed)
  const device = entry && job.devices[entry.device]
  return device?.terminals.some((t) => t.id === id) ?? false
}

/** What a setting would take instead of this value; null when the value is fine. "Not known yet" always is. */
export function settingProblem(setting: Setting | undefined, value: unknown): string | null {
  if (!setting) return 'a setting of the device'
  if (value === null) return null
  if (setting.kind === 'choice') {
    const ids = (setting.options ?? []).map((o) => o.id)
    const given = typeof value === 'string' || typeof value === 'number' ? String(value) : ''
    return ids.includes(given) ? null : `one of ${ids.join(', ')}`
  }
  const [low, high] = setting.range ?? [-Infinity, Infinity]
  if (typeof value === 'number' && value >= low && value <= high) return null
  return `${low} to ${high}${setting.unit ? ` ${setting.unit}` : ''}`
}

/** A device whose expressions or ends name something that it does not have. */
export function deviceProblems(device: Device, path: string): Problem[] {
  const found: Problem[] = []
  const ids = (list: { id: string }[]) => new Set(list.map((x) => x.id))
  const settings = ids(device.settings)
  const modes = ids(device.modes)
  const loads = ids(device.parts.filter((p) => p.kind === 'load'))
  const once = (list: { id: string }[], at: string) =>
    list.forEach((x, i) => {
      if (list.findIndex((y) => y.id === x.id) !== i)
        found.push(problem(`${at}[${i}].id`, 'a name used once', x.id))
    })
  once(device.terminals, `${path}.terminals`)
  once(device.parts, `${path}.parts`)
  once(device.settings, `${path}.settings`)
  once(device.modes, `${path}.modes`)
  const expr = (e: Expr, at: string) => {
    for (const l of leaves(e)) {
      if ('set' in l && !settings.has(l.set)) found.push(problem(at, 'a setting of the device', l.set))
      if ('mode' in l && !modes.has(l.mode)) found.push(problem(at, 'a mode of the device', l.mode))
      if ('energised' in l && !loads.has(l.energised))
        found.push(problem(at, 'a load of the device', l.energised))
      if ('sense' in l && typeof l.below === 'object' && !settings.has(l.below.set))
        found.push(problem(at, 'a setting of the device', l.below.set))
    }
  }
  device.parts.forEach((p, i) => {
    if (p.kind === 'contact') expr(p.driver, `${path}.parts[${i}].driver`)
    if (p.a === EARTH && p.b === EARTH) found.push(problem(`${path}.parts[${i}]`, 'two different ends', p.a))
  })
  device.modes.forEach((m, i) =>
    m.states.forEach((s, j) => {
      if (typeof s.reach === 'object') expr(s.reach, `${path}.modes[${i}].states[${j}].reach`)
    }),
  )
  device.settings.forEach((s, i) => {
    const wrong = settingProblem(s, s.default)
    if (wrong) found.push(problem(`${path}.settings[${i}].default`, wrong, s.default))
  })
  profileProblems(device, path, expr, found)
  return found
}

/** Items that write what the device has not, or that cannot be told apart. */
function profileProblems(
  device: Device,
  path: string,
  expr: (e: Expr, at: string) => void,
  found: Problem[],
): void {
  const items = device.profile?.items ?? []
  items.forEach((item, i) => {
    const at = `${path}.profile.items[${i}]`
    const setting = device.settings.find((s) => s.id === item.setting)
    if (!setting) {
      found.push(problem(`${at}.setting`, 'a setting of the device', item.setting))
      return
    }
    if (items.findIndex((o) => o.code === item.code && o.address === item.address) !== i)
      found.push(problem(`${at}.code`, 'a code used once', item.code))
    if (item.when) expr(item.when, `${at}.when`)
    if ('map' in item.as) {
      for (const value of Object.keys(item.as.map)) {
        const wrong = settingProblem(setting, setting.kind === 'number' ? Number(value) : value)
        if (wrong) found.push(problem(`${at}.as.map.${value}`, wrong, value))
      }
    } else if (setting.kind !== 'number' || !setting.range)
      found.push(problem(`${at}.as`, 'a map, for a setting that is not a number with a range', 'number'))
  })
}
