import { type Call, type Device, type Value } from '@/core/equipment'
import { Circuit } from '@/core/circuit'
import { crossingView } from '@/core/crossing'
import type { Installation, JobSeen } from '@/core/installation'
import { planLanding, USUAL } from '@/core/plan'
import { jobFindings, prove } from '@/core/rules'
import { callsOf, modesOf } from '@/core/situation'
import { sceneInput, simulate, winterOf, type Scene } from '@/core/simulation'
import { waitsFor, type Past } from '@/core/time'
import { degF } from '@/core/units'
import { demoSeen } from './seen'

/** One thing that Gate Cross works out of a job, as a text that is the same when the answer is. */
export type Observer = (inst: Installation) => string

const TEMPERATURES = [-12, 4, 12, 18, 27, 34, 37, 42, 47, 52, 57, 62, 67, 72, 90].map(degF)

/** Which contacts are closed in each call, at each temperature, with each mode away from normal by itself. */
const contacts: Observer = (inst) => {
  const circuit = new Circuit(inst)
  const away = modesOf(inst).flatMap(({ ref, mode }) => mode.states.slice(1).map((s) => ({ [ref]: s.id })))
  return ['off' as Call, ...callsOf(inst)]
    .flatMap((call) =>
      TEMPERATURES.flatMap((outdoorF) =>
        [{}, ...away].map((modes) => {
          const settled = circuit.settle({ call, outdoorF, modes })
          return settled.ok ? settled.closed.join('') : 'chatter'
        }),
      ),
    )
    .join()
}

const seenOf = (inst: Installation, more: Partial<JobSeen> = {}): JobSeen => {
  const burns = inst.placed.some((p) =>
    p.device.parts.some((x) => x.kind === 'load' && x.does?.what === 'burner'),
  )
  return { ...demoSeen(burns ? 'tallow-mill' : 'pennywort-close'), inst, plates: {}, ...more }
}

/** What rules about settings and plates find, before the start-up and of an owner who sleeps by day. */
const findings: Observer = (inst) =>
  JSON.stringify(
    [{ tested: false, staticInWc: 0.45 }, { answers: { sleepsByDay: 'yes' } }].map((more) =>
      jobFindings(seenOf(inst, more)),
    ),
  )

/** A call after what came before it: a timer that a call, its end or the power starts shows in one of these. */
const CHANGES: readonly [past: Past, call: Call][] = [
  [[], 'heatAux1'],
  [[{ call: 'off', seconds: 3600 }], 'heat1'],
  [[{ call: 'heat1', seconds: 1800 }, { call: 'off', seconds: 60 }], 'heat1'],
  [[{ call: 'emergency', seconds: 1800 }], 'heat1'],
  [[{ call: 'heatAux1', seconds: 1800 }], 'off'],
  [[{ call: 'cool1', seconds: 1800 }], 'off'],
] // prettier-ignore
const waits: Observer = (inst) => {
  const circuit = new Circuit(inst)
  const offered = ['off', ...callsOf(inst)]
  const list = CHANGES.filter(([past, call]) =>
    [call, ...past.map((p) => p.call)].every((c) => offered.includes(c)),
  )
  return JSON.stringify(
    list.map(([past, call]) => waitsFor(circuit, call, { call, outdoorF: degF(47), modes: {} }, past).waits),
  )
}

const scene =
  (name: Scene, outdoorF?: number): Observer =>
  (inst) => {
    const circuit = new Circuit(inst)
    const { steps } = simulate(circuit, seenOf(inst), sceneInput(seenOf(inst), name, { outdoorF }))
    return JSON.stringify(steps.map((s) => [Math.round(s.at), s.running]))
  }

const plan: Observer = (inst) => {
  const { wires, unmet, short } = planLanding(inst, USUAL)
  return JSON.stringify([wires, unmet, short])
}
const year: Observer = (inst) => {
  const { gates: _, ...view } = crossingView(seenOf(inst), new Circuit(inst)) as unknown as Record<
    string,
    unknown
  >
  return JSON.stringify(view)
}
const winter =
  (habit: 'steady' | 'setback'): Observer =>
  (inst) =>
    JSON.stringify(winterOf(seenOf(inst), new Circuit(inst), { days: 6, habit })?.sums)
const proof: Observer = (inst) => JSON.stringify(prove(inst).findings)

/** Everything, the cheap first. */
export const OBSERVERS = {
  findings,
  contacts,
  scene4: scene('raise4', 20),
  scene1: scene('raise1'),
  powerOff: scene('powerOff'),
  plan,
  fog: scene('fog34'),
  recovery: scene('recovery'),
  waits,
  year,
  setback: winter('setback'),
  proof,
} as const satisfies Record<string, Observer>
export type ObserverName = keyof typeof OBSERVERS

/**
 * The values that a setting is moved to: every option that claims to do something, or the ends of a figure's range. First
 * the default, which the others are compared with.
 */
export function valuesOf(device: Device, id: string): Value[] {
  const s = device.settings.find((x) => x.id === id)
  if (!s) throw new Error(`${device.id} has no ${id}`)
  const all = s.options ? s.options.filter((o) => !o.inert).map((o) => o.id) : (s.range ?? [])
  return [s.default, ...all.filter((v) => v !== s.default)]
}

/** The job with values for every setting that has one of these intents. */
export const withIntents = (inst: Installation, intents: Readonly<Record<string, Value>>): Installation => ({
  ...inst,
  placed: inst.placed.map((p) => ({
    ...p,
    settings: {
      ...p.settings,
      ...Object.fromEntries(
        p.device.settings.flatMap((s) => {
          const value = s.intent && intents[s.intent]
          const fits = value !== undefined && (!s.options || s.options.some((o) => o.id === value))
          return fits ? [[s.id, value]] : []
        }),
      ),
    },
  })),
})
