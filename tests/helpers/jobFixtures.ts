import type { Call, Device, Value } from '@/core/equipment'
import { UNKNOWN_SITE, type Installation, type JobSeen, type Site } from '@/core/installation'
import { installationOf } from '@/jobfile'
import { ONE_STAGE, SENSOR_FUEL } from '../cases/gear'
import { device, placed } from './build'
import { compose } from './compose'
import { demoInstallation, wireBetween, without } from './demo'

type Change = Record<string, Value | null>
export const job = (id: string, settings: Change = {}): Installation => demoInstallation(id, settings)
export const seen = (inst: Installation, site: Partial<Site> = {}, tested = true): JobSeen => ({
  ...UNKNOWN_SITE,
  ...site,
  inst,
  tested,
})
export const ONLINE: Partial<Site> = { plates: { tstat: { seenOnline: true } } }
/** A wired controller's device beside a strip kit on the bus. */
export const bus = (settings: Change = {}) =>
  job('gorse-end', { 'od.selector': 'bus', 'tstat.fanInDefrost': 'on', ...settings })
export const lifted = (id: string, a: string, b: string, settings: Change = {}) => {
  const inst = job(id, settings)
  return without(inst, wireBetween(inst, a, b).id)
}
/** The same job with one device looked at under another description. */
export const as = (
  inst: Installation,
  ref: string,
  change: (p: Installation['placed'][number]) => Installation['placed'][number],
) => ({
  ...inst,
  placed: inst.placed.map((p) => (p.ref === ref ? change(p) : p)),
})

/** Quillfeather Lane with a controller beside it that is told: no strips in defrost (or yes). */
export function toldNoDefrost(settings: Change = {}, told = 'no'): Installation {
  const inst = job('quillfeather-lane', settings)
  const controller: Device = {
    ...device('controller', ['R'], [], {
      kind: 'thermostat',
      settings: [
        {
          id: 'strips',
          label: 'Strips in defrost',
          group: 'set',
          kind: 'choice',
          options: [
            { id: 'yes', label: 'Yes' },
            { id: 'no', label: 'No' },
          ],
          default: 'yes',
          intent: 'stripsInDefrost',
        },
      ],
    }),
  }
  return { ...inst, placed: [...inst.placed, placed('ctl', controller, { strips: told })] }
}
/** Quillfeather Lane with tons on two plates. */
const sized = (outdoor: number, indoor: number, pairs?: { tons: number }[]): Installation =>
  as(
    as(job('quillfeather-lane'), 'od', (p) => ({
      ...p,
      device: { ...p.device, plate: { ...p.device.plate, tons: outdoor, ...(pairs ? { pairs } : {}) } },
    })),
    'ah',
    (p) => ({ ...p, device: { ...p.device, plate: { ...p.device.plate, tons: indoor } } }),
  )

/** What raises each rule about gear, wiring, settings and the house, and what does not, by hand. */
/** A two-stage job on strips whose compressor is locked out below so many °F. */
const lockedOut = (below: number) =>
  job('pennywort-close', {
    'tstat.outdoorSource': 'feed',
    'tstat.useCompressorLockout': 'on',
    'tstat.compressorLockout': below,
  })

/** A thermostat for two stages of heat and one of cooling in the place of the heat pump's: heat is its W outputs alone. */
export const conventional = (settings: Record<string, string> = {}): Installation =>
  as(demoInstallation('copper-alley', settings), 'tstat', (p) => ({
    ...p,
    device: {
      ...p.device,
      settings: [
        ...p.device.settings,
        {
          id: 'system',
          label: 'System',
          group: 'set',
          kind: 'choice',
          options: ['heatPump', 'conventional'].map((id) => ({ id, label: id })),
          default: 'heatPump',
          intent: 'system',
        },
      ],
      parts: p.device.parts.map((x) => {
        if (x.kind !== 'contact' || !['outY', 'outAux'].includes(x.id)) return x
        const call: Call[] = x.id === 'outY' ? ['cool1'] : ['heat1', 'heatAux1']
        return { ...x, driver: { all: [{ energised: 'self' }, { call }] } }
      }),
    },
  }))

export const JOB_FIXTURES: Record<string, { raises: JobSeen; code: string; at: string; clears: JobSeen }> = {
  polarity: {
    raises: seen(
      installationOf(
        compose([...SENSOR_FUEL, 'lift feedA.L1=fur.L1 feedA.N=fur.N', 'land feedA.L1=fur.N feedA.N=fur.L1']),
      ),
    ),
    code: 'neutralCrossed',
    at: 'fur.N',
    clears: seen(installationOf(compose(SENSOR_FUEL))),
  },
  blowerLead: {
    raises: seen(installationOf(compose([...ONE_STAGE, 'lift ah.BL=kit.BL']))),
    code: 'blowerLeadOff',
    at: 'kit.BL',
    clears: seen(installationOf(compose(ONE_STAGE))),
  },
  grounded: {
    raises: seen(installationOf(compose([...ONE_STAGE, 'lift feedB.GND=od.GND']))),
    code: 'noGround',
    at: 'od.GND',
    clears: seen(installationOf(compose(ONE_STAGE))),
  },
  togetherAhead: {
    raises: seen(job('tallow-mill', { 'tstat.together': 'yes' })),
    code: 'togetherAhead',
    at: 'tstat.together',
    clears: seen(job('tallow-mill')),
  },
  heatGap: {
    raises: seen(
      job('pennywort-close', {
        'tstat.outdoorSource': 'feed',
        'tstat.useCompressorLockout': 'on',
        'tstat.compressorLockout': 40,
        'tstat.useAuxLockout': 'on',
        'tstat.auxLockout': 30,
      }),
      ONLINE,
    ),
    code: 'heatGap',
    at: 'tstat.auxLockout',
    clears: seen(
      job('pennywort-close', {
        'tstat.outdoorSource': 'feed',
        'tstat.useCompressorLockout': 'on',
        'tstat.compressorLockout': 30,
        'tstat.useAuxLockout': 'on',
        'tstat.auxLockout': 30,
      }),
      ONLINE,
    ),
  },
  selectorMatches: {
    raises: seen(bus({ 'od.selector': '24V' })),
    code: '24SetWiredBus',
    at: 'od.selector',
    clears: seen(bus()),
  },
  valveSense: {
    raises: seen(job('pennywort-close', { 'tstat.rvSense': 'heating' })),
    code: 'valveSense',
    at: 'tstat.rvSense',
    clears: seen(job('pennywort-close')),
  },
  noPower: {
    raises: seen(lifted('quillfeather-lane', 'tstat.C', 'ah.C')),
    code: 'noPower',
    at: 'tstat.C',
    clears: seen(job('quillfeather-lane')),
  },
  backupSourceWrong: {
    raises: seen(job('tallow-mill', { 'tstat.backupSource': 'electric' })),
    code: 'electricWithFurnace',
    at: 'tstat.backupSource',
    clears: seen(job('tallow-mill')),
  },
  backupOnFault: {
    raises: seen(job('quillfeather-lane', { 'od.faultHeat': 'off' })),
    code: 'faultHeatOff',
    at: 'od.faultHeat',
    clears: seen(job('quillfeather-lane')),
  },
  stripLockout: {
    raises: seen(lockedOut(30)),
    code: 'lockoutByHabit',
    at: 'tstat.compressorLockout',
    clears: seen(lockedOut(5)),
  },
  inCharge: {
    raises: seen(job('tallow-mill', { 'tstat.inCharge': 'kit' })),
    code: 'noneInCharge',
    at: 'tstat.inCharge',
    clears: seen(job('tallow-mill')),
  },
  stages: {
    raises: seen(job('pennywort-close', { 'tstat.compressorStages': '1' })),
    code: 'stageNotSet',
    at: 'tstat.compressorStages',
    clears: seen(job('pennywort-close')),
  },
  emergencyPath: {
    raises: seen(job('quillfeather-lane', { 'tstat.auxWithE': 'together' })),
    code: 'eLandedTogether',
    at: 'tstat.auxWithE',
    clears: seen(job('quillfeather-lane')),
  },
  lockoutSource: {
    raises: seen(job('pennywort-close', { 'tstat.outdoorSource': 'none', 'tstat.useAuxLockout': 'on' })),
    code: 'lockoutNoSource',
    at: 'tstat.useAuxLockout',
    clears: seen(job('pennywort-close', { 'tstat.outdoorSource': 'none', 'tstat.useAuxLockout': 'off' })),
  },
  sensor: {
    raises: seen(job('pennywort-close', { 'tstat.outdoorSource': 'wired' })),
    code: 'sensorNotLanded',
    at: 'tstat.outdoorSource',
    clears: seen(job('pennywort-close', { 'tstat.outdoorSource': 'none', 'tstat.useAuxLockout': 'off' })),
  },
  tapFits: {
    raises: seen(job('quillfeather-lane', { 'ah.tap': 208 })),
    code: 'tapTooLow',
    at: 'ah.tap',
    clears: seen(job('quillfeather-lane', { 'ah.tap': 240 })),
  },
  lineCircuits: {
    // The plate of the outdoor unit allows 30 A.
    raises: seen(job('quillfeather-lane', { 'feedB.breakerA': 40 })),
    code: 'breakerOverMax',
    at: 'feedB.breakerA',
    clears: seen(job('quillfeather-lane', { 'feedB.breakerA': 30 })),
  },
  systemFamily: {
    raises: seen(job('pennywort-close', { 'tstat.system': 'dualFuel' })),
    code: 'fuelSetNoBurner',
    at: 'tstat.system',
    clears: seen(job('pennywort-close')),
  },
  fanOffInDefrost: {
    raises: seen(bus({ 'tstat.fanInDefrost': 'off' })),
    code: 'fanOffInDefrost',
    at: 'tstat.fanInDefrost',
    clears: seen(bus()),
  },
  defrostIntent: {
    // Wired for 24 V with the defrost output landed on W1, the outdoor board's backup on a fault off.
    raises: seen(toldNoDefrost({ 'od.faultHeat': 'off' })),
    code: 'defrostLanded',
    at: 'ctl.strips',
    clears: seen(job('quillfeather-lane')),
  },
  pairing: {
    raises: seen(sized(5, 4)),
    code: 'unpaired',
    at: 'od.',
    clears: seen(sized(5, 4, [{ tons: 4 }])),
  },
  plateAdds: {
    // 1.25 × 13.6 + 0.8 = 17.8; the person read 13.8 for 17.8.
    raises: seen(job('quillfeather-lane'), { plates: { od: { mca: 13.8 } } }),
    code: 'plateMca',
    at: 'od.',
    clears: seen(job('quillfeather-lane'), { plates: { od: { mca: 17.8 } } }),
  },
  stripHysteresis: {
    raises: seen(bus({ 'tstat.stripOn': 4, 'tstat.stripOff': 3 })),
    code: 'stripTight',
    at: 'tstat.stripOff',
    clears: seen(bus({ 'tstat.stripOn': 5, 'tstat.stripOff': 3 })),
  },
  kitSize: {
    raises: seen(job('pennywort-close', { 'ah.kitSize': '20' })),
    code: 'kitNotAllowed',
    at: 'ah.kitSize',
    clears: seen(job('pennywort-close', { 'ah.kitSize': '10' })),
  },
  staticClass: {
    raises: seen(bus({ 'tstat.staticClass': '04' }), { staticInWc: 0.62 }),
    code: 'staticBelow',
    at: 'tstat.staticClass',
    clears: seen(bus({ 'tstat.staticClass': '07' }), { staticInWc: 0.62 }),
  },
  minimumOff: {
    raises: seen(job('quillfeather-lane', { 'tstat.minimumOff': 2 })),
    code: 'minimumOffShort',
    at: 'tstat.minimumOff',
    // The two-stage unit's own board waits five minutes.
    clears: seen(job('pennywort-close', { 'tstat.minimumOff': 2 })),
  },
  cycles: {
    raises: seen(job('candlemaker-yard', { 'tstat.cyclesHeatPump': 4 }), ONLINE),
    code: 'cyclesCompressor',
    at: 'tstat.cyclesHeatPump',
    clears: seen(job('candlemaker-yard'), ONLINE),
  },
  droop: {
    raises: seen(job('pennywort-close', { 'tstat.droop': 1, 'tstat.stageDifferential': 2 })),
    code: 'droopTight',
    at: 'tstat.droop',
    clears: seen(job('pennywort-close', { 'tstat.droop': 2, 'tstat.stageDifferential': 2 })),
  },
  earlyRecovery: {
    raises: seen(job('pennywort-close', { 'tstat.earlyRecovery': 'on' }), {
      answers: { sleepsByDay: 'yes' },
    }),
    code: 'earlyRecoveryWakes',
    at: 'tstat.earlyRecovery',
    clears: seen(job('pennywort-close', { 'tstat.earlyRecovery': 'on' })),
  },
  factorySettings: {
    raises: seen(job('copper-alley', { 'od.earlyDefrost': 'on' })),
    code: 'factoryLeft',
    at: 'od.earlyDefrost',
    clears: seen(job('copper-alley', { 'od.earlyDefrost': 'on' }), { answers: { climate: 'humidCool' } }),
  },
  profileMisfit: {
    raises: seen(job('quillfeather-lane'), { plates: { tstat: { model: 'H1-C' } } }),
    code: 'profileMisfit',
    at: 'tstat.',
    clears: seen(job('quillfeather-lane'), { plates: { tstat: { model: 'h1-a' } } }),
  },
  feedNotOnline: {
    raises: seen(job('millrace-cottage')),
    code: 'feedNotOnline',
    at: 'tstat.outdoorSource',
    clears: seen(job('millrace-cottage'), ONLINE),
  },
  testsBlocked: {
    raises: seen(job('quillfeather-lane', { 'tstat.keypadLock': 'full' }), {}, false),
    code: 'lockBeforeTests',
    at: 'tstat.keypadLock',
    clears: seen(job('quillfeather-lane', { 'tstat.keypadLock': 'full' }), {}, true),
  },
}
