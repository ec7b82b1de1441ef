import type { Installation } from '../installation'
import { firstWith, WIRING_PRACTICES, USUAL, type WiringPractice } from '../wiring'
import { planLanding } from './plan'

/**
 * The schools of a plan: what the technician chose, else what was put into the gear for nothing else, else what is usual.
 */
export const practiceFor = (inst: Installation, chosen: Partial<WiringPractice> = {}): WiringPractice => ({
  ...USUAL,
  fuel: firstWith(inst, 'switchesFuel') ? 'kit' : USUAL.fuel,
  ...chosen,
})

/** The schools of which another choice, the others standing as chosen, would change the plan for this gear. */
export function openPractices(inst: Installation, practice: WiringPractice): (keyof WiringPractice)[] {
  const told = (chosen: WiringPractice) => JSON.stringify(planLanding(inst, chosen))
  const now = told(practice)
  return (Object.keys(WIRING_PRACTICES) as (keyof WiringPractice)[]).filter((key) =>
    WIRING_PRACTICES[key].some(
      (choice) => choice !== practice[key] && told({ ...practice, [key]: choice }) !== now,
    ),
  )
}
