/**
 * Every figure of the simulation that no plate and no measurement gives, in one place. Each is an estimate: what comes of
 * them orders choices (which pin, tempered or cold) and shows what follows what; it promises no minutes.
 */
export const ESTIMATES = Object.freeze({
  /** h: the heat that air and furniture hold for each BTU/h·°F of the house, and the walls and floors behind them. */
  airHours: 10,
  massHours: 40,
  /** The conductance from air to mass for each of the house's own. */
  airToMass: 8,
  /** BTU/°F that exchanger, strips and duct hold; BTU/h·°F by which they cool while no air moves. */
  ductBtuPerF: 12,
  stillBtuPerHourF: 60,
  /** CFM of a blower that nothing says more of, a ton. */
  cfmPerTon: 400,
  /** Part of full airflow at a fan's own speed and at a low stage's. */
  fanShare: 0.75,
  lowShare: 0.7,
  /** °F by which a clean coil stands below outdoors at its capacity at 47 °F. */
  splitF: 12,
  /** Part by which that grows as the coil frosts over. */
  splitGrowth: 0.8,
  /** Part of what blocks a coil at which no air goes through it any more, and no frost is added. */
  fullTimes: 1.5,
  /** lb of frost a ton that block a coil, and the capacity that is left. */
  blockLbPerTon: 3,
  blockedCapacity: 0.65,
  /** lb of air an hour over the outdoor coil, a ton; the part of its moisture over saturation that it leaves. */
  coilAirLbPerTon: 3600,
  coilLeaves: 0.6,
  /** Part of capacity at 47 °F that melts in a defrost, and BTU that a pound of frost takes. */
  meltShare: 0.6,
  btuPerLb: 144,
  /** BTU/°F of a coil with its refrigerant, a ton; BTU/h·°F that a fan which does not stop takes from it, a ton. */
  coilBtuPerFTon: 8,
  fanBtuPerFTon: 350,
  /** s in which a coil comes two thirds of the way to where it goes, running and standing. */
  coilRunS: 45,
  coilStillS: 400,
  /** s in which the air ahead of the coil follows a burner, and its heat when the burner is out. */
  aheadS: 40,
  /** Relative humidity outdoors where nobody gave a dew point. */
  humidity: 0.8,
  /**
   * s of full heat that each start of a compressor loses, by its Cd: at N calls an hour it is on for 900 s / (N·(1 − x)), so
   * that Cd · 900 / N takes the Cd · (1 − x) of the rating's part-load factor. N is 3, as it is rated.
   */
  startS: 900 / 3,
  /** Part of its most that an inverter gives at the least, where no rating says. */
  inverterLeast: 0.3,
  /** h within which an inverter makes up what the room lacks. */
  inverterHours: 0.75,
} as const)
