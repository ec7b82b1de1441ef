import type { Call } from '../equipment'
import type { Installation, Placed, Ref } from '../installation'
import { hasBurner } from './heatSources'
import { intentOf, isLanded, landedAt, ofKind, terminalsWith } from './jobFacts'
import type { Breach, Law } from './law'

type Wrong = Breach & { call: Call }
const wrong = (at: Ref | undefined, what: string): Wrong[] => (at ? [{ at, what, call: 'off' }] : [])

/** What a thermostat is told agrees with what is landed: stages, outdoor sensor, family. */
export const settingsMatch: Law = {
  id: 'settingsMatch',
  severity: 'wrong',
  applies: (inst) => ofKind(inst, 'thermostat').some((p) => p.device.settings.some((s) => s.intent)),
  overall: ({ inst }) =>
    ofKind(inst, 'thermostat').flatMap((p) => [
      ...stages(inst, p, 'compressorStages', 'Y2'),
      ...stages(inst, p, 'backupStages', 'W2'),
      ...sensor(inst, p),
      ...family(inst, p),
    ]),
}

function stages(
  inst: Installation,
  p: Placed,
  intent: 'compressorStages' | 'backupStages',
  role: string,
): Wrong[] {
  const set = intentOf(p, intent)
  const [terminal] = terminalsWith(p, role)
  if (set === undefined || set === null || !terminal) return []
  const landed = isLanded(inst, terminal)
  if (set === '2' && !landed) return wrong(terminal, 'setNotLanded')
  return set === '1' && landed ? wrong(terminal, 'landedNotSet') : []
}

function sensor(inst: Installation, p: Placed): Wrong[] {
  const source = intentOf(p, 'outdoorSource')
  if (source === undefined || source === null) return []
  const pair = terminalsWith(p, 'S')
  const landed = pair.filter((t) => isLanded(inst, t))
  if (source === 'wired' && landed.length < pair.length)
    return wrong(
      pair.find((t) => !landed.includes(t)),
      'sensorNotLanded',
    )
  // Copper from the one to the other leaves nothing to feel with: a short reads as great heat.
  if (source === 'wired' && pair.length === 2 && joinedByCopper(inst, pair[0]!, pair[1]!))
    return wrong(pair[0], 'sensorShorted')
  if (source !== 'wired' && landed.length) return wrong(landed[0], 'sensorNotSet')
  const gates = intentOf(p, 'useCompressorLockout') === 'on' || intentOf(p, 'useAuxLockout') === 'on'
  const fuel = intentOf(p, 'system') === 'dualFuel'
  return source === 'none' && (gates || fuel) ? wrong(pair[0], 'lockoutNoSource') : []
}

/** Whether wires and splices alone join two terminals. */
function joinedByCopper(inst: Installation, from: Ref, to: Ref): boolean {
  const seen = new Set<Ref>([from])
  const next = [from]
  for (let at = next.pop(); at !== undefined; at = next.pop()) {
    if (at === to) return true
    for (const w of landedAt(inst, at)) {
      const other = w.a === at ? w.b! : w.a!
      if (!seen.has(other)) {
        seen.add(other)
        next.push(other)
      }
    }
  }
  return false
}

function family(inst: Installation, p: Placed): Wrong[] {
  const system = intentOf(p, 'system')
  if (system === undefined || system === null) return []
  const out = terminalsWith(p, 'AUX')[0]
  if (system === 'dualFuel' && !hasBurner(inst)) return wrong(out, 'fuelSetNoBurner')
  return system === 'heatPump' && hasBurner(inst) && ofKind(inst, 'fuelKit').length === 0
    ? wrong(out, 'burnerNotSet')
    : []
}
