import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import type { Device, Value } from '@/core/equipment'
import type { Cable, Installation, Wire } from '@/core/installation'

const root = join(__dirname, '..', '..')

/** What is in a JSON file of the project, a copy for each that asks. */
export const readJson = <T>(path: string): T => JSON.parse(textOf(path)) as T

const texts = new Map<string, string>()
function textOf(path: string): string {
  const text = texts.get(path) ?? readFileSync(join(root, path), 'utf8')
  texts.set(path, text)
  return text
}

export const libraryDevice = (id: string): Device => readJson<Device>(`library/${id}.json`)

/** Ids of every device that ships with the app. */
export const libraryIds = (): string[] =>
  readdirSync(join(root, 'library')).map((f) => f.replace('.json', ''))

/** Ids of every demo job. */
export const jobIds = (): string[] => readdirSync(join(root, 'demo/jobs')).map((f) => f.replace('.json', ''))

interface JobFile {
  devices: Record<string, Device>
  placed: { ref: string; device: string; label: string; settings: Record<string, Value | null> }[]
  cables: Cable[]
  wires: Wire[]
}

/** A demo job as the core sees it, with some settings changed ("odt.setpoint": 40). */
export function demoInstallation(id: string, settings: Record<string, Value | null> = {}): Installation {
  const job = readJson<JobFile>(`demo/jobs/${id}.json`)
  return {
    placed: job.placed.map((p) => {
      const own = Object.entries(settings).filter(([k]) => k.startsWith(`${p.ref}.`))
      const changed = Object.fromEntries(own.map(([k, v]) => [k.slice(p.ref.length + 1), v]))
      return { ...p, device: job.devices[p.device]!, settings: { ...p.settings, ...changed } }
    }),
    cables: job.cables,
    wires: job.wires,
  }
}

/** The same job with one wire's ends changed. */
export function rewired(inst: Installation, id: string, ends: Partial<Pick<Wire, 'a' | 'b'>>): Installation {
  return { ...inst, wires: inst.wires.map((w) => (w.id === id ? { ...w, ...ends } : w)) }
}
export const without = (inst: Installation, id: string): Installation => ({
  ...inst,
  wires: inst.wires.filter((w) => w.id !== id),
})
/** The wire that runs between two terminals. */
export function wireBetween(inst: Installation, a: string, b: string): Wire {
  const wire = inst.wires.find((w) => (w.a === a && w.b === b) || (w.a === b && w.b === a))
  if (!wire) throw new Error(`no wire between ${a} and ${b}`)
  return wire
}
