/** Demand that a conductor carries: an output of a family belongs on an input of the same family. */
export type CallFamily = 'backup' | 'compressor' | 'secondStage' | 'fan' | 'valve'

interface RoleRow {
  family?: CallFamily
  /** The call may pass a switch on its way: an outdoor thermostat, a float. A fan's or a valve's own wire passes none. */
  passesSwitch?: true
  /** Colors that custom gives it, the first choice first. */
  colours?: readonly string[]
  /**
   * Order in which functions get conductors where a cable is short; absent: part of a safety or an interlock, which is first.
   * Without the first ones nothing heats or cools as it should. A sensor is last: it works without wires.
   */
  rank?: number
}

/** Every terminal role, in the trade's letters; in each family the first stage first. */
const ROLES = {
  R: { colours: ['red'], rank: 0 },
  C: { colours: ['blue', 'black'], rank: 1 },
  G: { family: 'fan', colours: ['green'], rank: 11 },
  Y1: { family: 'compressor', passesSwitch: true, colours: ['yellow'], rank: 3 },
  Y2: { family: 'secondStage', passesSwitch: true, colours: ['light blue', 'grey'], rank: 14 },
  O: { family: 'valve', rank: 5 },
  B: { family: 'valve', rank: 6 },
  OB: { family: 'valve', colours: ['orange'], rank: 4 },
  AUX: { family: 'backup', passesSwitch: true, colours: ['white', 'brown'], rank: 8 },
  W1: { family: 'backup', passesSwitch: true, colours: ['white'], rank: 7 },
  W2: { family: 'backup', passesSwitch: true, colours: ['brown', 'black'], rank: 12 },
  W3: { family: 'backup', passesSwitch: true, rank: 13 },
  E: { family: 'backup', passesSwitch: true, colours: ['brown', 'black'], rank: 10 },
  L: {},
  S: { colours: ['grey', 'purple', 'pink'], rank: 15 },
  switch: {},
  splice: {},
  line: {},
  harness: {},
  spare: {},
  bus: { rank: 2 },
  pair: {},
  LEAK: { rank: 9 },
  ground: {},
  zoneR: {},
  zoneC: {},
  zoneY1: { family: 'compressor', passesSwitch: true },
  zoneG: { family: 'fan' },
  zoneOB: { family: 'valve' },
  zoneW1: { family: 'backup', passesSwitch: true },
} satisfies Record<string, RoleRow>

/** Purpose of a terminal. It decides suggestions and usual colors, never the solution. */
export type TerminalRole = keyof typeof ROLES
export const TERMINAL_ROLES = Object.keys(ROLES) as TerminalRole[]

export const roleRow = (role: TerminalRole): RoleRow => ROLES[role]

/** Roles that carry calls of a family, its first stage first. */
export const rolesOf = (family: CallFamily): TerminalRole[] =>
  TERMINAL_ROLES.filter((role) => roleRow(role).family === family)
