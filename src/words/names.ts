import { nth } from '@/core/assert'
import type { Target } from '@/core/query'
import {
  hasTrait,
  type DeviceKind,
  type BlowerSpeed,
  type Call,
  type Gate,
  type LoadFunction,
} from '@/core/equipment'
import {
  placedByRef,
  splitRef,
  terminalOf,
  type Installation,
  type Name,
  type Ref,
} from '@/core/installation'

/** Calls as a person says them. */
export const CALL_WORDS: Record<Call, string> = {
  off: 'Off',
  fan: 'Fan',
  cool1: 'Cool',
  cool2: 'Cool, stage 2',
  heat1: 'Heat',
  heat2: 'Heat, stage 2',
  heatAux1: 'Heat + aux',
  heatAux2: 'Heat + aux 2',
  emergency: 'Emergency heat',
}

/** The same for a row of many small buttons. */
export const CALL_SHORT: Record<Call, string> = {
  ...CALL_WORDS,
  cool2: 'Cool 2',
  heat2: 'Heat 2',
  heatAux1: 'Aux',
  heatAux2: 'Aux 2',
  emergency: 'Emergency',
}

const GATE_WORDS: Record<Gate, string> = {
  thermostat: 'Thermostat',
  outdoorThermostat: 'Outdoor thermostat',
  timer: 'Timer',
  board: 'Board',
  safety: 'Safety switch',
  relay: 'Relay',
  sequencer: 'Sequencer',
  contactor: 'Contactor',
  limit: 'Limit',
  fuseLink: 'Fuse link',
  fuse: 'Fuse',
  breaker: 'Breaker',
  disconnect: 'Disconnect',
  door: 'Door switch',
  supply: 'Fuel supply',
}

const SPEED_WORDS: Record<BlowerSpeed, string> = {
  fan: 'fan speed',
  low: 'heat pump speed',
  high: 'high heat pump speed',
  heat: 'heating speed',
}

export const loadFunctionWords = (m: LoadFunction): string => {
  switch (m.what) {
    case 'compressor':
      return m.stage === 2 ? 'Compressor, high stage' : 'Compressor'
    case 'outdoorFan':
      return 'Outdoor fan'
    case 'blower':
      return m.speed ? `Blower, ${SPEED_WORDS[m.speed]}` : 'Blower'
    case 'reversingValve':
      return 'Reversing valve'
    case 'strip':
      return `Strip row ${m.row}`
    case 'burner':
      return `${m.fuel === 'oil' ? 'Oil' : 'Gas'} burner${m.stage > 1 ? `, stage ${m.stage}` : ''}`
    case 'ignition':
      return 'Ignition'
    case 'humidifier':
      return 'Humidifier'
    case 'control':
      return 'Thermostat electronics'
  }
}
/** A load's function, for a narrow column. */
export const loadFunctionShort = (m: LoadFunction): string => {
  if (m.what === 'compressor' && m.stage === 2) return 'High stage'
  if (m.what === 'blower' && m.speed) return `Blower ${m.speed === 'fan' ? 'fan' : m.speed}`
  if (m.what === 'burner') return m.stage > 1 ? `Burner ${m.stage}` : 'Burner'
  return loadFunctionWords(m)
}
export const targetWords = (t: Target): string => loadFunctionWords(t.does)

/** A terminal, part, wire or placed device as a person points at it: "Air handler W2". */
export function refWords(inst: Installation, ref: Name): string {
  const { placed: p, id } = splitRef(ref)
  if (p === 'wires') {
    const wire = inst.wires.find((w) => w.id === id)
    const cable = inst.cables.find((c) => c.id === wire?.cable)
    return wire
      ? `${wire.colour} conductor${cable ? ` of the ${cable.label.toLowerCase()}` : ' (jumper)'}`
      : ref
  }
  const placed = placedByRef(inst, p)
  if (!placed) return ref
  const terminal = terminalOf(inst, ref)?.terminal
  if (terminal)
    return hasTrait(placed.device, 'joinsWires') ? placed.label : `${placed.label} ${terminal.label}`
  const part = placed.device.parts.find((x) => x.id === id)
  if (part?.kind === 'load') return part.does ? loadFunctionWords(part.does) : (part.label ?? id)
  if (part?.kind === 'contact') return part.label ? `${placed.label}: ${part.label}` : GATE_WORDS[part.gate]
  const setting = placed.device.settings.find((s) => s.id === id)
  if (setting) return `${placed.label}: ${setting.label}`
  if (part?.kind === 'transformer') return part.label ?? 'Transformer'
  return id ? `${placed.label} ${id}` : placed.label
}

/** A gate's name: its own label, or the kind of contact it is. */
export function gateName(inst: Installation, at: Ref): string {
  const { placed: p, id } = splitRef(at)
  const placed = placedByRef(inst, p)
  const part = placed?.device.parts.find((x) => x.id === id)
  if (!placed || !part) return refWords(inst, at)
  if (part.kind !== 'contact') return refWords(inst, at)
  // A breaker's poles are one thing to a person; which circuit it is matters more.
  if (part.gate === 'breaker') return `Breaker, ${lower(placed.label)}`
  // Every relay has the same contacts: the relay's name matters as much.
  if (hasTrait(placed.device, 'isolates') && part.label) return `${placed.label}, ${lower(part.label)}`
  if (part.gate === 'thermostat') return `${placed.label} ${part.label ?? ''}`.trim()
  return part.label ?? GATE_WORDS[part.gate]
}

/** First letter small, unless the word is an abbreviation. */
export const lower = (s: string): string => (/^[A-Z][a-z]/.test(s) ? nth(s, 0).toLowerCase() + s.slice(1) : s)

/** First letter large. */
export const upper = (s: string): string => s.charAt(0).toUpperCase() + s.slice(1)

/** Kinds of device, as a person calls them. */
export const DEVICE_WORDS: Record<DeviceKind, string> = {
  thermostat: 'Thermostat or controller',
  airHandler: 'Air handler',
  furnace: 'Furnace',
  outdoorUnit: 'Outdoor unit',
  packagedUnit: 'Packaged unit',
  stripKit: 'Strip kit',
  outdoorThermostat: 'Outdoor thermostat',
  relay: 'Relay',
  sender: 'Call sender',
  receiver: 'Call receiver',
  airThermostat: 'Coil-entering-air thermostat',
  fuelKit: 'Fossil fuel kit',
  zonePanel: 'Zone panel',
  floatSwitch: 'Float switch',
  transformer: 'Transformer',
  humidifier: 'Humidifier',
  leakSensor: 'Refrigerant leak sensor',
  lineMonitor: 'Line-voltage monitor',
  outdoorSensor: 'Outdoor sensor',
  splice: 'Splice',
  feed: 'Line circuit',
}

/** With its full stop, where it does not end with a mark of its own. */
export const stopped = (text: string): string => (/[.?!]$/.test(text) ? text : `${text}.`)
