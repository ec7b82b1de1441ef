/**
 * Every band that a reading is compared with and every limit of the test run, in one place, with unit and source. "Trade" is the
 * work's own rule of thumb; the plate and the maker's instructions win wherever they say something.
 */
export const BANDS = Object.freeze({
  /** Part of what the solved circuit gives at a terminal (trade: ±10 %). */
  terminalShare: 0.1,
  /** °F outdoors up to which the refrigerant side is tried in heating for as long as one likes (trade). */
  heatTestMostF: 75,
  /** °F outdoors from which it is tried in cooling (trade). */
  coolTestLeastF: 60,
  /** °F outdoors from which charge is read by subcooling or superheat (trade: or the maker's cold-weather method). */
  chargeLeastF: 65,
  /** °F outdoors up to which a coil gets cold enough for an honest defrost (trade: frost forms from about 45 °F down). */
  defrostMostF: 40,
  /** °F that a lockout is moved past the sensor's reading to be tried (trade: at least 5). */
  pastSensorF: 5,
  /** °F of ice water, and the least above it at which a switch in it closes for certain. */
  iceF: 32,
  iceMarginF: 2,
  iceDialMarginF: 5,
  /** °F up to which a cup of water stands in for a warm day. */
  bathMostF: 110,
  /** A up to which a motor that should stand still draws nothing (a clamp's own). */
  idleA: 0.5,
  /** Part of its rated amps below which a motor hardly works: a compressor that does not pump, a fan without its air. */
  lightShare: { compressor: 0.35, fan: 0.25, blower: 0.1 },
  /** Part of what the unit gives through its airflow by which the air may be warmed more or less (trade: ±15 %). */
  riseShare: 0.15,
  /** °F that return air must be above for a rise to mean anything (trade). */
  returnLeastF: 60,
  /** Δ°F across a cooling coil at normal humidity (trade: 16 to 22), and where it is worth another look. */
  coolDropF: { right: [16, 22], watch: [14, 24] },
  /** Δ°F below which two thermometers show no difference: nothing is on. */
  noDifferenceF: 2,
  /** in.w.c. that ductwork may have where the plate says nothing (trade: often 0.5), and where it is worth another look. */
  staticMost: 0.5,
  staticWatch: 0.8,
  /** CFM a ton (trade: 350 to 450), and the share beyond it that is worth another look. */
  cfmPerTon: [350, 450],
  cfmWatchShare: 0.1,
  /** in.w.c. up to which there is no pressure at the manifold at all. */
  noManifold: 0.3,
  /** Part of the least below which there is no air, and no input, at all: nothing runs. */
  noAirShare: 0.15,
  /** °F of a flue up to which nothing burns below it. */
  coldFlueF: 130,
  /** Part of it that a two-stage unit's low stage has at least (usual: its blower runs at about 70 %). */
  lowStageAir: 0.65,
  /** Part of the high speed's air that the low one usually moves. */
  usualLowAir: 0.7,
  /** in.w.c. at the manifold: ± about the plate's figure, and the range where the plate is not read (trade: 3.5; 10 to 11). */
  manifold: {
    plusMinus: 0.3,
    natural: { right: [3.2, 3.8], watch: [3.2, 3.8] },
    lp: { right: [10, 11], watch: [9.7, 11.3] },
  },
  /** in.w.c. at the inlet with all appliances firing, where the plate says nothing (usual). */
  inlet: { natural: [5, 10.5], lp: [11, 14] },
  /** Share by which a clocked input may differ from what the burner is meant to fire at its site. */
  inputShare: 0.05,
  /** °F of an oil furnace's flue where the plate says nothing (trade: about 350 to 450). */
  oilFlueF: [350, 450],
  /** ppm of CO, free of excess air (trade: at most 100; the plate and local rules win). */
  coMost: 100,
  /** Smoke spots of an oil burner (trade: at most 1). */
  smokeMost: 1,
  /** Part by which a nozzle's mark may stand off what its input needs: nozzles come in steps (usual). */
  nozzleShare: 0.08,
  /** Δ°F between return and coil-entering air while nothing heats between them (usual: two probes and a leaky return). */
  sameAirF: 3,
  /** in.w.c. over the fire (trade: −0.01 to −0.02). */
  draft: [-0.02, -0.01],
  /** psi of an oil pump where the plate says nothing, and the part by which it may stand off (trade: ±5 %). */
  pumpPsi: 100,
  pumpShare: 0.05,
  /** Δ°F about the plate's subcooling and superheat (trade: ±3 and ±5), and where it is worth another look. */
  subcoolingF: 3,
  superheatF: 5,
  chargeWatchTimes: 2,
  /** °F of a discharge line over outdoors in heating, at 40 to 65 °F and full stage (trade: 60 to 130); wrong over 225 °F. */
  dischargeOverF: [60, 130],
  dischargeAtF: [40, 65],
  dischargeMostF: 225,
  /** °F of the vapour line: hot in heating, cold in cooling (trade); between the two nothing is said for certain. */
  vapourHotF: 85,
  vapourColdF: 65,
  /** Δ°F across a reversing valve's suction side (usual): more leaks back through it. */
  valveF: { right: 3, watch: 8 },
  /** Minutes by which a defrost that ended by its cap may differ from it. */
  capMinutes: 0.3,
  /** °F at which a coil's thermostat usually opens, and ± (trade: 60 to 70, ±5). */
  coilOpensF: 65,
  switchF: 5,
  /** Tolerance of a board's thermistor against its table: about 4 °F. */
  thermistorShare: 0.1,
  /** Δ°F between an outdoor sensor and a thermometer in the shade (trade: ±2), and where it is worth another look. */
  sensorF: 2,
  sensorWatchF: 4,
  /** Part by which a capacitor may stand off its µF (trade: ±6 %). */
  capacitorShare: 0.06,
  /** °F about the set point at which a lockout drops in or out (trade: ±2); an outdoor thermostat's ±5. */
  lockoutF: 2,
  /** Part of what it shows by which a clamp may be off (usual): two of them are off together by its root of two. */
  clampShare: 0.02,
  /** Part of its rating within which a low-gas-pressure switch trips (trade: ±10 %). */
  lowGasShare: 0.1,
  /** oz by which a charge weighed in may differ (a scale's own), and the part of it that does no harm (usual). */
  chargeOz: 1,
  chargeShare: 0.05,
  /** microns that a vacuum must reach (usual), and where it is worth another look. */
  vacuumMost: 500,
  vacuumWatch: 1000,
  /** Part by which strip amps may change from year to year where nobody read the line volts on both days: they go with them. */
  driftWithoutVolts: 0.1,
} as const)
