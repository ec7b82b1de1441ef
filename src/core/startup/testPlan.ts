import { type Circuit, solve } from '../circuit'
import { circuitWith } from '../crossing'
import { hasTrait, isCooling, isHeatPumpHeating, type Call, type ModeCondition } from '../equipment'
import { makeRef, settingValue, type Installation, type JobSeen, type Placed } from '../installation'
import { callsOf, modesOf, regionsOf, stands, type Situation } from '../situation'
import type { Past } from '../time'
import { degF, type DegF } from '../units'
import { defrostStarts, having } from '../query'
import { BANDS } from './bands'
import { gateTest } from './gateTest'
import { runningBy, variantsOf, type Variants } from './knownWays'
import { callSteps } from './setpoint'
import {
  OUTDOOR_LOOKS,
  situationAt,
  TODAY,
  type Card,
  type TestCard,
  type TestStep,
  type Today,
} from './testCard'

/** s for which the call before counts as run, and for which a minimum-off test leaves it off. */
const RAN = 600
const OFF = 30

/**
 * The test run of a job on a day of this outdoor temperature: supplies first, then what needs no compressor, then the heat
 * pump in one run from stage to stage, then what drops it, cooling last: so that it is started as seldom as can be.
 * @param plates as they were read on site, which win over the devices' own
 */
export function testPlan(circuit: Circuit, outdoorF: DegF, plates: JobSeen['plates'] = {}): TestCard[] {
  const { inst } = circuit
  const calls = callsOf(inst).filter((c) => c !== 'off')
  const heating = calls.filter(isHeatPumpHeating)
  const [first] = heating
  const cards: Card[] = [
    {
      id: 'supply',
      kind: 'supply',
      situation: situationAt('off', outdoorF),
      steps: [{ kind: 'meterSupply' }],
      today: TODAY,
    },
    ...sensorCards(inst, outdoorF),
    ...['fan', 'emergency']
      .flatMap((c) => calls.filter((x) => x === c))
      .map((c) => callCard(inst, c, outdoorF)),
    ...heating.map((c) => callCard(inst, c, outdoorF)),
    ...defrostCards(inst, first, outdoorF),
    ...gateTest(circuit, heating, outdoorF),
    ...minimumOff(circuit, calls, outdoorF),
    ...eventCards(inst, calls, outdoorF),
    ...calls.filter(isCooling).map((c) => callCard(inst, c, outdoorF)),
    ...outdoorCards(inst, outdoorF),
  ]
  let before: Call = 'off'
  let started = false
  return cards.map((card): TestCard => {
    const { situation, moved = [] } = card
    const ways = variantsOf(circuitWith(circuit, moved))
    const own = ways.usual
    const past: Past = card.past ?? (before === 'off' ? [] : [{ call: before, seconds: RAN }])
    before = situation.call
    const expected = card.kind === 'leak' ? leakExpected(ways, situation) : expectedOf(ways, situation)
    const wants = card.kind === 'defrost' || card.kind === 'minimumOff'
    const today: Today =
      card.today.can && wants && expected && !runsCompressor(own, situation)
        ? { can: false, why: runsSomewhere(own, situation) ? 'heldOff' : 'neverRuns' }
        : card.today
    const starts = today.can && card.kind === 'call' && runsCompressor(own, situation)
    const first = starts && !started
    started ||= starts
    const tried = withCall(inst, card)
    const steps = [
      ...(first ? crankcase(inst, plates) : []),
      ...(runsCompressor(own, situation) ? tried : tried.flatMap(withoutDroop)),
      ...(starts ? forcedSpeed(inst, plates) : []),
    ]
    return { ...card, steps, moved, past, expected, today }
  })
}

/**
 * The steps of a card with those of its call. A gate's setting is moved with nothing called, and then it is called; an event
 * is met while the call stands. Other cards say themselves when to call. A thermostat's own output test is left out: it forces
 * outputs past the gate.
 */
function withCall(inst: Installation, { kind, steps, situation, today }: Card): TestStep[] {
  if (!today.can || situation.call === 'off') return [...steps]
  const calls = callSteps(inst, situation.call).filter((s) => s.kind !== 'installerTest')
  if (kind === 'gate') return [...steps, ...calls]
  return ['minimumOff', 'float', 'leak'].includes(kind) ? [...calls, ...steps] : [...steps]
}

/** With the compressor locked out it never runs alone: raising the setpoint brings on all heat there is. */
const withoutDroop = (step: TestStep): TestStep[] =>
  step.kind === 'backupComesToo'
    ? []
    : step.kind === 'setpoint' && step.limit?.passes === false
      ? [{ ...step, limit: null }]
      : [step]

const runsCompressor = (circuit: Circuit, situation: Situation): boolean => {
  const solved = solve(circuit, situation)
  return solved.ok && solved.running.some((l) => l.part.does?.what === 'compressor')
}
/** Whether it runs in this state at any outdoor temperature. */
const runsSomewhere = (circuit: Circuit, here: Situation): boolean =>
  regionsOf(circuit.inst).some((outdoorF) => runsCompressor(circuit, { ...here, outdoorF }))

const outdoorUnits = (inst: Installation): Placed[] => having(inst, 'compresses')

/** Before its first start a compressor needs hours of power on its crankcase heater. */
const crankcase = (inst: Installation, plates: JobSeen['plates']): TestStep[] =>
  outdoorUnits(inst).map((p) => ({
    kind: 'crankcase',
    at: makeRef(p.ref, ''),
    hours: plates[p.ref]?.crankcaseHours ?? p.device.plate.crankcaseHours ?? null,
  }))

const forcedSpeed = (inst: Installation, plates: JobSeen['plates']): TestStep[] =>
  outdoorUnits(inst)
    .filter((p) => plates[p.ref]?.inverter ?? p.device.plate.inverter)
    .map((p) => ({
      kind: 'forcedSpeed',
      at: makeRef(p.ref, ''),
      text: p.device.profile?.tests?.join(' ') ?? null,
    }))

/** Checks around an outdoor unit, without a call. */
const outdoorCards = (inst: Installation, outdoorF: DegF): Card[] =>
  outdoorUnits(inst).map((p) => ({
    id: `outdoors-${p.ref}`,
    kind: 'outdoors',
    at: makeRef(p.ref, ''),
    situation: situationAt('off', outdoorF),
    steps: OUTDOOR_LOOKS.map((what): TestStep => ({ kind: 'lookOutdoors', what })),
    today: TODAY,
    past: [],
  }))

/** Loads that run in a state, heat sources and compressors that do not, and loads that depend on an unknown. */
function expectedOf(ways: Variants, situation: Situation): TestCard['expected'] {
  const running = runningBy(ways, situation)
  if (!running) return null
  const { runs, open } = running
  const sources = ways.usual.net.loads.filter((l) =>
    ['compressor', 'strip', 'burner'].includes(l.part.does?.what ?? ''),
  )
  return {
    runs,
    open,
    stays: sources.map((l) => l.ref).filter((r) => !runs.includes(r) && !open.includes(r)),
  }
}

/** A leak test proves the blower on and the heat off: a humidifier that runs with the air is none of its business. */
function leakExpected(ways: Variants, situation: Situation): TestCard['expected'] {
  const expected = expectedOf(ways, situation)
  const moist = new Set(
    ways.usual.net.loads.filter((l) => l.part.does?.what === 'humidifier').map((l) => l.ref),
  )
  return expected && { ...expected, runs: expected.runs.filter((r) => !moist.has(r)) }
}

/** The refrigerant side is not tried in heating on a hot day for long, nor in cooling on a cold one at all. */
function weather(call: Call, outdoorF: DegF): Today {
  if (isCooling(call) && outdoorF < BANDS.coolTestLeastF)
    return { can: false, why: 'tooCold', untilF: BANDS.coolTestLeastF }
  if (isHeatPumpHeating(call)) return { can: true, brief: outdoorF > BANDS.heatTestMostF }
  return TODAY
}

const callCard = (inst: Installation, call: Call, outdoorF: DegF): Card => ({
  id: call,
  kind: 'call',
  situation: situationAt(call, outdoorF),
  steps: callSteps(inst, call),
  today: weather(call, outdoorF),
})

const sensorCards = (inst: Installation, outdoorF: DegF): Card[] =>
  inst.placed
    .filter((p) => hasTrait(p.device, 'sensesOutdoors') || feeds(p))
    .map((p) => ({
      id: `sensor-${p.ref}`,
      kind: 'sensor',
      at: makeRef(p.ref, ''),
      situation: situationAt('off', outdoorF),
      steps: [{ kind: 'compareSensor', at: makeRef(p.ref, '') }],
      today: TODAY,
    }))
/** Takes the outdoor temperature from a feed, which is a sensor as well. */
const feeds = (p: Placed): boolean => {
  const source = p.device.settings.find((s) => s.intent === 'outdoorSource')
  return source !== undefined && settingValue(p, source.id) === 'feed'
}

/** The state of a mode that means this, where it can stand in a call. */
function modesOfCondition(inst: Installation, condition: ModeCondition, here: Situation) {
  return modesOf(inst).flatMap((m) => {
    const state = m.mode.states.find((s) => s.condition === condition)
    return state && stands(inst, m, state.id, here) ? [{ ...m, state: state.id }] : []
  })
}

function defrostCards(inst: Installation, call: Call | undefined, outdoorF: DegF): Card[] {
  if (!call) return []
  // It can stand in cold weather only: what it does is looked at for a cold day, whatever today is.
  const cold = situationAt(call, degF(Math.min(outdoorF, BANDS.defrostMostF)))
  const isMild = outdoorF > BANDS.defrostMostF
  return modesOfCondition(inst, 'defrost', cold).flatMap(({ ref, placed, state }): Card[] => {
    const steps = callSteps(inst, call)
    // It is forced while the heat pump runs.
    const card = { kind: 'defrost', at: ref, past: [{ call, seconds: RAN }] } as const
    const inCold: Card = {
      ...card,
      id: `defrost-${placed.ref}`,
      situation: { ...cold, modes: { [ref]: state } },
      steps: forcingSteps(placed, steps, false),
      today: isMild ? { can: false, why: 'tooWarm', untilF: BANDS.defrostMostF } : TODAY,
    }
    const forced: Card = {
      ...card,
      id: `forced-${placed.ref}`,
      isForced: true,
      situation: situationAt(call, outdoorF, { [ref]: state }),
      steps: forcingSteps(placed, steps, true),
      today: weather(call, outdoorF),
    }
    return isMild ? [forced, inCold] : [inCold]
  })
}

/** Steps to force a defrost, by the way in which its board starts one. */
function forcingSteps(placed: Placed, calls: TestStep[], isMild: boolean): TestStep[] {
  const at = makeRef(placed.ref, '')
  if (defrostStarts(placed).has('demand'))
    return [...calls, { kind: 'boardDefrostTest', text: placed.device.profile?.tests?.join(' ') ?? null }]
  const interval = placed.device.settings.find((s) => s.intent === 'defrostInterval')
  const minutes = interval ? settingValue(placed, interval.id) : null
  const pins: TestStep = {
    kind: 'forceDefrost',
    speedUp: placed.device.plate.speedUp ?? null,
    minutes: typeof minutes === 'number' ? minutes : null,
  }
  return isMild
    ? [{ kind: 'jumperCoil', at }, ...calls, pins, { kind: 'jumperCoilOut', at }]
    : [...calls, pins]
}

/** Tried in a call that runs the compressor today; where none does, in the first that would on another day. */
function minimumOff(circuit: Circuit, calls: readonly Call[], outdoorF: DegF): Card[] {
  const asks = calls.filter((c) => isHeatPumpHeating(c) || (isCooling(c) && weather(c, outdoorF).can))
  const call = asks.find((c) => runsCompressor(circuit, situationAt(c, outdoorF))) ?? asks[0]
  if (!call) return []
  return [
    {
      id: 'minimumOff',
      kind: 'minimumOff',
      situation: situationAt(call, outdoorF),
      steps: [{ kind: 'callOffAndOn' }],
      today: weather(call, outdoorF),
      past: [
        { call, seconds: RAN },
        { call: 'off', seconds: OFF },
      ],
    },
  ]
}

/** A pan that fills, a leak that is reported. */
function eventCards(inst: Installation, calls: readonly Call[], outdoorF: DegF): Card[] {
  const cools = calls.find(isCooling)
  const heats = calls.find(isHeatPumpHeating)
  const call = (outdoorF >= BANDS.coolTestLeastF ? (cools ?? heats) : (heats ?? cools)) ?? 'off'
  const here = situationAt(call, outdoorF)
  const card = (kind: 'float' | 'leak', step: 'pour' | 'leakTest', condition: ModeCondition): Card[] =>
    modesOfCondition(inst, condition, here).map(({ ref, placed, state }) => ({
      id: `${kind}-${placed.ref}`,
      kind,
      at: makeRef(placed.ref, ''),
      situation: { ...here, modes: { [ref]: state } },
      steps: [{ kind: step, at: makeRef(placed.ref, '') }],
      today: weather(call, outdoorF),
    }))
  return [
    ...card('float', 'pour', 'water'),
    ...card('leak', 'leakTest', 'leak'),
    ...lowGasCards(inst, calls, outdoorF),
  ]
}

/** A low-gas switch is proved with the gas valve closed: nothing may try to light. */
function lowGasCards(inst: Installation, calls: readonly Call[], outdoorF: DegF): Card[] {
  const call = calls.find((c) => c === 'emergency') ?? calls.find((c) => c === 'heatAux1')
  if (!call) return []
  return modesOf(inst).flatMap(({ ref, placed, mode }): Card[] => {
    const state = mode.states.find((s) => s.condition === 'noGas')
    const has = placed.device.settings.some(
      (s) =>
        s.intent === 'gasSwitch' && !['none', null].includes(settingValue(placed, s.id) as string | null),
    )
    if (!state || !has) return []
    return [
      {
        id: `lowGas-${placed.ref}`,
        kind: 'lowGas',
        at: makeRef(placed.ref, ''),
        situation: situationAt(call, outdoorF, { [ref]: state.id }),
        steps: [{ kind: 'closeGas', at: makeRef(placed.ref, '') }],
        today: TODAY,
      },
    ]
  })
}
