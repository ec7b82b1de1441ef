export { GROUND, netlistOf, type ContactBranch, type LoadBranch, type Netlist } from './netlist'
export {
  overcurrents,
  solve,
  transformerAmps,
  type Overcurrent,
  type Solution,
  type Solved,
  type Unsolved,
} from './solution'
export { across, Circuit, circuitOf, type Outcome, type Settled } from './solver'
