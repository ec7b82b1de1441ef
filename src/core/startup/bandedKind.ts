/** Kinds of reading that a band alone decides. */
export const BANDED_KINDS = [
  'compressorAmps', 'fanAmps', 'blowerAmps', 'supplyAir', 'staticPressure', 'airflow', 'manifold', 'gasInlet', 'clockedInput',
  'flueTemp', 'coAirFree', 'smoke', 'overFireDraft', 'pumpPressure', 'subcooling', 'superheat', 'dischargeLine', 'vapourLine',
  'valveDifference', 'defrostMinutes', 'coilSwitchOpens', 'thermistorOhms', 'sensorDifference', 'capacitor', 'gateTrip', 'airTrip', 'airRemake',
  'vacuum', 'lowGasTrip', 'chargeAdded', 'nozzle',
  'coilEntering',
] as const // prettier-ignore
export type BandedKind = (typeof BANDED_KINDS)[number]
