import type { Device, DeviceDraft, DraftKind, TerminalRole } from '../equipment'

interface Offered {
  id: string
  label: string
  role: TerminalRole
}
const low = (...list: (readonly [string, TerminalRole, string?])[]): Offered[] =>
  list.map(([id, role, label]) => ({ id, role, label: label ?? id }))

/** Terminals that a kind may have, with their role. */
export const OFFERED: Record<DraftKind, readonly Offered[]> = {
  thermostat: low(
    ['R', 'R'], ['Rc', 'R'], ['Rh', 'R'], ['C', 'C'], ['G', 'G'], ['Y', 'Y1'], ['Y2', 'Y2'], ['OB', 'OB', 'O/B'],
    ['O', 'O'], ['B', 'B'], ['AUX', 'AUX', 'AUX/W1'], ['W2', 'W2'], ['W3', 'W3'], ['E', 'E'], ['S1', 'S'], ['S2', 'S'],
    ['X1', 'spare', 'Star 1'], ['X2', 'spare', 'Star 2'],
  ),
  outdoorUnit: low(
    ['R', 'R'], ['C', 'C'], ['Y', 'Y1'], ['Y2', 'Y2'], ['OB', 'OB', 'O/B'], ['B', 'B'], ['WIN', 'W1', 'W in'],
    ['W', 'W1', 'W out'], ['D1', 'bus'], ['D2', 'bus'],
  ),
  airHandler: low(
    ['R', 'R'], ['C', 'C'], ['G', 'G'], ['Y', 'Y1'], ['Y2', 'Y2'], ['O', 'OB'], ['W1', 'W1'], ['W2', 'W2'], ['W3', 'W3'],
  ),
  stripKit: low(['W1', 'harness'], ['W2', 'harness'], ['W3', 'harness'], ['C', 'harness']),
  furnace: low(
    ['R', 'R'], ['C', 'C'], ['G', 'G'], ['Y', 'Y1'], ['W1', 'W1'], ['W2', 'W2'], ['T1', 'switch', 'T'], ['T2', 'switch', 'T, other'],
  ),
  packagedUnit: low(
    ['R', 'R'], ['C', 'C'], ['G', 'G'], ['Y', 'Y1'], ['Y2', 'Y2'], ['O', 'OB'], ['W1', 'W1'], ['W2', 'W2'], ['E', 'E'],
  ),
  switch: low(['T1', 'switch', '1'], ['T2', 'switch', '2']),
} // prettier-ignore

/** Thermostat terminals that a demand may connect to R. */
export const OUTPUTS = ['G', 'Y', 'Y2', 'AUX', 'W2', 'W3', 'E'] as const
/** Roles that a configurable terminal may be set to. */
export const STAR_ROLES = ['Y2', 'W2', 'W3', 'E'] as const
/** Outputs that some terminal of the draft can be: its own role, or a configurable one set to it. */
export const outputsOf = ({ terminals }: DeviceDraft): (typeof OUTPUTS)[number][] => {
  const star = terminals.some((t) => t === 'X1' || t === 'X2')
  return OUTPUTS.filter((o) => terminals.includes(o) || (star && STAR_ROLES.some((r) => r === o)))
}

const USUAL: Record<DraftKind, Partial<DeviceDraft>> = {
  thermostat: {
    terminals: ['R', 'C', 'G', 'Y', 'OB', 'AUX', 'E'],
    outputs: {
      fan: ['G'],
      cool1: ['G', 'Y'],
      heat1: ['G', 'Y'],
      heatAux1: ['G', 'Y', 'AUX'],
      emergency: ['G', 'E'],
    },
  },
  outdoorUnit: { terminals: ['R', 'C', 'Y', 'OB', 'W'] },
  airHandler: { terminals: ['R', 'C', 'G', 'Y', 'O', 'W1', 'W2'], transformerVa: 50 },
  stripKit: {
    terminals: ['W1', 'W2', 'C'],
    rows: [
      { watts: 4800, by: 'W1', circuit: 1 },
      { watts: 4800, by: 'W2', circuit: 1 },
    ],
  },
  furnace: { terminals: ['R', 'C', 'G', 'Y', 'W1'], fuel: 'natural', delayMost: 180 },
  packagedUnit: {
    terminals: ['R', 'C', 'G', 'Y', 'O', 'W1', 'W2'],
    switchedBy: 'relay',
    coilAfter: false,
    rows: [
      { watts: 4800, by: 'W1', circuit: 1 },
      { watts: 4800, by: 'W2', circuit: 1 },
    ],
  },
  switch: { terminals: ['T1', 'T2'] },
}

/** A usual device of the kind, as a start to change. */
export const freshDraft = (kind: DraftKind): DeviceDraft => ({
  kind,
  name: '',
  model: '',
  from: '',
  terminals: [],
  outputs: {},
  batteries: false,
  timerPower: 'unknown',
  lockouts: false,
  dualFuel: false,
  rvSense: 'cooling',
  defrostW: true,
  faultHeat: false,
  inverter: false,
  demandDefrost: false,
  pinsLeast: 30,
  pinsMost: 90,
  pinsStep: 30,
  compressorVa: 3000,
  contactorVa: 9,
  blowerVa: 520,
  transformerVa: 40,
  mca: 0,
  mocpA: 0,
  tons: 0,
  heat: 'none',
  severalSpeeds: false,
  blowerOnW: false,
  blowerOnY: false,
  delayMost: 0,
  rows: [],
  switchedBy: 'sequencer',
  fuseLinks: true,
  interlock: true,
  stepSeconds: 30,
  leastCfm: 0,
  leastSpeed: 'any',
  fuel: 'electric',
  gasSwitch: 'none',
  coilAfter: true,
  inputBtuh: 0,
  efficiency: 0,
  riseLow: 0,
  riseHigh: 0,
  temperDefrost: false,
  together: false,
  opens: 'water',
  closesBelowF: 35,
  ...USUAL[kind],
})

/**
 * The draft that a device was made from, as a start for another; null where it was not made from one. What its file
 * leaves out is as usual for the kind.
 */
export const draftOf = ({ draft }: Device): DeviceDraft | null =>
  draft ? { ...freshDraft(draft.kind), ...draft } : null

/** A draft as it is kept in a file: what is usual for its kind is left out. */
export function storedDraft(draft: DeviceDraft): NonNullable<Device['draft']> {
  const usual = Object.entries(freshDraft(draft.kind))
  const shared = usual.filter(
    ([key, value]) => JSON.stringify(draft[key as keyof DeviceDraft]) !== JSON.stringify(value),
  )
  return {
    kind: draft.kind,
    ...Object.fromEntries(shared.map(([key]) => [key, draft[key as keyof DeviceDraft]])),
  }
}
