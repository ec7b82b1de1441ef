import type { Case } from './cases'
import * as G from './gear'

/** Two stages and two banks on a cable that is one conductor short, with a sender and receiver pair. */
const PAIR = [
  'place tstat=sorrel-h2 tx=sedge-d2s --where wall --box',
  'place ah=teasel-a5 kit=teasel-k3 rx=sedge-d2r --where garage --box',
  'place od=marram-t2 --where north --box',
  'cable tstat=ah --conductors 7',
  'cable ah=od --conductors 8',
  'land --line',
  'land --plan',
]
/** R C Y G O/B AUX on five conductors. */
const FIVE = G.ONE_STAGE.map((l) => l.replace('--conductors 10', '--conductors 5'))
const FIVE_BARE = G.NO_INTERLOCK.map((l) => l.replace('--conductors 10', '--conductors 5'))
const FIVE_RELAY = FIVE_BARE.flatMap((l) =>
  l === 'land --line' ? ['place rel=sedge-r1 --where garage --box', l] : [l],
)

/** Jobs whose answers were written down, from the wiring and the physics, before any of them was run. */
export const ANSWERED_CASES: readonly Case[] = [
  {
    name: 'the jumper of a strip test was left between R and W1',
    gear: G.ONE_STAGE,
    work: ['land ah.R=ah.W1'],
    breaks: ['heatUncalled', 'stripsUncalled'],
    states: [
      ['off 60', ['kit.row1', 'kit.row2', 'ah.blower'], ['od.compressor']],
      ['cool1 90', ['od.compressor', 'kit.row1'], []],
    ],
  },
  {
    name: 'a jumper was left between R and Y',
    gear: G.ONE_STAGE,
    work: ['land ah.R=ah.Y'],
    breaks: ['compressorUncalled', 'compressorNoBlower', 'compressorInEmergency'],
    states: [['off 60', ['od.compressor'], ['ah.blower', 'kit.row1']]],
  },
  {
    name: 'green is not landed, and the board starts its blower by Y and by W',
    gear: G.ONE_STAGE_BOARD,
    work: ['lift tstat.G=ah.G'],
    breaks: ['noFan'],
    states: [
      ['heat1 40', ['od.compressor', 'ah.blowerHigh'], []],
      ['fan 60', [], ['ah.blowerFan', 'ah.blowerLow']],
    ],
  },
  {
    name: 'orange lands on the outdoor unit’s W',
    gear: G.ONE_STAGE,
    work: ['lift ah.O=od.OB', 'land ah.O=od.W'],
    // In cooling O reaches W1 by the defrost conductor, and the valve rests in heating.
    breaks: ['coolingHeats', 'heatUncalled'],
    states: [['cool1 90', ['od.compressor', 'kit.row1', 'kit.row2'], ['od.rvCoil']]],
  },
  {
    name: 'the defrost output is not landed',
    gear: G.ONE_STAGE,
    work: ['lift ah.W1=od.W'],
    breaks: [],
    states: [['heat1 30 od.board=defrost', ['od.compressor', 'ah.blower'], ['kit.row1', 'od.fan']]],
  },
  {
    name: 'E is set as separate, and has no conductor',
    gear: G.ONE_STAGE,
    work: ['set tstat.auxWithE=separate'],
    breaks: ['eNotLanded', 'noBackup'],
    states: [
      ['emergency 20', [], ['kit.row1', 'kit.row2', 'od.compressor']],
      ['heatAux1 20', ['kit.row1', 'kit.row2', 'od.compressor'], []],
    ],
  },
  {
    name: 'the leak sensor’s own conductor to the board is off',
    gear: G.LEAK,
    work: ['lift lk.T2=ah.LK'],
    // The board takes it for an alarm: no heat of its own, blower always. The compressor's contact is another.
    breaks: ['backupCallEmpty', 'noBackup', 'rowNever', 'blowerUncalled'],
    states: [['heatAux1 20', ['od.compressor'], ['kit.row1']]],
  },
  {
    name: 'the float switch is jumped',
    gear: G.FLOAT,
    work: ['land fl.T1=fl.T2'],
    breaks: ['floatDoesNotStop'],
    states: [['cool1 90 fl.water=high', ['od.compressor'], []]],
  },
  {
    name: 'the line monitor is jumped',
    gear: G.MONITOR,
    work: ['land m.T1=m.T2'],
    breaks: ['monitorDoesNotStop'],
  },
  {
    name: 'the interlock’s coil has no return',
    gear: G.STAGE_FUEL,
    work: ['lift rel.A2=fur.C'],
    breaks: ['heatAheadOfCoil'],
    states: [['heatAux1 30', ['fur.valve', 'od.compressor'], []]],
  },
  {
    name: 'a sender and receiver pair as it should be',
    gear: PAIR,
    work: [],
    breaks: [],
    states: [
      ['cool2 90', ['od.compressor', 'od.stage2'], ['kit.row3']],
      ['emergency 20', ['kit.row1', 'kit.row2', 'kit.row3'], ['od.compressor']],
      ['heat2 20', ['od.compressor', 'od.stage2'], ['kit.row1', 'kit.row3']],
    ],
  },
  {
    name: 'the pair’s one conductor is off',
    gear: PAIR,
    work: ['lift tx.OUT=rx.IN'],
    // Y2 and G are on it; the board starts its blower by Y too.
    breaks: ['noFan', 'stageCallEmpty', 'stageNever'],
    states: [['heat2 20', ['od.compressor'], ['od.stage2']]],
  },
  {
    name: 'the pair’s two calls are crossed at the receiver',
    gear: PAIR,
    work: ['lift rx.OUT1=ah.Y2 rx.OUT2=ah.G', 'land rx.OUT1=ah.G rx.OUT2=ah.Y2'],
    // G is called with every call of the heat pump: its second stage runs from the first on.
    breaks: ['noFan', 'stageCallEmpty'],
    states: [
      ['heat1 40', ['od.compressor', 'od.stage2'], []],
      ['fan 60', [], ['od.compressor', 'ah.blowerFan']],
    ],
  },
  {
    name: 'five conductors, and a kit that starts the blower: G goes with Y',
    gear: FIVE,
    work: [],
    breaks: ['noFan'],
    states: [
      ['heat1 40', ['od.compressor', 'ah.blower'], []],
      ['emergency 20', ['kit.row1', 'ah.blower'], ['od.compressor']],
    ],
    outputs: [['plan', [/Tie G to Y at the indoor unit\. This gives up fan only\./]]],
  },
  {
    name: 'five conductors, and nothing but G starts the blower: backup goes without',
    gear: FIVE_BARE,
    work: [],
    // The rows still temper a defrost.
    breaks: ['backupCallEmpty', 'noBackup'],
    states: [['heatAux1 20', ['od.compressor', 'ah.blower'], ['kit.row1']]],
    outputs: [['plan', [/Not landed: W1/, /add a relay to the job/]]],
  },
  {
    name: 'the same, and a relay at the unit runs the blower',
    gear: FIVE_RELAY,
    work: [],
    breaks: ['noFan'],
    states: [
      ['heat1 40', ['od.compressor', 'ah.blower'], ['kit.row1']],
      ['emergency 20', ['kit.row1', 'ah.blower'], ['od.compressor']],
      ['cool1 90', ['od.compressor', 'ah.blower'], []],
    ],
    outputs: [['plan', [/COM on G, NC on Y, NO on R/]]],
  },
  {
    name: 'a valve that is energised in heating, and no conductor to it',
    gear: G.B_UNIT,
    work: ['lift ah.O=od.B'],
    breaks: ['heatingCools'],
    states: [
      ['heat1 40', ['od.compressor'], ['od.rvCoil']],
      ['cool1 90', ['od.compressor'], ['od.rvCoil']],
    ],
  },
  {
    name: 'a fuse link, a fault lockout and a limit, in a right job',
    gear: G.ONE_STAGE,
    work: [],
    breaks: [],
    warns: ['auxNoGate', 'faultHeatOff'],
    states: [
      ['heat1 30 od.board=lockout', ['ah.blower'], ['od.compressor', 'od.fan', 'kit.row1']],
      ['heatAux1 30 od.board=lockout', ['kit.row1', 'kit.row2'], ['od.compressor']],
    ],
    reasons: [
      ['heatAux1 20 kit.link2=open', 'kit.row2', /fuse link/i],
      ['emergency 20 kit.limit2=open', 'kit.row2', /limit/i],
    ],
  },
  {
    name: 'the transformer is on its 208 V tap in a 240 V house',
    gear: G.ONE_STAGE,
    work: ['set ah.tap=208'],
    // 240 / 208 of the volts are a third more volt-amperes: over the transformer's 40 in a defrost.
    breaks: ['tapTooLow', 'overloaded'],
  },
  {
    name: 'droop inside the differential, six starts an hour, two minutes of rest',
    gear: G.TWO_STAGE_SENSOR,
    work: [
      'set tstat.droop=1 tstat.stageDifferential=2 tstat.cyclesHeatPump=6 tstat.minimumOff=2 od.boardMinimumOff=2',
    ],
    breaks: [],
    warns: ['droopTight', 'cyclesCompressor', 'minimumOffShort'],
  },
  {
    name: 'one minute after it stopped, the compressor waits four more',
    gear: G.ONE_STAGE,
    work: [],
    breaks: [],
    outputs: [['wait --call heat1 --past heat1=600 --past off=60', [/Compressor.*4 min/]]],
  },
  {
    name: 'each row comes by its own sequencer',
    gear: G.ONE_STAGE,
    work: [],
    breaks: [],
    outputs: [['wait --call heatAux1', [/row 1.* 12 s/i, /row 2.* 24 s/i]]],
  },
  {
    name: 'a furnace’s burner and its blower',
    gear: G.SENSOR_FUEL,
    work: [],
    breaks: [],
    // Prepurge and trial take 33 s, the blower's on-delay 30 s more.
    outputs: [['wait --call heat1 --outdoor 30', [/burner.* 33 s/i, /Blower.* (63 s|1 min 3 s)/]]],
  },
  {
    name: 'ten minutes of hold-off after the furnace',
    gear: G.SENSOR_FUEL,
    work: ['set tstat.holdOff=10'],
    breaks: [],
    outputs: [['wait --call heat1 --outdoor 50 --past emergency=600', [/Compressor.*10 min/]]],
  },
  {
    name: 'the outdoor disconnect leaves 24 V at the outdoor unit',
    gear: G.ONE_STAGE,
    work: [],
    breaks: [],
    outputs: [['supplies', [/leaves 24 V on Outdoor unit R, Outdoor unit Y/]]],
  },
  {
    name: 'a 240 V kit on 208 V',
    gear: G.ONE_STAGE,
    work: ['set feedA.volts=208 feedB.volts=208 ah.tap=208'],
    breaks: [],
    // 4,800 · (208 / 240)² = 3,605 W a row; 2 · 17.33 A.
    outputs: [['kit', [/at 208 V: 7\.21 kW, 34\.7 A/]]],
  },
  {
    name: 'a gas meter clocked',
    gear: G.SENSOR_FUEL,
    work: [],
    breaks: [],
    // 3,600 · 2 · 1,030 / 90.
    outputs: [['kit --clock 2:90:1030', [/82,400 BTU\/h/]]],
  },
  {
    name: 'a gas furnace a mile high',
    gear: G.SENSOR_FUEL,
    work: ['set house.altitudeFt=5280'],
    breaks: [],
    // 80,000 · (1 − 0.04 · 5.28).
    outputs: [['kit', [/63,104 BTU\/h/]]],
  },
  {
    name: 'an oil nozzle at 140 psi',
    gear: G.OIL,
    work: [],
    breaks: [],
    // 0.65 · √1.4 · 138,500 = 106,519; the plate asks 105,000: 0.758 · /1.1832 = 0.64 gal/h.
    outputs: [['kit --nozzle 0.65:140', [/106,519 BTU\/h/, /0\.64 gal\/h at 140 psi/]]],
  },
  {
    name: 'which kit has two rows and draws 39.3 A at 236 V',
    gear: G.ONE_STAGE,
    work: [],
    breaks: [],
    // 39.3 · 240 / 236 = 40 A; 9.6 kW at 240 V.
    outputs: [['kit --which rows=2_amps=39.3_volts=236', [/9\.6 kW/]]],
  },
  {
    name: 'which kit has a label breaker of 60 A: a 10 kW kit or less',
    gear: G.ONE_STAGE,
    work: [],
    breaks: [],
    // 10 kW at 240 V: 41.7 A; a quarter more is 52.1, the next size 60.
    outputs: [['kit --which label=10_breaker=60', [/10 kW/]]],
  },
  {
    name: 'two conductors short: the pair, and one call for both banks',
    gear: PAIR.flatMap((l) => (/7$/.test(l) ? ['cable tstat=ah --conductors 6'] : [l])),
    work: [],
    breaks: [],
    states: [['emergency 20', ['kit.row1', 'kit.row3'], ['od.compressor']]],
    outputs: [['plan', [/pair/, /Jumper W1 to W2/], [/Tie G/]]],
  },
  {
    name: 'four degrees on a cold day: the compressor, then the rows',
    gear: G.ONE_STAGE,
    work: ['set house.designLoad=32000 house.designF=10'],
    breaks: [],
    // The wall is turned at 1:00; the sequencers close 12 and 24 s later.
    outputs: [
      ['run --scene raise4 --outdoor 25 --to 1h', [/1:00.*[Cc]ompressor/, /1:12.*row 1/i, /1:24.*row 2/i]],
    ],
  },
  {
    name: 'three minutes without power, and a timer that starts anew',
    gear: G.ONE_STAGE,
    work: ['set house.designLoad=32000 house.designF=10'],
    breaks: [],
    // Back at 24 min, and five more: 29.
    outputs: [
      [
        'run --scene own --outdoor 30 --to 1h --events 0:00_set_75;0:21_power_off;0:24_power_on',
        [/29:00.*[Cc]ompressor/],
      ],
    ],
  },
  {
    name: 'the fan is proved before emergency heat',
    gear: G.ONE_STAGE,
    work: [],
    breaks: [],
    outputs: [['startup --outdoor 60', [/Fan[^]*Emergency/]]],
  },
  {
    name: 'below its changeover nothing asks that the heat pump heat',
    gear: G.SENSOR_FUEL,
    work: [],
    breaks: [],
    outputs: [['startup --outdoor 25', [/[Ff]urnace|burner/], [/[Hh]eat pump alone/]]],
  },
  {
    name: 'half of a kit at one lead is no fault of the kit',
    gear: G.ONE_STAGE,
    work: [
      'read lineVolts 236 --at kit.L1 --call heatAux1 --outdoor 30',
      'read stripAmps 19.7 --at feedA --call heatAux1 --outdoor 30',
    ],
    breaks: [],
    outputs: [['judge', [/It is 1 of 2 rows: only one bank in the clamp\?/]]],
  },
  {
    name: 'a valve told the wrong way round costs the year its heat',
    gear: G.ONE_STAGE,
    work: ['set tstat.rvSense=heating house.designLoad=32000 house.designF=10 climate=mixed price.kwh=0.14'],
    breaks: ['valveSense', 'coolingHeats'],
    outputs: [['crossing', [/cools/]]],
  },
  {
    name: 'a float that cannot open is found only by test',
    gear: G.FLOAT,
    work: [],
    breaks: [],
    outputs: [['failures', [/found only by a test: Float switch/]]],
  },
  {
    name: 'a welded sequencer keeps its row on',
    gear: G.ONE_STAGE,
    work: [],
    breaks: [],
    outputs: [
      ['failures', [/Row 1 sequencer contact does not open\. Breaks: strips never heat without the blower/]],
    ],
  },
  {
    name: 'the kit’s harness is plugged in with its two inputs exchanged',
    gear: G.TWO_STAGE,
    work: ['lift ah.K1=kit.W1 ah.K2=kit.W2', 'land ah.K1=kit.W2 ah.K2=kit.W1'],
    breaks: [],
    warns: ['banksExchanged'],
    states: [['heatAux1 20', ['kit.row2'], ['kit.row1']]],
    outputs: [['plan', [/Swapped: Strip kit W[12] and Strip kit W[12]/]]],
  },
  {
    name: 'a coil-entering-air thermostat after the coil',
    gear: G.STAGE_FUEL,
    work: ['set ceat.position=after'],
    // It trips on the heat pump's own heat; through an idle coil the furnace's hot air opens it as well.
    breaks: ['airAfterCoil'],
    reasons: [['heat1 30 fur.air=hot', 'od.compressor', /coil-entering-air/i]],
  },
]
