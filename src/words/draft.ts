import { OFFERED, type Bank, type DraftChange } from '@/core/deviceBuilder'
import type { DeviceDraft, DraftField, DraftKind, DraftRow, PlainKey } from '@/core/equipment'
import { CALL_WORDS } from './names'
import { figure } from './numbers'

/** Kinds that the form can describe. */
export const DRAFT_KIND_WORDS: Record<DraftKind, string> = {
  thermostat: 'Thermostat',
  outdoorUnit: 'Outdoor unit',
  airHandler: 'Air handler',
  stripKit: 'Strip kit',
  furnace: 'Furnace',
  packagedUnit: 'Packaged unit',
  switch: 'Switch in a circuit',
}

/** Label of each field. */
const ASKED: Record<PlainKey, string> = {
  batteries: 'It runs on batteries',
  timerPower: 'Minimum-off timer at a power loss',
  lockouts: 'It can hold heat off by the outdoor temperature',
  dualFuel: 'It can change over to a furnace',
  rvSense: 'Reversing valve energised',
  defrostW: '24 V on W, or strips, in defrost',
  faultHeat: 'Backup when locked out, as shipped',
  inverter: 'It is an inverter',
  demandDefrost: 'Demand defrost (two sensors)',
  pinsLeast: 'Defrost pins, least',
  pinsMost: 'Defrost pins, most',
  pinsStep: 'Defrost pins, step',
  compressorVa: 'Compressor',
  contactorVa: 'Contactor coil',
  blowerVa: 'Blower at its highest speed',
  transformerVa: 'Transformer',
  mca: 'Minimum circuit ampacity',
  mocpA: 'Largest fuse or breaker',
  tons: 'Nominal cooling',
  heat: 'Strips',
  severalSpeeds: 'Its board has several blower speeds',
  blowerOnW: 'W starts the blower by itself',
  blowerOnY: 'Y at the board starts the blower',
  delayMost: 'Blower off delay, most',
  switchedBy: 'Rows are switched by',
  fuseLinks: 'Each row has a fuse link',
  interlock: 'The kit’s first contact feeds the blower',
  stepSeconds: 'Last contact in after',
  leastCfm: 'Least airflow',
  leastSpeed: 'Slowest blower speed',
  fuel: 'Backup heat',
  gasSwitch: 'Low-gas-pressure switch',
  coilAfter: 'The indoor coil is after the burner',
  inputBtuh: 'Input',
  efficiency: 'Efficiency',
  riseLow: 'Temperature rise, least',
  riseHigh: 'Temperature rise, most',
  temperDefrost: 'The maker lets the burner temper a defrost',
  together: 'The maker lets both heat together',
  opens: 'It opens',
  closesBelowF: 'Closes below',
}

const OPTION: Record<string, string> = {
  cooling: 'in cooling (O)',
  heating: 'in heating (B)',
  none: 'none',
  rows: 'rows of its own',
  kit: 'a kit that plugs in',
  sequencer: 'sequencers',
  relay: 'relays',
  any: 'any speed',
  fan: 'fan speed',
  low: 'heat pump speed',
  high: 'high heat pump speed',
  heat: 'heating speed',
  natural: 'natural gas',
  lp: 'LP gas',
  oil: 'oil',
  electric: 'electric strips',
  pressure: 'in the pressure switch circuit',
  flame: 'in the flame-sense wire',
  water: 'on water in the pan',
  trip: 'on a fault or a limit',
  warm: 'on outdoor warmth',
  unknown: 'not known',
  anew: 'starts anew',
  goesOn: 'keeps counting',
  clears: 'clears: no delay after it',
}

/** Label of a field, with its unit. */
export const draftFieldWords = (f: DraftField): string =>
  f.takes === 'number' ? `${ASKED[f.key]}, ${f.unit}` : ASKED[f.key]
export const draftOptionWords = (option: string): string => OPTION[option] ?? option

/** A value of a draft in words: yes, no, a number with its unit, what was chosen. */
function valueWords(f: DraftField, value: DeviceDraft[PlainKey]): string {
  if (f.takes === 'yesNo') return value ? 'yes' : 'no'
  if (f.takes === 'number') return f.unsaid && value === 0 ? 'not said' : `${figure(Number(value))} ${f.unit}`
  return draftOptionWords(String(value))
}

const rowWords = (r: DraftRow | null): string =>
  r ? `${figure(r.watts)} W on ${r.by}, circuit ${r.circuit}` : 'none'

/** A change against the device that a draft was started from. */
export function draftChangeWords(kind: DraftKind, change: DraftChange): string {
  const label = (id: string) => OFFERED[kind].find((t) => t.id === id)?.label ?? id
  const list = (ids: readonly string[]) => ids.map(label).join(', ') || 'nothing'
  switch (change.what) {
    case 'terminals':
      return [
        change.added.length ? `Terminal ${list(change.added)} added` : '',
        change.removed.length
          ? `${change.added.length ? '' : 'Terminal '}${list(change.removed)} taken off`
          : '',
      ]
        .filter(Boolean)
        .join(', ')
    case 'call':
      return `${CALL_WORDS[change.call]}: ${list(change.was)} → ${list(change.now)}`
    case 'field': {
      const { field, was, now } = change
      return `${ASKED[field.key]}: ${valueWords(field, was)} → ${valueWords(field, now)}`
    }
    case 'row':
      return `Row ${change.row}: ${rowWords(change.was)} → ${rowWords(change.now)}`
  }
}

/** A step of the bank table at 240 V. */
export function bankWords({ coils, rows, watts, amps }: Bank): string {
  const each = amps.map((a) =>
    amps.length > 1 ? `circuit ${a.circuit} ${figure(a.amps, 1)} A` : `${figure(a.amps, 1)} A`,
  )
  const which = rows.length === 1 ? `row ${rows[0]}` : `rows ${rows.join(', ')}`
  return `${coils.join(' and ')}: ${which}, ${figure(watts / 1000, 1)} kW, ${each.join(', ')}`
}
