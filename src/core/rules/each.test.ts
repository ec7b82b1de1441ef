import { demoInstallation } from '../../../tests/helpers/demo'
import { as, bus, job } from '../../../tests/helpers/jobFixtures'
import { joined } from '../../../tests/helpers/ruleFixtures'
import { Circuit, type Outcome } from '../circuit'
import type { Call, ModeCondition, Plate } from '../equipment'
import type { Installation } from '../installation'
import { targetsOf } from '../query'
import { degF } from '../units'
import { blank, type Facts } from './facts'
import { RULES } from '.'
import type { StateRule, StateSeen } from './rule'

const strips = demoInstallation('quillfeather-lane')
const gas = demoInstallation('tallow-mill')
const oil = demoInstallation('candlemaker-yard')
const packaged = demoInstallation('dovecote-lane')
const inFurnace = demoInstallation('tansy-street')
const leaky = demoInstallation('osier-walk')

const plated = (inst: Installation, ref: string, plate: Plate) =>
  as(inst, ref, (p) => ({ ...p, device: { ...p.device, plate: { ...p.device.plate, ...plate } } }))
const drawing = plated(leaky, 'od', { drawsDownLeak: true })
/** The defrost output landed on the furnace, and a maker who lets his temper a defrost. */
const onFurnace = joined(gas, 'od.W', 'fur.W')
const tempering = plated(onFurnace, 'fur', { temperDefrost: true })

interface Case {
  inst?: Installation
  call?: Call
  outdoorF?: number
  modes?: Record<string, string>
  abnormal?: number
  conditions?: ModeCondition[]
  facts?: Partial<Facts>
  /** Contacts that are closed. */
  closed?: string[]
  /** V between any two points, live or dead. */
  volts?: number
  /** What the circuit of the job says where a rule asks it. */
  ofJob?: unknown
}

const LEAKY = [{ ref: 'odt', gateF: 40, acts: true, leaks: new Set(['kit.row1']) }]
const NOTHING = blank({ ok: true } as Outcome)

/** What a rule says of one state, given as facts: each code at its place, the graver ones by themselves. */
function says(id: string, c: Case): string {
  const rule = RULES.find((r) => r.id === id) as StateRule<string, string>
  const inst = c.inst ?? strips
  const state = {
    inst,
    situation: { call: c.call ?? 'off', outdoorF: degF(c.outdoorF ?? 45), modes: c.modes ?? {} },
    abnormalCount: c.abnormal ?? c.conditions?.length ?? 0,
    conditions: new Set(c.conditions ?? []),
    facts: { ...NOTHING, ...c.facts },
    targets: targetsOf(inst),
    closed: (at: string) => c.closed?.includes(at) ?? false,
    volts: () => c.volts ?? 0,
    metered: () => c.volts ?? 0,
    ofJob: (work: (circuit: Circuit) => unknown) => ('ofJob' in c ? c.ofJob : work(new Circuit(inst))),
  } as unknown as StateSeen
  const found = rule.each(state)
  const list = !found ? [] : 'code' in found ? [found] : found
  return list.map((f) => [f.code, f.at, ...(f.also ?? []), ...(f.numbers ?? []), f.severity].filter((x) => x !== undefined).join(' ')).join('; ')
} // prettier-ignore

const HP: Partial<Facts> = { compressor: 'od.compressor', blower: true }
const heldOffFrom = (f: number) =>
  job('pennywort-close', {
    'tstat.outdoorSource': 'feed',
    'tstat.useAuxLockout': 'on',
    'tstat.auxLockout': f,
  })
const ROWS: Partial<Facts> = { stripsOn: ['kit.row1', 'kit.row2'], blower: true }
const OFF: Partial<Facts> = { stripsOff: ['kit.row1', 'kit.row2'] }
const COOLS = { at: 'od.rvCoil', position: 'cooling' } as const
const HEATS = { at: 'od.rvCoil', position: 'heating' } as const
const over = (amps: number, limitA: number, loadA: number) => ({ ref: 'feedA.pole1', amps, limitA, loadA }) as unknown as Facts['over'][number] // prettier-ignore

/** The rule and a code of it, the state, and what is said. */
const TABLE: [string, string, Case, string][] = [
  ['noShort', 'overRating', { facts: { over: [over(41, 40, 41)] } }, 'overRating feedA.pole1 41 40'],
  ['noShort', 'overRating: less than twice is too much', { facts: { over: [over(79, 40, 1)] } }, 'overRating feedA.pole1 79 40'],
  ['noShort', 'overcurrent from twice on', { facts: { over: [over(80, 40, 1)] } }, 'overcurrent feedA.pole1 80 40'],
  ['noShort', 'overRating where the loads draw it', { facts: { over: [over(80, 40, 73)] } }, 'overRating feedA.pole1 80 40'],
  ['noShort', 'overcurrent where they draw less', { facts: { over: [over(80, 40, 72)] } }, 'overcurrent feedA.pole1 80 40'],
  ['noShort', 'overcurrent: the worst of several by its share', { facts: { over: [over(50, 40, 1), over(18, 3, 1), over(60, 40, 1)] } }, 'overcurrent feedA.pole1 18 3'],
  ['noShort', 'beyondList: a contact that no load opens', { facts: { over: [{ ...over(0.41, 0.4, 1), ref: 'od.outW' }] } as never }, 'beyondList od.outW 0.41 0.4'],
  ['noShort', 'nothing', {}, ''],
  ['transformerLoad', 'overloaded', { facts: { overloaded: [{ ref: 'ah.xfmr', va: 53, ratedVa: 40 }] } }, 'overloaded ah.xfmr 53 40'],
  ['transformerLoad', 'overloaded beside too much load', { facts: { overloaded: [{ ref: 'ah.xfmr', va: 53, ratedVa: 40 }], over: [over(41, 40, 41)] } }, 'overloaded ah.xfmr 53 40'],
  ['transformerLoad', 'the worst of several by its share', { facts: { overloaded: [{ ref: 'x.xfmr', va: 109, ratedVa: 50 }, { ref: 'ah.xfmr', va: 100, ratedVa: 40 }, { ref: 'y.xfmr', va: 90, ratedVa: 40 }] } }, 'overloaded ah.xfmr 100 40'],
  ['transformerLoad', 'not beside a short', { facts: { overloaded: [{ ref: 'ah.xfmr', va: 53, ratedVa: 40 }], over: [over(41, 40, 41), over(18, 3, 1)] } }, ''],
  ['transformerLoad', 'nothing', {}, ''],
  ['coilVolts', 'weakCoil: the one with the most', { facts: { weak: [{ ref: 'a.x', volts: 9, needs: 18 }, { ref: 'b.x', volts: 15, needs: 17 }, { ref: 'c.x', volts: 12, needs: 18 }] } }, 'weakCoil b.x 15 17'],
  ['coilVolts', 'not beside a short', { facts: { weak: [{ ref: 'a.x', volts: 9, needs: 18 }], over: [over(18, 3, 1)] } }, ''],
  ['coilVolts', 'nothing', {}, ''],
  ['boardsPowered', 'boardUnpowered', { facts: { deadBoards: ['od.logic', 'ah.logic'] } }, 'boardUnpowered od.logic; boardUnpowered ah.logic'],
  ['boardsPowered', 'while something is called it is another matter', { call: 'fan', facts: { deadBoards: ['od.logic'] } }, ''],
  ['boardsPowered', 'while something is off', { abnormal: 1, facts: { deadBoards: ['od.logic'] } }, ''],
  ['boardsPowered', 'while it does not settle', { facts: { settled: false, deadBoards: ['od.logic'] } }, ''],
  ['thermostatPowered', 'unpowered', { facts: { unpowered: ['tstat.self'] } }, 'unpowered tstat.self'],
  ['thermostatPowered', 'not while called', { call: 'heat1', facts: { unpowered: ['tstat.self'] } }, ''],
  ['thermostatPowered', 'not with a breaker off', { abnormal: 1, facts: { unpowered: ['tstat.self'] } }, ''],
  ['thermostatPowered', 'floatCutsThermostat', { call: 'cool1', conditions: ['water'], facts: { unpowered: ['tstat.self'] } }, 'floatCutsThermostat tstat.self'],
  ['thermostatPowered', 'not with more amiss', { abnormal: 2, conditions: ['water'], facts: { unpowered: ['tstat.self'] } }, ''],
  ['thermostatPowered', 'not while it does not settle', { facts: { settled: false, unpowered: ['tstat.self'] } }, ''],
  ['thermostatPowered', 'nothing', {}, ''],
  ['compressorNeedsBlower', 'compressorNoBlower', { facts: { compressor: 'od.compressor' } }, 'compressorNoBlower od.compressor'],
  ['compressorNeedsBlower', 'with it', { facts: HP }, ''],
  ['compressorNeedsBlower', 'compressorNoBlower in a defrost, without a setting that says so', { conditions: ['defrost'], facts: { compressor: 'od.compressor' } }, 'compressorNoBlower od.compressor'],
  ['compressorNeedsBlower', 'a fan that may rest in defrost', { inst: bus({ 'tstat.fanInDefrost': 'off' }), conditions: ['defrost'], facts: { compressor: 'od.compressor' } }, ''],
  ['compressorNeedsBlower', 'compressorNoBlower: not beside strips', { inst: bus({ 'tstat.fanInDefrost': 'off' }), conditions: ['defrost'], facts: { compressor: 'od.compressor', stripsOn: ['kit.row1'] } }, 'compressorNoBlower od.compressor'],
  ['compressorNeedsBlower', 'compressorNoBlower: nor out of defrost', { inst: bus({ 'tstat.fanInDefrost': 'off' }), facts: { compressor: 'od.compressor' } }, 'compressorNoBlower od.compressor'],
  ['burnerNeedsBlower', 'burnerNoBlower', { inst: gas, facts: { burnersOn: ['fur.valve', 'fur.valve2'] } }, 'burnerNoBlower fur.valve'],
  ['burnerNeedsBlower', 'within its delay', { inst: gas, conditions: ['blowerDelay'], facts: { burnersOn: ['fur.valve'] } }, ''],
  ['burnerNeedsBlower', 'with it', { inst: gas, facts: { burnersOn: ['fur.valve'], blower: true } }, ''],
  ['stripsNeedBlower', 'stripsNoBlower', { facts: { stripsOn: ['kit.row2', 'kit.row1'] } }, 'stripsNoBlower kit.row2'],
  ['stripsNeedBlower', 'within its delay', { conditions: ['blowerDelay'], facts: { stripsOn: ['kit.row2'] } }, ''],
  ['stripsNeedBlower', 'with it', { facts: ROWS }, ''],
  ['stripsNeedBlower', 'nothing', {}, ''],
  ['coolRuns', 'noCooling', { call: 'cool1', outdoorF: 85 }, 'noCooling od.compressor'],
  ['coolRuns', 'noCooling at the mild point', { call: 'cool2', outdoorF: 47 }, 'noCooling od.compressor'],
  ['coolRuns', 'not in the cold', { call: 'cool1', outdoorF: 46 }, ''],
  ['coolRuns', 'not in another call', { call: 'heat1', outdoorF: 85 }, ''],
  ['coolRuns', 'not with something amiss', { call: 'cool1', outdoorF: 85, abnormal: 1 }, ''],
  ['coolRuns', 'not while it does not settle', { call: 'cool1', outdoorF: 85, facts: { settled: false } }, ''],
  ['coolRuns', 'it runs', { call: 'cool1', outdoorF: 85, facts: HP }, ''],
  ['fanRuns', 'noFan', { call: 'fan' }, 'noFan ah.blower'],
  ['fanRuns', 'not in another call', { call: 'cool1' }, ''],
  ['fanRuns', 'not with something amiss', { call: 'fan', abnormal: 1 }, ''],
  ['fanRuns', 'not while it does not settle', { call: 'fan', facts: { settled: false } }, ''],
  ['fanRuns', 'it runs', { call: 'fan', facts: { blower: true } }, ''],
  ['emergencyHeat', 'noBackup', { call: 'emergency', facts: OFF }, 'noBackup kit.row1'],
  ['emergencyHeat', 'someBackupMissing', { call: 'emergency', facts: { stripsOn: ['kit.row1'], stripsOff: ['kit.row2'] } }, 'someBackupMissing kit.row2'],
  ['emergencyHeat', 'all of it', { call: 'emergency', facts: ROWS }, ''],
  ['emergencyHeat', 'compressorInEmergency', { call: 'emergency', facts: { ...ROWS, ...HP } }, 'compressorInEmergency od.compressor'],
  ['emergencyHeat', 'compressorInEmergency with something amiss, too', { call: 'emergency', abnormal: 2, facts: { ...OFF, ...HP } }, 'compressorInEmergency od.compressor'],
  ['emergencyHeat', 'compressorInEmergency and noBackup', { call: 'emergency', facts: { ...OFF, ...HP } }, 'compressorInEmergency od.compressor; noBackup kit.row1'],
  ['emergencyHeat', 'a row that something holds off', { call: 'emergency', abnormal: 1, facts: OFF }, ''],
  ['emergencyHeat', 'not in another call', { call: 'heatAux1', facts: OFF }, ''],
  ['emergencyHeat', 'not while it does not settle', { call: 'emergency', facts: { ...OFF, settled: false } }, ''],
  ['emergencyHeat', 'the first of a burner is enough', { inst: gas, call: 'emergency', facts: { burnersOn: ['fur.valve'], burnersOff: ['fur.valve2'] } }, ''],
  ['emergencyHeat', 'noBackup of a burner', { inst: gas, call: 'emergency', facts: { burnersOff: ['fur.valve', 'fur.valve2'] } }, 'noBackup fur.valve'],
  ['someHeat', 'noHeat', { call: 'heat1', facts: OFF, ofJob: { heatPump: [], backup: [] } }, 'noHeat od.compressor'],
  ['someHeat', 'noHeat on a call for backup', { call: 'heatAux1', facts: OFF, ofJob: { heatPump: [], backup: [] } }, 'noHeat kit.row1'],
  ['someHeat', 'noHeat where the call goes to backup', { call: 'heat1', facts: OFF, closed: ['t.w'], ofJob: { heatPump: ['t.y'], backup: ['t.w'] } }, 'noHeat kit.row1'],
  ['someHeat', 'noHeat where it goes to both', { call: 'heat1', facts: OFF, closed: ['t.w', 't.y'], ofJob: { heatPump: ['t.y'], backup: ['t.w'] } }, 'noHeat od.compressor'],
  ['someHeat', 'noHeat of a burner', { inst: gas, call: 'heatAux2', facts: { burnersOff: ['fur.valve'] }, ofJob: { heatPump: [], backup: [] } }, 'noHeat fur.valve'],
  ['someHeat', 'the heat pump', { call: 'heat1', facts: { ...OFF, ...HP } }, ''],
  ['someHeat', 'strips', { call: 'heat1', facts: ROWS }, ''],
  ['someHeat', 'a burner', { call: 'heat1', facts: { burnersOn: ['fur.valve'] } }, ''],
  ['someHeat', 'not in emergency heat', { call: 'emergency', facts: OFF }, ''],
  ['someHeat', 'not with something amiss', { call: 'heat1', abnormal: 1, facts: OFF }, ''],
  ['someHeat', 'not while it does not settle', { call: 'heat1', facts: { ...OFF, settled: false } }, ''],
  ['valveRight', 'coolingHeats', { call: 'cool1', facts: { ...HP, valve: HEATS } }, 'coolingHeats od.rvCoil'],
  ['valveRight', 'heatingCools', { call: 'heat2', facts: { ...HP, valve: COOLS } }, 'heatingCools od.rvCoil'],
  ['valveRight', 'defrostHeats', { call: 'heat1', conditions: ['defrost'], facts: { ...HP, valve: HEATS } }, 'defrostHeats od.rvCoil'],
  ['valveRight', 'a board without power defrosts nothing', { call: 'heat1', conditions: ['defrost'], facts: { ...HP, valve: HEATS, deadBoards: ['od.logic'] } }, ''],
  ['valveRight', 'cooling', { call: 'cool1', facts: { ...HP, valve: COOLS } }, ''],
  ['valveRight', 'heating', { call: 'heat1', facts: { ...HP, valve: HEATS } }, ''],
  ['valveRight', 'defrosting', { call: 'heat1', conditions: ['defrost'], facts: { ...HP, valve: COOLS } }, ''],
  ['valveRight', 'in a call that wants neither', { call: 'fan', facts: { ...HP, valve: HEATS } }, ''],
  ['valveRight', 'while the compressor rests', { call: 'cool1', facts: { valve: HEATS } }, ''],
  ['valveRight', 'whose sense is not known', { call: 'cool1', facts: HP }, ''],
  ['quietUncalled', 'heatUncalled', { call: 'cool1', facts: ROWS }, 'heatUncalled kit.row1'],
  ['quietUncalled', 'heatUncalled: a burner first', { inst: gas, call: 'fan', facts: { ...ROWS, burnersOn: ['fur.valve'] } }, 'heatUncalled fur.valve'],
  ['quietUncalled', 'in emergency heat it is called', { call: 'emergency', facts: ROWS }, ''],
  ['quietUncalled', 'stripsUncalled', { call: 'heat1', facts: { ...ROWS, ...HP } }, 'stripsUncalled kit.row1'],
  ['quietUncalled', 'stripsUncalled in the second stage', { call: 'heat2', facts: { ...ROWS, ...HP } }, 'stripsUncalled kit.row1'],
  ['quietUncalled', 'on a call for backup they are called', { call: 'heatAux1', facts: { ...ROWS, ...HP } }, ''],
  ['quietUncalled', 'without the heat pump they stand in for it', { call: 'heat1', facts: ROWS }, ''],
  ['quietUncalled', 'compressorUncalled', { call: 'fan', facts: HP }, 'compressorUncalled od.compressor'],
  ['quietUncalled', 'compressorUncalled, and no word of the blower', { facts: { ...HP, running: ['ah.blower'] } }, 'compressorUncalled od.compressor'],
  ['quietUncalled', 'in emergency heat it is another rule’s', { call: 'emergency', facts: HP }, ''],
  ['quietUncalled', 'blowerUncalled', { facts: { blower: true, running: ['ah.blower'] } }, 'blowerUncalled ah.blower'],
  ['quietUncalled', 'a blower that is called', { call: 'fan', facts: { blower: true, running: ['ah.blower'] } }, ''],
  ['quietUncalled', 'humidifierUncalled', { inst: leaky, facts: { running: ['hum.valve'] } }, 'humidifierUncalled hum.valve'],
  ['quietUncalled', 'a humidifier in a call', { inst: leaky, call: 'heat1', facts: { running: ['hum.valve'] } }, ''],
  ['quietUncalled', 'not with something amiss', { call: 'cool1', abnormal: 1, facts: ROWS }, ''],
  ['quietUncalled', 'not while it does not settle', { call: 'cool1', facts: { ...ROWS, settled: false } }, ''],
  ['heatAheadOfCoil', 'heatAheadOfCoil', { inst: gas, facts: { ...HP, heatAhead: ['fur.valve', 'fur.valve2'] } }, 'heatAheadOfCoil fur.valve'],
  ['heatAheadOfCoil', 'the furnace alone', { inst: gas, facts: { heatAhead: ['fur.valve'] } }, ''],
  ['heatAheadOfCoil', 'the heat pump alone', { inst: gas, facts: HP }, ''],
  ['heatAheadOfCoil', 'heatAheadOfCoil in a defrost that its maker lets nobody temper', { inst: gas, conditions: ['defrost'], facts: { ...HP, heatAhead: ['fur.valve'], valve: COOLS } }, 'heatAheadOfCoil fur.valve'],
  ['hotCoil', 'hotRestart', { inst: gas, conditions: ['hotCoil'], facts: HP, ofJob: true }, 'hotRestart od.compressor'],
  ['hotCoil', 'hotRestartSeldom', { inst: gas, conditions: ['hotCoil'], facts: HP, ofJob: false }, 'hotRestartSeldom od.compressor warn'],
  ['hotCoil', 'a coil that has cooled', { inst: gas, facts: HP, ofJob: true }, ''],
  ['hotCoil', 'a compressor that waits', { inst: gas, conditions: ['hotCoil'], ofJob: true }, ''],
  ['leakStopsHeat', 'heatInLeak', { inst: leaky, conditions: ['leak'], facts: ROWS }, 'heatInLeak kit.row1'],
  ['leakStopsHeat', 'compressorInLeak', { inst: leaky, conditions: ['leak'], facts: HP }, 'compressorInLeak od.compressor'],
  ['leakStopsHeat', 'noBlowerInLeak', { inst: leaky, conditions: ['leak'] }, 'noBlowerInLeak ah.blowerFan'],
  ['leakStopsHeat', 'heatInLeak, compressorInLeak and noBlowerInLeak: none hides another', { inst: leaky, conditions: ['leak'], facts: { ...ROWS, ...HP, blower: false } }, 'heatInLeak kit.row1; compressorInLeak od.compressor; noBlowerInLeak ah.blowerFan'],
  ['leakStopsHeat', 'a blower that something else stops', { inst: leaky, abnormal: 2, conditions: ['leak'] }, ''],
  ['leakStopsHeat', 'no leak', { inst: leaky, facts: { ...ROWS, ...HP } }, ''],
  ['floatStops', 'floatDoesNotStop', { call: 'cool1', conditions: ['water'], facts: HP }, 'floatDoesNotStop od.compressor'],
  ['floatStops', 'it stops', { call: 'cool1', conditions: ['water'] }, ''],
  ['floatStops', 'in heating no water comes', { call: 'heat1', conditions: ['water'], facts: HP }, ''],
  ['floatStops', 'no water', { call: 'cool1', facts: HP }, ''],
  ['defrostTempered', 'coldDefrost', { call: 'heat1', conditions: ['defrost'], facts: { ...HP, ...OFF } }, 'coldDefrost kit.row1'],
  ['defrostTempered', 'tempered', { call: 'heat1', conditions: ['defrost'], facts: { ...HP, ...ROWS } }, ''],
  ['defrostTempered', 'no compressor', { call: 'heat1', conditions: ['defrost'], facts: OFF }, ''],
  ['defrostTempered', 'with more amiss', { call: 'heat1', abnormal: 2, conditions: ['defrost'], facts: { ...HP, ...OFF } }, ''],
  ['defrostTempered', 'a board without power', { call: 'heat1', conditions: ['defrost'], facts: { ...HP, ...OFF, deadBoards: ['od.logic'] } }, ''],
  ['defrostTempered', 'no defrost', { call: 'heat1', abnormal: 1, facts: { ...HP, ...OFF } }, ''],
  ['humidifierHeat', 'wetStopsHeat', { inst: leaky, call: 'heat1', conditions: ['wetPan'], facts: { ...OFF, valve: HEATS } }, 'wetStopsHeat kit.row1'],
  ['humidifierHeat', 'wetStopsHeat: a burner first', { inst: { ...leaky, placed: [...leaky.placed, ...oil.placed.filter((p) => p.ref === 'fur')] }, call: 'heatAux1', conditions: ['wetPan'], facts: { ...OFF, burnersOff: ['fur.valve'] } }, 'wetStopsHeat fur.valve'],
  ['humidifierHeat', 'the heat pump goes on', { inst: leaky, call: 'heat1', conditions: ['wetPan'], facts: { ...OFF, ...HP, valve: HEATS } }, ''],
  ['humidifierHeat', 'strips go on', { inst: leaky, call: 'heatAux1', conditions: ['wetPan'], facts: { ...ROWS, valve: HEATS } }, ''],
  ['humidifierHeat', 'a burner goes on', { inst: leaky, call: 'heatAux1', conditions: ['wetPan'], facts: { ...OFF, burnersOn: ['fur.valve'], valve: HEATS } }, ''],
  ['humidifierHeat', 'in cooling', { inst: leaky, call: 'cool1', conditions: ['wetPan'], facts: { ...OFF, valve: COOLS } }, ''],
  ['humidifierHeat', 'a dry pan', { inst: leaky, call: 'heat1', abnormal: 1, facts: { ...OFF, valve: HEATS } }, ''],
  ['humidifierHeat', 'with more amiss', { inst: leaky, call: 'heat1', abnormal: 2, conditions: ['wetPan'], facts: { ...OFF, valve: HEATS } }, ''],
  ['humidifierHeat', 'a house where nothing says that it heats', { inst: leaky, call: 'heat1', conditions: ['wetPan'], facts: OFF }, ''],
  ['humidifierHeat', 'nothing is off', { inst: gas, call: 'heat1', conditions: ['wetPan'] }, ''],
  ['coolRuns', 'noCooling beside a furnace', { inst: gas, call: 'cool1', outdoorF: 85 }, 'noCooling od.compressor'],
  ['fanRuns', 'noFan beside a furnace', { inst: gas, call: 'fan' }, 'noFan fur.blowerFan'],
  ['leakStopsHeat', 'a board that draws the leak down', { inst: drawing, conditions: ['leak'], facts: HP }, ''],
  ['leakStopsHeat', 'heatInLeak all the same', { inst: drawing, conditions: ['leak'], facts: { ...HP, ...ROWS } }, 'heatInLeak kit.row1'],
  ['defrostNoBurner', 'defrostBurns', { inst: onFurnace, call: 'heat1', conditions: ['defrost'], closed: ['od.outW'], facts: { burnersOn: ['fur.valve', 'fur.valve2'] } }, 'defrostBurns fur.valve'],
  ['defrostNoBurner', 'by another output of the board', { inst: onFurnace, call: 'heat1', conditions: ['defrost'], closed: ['od.boardY', 'od.rvPass', 'od.rvForce', 'od.pole', 'od.W', 'od.logic'], facts: { burnersOn: ['fur.valve'] } }, ''],
  ['defrostNoBurner', 'a burner that the call itself lights', { inst: onFurnace, call: 'heatAux1', conditions: ['defrost'], facts: { burnersOn: ['fur.valve'] } }, ''],
  ['defrostNoBurner', 'an output that is landed nowhere', { inst: gas, call: 'heat1', conditions: ['defrost'], closed: ['od.outW'], facts: { burnersOn: ['fur.valve'] } }, ''],
  ['defrostNoBurner', 'a maker who lets it', { inst: tempering, call: 'heat1', conditions: ['defrost'], closed: ['od.outW'], facts: { burnersOn: ['fur.valve'] } }, ''],
  ['defrostNoBurner', 'no burner', { inst: onFurnace, call: 'heat1', conditions: ['defrost'], closed: ['od.outW'] }, ''],
  ['defrostNoBurner', 'with more amiss', { inst: onFurnace, call: 'heat1', abnormal: 2, conditions: ['defrost'], closed: ['od.outW'], facts: { burnersOn: ['fur.valve'] } }, ''],
  ['defrostNoBurner', 'no defrost', { inst: onFurnace, call: 'heat1', abnormal: 1, closed: ['od.outW'], facts: { burnersOn: ['fur.valve'] } }, ''],
  ['kitAirflow', 'kitBelowSpeed', { inst: plated(strips, 'kit', { leastSpeed: 'high' }), facts: { stripsOn: ['kit.row2'], speeds: new Set(['low']) } }, 'kitBelowSpeed kit.row2 kit.'],
  ['kitAirflow', 'kitBelowSpeed: fan speed is the slowest', { inst: plated(strips, 'kit', { leastSpeed: 'low' }), facts: { stripsOn: ['kit.row1'], speeds: new Set(['fan']) } }, 'kitBelowSpeed kit.row1 kit.'],
  ['kitAirflow', 'kitBelowSpeed: heating speed the fastest', { inst: plated(strips, 'kit', { leastSpeed: 'heat' }), facts: { stripsOn: ['kit.row1'], speeds: new Set(['high']) } }, 'kitBelowSpeed kit.row1 kit.'],
  ['kitAirflow', 'the least that is asked for', { inst: plated(strips, 'kit', { leastSpeed: 'high' }), facts: { stripsOn: ['kit.row1'], speeds: new Set(['high']) } }, ''],
  ['kitAirflow', 'the faster of two counts', { inst: plated(strips, 'kit', { leastSpeed: 'high' }), facts: { stripsOn: ['kit.row1'], speeds: new Set(['fan', 'heat']) } }, ''],
  ['kitAirflow', 'within the delay', { inst: plated(strips, 'kit', { leastSpeed: 'high' }), conditions: ['blowerDelay'], facts: { stripsOn: ['kit.row1'], speeds: new Set(['low']) } }, ''],
  ['kitAirflow', 'without air it is another rule’s', { inst: plated(strips, 'kit', { leastSpeed: 'high' }), facts: { stripsOn: ['kit.row1'] } }, ''],
  ['kitAirflow', 'no strips', { inst: plated(strips, 'kit', { leastSpeed: 'high' }), facts: { speeds: new Set(['low']) } }, ''],
  ['kitAirflow', 'kitBelowAir: 1,230 CFM are the most that the table gives', { inst: plated(strips, 'kit', { leastCfm: 1231 }), facts: { stripsOn: ['kit.row1'], speeds: new Set(['high']) } }, 'kitBelowAir kit.row1 1230 1231'],
  ['kitAirflow', 'as much as is asked for', { inst: plated(strips, 'kit', { leastCfm: 1230 }), facts: { stripsOn: ['kit.row1'], speeds: new Set(['high']) } }, ''],
  ['kitAirflow', 'a speed that no table gives', { inst: plated(strips, 'kit', { leastCfm: 5000 }), facts: { stripsOn: ['kit.row1'], speeds: new Set(['low']) } }, ''],
  ['kitAirflow', 'no table', { inst: plated(plated(strips, 'kit', { leastCfm: 5000 }), 'ah', { blower: [] }), facts: { stripsOn: ['kit.row1'], speeds: new Set(['high']) } }, ''],
  ['kitAirflow', 'the strips of something else', { inst: plated(strips, 'ah', { leastSpeed: 'high' }), facts: { stripsOn: ['kit.row1'], speeds: new Set(['low']) } }, ''],
  ['kitAirflow', 'kitBelowAir of a packaged unit', { inst: plated(packaged, 'od', { leastCfm: 1000, blower: [{ speed: 'high', staticInWc: 0.5, cfm: 900 }] }), facts: { stripsOn: ['od.row1'], speeds: new Set(['high']) } }, 'kitBelowAir od.row1 900 1000'],
  ['kitAirflow', 'kitBelowSpeed of an electric furnace', { inst: plated(inFurnace, 'fur', { leastSpeed: 'high' }), facts: { stripsOn: ['fur.row1'], speeds: new Set(['low']) } }, 'kitBelowSpeed fur.row1 fur.'],
  ['auxHeldOff', 'auxNoGate', { inst: job('copper-alley'), call: 'heatAux1', outdoorF: 65, facts: ROWS }, 'auxNoGate kit.row1 65 warn'],
  ['auxHeldOff', 'auxNoGate: a lockout that opens only past the weather in which heat is wanted', { inst: heldOffFrom(66), call: 'heatAux1', outdoorF: 60, facts: ROWS }, 'auxNoGate kit.row1 65 warn'],
  ['auxHeldOff', 'one from 65 °F on', { inst: heldOffFrom(65), call: 'heatAux1', outdoorF: 60, facts: ROWS }, ''],
  ['auxHeldOff', 'no gate, and cold enough', { inst: job('copper-alley'), call: 'heatAux1', outdoorF: 64, facts: ROWS }, ''],
  ['auxHeldOff', 'auxAboveGate from 35 °F and the switch’s own five on, where the circuit leads past it', { call: 'heatAux2', outdoorF: 40, facts: ROWS, ofJob: LEAKY }, 'auxAboveGate kit.row1 40'],
  ['auxHeldOff', 'its leak is in another row', { call: 'heatAux2', outdoorF: 40, facts: { stripsOn: ['kit.row9'] }, ofJob: LEAKY }, ''],
  ['auxHeldOff', 'below it', { call: 'heatAux1', outdoorF: 39, volts: 24, facts: ROWS }, ''],
  ['auxHeldOff', 'not in emergency heat', { call: 'emergency', outdoorF: 65, volts: 24, facts: ROWS }, ''],
  ['auxHeldOff', 'not with something amiss', { call: 'heatAux1', outdoorF: 65, volts: 24, abnormal: 1, facts: ROWS }, ''],
  ['auxHeldOff', 'not while no strip is on', { call: 'heatAux1', outdoorF: 65, volts: 24, facts: OFF }, ''],
] // prettier-ignore

describe('a rule of one state, by its facts alone', () => {
  it.each(TABLE)('%s, %s', (id, _, state, expected) => expect(says(id, state)).toBe(expected))
})
