import type { Setting } from '@/core/equipment'
import { splitRef } from '@/core/installation'
import { problem, type Problem } from './problem'
import type { GearDoc } from './sections/gear/gearDoc'

export function hasTerminal(job: GearDoc, ref: string): boolean {
  const { placed, id } = splitRef(ref)
  const entry = job.placed.find((p) => p.ref === placed)
  const device = entry && job.devices[entry.device]
  return device?.terminals.some((t) => t.id === id) ?? false
}

/** The values that a setting takes, where this is none of them; null where it is. "Not known yet" always is. */
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

/** Problems of a value of a placed device's setting; without a value, of the setting's name alone. */
export function settingAt(job: GearDoc, ref: string, setting: string, value: unknown = null): Problem | null {
  const entry = job.placed.find((p) => p.ref === ref)
  if (!entry) return problem('ref', 'a placed device', ref)
  const known = job.devices[entry.device]?.settings.find((s) => s.id === setting)
  const bad = settingProblem(known, value)
  return bad ? problem(`${ref}.${setting}`, bad, value) : null
}
