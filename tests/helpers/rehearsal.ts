import { READINGS, type ReadingKind } from '@/core/readings'
import { Circuit } from '@/core/circuit'
import { HiddenSite, type SiteFault } from '@/core/instruments'
import { makeRef, type JobSeen, type Name } from '@/core/installation'
import { heaterRows } from '@/core/kit'
import {
  expectations,
  judge,
  testPlan,
  type Cause,
  type Reading,
  type TestCard,
  type Verdict,
} from '@/core/startup'
import { degF } from '@/core/units'
import { installationOf, jobSeen, type Job } from '@/jobfile'

/** What was read on one card, with its verdict. */
export interface Judged {
  card: string
  reading: Reading
  verdict: Verdict
}

/** s after the call at which a card is read. */
const [STEADY, IN_DEFROST] = [1800, 100]

/** °F outdoors of the day on which a job is rehearsed. */
const OUTDOOR_F = degF(42)

/** What every run of a job shares: its circuit, and the cards of the day with the points to read on each. */
interface Day {
  circuit: Circuit
  seen: JobSeen
  cards: { card: TestCard; points: Spot[] }[]
}
const days = new WeakMap<Job, Day>()
function dayOf(job: Job): Day {
  const known = days.get(job)
  if (known) return known
  const seen = jobSeen(job, installationOf(job))
  const circuit = new Circuit(seen.inst)
  const cards = testPlan(circuit, OUTDOOR_F)
    .filter((card) => card.today.can)
    .map((card) => ({ card, points: pointsOf(seen, circuit, card) }))
  const day = { circuit, seen, cards }
  days.set(job, day)
  return day
}

/**
 * A whole run: every card that can be tried that day, read with the practice meters once all is steady. Each verdict looks at
 * all readings of the run, and is worked out when it is asked for.
 */
export function rehearse(job: Job, fault: SiteFault | null, seed = 1): Judged[] {
  const { circuit, seen, cards } = dayOf(job)
  const site = new HiddenSite(seen.inst, fault, seed, seen.house.values.altitudeFt?.value)
  const all: Reading[] = []
  const taken: Omit<Judged, 'verdict'>[] = []
  for (const { card, points } of cards)
    for (const { quantity, place, at } of points) {
      const sample = site.read(
        { quantity, place, at, withBlower: false, situation: card.situation, moved: card.moved },
        // A defrost is over in minutes: it is looked at while it is on.
        card.kind === 'defrost' ? IN_DEFROST : STEADY,
      )
      if (!sample) continue
      const reading: Reading = {
        id: `r${all.length}`,
        kind: quantity,
        value: sample.value,
        place: place as Reading['place'],
        at,
        withBlower: quantity === 'stripAmps' ? false : null,
        instrument: sample.instrument,
        situation: card.situation,
        ...(card.moved.length ? { moved: card.moved } : {}),
        who: '',
        when: '2026-11-27T10:00:00Z',
        supersedes: null,
      }
      all.push(reading)
      taken.push({ card: card.id, reading })
    }
  return taken.map((t) => {
    let verdict: Verdict | undefined
    return {
      ...t,
      get verdict() {
        return (verdict ??= judge(circuit, t.reading, all, seen))
      },
    }
  })
}

interface Spot {
  quantity: ReadingKind
  place: string
  at: Name
}

/** What a technician reads on a card: every terminal, and what the card's call makes worth reading. */
function pointsOf({ inst }: JobSeen, circuit: Circuit, card: TestCard): Spot[] {
  const spots: Spot[] = []
  const add = (quantity: ReadingKind, at: Name, place: string = READINGS[quantity].places[0]!) =>
    spots.push({ quantity, at, place })
  const loads = (what: string) =>
    inst.placed.flatMap((p) =>
      p.device.parts.flatMap((x) =>
        x.kind === 'load' &&
        x.does?.what === what &&
        !('stage' in x.does && x.does.stage === 2 && what === 'compressor')
          ? [makeRef(p.ref, x.id)]
          : [],
      ),
    )
  const devices = (...kinds: string[]) =>
    inst.placed.filter((p) => kinds.includes(p.device.kind)).map((p) => p.ref)
  const outdoors = devices('outdoorUnit', 'packagedUnit')
  const movers = inst.placed
    .filter((p) => p.device.parts.some((x) => x.kind === 'load' && x.does?.what === 'blower'))
    .map((p) => p.ref)
  const rows = heaterRows(inst)
  if (card.kind === 'supply') {
    for (const p of inst.placed) {
      if (
        p.device.kind !== 'feed' &&
        p.device.terminals.filter((t) => t.side === 'line' && t.role === 'line').length > 1
      )
        add('lineVolts', p.ref, 'disconnect')
      for (const t of p.device.terminals)
        if (t.role === 'R' && p.device.terminals.some((x) => x.role === 'C'))
          add('controlVolts', makeRef(p.ref, t.id))
    }
    for (const r of rows) add('rowOhms', r.ref)
    for (const what of ['compressor', 'outdoorFan']) for (const at of loads(what)) add('capacitor', at)
    for (const p of inst.placed)
      if (p.device.parts.some((x) => x.kind === 'load' && x.does?.what === 'burner' && x.does.fuel === 'gas'))
        add('gasInlet', p.ref)
  }
  if (card.kind === 'sensor') for (const p of devices('outdoorSensor')) add('sensorDifference', p)
  if (card.kind === 'gate' && card.at) add('gateTrip', card.at)
  if (['call', 'gate', 'defrost', 'minimumOff', 'float', 'leak'].includes(card.kind)) {
    for (const d of expectations(circuit, card.situation) ?? [])
      for (const t of d.terminals) add('terminalVolts', t.terminal)
    for (const r of rows) add('stripAmps', r.ref, 'rowTerminals')
    for (const at of loads('compressor')) add('compressorAmps', at)
    for (const at of loads('outdoorFan')) add('fanAmps', at)
    for (const at of loads('blower').slice(0, 1)) add('blowerAmps', at)
  }
  if (card.kind === 'defrost')
    for (const p of outdoors) for (const q of ['defrostMinutes', 'coilSwitchOpens'] as const) add(q, p)
  if (card.kind === 'call') {
    for (const p of movers) for (const q of ['staticPressure', 'airflow'] as const) add(q, p)
    for (const p of movers) add('returnAir', p)
    for (const p of movers) add('supplyAir', p)
    for (const p of outdoors)
      for (const q of ['subcooling', 'superheat', 'dischargeLine', 'vapourLine', 'valveDifference'] as const)
        add(q, p)
    for (const p of inst.placed) {
      const fuel = p.device.parts.flatMap((x) =>
        x.kind === 'load' && x.does?.what === 'burner' ? [x.does.fuel] : [],
      )[0]
      if (fuel) for (const q of ['flueTemp', 'coAirFree'] as const) add(q, p.ref)
      if (fuel === 'gas') for (const q of ['manifold', 'clockedInput'] as const) add(q, p.ref)
      if (fuel === 'oil') for (const q of ['pumpPressure', 'smoke', 'overFireDraft'] as const) add(q, p.ref)
    }
  }
  return spots
}

/** Causes that name what is wrong beside the wiring. */
const NAMES: Record<string, readonly string[]> = {
  lowVolts: ['utility', 'looseLug', 'legLost', 'otherService'],
  dirtyFilter: ['filter', 'airflowLow', 'duct'],
  lowCharge: ['chargeLow'],
  overcharge: ['chargeHigh'],
  weakCompressor: ['notPumping'],
  leakyValve: ['valveLeaks'],
  weakCapacitor: ['capacitorWeak'],
  lowManifold: ['manifoldLow', 'regulator'],
  highManifold: ['manifoldHigh', 'regulator'],
  lowInlet: ['inletLow', 'utilityGas', 'piping', 'regulator'],
  lowPump: ['pumpSetting', 'oilFilter', 'nozzle'],
  fireShortOfAir: ['combustionAir', 'excessAir'],
  sensorInTheSun: ['sensorPlace'],
  switchOff: ['settingElsewhere', 'sensorPlace', 'switchPlace'],
  fanRunsOn: ['fanRunsOn'],
}

/** Whether a cause points at what is hidden: by its place, or by what it is called. */
export function names(job: Job, cause: Cause, fault: SiteFault): boolean {
  if (fault.kind === 'physics') return NAMES[fault.name]!.includes(cause.kind)
  const { failure } = fault
  const at =
    'at' in cause
      ? cause.at
      : 'from' in cause
        ? cause.from
        : cause.kind === 'gateBlocks'
          ? cause.gate.at
          : null
  const wire = failure.kind === 'wireOpen' ? job.wires.find((w) => `wires.${w.id}` === failure.at) : undefined
  if (wire) return at !== null && (at === wire.a || at === wire.b || at === failure.at)
  if (at === failure.at) return true
  // A relay is one part, its coil and its contacts; so is a switch and the mode that it stands for.
  if (at !== null && drives(job, at, failure.at)) return true
  const part = inWords(job, failure.at)
  if (failure.kind === 'stuckClosed') return cause.kind === 'shouldBeOff'
  if (failure.kind === 'loadOpen')
    return (
      ['notRunning', 'rowOpen', 'linkOpen'].includes(cause.kind) ||
      (/valve|rv/i.test(part) && cause.kind === 'valveOtherWay') ||
      (/blower/i.test(part) && cause.kind === 'airflowLow')
    )
  if (failure.kind === 'mode')
    return (
      (/link/i.test(part) && cause.kind === 'linkOpen') ||
      (/limit/i.test(part) && cause.kind === 'limitOpen') ||
      (/fuse/i.test(part) && cause.kind === 'fuseOpen') ||
      (/breaker|off/i.test(part) && cause.kind === 'breakerOff') ||
      (/door/i.test(part) && cause.kind === 'doorOpen')
    )
  return false
}
/** Whether a contact goes by this coil or mode of its own device. */
function drives(job: Job, contact: string, of: string): boolean {
  const [p = '', id = ''] = contact.split('.')
  const [q = '', what = ''] = of.split('.')
  const part = job.devices[job.placed.find((x) => x.ref === p)?.device ?? '']?.parts.find((x) => x.id === id)
  return p === q && part?.kind === 'contact' && JSON.stringify(part.driver).includes(`"${what}"`)
}
const inWords = (job: Job, ref: string): string => {
  const [p = '', id = ''] = ref.split('.')
  const device = job.devices[job.placed.find((x) => x.ref === p)?.device ?? '']
  const mode = device?.modes.find((m) => m.id === id)
  return `${id} ${mode?.label ?? ''} ${mode?.states.map((s) => s.condition ?? '').join(' ') ?? ''}`
}
