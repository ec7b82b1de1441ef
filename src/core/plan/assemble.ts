import { hasTrait, KINDS, type Device, type Unknowable, type Value } from '../equipment'
import {
  makeRef,
  placedByRef,
  type Cable,
  type Installation,
  type Placed,
  type Ref,
  type Wire,
} from '../installation'
import { lineCircuitsOf } from '../kit'
import { having } from '../query'
import { LINE_PAIRS, pluggedInputs, straightLeads } from '../wiring'

/** A device on its way into a job. */
export interface Piece {
  ref: string
  label: string
  where: string
  device: Device
  settings?: Record<string, Unknowable<Value>>
}
/** A low-voltage cable that is there, with its count of conductors. */
export interface CableChoice {
  label: string
  from: string
  to: string
  conductors: number
  feet: number
}

/** Insulation colors of a thermostat cable, in the order in which makers add them: four conductors to ten. */
export const CABLE_COLOURS = [
  'red', 'green', 'yellow', 'white', 'blue', 'orange', 'brown', 'black', 'grey', 'purple',
] // prettier-ignore

/** The circuits of a house: a two-pole feed for 240 V gear and a one-pole feed for 120 V gear. */
export interface Feeds {
  twoPole: Device
  onePole: Device
}

/**
 * A job from its pieces: cables with bare conductors at both ends, kits plugged into their air handlers, and every piece
 * of line-voltage gear on a circuit of its own. The 24 V landing is left to the plan or to what is found.
 */
export function assemble(
  pieces: readonly Piece[],
  cables: readonly CableChoice[],
  feeds: Feeds,
): Installation {
  const placed: Placed[] = pieces.map((p) => ({
    ref: p.ref,
    label: p.label,
    where: p.where,
    device: p.device,
    settings: { ...p.settings },
  }))
  const job: Installation = { placed, cables: [], wires: [] }
  const land = lander(job)
  cables.forEach((c, i) => {
    const id = `c${i + 1}`
    const { label, from, to, feet } = c
    job.cables.push({ id, label, kind: 'low', from, to, gauge: 18, feet })
    for (const colour of CABLE_COLOURS.slice(0, c.conductors)) land(id, colour, null, null)
  })
  plugIn(job, land)
  feedAll(job, feeds, land)
  return job
}

/** A job with its kits plugged in and every piece of line-voltage gear that has no circuit yet on one of its own. */
export function withLineWork(inst: Installation, feeds: Feeds): Installation {
  const job = { placed: [...inst.placed], cables: [...inst.cables], wires: [...inst.wires] }
  const land = lander(job)
  plugIn(job, land)
  feedAll(job, feeds, land)
  return job
}

/** A name that is not used yet: what it begins with, and a number. */
export function freeName(used: readonly { id: string }[], start: string): string {
  const taken = new Set(used.map((u) => u.id))
  let n = used.length + 1
  const name = () => `${start}${String(n).padStart(2, '0')}`
  while (taken.has(name())) n++
  return name()
}

/** Adds conductors to a job, each with the next name that is free. */
const lander =
  (job: Installation): Land =>
  (cable, colour, a, b) =>
    void job.wires.push({ id: freeName(job.wires, 'w'), cable, colour, a, b } satisfies Wire)

type Land = (cable: string | null, colour: string, a: Ref | null, b: Ref | null) => void
/** Terminal of a device's equipment ground. */
const ground = ({ device }: Pick<Placed, 'device'>): string | undefined =>
  device.terminals.find((t) => t.role === 'ground')?.id
const has = (p: Placed, id: string): boolean => p.device.terminals.some((t) => t.id === id)

/** A job whose kits are plugged in as they were made: a harness with two of its inputs exchanged is put right. */
export function withHarnessesRight(inst: Installation): Installation {
  const right = new Map<string, Ref>()
  for (const cable of inst.cables.filter((c) => c.kind === 'harness')) {
    const [ah, kit] = [placedByRef(inst, cable.from), placedByRef(inst, cable.to)]
    if (!ah || !kit) continue
    const inputs = pluggedInputs(ah, kit)
    const there = inst.wires.filter((w) => w.cable === cable.id)
    for (const { from, to } of inputs) {
      const own = there.find((w) => w.a === from && inputs.some((i) => i.to === w.b))
      if (own && there.some((w) => w.b === to && w !== own)) right.set(own.id, to)
    }
  }
  if (!right.size) return inst
  return { ...inst, wires: inst.wires.map((w) => ({ ...w, b: right.get(w.id) ?? w.b })) }
}

/** Each strip kit on the air handler beside it. */
function plugIn(job: Installation, land: Land): void {
  for (const kit of having(job, 'addsStrips')) {
    const ah = job.placed.find((p) => hasTrait(p.device, 'takesKit') && p.where === kit.where)
    if (!ah) continue
    const id = `harness-${kit.ref}`
    if (job.cables.some((c) => c.id === id)) continue
    job.cables.push({
      id,
      label: 'Kit plug-in harness',
      kind: 'harness',
      from: ah.ref,
      to: kit.ref,
      gauge: 18,
      feet: 2,
    } satisfies Cable)
    const colours: Record<string, string> = { C: 'blue', L1: 'black', L2: 'red', BL: 'purple' }
    pluggedInputs(ah, kit).forEach(({ from, to }, row) =>
      land(id, ['white', 'brown', 'grey'][row] ?? 'white', from, to),
    )
    for (const { label, from, to } of straightLeads(ah, kit)) land(id, colours[label] ?? 'white', from, to)
    const [chassis, own] = [ground(ah), ground(kit)]
    if (chassis && own) land(id, 'green', makeRef(ah.ref, chassis), makeRef(kit.ref, own))
  }
}

/**
 * Breakers and conductors of new circuits that carry strips, by what they ask for: the conductors by the lower column, since
 * nobody has said yet what cable it is.
 */
function fitCircuits(job: Installation, feeds: ReadonlySet<string>): void {
  for (const c of lineCircuitsOf(job, {}, 'copper60')) {
    const feed = job.placed.find((p) => p.ref === c.feed)
    if (!feed || !feeds.has(c.feed) || c.elementsA === 0) continue
    const [least, most] = feed.device.settings.find((s) => s.id === c.breakerSetting)?.range ?? [0, 60]
    if (c.breakerSetting !== null && c.mostBreakerA === null && !c.fromPlate)
      feed.settings[c.breakerSetting] = Math.min(most, 60, Math.max(least, c.breakerNeeds))
    for (const cable of job.cables)
      if (cable.from === c.feed && c.gaugeNeeds !== null) cable.gauge = Math.min(cable.gauge, c.gaugeNeeds)
  }
}

/** A circuit for each pair of line terminals that no harness feeds. */
function feedAll(job: Installation, feeds: Feeds, land: Land): void {
  // An air handler gets its line through its kit's harness; anything else from a circuit's own cable.
  const fed = (p: Placed, id: string) => {
    const ref = makeRef(p.ref, id)
    return job.wires.some((w) => {
      if (w.cable === null || (w.a !== ref && w.b !== ref)) return false
      return hasTrait(p.device, 'takesKit') || job.cables.find((c) => c.id === w.cable)?.kind === 'line'
    })
  }
  const made = new Set<string>()
  const gear = [...job.placed]
  // A kit is fed first; the air handler gets its line through the kit's harness.
  gear.sort((a, b) => Number(hasTrait(b.device, 'addsStrips')) - Number(hasTrait(a.device, 'addsStrips')))
  let count = 0
  for (const p of gear) {
    for (const [hot, other] of LINE_PAIRS) {
      if (!has(p, hot) || !has(p, other)) continue
      if (fed(p, hot)) continue
      while (job.placed.some((x) => x.ref === `feed${String.fromCharCode(65 + count)}`)) count++
      const ref = `feed${String.fromCharCode(65 + count)}`
      made.add(ref)
      const device = other === 'N' ? feeds.onePole : feeds.twoPole
      const amps = Number(p.device.plate.mocpA ?? KINDS[p.device.kind].usualBreakerA ?? 15)
      const breaker = device.settings.find((s) => s.id === 'breakerA')
      const rating = Math.min(breaker?.range?.[1] ?? amps, Math.max(breaker?.range?.[0] ?? amps, amps))
      job.placed.push({
        ref,
        label: `Feed to ${p.label.toLowerCase()}${hot === 'L3' ? ', second circuit' : ''}`,
        where: 'panel',
        device,
        settings: {
          ...Object.fromEntries(device.settings.map((s) => [s.id, s.default])),
          ...(breaker ? { breakerA: rating } : {}),
        },
      })
      const cable = `line-${ref}`
      const gauge = rating > 30 ? 6 : rating > 20 ? 10 : 12
      job.cables.push({
        id: cable,
        label: `Line to ${p.label.toLowerCase()}`,
        kind: 'line',
        from: ref,
        to: p.ref,
        gauge,
        feet: 40,
      })
      land(cable, 'black', makeRef(ref, 'L1'), makeRef(p.ref, hot))
      land(
        cable,
        other === 'N' ? 'white' : 'red',
        makeRef(ref, other === 'N' ? 'N' : 'L2'),
        makeRef(p.ref, other),
      )
      const [from, to] = [ground({ device }), ground(p)]
      if (from && to) land(cable, 'green', makeRef(ref, from), makeRef(p.ref, to))
      count++
    }
  }
  fitCircuits(job, made)
}
