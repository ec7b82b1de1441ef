/** Demand that a conductor carries: an output of a family belongs on an input of the same family. */
export type CallFamily = 'backup' | 'compressor' | 'secondStage' | 'fan' | 'valve'

interface RoleRow {
  family: CallFamily | null
  /** The call may pass a switch on its way: an outdoor thermostat, a float. A fan's or a valve's own wire passes none. */
  passesSwitch?: true
  /** Colors that custom gives it, the first choice first. */
  colours: readonly string[]
  /**
   * Order in which functions get conductors where a cable is short; absent: part of a safety or an interlock, which is first.
   * Without the first ones nothing heats or cools as it should. A sensor is last: it works without wires.
   */
  rank?: number
}

/** Every terminal role, in the trade's letters; in each family the first stage first. */
const ROLES = {
  R: { family: null, colours: ['red'], rank: 0 },
  C: { family: null, colours: ['blue', 'black'], rank: 1 },
  G: { family: 'fan', colours: ['green'], rank: 11 },
  Y1: { family: 'compressor', passesSwitch: true, colours: ['yellow'], rank: 3 },
  Y2: { family: 'secondStage', passesSwitch: true, colours: ['light blue', 'grey'], rank: 14 },
  O: { family: 'valve', colours: [], rank: 5 },
  B: { family: 'valve', colours: [], rank: 6 },
  OB: { family: 'valve', colours: ['orange'], rank: 4 },
  AUX: { family: 'backup', passesSwitch: true, colours: ['white', 'brown'], rank: 8 },
  W1: { family: 'backup', passesSwitch: true, colours: ['white'], rank: 7 },
  W2: { family: 'backup', passesSwitch: true, colours: ['brown', 'black'], rank: 12 },
  W3: { family: 'backup', passesSwitch: true, colours: [], rank: 13 },
  E: { family: 'backup', passesSwitch: true, colours: ['brown', 'black'], rank: 10 },
  L: { family: null, colours: [] },
  S: { family: null, colours: ['grey', 'purple', 'pink'], rank: 15 },
  switch: { family: null, colours: [] },
  splice: { family: null, colours: [] },
  line: { family: null, colours: [] },
  harness: { family: null, colours: [] },
  spare: { family: null, colours: [] },
  bus: { family: null, colours: [], rank: 2 },
  pair: { family: null, colours: [] },
  LEAK: { family: null, colours: [], rank: 9 },
  ground: { family: null, colours: [] },
  zoneR: { family: null, colours: [] },
  zoneC: { family: null, colours: [] },
  zoneY1: { family: 'compressor', passesSwitch: true, colours: [] },
  zoneG: { family: 'fan', colours: [] },
  zoneOB: { family: 'valve', colours: [] },
  zoneW1: { family: 'backup', passesSwitch: true, colours: [] },
} satisfies Record<string, RoleRow>

/** Purpose of a terminal. It decides suggestions and usual colors, never the solution. */
export type TerminalRole = keyof typeof ROLES
export const TERMINAL_ROLES = Object.keys(ROLES) as TerminalRole[]

export const roleRow = (role: TerminalRole): RoleRow => ROLES[role]

/** Roles that carry calls of a family, its first stage first. */
export const rolesOf = (family: CallFamily): TerminalRole[] =>
  TERMINAL_ROLES.filter((role) => ROLES[role].family === family)
