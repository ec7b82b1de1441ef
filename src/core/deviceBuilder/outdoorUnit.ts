import type { Device, DeviceDraft, Expr, Mode, Part, Setting, Transition, When } from '../equipment'
import { demandDefrost } from './demandDefrost'
import {
  all,
  any,
  board,
  breakerFor,
  choice,
  coil,
  COMPRESSOR_CALLS,
  contact,
  figure,
  has,
  HEAT_PUMP_CALLS,
  inMode,
  input,
  lineTerminals,
  motor,
  on,
  onOff,
  valveSetting,
} from './pieces'

const COOLING = COMPRESSOR_CALLS.filter((c) => !HEAT_PUMP_CALLS.includes(c))

/** The terminal that the reversing valve is on. */
export const valveTerminal = (d: Device): string | undefined => ['OB', 'O', 'B'].find((v) => has(d, v))

/** °F of the coil at which a defrost thermostat usually closes and opens (28 to 32, 60 to 70). */
const COIL = { closesF: 30, opensF: 65 }
/** °F of the coil from which an inverter counts with early defrost on: an estimate, 4 °F above the usual. */
const EARLY_F = 34
/** s that a defrost lasts at most: of a timed board, of an inverter, and of one with long defrost on. */
const CAP = { timed: 600, usual: 480, long: 720 }

const coldCoil = ({ inverter }: DeviceDraft): When => {
  const cold: When = { feels: 'coil', below: COIL.closesF }
  const early: When = {
    all: [
      { set: 'earlyDefrost', is: ['on'] },
      { feels: 'coil', below: EARLY_F },
    ],
  }
  return inverter ? { any: [early, cold] } : cold
}

/** Its board's own mode, and on a demand board its clock and sensors. */
export const boardModes = (draft: DeviceDraft, pins: string | null): Mode[] => [
  boardMode(draft, pins),
  ...(draft.demandDefrost ? demandDefrost(COIL.opensF).modes : []),
]

/** Mode of an outdoor unit's board: normal, defrost, or forced by its pins. */
const boardMode = (draft: DeviceDraft, pins: string | null): Mode => ({
  id: 'board',
  label: 'Outdoor board',
  states: [
    { id: 'normal', label: 'Normal' },
    {
      id: 'defrost',
      label: 'Defrosting',
      condition: 'defrost',
      reach: all({ call: HEAT_PUMP_CALLS }, { sense: 'outdoor', below: 50 }),
    },
    {
      id: 'lockout',
      label: 'Locked out on a fault',
      condition: 'lockout',
      reach: { call: COMPRESSOR_CALLS },
    },
  ],
  transitions: [
    ...(draft.demandDefrost
      ? demandDefrost(COIL.opensF).starts
      : [
          // Run time on a cold coil, added up over short runs; a coil that came clean by itself begins anew.
          {
            from: 'normal',
            to: 'defrost',
            when: { all: [on('contactor'), coldCoil(draft)] },
            after: pins ? { set: pins, times: 60 } : 3600,
            accumulates: true,
            reset: { any: [{ feels: 'coil', above: COIL.opensF }, { not: on('logic') }] },
          } satisfies Transition,
        ]),
    { from: 'defrost', to: 'normal', when: { feels: 'coil', above: COIL.opensF } },
    // A board that lost its power begins as at first.
    { from: 'defrost', to: 'normal', when: { not: on('logic') } },
    // A defrost that the call cut short goes on when the compressor does: its cap counts run time, too.
    {
      from: 'defrost',
      to: 'normal',
      when: draft.inverter
        ? { all: [on('contactor'), { set: 'longDefrost', is: ['off'] }] }
        : on('contactor'),
      after: draft.inverter ? CAP.usual : CAP.timed,
      accumulates: true,
    },
    ...(draft.inverter
      ? [{ from: 'defrost', to: 'normal', when: on('contactor'), after: CAP.long, accumulates: true }]
      : []),
    // Power off and on again clears a fault lockout.
    { from: 'lockout', to: 'normal', when: on('logic'), counts: 'ends' },
  ],
})

/** Conditions for a unit that has a bus beside its terminals: by its selector, and by the bus. */
interface ByBus {
  terminals: Expr | null
  bus: Expr | null
}
const byBus = (d: Device): ByBus =>
  has(d, 'D1') && has(d, 'D2')
    ? {
        terminals: { set: 'selector', is: ['24V'] },
        bus: all({ set: 'selector', is: ['bus'] }, on('busIn'), on('logic')),
      }
    : { terminals: null, bus: null }

/**
 * Compressor, its contactor and fan, and the reversing valve, as a board drives them.
 * @param holds what keeps the compressor off beside the board's own states
 */
export function compressorParts(d: Device, draft: DeviceDraft, holds: Expr | null = null): Part[] {
  const { terminals, bus } = byBus(d)
  const runs = inMode('board', 'normal', 'defrost')
  const idle = inMode('board', 'normal', 'lockout')
  const valve = valveTerminal(d)
  const parts = [
    contact('boardY', ['Y', 'yb'], 'board', 'Board, compressor output', all(runs, terminals, holds)),
    ...(bus ? [contact('busY', ['R', 'yb'], 'board', 'Board, compressor by the bus', all(bus, { call: COMPRESSOR_CALLS }, runs, holds))] : []),
    coil('contactor', 'yb', 'Contactor coil', draft.contactorVa),
    contact('pole', ['L1', 't1'], 'contactor', 'Contactor pole', on('contactor')),
    motor('compressor', ['t1', 'L2'], 'Compressor', 240, draft.compressorVa, { what: 'compressor', stage: 1 }),
    contact('fanRelay', ['t1', 'f1'], 'board', 'Board, outdoor fan relay', idle),
    motor('fan', ['f1', 'L2'], 'Outdoor fan', 240, 190, { what: 'outdoorFan' }),
  ] // prettier-ignore
  if (has(d, 'Y2'))
    parts.push(coil('stage2', 'Y2', 'Second stage solenoid', 8, { what: 'compressor', stage: 2 }))
  if (!valve) return parts
  const defrosts = all(inMode('board', 'defrost'), { set: 'rvSense', is: ['cooling'] }, on('logic'))
  const told = bus
    ? all(
        bus,
        any(
          all({ set: 'rvSense', is: ['cooling'] }, { call: COOLING }),
          all(
            { set: 'rvSense', is: ['heating'] },
            { call: HEAT_PUMP_CALLS },
            { not: inMode('board', 'defrost') },
          ),
        ),
      )
    : null
  return [
    ...parts,
    contact('rvPass', [valve, 'rv'], 'board', 'Board, valve passed through', all(idle, terminals)),
    contact('rvForce', ['R', 'rv'], 'board', 'Board, reversing valve', told ? any(defrosts, told) : defrosts),
    coil('rvCoil', 'rv', 'Reversing valve solenoid', 8, {
      what: 'reversingValve',
      energisedIn: { set: 'rvSense' },
    }),
  ]
}

/** A split outdoor unit: one or two stages or an inverter, by 24 V or by a bus as well. */
export function outdoorUnit(d: Device, draft: DeviceDraft): Device {
  const { bus } = byBus(d)
  lineTerminals(d, ['L1', 'L2'])
  const parts: Part[] = [board('logic', 'Defrost board'), input('ySense', 'Y'), ...compressorParts(d, draft)]
  const settings: Setting[] = []
  if (bus) {
    parts.push({ kind: 'load', id: 'busIn', a: 'D1', b: 'D2', label: 'Bus receiver', volts: 12, va: 0.02, powerFactor: 1, pullIn: 6, dropOut: 3 }) // prettier-ignore
    settings.push(choice('selector', 'Control selector', 'set', [['24V', '24 V terminals'], ['bus', 'Communicating bus']], '24V', 'selector')) // prettier-ignore
  }
  if (valveTerminal(d)) settings.push(valveSetting('plate', draft))
  if (has(d, 'W')) {
    const sends = [
      ...(draft.defrostW ? [inMode('board', 'defrost')] : []),
      all(inMode('board', 'lockout'), on('ySense'), { set: 'faultHeat', is: ['on'] }),
    ]
    parts.push(contact('outW', ['R', 'W'], 'board', 'Board, W output', all(on('logic'), any(...sends))))
    settings.push(onOff('faultHeat', 'Backup heat on fault lockout', draft.faultHeat, 'faultHeat'))
  }
  if (has(d, 'WIN') && has(d, 'W')) {
    // Aux from the thermostat passes two pins: a jumper there, or an outdoor thermostat. The defrost output joins behind them.
    d.terminals.push(
      { id: 'P1', label: 'Pin 1', side: 'low', role: 'switch', about: 'Toward W in.' },
      { id: 'P2', label: 'Pin 2', side: 'low', role: 'switch', about: 'Toward W out.' },
    )
    parts.push(
      { kind: 'path', id: 'toPin1', a: 'WIN', b: 'P1', ohms: 0.01 },
      { kind: 'path', id: 'toOut', a: 'P2', b: 'W', ohms: 0.01 },
    )
  }
  if (draft.pinsMost > draft.pinsLeast && !draft.demandDefrost) {
    const step = draft.pinsStep
    const usual = draft.pinsLeast + step * Math.floor((draft.pinsMost - draft.pinsLeast) / step / 2)
    settings.push(figure('defrostPins', 'Defrost interval pins', 'set', [draft.pinsLeast, draft.pinsMost], 'min', usual, 'defrostInterval', step)) // prettier-ignore
  }
  if (draft.inverter)
    settings.push(
      onOff('longDefrost', 'Long defrost', false, 'longDefrost'),
      onOff('earlyDefrost', 'Early defrost', false, 'earlyDefrost'),
    )
  return {
    ...d,
    parts,
    settings,
    modes: boardModes(draft, settings.some((s) => s.id === 'defrostPins') ? 'defrostPins' : null),
    plate: {
      volts: 240,
      ...(draft.inverter ? { inverter: true } : { stages: has(d, 'Y2') ? 2 : 1 }),
      ...(draft.tons > 0 ? { tons: draft.tons } : {}),
      // From the sheet where it says, else 1.75 × the compressor (NEC 440.22 allows so much), the next size.
      mocpA: draft.mocpA > 0 ? draft.mocpA : breakerFor((1.75 * draft.compressorVa) / 240),
      ...(draft.mca > 0 ? { mca: draft.mca } : {}),
    },
  }
}
