import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import type { Device } from '@/core/equipment'
import { parseDevice, sentence } from '@/jobfile'

let known: Device[] | null = null

/**
 * The device library that ships with the product, by name. It is read once: the files do not change while it runs. Each
 * is checked; one that is wrong stops the start, naming the file and the place.
 */
export function library(folder = join(process.cwd(), 'library')): Device[] {
  known ??= readdirSync(folder)
    .filter((f) => f.endsWith('.json'))
    .map((file) => {
      const device = parseDevice(readFileSync(join(folder, file), 'utf8'))
      if (!device.ok) throw new Error(`library/${file}: ${device.problems.map(sentence).join('; ')}`)
      return device.value
    })
    .sort((a, b) => a.name.localeCompare(b.name))
  return known
}
