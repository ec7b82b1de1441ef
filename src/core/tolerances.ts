import { asOhms, degF } from './units'

/** Every tolerance and iteration cap of the core, with its meaning and unit. */
export const tolerances = Object.freeze({
  /** S. Leak of every node to earth (1 GΩ): stands for insulation and stray paths, and ties floating islands. */
  leakSiemens: 1e-9,
  /** Ω. A closed contact, screw terminal or crimp. */
  contactOhms: 0.005,
  /** Ω. Input impedance of an ordinary digital meter on AC volts. */
  meterOhms: asOhms(10e6),
  /** Hz. The service's frequency. */
  hertz: 60,
  /** F/ft between two conductors of a control cable: about 12 pF, as handbooks give for thermostat cable. */
  strayFaradsPerFoot: 12e-12,
  /** Ω. From here up an ohmmeter shows OL. */
  openOhms: asOhms(20e6),
  /** Ω. Input impedance of the same meter switched to its low-impedance range. */
  lowMeterOhms: asOhms(3e3),
  /** A, and V. Less than this through a contact, or across it, changes nothing by opening or closing it. */
  nothingA: 1e-5,
  nothingV: 1e-6,
  /** A. More than this in a conductor counts as current: more than leaks through an open triac's snubber, less than an input draws. */
  flowA: 2e-3,
  /** Combinations of modes that are tried in one call at one temperature, and states of a whole proof: half a minute's work. */
  mostCombinations: 16_384,
  mostStates: 1_000_000,
  /** Rounds of coil and contact settling before a circuit is declared to chatter. */
  settleRounds: 64,
  /** Instants of one run through time, and s within which two are one. */
  timeSteps: 100_000,
  sameInstant: 1e-6,
  /** V. From here up a 24 V terminal counts as live: coils must pull in at this or less. */
  liveVolts: 18,
  /** V. From here up two line-voltage points count as live. */
  liveLineVolts: 90,
  /** V. Up to here a line-voltage leg to ground counts as dead, on a low-impedance meter. */
  deadLegVolts: 2,
  /** V. Up to here a 24 V terminal counts as dead; between the two it is neither. */
  deadVolts: 3,
  /** Part of rated volts at which a load with no pull-in of its own counts as running. */
  runsAtShare: 0.7,
  /** Part of rated volts below which such a load counts as stopped. */
  stopsAtShare: 0.4,
  /** Part of a transformer's volt-amperes that may be drawn continuously. */
  overloadShare: 1.02,
  /** V. Rated volts up to which a load belongs to the control circuit. */
  lowVoltsMost: 30,
  /** Part of rated volts above which a control load that is not energised is neither on nor off. */
  weakShare: 0.25,
  /** A load that runs for hours counts a quarter more (NEC 424.4, 440). */
  continuousShare: 1.25,
  /** Part by which a plate's figure may differ from the sum of its parts: makers round. */
  plateShare: 0.025,
  /** CFM a ton that a heat pump's coil needs. */
  cfmPerTon: [350, 450] as readonly [number, number],
  /** Binary unknowns that are enumerated; with more, a rule is undecided (design: six). */
  unknownBits: 6,
  /** °F. The outdoor temperatures that a job is proven over. */
  coldestF: degF(-20),
  warmestF: degF(115),
  /** °F. Where the smallest witness is sought from: the milder rating point. */
  mildF: degF(47),
})
