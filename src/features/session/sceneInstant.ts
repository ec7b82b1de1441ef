import { solutionOf, type Circuit, type Solved } from '@/core/circuit'
import type { Situation } from '@/core/situation'

/** An instant of a scene that is played: how the contacts stand, which no situation says. */
export interface SceneInstant {
  scene: string
  /** s. */
  at: number
  /** Events of a custom scene, as text. */
  own?: string
  situation: Situation
  /** 1 where a contact stands closed. */
  closed: Uint8Array
  /** 2 where a coil is in. */
  coils: Uint8Array
}

let instant: SceneInstant | null = null

/** The instant that the screen shows, while it shows one. */
export const sceneInstantOf = (situation: Situation): SceneInstant | null =>
  instant?.situation === situation ? instant : null

export function setSceneInstant(next: SceneInstant | null): void {
  instant = next
}

/** The circuit at that instant: every contact as it stands there, slow ones too. null: the screen shows none, or of another wiring. */
export function solvedAt(circuit: Circuit, situation: Situation): Solved | null {
  const now = sceneInstantOf(situation)
  if (now?.closed.length !== circuit.net.contacts.length) return null
  const outcome = circuit.settleWithContacts(situation, now.closed, now)
  return outcome.ok ? solutionOf(circuit, situation, outcome) : null
}
