import type { Case } from './cases'
import * as G from './gear'

/** Dual fuel by temperature with its sensor, set as it should be. */
const FUEL_SET = 'set tstat.system=dualFuel tstat.outdoorSource=wired tstat.holdOff=5 tstat.backupSource=gas'

/** Conductors on the wrong end, one or two at a time: what follows from the wiring, worked out by hand. */
export const CROSSED_CASES: readonly Case[] = [
  {
    name: 'the float switch stands in the outdoor unit’s common: it stops the compressor all the same',
    gear: G.FLOAT,
    work: ['lift fl.T2=od.Y ah.Y=fl.T1 ah.C=od.C', 'land ah.Y=od.Y ah.C=fl.T1 fl.T2=od.C'],
    breaks: [],
    states: [
      ['cool1 90', ['od.compressor'], []],
      ['cool1 90 fl.water=high', [], ['od.compressor']],
    ],
  },
  {
    name: 'W1 and Y are joined at the air handler',
    gear: G.ONE_STAGE,
    work: ['land ah.Y=ah.W1'],
    // Y brings the strips in cooling and on a plain heating call; AUX brings the compressor in an emergency.
    breaks: ['heatUncalled', 'stripsUncalled', 'compressorInEmergency'],
    states: [
      ['cool1 90', ['od.compressor', 'kit.row1'], []],
      ['emergency 20', ['od.compressor', 'kit.row1'], []],
    ],
  },
  {
    name: 'blue and orange are crossed at the outdoor unit',
    gear: G.ONE_STAGE,
    work: ['lift ah.C=od.C ah.O=od.OB', 'land ah.C=od.OB ah.O=od.C'],
    // Its common hangs on O: R in cooling, and nothing in heating. The board's own load passes a few volts to the valve.
    breaks: ['noHeat', 'noCooling', 'stageNever', 'weakCoil'],
    states: [['heatAux1 20', ['kit.row1'], ['od.compressor']]],
    reasons: [
      ['cool1 85', 'od.compressor', /C and O are crossed/],
      ['heat1 40', 'od.compressor', /Air handler C goes to Outdoor unit O.B/],
    ],
  },
  {
    name: 'red and yellow are crossed at the outdoor unit',
    gear: G.ONE_STAGE,
    work: ['lift ah.R=od.R ah.Y=od.Y', 'land ah.R=od.Y ah.Y=od.R'],
    breaks: ['compressorUncalled', 'compressorNoBlower', 'compressorInEmergency', 'boardUnpowered'],
    states: [['off 50', ['od.compressor'], ['ah.blower']]],
  },
  {
    name: 'the sensor’s conductor is landed on R at the furnace',
    gear: G.SENSOR_FUEL,
    work: [FUEL_SET, 'lift tstat.S1=spl2.x', 'land tstat.S1=fur.R'],
    breaks: ['sensorElsewhere'],
  },
  {
    name: 'one conductor of the sensor ends at its splice',
    gear: G.SENSOR_FUEL,
    work: [FUEL_SET, 'lift spl2.x=os.S1'],
    breaks: ['sensorOpen'],
  },
  {
    name: 'the sensor’s conductors are crossed, and it does not care',
    gear: G.SENSOR_FUEL,
    work: [FUEL_SET, 'lift tstat.S1=spl2.x tstat.S2=spl3.x', 'land tstat.S1=spl3.x tstat.S2=spl2.x'],
    breaks: [],
  },
  {
    name: 'a zone panel’s Y lands on W1',
    gear: G.ZONES,
    work: ['lift zp.Y=ah.Y', 'land zp.Y=ah.W1'],
    breaks: ['noCooling', 'heatUncalled', 'stageNever'],
    states: [['cool1 85', ['kit.row1'], ['od.compressor']]],
    reasons: [
      [
        'heat1 40',
        'od.compressor',
        /No conductor leads from Zone panel Y to Air handler Y. The one that belongs there is on Air handler W1/,
      ],
    ],
  },
  {
    name: 'the leak sensor’s contact cuts the board’s R, and the compressor goes on',
    gear: G.LEAK,
    work: ['lift lk.T4=od.Y ah.R=od.R ah.Y=lk.T3', 'land lk.T4=od.R ah.Y=od.Y ah.R=lk.T3'],
    breaks: ['compressorInLeak'],
    states: [['cool1 85 lk.leak=alarm', ['od.compressor'], []]],
  },
  {
    name: 'the fossil fuel kit’s outputs are crossed at the furnace',
    gear: G.KIT_FUEL,
    work: [
      'set tstat.system=dualFuel tstat.inCharge=kit tstat.backupSource=gas',
      'lift fk.W=fur.W fk.Y=fur.Y',
      'land fk.W=fur.Y fk.Y=fur.W',
    ],
    breaks: ['noCooling', 'noBackup', 'backupCallEmpty', 'heatUncalled', 'compressorInEmergency'],
    states: [
      ['heat1 45', ['fur.valve'], ['od.compressor']],
      ['cool1 85', ['fur.valve'], ['od.compressor']],
    ],
  },
  {
    name: 'the interlock’s coil hangs on Y instead of W',
    gear: G.STAGE_FUEL,
    work: ['lift fur.W=rel.A1', 'land tstat.Y=rel.A1'],
    breaks: ['noHeat', 'noCooling', 'stageNever'],
    reasons: [['heat1 45', 'od.compressor', /Its coil has 2\d V/]],
  },
  {
    name: 'yellow of both stages is crossed at the thermostat',
    gear: G.TWO_STAGE,
    work: ['lift tstat.Y=ah.Y tstat.Y2=ah.Y2', 'land tstat.Y=ah.Y2 tstat.Y2=ah.Y'],
    breaks: ['noHeat', 'noCooling'],
    states: [
      ['heat1 45', [], ['od.compressor']],
      ['heat2 45', ['od.compressor'], []],
    ],
  },
  {
    name: 'the second bank’s conductor lands on Y2',
    gear: G.TWO_STAGE,
    work: ['lift tstat.W2=ah.W2', 'land tstat.W2=ah.Y2'],
    breaks: ['someBackupMissing', 'stageCallEmpty', 'rowNever'],
    warns: ['misled'],
  },
  {
    name: 'AUX lands on W2 alone, and W1 hears the defrost only',
    gear: G.ONE_STAGE,
    work: ['lift ah.W1=ah.W2 tstat.AUX=ah.W1', 'land tstat.AUX=ah.W2'],
    breaks: ['someBackupMissing'],
    // The outdoor unit's W is an output: what is missing leads to the air handler's own W1.
    reasons: [['heatAux1 20', 'kit.row1', /No conductor leads from Air handler W2 to Air handler W1/]],
  },
  {
    name: 'the zone panel’s W is not landed',
    gear: G.ZONES,
    work: ['lift zp.W=ah.W1'],
    breaks: ['noBackup', 'backupCallEmpty', 'overloaded'],
    reasons: [['heatAux1 20', 'kit.row1', /No conductor leads from Zone panel W to Air handler W1/]],
  },
  {
    name: 'a 15 A breaker on the outdoor unit, whose plate asks for 17.8 A',
    gear: G.ONE_STAGE,
    work: ['set feedB.breakerA=15'],
    // 13.6 A of compressor and 0.8 of fan: it holds, and not for long. Nothing is broken.
    breaks: [],
    warns: ['breakerUnderMca'],
  },
  {
    name: 'line and neutral are crossed at the furnace, which runs',
    gear: G.SENSOR_FUEL,
    work: [FUEL_SET, 'lift feedA.L1=fur.L1 feedA.N=fur.N', 'land feedA.L1=fur.N feedA.N=fur.L1'],
    breaks: ['neutralCrossed'],
    states: [['heat1 20', ['fur.valve'], []]],
  },
  {
    name: 'the air handler’s own line is off its kit',
    gear: G.ONE_STAGE,
    work: ['lift kit.L1=ah.L1'],
    breaks: [
      'noHeat',
      'noCooling',
      'noFan',
      'noBackup',
      'backupCallEmpty',
      'rowNever',
      'stageNever',
      'unpowered',
      'boardUnpowered',
    ],
    // The kit's interlock leads back to it, and waits for 24 V that this very transformer would give.
    reasons: [
      ['heat1 40', 'od.compressor', /No conductor leads from Strip kit L1 to Air handler L1/],
      ['heat1 40', 'ah.blower', /No conductor leads from Strip kit L1 to Air handler L1/],
    ],
  },
  {
    name: 'the outdoor unit has one leg twice',
    gear: G.ONE_STAGE,
    work: ['lift feedB.L2=od.L2', 'land feedB.L1=od.L2'],
    breaks: ['noHeat', 'noCooling', 'stageNever'],
    reasons: [
      [
        'heat1 40',
        'od.compressor',
        /to Outdoor unit L2. The one that belongs there is on Feed to outdoor unit L1/,
      ],
    ],
  },
  {
    name: 'red and green are crossed at the air handler',
    gear: G.ONE_STAGE,
    work: ['lift tstat.R=ah.R tstat.G=ah.G', 'land tstat.R=ah.G tstat.G=ah.R'],
    breaks: [
      'noHeat',
      'noCooling',
      'noFan',
      'noBackup',
      'backupCallEmpty',
      'rowNever',
      'stageNever',
      'unpowered',
    ],
    // Its own G relay would lead backwards to R, and has no power to close.
    reasons: [['heat1 40', 'od.compressor', /R and G are crossed at the air handler/]],
  },
  {
    name: 'red and white are crossed at the air handler',
    gear: G.ONE_STAGE,
    work: ['lift tstat.R=ah.R tstat.AUX=ah.W1', 'land tstat.R=ah.W1 tstat.AUX=ah.R'],
    breaks: [
      'noHeat',
      'noCooling',
      'noFan',
      'noBackup',
      'backupCallEmpty',
      'rowNever',
      'stageNever',
      'unpowered',
    ],
    reasons: [['heat1 40', 'od.compressor', /R and W1 are crossed at the air handler/]],
  },
  {
    name: 'orange and the second stage are crossed at the outdoor unit',
    gear: G.TWO_STAGE,
    work: ['lift ah.O=od.OB ah.Y2=od.Y2', 'land ah.O=od.Y2 ah.Y2=od.OB'],
    breaks: ['coolingHeats', 'heatingCools', 'lowSpeedInHigh', 'stageCallEmpty'],
    states: [['heat2 30', ['od.rvCoil'], []]],
  },
  {
    name: 'an outdoor thermostat in the compressor’s wire',
    gear: G.OUTDOOR_THERMOSTAT,
    work: ['lift od.P1=odt.T1 odt.T2=od.P2 ah.Y=od.Y', 'land od.P1=od.P2 ah.Y=odt.T1 odt.T2=od.Y'],
    breaks: ['noHeat', 'noCooling'],
    reasons: [['cool1 85', 'od.compressor', /85 °F outside; closes below 35 °F/]],
  },
  {
    name: 'an outdoor thermostat for the first row alone, and E on the second',
    gear: G.OUTDOOR_THERMOSTAT,
    work: ['lift ah.W1=ah.W2'],
    breaks: ['someBackupMissing', 'onlyInEmergency'],
    states: [['emergency 20', ['kit.row2'], ['kit.row1']]],
  },
]
