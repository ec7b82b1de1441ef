import type { Installation } from '../installation'
import { first } from './kinds'
import { SCHOOLS, USUAL, type Schools } from './net'
import { planLanding } from './plan'

/**
 * The schools of a plan: what the technician chose, else what was put into the gear for nothing else, else what is usual.
 */
export const schoolsFor = (inst: Installation, chosen: Partial<Schools> = {}): Schools => ({
  ...USUAL,
  fuel: first(inst, 'fuelKit') ? 'kit' : USUAL.fuel,
  ...chosen,
})

/** The schools of which another choice, the others standing as chosen, would change the plan for this gear. */
export function schoolsThatMatter(inst: Installation, schools: Schools): (keyof Schools)[] {
  const told = (chosen: Schools) => JSON.stringify(planLanding(inst, chosen))
  const now = told(schools)
  return (Object.keys(SCHOOLS) as (keyof Schools)[]).filter((key) =>
    SCHOOLS[key].some((choice) => choice !== schools[key] && told({ ...schools, [key]: choice }) !== now),
  )
}
