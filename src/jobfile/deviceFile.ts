import { findNodeAtLocation, parseTree } from 'jsonc-parser'
import { required } from '@/core/assert'
import type { Device } from '@/core/equipment'
import { deviceSchema } from './deviceSchema'
import { lineAt, readJson } from './jsonText'
import { orderKeys } from './order'
import { DEVICE_VERSION, upgradeDevice } from './upgradeDevice'
import { check } from './check'
import { problem, type Checked, type Problem } from './problem'
import { deviceProblems } from './deviceProblems'

/** The largest device file that is read, bytes. */
export const MOST_DEVICE_BYTES = 1024 * 1024

/** Reads a device file's text. Nothing is half-read; every wrong place is named with its line. */
export function parseDevice(text: string): Checked<Device> {
  if (text.length > MOST_DEVICE_BYTES)
    return { ok: false, problems: [problem('', 'at most 1 MB', `${text.length} bytes`)] }
  const read = readJson(text)
  if (!read.ok) return read
  const checked = checkDevice(read.value)
  if (checked.ok) return checked
  const tree = required(parseTree(text), 'the text that was read')
  const problems = checked.problems.map((p): Problem => {
    const at = pathOf(p.path)
    // A thing that is missing stands nowhere: the line is that of what should hold it.
    for (let n = at.length; n >= 0; n--) {
      const node = findNodeAtLocation(tree, at.slice(0, n))
      if (node) return { ...p, line: lineAt(text, node.offset) }
    }
    return p
  })
  return { ok: false, problems }
}

const pathOf = (path: string): (string | number)[] =>
  path
    .split(/[.[\]"]+/)
    .filter(Boolean)
    .map((k) => (/^\d+$/.test(k) ? Number(k) : k))

/** Checks a value that should be a device: its format and version, its shape, then what it refers to. */
export function checkDevice(value: unknown): Checked<Device> {
  const head = value as { format?: unknown; version?: unknown } | null
  if (typeof value !== 'object' || head === null || head.format !== 'gatecross.device')
    return { ok: false, problems: [problem('format', '"gatecross.device"', head?.format)] }
  if (typeof head.version === 'number' && head.version > DEVICE_VERSION)
    return {
      ok: false,
      problems: [
        problem('version', `at most ${DEVICE_VERSION}: the file is from a newer Gate Cross`, head.version),
      ],
    }
  const checked = check<Device>(deviceSchema(), upgradeDevice(value))
  if (!checked.ok) return checked
  const problems = deviceProblems(checked.value, '').map((p) => ({ ...p, path: p.path.replace(/^\./, '') }))
  return problems.length ? { ok: false, problems } : checked
}

/** A device as the text of a file, keys in the schema's order. */
export const formatDevice = (device: Device): string =>
  `${JSON.stringify(orderKeys(deviceSchema(), device), null, 2)}\n`
