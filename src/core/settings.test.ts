import { demoInstallation, jobIds, libraryDevice, libraryIds } from '../../tests/helpers/demo'
import { FEEDS } from '../../tests/helpers/gear'
import { createHash } from 'node:crypto'
import { OBSERVERS, valuesOf, withIntents, type ObserverName } from '../../tests/helpers/observe'
import { buildDevice, freshDraft } from './deviceBuilder'
import type { Device, DeviceDraft, Intent, Value } from './equipment'
import type { Installation } from './installation'
import { assemble, planLanding, planned, USUAL, type WiringPractice } from './plan'

/** Settings of other things that a setting may need before it can act: a source for a lockout, dual fuel for a changeover. */
const PRESETS: readonly Readonly<Record<string, Value>>[] = [
  {},
  { outdoorSource: 'feed', useCompressorLockout: 'on', useAuxLockout: 'on', compressorLockout: 30, auxLockout: 40, schedule: '52', earlyRecovery: 'on', powerRestart: 'resume' },
  { outdoorSource: 'feed', system: 'dualFuel', furnaceHoldOff: 3, together: 'no', changeover: 35 },
  { selector: 'bus', boardDelay: '14', powerRestart: 'resume' },
  { compressorStages: '1', backupStages: '1' },
  { together: 'yes', system: 'heatPump' },
] // prettier-ignore

type Short = [ref: string, device: Device | string, where: string]
function landed(pieces: readonly Short[], practice: Partial<WiringPractice> = {}): Installation {
  const list = pieces.map(([ref, device, where]) => ({
    ref,
    label: ref,
    where,
    device: typeof device === 'string' ? libraryDevice(device) : device,
  }))
  const [stat, hub] = [list[0]!.ref, list[1]!.ref]
  const cables = [
    { label: 'Thermostat cable', from: stat, to: hub, conductors: 10, feet: 40 },
    ...(pieces.some(([ref]) => ref === 'od') && hub !== 'od'
      ? [{ label: 'Outdoor cable', from: hub, to: 'od', conductors: 10, feet: 50 }]
      : []),
  ]
  const inst = assemble(list, cables, FEEDS)
  return planned(inst, planLanding(inst, { ...USUAL, ...practice }))
}

/** Jobs that a device can stand in. */
function* jobsWith(device: Device): Generator<Installation> {
  for (const id of jobIds()) {
    const inst = demoInstallation(id)
    if (inst.placed.some((p) => p.device.id === device.id))
      yield {
        ...inst,
        placed: inst.placed.map((p) => (p.device.id === device.id ? { ...p, device } : p)),
      }
  }
  const bus = device.terminals.some((t) => t.role === 'bus')
  const kit: Short = ['kit', 'teasel-k2', 'garage']
  const sensor: Short = ['sen', 'sedge-os1', 'north']
  const rest: Short[] = [['rel', 'sedge-r1', 'garage'], ['air', 'sedge-a103', 'garage']] // prettier-ignore
  switch (device.kind) {
    case 'thermostat':
      if (bus) {
        yield landed([['tstat', device, 'wall'], ['ah', 'teasel-v2', 'garage'], kit, ['od', 'marram-v3', 'north']])
        return
      }
      yield landed([['tstat', device, 'wall'], ['ah', 'teasel-a5', 'garage'], kit, ['od', 'marram-t2', 'north']])
      yield landed([['tstat', device, 'wall'], ['fur', 'brindle-g2', 'garage'], ['od', 'marram-t2', 'north'], sensor])
      yield landed([['tstat', device, 'wall'], ['fur', 'brindle-g2', 'garage'], ['od', 'marram-t2', 'north'], ...rest], { fuel: 'stage' })
      return
    case 'outdoorUnit':
      yield landed([['tstat', 'sorrel-h2', 'wall'], ['ah', 'teasel-a5', 'garage'], kit, ['od', device, 'north']])
      if (bus) yield landed([['tstat', 'sedge-w1', 'wall'], ['ah', 'teasel-v2', 'garage'], kit, ['od', device, 'north']])
      return
    case 'airHandler':
      yield landed([['tstat', 'sorrel-h2', 'wall'], ['ah', device, 'garage'], kit, ['od', 'marram-t2', 'north']])
      return
    case 'furnace':
      yield landed([['tstat', 'sorrel-h2', 'wall'], ['fur', device, 'garage'], ['od', 'marram-t2', 'north'], sensor])
      return
    case 'packagedUnit':
      yield landed([['tstat', 'sorrel-h2', 'wall'], ['od', device, 'north']])
      return
    case 'stripKit':
      yield landed([['tstat', 'sorrel-h2', 'wall'], ['ah', 'teasel-a5', 'garage'], ['kit', device, 'garage'], ['od', 'marram-t2', 'north']])
      return
    case 'outdoorThermostat':
      yield landed([['tstat', 'sorrel-h1', 'wall'], ['ah', 'teasel-a3', 'garage'], kit, ['od', 'marram-s1', 'north'], ['odt', device, 'north']])
  }
} // prettier-ignore

/** What no library file has: the forms, filled in with everything that brings a setting. */
const form = (kind: DeviceDraft['kind'], more: Partial<DeviceDraft>): Device =>
  buildDevice(
    { ...freshDraft(kind), name: kind, model: 'own', ...more },
    `own-${kind}-${JSON.stringify(more).length}`,
  )
const FORMS: readonly Device[] = [
  form('thermostat', { lockouts: true, dualFuel: true, terminals: ['R', 'C', 'G', 'Y', 'OB', 'AUX', 'E', 'S1', 'S2'] }),
  form('outdoorUnit', {}),
  form('outdoorUnit', { inverter: true, terminals: ['R', 'C', 'Y', 'OB', 'W', 'D1', 'D2'] }),
  form('airHandler', { heat: 'kit', delayMost: 90 }),
  form('furnace', {}),
  form('furnace', { fuel: 'oil' }),
  form('packagedUnit', { fuel: 'natural' }),
] // prettier-ignore

/** Where a setting shows, so that the test need not look everywhere first. */
const SHOWS: Partial<Record<Intent, ObserverName>> = {
  auxLockout: 'year',
  backupStages: 'year',
  boardMinimumOff: 'waits',
  changeover: 'scene1',
  coil: 'proof',
  cyclesHeatPump: 'year',
  fanOffDelay: 'waits',
  fanOverrunCool: 'waits',
  furnaceHoldOff: 'waits',
  minimumOff: 'waits',
  outdoorSwitch: 'year',
  valveHold: 'waits',
}

const answers = new Map<string, string>()
/** What an observer says of a job, as a digest: a base of many comparisons is asked once. */
function told(name: ObserverName, inst: Installation): string {
  const key = `${name} ${JSON.stringify(inst.placed.map((p) => [p.device.id, p.settings]))}${JSON.stringify(inst.wires)}`
  let answer = answers.get(key)
  if (answer === undefined) {
    answer = createHash('sha1').update(OBSERVERS[name](inst)).digest('base64')
    answers.set(key, answer)
  }
  return answer
}

/** Range stops matter where a test needs to pass them, and nowhere else: not every two of their values differ. */
const STOPS: readonly Intent[] = ['rangeLow', 'rangeHigh']

/** Pairs of a setting's values that come to the same, whatever else is set, in any job that the device can stand in. */
function alike(device: Device, id: string): [Value, Value][] {
  const { intent } = device.settings.find((s) => s.id === id)!
  const [first, ...rest] = valuesOf(device, id)
  const pairs = rest.map((v): [Value, Value] => [first!, v])
  // Of a figure its two ends differ as well: three and ten minutes are not the same hold-off.
  let left =
    pairs.length === 2 && typeof first === 'number'
      ? [...pairs, [rest[0]!, rest[1]!] as [Value, Value]]
      : pairs
  const jobs = [...jobsWith(device)].slice(-3)
  const shows = intent && SHOWS[intent]
  const names = Object.keys(OBSERVERS) as ObserverName[]
  for (const name of shows ? [shows, ...names.filter((n) => n !== shows)] : names)
    for (const job of jobs)
      for (const preset of PRESETS) {
        const base = withIntents(job, preset)
        const set = (value: Value): Installation => ({
          ...base,
          placed: base.placed.map((p) =>
            p.device.id === device.id ? { ...p, settings: { ...p.settings, [id]: value } } : p,
          ),
        })
        left = left.filter(([a, b]) => told(name, set(a)) === told(name, set(b)))
        const done = intent && STOPS.includes(intent) ? left.length < 2 : !left.length
        if (done) return []
      }
  return left
}

const settingsOf = (device: Device) =>
  device.settings.filter((s) => s.intent !== undefined).map((s) => [device.id, s.id, device, s] as const)

describe('a setting changes something, or says that it does not', () => {
  const all = [...libraryIds().map(libraryDevice), ...FORMS].flatMap(settingsOf)

  it.each(all.filter(([, , , s]) => s.inert === undefined))('%s %s', (_, id, device) => {
    expect(alike(device, id)).toEqual([])
  })

  it.each(all.filter(([, , , s]) => s.inert !== undefined))(
    '%s %s says so in a sentence',
    (_, __, ___, s) => {
      expect(s.inert).toMatch(/^[A-Z].{15,90}\.$/)
    },
  )

  it('no contact, mode or demand of a device reads a setting that says so', () => {
    for (const [, id, device, s] of all)
      if (s.inert !== undefined)
        expect(JSON.stringify([device.parts, device.modes, device.demand ?? {}])).not.toContain(
          `"set":"${id}"`,
        )
  })
})
