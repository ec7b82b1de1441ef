import type { Device, Plate, Value } from '@/core/equipment'
import type { Installation, Ref } from '@/core/installation'
import type { Situation } from '@/core/situation'
import { degF } from '@/core/units'
import { installationOf } from '@/jobfile'
import { INVERTER_BUS, MONITOR } from '../cases/gear'
import { compose } from './compose'
import { conventional } from './jobFixtures'
import { coil, contact, device, install, placed, wire } from './build'
import { demoInstallation, libraryDevice, rewired, without, wireBetween } from './demo'

/** A job that breaks a rule, with the smallest witness worked out by hand; and one that the rule has nothing against. */
export interface RuleFixture {
  why: string
  clean?: () => Installation
  broken: () => Installation
  /** null: it stands in every situation. */
  witness: Partial<Situation> | null
  code: string
}

const good = (settings: Record<string, Value | null> = {}) => demoInstallation('quillfeather-lane', settings)
const SHORT = { gauge: 18, feet: 1 }

/** The job with one more jumper. */
export const joined = (inst: Installation, a: Ref, b: Ref): Installation => ({
  ...inst,
  wires: [...inst.wires, wire(`x-${a}-${b}`, a, b, SHORT)],
})
/** The job with the wire between two terminals taken off one of them, or put on another. */
export function moved(inst: Installation, from: Ref, to: Ref | null, other: Ref): Installation {
  const w = wireBetween(inst, from, other)
  return rewired(inst, w.id, w.a === from ? { a: to } : { b: to })
}
const withPlaced = (inst: Installation, ...more: Installation['placed']): Installation => ({
  ...inst,
  placed: [...inst.placed, ...more],
})

/** Stage-driven dual fuel with the interlock on the right contact: the demo job has it on the wrong one. */
export function stageDriven(settings: Record<string, Value | null> = {}): Installation {
  const inst = demoInstallation('lapwing-court', settings)
  return {
    ...inst,
    wires: inst.wires.map((w) => ({
      ...w,
      a: w.a === 'rel.NO' ? 'rel.NC' : w.a,
      b: w.b === 'rel.NO' ? 'rel.NC' : w.b,
    })),
  }
}
const second = () => {
  const x = placed('x', libraryDevice('sedge-x40'), { tap: 240 })
  const inst = withPlaced(good(), x)
  return joined(joined(inst, 'x.L1', 'kit.L1'), 'x.L2', 'kit.L2')
}
const relays = (n: number): Installation =>
  Array.from({ length: n }, (_, i) => `r${i}`).reduce(
    (inst, ref) =>
      joined(
        joined(withPlaced(inst, placed(ref, libraryDevice('sedge-r1'))), `${ref}.A1`, 'ah.R'),
        `${ref}.A2`,
        'ah.C',
      ),
    good(),
  )

const buzzer = device(
  'buzzer',
  ['R', 'C'],
  [
    { kind: 'source', id: 's', a: 'R', b: 'C', volts: 24, ohms: 0.5 },
    contact('nc', 'R', 'x', { not: { energised: 'coil' } }),
    coil('coil', 'x', 'C', 6, 0.5),
  ],
)

/** The same furnace, whose relay for the heating speed never closes. */
const withoutHeatFan = (d: Device): Device => ({
  ...d,
  parts: d.parts.map((p) =>
    p.id === 'heatFan' && p.kind === 'contact' ? { ...p, driver: { call: [] } } : p,
  ),
})

/** Pennywort Close with something more on the plate of its kit. */
const kitPlate = (more: Partial<Plate>): Installation => {
  const inst = demoInstallation('pennywort-close')
  return {
    ...inst,
    placed: inst.placed.map((p) =>
      p.device.kind === 'stripKit'
        ? { ...p, device: { ...p.device, plate: { ...p.device.plate, ...more } } }
        : p,
    ),
  }
}
/** The same with a board that has no heating speed: its blower stays at what the heat pump asks for. */
export const slowHeat = (more: Partial<Plate>): Installation => {
  const inst = kitPlate(more)
  return {
    ...inst,
    placed: inst.placed.map((p) =>
      p.ref === 'ah'
        ? {
            ...p,
            device: {
              ...p.device,
              parts: p.device.parts.map((x) =>
                x.kind === 'load' && x.does?.what === 'blower' && x.does.speed !== 'fan'
                  ? { ...x, does: { ...x.does, speed: 'low' as const } }
                  : x,
              ),
            },
          }
        : p,
    ),
  }
}

export const FIXTURES: Record<string, RuleFixture> = {
  noShort: {
    why: 'the blue and the red conductor of the outdoor cable are joined at the unit: short with every call, so "off", at the region nearest 47 °F',
    broken: () => joined(good(), 'od.R', 'od.C'),
    witness: { call: 'off', outdoorF: 45 as never, modes: {} },
    code: 'overcurrent',
  },
  noParallel: {
    why: 'a second transformer, fed beside the kit, with its R on the air handler’s R',
    clean: second,
    broken: () => joined(second(), 'x.R', 'ah.R'),
    witness: null,
    code: 'paralleled',
  },
  heatAheadOfCoil: {
    why: 'the interlock on the normally open contact lets Y through exactly while W calls',
    clean: stageDriven,
    broken: () => demoInstallation('lapwing-court'),
    witness: { call: 'heatAux1', modes: {} },
    code: 'heatAheadOfCoil',
  },
  hotCoil: {
    why: 'with the coil-entering-air thermostat jumped, a heating call finds hot air in the furnace: one thing away; backup and heat pump take turns at any temperature',
    clean: stageDriven,
    broken: () => joined(stageDriven(), 'ceat.T1', 'ceat.T2'),
    witness: { call: 'heat1', modes: { 'fur.air': 'hot' } },
    code: 'hotRestart',
  },
  stripsNeedBlower: {
    why: 'without the W1–W2 jumper E lands on W2 alone; with the fan left to the equipment, row 2 heats with no blower',
    broken() {
      const inst = good({ 'tstat.emergencyFan': 'equipment' })
      return without(inst, wireBetween(inst, 'ah.W1', 'ah.W2').id)
    },
    witness: { call: 'emergency', outdoorF: 45 as never, modes: {} },
    code: 'stripsNoBlower',
  },
  burnerNeedsBlower: {
    why: 'the furnace’s own blower relay for heating never closes: the burner burns into still air at the first backup call',
    clean: stageDriven,
    broken: () => {
      const inst = stageDriven()
      return {
        ...inst,
        placed: inst.placed.map((p) => (p.ref === 'fur' ? { ...p, device: withoutHeatFan(p.device) } : p)),
      }
    },
    witness: { call: 'heatAux1', modes: {} },
    code: 'burnerNoBlower',
  },
  leakStopsHeat: {
    why: 'the leak contact jumped at the board: on an alarm, with nothing called, the blower stays off',
    clean: () => demoInstallation('osier-walk'),
    broken: () => joined(demoInstallation('osier-walk'), 'ah.R', 'ah.LK'),
    witness: { call: 'off', modes: { 'leak.leak': 'alarm' } },
    code: 'noBlowerInLeak',
  },
  lowGas: {
    why: 'LP with the switch in the flame-sense wire: it stops the burner only after it has tried',
    clean: () => demoInstallation('millrace-cottage', { 'od.gasSwitch': 'pressure' }),
    broken: () => demoInstallation('millrace-cottage'),
    witness: null,
    code: 'switchInFlame',
  },
  selectorMatches: {
    why: 'the outdoor unit on 24 V with nothing but the bus landed',
    clean: () => demoInstallation('gorse-end', { 'od.selector': 'bus' }),
    broken: () => demoInstallation('gorse-end'),
    witness: null,
    code: '24SetWiredBus',
  },
  defrostNoBurner: {
    why: 'the outdoor W output on the furnace’s W: the first heating call’s defrost lights it',
    clean: stageDriven,
    broken: () => joined(stageDriven(), 'od.W', 'fur.W'),
    witness: { call: 'heat1', modes: { 'od.board': 'defrost' } },
    code: 'defrostBurns',
  },
  emergencyHeat: {
    why: 'E through the outdoor thermostat: above 40 °F it is open for certain; 45 is the region nearest 47',
    broken: () => demoInstallation('saltmarsh-row'),
    witness: { call: 'emergency', outdoorF: 45 as never, modes: {} },
    code: 'noBackup',
  },
  busCalls: {
    why: 'an ordinary thermostat calls on 24 V indoors, the pair talks over its bus, and yellow is off',
    clean: () => installationOf(compose(INVERTER_BUS)),
    broken: () => installationOf(compose([...INVERTER_BUS, 'lift tstat.Y=ah.Y'])),
    witness: { call: 'cool1', modes: {} },
    code: 'busCallMissing',
  },
  heatPumpHeats: {
    why: 'a conventional thermostat calls W for heat and Y for cooling: strips carry every heating call',
    clean: () => demoInstallation('copper-alley'),
    broken: () => conventional(),
    witness: { call: 'heat1', modes: {} },
    code: 'heatPumpNeverHeats',
  },
  someHeat: {
    why: 'Y lifted at the outdoor unit: the first heating call runs nothing',
    broken: () => moved(good(), 'od.Y', null, 'ah.Y'),
    witness: { call: 'heat1', modes: {} },
    code: 'noHeat',
  },
  noChatter: {
    why: 'a relay that breaks its own coil',
    broken: () => install([...good().placed, placed('z', buzzer)], good().wires, good().cables),
    witness: { call: 'off', outdoorF: 45 as never, modes: {} },
    code: 'chatter',
  },
  valveRight: {
    why: 'the thermostat energises O/B in heating, the outdoor unit wants it in cooling: the lowest compressor call is cooling',
    broken: () => good({ 'tstat.rvSense': 'heating' }),
    witness: { call: 'cool1', outdoorF: 45 as never, modes: {} },
    code: 'coolingHeats',
  },
  coolRuns: {
    why: 'Y lifted at the outdoor unit',
    broken: () => moved(good(), 'od.Y', null, 'ah.Y'),
    witness: { call: 'cool1', modes: {} },
    code: 'noCooling',
  },
  fanRuns: {
    why: 'G lifted at the thermostat and its conductor on Y: the blower follows the heat pump, and never the fan call',
    broken: () => moved(good(), 'tstat.G', 'tstat.Y', 'ah.G'),
    witness: { call: 'fan', modes: {} },
    code: 'noFan',
  },
  quietUncalled: {
    why: 'G and W1 joined at the air handler: the fan call brings on the first row',
    broken: () => joined(good(), 'ah.G', 'ah.W1'),
    witness: { call: 'fan', modes: {} },
    code: 'heatUncalled',
  },
  compressorNeedsBlower: {
    why: 'G lifted: cooling runs the compressor over a still coil',
    broken: () => moved(good(), 'ah.G', null, 'tstat.G'),
    witness: { call: 'cool1', modes: {} },
    code: 'compressorNoBlower',
  },
  blowerSpeed: {
    why: 'Y2 spliced past the air handler’s board: the first second-stage call is cooling',
    clean: () => demoInstallation('pennywort-close'),
    broken: () => demoInstallation('harrier-bank'),
    witness: { call: 'cool2', modes: {} },
    code: 'lowSpeedInHigh',
  },
  backupCalls: {
    why: 'AUX lifted at the thermostat: emergency heat still brings on both rows through E, and no ordinary call any',
    broken: () => moved(good(), 'tstat.AUX', null, 'spl.x'),
    witness: { call: 'heatAux1', modes: {} },
    code: 'backupCallEmpty',
  },
  rowsReachable: {
    why: 'without the W1–W2 jumper and with E moved to W1, nothing ever reaches W2',
    broken() {
      const inst = good()
      const jumperless = without(inst, wireBetween(inst, 'ah.W1', 'ah.W2').id)
      return rewired(jumperless, wireBetween(inst, 'tstat.E', 'ah.W2').id, { b: 'ah.W1' })
    },
    witness: { call: 'heatAux1', outdoorF: 45 as never, modes: {} },
    code: 'rowNever',
  },
  stagesReachable: {
    why: 'Y2 lifted at the outdoor unit: its second stage never shifts',
    clean: () => demoInstallation('pennywort-close'),
    broken: () => moved(demoInstallation('pennywort-close'), 'od.Y2', null, 'ah.Y2'),
    witness: { call: 'heat2', modes: {} },
    code: 'stageNever',
  },
  airSide: {
    why: 'the coil-entering-air thermostat recorded as after the coil',
    clean: stageDriven,
    broken: () => stageDriven({ 'ceat.position': 'after' }),
    witness: null,
    code: 'airAfterCoil',
  },
  coilVolts: {
    why: 'the interlock relay’s A2 on the valve’s O/B and not on common: on W the two coils share the volts',
    clean: stageDriven,
    broken: () => moved(stageDriven(), 'fur.C', 'od.OB', 'rel.A2'),
    witness: { call: 'heatAux1', modes: {} },
    code: 'weakCoil',
  },
  transformerLoad: {
    why: 'five more relays are 25 VA: off 30 VA, fan 36, cooling (contactor 9, valve 8) 53 of 40',
    broken: () => relays(5),
    witness: { call: 'cool1', modes: {} },
    code: 'overloaded',
  },
  thermostatPowered: {
    why: 'C lifted at a thermostat that has no battery',
    broken: () => moved(good(), 'tstat.C', null, 'ah.C'),
    witness: { call: 'off', modes: {} },
    code: 'unpowered',
  },
  boardsPowered: {
    why: 'the outdoor board’s R lifted: its contactor still follows Y, and it never defrosts',
    broken: () => moved(good(), 'od.R', null, 'ah.R'),
    witness: { call: 'off', modes: {} },
    code: 'boardUnpowered',
  },
  floatStops: {
    why: 'the float switch jumped',
    clean: () => demoInstallation('osier-walk'),
    broken: () => joined(demoInstallation('osier-walk'), 'flo.T1', 'flo.T2'),
    witness: { call: 'cool1', modes: { 'flo.water': 'high' } },
    code: 'floatDoesNotStop',
  },
  monitorStops: {
    why: 'the line-voltage monitor jumped',
    clean: () => installationOf(compose(MONITOR)),
    broken: () => joined(installationOf(compose(MONITOR)), 'm.T1', 'm.T2'),
    witness: { call: 'cool1', modes: { 'm.line': 'holding' } },
    code: 'monitorDoesNotStop',
  },
  humidifierHeat: {
    why: 'the thermostat’s R taken from behind the humidifier’s wet switch',
    clean: () => demoInstallation('osier-walk'),
    broken: () => moved(demoInstallation('osier-walk'), 'ah.R', 'hum.F2', 'tstat.R'),
    witness: { call: 'heat1', modes: { 'hum.wet': 'wet' } },
    code: 'wetStopsHeat',
  },
  kitAirflow: {
    why: 'the kit asks for high speed at least, on a board whose heating speed is no faster than its low one',
    clean: () => kitPlate({ leastSpeed: 'low' }),
    broken: () => slowHeat({ leastSpeed: 'high' }),
    witness: { call: 'heatAux1', modes: {} },
    code: 'kitBelowSpeed',
  },
  auxHeldOff: {
    why: 'the outdoor thermostat jumped: aux heats above 40 °F; 45 is the region nearest 47',
    broken: () => joined(good(), 'odt.T1', 'odt.T2'),
    witness: { call: 'heatAux1', outdoorF: 45 as never, modes: {} },
    code: 'auxAboveGate',
  },
  defrostTempered: {
    why: 'the defrost output joined upstream of the outdoor thermostat: above 40 °F a defrost is cold',
    broken() {
      const inst = moved(good(), 'od.W', 'odt.T2', 'ah.W1')
      const upstream = inst.wires.find((w) => w.a === 'odt.T2' && w.b === 'od.W')!
      return rewired(inst, upstream.id, { a: 'odt.T1' })
    },
    witness: { call: 'heat1', outdoorF: 45 as never, modes: { 'od.board': 'defrost' } },
    code: 'coldDefrost',
  },
  wireDetect: {
    why: 'the isolation relay jumped from its coil to its contact: one aux call and it holds itself in, AUX live for good',
    clean: () => demoInstallation('pennywort-close'),
    broken: () => joined(demoInstallation('pennywort-close'), 'iso.A1', 'iso.NO'),
    // It could also be seen in a defrost, but that is one mode away from normal.
    witness: { call: 'off', modes: {}, after: { call: 'heatAux1', outdoorF: degF(48), modes: {} } },
    code: 'misled',
  },
  spareLeft: {
    why: 'the last conductor of the thermostat cable landed as a second common',
    broken: () => rewired(good(), 'w08', { a: 'tstat.C', b: 'ah.C' }),
    witness: null,
    code: 'noSpare',
  },
}
