import type { Case } from './cases'
import * as G from './gear'

/** Zone panels, oil, monitors, two circuits, sensors and settings: some right, some as people leave them. */
export const FURTHER_CASES: readonly Case[] = [
  {
    name: 'a zone panel as it should be',
    gear: G.ZONES,
    work: [],
    // Zone panel, boards, valve and sequencers ask for more than 40 VA in a defrost, as the plan says too.
    breaks: ['overloaded'],
    states: [['heatAux1 20', ['od.compressor', 'kit.row1', 'kit.row2', 'ah.blower'], []]],
    reasons: [['cool1 90 zp.air=hot', 'od.compressor', /air/i]],
  },
  {
    name: 'orange is not landed at the zone panel',
    gear: G.ZONES,
    work: ['lift tstat.OB=zp.Oz'],
    breaks: ['coolingHeats', 'overloaded'],
  },
  {
    name: 'an oil furnace behind relays, as it should be',
    gear: G.OIL,
    work: [],
    breaks: [],
    states: [
      ['heatAux1 30', ['fur.burnerLoad'], ['od.compressor']],
      ['heat1 30', ['od.compressor'], ['fur.burnerLoad']],
    ],
  },
  {
    name: 'a line monitor that holds the outdoor unit off',
    gear: G.MONITOR,
    work: [],
    breaks: [],
    reasons: [['heat1 40 m.line=holding', 'od.compressor', /line/i]],
  },
  {
    name: 'an ordinary thermostat on 24 V, and indoor and outdoor unit on their bus',
    gear: G.INVERTER_BUS,
    work: [],
    breaks: [],
    states: [
      ['heat1 30', ['od.compressor', 'ah.blowerLow'], ['kit.row1']],
      ['heatAux1 10', ['od.compressor', 'kit.row1', 'kit.row2'], []],
      ['emergency 10', ['kit.row1', 'kit.row2'], ['od.compressor']],
    ],
  },
  {
    name: 'the same, and yellow is off at the air handler',
    gear: G.INVERTER_BUS,
    work: ['lift tstat.Y=ah.Y'],
    breaks: ['busCallMissing'],
  },
  {
    name: 'the same, and the air handler is set to 24 V',
    gear: G.INVERTER_BUS,
    work: ['set ah.selector=24V'],
    // Nothing is said over the bus, and the outdoor unit listens to nothing else.
    breaks: ['24SetWiredBus', 'noCooling', 'noHeat', 'stageNever'],
  },
  {
    name: 'an outdoor thermostat in the first bank’s wire, and the second bank past it',
    gear: G.TWO_STAGE,
    work: [
      'place odt=sedge-t50 --where north --box',
      'lift tstat.AUX=ah.W1',
      'land tstat.AUX=odt.T1 odt.T2=ah.W1',
    ],
    // It does its work in the first: only the second has no gate. Emergency heat comes by the same AUX, and stops at it too.
    breaks: ['someBackupMissing'],
    warns: ['auxNoGate'],
    states: [
      ['heatAux2 55', ['od.compressor', 'kit.row2'], ['kit.row1']],
      ['heatAux2 20', ['od.compressor', 'kit.row1', 'kit.row2'], []],
    ],
  },
  {
    name: 'an outdoor thermostat in the compressor’s wire, and strips without a gate',
    gear: G.ONE_STAGE,
    work: ['place odt=sedge-t60 --where north --box', 'lift ah.Y=od.Y', 'land ah.Y=odt.COM odt.NC=od.Y'],
    breaks: ['noHeat'],
    warns: ['auxNoGate'],
    states: [['heatAux1 60', ['od.compressor', 'kit.row1'], []]],
  },
  {
    name: 'backup on the warm throw of an outdoor thermostat',
    gear: G.ONE_STAGE,
    work: [
      'place odt=sedge-t60 --where north --box',
      'lift tstat.AUX=ah.W1',
      'land tstat.AUX=odt.COM odt.NC=ah.W1 tstat.E=ah.W1',
      'set tstat.auxWithE=separate',
    ],
    breaks: ['auxAboveGate'],
    states: [
      ['heatAux1 20', ['od.compressor'], ['kit.row1']],
      ['heatAux1 60', ['od.compressor', 'kit.row1'], []],
    ],
  },
  {
    name: 'the kit’s lead for the blower is on a leg of the air handler',
    gear: G.ONE_STAGE,
    work: ['lift ah.BL=kit.BL', 'land ah.L1=kit.BL'],
    // Green runs the blower all the same: nothing is broken as long as it comes.
    breaks: [],
    warns: ['blowerLeadOff'],
    states: [['emergency 20', ['kit.row1', 'kit.row2', 'ah.blower'], []]],
  },
  {
    name: 'a kit on two circuits, one of them off',
    gear: G.TWO_CIRCUITS,
    work: [],
    breaks: [],
    states: [['heatAux1 20 feedB.breaker=off', ['kit.row1', 'kit.row2'], ['kit.row3']]],
    reasons: [['heatAux1 20 feedB.breaker=off', 'kit.row3', /second circuit.*off/i]],
  },
  {
    name: 'the board is set for a smaller kit than is plugged in',
    gear: G.TWO_CIRCUITS,
    work: ['set ah.kitSize=10'],
    breaks: ['kitOther'],
  },
  {
    name: 'the outdoor sensor’s conductors touch',
    gear: G.TWO_STAGE_SENSOR,
    work: ['set tstat.outdoorSource=wired', 'land os.S1=os.S2'],
    breaks: ['sensorShorted'],
  },
  {
    name: 'a furnace, and a thermostat set to heat pump with strips',
    gear: G.SENSOR_FUEL,
    work: ['set tstat.system=heatPump'],
    // It still keeps the two apart, as it was set for the furnace: what it lacks is the changeover.
    breaks: ['burnerNotSet', 'hotRestart'],
  },
  {
    name: 'dual fuel with a compressor lockout above its changeover: the furnace begins at the lockout',
    gear: G.SENSOR_FUEL,
    work: ['set tstat.useCompressorLockout=on tstat.compressorLockout=45'],
    breaks: [],
    states: [['heat1 40', ['fur.valve'], ['od.compressor']]],
  },
  {
    name: 'blue is not landed at the thermostat',
    gear: G.ONE_STAGE,
    work: ['lift tstat.C=ah.C'],
    breaks: [
      'noHeat',
      'noFan',
      'noCooling',
      'noBackup',
      'backupCallEmpty',
      'rowNever',
      'stageNever',
      'unpowered',
      'noPower',
    ],
  },
  {
    name: 'backup on a fault of the heat pump',
    gear: G.ONE_STAGE,
    work: ['set od.faultHeat=on'],
    breaks: [],
    states: [['heat1 30 od.board=lockout', ['kit.row1', 'kit.row2', 'ah.blower'], ['od.compressor']]],
  },
  {
    name: 'a lockout, and nothing that tells how cold it is',
    gear: G.TWO_STAGE,
    work: ['set tstat.useCompressorLockout=on tstat.compressorLockout=30'],
    breaks: ['lockoutNoSource'],
  },
  {
    name: 'a sensor that the plan lands and sets',
    gear: G.TWO_STAGE_SENSOR,
    work: [],
    breaks: [],
  },
  {
    name: 'a short minimum-off and an early range stop',
    gear: G.ONE_STAGE,
    work: ['set tstat.minimumOff=2 tstat.rangeHigh=70'],
    breaks: [],
    warns: ['minimumOffShort', 'stopBeforeTests'],
  },
  {
    name: 'red and blue are crossed at the outdoor unit',
    gear: G.ONE_STAGE,
    work: ['lift ah.R=od.R ah.C=od.C', 'land ah.R=od.C ah.C=od.R'],
    breaks: ['noHeat', 'noCooling', 'stageNever'],
    reasons: [['heat1 40', 'od.compressor', /R and C are crossed at the outdoor unit/]],
  },
  {
    name: 'red and blue are crossed at the outdoor unit, and the air handler has a board',
    gear: G.ONE_STAGE_BOARD,
    work: ['lift ah.R=od.R ah.C=od.C', 'land ah.R=od.C ah.C=od.R'],
    // What the unit's coils let through holds the air handler's Y input in, and its blower on, with nothing called.
    breaks: ['noHeat', 'noCooling', 'stageNever', 'blowerUncalled', 'weakCoil'],
  },
  {
    name: 'a humidifier as it should be',
    gear: G.HUMID,
    work: [],
    breaks: [],
  },
  {
    name: 'one stage, and Y and Y2 of the board are not joined',
    gear: G.ONE_STAGE_BOARD,
    work: ['lift ah.Y=ah.Y2'],
    breaks: ['oneStageOnLow'],
  },
  {
    name: 'devices that are known by what they do alone, strips',
    gear: G.PLAIN,
    work: [],
    breaks: [],
    warns: ['auxNoGate'],
    states: [['heatAux1 20', ['od.compressor', 'kit.row1', 'kit.row2', 'ah.blower'], []]],
  },
  {
    name: 'devices that are known by what they do alone, dual fuel without a sensor',
    gear: G.PLAIN_FUEL,
    work: ['lift tstat.S1=spl2.x'],
    breaks: ['sensorNotLanded'],
  },
  {
    name: 'no equipment ground at the outdoor unit',
    gear: G.ONE_STAGE,
    work: ['lift feedB.GND=od.GND'],
    breaks: ['noGround'],
  },
]
