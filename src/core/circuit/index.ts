export { Groups } from './groups'
export { impedanceBetween, shownBy } from './impedance'
export {
  across,
  GROUND,
  type Branch,
  type ContactBranch,
  type LoadBranch,
  type Netlist,
  type TransformerBranch,
} from './netlist'
export { ohmsBetween } from './ohms'
export { overcurrents, transformerAmps, type Overcurrent } from './overcurrent'
export { settled, solutionOf, solve, standsAt, type Solution, type Solved, type Unsolved } from './solution'
export { Circuit, type Outcome, type Settled } from './solver'
export { meterWithStrays } from './stray'
