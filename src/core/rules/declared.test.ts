import { bus } from '../../../tests/helpers/jobFixtures'
import { demoInstallation, jobIds, libraryDevice, libraryIds } from '../../../tests/helpers/demo'
import type { Installation } from '../installation'
import { RULES, type RuleId } from '.'
import { asksSite } from './rule'

/** A job's gear as its file has it. */
class Gear {
  constructor(readonly inst: Installation) {}
  private get devices() {
    return this.inst.placed.map((p) => p.device)
  }
  kind = (...kinds: string[]) => this.devices.some((d) => kinds.includes(d.kind))
  kindBut = (...kinds: string[]) => this.devices.some((d) => !kinds.includes(d.kind))
  has = (kind: string) => this.devices.some((d) => d.parts.some((x) => x.kind === kind))
  /** "blower", or "blower low". */
  makes = (...whats: string[]) =>
    this.devices.some((d) =>
      d.parts.some((x) => {
        const does = x.kind === 'load' ? x.does : undefined
        if (!does) return false
        return whats.some((w) => w === does.what || (does.what === 'blower' && w === `blower ${does.speed}`))
      }),
    )
  sets = (...intents: string[]) =>
    this.devices.some((d) => d.settings.some((s) => intents.includes(s.intent ?? '')))
  setsOf = (kind: string, intent: string) =>
    this.devices.some((d) => d.kind === kind && d.settings.some((s) => s.intent === intent))
  isLanded = (at: string) => this.inst.wires.some((w) => w.a === at || w.b === at)
  /** Whether line conductors lead from a feed to it, over what stands between. */
  isFed(ref: string): boolean {
    const seen = new Set([ref])
    const isLine = (at: string) => /\.(L\d|N|BL)$/.test(at)
    for (let i = 0; i < 5; i++)
      for (const { a, b } of this.inst.wires)
        if (a && b && isLine(a) && isLine(b)) {
          const [p = '', q = ''] = [a, b].map((at) => at.split('.')[0])
          if (seen.has(p) || seen.has(q)) seen.add(p).add(q)
        }
    return this.where((p) => p.device.kind === 'feed' && seen.has(p.ref))
  }
  hotEnds = () => this.devices.flatMap((d) => d.parts.filter((x) => x.kind === 'transformer')).length
  where = (has: (p: Placed) => boolean) => this.inst.placed.some(has)
}
type Placed = Installation['placed'][number]
const hasEnd = (p: Placed, id: string) => p.device.terminals.some((t) => t.id === id && t.side === 'line')
const hasBus = (p: Placed) =>
  p.device.kind === 'airHandler' && p.device.terminals.some((t) => t.role === 'bus')
const isTapped = (p: Placed) =>
  p.device.parts.some((x) => x.kind === 'transformer' && typeof x.primaryVolts === 'object')
type Needs = (g: Gear) => boolean
const always: Needs = () => true

/**
 * What every rule says it is: its scope, its gravity, whether it reads the weather or asks about the house; its codes; the gear
 * that it has something to say about; the codes that it is the cause of.
 */
const DECLARED: Record<RuleId, [is: string, codes: string, needs: Needs, explains?: string]> = {
  noShort: ['state danger', 'overcurrent overRating beyondList', always],
  noParallel: ['job danger', 'paralleled', (g) => g.hotEnds() > 1],
  heatAheadOfCoil: ['state danger', 'heatAheadOfCoil', (g) => g.where((p) => p.settings.coil === 'after') && g.makes('compressor')],
  hotCoil: ['state danger', 'hotRestart hotRestartSeldom', (g) => g.where((p) => p.settings.coil === 'after') && g.makes('compressor')],
  stripsNeedBlower: ['state danger', 'stripsNoBlower', (g) => g.makes('strip')],
  burnerNeedsBlower: ['state danger', 'burnerNoBlower', (g) => g.makes('burner')],
  leakStopsHeat: ['state danger', 'heatInLeak compressorInLeak noBlowerInLeak', (g) => g.kind('leakSensor')],
  lowGas: ['job danger', 'lpNoSwitch switchInFlame', (g) => g.sets('gasSwitch')],
  selectorMatches: ['job danger', 'busSetWired24 24SetWiredBus busOpen', (g) => g.sets('selector')],
  busCalls: ['state danger', 'busCallMissing', (g) => g.where(hasBus)],
  defrostNoBurner: ['state danger', 'defrostBurns', (g) => g.makes('burner') && g.kind('outdoorUnit', 'packagedUnit')],
  emergencyHeat: ['state danger', 'compressorInEmergency someBackupMissing noBackup', (g) => g.makes('strip', 'burner')],
  someHeat: ['state danger', 'noHeat', (g) => g.makes('strip', 'burner', 'compressor')],
  noChatter: ['state danger', 'chatter unsolved', always],
  valveRight: ['state wrong', 'defrostHeats coolingHeats heatingCools', (g) => g.makes('reversingValve')],
  heatPumpHeats: ['state wrong', 'heatPumpNeverHeats', (g) => g.makes('compressor') && g.makes('strip', 'burner')],
  coolRuns: ['state wrong outdoor', 'noCooling', (g) => g.makes('compressor')],
  fanRuns: ['state wrong', 'noFan', (g) => g.makes('blower')],
  quietUncalled: ['state wrong', 'humidifierUncalled heatUncalled stripsUncalled compressorUncalled blowerUncalled', always],
  compressorNeedsBlower: ['state wrong', 'compressorNoBlower', (g) => g.makes('compressor') && g.makes('blower')],
  blowerSpeed: ['state wrong', 'fanSpeedOnly lowSpeedInHigh oneStageOnLow', (g) => g.makes('compressor') && g.makes('blower low')],
  kitAirflow: ['state wrong', 'kitBelowSpeed kitBelowAir', (g) => g.where(({ device: { plate } }) => (plate.leastSpeed ?? plate.leastCfm) !== undefined)],
  backupCalls: ['coverage wrong', 'backupCallEmpty stageCallEmpty onlyInEmergency banksExchanged', (g) => g.makes('strip', 'burner', 'compressor')],
  rowsReachable: ['coverage wrong', 'rowNever', (g) => g.makes('strip')],
  stagesReachable: ['coverage wrong', 'burnerNever stageNever humidifierNever', (g) => g.makes('humidifier', 'compressor', 'burner')],
  togetherAhead: ['job danger', 'togetherAhead', (g) => g.sets('together') && g.where((p) => p.settings.coil === 'after'), 'heatAheadOfCoil'],
  heatGap: ['job danger', 'heatGap', (g) => g.sets('compressorLockout'), 'noHeat'],
  valveSense: ['job wrong', 'valveSense', (g) => g.setsOf('thermostat', 'rvSense'), 'coolingHeats+heatingCools'],
  noPower: ['job wrong', 'noPower', (g) => g.kind('thermostat'), 'unpowered'],
  tapFits: ['job wrong', 'tapTooHigh tapTooLow', (g) => g.where((p) => isTapped(p) && g.isFed(p.ref))],
  blowerLead: ['job warn', 'blowerLeadOff', (g) => g.where((p) => p.device.kind === 'stripKit' && hasEnd(p, 'BL')) && g.where((p) => p.device.kind === 'airHandler' && hasEnd(p, 'BL'))],
  grounded: ['job danger', 'noGround', (g) => g.where((p) => p.device.kind === 'feed' && hasEnd(p, 'GND'))],
  polarity: ['job danger', 'neutralCrossed', (g) => g.where((p) => hasEnd(p, 'L1') && hasEnd(p, 'N'))],
  lineCircuits: ['job wrong site', 'breakerOverMax breakerUnderMca conductorUnderMca breakerUnderLoad breakerOverKit conductorUnderLoad breakerOverConductor undivided', (g) => g.kind('feed')],
  stages: ['job wrong', 'stageNotLanded stageNotSet', (g) => g.sets('compressorStages', 'backupStages')],
  sensor: ['job wrong', 'sensorNotLanded sensorShorted sensorNotSet sensorOpen sensorElsewhere', (g) => g.sets('outdoorSource')],
  lockoutSource: ['job wrong', 'lockoutNoSource changeoverNoSource', (g) => g.sets('outdoorSource')],
  systemFamily: ['job wrong', 'fuelSetNoBurner burnerNotSet conventionalOnHeatPump', (g) => g.sets('system')],
  backupSourceWrong: ['job wrong', 'electricWithFurnace fuelWithStrips oilWithGas gasWithOil gasWithLp lpWithGas', (g) => g.sets('backupSource')],
  inCharge: ['job wrong', 'bothInCharge noneInCharge stageNoInterlock', (g) => g.makes('burner') && g.sets('inCharge')],
  emergencyPath: ['job wrong', 'eNotLanded eLandedTogether', (g) => g.sets('auxWithE'), 'noBackup+someBackupMissing'],
  fanOffInDefrost: ['job wrong', 'fanOffInDefrost', (g) => g.sets('fanInDefrost'), 'stripsNoBlower'],
  defrostIntent: ['job wrong', 'defrostLanded defrostLandedForFault defrostNotLanded', (g) => g.makes('strip') && g.sets('stripsInDefrost')],
  stripHysteresis: ['job wrong', 'stripReversed stripTight', (g) => g.sets('stripOn')],
  kitSize: ['job wrong site', 'kitNotAllowed kitNotListed kitOther', (g) => g.kind('airHandler')],
  airSide: ['job wrong', 'airAfterCoil', (g) => g.sets('airPosition')],
  coilVolts: ['state wrong', 'weakCoil', always],
  transformerLoad: ['state wrong', 'overloaded', (g) => g.has('transformer')],
  thermostatPowered: ['state wrong', 'unpowered floatCutsThermostat', (g) => g.makes('control')],
  boardsPowered: ['state wrong', 'boardUnpowered', (g) => g.kindBut('thermostat', 'feed')],
  floatStops: ['state wrong', 'floatDoesNotStop', (g) => g.kind('floatSwitch') && g.makes('compressor')],
  monitorStops: ['state wrong', 'monitorDoesNotStop', (g) => g.kind('lineMonitor') && g.makes('compressor')],
  humidifierHeat: ['state wrong', 'wetStopsHeat', (g) => g.kind('humidifier')],
  auxHeldOff: ['state wrong outdoor', 'auxAboveGate auxNoGate switchHoldsNothing', (g) => g.makes('strip')],
  backupOnFault: ['job warn', 'faultHeatOff', (g) => g.makes('strip') && !g.makes('burner') && g.sets('faultHeat')],
  stripLockout: ['job warn site', 'lockoutByHabit', (g) => g.makes('strip') && !g.makes('burner') && g.sets('compressorLockout')],
  defrostTempered: ['state warn', 'coldDefrost', (g) => g.makes('strip') && g.where((p) => p.device.kind === 'outdoorUnit' && g.isLanded(`${p.ref}.W`))],
  wireDetect: ['state warn', 'misled', (g) => g.where((p) => p.device.plate.detectsWires === true)],
  spareLeft: ['job warn', 'noSpare', (g) => g.inst.cables.some((c) => c.kind === 'low')],
  staticClass: ['job warn site', 'staticBelow', (g) => g.sets('staticClass')],
  minimumOff: ['job warn', 'minimumOffShort', (g) => g.sets('minimumOff')],
  cycles: ['job warn', 'cyclesCompressor cyclesBurner cyclesStrips', (g) => g.sets('cyclesHeatPump', 'cyclesBackup')],
  droop: ['job warn', 'droopTight', (g) => g.sets('droop')],
  earlyRecovery: ['job warn site', 'earlyRecoveryWakes', (g) => g.sets('earlyRecovery')],
  factorySettings: ['job warn site', 'factoryLeft', (g) => g.sets('earlyDefrost', 'longDefrost', 'capacityDrift', 'boost')],
  pairing: ['job warn site', 'unpaired', (g) => g.kind('outdoorUnit') && g.kind('airHandler')],
  plateAdds: ['job warn site', 'plateMca plateMcaLow plateKilowatts', (g) => g.kind('outdoorUnit', 'packagedUnit', 'stripKit', 'furnace', 'airHandler')],
  profileMisfit: ['job warn site', 'profileMisfit', (g) => g.where((p) => p.device.profile !== undefined)],
  feedNotOnline: ['job warn site', 'feedNotOnline', (g) => g.sets('outdoorSource')],
  testsBlocked: ['job warn site', 'lockBeforeTests stopBeforeTests', (g) => g.sets('keypadLock', 'rangeHigh', 'rangeLow')],
} // prettier-ignore

/** Every demo job, whole and with one device away at a time; a wired controller; a job without cables. */
const JOBS: [string, Installation][] = [
  ...jobIds().flatMap((id): [string, Installation][] => {
    const inst = demoInstallation(id)
    return [
      [id, inst],
      ...inst.placed.map((p): [string, Installation] => [`${id} without ${p.ref}`, without(inst, p.ref)]),
    ]
  }),
  ...libraryIds().map((id): [string, Installation] => [
    `${id} alone`,
    { placed: [{ ref: 'x', label: '', device: libraryDevice(id), settings: {} }], cables: [], wires: [] },
  ]),
  ['a bus', bus({})],
  ['no cables', { ...demoInstallation('quillfeather-lane'), cables: [] }],
  ['nothing', { placed: [], cables: [], wires: [] }],
]

function without(inst: Installation, ref: string): Installation {
  const isOf = (at: string | null) => at?.split('.')[0] === ref
  return {
    ...inst,
    placed: inst.placed.filter((p) => p.ref !== ref),
    wires: inst.wires.filter((w) => !isOf(w.a) && !isOf(w.b)),
  }
}

describe('what a rule says it is', () => {
  it.each(RULES.map((r) => [r.id, r] as const))('%s', (id, rule) => {
    const [is, codes, needs, explains] = DECLARED[id as RuleId]
    const reads = rule.scope === 'state' && rule.readsOutdoor
    expect(
      [rule.scope, rule.severity, ...(reads ? ['outdoor'] : []), ...(asksSite(rule) ? ['site'] : [])].join(
        ' ',
      ),
    ).toBe(is)
    expect(rule.codes.join(' ')).toBe(codes)
    expect(rule.scope === 'job' ? rule.explains?.join('+') : undefined).toBe(explains)
    const applies = JOBS.filter(([, inst]) => rule.applies(inst)).map(([name]) => name)
    expect(applies).toEqual(JOBS.filter(([, inst]) => needs(new Gear(inst))).map(([name]) => name))
  })
})
