import type { DeviceDraft, DraftKind } from '../equipment'

/** Fields of a draft that hold one plain value. */
export type PlainKey = Exclude<
  keyof DeviceDraft,
  'kind' | 'name' | 'model' | 'from' | 'terminals' | 'outputs' | 'rows'
>

/** A field of the form: what it takes, and for which drafts it is asked. */
export type DraftField = { key: PlainKey; when?: (d: DeviceDraft) => boolean } & (
  | { takes: 'yesNo' }
  /** A number in `unit`; where `unsaid` is true, 0 means that the paper does not say. */
  | { takes: 'number'; least: number; most: number; unit: string; unsaid?: true }
  | { takes: 'choice'; options: readonly string[] }
)

const yesNo = (key: PlainKey, when?: DraftField['when']): DraftField => ({
  takes: 'yesNo',
  key,
  ...(when ? { when } : {}),
})
const figure = (
  key: PlainKey,
  least: number,
  most: number,
  unit: string,
  when?: DraftField['when'],
): DraftField => ({ takes: 'number', key, least, most, unit, ...(when ? { when } : {}) })
/** A number of the plate that may not be on it. */
const plate = (key: PlainKey, most: number, unit: string, when?: DraftField['when']): DraftField =>
  ({
    ...figure(key, 0, most, unit, when),
    unsaid: true,
  }) as DraftField
const choice = (key: PlainKey, options: readonly string[], when?: DraftField['when']): DraftField => ({
  takes: 'choice',
  key,
  options,
  ...(when ? { when } : {}),
})

const hasTerminal =
  (...ids: string[]) =>
  (d: DeviceDraft) =>
    ids.some((id) => d.terminals.includes(id))
const burns = (d: DeviceDraft) => d.fuel !== 'electric'
const gas = (d: DeviceDraft) => d.fuel === 'natural' || d.fuel === 'lp'
const ownRows = (d: DeviceDraft) => d.kind !== 'airHandler' || d.heat === 'rows'
const VALVE = choice('rvSense', ['cooling', 'heating'], hasTerminal('OB', 'O', 'B'))
const timed = (d: DeviceDraft) => !d.demandDefrost
const PLATE = [plate('tons', 10, 'tons'), plate('mca', 100, 'A'), plate('mocpA', 150, 'A')]
const COMPRESSOR = [figure('compressorVa', 100, 20000, 'VA'), figure('contactorVa', 1, 60, 'VA')]
const AIR = [figure('blowerVa', 50, 2500, 'VA'), figure('transformerVa', 10, 150, 'VA')]
const BURNER = [
  choice('gasSwitch', ['none', 'pressure', 'flame'], gas),
  yesNo('coilAfter', burns),
  plate('inputBtuh', 400_000, 'BTU/h', burns),
  plate('efficiency', 99, '%', burns),
  plate('riseLow', 120, '°F', burns),
  plate('riseHigh', 150, '°F', burns),
  yesNo('temperDefrost', burns),
]

/** Fields of each kind, in order. */
export const FIELDS: Record<DraftKind, readonly DraftField[]> = {
  thermostat: [
    choice('rvSense', ['cooling', 'heating'], hasTerminal('OB')),
    yesNo('batteries'),
    choice('timerPower', ['unknown', 'anew', 'goesOn', 'clears'], (d) => !d.batteries && hasTerminal('Y')(d)),
    yesNo('lockouts'),
    yesNo('dualFuel'),
  ],
  outdoorUnit: [
    VALVE,
    yesNo('inverter'),
    yesNo('defrostW', hasTerminal('W')),
    yesNo('faultHeat', hasTerminal('W')),
    yesNo('demandDefrost'),
    figure('pinsLeast', 10, 180, 'min', timed),
    figure('pinsMost', 10, 180, 'min', timed),
    figure('pinsStep', 1, 90, 'min', (d) => timed(d) && d.pinsMost > d.pinsLeast),
    ...COMPRESSOR,
    ...PLATE,
  ],
  airHandler: [
    choice('heat', ['none', 'rows', 'kit']),
    yesNo('severalSpeeds'),
    yesNo('blowerOnW'),
    yesNo('blowerOnY', (d) => !d.severalSpeeds),
    choice('switchedBy', ['sequencer', 'relay'], ownRows),
    yesNo('fuseLinks', ownRows),
    yesNo('interlock', (d) => d.heat === 'kit'),
    figure('delayMost', 0, 180, 's'),
    ...AIR,
    plate('tons', 10, 'tons'),
  ],
  stripKit: [
    choice('switchedBy', ['sequencer', 'relay']),
    yesNo('fuseLinks'),
    yesNo('interlock'),
    figure('stepSeconds', 0, 600, 's', (d) => d.switchedBy === 'sequencer'),
    plate('leastCfm', 4000, 'CFM'),
    choice('leastSpeed', ['any', 'fan', 'low', 'high', 'heat']),
  ],
  furnace: [choice('fuel', ['natural', 'lp', 'oil']), ...BURNER, figure('delayMost', 0, 300, 's'), ...AIR],
  packagedUnit: [
    choice('fuel', ['electric', 'natural', 'lp']),
    VALVE,
    yesNo('demandDefrost'),
    yesNo('defrostW', (d) => d.fuel === 'electric'),
    choice('switchedBy', ['sequencer', 'relay'], (d) => d.fuel === 'electric'),
    yesNo('fuseLinks', (d) => d.fuel === 'electric'),
    ...BURNER,
    yesNo('together', burns),
    ...COMPRESSOR,
    ...AIR,
    ...PLATE,
  ],
  switch: [
    choice('opens', ['water', 'trip', 'warm']),
    figure('closesBelowF', 0, 60, '°F', (d) => d.opens === 'warm'),
  ],
}

/** Whether a draft has heater rows to tell: watts, coil, circuit. */
export const tellsRows = (d: DeviceDraft): boolean =>
  d.kind === 'stripKit' ||
  (d.kind === 'airHandler' && d.heat === 'rows') ||
  (d.kind === 'packagedUnit' && d.fuel === 'electric')

/** The fields that are asked of a draft as it stands. */
export const fieldsOf = (d: DeviceDraft): DraftField[] => FIELDS[d.kind].filter((f) => f.when?.(d) ?? true)
