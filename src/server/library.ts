import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import type { Device } from '@/core/equipment'

let known: Device[] | null = null

/** The device library that ships with the app, by name. It is read once: the files do not change while it runs. */
export function library(): Device[] {
  if (!known) {
    const folder = join(process.cwd(), 'demo', 'library')
    const files = readdirSync(folder).filter((f) => f.endsWith('.json'))
    known = files.map((f) => JSON.parse(readFileSync(join(folder, f), 'utf8')) as Device)
    known.sort((a, b) => a.name.localeCompare(b.name))
  }
  return known
}
