import { hasTrait } from '../equipment'
import { nth } from '../assert'
import { Circuit, solve } from '../circuit'
import { makeRef, terminalOf, type Installation, type Ref } from '../installation'
import { asUsual, type Situation } from '../situation'
import { tolerances } from '../tolerances'
import { failedModes, failuresOf, withFailure, type Failure } from './failure'

/** A symptom as the technician sees it: a load should run in this situation and does not (or the reverse). */
export interface Symptom {
  target: Ref
  situation: Situation
  /** The load's state as seen, against the state that the wiring gives. */
  runs: boolean
}
/** Points for a meter's leads, and the meaning of each reading. */
export interface MeterPoint {
  a: Ref
  b: Ref
  side: 'low' | 'line'
  /** Causes left if the meter shows volts there, and if it shows none. */
  ifLive: number
  ifDead: number
}
export interface MeterAnswer {
  a: Ref
  b: Ref
  live: boolean
}
export interface Diagnosis {
  /** Single failures that explain everything so far. */
  causes: Failure[]
  /** The next points to meter, the best first; empty when no point can tell the rest apart. */
  points: MeterPoint[]
}

interface Suspect {
  failure: Failure
  live: boolean[]
}

/**
 * From a symptom and the readings so far: which single failures explain them, and which reading would best split the
 * rest; what is not known is taken as it usually stands. Low voltage goes before line voltage, and nearer places (the
 * thermostat, then indoors) before farther ones.
 */
export function diagnose(job: Installation, symptom: Symptom, answers: readonly MeterAnswer[]): Diagnosis {
  const inst = asUsual(job)
  const whole = new Circuit(inst)
  const points = pointsOf(inst)
  const suspects: Suspect[] = []
  for (const failure of failuresOf(inst)) {
    const circuit = new Circuit(withFailure(inst, failure), whole)
    const situation = {
      ...symptom.situation,
      modes: { ...symptom.situation.modes, ...failedModes(failure) },
    }
    const solved = solve(circuit, situation)
    if (!solved.ok || solved.energised(symptom.target) !== symptom.runs) continue
    if (answers.some((a) => isLive(solved.meter(a.a, a.b), sideOf(inst, a.a)) !== a.live)) continue
    suspects.push({
      failure,
      live: points.map(
        (p) => isLive(solved.volts(p.a, p.b), p.side) && isLive(solved.meter(p.a, p.b), p.side),
      ),
    })
  }
  const asked = new Set(answers.map((a) => `${a.a} ${a.b}`))
  const ranked = points
    .map((p, i) => {
      const ifLive = suspects.filter((s) => s.live[i]).length
      return { ...p, ifLive, ifDead: suspects.length - ifLive }
    })
    .filter((p) => p.ifLive > 0 && p.ifDead > 0 && !asked.has(`${p.a} ${p.b}`))
    .sort((x, y) => cost(x) - cost(y))
  return {
    causes: suspects.map((s) => s.failure),
    points: ranked.map(({ a, b, side, ifLive, ifDead }) => ({ a, b, side, ifLive, ifDead })),
  }
}

/** The worse of the two answers decides; line voltage costs a third more, a farther place a little. */
const cost = (p: MeterPoint & { far: number }): number =>
  Math.max(p.ifLive, p.ifDead) * (p.side === 'line' ? 1.34 : 1) + p.far * 0.3

/** Every terminal against its device's own common; every two line terminals of a device. */
function pointsOf(inst: Installation): (MeterPoint & { far: number })[] {
  return inst.placed.flatMap((p) => {
    const far = hasTrait(p.device, 'onWall') ? 0 : hasTrait(p.device, 'outdoorHalf') ? 2 : 1
    const low = p.device.terminals.filter((t) => t.side === 'low')
    const common = low.find((t) => t.role === 'C')
    const line = p.device.terminals.filter((t) => t.side === 'line')
    const blank = { ifLive: 0, ifDead: 0, far }
    return [
      ...(common
        ? low
            .filter((t) => t !== common)
            .map((t) => ({
              a: makeRef(p.ref, t.id),
              b: makeRef(p.ref, common.id),
              side: 'low' as const,
              ...blank,
            }))
        : []),
      ...line.slice(1).map((t) => ({
        a: makeRef(p.ref, nth(line, 0).id),
        b: makeRef(p.ref, t.id),
        side: 'line' as const,
        ...blank,
        far: far + 1,
      })),
    ]
  })
}

const sideOf = (inst: Installation, ref: Ref): 'low' | 'line' => terminalOf(inst, ref)?.terminal.side ?? 'low'
const isLive = (volts: number, side: 'low' | 'line'): boolean =>
  volts >= (side === 'low' ? tolerances.liveVolts : tolerances.liveLineVolts)
