import {
  EARTH,
  isUnit,
  leaves,
  meaningsOf,
  PLATES,
  profilesOf,
  whenLeaves,
  type Demand,
  type Duration,
  type Device,
  type Expr,
  type Leaf,
  type Part,
  type ProfileItem,
  type Quantity,
  type Setting,
  type Value,
  type When,
  unitOf,
} from '@/core/equipment'
import { nth } from '@/core/assert'
import { settingProblem } from './lookup'
import { problem, type Problem } from './problem'

/** A device whose expressions or ends name something that it does not have. */
export function deviceProblems(device: Device, path: string): Problem[] {
  const found: Problem[] = []
  const ids = (list: { id: string }[]) => new Set(list.map((x) => x.id))
  const settings = ids(device.settings)
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
  const settingNamed = (id: string, at: string) => {
    if (!settings.has(id)) found.push(problem(at, 'a setting of the device', id))
  }
  /** A value that the setting never has, and that its intent does not know either, would never be so. */
  const valuesOf = (l: { set: string; is: Value[] }, at: string) => {
    const own = device.settings.find((s) => s.id === l.set)
    if (!own) return
    for (const value of l.is) {
      const isKnown =
        own.kind === 'number'
          ? typeof value === 'number'
          : own.options?.some((o) => o.id === value) || meaningsOf(own.intent)?.includes(String(value))
      const options =
        own.kind === 'number' ? 'a number' : `one of ${(own.options ?? []).map((o) => o.id).join(', ')}`
      if (!isKnown) found.push(problem(at, `a value of ${l.set}: ${options}`, value))
    }
  }
  const leaf = (l: Leaf, at: string) => {
    if ('set' in l) {
      settingNamed(l.set, at)
      valuesOf(l, at)
    }
    if ('mode' in l) {
      const mode = device.modes.find((m) => m.id === l.mode)
      if (!mode) found.push(problem(at, 'a mode of the device', l.mode))
      for (const state of l.is)
        if (mode && !mode.states.some((s) => s.id === state))
          found.push(
            problem(at, `a state of ${l.mode}: one of ${mode.states.map((s) => s.id).join(', ')}`, state),
          )
    }
    if ('energised' in l && !loads.has(l.energised))
      found.push(problem(at, 'a load of the device', l.energised))
    if ('sense' in l && typeof l.below === 'object') settingNamed(l.below.set, at)
  }
  const expr = (e: Expr, at: string) => {
    for (const l of leaves(e)) leaf(l, at)
  }
  const contacts = ids(device.parts.filter((p) => p.kind === 'contact'))
  const when = (w: When | undefined, at: string) => {
    for (const l of w ? whenLeaves(w) : []) {
      if ('closed' in l) {
        if (!contacts.has(l.closed)) found.push(problem(at, 'a contact of the device', l.closed))
      } else if ('feels' in l) {
        if ((l.above === undefined) === (l.below === undefined))
          found.push(problem(at, 'either above or below a temperature', JSON.stringify(l)))
        amount(l.above ?? l.below, at)
      } else leaf(l, at)
    }
  }
  const amount = (q: Quantity | undefined, at: string) => {
    if (typeof q !== 'object') return
    settingNamed(q.set, at)
    if (device.settings.some((s) => s.id === q.set && s.kind !== 'number'))
      found.push(problem(at, 'a setting that is a number', q.set))
  }
  /** A choice will do, where every option's id is a number of seconds. */
  const delay = (d: Duration | undefined, at: string) => {
    if (typeof d !== 'object') return
    const own = device.settings.find((s) => s.id === d.set)
    if (!own) settingNamed(d.set, at)
    else if (own.kind === 'choice' && !own.options?.every((o) => /^\d+$/.test(o.id)))
      found.push(problem(at, 'a setting that is a number', d.set))
  }
  device.parts.forEach((p, i) => {
    const at = `${path}.parts[${i}]`
    if (p.a === p.b) found.push(problem(at, 'two different ends', p.a))
    switch (p.kind) {
      case 'contact':
        expr(p.driver, `${at}.driver`)
        amount(p.ratedA, `${at}.ratedA`)
        delay(p.after?.closes, `${at}.after.closes`)
        delay(p.after?.opens, `${at}.after.opens`)
        break
      case 'source':
        amount(p.volts, `${at}.volts`)
        break
      case 'transformer':
        amount(p.primaryVolts, `${at}.primaryVolts`)
        break
      case 'load':
        amount(p.va, `${at}.va`)
        if (p.does && 'ahead' in p.does && typeof p.does.ahead === 'object')
          settingNamed(p.does.ahead.set, `${at}.does.ahead`)
        if (p.does?.what === 'reversingValve' && typeof p.does.energisedIn === 'object')
          settingNamed(p.does.energisedIn.set, `${at}.does.energisedIn`)
        break
    }
  })
  danglingEnds(device, path, found)
  device.terminals.forEach((t, i) => {
    if (t.roleBy) settingNamed(t.roleBy.set, `${path}.terminals[${i}].roleBy.set`)
  })
  device.calls?.forEach((c, i) => {
    if (c.when) expr(c.when, `${path}.calls[${i}].when`)
  })
  for (const field of Object.keys(device.demand ?? {}) as (keyof Demand)[]) {
    const at = `${path}.demand.${field}`
    if (field === 'secondAfter' || field === 'backupAfter') delay(device.demand?.[field], at)
    else amount(device.demand?.[field], at)
  }
  const known = PLATES[device.kind]
  for (const field of Object.keys(device.plate))
    if (!Object.hasOwn(known, field))
      found.push(problem(`${path}.plate.${field}`, `one of ${Object.keys(known).join(', ')}`, field))
  device.modes.forEach((m, i) => {
    once(m.states, `${path}.modes[${i}].states`)
    m.states.forEach((s, j) => {
      if (typeof s.reach === 'object') expr(s.reach, `${path}.modes[${i}].states[${j}].reach`)
    })
    const states = ids(m.states)
    m.transitions?.forEach((t, j) => {
      const at = `${path}.modes[${i}].transitions[${j}]`
      for (const end of ['from', 'to'] as const)
        if (!states.has(t[end])) found.push(problem(`${at}.${end}`, 'a state of the mode', t[end]))
      if (t.from === t.to) found.push(problem(`${at}.to`, 'another state than it comes from', t.to))
      if ((t.counts === 'begins' || t.counts === 'ends') && !t.when)
        found.push(problem(`${at}.when`, 'what begins or ends', t.counts))
      when(t.when, `${at}.when`)
      when(t.reset, `${at}.reset`)
      delay(t.after, `${at}.after`)
    })
  })
  device.settings.forEach((s, i) => {
    const [meanings, unit] = [meaningsOf(s.intent), unitOf(s.intent)]
    if (meanings)
      s.options?.forEach((o, j) => {
        if (!meanings.includes(o.id))
          found.push(
            problem(
              `${path}.settings[${i}].options[${j}].id`,
              `one of ${meanings.join(', ')}, as ${s.intent} says`,
              o.id,
            ),
          )
      })
    if (unit && s.unit !== undefined && !isUnit(unit, s.unit))
      found.push(problem(`${path}.settings[${i}].unit`, unit, s.unit))
    const wrong = settingProblem(s, s.default)
    if (wrong) found.push(problem(`${path}.settings[${i}].default`, wrong, s.default))
    s.defaultFor?.forEach((d, j) => {
      const wrongHere = settingProblem(s, d.value)
      if (wrongHere) found.push(problem(`${path}.settings[${i}].defaultFor[${j}].value`, wrongHere, d.value))
    })
  })
  profileProblems(device, path, expr, found)
  return found
}

/**
 * Ends that name neither a terminal nor a point that another part shares. Such a part is joined to nothing, which is a
 * name misspelt: every inside point of a device is where two parts meet.
 */
function danglingEnds(device: Device, path: string, found: Problem[]): void {
  const terminals = new Set(device.terminals.map((t) => t.id))
  const endsOf = (p: Part): [string, string][] => [
    ['a', p.a],
    ['b', p.b],
    ...(p.kind === 'transformer'
      ? ([
          ['c', p.c],
          ['d', p.d],
        ] as [string, string][])
      : []),
  ]
  const seen = new Map<string, number>()
  for (const p of device.parts) for (const [, end] of endsOf(p)) seen.set(end, (seen.get(end) ?? 0) + 1)
  device.parts.forEach((p, i) => {
    for (const [name, end] of endsOf(p))
      if (end !== EARTH && !terminals.has(end) && (seen.get(end) ?? 0) < 2)
        found.push(
          problem(
            `${path}.parts[${i}].${name}`,
            'a terminal, or a point that another part is on as well',
            end,
          ),
        )
  })
}

/** Items that write what the device has not, or that cannot be told apart. */
function profileProblems(
  device: Device,
  path: string,
  expr: (e: Expr, at: string) => void,
  found: Problem[],
): void {
  profilesOf(device).forEach((profile, way) => {
    const from = way ? `${path}.otherProfiles[${way - 1}]` : `${path}.profile`
    profile.items.forEach((_, i) =>
      itemProblems(device, profile.items, i, `${from}.items[${i}]`, expr, found),
    )
    profile.shifts?.forEach((s, i) => {
      if (!device.settings.some((x) => x.id === s.setting))
        found.push(problem(`${from}.shifts[${i}].setting`, 'a setting of the device', s.setting))
    })
  })
}

function itemProblems(
  device: Device,
  items: readonly ProfileItem[],
  i: number,
  at: string,
  expr: (e: Expr, at: string) => void,
  found: Problem[],
): void {
  const item = nth(items, i)
  const settingOf = (id: string) => device.settings.find((s) => s.id === id)
  const valueProblem = (setting: Setting, value: string) =>
    settingProblem(setting, setting.kind === 'number' ? Number(value) : value)
  const setting = settingOf(item.setting)
  if (!setting) {
    found.push(problem(`${at}.setting`, 'a setting of the device', item.setting))
    return
  }
  if (items.findIndex((o) => o.code === item.code && o.address === item.address) !== i)
    found.push(problem(`${at}.code`, 'a code used once', item.code))
  if (item.when) expr(item.when, `${at}.when`)
  if ('map' in item.as) {
    for (const value of Object.keys(item.as.map)) {
      const wrong = valueProblem(setting, value)
      if (wrong) found.push(problem(`${at}.as.map.${value}`, wrong, value))
    }
  } else if ('pair' in item.as) {
    const { with: id, codes } = item.as.pair
    const other = settingOf(id)
    if (!other || id === item.setting)
      found.push(problem(`${at}.as.pair.with`, 'another setting of the device', id))
    codes.forEach((c, n) => {
      const wrong = valueProblem(setting, c.value)
      if (wrong) found.push(problem(`${at}.as.pair.codes[${n}].value`, wrong, c.value))
      const wrongOther = other && valueProblem(other, c.other)
      if (wrongOther) found.push(problem(`${at}.as.pair.codes[${n}].other`, wrongOther, c.other))
      if (codes.findIndex((o) => o.value === c.value && o.other === c.other) !== n)
        found.push(problem(`${at}.as.pair.codes[${n}]`, 'a pair of values that has one code', c.code))
    })
  } else if (setting.kind !== 'number' || !setting.range)
    found.push(problem(`${at}.as`, 'a map, for a setting that is not a number with a range', 'number'))
}
