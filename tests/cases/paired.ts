import type { Case } from './cases'
import * as G from './gear'

/** Two things wrong at once, and what looks wrong and is right. */
export const PAIRED_CASES: readonly Case[] = [
  {
    name: 'neither green nor white is landed at the air handler',
    gear: G.ONE_STAGE,
    work: ['lift tstat.G=ah.G tstat.AUX=ah.W1'],
    breaks: ['noFan', 'compressorNoBlower', 'backupCallEmpty', 'noBackup'],
    states: [
      ['heatAux1 20', ['od.compressor'], ['ah.blower', 'kit.row1']],
      // The defrost output still reaches W1, and the kit's first relay the blower.
      ['heat1 30 od.board=defrost', ['kit.row1', 'kit.row2', 'ah.blower'], []],
    ],
  },
  {
    name: 'orange is not landed, and the thermostat says that the valve is energised in heating',
    gear: G.ONE_STAGE,
    work: ['lift tstat.OB=ah.O', 'set tstat.rvSense=heating'],
    breaks: ['coolingHeats', 'valveSense'],
    states: [
      ['cool1 85', ['od.compressor'], ['od.rvCoil']],
      ['heat1 40', ['od.compressor'], ['od.rvCoil']],
    ],
  },
  {
    name: 'neither the second stage nor the second bank arrives',
    gear: G.TWO_STAGE,
    work: ['lift ah.Y2=od.Y2 tstat.W2=ah.W2'],
    breaks: ['stageNever', 'stageCallEmpty', 'rowNever', 'someBackupMissing', 'stageNotLanded'],
    states: [['heatAux2 10', ['od.compressor', 'kit.row1'], ['od.stage2', 'kit.row2']]],
  },
  {
    name: 'neither the furnace’s W nor the outdoor unit’s Y is landed',
    gear: G.SENSOR_FUEL,
    work: [
      'set fur.fuel=natural fur.gasSwitch=none tstat.backupSource=gas',
      'lift tstat.AUX=fur.W fur.Y=od.Y',
    ],
    breaks: ['noHeat', 'noCooling', 'noBackup', 'backupCallEmpty', 'burnerNever', 'stageNever'],
    reasons: [
      ['heat1 20', 'fur.valve', /No conductor leads from Thermostat or controller AUX to Furnace W/],
      ['cool1 85', 'od.compressor', /No conductor leads from .*to Outdoor unit Y/],
    ],
  },
  {
    name: 'a jumper was left across the outdoor thermostat',
    gear: G.OUTDOOR_THERMOSTAT,
    work: ['land od.P1=od.P2'],
    breaks: ['auxAboveGate'],
    states: [['heatAux1 52', ['kit.row1', 'od.compressor'], []]],
  },
  {
    name: 'the interlock’s other contact, and green not landed',
    gear: G.STAGE_FUEL,
    work: ['lift rel.NC=ceat.T1 tstat.G=fur.G', 'land rel.NO=ceat.T1'],
    // Everything at once, and the relay's coil too: 42 VA of 40.
    breaks: ['heatAheadOfCoil', 'noHeat', 'noCooling', 'noFan', 'overloaded'],
    states: [['heatAux1 30', ['fur.valve', 'od.compressor'], []]],
    reasons: [
      [
        'heat1 45',
        'od.compressor',
        /to Coil-entering-air thermostat 1. The one that belongs there is on Relay NO/,
      ],
    ],
  },
  {
    name: 'the interlock’s coil has no return, and the defrost output is on the furnace',
    gear: G.STAGE_FUEL,
    work: ['lift rel.A2=fur.C', 'land fur.W=od.W'],
    breaks: ['heatAheadOfCoil', 'defrostBurns'],
    states: [['heatAux1 30', ['fur.valve', 'od.compressor'], []]],
  },
  {
    name: 'a second transformer for the heat side, Rc and Rh apart, as it should be',
    gear: G.TWO_STAGE,
    work: [
      'place x=sedge-x40 --where garage --box',
      'land --line',
      'lift tstat.Rc=tstat.Rh',
      'land x.R=tstat.Rh x.C=ah.C',
    ],
    breaks: [],
    states: [['heatAux2 10', ['od.compressor', 'kit.row1', 'kit.row2'], []]],
  },
  {
    name: 'a float switch whose two ends are crossed',
    gear: G.FLOAT,
    work: ['lift ah.Y=fl.T1 fl.T2=od.Y', 'land ah.Y=fl.T2 fl.T1=od.Y'],
    breaks: [],
    states: [
      ['cool1 90 fl.water=high', [], ['od.compressor']],
      ['cool1 90', ['od.compressor'], []],
    ],
  },
  {
    name: 'every common meets in one splice',
    gear: G.ONE_STAGE,
    work: [
      'lift ah.C=od.C tstat.C=ah.C',
      'place sp=splice --where garage',
      'land tstat.C=sp.x sp.x=od.C sp.x=ah.C',
    ],
    breaks: [],
    states: [['heatAux1 20', ['od.compressor', 'kit.row1'], []]],
  },
  {
    name: 'the second circuit of the kit has its legs crossed',
    gear: G.TWO_CIRCUITS,
    work: ['lift feedB.L1=kit.L3 feedB.L2=kit.L4', 'land feedB.L1=kit.L4 feedB.L2=kit.L3'],
    breaks: [],
  },
  {
    name: 'the second circuit of the kit has one leg twice',
    gear: G.TWO_CIRCUITS,
    work: ['lift feedB.L2=kit.L4', 'land feedB.L1=kit.L4'],
    breaks: ['rowNever', 'someBackupMissing'],
    reasons: [['emergency 20', 'kit.row3', /to Strip kit L4. The one that belongs there is on .* L1/]],
  },
  {
    name: 'a 25 A breaker on the second circuit of the kit: 20.8 A and a quarter more are 26',
    gear: G.TWO_CIRCUITS,
    work: ['set feedB.breakerA=25'],
    breaks: ['breakerUnderLoad'],
  },
  {
    name: 'a 50 A breaker on a kit of 40 A and its blower',
    gear: G.ONE_STAGE,
    work: ['set feedA.breakerA=50'],
    breaks: ['breakerUnderLoad'],
  },
  {
    name: 'a 60 A breaker on the outdoor unit, and the grounds of both circuits on one bar',
    gear: G.ONE_STAGE,
    work: ['set feedB.breakerA=60', 'land kit.GND=od.GND'],
    breaks: ['breakerOverMax'],
  },
  {
    name: 'a grounding conductor of 10 AWG beside 6 AWG, on 60 A, as it should be',
    gear: G.ONE_STAGE,
    work: ['lift feedA.GND=kit.GND', 'land feedA.GND=kit.GND --gauge 10'],
    breaks: [],
  },
  {
    name: 'yellow is not landed at a board that reads it: the blower waits for the same conductor',
    gear: G.TWO_STAGE,
    work: ['lift tstat.Y=ah.Y'],
    breaks: ['noHeat', 'noCooling', 'stageNever', 'stageCallEmpty'],
    reasons: [
      ['heat1 40', 'ah.blowerLow', /no conductor leads from Thermostat or controller Y1 to Air handler Y1/i],
      ['heat1 40', 'od.compressor', /no conductor leads from Thermostat or controller Y1 to Air handler Y1/i],
    ],
  },
  {
    name: 'the same, with a float switch between the board and the outdoor unit',
    gear: G.FLOAT_BOARD,
    work: ['lift tstat.Y=ah.Y'],
    breaks: ['noHeat', 'noCooling', 'stageNever'],
    reasons: [
      ['cool1 85', 'ah.blowerHigh', /no conductor leads from Thermostat or controller Y to Air handler Y1/i],
      ['cool1 85', 'od.compressor', /no conductor leads from Thermostat or controller Y to Air handler Y1/i],
    ],
  },
  {
    name: 'the conductor from the board to the float switch is missing',
    gear: G.FLOAT_BOARD,
    work: ['lift ah.Y=fl.T1'],
    breaks: ['noHeat', 'noCooling', 'stageNever'],
    reasons: [['cool1 85', 'od.compressor', /no conductor leads from Air handler Y1? to Float switch 1/i]],
  },
  {
    name: 'yellow does not come to the fossil fuel kit',
    gear: G.KIT_FUEL,
    work: ['lift tstat.Y=fk.Yin'],
    breaks: ['noHeat', 'noCooling', 'stageNever'],
    reasons: [
      ['heat1 45', 'od.compressor', /no conductor leads from Thermostat or controller Y to .*Y.?in/i],
    ],
  },
  {
    name: 'a packaged unit without its W1–W2 jumper',
    gear: G.PACKAGED,
    work: ['lift od.W1=od.W2'],
    breaks: ['rowNever', 'someBackupMissing'],
    states: [['emergency 20', ['od.row1'], ['od.row2']]],
  },
  {
    name: 'orange and white are crossed at a unit that is energised in heating',
    gear: G.B_UNIT,
    work: ['lift ah.O=od.B ah.W1=od.W', 'land ah.O=od.W ah.W1=od.B'],
    // The valve hears white alone: right with aux, wrong without.
    breaks: ['heatingCools'],
    warns: ['coldDefrost'],
    states: [
      ['heat1 40', ['od.compressor'], ['od.rvCoil', 'kit.row1']],
      ['heatAux1 20', ['od.compressor', 'od.rvCoil', 'kit.row1'], []],
    ],
  },
  {
    name: 'Y is spliced past the board, and green is not landed',
    gear: G.ONE_STAGE_BOARD,
    work: [
      'lift tstat.Y=ah.Y ah.Y=od.Y tstat.G=ah.G',
      'place sp=splice --where garage',
      'land tstat.Y=sp.x',
      'land sp.x=od.Y',
    ],
    breaks: ['compressorNoBlower', 'noFan'],
    states: [
      ['heat1 40', ['od.compressor'], ['ah.blowerLow', 'ah.blowerHigh', 'ah.blowerFan']],
      ['heatAux1 20', ['od.compressor', 'kit.row1', 'ah.blowerHeat'], []],
    ],
  },
  {
    name: 'E stands on the outdoor unit’s W-in, ahead of the outdoor thermostat',
    gear: G.OUTDOOR_THERMOSTAT,
    work: ['lift tstat.E=ah.W2', 'place sp=splice --where garage', 'land tstat.E=sp.x', 'land sp.x=od.WIN'],
    breaks: ['noBackup'],
    states: [
      ['emergency 52', [], ['kit.row1', 'kit.row2', 'od.compressor']],
      ['emergency 20', ['kit.row1', 'kit.row2'], ['od.compressor']],
    ],
    reasons: [['emergency 52', 'kit.row1', /52 °F outside; closes below 35 °F/]],
  },
  {
    name: 'the kit has no common',
    gear: G.ONE_STAGE,
    work: ['lift ah.C=kit.C'],
    breaks: ['noBackup', 'backupCallEmpty', 'rowNever'],
    states: [['heatAux1 20', ['od.compressor', 'ah.blower'], ['kit.row1', 'kit.row2']]],
    reasons: [['heatAux1 20', 'kit.row1', /Not wired|No conductor leads/]],
  },
  {
    name: 'one leg of the kit’s line is off, and the air handler’s with it',
    gear: G.ONE_STAGE,
    work: ['lift feedA.L2=kit.L2'],
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
  },
  {
    name: 'an electric furnace with orange spliced past it',
    gear: G.ELECTRIC_FURNACE,
    work: [
      'lift tstat.OB=fur.O fur.O=od.OB',
      'place sp=splice --where garage',
      'land tstat.OB=sp.x',
      'land sp.x=od.OB',
    ],
    breaks: [],
    states: [['cool1 85', ['od.compressor', 'od.rvCoil'], []]],
  },
]
