import type { Device } from '@/core/equipment'
import { assemble, type CableChoice, type Piece } from '@/core/plan'
import { libraryDevice } from './demo'

export const FEEDS = { twoPole: libraryDevice('feed-240'), onePole: libraryDevice('feed-120') }

/** A piece of gear for a test: [ref, device id, place]. */
export type Short = [string, string, string, Piece['settings']?]

/** Gear with cables of so many conductors from the first piece to the second, and from the second to the last. */
export function gear(pieces: Short[], wall: number, out = 0) {
  const list = pieces.map(([ref, id, where, settings]): Piece => {
    const device: Device = libraryDevice(id)
    return { ref, label: ref, where, device, ...(settings ? { settings } : {}) }
  })
  const [stat, hub] = [list[0]!.ref, list[1]!.ref]
  const cables: CableChoice[] = [
    { label: 'Thermostat cable', from: stat, to: hub, conductors: wall, feet: 40 },
  ]
  if (out) cables.push({ label: 'Outdoor cable', from: hub, to: 'od', conductors: out, feet: 50 })
  return assemble(list, cables, FEEDS)
}

/** Two stages of both, three rows and a wired sensor. */
export const TWO_STAGE: Short[] = [
  ['tstat', 'sorrel-h2', 'wall'],
  ['ah', 'teasel-a5', 'garage'],
  ['kit', 'teasel-k3', 'garage'],
  ['od', 'marram-t2', 'north'],
  ['sen', 'sedge-os1', 'north'],
]

/** One-stage heat pump, air handler and two-row kit. */
export const STRIPS: Short[] = [
  ['tstat', 'sorrel-h1', 'wall'],
  ['ah', 'teasel-a3', 'garage'],
  ['kit', 'teasel-k2', 'garage'],
  ['od', 'marram-s1', 'north'],
]
