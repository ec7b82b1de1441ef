import type { DeviceDraft } from '../equipment'
import {
  CALLS,
  isCooling,
  isHeatPumpHeating,
  type Call,
  type Device,
  type Expr,
  type Mode,
  type Part,
  type Setting,
  type When,
} from '../equipment'
import { OUTPUTS, STAR_ROLES } from './draft'
import {
  all,
  any,
  choice,
  COMPRESSOR_CALLS,
  contact,
  figure,
  has,
  HEAT_PUMP_CALLS,
  inMode,
  load,
  on,
  onOff,
  timerTransitions,
  valveSetting,
} from './pieces'

const SOURCE: Expr = { set: 'outdoorSource', is: ['wired', 'feed'] }
/** The compressor is locked out by the cold. */
const COLD: Expr = all({ set: 'useCompressorLockout', is: ['on'] }, SOURCE, {
  sense: 'outdoor',
  below: { set: 'compressorLockout' },
})
/** Aux is locked out by the warmth. */
const WARM: Expr = all({ set: 'useAuxLockout', is: ['on'] }, SOURCE, {
  not: { sense: 'outdoor', below: { set: 'auxLockout' } },
})
/** Below the changeover the furnace heats instead. */
const CHANGED: Expr = all({ set: 'system', is: ['dualFuel'] }, SOURCE, {
  sense: 'outdoor',
  below: { set: 'changeover' },
})
/** It keeps the compressor off for some minutes after the furnace. */
const HOLDS_OFF: Expr = all({ set: 'system', is: ['dualFuel'] }, { not: { set: 'holdOff', is: [0] } })
const HOLDING: Expr = inMode('furnaceTimer', 'waiting')

/** Inputs that each output of a thermostat depends on. */
interface OutputInputs {
  draft: DeviceDraft
  calls: Call[]
  power: Expr | null
}

/** In which calls the draft connects a terminal. */
const callsFor = ({ draft, calls }: OutputInputs, output: string): Call[] =>
  calls.filter((c) => draft.outputs[c]?.includes(output))
const asked = (list: Call[]): Expr[] => (list.length ? [{ call: list }] : [])

/** Conditions under which the thermostat locks out the heat pump: cold, the changeover, a furnace that is still hot. */
function heatPumpLockouts({ draft, calls }: OutputInputs): Expr[] {
  const backup = calls.filter((c) => c === 'heatAux1' || c === 'heatAux2')
  return [
    ...(draft.lockouts || draft.dualFuel ? [COLD] : []),
    ...(draft.dualFuel
      ? [
          CHANGED,
          all({ set: 'together', is: ['no'] }, { call: backup }),
          all(HOLDS_OFF, any({ condition: 'hotCoil' }, { condition: 'warmCoil' }, HOLDING)),
        ]
      : []),
  ]
}

/** When a heat pump output is closed: in cooling, and in heating while nothing holds it off. */
function heatPumpDriver(says: OutputInputs, output: string, ready: Expr | null): Expr {
  const list = callsFor(says, output)
  const heats = list.filter(isHeatPumpHeating)
  const lockouts = heatPumpLockouts(says)
  if (!lockouts.length) return all(says.power, { call: list }, ready)
  const free = lockouts.map((h): Expr => ({ not: h }))
  // The fan is the furnace's own affair while it heats: the heat pump's share of G goes with the heat pump.
  const share =
    output === 'G' && says.draft.dualFuel
      ? any({ set: 'system', is: ['heatPump'] }, all(...free))
      : output === 'G'
        ? null
        : all(...free)
  return all(
    says.power,
    any(...asked(list.filter((c) => !isHeatPumpHeating(c))), all({ call: heats }, share)),
    ready,
  )
}

/** When a backup output is closed. The first one also takes over from a heat pump that the cold or the changeover locks out. */
function backupDriver(says: OutputInputs, output: string): Expr {
  const { draft, power } = says
  const list = callsFor(says, output)
  const ordinary = list.filter((c) => c !== 'emergency')
  const emergency = asked(list.filter((c) => c === 'emergency'))
  const heating = says.calls.filter(isHeatPumpHeating)
  const first = output === 'AUX'
  const limits = draft.lockouts || draft.dualFuel
  const calls = any(...asked(ordinary), ...(first && limits ? [all({ call: heating }, COLD)] : []))
  return all(
    power,
    any(
      ...(ordinary.length ? [limits ? all(calls, { not: WARM }) : calls] : []),
      ...(first && draft.dualFuel ? [all({ call: heating }, CHANGED)] : []),
      ...emergency,
    ),
  )
}

const driverOf = (says: OutputInputs, output: string): Expr => {
  if (output === 'G') return heatPumpDriver(says, 'G', null)
  if (output === 'Y' || output === 'Y2') return heatPumpDriver(says, output, inMode('timer', 'ready'))
  return backupDriver(says, output)
}

function outdoorSettings(draft: DeviceDraft, d: Device): Setting[] {
  const wired = has(d, 'S1') ? [['wired', 'Wired sensor on S1 S2'] as const] : []
  const f = (id: string, label: string, range: [number, number], value: number, intent: NonNullable<Setting['intent']>) =>
    figure(id, label, 'set', range, '°F', value, intent, 1)
  return [
    choice('outdoorSource', 'Outdoor temperature from', 'set', [['none', 'Nothing'], ...wired, ['feed', 'Weather feed']], 'none', 'outdoorSource'),
    onOff('useCompressorLockout', 'Compressor lockout', false, 'useCompressorLockout'),
    f('compressorLockout', 'Compressor held off below', [-20, 60], 15, 'compressorLockout'),
    onOff('useAuxLockout', 'Aux lockout', false, 'useAuxLockout'),
    f('auxLockout', 'Aux held off above', [0, 70], 45, 'auxLockout'),
    ...(draft.dualFuel
      ? [
          choice('system', 'System', 'set', [['heatPump', 'Heat pump with electric backup'], ['dualFuel', 'Dual fuel']], 'heatPump', 'system'),
          f('changeover', 'Changeover to the furnace below', [0, 60], 35, 'changeover'),
          {
            ...choice('together', 'Heat pump and backup together', 'set', [['no', 'No'], ['yes', 'Yes']], 'no', 'together'),
            defaultFor: [{ set: 'system', is: ['heatPump'], value: 'yes' }],
          },
          figure('holdOff', 'Compressor held off after the furnace', 'set', [0, 10], 'min', 0, 'furnaceHoldOff', 1),
        ]
      : []),
  ]
} // prettier-ignore

/** A thermostat: a bank of switches between R and its outputs, with a load of its own or batteries. */
export function thermostat(d: Device, draft: DeviceDraft): Device {
  // With two supplies the electronics depend on the cooling side's, and heat is switched from the heating side's.
  const [hot, heat] = has(d, 'Rc') && has(d, 'Rh') ? ['Rc', 'Rh'] : ['R', 'R']
  const self = has(d, 'C') && !draft.batteries
  const says: OutputInputs = {
    draft,
    calls: CALLS.filter((c) => c === 'off' || (draft.outputs[c]?.length ?? 0) > 0),
    power: self ? on('self') : null,
  }
  const parts: Part[] = self
    ? [load('self', [hot, 'C'], 'the thermostat itself', { volts: 24, va: 2, powerFactor: 0.8, pullIn: 14, dropOut: 10 }, { what: 'control' })]
    : [] // prettier-ignore
  const settings: Setting[] = []
  const from = (output: string) => (['AUX', 'W2', 'W3', 'E'].includes(output) ? heat : hot)
  const label = (id: string) => d.terminals.find((t) => t.id === id)?.label ?? id
  const relay = (id: string, driver: Expr, source: string) =>
    parts.push(contact(`out${id}`, [source, id], 'thermostat', `${label(id)} relay`, driver))
  for (const output of OUTPUTS) if (has(d, output)) relay(output, driverOf(says, output), from(output))
  const cooling: Expr = { call: says.calls.filter(isCooling) }
  const heating: Expr = { call: says.calls.filter(isHeatPumpHeating) }
  if (has(d, 'O')) relay('O', all(says.power, cooling), hot)
  if (has(d, 'B')) relay('B', all(says.power, heating), hot)
  if (has(d, 'OB')) {
    const sense = (is: string, call: Expr) => all({ set: 'rvSense', is: [is] }, call)
    relay('OB', all(says.power, any(sense('cooling', cooling), sense('heating', heating))), hot)
    settings.push(valveSetting('set', draft))
  }
  for (const star of ['X1', 'X2'].filter((id) => has(d, id))) {
    const set = `is${star}`
    relay(star, any(...STAR_ROLES.map((r) => all({ set, is: [r] }, driverOf(says, r)))), heat)
    settings.push(choice(set, `${label(star)} is`, 'set', [['none', 'Not used'], ...STAR_ROLES.map((r) => [r, r] as const)], 'none')) // prettier-ignore
  }
  if (draft.lockouts || draft.dualFuel) settings.push(...outdoorSettings(draft, d))
  if (has(d, 'Y'))
    settings.push(figure('minimumOff', 'Compressor minimum off', 'set', [0, 5], 'min', 5, 'minimumOff', 1))
  const timer: Mode = {
    id: 'timer',
    label:
      draft.timerPower === 'unknown' && self
        ? 'Compressor minimum-off timer (after a power loss assumed to start anew)'
        : 'Compressor minimum-off timer',
    states: [
      { id: 'ready', label: 'Ready' },
      { id: 'waiting', label: 'Still waiting', condition: 'waiting', reach: { call: COMPRESSOR_CALLS } },
    ],
    transitions: timerTransitions(
      'outY',
      { set: 'minimumOff', times: 60 },
      self ? 'self' : null,
      draft.timerPower === 'unknown' ? 'anew' : draft.timerPower,
    ),
  }
  const heats: When = {
    any: ['AUX', 'W2', 'E'].filter((id) => has(d, id)).map((id) => ({ closed: `out${id}` })),
  }
  const furnaceTimer: Mode = {
    id: 'furnaceTimer',
    label: 'Compressor delay after the furnace',
    states: [
      { id: 'ready', label: 'Ready' },
      {
        id: 'waiting',
        label: 'Furnace was on a short time ago',
        condition: 'waiting',
        reach: all(HOLDS_OFF, { call: HEAT_PUMP_CALLS }),
      },
    ],
    transitions: [
      { from: 'ready', to: 'waiting', when: { all: [HOLDS_OFF, heats] }, counts: 'ends' },
      {
        from: 'waiting',
        to: 'ready',
        when: { not: heats },
        after: { set: 'holdOff', times: 60 },
      },
    ],
  }
  return {
    ...d,
    terminals: d.terminals.map((t) =>
      ['X1', 'X2'].includes(t.id)
        ? { ...t, roleBy: { set: `is${t.id}`, roles: Object.fromEntries(STAR_ROLES.map((r) => [r, r])) } }
        : t,
    ),
    parts,
    settings,
    modes: has(d, 'Y') ? [timer, ...(draft.dualFuel ? [furnaceTimer] : [])] : [],
    calls: says.calls.map((call) => ({ call })),
    plate: { volts: 24, ...(draft.batteries ? { battery: true } : {}) },
  }
}
