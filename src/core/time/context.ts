import {
  feltCause,
  type Felt,
  type TransitionContext,
  type Truth,
  type Unknowable,
  type Value,
} from '../equipment'
import type { Counter } from './counter'
import type { ModeCause } from './trace'
import type { World } from './world'
import type { Circuit, Settled } from '../circuit'
import { type Installation, makeRef, settingIn, type Placed, type Ref } from '../installation'
import { stands, type PlacedMode, evalContextOf, type Situation } from '../situation'
import { degF } from '../units'
import { entry } from './entry'
import type { Slot } from './counter'

/** Present state of a run, as its devices see it. */
export interface View {
  situation: () => Situation
  state: () => Settled | null
  slots: ReadonlyMap<Ref, Slot>
  feels: (placed: Placed, what: Felt) => Unknowable<number>
}

/** Context of a device's transitions: made once, and read at every instant. */
export function contextFor(circuit: Circuit, placed: Placed, view: View): TransitionContext {
  const { inst, net } = circuit
  const settings = new Map<string, Unknowable<Value>>()
  const loads = new Map(net.loads.map((l, i) => [l.ref, i]))
  const contacts = new Map(net.contacts.map((c, i) => [c.ref, i]))
  const plains = new Map<Situation, ReturnType<typeof evalContextOf>>()
  const at = (of: Uint8Array | undefined, i: number | undefined, is: number): Truth =>
    i !== undefined && of?.[i] === is ? 'yes' : 'no'
  const plain = () => {
    const situation = view.situation()
    return entry(plains, situation, () => evalContextOf(inst, placed, situation))
  }
  return {
    get call() {
      return view.situation().call
    },
    get outdoorF() {
      return view.situation().outdoorF
    },
    setting: (id) => entry(settings, id, () => settingIn(inst, placed, id)),
    // Its own state also where it does not show.
    mode: (id) => view.slots.get(makeRef(placed.ref, id))?.state ?? '',
    condition: (m) => plain().condition(m),
    memory: (id) => plain().memory(id),
    energised: (id) => at(view.state()?.coils, loads.get(makeRef(placed.ref, id)), 2),
    closed: (id) => at(view.state()?.closed, contacts.get(makeRef(placed.ref, id)), 1),
    feels: (what) => view.feels(placed, what),
  }
}

/** The temperature that let a transition go, with what is wrong where it is felt; null: none did. */
export function causeOf(
  { felt, transition }: Pick<Counter, 'felt' | 'transition'>,
  context: TransitionContext,
  world: World | undefined,
): ModeCause | null {
  const cause = felt && transition.when ? feltCause(transition.when, context) : null
  return cause && { ...cause, site: world?.misfeels?.(cause.feels) ?? null }
}

/** °F outdoors at which any board may defrost. */
const FROSTS_F = degF(30)

/**
 * Whether a mode's state shows: where it can stand. A defrost that a stuck switch, a jumper or a forced test brings shows in
 * any weather: what it does is what it does in the cold.
 */
export function shows(inst: Installation, mode: PlacedMode, state: string, at: Situation): boolean {
  if (stands(inst, mode, state, at)) return true
  const isDefrost = mode.mode.states.some((s) => s.id === state && s.condition === 'defrost')
  return isDefrost && stands(inst, mode, state, { ...at, outdoorF: FROSTS_F })
}
