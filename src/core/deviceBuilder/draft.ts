import type { Call, TerminalRole } from '../equipment'

/** The kinds of device that can be described by ticking terminals and behaviour. */
export const DRAFT_KINDS = ['thermostat', 'outdoorUnit', 'airHandler', 'switch'] as const
export type DraftKind = (typeof DRAFT_KINDS)[number]

/** A device that no library has, as a technician describes it: what it is called, its terminals, what it does. */
export interface DeviceDraft {
  kind: DraftKind
  name: string
  /** Model and suffix on the plate. */
  model: string
  /** Low-voltage terminals that it has, of those offered for its kind. */
  terminals: string[]
  /** Thermostat: for each demand, the terminals that it connects to R. O/B is set by its own setting. */
  outputs: Partial<Record<Call, string[]>>
  /** Outdoor unit and O/B thermostat: the valve is energised in. */
  rvSense: 'cooling' | 'heating'
  /** Outdoor unit: W sends 24 V indoors in defrost; on a fault lockout as well. */
  defrostW: boolean
  faultHeat: boolean
  /** Outdoor unit: volt-amperes of the compressor, of its contactor coil. */
  compressorVa: number
  contactorVa: number
  /** Air handler: W starts the blower by itself; Y is wired to the board and starts it. */
  blowerOnW: boolean
  blowerOnY: boolean
  transformerVa: number
  /** Air handler: strip rows of its own on W1 and on W2, and watts of each at 240 V. */
  rowsW1: number
  rowsW2: number
  rowWatts: number
  /** Switch: what opens it. */
  opens: 'water' | 'trip' | 'warm'
  /** °F: a switch that opens on warmth closes below this. */
  closesBelowF: number
}

/** Terminals that a kind may have, with their role. */
export const OFFERED: Record<DraftKind, readonly { id: string; label: string; role: TerminalRole }[]> = {
  thermostat: [
    { id: 'R', label: 'R', role: 'R' },
    { id: 'C', label: 'C', role: 'C' },
    { id: 'G', label: 'G', role: 'G' },
    { id: 'Y', label: 'Y', role: 'Y1' },
    { id: 'Y2', label: 'Y2', role: 'Y2' },
    { id: 'OB', label: 'O/B', role: 'OB' },
    { id: 'AUX', label: 'AUX/W1', role: 'AUX' },
    { id: 'W2', label: 'W2', role: 'W2' },
    { id: 'E', label: 'E', role: 'E' },
  ],
  outdoorUnit: [
    { id: 'R', label: 'R', role: 'R' },
    { id: 'C', label: 'C', role: 'C' },
    { id: 'Y', label: 'Y', role: 'Y1' },
    { id: 'Y2', label: 'Y2', role: 'Y2' },
    { id: 'OB', label: 'O/B', role: 'OB' },
    { id: 'W', label: 'W', role: 'W1' },
  ],
  airHandler: [
    { id: 'R', label: 'R', role: 'R' },
    { id: 'C', label: 'C', role: 'C' },
    { id: 'G', label: 'G', role: 'G' },
    { id: 'Y', label: 'Y', role: 'Y1' },
    { id: 'O', label: 'O', role: 'OB' },
    { id: 'W1', label: 'W1', role: 'W1' },
    { id: 'W2', label: 'W2', role: 'W2' },
  ],
  switch: [
    { id: 'T1', label: '1', role: 'switch' },
    { id: 'T2', label: '2', role: 'switch' },
  ],
}

/** Thermostat terminals that a demand may connect to R. */
export const OUTPUTS = ['G', 'Y', 'Y2', 'AUX', 'W2', 'E'] as const

/** What a device of the kind usually is: a start to change. */
export function freshDraft(kind: DraftKind): DeviceDraft {
  const usual: Record<DraftKind, string[]> = {
    thermostat: ['R', 'C', 'G', 'Y', 'OB', 'AUX', 'E'],
    outdoorUnit: ['R', 'C', 'Y', 'OB', 'W'],
    airHandler: ['R', 'C', 'G', 'Y', 'O', 'W1', 'W2'],
    switch: ['T1', 'T2'],
  }
  return {
    kind,
    name: '',
    model: '',
    terminals: usual[kind],
    outputs: {
      fan: ['G'],
      cool1: ['G', 'Y'],
      heat1: ['G', 'Y'],
      heatAux1: ['G', 'Y', 'AUX'],
      emergency: ['G', 'E'],
    },
    rvSense: 'cooling',
    defrostW: true,
    faultHeat: false,
    compressorVa: 3000,
    contactorVa: 9,
    blowerOnW: false,
    blowerOnY: false,
    transformerVa: 40,
    rowsW1: 0,
    rowsW2: 0,
    rowWatts: 4800,
    opens: 'water',
    closesBelowF: 35,
  }
}
