import { kindOfDraft, type Device, type DeviceDraft, type DraftKind } from '../equipment'
import { airHandler } from './airHandler'
import { storedDraft, OFFERED } from './draft'
import { furnace } from './furnace'
import { loneSwitch } from './loneSwitch'
import { outdoorUnit } from './outdoorUnit'
import { packagedUnit } from './packagedUnit'
import { stripKit } from './stripKit'
import { thermostat } from './thermostat'

const BUILDERS: Record<DraftKind, (d: Device, draft: DeviceDraft) => Device> = {
  thermostat,
  outdoorUnit,
  airHandler,
  stripKit,
  furnace,
  packagedUnit,
  switch: loneSwitch,
}

/**
 * A device file from a draft. The result is an ordinary device: it can be looked at, changed and shared like any other.
 * @param id of the new device, unused in the library that it goes into
 */
export function buildDevice(draft: DeviceDraft, id: string): Device {
  const offered = OFFERED[draft.kind].filter((t) => draft.terminals.includes(t.id))
  const base: Device = {
    format: 'gatecross.device',
    version: 2,
    id,
    kind: kindOfDraft(draft),
    name: draft.name.trim() || 'Device of the house',
    fits: draft.model.trim() ? [draft.model.trim()] : [],
    about: 'Described on site by its terminals and behaviour; compare it with its own diagram.',
    terminals: offered.map((t) => ({ id: t.id, label: t.label, side: 'low', role: t.role })),
    parts: [],
    settings: [],
    modes: [],
    plate: {},
    draft: storedDraft(draft),
  }
  return BUILDERS[draft.kind](base, draft)
}
