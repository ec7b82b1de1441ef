import { nth } from '../assert'
import {
  evaluate,
  leaves,
  memoryId,
  normalState,
  type Call,
  type EvalContext,
  type Mode,
  type ModeCondition,
  type SenseLeaf,
} from '../equipment'
import { makeRef, settingValue, type Installation, type Placed, type Ref } from '../installation'
import { tolerances } from '../tolerances'
import type { DegF } from '../units'
import { modesOf, evalContextOf, type PlacedMode, type Situation } from './situation'

/** The switches with a differential that stand inside it at this temperature: either answer is possible. */
export const memoriesAt = (inst: Installation, outdoorF: DegF): Ref[] => memoriesOf(bandsIn(inst), outdoorF)

/** A switch with a differential, by what reads it. */
interface Band {
  placed: Placed
  leaf: SenseLeaf
}
const bandsIn = (inst: Installation): Band[] =>
  inst.placed.flatMap((placed) =>
    placed.device.parts
      .flatMap((p) => (p.kind === 'contact' ? leaves(p.driver) : []))
      .flatMap((leaf) => ('sense' in leaf && (leaf.band ?? 0) > 0 ? [{ placed, leaf }] : [])),
  )

function memoriesOf(bands: readonly Band[], outdoorF: DegF): Ref[] {
  const found = new Set<Ref>()
  for (const { placed, leaf } of bands) {
    const at = leaf.below
    const below = typeof at === 'number' ? at : settingValue(placed, at.set)
    if (typeof below !== 'number') continue
    const low = typeof at === 'number' ? below : below * (at.times ?? 1)
    if (outdoorF >= low && outdoorF < low + (leaf.band ?? 0)) found.add(makeRef(placed.ref, memoryId(leaf)))
  }
  return [...found]
}

/** A combination of modes that can occur, with what rules ask about it. */
export interface ModeCombination {
  modes: Record<Ref, string>
  /** How many are away from normal; a differential's memory is never "away". */
  abnormalCount: number
  /** Conditions of the modes away from normal. */
  conditions: ReadonlySet<ModeCondition>
  /** Place in the list of the row that differs from this one in the last thing that is away; -1 for none. */
  parentIndex: number
}

/** A mode that can vary beside call and temperature, with its states, the normal one first. */
interface Axis {
  ref: Ref
  /** The differential's memory has no normal state: both are named. */
  memory: boolean
  states: { id: string; condition?: ModeCondition }[]
}

/**
 * Every combination of modes that can occur for a call at an outdoor temperature (a proof's third factor).
 * A state is reachable when its condition is not "no" in that call and temperature; failures are left out.
 * Combinations of modes to check. When there are too many, only those with a single mode away from normal: who makes a
 * statement about all of them counts them first.
 */
export const reachableCombinations = (inst: Installation, call: Call, outdoorF: DegF): ModeCombination[] =>
  new ModeRows(inst).at(call, outdoorF)

/** The combinations of one job's devices. Most calls and temperatures can vary alike, and share one list. */
export class ModeRows {
  private readonly bands: readonly Band[]
  private readonly known = new Map<string, ModeCombination[]>()
  private readonly byAxes = new Map<string, ModeCombination[]>()

  constructor(private readonly inst: Installation) {
    this.bands = bandsIn(inst)
  }

  /** Combinations as `reachableCombinations` gives them; the same list whenever the same modes can vary. */
  at(call: Call, outdoorF: DegF): ModeCombination[] {
    const here = `${call} ${outdoorF}`
    let rows = this.known.get(here)
    if (!rows) this.known.set(here, (rows = this.rowsOf(axesAt(this.inst, this.bands, call, outdoorF))))
    return rows
  }

  /** How many combinations there are, told without making any of them, and what they are made of. */
  count(call: Call, outdoorF: DegF): { count: number; modes: { ref: Ref; states: number }[] } {
    const axes = axesAt(this.inst, this.bands, call, outdoorF)
    const modes = axes.map((a) => ({ ref: a.ref, states: a.states.length }))
    return { count: modes.reduce((n, m) => n * m.states, 1), modes }
  }

  private rowsOf(axes: readonly Axis[]): ModeCombination[] {
    const key = axes.map((a) => `${a.ref}=${a.states.map((s) => s.id).join()}`).join(';')
    let rows = this.byAxes.get(key)
    if (!rows) {
      const many = axes.reduce((n, a) => n * a.states.length, 1) > tolerances.mostCombinations
      this.byAxes.set(key, (rows = many ? oneAway(axes) : combinations(axes)))
    }
    return rows
  }
}

function combinations(axes: readonly Axis[]): ModeCombination[] {
  let rows: ModeCombination[] = [{ modes: {}, abnormalCount: 0, conditions: new Set(), parentIndex: -1 }]
  for (const axis of axes) {
    const next: ModeCombination[] = []
    /** New position of each row of the shorter list. */
    const moved: number[] = []
    for (const row of rows) {
      const at = next.length
      moved.push(at)
      axis.states.forEach((s, i) => {
        if (i === 0 && !axis.memory)
          next.push({ ...row, parentIndex: row.parentIndex < 0 ? -1 : nth(moved, row.parentIndex) })
        else
          next.push({
            modes: { ...row.modes, [axis.ref]: s.id },
            abnormalCount: row.abnormalCount + (axis.memory ? 0 : 1),
            conditions: s.condition ? new Set([...row.conditions, s.condition]) : row.conditions,
            parentIndex: i === 0 ? -1 : at,
          })
      })
    }
    rows = next
  }
  return rows
}

/** Everything normal, and each thing that can be away by itself. */
function oneAway(axes: readonly Axis[]): ModeCombination[] {
  const still: Record<Ref, string> = Object.fromEntries(
    axes.filter((a) => a.memory).map((a) => [a.ref, nth(a.states, 0).id]),
  )
  const rows: ModeCombination[] = [{ modes: still, abnormalCount: 0, conditions: new Set(), parentIndex: -1 }]
  for (const axis of axes)
    for (const s of axis.states.slice(1))
      rows.push({
        modes: { ...still, [axis.ref]: s.id },
        abnormalCount: axis.memory ? 0 : 1,
        conditions: new Set(s.condition ? [s.condition] : []),
        parentIndex: 0,
      })
  return rows
}

function axesAt(inst: Installation, bands: readonly Band[], call: Call, outdoorF: DegF): Axis[] {
  const bare: Situation = { call, outdoorF, modes: {} }
  const memories = memoriesOf(bands, outdoorF).map((ref): Axis => {
    return { ref, memory: true, states: [{ id: 'made' }, { id: 'broken' }] }
  })
  const modes = modesOf(inst)
    .filter(isSeen)
    .map(({ ref, placed, mode }): Axis => {
      const context = evalContextOf(inst, placed, bare)
      const states = mode.states.filter((s, i) => i === 0 || mayCome(s, context))
      return { ref, memory: false, states: states.length ? states : [{ id: normalState(mode) }] }
    })
  // Modes that cut the power come first: the others then change nothing, and the sweep sees that at once.
  const cutsPower = (a: Axis) => a.states.some((s) => s.condition === 'off')
  const varying = modes.filter((a) => a.states.length > 1)
  return [...memories, ...varying.filter(cutsPower), ...varying.filter((a) => !cutsPower(a))]
}

/**
 * Whether something can tell a mode's states apart: a contact of its device that goes by it, or what one of its states means,
 * which rules and other devices go by. What nothing sees changes nothing, and is not multiplied.
 */
const isSeen = ({ placed: { device }, mode }: PlacedMode): boolean =>
  mode.states.some((s) => s.condition !== undefined) ||
  device.parts.some(
    (p) => p.kind === 'contact' && leaves(p.driver).some((l) => 'mode' in l && l.mode === mode.id),
  )

/** Whether a state can come about with no part failed. */
const mayCome = ({ reach }: Mode['states'][number], context: EvalContext): boolean =>
  reach === 'always' || (typeof reach === 'object' && evaluate(reach, context) !== 'no')

/**
 * Whether a mode shows in this call and at this temperature: a timer that counts on while nothing is called holds nothing
 * off, and is as good as ready. A failed part shows wherever it has failed.
 */
export function stands(
  inst: Installation,
  { placed, mode }: PlacedMode,
  state: string,
  at: Pick<Situation, 'call' | 'outdoorF'>,
): boolean {
  const found = mode.states.find((s) => s.id === state)
  if (!found) return false
  return found.reach === 'failure' || mayCome(found, evalContextOf(inst, placed, { ...at, modes: {} }))
}

/** The modes alone of `reachableCombinations`. */
export function reachableModes(inst: Installation, call: Call, outdoorF: DegF): Record<Ref, string>[] {
  return reachableCombinations(inst, call, outdoorF).map((r) => r.modes)
}
