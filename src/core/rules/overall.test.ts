import { demoInstallation } from '../../../tests/helpers/demo'
import type { Call } from '../equipment'
import type { Installation, Ref } from '../installation'
import { RULES } from '.'
import type { CoverageRule } from './rule'

const twoStage = demoInstallation('pennywort-close')
const oneStage = demoInstallation('quillfeather-lane')
const gas = demoInstallation('tallow-mill')
const humid = demoInstallation('osier-walk')

const ALL: Call[] = ['off', 'fan', 'cool1', 'cool2', 'heat1', 'heat2', 'heatAux1', 'heatAux2', 'emergency']
type Ran = Partial<Record<Call, string>>

/** What a rule over the whole says, where this ran in which call; `ever`: what ran in some state or other beside it. */
function says(id: string, inst: Installation, ran: Ran, calls: Call[] = ALL, ever = ''): string {
  const rule = RULES.find((r) => r.id === id) as CoverageRule<string, string>
  const ranIn = (call: Call) => new Set((ran[call] ?? '').split(' ').filter(Boolean) as Ref[])
  const everRan = new Set([...calls.flatMap((c) => [...ranIn(c)]), ...(ever.split(' ') as Ref[])])
  return rule
    .overall({ inst, calls, everRan, ranNormally: ranIn })
    .map((f) => `${f.code} ${f.at} ${f.call}`)
    .join('; ')
}

const [HP, HIGH] = ['od.compressor', 'od.compressor od.stage2']
/** A right job of two stages and two rows, call by call. */
const RIGHT: Ran = {
  cool1: HP,
  cool2: HIGH,
  heat1: HP,
  heat2: HIGH,
  heatAux1: `${HIGH} kit.row1`,
  heatAux2: `${HIGH} kit.row1 kit.row2`,
  emergency: 'kit.row1 kit.row2',
}
const withRan = (changed: Ran): Ran => ({ ...RIGHT, ...changed })
const without = (...calls: Call[]) => ALL.filter((c) => !calls.includes(c))

/** The rule, what is tried, what it says, and what it should. */
const TABLE: [string, string, () => string, string][] = [
  ['backupCalls', 'all of it', () => says('backupCalls', twoStage, RIGHT), ''],
  ['backupCalls', 'backupCallEmpty', () => says('backupCalls', twoStage, withRan({ heatAux1: HIGH }), without('heatAux2')), 'backupCallEmpty kit.row1 heatAux1'],
  ['backupCalls', 'without an aux call nothing is asked', () => says('backupCalls', twoStage, withRan({ heatAux1: '', heatAux2: '' }), without('heatAux1', 'heatAux2')), ''],
  ['backupCalls', 'backupCallEmpty of a second call alone', () => says('backupCalls', twoStage, withRan({ heatAux2: HIGH }), without('heatAux1')), 'backupCallEmpty kit.row1 heatAux2'],
  ['backupCalls', 'banksExchanged', () => says('backupCalls', twoStage, withRan({ heatAux1: `${HIGH} kit.row2` })), 'banksExchanged kit.row1 heatAux1'],
  ['backupCalls', 'a second row alone, and no second call', () => says('backupCalls', twoStage, withRan({ heatAux1: `${HIGH} kit.row2` }), without('heatAux2')), 'onlyInEmergency kit.row1 heatAux1'],
  ['backupCalls', 'stageCallEmpty in cooling', () => says('backupCalls', twoStage, withRan({ cool2: HP })), 'stageCallEmpty od.stage2 cool2'],
  ['backupCalls', 'stageCallEmpty in heating', () => says('backupCalls', twoStage, withRan({ heat2: HP })), 'stageCallEmpty od.stage2 heat2'],
  ['backupCalls', 'stageCallEmpty of backup', () => says('backupCalls', twoStage, withRan({ heatAux2: `${HIGH} kit.row1`, emergency: 'kit.row1' })), 'stageCallEmpty kit.row2 heatAux2'],
  ['backupCalls', 'a first call that brings every row leaves nothing for the next', () => says('backupCalls', twoStage, withRan({ heatAux1: `${HIGH} kit.row1 kit.row2` })), ''],
  ['backupCalls', 'stageCallEmpty where one stage is all there is', () => says('backupCalls', oneStage, { ...RIGHT, cool2: HP, heat2: HP }), 'stageCallEmpty od.compressor cool2; stageCallEmpty od.compressor heat2'],
  ['backupCalls', 'a stage that nobody can call', () => says('backupCalls', twoStage, withRan({ cool2: '', heat2: '' }), without('cool2', 'heat2')), ''],
  ['backupCalls', 'nor one without the stage below', () => says('backupCalls', twoStage, withRan({ cool1: '', cool2: '' }), without('cool1')), ''],
  ['backupCalls', 'onlyInEmergency', () => says('backupCalls', twoStage, withRan({ heatAux2: `${HIGH} kit.row1` }), without('heatAux2')), 'onlyInEmergency kit.row2 heatAux1'],
  ['backupCalls', 'onlyInEmergency of two aux calls', () => says('backupCalls', twoStage, withRan({ heatAux2: `${HIGH} kit.row1 ah.blower` })), 'stageCallEmpty kit.row2 heatAux2; onlyInEmergency kit.row2 heatAux2'],
  ['backupCalls', 'backupCallEmpty, and not that each row is for emergencies', () => says('backupCalls', twoStage, withRan({ heatAux1: HIGH }), without('heatAux2', 'cool2', 'heat2')), 'backupCallEmpty kit.row1 heatAux1'],
  ['backupCalls', 'no emergency heat to hold it against', () => says('backupCalls', twoStage, RIGHT, without('heatAux2', 'emergency')), ''],
  ['backupCalls', 'backupCallEmpty of a burner', () => says('backupCalls', gas, { ...RIGHT, heatAux1: '', heatAux2: '', emergency: '' }, without('heatAux2')), 'backupCallEmpty fur.valve heatAux1'],
  ['backupCalls', 'stageCallEmpty of a burner', () => says('backupCalls', gas, { ...RIGHT, heatAux1: 'fur.valve', heatAux2: 'fur.valve', emergency: 'fur.valve' }, without('cool2', 'heat2')), 'stageCallEmpty fur.valve2 heatAux2'],

  ['rowsReachable', 'rowNever in the first call for backup', () => says('rowsReachable', twoStage, withRan({ heatAux2: `${HIGH} kit.row1`, emergency: 'kit.row1' })), 'rowNever kit.row2 heatAux1'],
  ['rowsReachable', 'rowNever in emergency heat where no other brings backup', () => says('rowsReachable', twoStage, { emergency: 'kit.row1' }, without('heatAux1', 'heatAux2')), 'rowNever kit.row2 emergency'],
  ['rowsReachable', 'rowNever in the last call where none does', () => says('rowsReachable', twoStage, {}, ['off', 'heat1']), 'rowNever kit.row1 heat1; rowNever kit.row2 heat1'],
  ['rowsReachable', 'rowNever where nothing can be called', () => says('rowsReachable', twoStage, {}, []), 'rowNever kit.row1 off; rowNever kit.row2 off'],
  ['rowsReachable', 'a row that heats in a defrost', () => says('rowsReachable', twoStage, {}, ALL, 'kit.row1 kit.row2'), ''],

  ['stagesReachable', 'all of it', () => says('stagesReachable', twoStage, RIGHT), ''],
  ['stagesReachable', 'stageNever of the first, in heating', () => says('stagesReachable', oneStage, {}), 'stageNever od.compressor heat1'],
  ['stagesReachable', 'stageNever of the first, in cooling where that is all', () => says('stagesReachable', oneStage, {}, ['off', 'fan', 'cool1', 'emergency']), 'stageNever od.compressor cool1'],
  ['stagesReachable', 'stageNever of the second', () => says('stagesReachable', twoStage, { heat1: HP }), 'stageNever od.stage2 heat2'],
  ['stagesReachable', 'stageNever of the second, in cooling', () => says('stagesReachable', twoStage, { cool1: HP }, without('heat2')), 'stageNever od.stage2 cool2'],
  ['stagesReachable', 'stageNever of the second, by a call for one', () => says('stagesReachable', twoStage, { heat1: HP }, ['cool1', 'heat1', 'emergency']), 'stageNever od.stage2 heat1'],
  ['stagesReachable', 'stageNever where nothing can be called', () => says('stagesReachable', oneStage, {}, []), 'stageNever od.compressor off'],
  ['stagesReachable', 'stageNever by the last call', () => says('stagesReachable', oneStage, {}, ['fan', 'emergency']), 'stageNever od.compressor emergency'],
  ['stagesReachable', 'burnerNever in the last call', () => says('stagesReachable', gas, { ...RIGHT, emergency: 'fur.valve' }), 'burnerNever fur.valve2 emergency'],
  ['stagesReachable', 'burnerNever of the first', () => says('stagesReachable', gas, { ...RIGHT, emergency: 'fur.valve2' }), 'burnerNever fur.valve emergency'],
  ['stagesReachable', 'a furnace that is told of one stage', () => says('stagesReachable', demoInstallation('tallow-mill', { 'fur.stages': '1' }), { ...RIGHT, emergency: 'fur.valve' }), ''],
  ['stagesReachable', 'humidifierNever', () => says('stagesReachable', humid, RIGHT), 'humidifierNever hum.valve emergency'],
  ['stagesReachable', 'rows are another rule’s', () => says('stagesReachable', twoStage, { heat2: HIGH }), ''],
] // prettier-ignore

describe('a rule over the whole, by what ran', () => {
  it.each(TABLE)('%s, %s', (_, __, said, expected) => expect(said()).toBe(expected))
})
