import {
  CALLS,
  isCooling,
  isHeatPumpHeating,
  type Call,
  type Device,
  type Expr,
  type Mode,
  type Part,
} from '../equipment'
import { OFFERED, OUTPUTS, type DeviceDraft } from './draft'

/** Usual pull-in and drop-out of 24 V coils, V. */
const COIL = { volts: 24, powerFactor: 0.4, pullIn: 18, dropOut: 10 }
/** The demands in which a compressor is asked for. */
const COMPRESSOR_CALLS: Call[] = CALLS.filter((c) => isCooling(c) || isHeatPumpHeating(c))

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
    kind:
      draft.kind === 'switch' ? (draft.opens === 'warm' ? 'outdoorThermostat' : 'floatSwitch') : draft.kind,
    name: draft.name.trim() || 'Device of the house',
    fits: draft.model.trim() ? [draft.model.trim()] : [],
    about: 'Described on site by its terminals and behaviour; compare it with its own diagram.',
    terminals: offered.map((t) => ({ id: t.id, label: t.label, side: 'low', role: t.role })),
    parts: [],
    settings: [],
    modes: [],
    plate: {},
  }
  switch (draft.kind) {
    case 'thermostat':
      return thermostat(base, draft)
    case 'outdoorUnit':
      return outdoorUnit(base, draft)
    case 'airHandler':
      return airHandler(base, draft)
    case 'switch':
      return loneSwitch(base, draft)
  }
}

/** Standard sizes, A, up to the 60 A of one heating circuit (NEC 424.22). */
const BREAKERS = [15, 20, 25, 30, 35, 40, 45, 50, 60]
const breakerFor = (amps: number): number => BREAKERS.find((b) => b >= amps) ?? 60

const has = (d: Device, id: string): boolean => d.terminals.some((t) => t.id === id)
const all = (...list: (Expr | null)[]): Expr => ({ all: list.filter((e): e is Expr => e !== null) })
const rvSetting = (draft: DeviceDraft): Device['settings'][number] => ({
  id: 'rvSense',
  label: 'Reversing valve energised in',
  group: draft.kind === 'thermostat' ? 'set' : 'plate',
  kind: 'choice',
  options: [
    { id: 'cooling', label: 'Cooling (O)' },
    { id: 'heating', label: 'Heating (B)' },
  ],
  default: draft.rvSense,
  intent: 'rvSense',
})

function thermostat(d: Device, draft: DeviceDraft): Device {
  const power: Expr | null = has(d, 'C') ? { energised: 'self' } : null
  const calls = CALLS.filter((c) => c === 'off' || (draft.outputs[c]?.length ?? 0) > 0)
  const parts: Part[] = []
  if (power)
    parts.push({
      kind: 'load', id: 'self', a: 'R', b: 'C', label: 'the thermostat itself', volts: 24, va: 2, powerFactor: 0.8,
      pullIn: 14, dropOut: 10, does: { what: 'control' },
    }) // prettier-ignore
  const output = (terminal: string, driver: Expr): void =>
    void parts.push({
      kind: 'contact',
      id: `out${terminal}`,
      a: 'R',
      b: terminal,
      gate: 'thermostat',
      label: `${d.terminals.find((t) => t.id === terminal)?.label ?? terminal} relay`,
      driver,
    })
  for (const terminal of OUTPUTS) {
    if (!has(d, terminal)) continue
    const on = calls.filter((c) => draft.outputs[c]?.includes(terminal))
    const ready: Expr | null = terminal === 'Y' || terminal === 'Y2' ? { mode: 'timer', is: ['ready'] } : null
    output(terminal, all(power, { call: on }, ready))
  }
  if (has(d, 'OB')) {
    const cooling = calls.filter(isCooling)
    const heating = calls.filter(isHeatPumpHeating)
    output(
      'OB',
      all(power, {
        any: [
          all({ set: 'rvSense', is: ['cooling'] }, { call: cooling }),
          all({ set: 'rvSense', is: ['heating'] }, { call: heating }),
        ],
      }),
    )
    d.settings.push(rvSetting(draft))
  }
  const timer: Mode = {
    id: 'timer',
    label: 'Compressor minimum-off timer',
    states: [
      { id: 'ready', label: 'Ready' },
      { id: 'waiting', label: 'Still waiting', condition: 'waiting', reach: { call: COMPRESSOR_CALLS } },
    ],
  }
  return {
    ...d,
    parts,
    modes: has(d, 'Y') ? [timer] : [],
    calls: calls.map((call) => ({ call })),
    plate: { volts: 24 },
  }
}

function outdoorUnit(d: Device, draft: DeviceDraft): Device {
  const board = (...states: string[]): Expr => ({ mode: 'board', is: states })
  d.terminals.push(
    { id: 'L1', label: 'L1', side: 'line', role: 'line' },
    { id: 'L2', label: 'L2', side: 'line', role: 'line' },
  )
  const parts: Part[] = [
    { kind: 'load', id: 'logic', a: 'R', b: 'C', label: 'Defrost board', ...COIL, va: 3, pullIn: 16 },
    { kind: 'load', id: 'ySense', a: 'Y', b: 'C', label: 'Board input on Y', ...COIL, va: 0.5, powerFactor: 1, pullIn: 16, dropOut: 8 },
    { kind: 'contact', id: 'boardY', a: 'Y', b: 'yb', gate: 'board', label: 'Board, compressor output', driver: board('normal', 'defrost') },
    { kind: 'load', id: 'contactor', a: 'yb', b: 'C', label: 'Contactor coil', ...COIL, va: draft.contactorVa },
    { kind: 'contact', id: 'pole', a: 'L1', b: 't1', gate: 'contactor', label: 'Contactor pole', driver: { energised: 'contactor' } },
    { kind: 'load', id: 'compressor', a: 't1', b: 'L2', label: 'Compressor', volts: 240, va: draft.compressorVa, powerFactor: 0.92, does: { what: 'compressor', stage: 1 } },
    { kind: 'contact', id: 'fanRelay', a: 't1', b: 'f1', gate: 'board', label: 'Board, outdoor fan relay', driver: board('normal', 'lockout') },
    { kind: 'load', id: 'fan', a: 'f1', b: 'L2', label: 'Outdoor fan', volts: 240, va: 190, powerFactor: 0.8, does: { what: 'outdoorFan' } },
  ] // prettier-ignore
  if (has(d, 'Y2'))
    parts.push({
      kind: 'load', id: 'stage2', a: 'Y2', b: 'C', label: 'Second stage solenoid', ...COIL, va: 8,
      does: { what: 'compressor', stage: 2 },
    }) // prettier-ignore
  if (has(d, 'OB')) {
    parts.push(
      { kind: 'contact', id: 'rvPass', a: 'OB', b: 'rv', gate: 'board', label: 'Board, O/B passed through', driver: board('normal', 'lockout') },
      { kind: 'contact', id: 'rvForce', a: 'R', b: 'rv', gate: 'board', label: 'Board, reversing valve in defrost', driver: all(board('defrost'), { set: 'rvSense', is: ['cooling'] }, { energised: 'logic' }) },
      { kind: 'load', id: 'rvCoil', a: 'rv', b: 'C', label: 'Reversing valve solenoid', ...COIL, va: 8, pullIn: 17, does: { what: 'reversingValve', energisedIn: { set: 'rvSense' } } },
    ) // prettier-ignore
    d.settings.push(rvSetting(draft))
  }
  if (has(d, 'W'))
    parts.push({
      kind: 'contact',
      id: 'outW',
      a: 'R',
      b: 'W',
      gate: 'board',
      label: 'Board, W output',
      driver: all(
        { energised: 'logic' },
        {
          any: [
            ...(draft.defrostW ? [board('defrost')] : []),
            ...(draft.faultHeat ? [all(board('lockout'), { energised: 'ySense' })] : []),
          ],
        },
      ),
    })
  const heating = CALLS.filter(isHeatPumpHeating)
  const mode: Mode = {
    id: 'board',
    label: 'Outdoor board',
    states: [
      { id: 'normal', label: 'Normal' },
      {
        id: 'defrost',
        label: 'Defrosting',
        condition: 'defrost',
        reach: all({ call: heating }, { sense: 'outdoor', below: 50 }),
      },
      {
        id: 'lockout',
        label: 'Locked out on a fault',
        condition: 'lockout',
        reach: { call: COMPRESSOR_CALLS },
      },
    ],
  }
  return {
    ...d,
    parts,
    modes: [mode],
    plate: { volts: 240, mocpA: breakerFor((1.75 * draft.compressorVa) / 240) },
  }
}

function airHandler(d: Device, draft: DeviceDraft): Device {
  d.terminals.push(
    { id: 'L1', label: 'L1', side: 'line', role: 'line' },
    { id: 'L2', label: 'L2', side: 'line', role: 'line' },
  )
  const starters: Expr[] = [{ energised: 'blowerRelay' }]
  const parts: Part[] = [
    { kind: 'contact', id: 'door', a: 'L1', b: 'L1d', gate: 'door', label: 'Blower door switch', driver: { mode: 'door', is: ['shut'] } },
    { kind: 'transformer', id: 'xfmr', a: 'L1d', b: 'L2', c: 's1', d: 'C', label: 'Control transformer', primaryVolts: 240, secondaryVolts: 24, noLoadVolts: 26.4, va: draft.transformerVa },
    { kind: 'contact', id: 'fuse24', a: 's1', b: 'R', gate: 'fuse', label: '24 V fuse', driver: { mode: 'fuse24', is: ['good'] }, ratedA: draft.transformerVa > 40 ? 5 : 3 },
    { kind: 'load', id: 'blowerRelay', a: 'G', b: 'C', label: 'Blower relay coil', ...COIL, va: 6, powerFactor: 0.5, dropOut: 8 },
  ] // prettier-ignore
  const modes: Mode[] = [
    { id: 'door', label: 'Blower door', states: [{ id: 'shut', label: 'Shut' }, { id: 'open', label: 'Open', condition: 'off', reach: 'failure' }] },
    { id: 'fuse24', label: '24 V fuse', states: [{ id: 'good', label: 'Good' }, { id: 'blown', label: 'Blown', condition: 'failed', reach: 'failure' }] },
  ] // prettier-ignore
  if (draft.blowerOnY && has(d, 'Y')) {
    parts.push({ kind: 'load', id: 'yInput', a: 'Y', b: 'C', label: 'Board input on Y', ...COIL, va: 0.5, powerFactor: 1, pullIn: 16 })
    starters.push({ energised: 'yInput' })
  } // prettier-ignore
  let row = 0
  for (const [terminal, rows] of [
    ['W1', draft.rowsW1],
    ['W2', draft.rowsW2],
  ] as const) {
    if (!has(d, terminal)) continue
    const coil = `seq${terminal}`
    parts.push({
      kind: 'load',
      id: coil,
      a: terminal,
      b: 'C',
      label: `Heat relay on ${terminal}`,
      ...COIL,
      va: 8,
      powerFactor: 1,
    })
    // A row without moving air would burn: whatever the board does, the first relay brings the blower where W is said to.
    if (draft.blowerOnW) starters.push({ energised: coil })
    for (let n = 0; n < rows; n++) {
      row++
      const [a, b, c] = [`e${row}a`, `e${row}b`, `e${row}c`]
      parts.push(
        { kind: 'contact', id: `link${row}`, a: 'L1', b: a, gate: 'fuseLink', label: `Row ${row} fuse link`, driver: { mode: `link${row}`, is: ['good'] } },
        { kind: 'load', id: `row${row}`, a, b, label: `Row ${row}`, volts: 240, va: draft.rowWatts, powerFactor: 1, pullIn: 60, dropOut: 40, does: { what: 'strip', row } },
        { kind: 'contact', id: `limit${row}`, a: b, b: c, gate: 'limit', label: `Row ${row} limit`, driver: { mode: `limit${row}`, is: ['closed'] } },
        { kind: 'contact', id: `heat${row}`, a: c, b: 'L2', gate: 'relay', label: `Row ${row} relay contact`, driver: { energised: coil } },
      )
      modes.push(
        { id: `limit${row}`, label: `Row ${row} limit`, states: [{ id: 'closed', label: 'Closed' }, { id: 'open', label: 'Open, too hot', condition: 'tripped', reach: { call: ['heatAux1', 'heatAux2', 'emergency'] } }] },
        { id: `link${row}`, label: `Row ${row} fuse link`, states: [{ id: 'good', label: 'Good' }, { id: 'open', label: 'Open', condition: 'failed', reach: 'failure' }] },
      )
    } // prettier-ignore
  }
  parts.push(
    { kind: 'contact', id: 'blowerContact', a: 'L1d', b: 'BLm', gate: 'relay', label: 'Blower relay contact', driver: { any: starters } },
    { kind: 'load', id: 'blower', a: 'BLm', b: 'L2', label: 'Blower', volts: 240, va: 520, powerFactor: 0.9, does: { what: 'blower' } },
  ) // prettier-ignore
  return {
    ...d,
    parts,
    modes,
    plate: {
      volts: 240,
      transformerVa: draft.transformerVa,
      rows: row,
      // NEC 424.4: conductor and overcurrent device for 125 % of elements and motor.
      mocpA: breakerFor((1.25 * (row * draft.rowWatts + 520)) / 240),
    },
  }
}

function loneSwitch(d: Device, draft: DeviceDraft): Device {
  const part = (driver: Expr): Part => ({
    kind: 'contact',
    id: 'switch',
    a: 'T1',
    b: 'T2',
    gate: draft.opens === 'warm' ? 'outdoorThermostat' : 'safety',
    label: d.name,
    driver,
  })
  if (draft.opens === 'warm')
    return {
      ...d,
      parts: [part({ sense: 'outdoor', below: { set: 'setpoint' }, band: 5 })],
      settings: [
        {
          id: 'setpoint',
          label: 'Closes below',
          group: 'set',
          kind: 'number',
          range: [0, 60],
          unit: '°F',
          default: draft.closesBelowF,
          intent: 'outdoorSwitch',
        },
      ],
      plate: { differentialF: 5 },
    }
  const water = draft.opens === 'water'
  return {
    ...d,
    parts: [part({ mode: 'state', is: ['closed'] })],
    modes: [
      {
        id: 'state',
        label: d.name,
        states: [
          { id: 'closed', label: 'Closed' },
          water
            ? { id: 'open', label: 'Open: water', condition: 'water', reach: { call: COMPRESSOR_CALLS } }
            : { id: 'open', label: 'Open: tripped', condition: 'tripped', reach: 'always' },
        ],
      },
    ],
  }
}
