import type { Circuit } from '../circuit'
import { commonOf, makeRef, type Placed, type Ref } from '../installation'
import { hasStrips, intentOf, isFelt, having } from '../query'
import { breakpointsOf, callsOf, type Situation } from '../situation'
import { tolerances } from '../tolerances'
import { degF } from '../units'
import type { Breach, StateRule, StateSeen } from './rule'
import { stateSeen } from './seen'

type Code = 'auxAboveGate' | 'auxNoGate' | 'switchHoldsNothing'

/** °F from which nothing of the backup is needed: the usual no-heat temperature. */
const NO_HEAT_F = 65

/** The °F from which an aux lockout of a thermostat holds its backup off; none where it is off or has no source. */
function lockoutF(placed: Placed): number[] {
  const source = intentOf(placed, 'outdoorSource')
  const at = intentOf(placed, 'auxLockout')
  const on = intentOf(placed, 'useAuxLockout') === 'on' && isFelt(source)
  return on && typeof at === 'number' ? [at] : []
}

/** Effect of an outdoor thermostat in the solved circuit. */
interface SwitchSeen {
  ref: string
  /** °F from which it is past its differential. */
  gateF: number
  /** Opening or closing its contacts changes some load, in cold or in mild weather. */
  acts: boolean
  /** Rows that heat in mild weather in an ordinary aux call although it is in their path: through its warm throw, or past it. */
  leaks: ReadonlySet<Ref>
}

const NORMAL = { abnormalCount: 0, conditions: new Set<never>() }
const isAux = (call: Situation['call']) => call === 'heatAux1' || call === 'heatAux2'

/** Whether a terminal has control volts against the common of what it calls. */
const isLive = (state: StateSeen, at: Ref): boolean =>
  having(state.inst, 'movesAir').some((p) => {
    const common = commonOf(p)
    return common !== null && state.volts(at, common) >= tolerances.liveVolts
  })

/**
 * Every outdoor thermostat, by what the circuit does with its contacts forced open and forced closed, in each call, colder
 * and warmer than every temperature that something switches at.
 */
function switchesOf(circuit: Circuit): SwitchSeen[] {
  const { inst, net } = circuit
  const points = breakpointsOf(inst)
  const [cold, mild] = [Math.min(NO_HEAT_F, ...points) - 1, Math.max(NO_HEAT_F, ...points) + 1]
  return having(inst, 'outdoorSwitch').flatMap((odt): SwitchSeen[] => {
    const point = intentOf(odt, 'outdoorSwitch')
    const own = net.contacts.flatMap((c, i) => (c.placed === odt ? [i] : []))
    if (typeof point !== 'number' || !own.length) return []
    const leaks = new Set<Ref>()
    let acts = false
    for (const outdoorF of [cold, mild].map(degF))
      for (const call of callsOf(inst)) {
        const situation: Situation = { call, outdoorF, modes: {} }
        const forced = (to: number) => {
          const forced = new Uint8Array(net.contacts.length).fill(2)
          for (const i of own) forced[i] = to
          return stateSeen(circuit, circuit.settleWithContacts(situation, forced, null), situation, NORMAL)
        }
        const [open, closed] = [forced(0), forced(1)]
        acts ||= open.facts.running.join() !== closed.facts.running.join()
        if (outdoorF === cold || !isAux(call)) continue
        const free = stateSeen(circuit, circuit.settle(situation), situation, NORMAL)
        // Through its warm throw: opening that turns the row off. Past it: it is open, and both its ends are live.
        const past = own.some((i) => {
          const c = net.contacts[i]
          return (
            c &&
            !free.closed(c.ref) &&
            [c.part.a, c.part.b].every((end) => isLive(free, makeRef(odt.ref, end)))
          )
        })
        for (const row of free.facts.stripsOn) if (past || !open.facts.stripsOn.includes(row)) leaks.add(row)
      }
    return [{ ref: odt.ref, gateF: point + (odt.device.plate.differentialF ?? 0), acts, leaks }]
  })
}

/**
 * Electric backup stays off above its gate on ordinary calls, defrost and emergency excepted, each row by the gate in its
 * own path; and has one. Whether an outdoor thermostat is that gate, the solved circuit says. Energy codes ask for one (IECC
 * residential, heat pump supplementary heat); the jurisdiction's text decides.
 */
export const auxHeldOff: StateRule<'auxHeldOff', Code> = {
  id: 'auxHeldOff',
  scope: 'state',
  severity: 'wrong',
  codes: ['auxAboveGate', 'auxNoGate', 'switchHoldsNothing'],
  readsOutdoor: true,
  applies: hasStrips,
  each(state) {
    const { inst, situation, abnormalCount, facts } = state
    const [row] = facts.stripsOn
    if (abnormalCount > 0 || !isAux(situation.call) || !row) return null
    const found: Breach<Code>[] = []
    const lockouts = having(inst, 'onWall').flatMap(lockoutF)
    const switches = state.ofJob(switchesOf)
    const gates = [
      ...lockouts.map((gateF) => ({ gateF, row })),
      ...switches.flatMap(({ gateF, leaks }) => {
        const leaky = facts.stripsOn.find((r) => leaks.has(r))
        return leaky ? [{ gateF, row: leaky }] : []
      }),
    ].sort((a, b) => a.gateF - b.gateF)
    const passed = gates.find((g) => situation.outdoorF >= g.gateF)
    if (passed) found.push({ at: passed.row, code: 'auxAboveGate', numbers: [passed.gateF] })
    for (const s of switches)
      if (!s.acts && !s.leaks.size) found.push({ at: s.ref, code: 'switchHoldsNothing' })
    // A lockout that opens only past the weather in which heat is wanted is none.
    const late = lockouts.length > 0 && Math.min(...lockouts) > NO_HEAT_F
    if (!found.length && (situation.outdoorF >= NO_HEAT_F || late))
      found.push({ at: row, code: 'auxNoGate', severity: 'warn', numbers: [NO_HEAT_F] })
    return found.length ? found : null
  },
}
