import type { Value } from '../equipment'
import {
  placedByRef,
  settingDef,
  settingValue,
  splitRef,
  type JobSeen,
  type Ref,
  isRef,
} from '../installation'
import { applyFix, jobFindings, prove, type Finding } from '../rules'
import { allowedOf, type Allowed } from './codec'

/** A change of one setting that clears a finding and adds none. */
export interface Clearing {
  at: Ref
  value: Value
}

/** So many candidates are proven over every state before it is given up. */
const MOST_PROOFS = 8

const keyOf = (c: Finding): string => `${c.rule}:${c.code}:${c.at}`

/** Values to try, the nearest to the present one first. */
function candidates(allowed: Allowed, now: Value | null): Value[] {
  if (allowed.kind === 'options') {
    const list = allowed.values.map((v) => v.value).filter((v) => v !== now)
    return typeof now === 'number'
      ? list.sort((a, b) => Math.abs(Number(a) - now) - Math.abs(Number(b) - now))
      : list
  }
  const list: number[] = []
  for (let v = allowed.low; v <= allowed.high + 1e-9; v += allowed.step) if (v !== now) list.push(v)
  const near = typeof now === 'number' ? now : allowed.low
  return list.sort((a, b) => Math.abs(a - near) - Math.abs(b - near))
}

/**
 * The smallest change of one setting that clears what a rule about settings found without raising another; null: none
 * does, and the wiring or the gear has to change. Of several settings the one that the finding names first; of numbers
 * the nearest.
 */
export function clearingOf(seen: JobSeen, finding: Finding): Clearing | null {
  const before = new Set(jobFindings(seen).map(keyOf))
  const proven = new Set(prove(seen.inst).findings.map((f) => `${f.rule}:${f.code}`))
  let proofs = 0
  for (const at of [finding.at, ...finding.also]) {
    const { placed: ref, id } = splitRef(at)
    const placed = placedByRef(seen.inst, ref)
    const setting = placed && settingDef(placed, id)
    // A plate is what it is.
    if (!isRef(at) || !placed || !setting || setting.group !== 'set') continue
    for (const value of candidates(allowedOf(placed.device, setting), settingValue(placed, id))) {
      const changed = applyFix(seen.inst, [{ kind: 'setSetting', placed: ref, setting: id, value }])
      const after = jobFindings({ ...seen, inst: changed })
      const cleared = !after.some((c) => c.rule === finding.rule && [c.at, ...c.also].includes(at))
      if (!cleared || !after.every((c) => before.has(keyOf(c)))) continue
      // A change that causes no contradiction may still break a rule in some state.
      if (proofs++ >= MOST_PROOFS) return null
      if (prove(changed).findings.every((f) => proven.has(`${f.rule}:${f.code}`))) return { at, value }
    }
  }
  return null
}
