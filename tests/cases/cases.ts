import type { Ref } from '@/core/installation'
import * as G from './gear'

/** A job as somebody wired it, and the right answer: worked out from the wiring and the physics before any of it is run. */
export interface Case {
  name: string
  gear: readonly string[]
  /** What was done to the planned landing, in the words of the command line. */
  work: readonly string[]
  /** Codes of all that is broken (danger or wrong), and of nothing else. */
  breaks: readonly string[]
  /** Codes that must be among the warnings. */
  warns?: readonly string[]
  /** Some rule cannot be decided. */
  isOpen?: true
  /** "CALL °F [MODE=STATE …]": what runs and what does not. */
  states?: readonly [situation: string, runs: readonly Ref[], not: readonly Ref[]][]
  /** Why something does not run: the sentence under its chain. */
  reasons?: readonly [situation: string, load: Ref, said: RegExp][]
  /** What a command must print of it, and must not; in an option's value "_" stands for a space. */
  outputs?: readonly [command: string, says: readonly RegExp[], not?: readonly RegExp[]][]
}

export const CASES: readonly Case[] = [
  {
    name: 'red and blue are crossed at the thermostat',
    gear: G.ONE_STAGE,
    work: ['lift tstat.R=ah.R tstat.C=ah.C', 'land tstat.R=ah.C tstat.C=ah.R'],
    breaks: ['noHeat', 'noCooling', 'noFan', 'noBackup', 'backupCallEmpty', 'rowNever', 'stageNever'],
    states: [['heatAux1 20', [], ['od.compressor', 'kit.row1']]],
    reasons: [['heat1 20', 'od.compressor', /R and C are crossed/]],
  },
  {
    name: 'white goes to the outdoor unit’s W and nowhere else',
    gear: G.ONE_STAGE,
    work: [
      'lift tstat.AUX=ah.W1 ah.W1=od.W',
      'place sp=splice --where garage',
      'land tstat.AUX=sp.x',
      'land sp.x=od.W',
    ],
    breaks: ['backupCallEmpty', 'noBackup', 'rowNever'],
    warns: ['coldDefrost'],
    states: [['heatAux1 20', ['od.compressor'], ['kit.row1', 'kit.row2']]],
  },
  {
    name: 'Y and O are crossed at the outdoor unit',
    gear: G.ONE_STAGE,
    work: ['lift ah.Y=od.Y ah.O=od.OB', 'land ah.Y=od.OB ah.O=od.Y'],
    // While the thermostat's timer holds Y off, O alone starts the compressor, with the valve at rest.
    breaks: ['noHeat', 'coolingHeats'],
    states: [
      ['cool1 90', ['od.compressor'], []],
      ['heat1 40', [], ['od.compressor']],
    ],
  },
  {
    name: 'the outdoor unit has no common',
    gear: G.ONE_STAGE,
    work: ['lift ah.C=od.C'],
    breaks: ['noHeat', 'noCooling', 'boardUnpowered', 'stageNever'],
    reasons: [['heat1 47', 'od.compressor', /No conductor leads from Air handler C to Outdoor unit C/]],
  },
  {
    name: 'the outdoor board has no R',
    gear: G.ONE_STAGE,
    work: ['lift ah.R=od.R'],
    // This board passes Y to its contactor without power of its own; what it cannot do is defrost.
    breaks: ['boardUnpowered'],
  },
  {
    name: 'the float switch opens the thermostat’s R',
    gear: G.ONE_STAGE,
    work: ['place fl=sedge-fl1 --where garage --box', 'lift tstat.R=ah.R', 'land tstat.R=fl.T2 fl.T1=ah.R'],
    breaks: ['floatCutsThermostat'],
    states: [['cool1 90 fl.water=high', [], ['od.compressor']]],
  },
  {
    name: 'the float switch hangs there and nothing is on it',
    gear: G.ONE_STAGE,
    work: ['place fl=sedge-fl1 --where garage --box'],
    breaks: ['floatDoesNotStop'],
    states: [['cool1 90 fl.water=high', ['od.compressor'], []]],
  },
  {
    name: 'second stage reaches the air handler and not the outdoor unit',
    gear: G.TWO_STAGE,
    work: ['lift ah.Y2=od.Y2'],
    breaks: ['stageNever', 'stageCallEmpty'],
    states: [['heat2 30', ['od.compressor'], ['od.stage2']]],
  },
  {
    name: 'first and second stage are crossed at the outdoor unit',
    gear: G.TWO_STAGE,
    work: ['lift ah.Y=od.Y ah.Y2=od.Y2', 'land ah.Y=od.Y2 ah.Y2=od.Y'],
    breaks: ['noHeat', 'noCooling'],
    states: [
      ['heat1 40', [], ['od.compressor']],
      ['heat2 40', ['od.compressor', 'od.stage2'], []],
    ],
  },
  {
    name: 'the two backup banks are crossed: two rows alike, and no harm done',
    gear: G.TWO_STAGE,
    work: ['lift tstat.AUX=ah.W1 tstat.W2=ah.W2', 'land tstat.AUX=ah.W2 tstat.W2=ah.W1'],
    breaks: [],
    states: [['heatAux1 20', ['kit.row2'], ['kit.row1']]],
  },
  {
    name: 'a valve that is energised in heating, and a thermostat set to cooling',
    gear: G.B_UNIT,
    work: ['set tstat.rvSense=cooling'],
    breaks: ['coolingHeats', 'valveSense'],
  },
  {
    name: 'emergency heat goes by AUX, and AUX through the outdoor thermostat',
    gear: G.OUTDOOR_THERMOSTAT,
    work: ['lift tstat.E=ah.W2', 'set tstat.auxWithE=together'],
    breaks: ['noBackup'],
    states: [
      ['emergency 52', [], ['kit.row1', 'kit.row2']],
      ['emergency 20', ['kit.row1', 'kit.row2'], ['od.compressor']],
    ],
    reasons: [['emergency 52', 'kit.row1', /outdoor thermostat.*52 °F outside/i]],
  },
  {
    name: 'the defrost output joins the aux line ahead of the outdoor thermostat',
    gear: G.ONE_STAGE,
    work: [
      'place odt=sedge-t50 --where north --box',
      'lift tstat.AUX=ah.W1 ah.W1=od.W',
      'land tstat.AUX=odt.T1 odt.T2=ah.W1 od.W=odt.T1',
      'set tstat.auxWithE=separate',
      'land tstat.E=ah.W1',
    ],
    breaks: [],
    warns: ['coldDefrost'],
    states: [
      ['heat1 42 od.board=defrost', ['od.compressor'], ['kit.row1']],
      ['heat1 20 od.board=defrost', ['od.compressor', 'kit.row1'], []],
    ],
  },
  {
    name: 'heat pump and furnace are allowed together',
    gear: G.SENSOR_FUEL,
    work: ['set tstat.together=yes'],
    breaks: ['heatAheadOfCoil', 'togetherAhead'],
  },
  {
    name: 'dual fuel by temperature, and the sensor that is there is not set',
    gear: G.SENSOR_FUEL,
    work: ['set tstat.outdoorSource=none'],
    breaks: ['changeoverNoSource', 'sensorNotSet'],
  },
  {
    name: 'stage-driven with the defrost output on the furnace',
    gear: G.STAGE_FUEL,
    work: ['land od.W=fur.W'],
    // This board holds its W output without Y: the pair does not chatter.
    breaks: ['defrostBurns'],
  },
  {
    name: 'the coil-entering-air thermostat is jumped',
    gear: G.STAGE_FUEL,
    work: ['land ceat.T1=ceat.T2'],
    breaks: ['hotRestart'],
  },
  {
    name: 'the leak sensor does not stop the compressor',
    gear: G.LEAK,
    work: ['land lk.T3=lk.T4'],
    breaks: ['compressorInLeak'],
    states: [['heat1 30 lk.leak=alarm', ['od.compressor'], ['kit.row1']]],
  },
  {
    name: 'the leak sensor’s contact to the board is jumped',
    gear: G.LEAK,
    work: ['land lk.T1=lk.T2'],
    breaks: ['heatInLeak', 'noBlowerInLeak'],
    states: [['emergency 30 lk.leak=alarm', ['kit.row1'], ['od.compressor']]],
  },
  {
    name: 'a 208 V house with the transformer on its 240 V tap',
    gear: G.ONE_STAGE,
    work: ['set feedA.volts=208 feedB.volts=208'],
    breaks: ['tapTooHigh'],
  },
  {
    name: 'a 60 A breaker on the outdoor unit',
    gear: G.ONE_STAGE,
    work: ['set feedB.breakerA=60'],
    breaks: ['breakerOverMax'],
  },
  {
    name: 'a 40 A breaker on a kit of 40 A and its blower',
    gear: G.ONE_STAGE,
    work: ['set feedA.breakerA=40'],
    breaks: ['breakerUnderLoad', 'overRating'],
  },
  {
    name: 'an inverter wired for 24 V and set to its bus',
    gear: G.INVERTER,
    work: ['set od.selector=bus'],
    breaks: ['busSetWired24', 'noHeat', 'noCooling', 'stageNever'],
  },
  {
    name: 'a packaged unit whose E is set and landed nowhere',
    gear: G.PACKAGED,
    work: ['set tstat.auxWithE=separate'],
    breaks: ['eNotLanded', 'noBackup'],
  },
  {
    name: 'a thermostat’s B, its common, on the reversing valve',
    gear: G.B_COMMON,
    work: ['land tstat.B=ah.O'],
    breaks: ['overcurrent', 'noCooling'],
  },
  {
    name: 'the wet switch stands in the furnace’s W',
    gear: G.SENSOR_FUEL,
    work: [
      'place hum=sedge-h1 --where garage --box',
      'lift tstat.AUX=fur.W',
      'land hum.R=fur.R hum.C=fur.C tstat.AUX=hum.F1 hum.F2=fur.W',
    ],
    // The humidistat feeds F1 from R on every heating call: it lights the burner, beside the valve that it was made for.
    breaks: ['wetStopsHeat', 'heatAheadOfCoil', 'overloaded'],
  },
  {
    name: 'the W1–W2 jumper is missing',
    gear: G.ONE_STAGE,
    work: ['lift ah.W1=ah.W2'],
    breaks: ['rowNever', 'someBackupMissing'],
    reasons: [['heatAux1 20', 'kit.row2', /No conductor leads from Air handler W1 to Air handler W2/]],
  },
  {
    name: 'green is not landed at the air handler',
    gear: G.ONE_STAGE,
    work: ['lift tstat.G=ah.G'],
    breaks: ['compressorNoBlower', 'noFan'],
    states: [['emergency 20', ['kit.row1', 'ah.blower'], []]],
  },
  {
    name: 'Y is spliced past the air handler’s board',
    gear: G.ONE_STAGE_BOARD,
    work: [
      'lift tstat.Y=ah.Y ah.Y=od.Y',
      'place sp=splice --where garage',
      'land tstat.Y=sp.x',
      'land sp.x=od.Y',
    ],
    breaks: ['fanSpeedOnly'],
  },
  {
    name: 'Rc and Rh are not joined, and red is on Rh',
    gear: G.TWO_STAGE,
    work: ['lift tstat.Rc=tstat.Rh', 'lift tstat.Rc=ah.R', 'land tstat.Rh=ah.R'],
    // This thermostat lives on Rc: dead, it calls nothing.
    breaks: [
      'noHeat',
      'noFan',
      'noCooling',
      'noBackup',
      'backupCallEmpty',
      'rowNever',
      'stageNever',
      'stageCallEmpty',
      'unpowered',
    ],
    reasons: [['heat1 40', 'od.compressor', /No conductor leads from .*Rh to .*Rc/]],
  },
  {
    name: 'no common, and a thermostat that feeds itself through Y',
    gear: G.NO_COMMON,
    work: [],
    // Locked out, the board takes the contactor off Y, and what feeds the thermostat holds the board's input half on.
    breaks: ['weakCoil'],
  },
  {
    name: 'the fossil fuel kit and the thermostat both decide',
    gear: G.KIT_FUEL,
    work: ['set tstat.system=dualFuel tstat.inCharge=thermostat'],
    breaks: ['bothInCharge', 'changeoverNoSource'],
  },
  {
    name: 'backup locked out above 25 °F, the compressor below 35 °F',
    gear: G.TWO_STAGE_SENSOR,
    work: [
      'set tstat.outdoorSource=wired tstat.useCompressorLockout=on tstat.compressorLockout=35',
      'set tstat.useAuxLockout=on tstat.auxLockout=25',
    ],
    breaks: ['heatGap', 'noHeat'],
    states: [['heatAux1 30', [], ['od.compressor', 'kit.row1']]],
    reasons: [['heatAux1 30', 'od.compressor', /30 °F.*35/]],
  },
  {
    name: 'an electric furnace whose elements turn out to stand ahead of the coil',
    gear: G.ELECTRIC_FURNACE,
    work: ['set fur.coil=after'],
    breaks: ['heatAheadOfCoil'],
  },
  {
    name: 'green carries W and white carries G',
    gear: G.ONE_STAGE,
    work: [
      'lift tstat.AUX=ah.W1 tstat.G=ah.G',
      'land tstat.AUX=ah.W1 --colour green',
      'land tstat.G=ah.G --colour white',
    ],
    breaks: [],
  },
  {
    name: 'nobody has looked at any setting',
    gear: G.NOT_LOOKED_AT,
    work: [],
    breaks: [],
    isOpen: true,
  },
  {
    name: 'the second burner stage hangs on nothing',
    gear: G.TWO_STAGE_FURNACE,
    work: ['lift fur.W=fur.W2'],
    breaks: ['burnerNever'],
  },
]
