import type { Call } from '../equipment'
import type { Ref } from '../installation'
import { bankTable } from '../kit'
import { having, targetsOf, type Target } from '../query'
import type { Breach, Coverage, CoverageRule } from './rule'

type Code = 'backupCallEmpty' | 'stageCallEmpty' | 'onlyInEmergency' | 'banksExchanged'
type Found = Breach<Code> & { call: Call }

const isBackup = (t: Target): boolean => t.does.what === 'strip' || t.does.what === 'burner'
/** A call for a stage, and the call for one less. */
const STAGES: readonly [Call, Call][] = [
  ['cool1', 'cool2'],
  ['heat1', 'heat2'],
  ['heatAux1', 'heatAux2'],
]

/**
 * A call for backup brings backup at some outdoor temperature, each stage that the thermostat can call brings something
 * more than the one below it, the first call for backup brings a kit's first bank, and no row or burner is left to emergency
 * heat alone. A thermostat that makes no aux call (strips for emergencies only) is asked none of the last two.
 */
export const backupCalls: CoverageRule<'backupCalls', Code> = {
  id: 'backupCalls',
  scope: 'coverage',
  severity: 'wrong',
  codes: ['backupCallEmpty', 'stageCallEmpty', 'onlyInEmergency', 'banksExchanged'],
  applies: (inst) => targetsOf(inst).some((t) => isBackup(t) || t.does.what === 'compressor'),
  overall: (seen) => [
    ...emptyBackup(seen),
    ...emptyStages(seen),
    ...emergencyOnly(seen),
    ...banksExchanged(seen),
  ],
}

const auxCalls = ({ calls }: Coverage): Call[] => calls.filter((c) => c === 'heatAux1' || c === 'heatAux2')

function emptyBackup(seen: Coverage): Found[] {
  const backup = targetsOf(seen.inst).filter(isBackup)
  const [first] = backup
  const call = auxCalls(seen)[0]
  if (!first || !call || backup.some((t) => seen.ranNormally(call).has(t.ref))) return []
  return [{ at: first.ref, code: 'backupCallEmpty', call }]
}

function emptyStages(seen: Coverage): Found[] {
  const sources = targetsOf(seen.inst).filter((t) => isBackup(t) || t.does.what === 'compressor')
  return STAGES.flatMap(([lower, higher]): Found[] => {
    if (!seen.calls.includes(higher) || !seen.calls.includes(lower)) return []
    const runs = (call: Call) => sources.filter((t) => seen.ranNormally(call).has(t.ref))
    const less = runs(lower).map((t) => t.ref)
    if (runs(higher).some((t) => !less.includes(t.ref))) return []
    // When the first call already runs all backup of its kind, nothing is left for the next call.
    const kind = sources.filter((t) => isBackup(t) === (higher === 'heatAux2'))
    const missing = kind.find((t) => !less.includes(t.ref))
    if (higher === 'heatAux2' && !missing) return []
    const at = missing ?? kind[kind.length - 1]
    return at ? [{ at: at.ref, code: 'stageCallEmpty', call: higher }] : []
  })
}

function emergencyOnly(seen: Coverage): Found[] {
  const aux = auxCalls(seen)
  if (!aux.length || !seen.calls.includes('emergency')) return []
  const ordinary = new Set<Ref>(aux.flatMap((c) => [...seen.ranNormally(c)]))
  const emergency = seen.ranNormally('emergency')
  const backup = targetsOf(seen.inst).filter(isBackup)
  // When no backup runs on any aux call, the finding says that instead.
  if (!backup.some((t) => ordinary.has(t.ref))) return []
  return backup
    .filter((t) => emergency.has(t.ref) && !ordinary.has(t.ref))
    .map((t) => ({ at: t.ref, code: 'onlyInEmergency', call: aux[aux.length - 1] ?? 'heatAux1' }))
}

/** Kits whose second bank comes on the first call, and whose first bank waits for the second: W1 and W2 are exchanged. */
function banksExchanged(seen: Coverage): Found[] {
  const [first, second] = auxCalls(seen)
  if (first !== 'heatAux1' || second === undefined) return []
  const [early, late] = [seen.ranNormally(first), seen.ranNormally(second)]
  return having(seen.inst, 'addsStrips').flatMap((kit): Found[] => {
    const [bank, more] = bankTable(kit).map((b) => b.rows.map((r) => r.id))
    const own = bank?.[0]
    if (!bank || !more || !own || bank.some((r) => early.has(r)) || !late.has(own)) return []
    return more.some((r) => early.has(r))
      ? [{ at: own, code: 'banksExchanged', severity: 'warn', call: first }]
      : []
  })
}
