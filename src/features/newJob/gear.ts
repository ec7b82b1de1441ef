import { nth } from '@/core/assert'
import { hasTrait, KINDS, type Device, type Trait } from '@/core/equipment'
import type { Installation } from '@/core/installation'
import {
  assemble,
  planLanding,
  planned,
  practiceFor,
  type Piece,
  type Plan,
  type WiringPractice,
} from '@/core/plan'
import { FRESH_COMMISSIONING, freshParts, JOB_VERSION, type Job } from '@/jobfile'

/** Choices for a new job so far. Devices by id; '' is none. */
export interface Choices {
  title: string
  owner: string
  thermostat: string
  indoor: string
  kit: string
  outdoor: string
  extras: string[]
  /** All of it new from its box: what nobody sets stands as its maker left it. Else it is not known. */
  newFromBox: boolean
  wallConductors: number
  wallFeet: number
  outConductors: number
  outFeet: number
  landing: 'plan' | 'bare'
  /** Practices that differ from the usual ones. */
  practice: Partial<WiringPractice>
}

/** Choices of a new job, each with the trait of the devices that it offers. */
export const CHOICES = {
  thermostat: 'onWall',
  indoor: 'indoors',
  kit: 'addsStrips',
  outdoor: 'compresses',
} satisfies Record<string, Trait>

const shortName = (d: Device): string => d.name.split(' ').slice(2).join(' ') || d.name
const capital = (s: string): string => nth(s, 0).toUpperCase() + s.slice(1)

/** Whether an indoor unit stands inside a packaged unit: then nothing else is asked indoors. */
export const isPackaged = (library: readonly Device[], outdoor: string): boolean =>
  hasTrait(
    library.find((d) => d.id === outdoor),
    'packaged',
  )

/** The gear with its cables and circuits, nothing landed; null while something that it needs is not chosen. */
export function gearOf(library: readonly Device[], c: Choices): Installation | null {
  const device = (id: string) => library.find((d) => d.id === id)
  const [stat, out] = [device(c.thermostat), device(c.outdoor)]
  const packaged = isPackaged(library, c.outdoor)
  const indoor = packaged ? undefined : device(c.indoor)
  const feedOf = (volts: number) => library.find((d) => hasTrait(d, 'feedsLine') && d.plate.volts === volts)
  const feeds = { twoPole: feedOf(240), onePole: feedOf(120) }
  if (!stat || !out || (!packaged && !indoor) || !feeds.twoPole || !feeds.onePole) return null
  const kit = hasTrait(indoor, 'takesKit') ? device(c.kit) : undefined
  const inside = indoor ? 'utility room' : 'outdoors'
  const outside = packaged ? 'outdoors' : 'north wall'
  const pieces: Piece[] = [
    { ref: 'tstat', label: 'Thermostat', where: 'inside wall', device: stat },
    ...(indoor
      ? [
          {
            ref: KINDS[indoor.kind].inJob.ref,
            label: hasTrait(indoor, 'takesKit') ? 'Air handler' : 'Furnace',
            where: inside,
            device: indoor,
          },
        ]
      : []),
    ...(kit ? [{ ref: 'kit', label: 'Strip kit', where: inside, device: kit }] : []),
    { ref: 'od', label: packaged ? 'Packaged unit' : 'Outdoor unit', where: outside, device: out },
    ...c.extras.flatMap((id, i): Piece[] => {
      const extra = device(id)
      if (!extra) return []
      const twin = c.extras.slice(0, i).filter((e) => device(e)?.kind === extra.kind).length
      const { ref, where: usual } = KINDS[extra.kind].inJob
      const where = usual === 'north wall' ? outside : usual === 'inside wall' ? usual : inside
      return [
        {
          ref: `${ref}${twin ? twin + 1 : ''}`,
          label: capital(nth(shortName(extra).split(','), 0)),
          where,
          device: extra,
        },
      ]
    }),
  ]
  const hub = indoor ? nth(pieces, 1).ref : 'od'
  const cables = [
    {
      label: 'Thermostat cable',
      from: 'tstat',
      to: hub,
      conductors: c.wallConductors,
      feet: c.wallFeet,
    },
    ...(indoor
      ? [{ label: 'Outdoor cable', from: hub, to: 'od', conductors: c.outConductors, feet: c.outFeet }]
      : []),
  ]
  return assemble(pieces, cables, { twoPole: feeds.twoPole, onePole: feeds.onePole })
}

/** The plan for the gear as chosen. */
export const planOf = (gear: Installation, c: Choices): Plan =>
  planLanding(gear, practiceFor(gear, c.practice))

/** The job's file, landed by the plan or left bare. */
export function jobOf(gear: Installation, plan: Plan, c: Choices, who: string): Job {
  const inst = c.landing === 'plan' ? planned(gear, plan) : gear
  const id = `${
    c.title
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '') || 'job'
  }`.slice(0, 50)
  return {
    format: 'gatecross.job',
    version: JOB_VERSION,
    id,
    title: c.title.trim() || 'New job',
    site: { address: '', owner: c.owner.trim() },
    note: '',
    technician: who,
    devices: Object.fromEntries(inst.placed.map((p) => [p.device.id, p.device])),
    placed: inst.placed.map(({ device, ...p }) => ({ ...p, device: device.id })),
    cables: inst.cables,
    wires: inst.wires,
    ...freshParts(),
    commissioning: { ...FRESH_COMMISSIONING, plates: c.newFromBox ? newPlates(inst) : {} },
  }
}

const newPlates = (inst: Installation): Job['commissioning']['plates'] =>
  Object.fromEntries(
    inst.placed
      .filter((p) => !hasTrait(p.device, 'feedsLine') && p.device.settings.length > 0)
      .map((p) => [p.ref, { newFromBox: true }]),
  )
