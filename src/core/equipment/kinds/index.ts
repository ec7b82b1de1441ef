import { airHandler } from './airHandler'
import { airThermostat } from './airThermostat'
import { feed } from './feed'
import { floatSwitch } from './floatSwitch'
import { fuelKit } from './fuelKit'
import { furnace } from './furnace'
import { humidifier } from './humidifier'
import { leakSensor } from './leakSensor'
import { lineMonitor } from './lineMonitor'
import { outdoorSensor } from './outdoorSensor'
import { outdoorThermostat } from './outdoorThermostat'
import { outdoorUnit } from './outdoorUnit'
import { packagedUnit } from './packagedUnit'
import { receiver } from './receiver'
import { relay } from './relay'
import { sender } from './sender'
import { splice } from './splice'
import { stripKit } from './stripKit'
import { thermostat } from './thermostat'
import { transformer } from './transformer'
import { zonePanel } from './zonePanel'
import type { DeviceDraft } from '../deviceDraft'
import type { DraftField } from '../draftField'
import type { DraftKind } from './draftKind'
import type { PlateField } from '../plateField'
import { SWITCH } from './forms'
import type { KindRow, Trait } from './row'

export type { Trait } from './row'
export { DRAFT_KINDS, type DraftKind } from './draftKind'

/** Every kind of device, in the order in which lists show them. */
export const KINDS = {
  thermostat,
  airHandler,
  furnace,
  outdoorUnit,
  packagedUnit,
  stripKit,
  outdoorThermostat,
  relay,
  sender,
  receiver,
  airThermostat,
  fuelKit,
  zonePanel,
  floatSwitch,
  transformer,
  humidifier,
  leakSensor,
  lineMonitor,
  outdoorSensor,
  splice,
  feed,
} satisfies Record<string, KindRow>
export type DeviceKind = keyof typeof KINDS
export const DEVICE_KINDS = Object.keys(KINDS) as DeviceKind[]

const TRAITS_OF: ReadonlyMap<string, ReadonlySet<Trait>> = new Map(
  Object.entries(KINDS).map(([kind, row]) => [kind, new Set(row.traits)]),
)

/** Whether a device is of a kind with a trait; false where there is no device. */
export const hasTrait = (device: { kind: string } | null | undefined, trait: Trait): boolean =>
  device ? (TRAITS_OF.get(device.kind)?.has(trait) ?? false) : false

/** The first kind with a trait, for a device that code makes. */
export const kindWith = (trait: Trait): DeviceKind => {
  const found = DEVICE_KINDS.find((kind) => hasTrait({ kind }, trait))
  if (!found) throw new RangeError(`no kind of device has the trait ${trait}`)
  return found
}

const delays: PlateField = {
  type: 'table',
  columns: {
    what: { type: 'choice', values: ['minimumOff', 'powerUp', 'blowerOn', 'blowerOff', 'prepurge'] },
    seconds: { type: 'number', unit: 's', least: 0, most: 3600 },
  },
}

/** A value for each kind, worked out from its row. */
const mapKinds = <T>(of: (row: KindRow) => T): Record<DeviceKind, T> =>
  Object.fromEntries(Object.entries(KINDS).map(([kind, row]) => [kind, of(row)])) as Record<DeviceKind, T>

/** Fields of each kind's plate. A file with another field is refused at its place. */
export const PLATES: Readonly<Record<DeviceKind, Readonly<Record<string, PlateField>>>> = mapKinds(
  ({ plate }) => ({ ...plate, delays }),
)

/** Forms that describe a device by ticking terminals and behavior. A float and an outdoor thermostat share one. */
export const FORMS: Readonly<Record<DraftKind, readonly DraftField[]>> = {
  thermostat: KINDS.thermostat.form ?? [],
  outdoorUnit: KINDS.outdoorUnit.form ?? [],
  airHandler: KINDS.airHandler.form ?? [],
  stripKit: KINDS.stripKit.form ?? [],
  furnace: KINDS.furnace.form ?? [],
  packagedUnit: KINDS.packagedUnit.form ?? [],
  switch: SWITCH,
}

/** Kind of the device that a draft describes. */
export const kindOfDraft = ({ kind, opens }: Pick<DeviceDraft, 'kind' | 'opens'>): DeviceKind =>
  kind !== 'switch' ? kind : opens === 'warm' ? 'outdoorThermostat' : 'floatSwitch'
