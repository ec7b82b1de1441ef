import type { Duration, Device, DeviceDraft, Expr, Mode, Part, Setting } from '../equipment'
import { asks } from './fields'
import {
  all,
  any,
  BACKUP_CALLS,
  board,
  choice,
  coil,
  contact,
  delayed,
  controlSupply,
  figure,
  has,
  HEAT_PUMP_CALLS,
  inMode,
  input,
  limitTransitions,
  lineTerminals,
  load,
  mode,
  motor,
  on,
  speed,
} from './pieces'

const HOT: Expr = { condition: 'hotCoil' }
const AHEAD = { set: 'coil', is: ['after'] }

/** Setting for the coil's position: before or after the burner. */
const coilSetting = (draft: DeviceDraft): Setting => ({
  ...choice('coil', 'Indoor coil', 'plate', [['after', 'After the burner'], ['before', 'Before the burner']], draft.coilAfter ? 'after' : 'before', 'coil'),
  about: 'Where the coil stands in the air stream.',
}) // prettier-ignore

/** °F at which a furnace limit usually opens. */
const LIMIT_F = 190
const limitMode = (): Mode => ({
  ...mode('limit', 'Furnace limit', ['closed', 'Closed'], ['open', 'Open, too hot'], 'tripped', {
    call: BACKUP_CALLS,
  }),
  transitions: limitTransitions(LIMIT_F),
})

/** s of a burner's sequence, as is usual: prepurge and ignition, blower on and off, and how soon the air is hot and is not. */
const GAS = { lights: 33, high: 45, blowerOn: 30, blowerOff: 120, heats: 45, cools: 45, warm: 80 }
const OIL = { lights: 12, blowerOn: 45, blowerOff: 150, heats: 60, cools: 60, warm: 120 }

/** How long the blower runs on: a setting of the furnace, or what is usual. */
const offDelay = (draft: DeviceDraft): Duration =>
  asks(draft, 'delayMost') && draft.delayMost > 0
    ? { set: 'fanOffDelay' }
    : (draft.fuel === 'oil' ? OIL : GAS).blowerOff
/** Mode of the air that leaves a burner: while it is hot a compressor must not start. */
const airMode = (
  lit: string,
  { heats, cools, warm }: Pick<typeof GAS, 'heats' | 'cools' | 'warm'>,
): Mode => ({
  id: 'air',
  label: 'Air leaving the furnace',
  states: [
    { id: 'cool', label: 'Cool' },
    {
      id: 'warm',
      label: '95 to 105 °F, cooling down',
      condition: 'warmCoil',
      reach: { call: HEAT_PUMP_CALLS },
    },
    { id: 'hot', label: 'Hot, above 105 °F', condition: 'hotCoil', reach: { call: BACKUP_CALLS } },
  ],
  transitions: [
    { from: 'cool', to: 'hot', when: on(lit), after: heats },
    { from: 'warm', to: 'hot', when: on(lit), after: 20 },
    { from: 'hot', to: 'warm', when: { not: on(lit) }, after: cools },
    { from: 'warm', to: 'cool', when: { not: on(lit) }, after: warm },
  ],
})

/** Ignition and gas train on 24 V, from a call on W to the valve, with what can stop it. */
export function gasTrain(
  d: Device,
  draft: DeviceDraft,
): { parts: Part[]; modes: Mode[]; settings: Setting[] } {
  const noGas: Expr = { condition: 'noGas' }
  const high = has(d, 'W2')
  const parts = [
    delayed(contact('trial', ['R', 'g0'], 'board', 'Board, call for ignition', all(on('logic'), on('wIn'))), GAS.lights, 0),
    contact('pressure', ['g0', 'g1'], 'safety', 'Pressure switch', inMode('pressure', 'closed')),
    contact('lowGas', ['g1', 'g2'], 'safety', 'Low-gas-pressure switch in the pressure circuit', any({ set: 'gasSwitch', is: ['none', 'flame'] }, { not: noGas })),
    coil('ignitor', 'g2', 'Ignition control', 4, { what: 'ignition' }),
    contact('limit', ['g2', 'g3'], 'limit', 'Furnace limit', inMode('limit', 'closed')),
    contact('flame', ['g3', 'g4'], 'safety', 'Flame sense', all(inMode('flame', 'proved'), any({ not: { set: 'gasSwitch', is: ['flame'] } }, { not: noGas }))),
    contact('gas', ['g4', 'g5'], 'supply', 'Gas at the valve', { not: noGas }),
    coil('valve', 'g5', 'Gas valve', 8, { what: 'burner', stage: 1, fuel: 'gas', ahead: AHEAD }),
  ] // prettier-ignore
  if (high)
    parts.push(
      delayed(contact('high', ['g5', 'g6'], 'board', 'Board, high fire', on('w2In')), GAS.high, 0),
      coil('valve2', 'g6', 'Gas valve, high fire', 5, {
        what: 'burner',
        stage: 2,
        fuel: 'gas',
        ahead: AHEAD,
      }),
    )
  const where = draft.gasSwitch
  return {
    parts,
    modes: [
      limitMode(),
      mode('pressure', 'Pressure switch', ['closed', 'Closes with the inducer'], ['open', 'Stays open'], 'failed', 'failure'),
      mode('flame', 'Flame', ['proved', 'Proved'], ['lost', 'Not proved'], 'failed', 'failure'),
      mode('gasSupply', 'Gas supply', ['there', 'There'], ['empty', 'Empty tank'], 'noGas', 'failure'),
      airMode('valve', GAS),
    ],
    settings: [
      coilSetting(draft),
      choice('gasSwitch', 'Low-gas-pressure switch', 'plate', [['none', 'None: natural gas'], ['pressure', 'In the pressure switch circuit'], ['flame', 'In the flame-sense wire']], where, 'gasSwitch'),
      choice('fuel', 'Fuel', 'plate', [['natural', 'Natural gas'], ['lp', 'LP']], draft.fuel === 'lp' ? 'lp' : 'natural', 'fuel'),
    ],
  } // prettier-ignore
}

/** The board's blower speeds of a furnace: heating while the burner is lit or the air hot, then heat pump, then fan. */
export function furnaceSpeeds(
  d: Device,
  draft: DeviceDraft,
  [other, volts]: readonly [string, number],
  lit: string,
): Part[] {
  const va = draft.blowerVa
  const { blowerOn } = draft.fuel === 'oil' ? OIL : GAS
  const ends = ['L1d', other] as const
  const calm = all({ not: on(lit) }, { not: HOT })
  const y = has(d, 'Y')
  return [
    ...speed('heat', ends, volts, va, all(on('logic'), any(on(lit), HOT))).map((p) =>
      delayed(p, blowerOn, offDelay(draft)),
    ),
    ...(y ? speed('low', ends, volts, va, all(on('logic'), on('yIn'), calm)) : []),
    ...speed('fan', ends, volts, 0.6 * va, all(on('logic'), on('gIn'), y ? { not: on('yIn') } : null, calm)),
  ]
}

const delay = (draft: DeviceDraft): Setting[] =>
  draft.delayMost > 0
    ? [figure('fanOffDelay', 'Blower off delay', 'set', [0, draft.delayMost], 's', Math.min(90, draft.delayMost), 'fanOffDelay', 30)]
    : [] // prettier-ignore

/** The burner's plate. A value that the draft lacks is left out. */
export function burnerPlate(draft: DeviceDraft, stages: number): Device['plate'] {
  return {
    burnerStages: stages,
    ...(draft.inputBtuh > 0 ? { inputBtuh: draft.inputBtuh } : {}),
    ...(draft.efficiency > 0 ? { efficiency: draft.efficiency / 100 } : {}),
    ...(draft.riseHigh > draft.riseLow ? { riseLow: draft.riseLow, riseHigh: draft.riseHigh } : {}),
    ...(draft.temperDefrost ? { temperDefrost: true } : {}),
    ...(draft.gasSwitch === 'none' ? {} : { gasSwitchCircuit: draft.gasSwitch }),
  }
}

/** A gas furnace of one or two stages, or an oil furnace whose primary control needs a dry contact or a W of its own. */
export function furnace(d: Device, draft: DeviceDraft): Device {
  return draft.fuel === 'oil' ? oilFurnace(d, draft) : gasFurnace(d, draft)
}

function gasFurnace(d: Device, draft: DeviceDraft): Device {
  lineTerminals(d, ['L1', 'N'])
  const supply = controlSupply('N', 120, draft.transformerVa)
  const gas = gasTrain(d, draft)
  const inputs = [
    input('gIn', 'G'),
    ...(has(d, 'Y') ? [input('yIn', 'Y')] : []),
    input('wIn', 'W1'),
    ...(has(d, 'W2') ? [input('w2In', 'W2')] : []),
  ]
  return {
    ...d,
    parts: [
      ...supply.parts,
      board('logic', 'Furnace board'),
      ...inputs,
      ...gas.parts,
      ...furnaceSpeeds(d, draft, ['N', 120], 'valve'),
    ],
    modes: [...supply.modes, ...gas.modes],
    settings: [...gas.settings, ...delay(draft)],
    plate: { volts: 120, ...burnerPlate(draft, has(d, 'W2') ? 2 : 1), transformerVa: draft.transformerVa },
  }
}

function oilFurnace(d: Device, draft: DeviceDraft): Device {
  const dry = has(d, 'T1') && has(d, 'T2')
  lineTerminals(d, ['L1', 'N'])
  const supply = controlSupply('N', 120, draft.transformerVa)
  const primary: Part[] = dry
    ? [
        { kind: 'transformer', id: 'primaryXfmr', a: 'L1d', b: 'N', c: 'p1', d: 'pc', label: 'Transformer of the oil primary', primaryVolts: 120, secondaryVolts: 24, noLoadVolts: 26.4, va: 15 },
        { kind: 'path', id: 'ttA', a: 'p1', b: 'T1', ohms: 0.01 },
        load('ttRelay', ['T2', 'pc'], 'Oil primary relay', { volts: 24, va: 5, powerFactor: 0.6, pullIn: 16, dropOut: 8 }),
      ]
    : [coil('ttRelay', 'W1', 'Oil primary relay', 5)] // prettier-ignore
  return {
    ...d,
    parts: [
      ...supply.parts,
      board('logic', 'Furnace board'),
      input('gIn', 'G'),
      ...(has(d, 'Y') ? [input('yIn', 'Y')] : []),
      ...primary,
      contact('lockout', ['L1d', 'b1'], 'safety', 'Oil primary, safety lockout', inMode('primary', 'run')),
      contact('limit', ['b1', 'b2'], 'limit', 'Furnace limit', inMode('limit', 'closed')),
      delayed(
        contact('ttC', ['b2', 'b3'], 'relay', 'Oil primary relay contact', on('ttRelay')),
        OIL.lights,
        0,
      ),
      motor('burner', ['b3', 'N'], 'Oil burner', 120, 300, {
        what: 'burner',
        stage: 1,
        fuel: 'oil',
        ahead: AHEAD,
      }),
      ...furnaceSpeeds(d, draft, ['N', 120], 'burner'),
    ],
    modes: [
      ...supply.modes,
      limitMode(),
      mode(
        'primary',
        'Oil primary',
        ['run', 'Ready'],
        ['locked', 'Locked out on safety'],
        'failed',
        'failure',
      ),
      airMode('burner', OIL),
    ],
    settings: [coilSetting(draft), ...delay(draft)],
    plate: { volts: 120, ...burnerPlate(draft, 1), transformerVa: draft.transformerVa },
  }
}
