/** Kinds of devices. */
export const DEVICE_KINDS = [
  'thermostat', 'airHandler', 'furnace', 'outdoorUnit', 'packagedUnit', 'stripKit', 'outdoorThermostat',
  'relay', 'sender', 'receiver', 'airThermostat', 'fuelKit', 'zonePanel', 'floatSwitch', 'transformer', 'humidifier', 'leakSensor',
  'lineMonitor', 'outdoorSensor', 'splice', 'feed',
] as const // prettier-ignore
export type DeviceKind = (typeof DEVICE_KINDS)[number]
