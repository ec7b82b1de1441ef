import { Circuit, solve } from '@/core/circuit'
import { normalState } from '@/core/equipment'
import { gateChain, type ChainGate } from '@/core/explain'
import {
  makeRef,
  placedByRef,
  splitRef,
  terminalOf,
  type Installation,
  type Ref,
  type Wire,
} from '@/core/installation'
import { targetsOf } from '@/core/query'
import { prove } from '@/core/rules'
import { callsOf, modesOf, type Situation } from '@/core/situation'
import { degF } from '@/core/units'

/** One slip of the hand: a conductor left off, landed on another terminal, or two of them crossed. */
export interface Slip {
  what: string
  kind: 'lift' | 'move' | 'swap'
  inst: Installation
  /** Terminals of the conductors that were touched, where they belong and where they are now. */
  names: readonly Ref[]
}

const ENDS = ['a', 'b'] as const

/** Every single slip with the low-voltage conductors of a job. */
export function* slipsOf(inst: Installation): Generator<Slip> {
  const low = inst.wires.filter(
    (w): w is Wire & { a: Ref; b: Ref } =>
      w.a !== null && w.b !== null && terminalOf(inst, w.a)?.terminal.side === 'low',
  )
  const slip = (
    kind: Slip['kind'],
    what: string,
    names: readonly Ref[],
    change: (w: Wire) => Wire | null,
  ): Slip => ({
    kind,
    what: `${kind} ${what}`,
    names,
    inst: { ...inst, wires: inst.wires.flatMap((w) => change(w) ?? []) },
  })
  for (const w of low) {
    yield slip('lift', `${w.a}=${w.b}`, [w.a, w.b], (x) => (x === w ? null : x))
    for (const end of ENDS) {
      const { placed } = splitRef(w[end])
      for (const t of placedByRef(inst, placed)!.device.terminals) {
        const to = makeRef(placed, t.id)
        if (t.side === 'low' && to !== w[end])
          yield slip('move', `${w.a}=${w.b}: ${w[end]} to ${to}`, [w.a, w.b, to], (x) =>
            x === w ? { ...w, [end]: to } : x,
          )
      }
    }
    for (const v of low.slice(low.indexOf(w) + 1))
      for (const e of ENDS)
        for (const f of ENDS)
          if (splitRef(w[e]).placed === splitRef(v[f]).placed && w[e] !== v[f])
            yield slip(
              'swap',
              `${w.a}=${w.b} and ${v.a}=${v.b} at ${w[e]}, ${v[f]}`,
              [w.a, w.b, v.a, v.b],
              (x) => (x === w ? { ...w, [e]: v[f] } : x === v ? { ...v, [f]: w[e] } : x),
            )
  }
}

const TEMPERATURES = [5, 25, 38, 50, 60, 90].map(degF)
const situationsOf = (inst: Installation): Situation[] =>
  callsOf(inst).flatMap((call) => TEMPERATURES.map((outdoorF) => ({ call, outdoorF, modes: {} })))

/** What runs in every call at several temperatures with everything normal, one text each. */
export function behaviourOf(inst: Installation): string[] {
  const circuit = new Circuit(inst)
  return situationsOf(inst).map((s) => {
    const solved = solve(circuit, s)
    const runs = solved.ok ? solved.running.map((l) => l.ref).sort() : ['no rest']
    return `${s.call} ${s.outdoorF}: ${runs.join(' ')}`
  })
}

/** Where a job that is held to be right runs something else than the right job does. */
export function unseenBy(inst: Installation, right: readonly string[]): string[] {
  const proof = prove(inst)
  if (proof.undecided.length || proof.findings.some((f) => f.severity !== 'warn')) return []
  return behaviourOf(inst).filter((line, i) => line !== right[i])
}

/** What a mode, or the temperature, stops and something else is given as the reason for. */
export function strayReasons(inst: Installation): string[] {
  const circuit = new Circuit(inst)
  const stray: string[] = []
  const ask = (now: Situation, before: Situation, isReason: (g: ChainGate) => boolean): void => {
    const [solved, good] = [solve(circuit, now), solve(circuit, before)]
    if (!solved.ok || !good.ok) return
    for (const { ref, does } of targetsOf(inst)) {
      // One speed of a blower gives way to another: that is no gate of its own.
      if (does.what === 'blower' || !good.energised(ref) || solved.energised(ref)) continue
      const chain = gateChain(solved, ref)
      const gate = chain.first === null ? undefined : chain.gates[chain.first]
      if (!gate || !isReason(gate))
        stray.push(`${now.call} ${now.outdoorF} ${JSON.stringify(now.modes)} ${ref}: held at ${gate?.at}`)
    }
  }
  for (const call of callsOf(inst)) {
    const at = TEMPERATURES.map((outdoorF): Situation => ({ call, outdoorF, modes: {} }))
    for (const before of at) {
      for (const { ref, mode } of modesOf(inst))
        for (const { id } of mode.states.filter((s) => s.id !== normalState(mode)))
          ask({ ...before, modes: { [ref]: id } }, before, (g) =>
            g.because.some(
              (b) =>
                b.kind === 'condition' ||
                (b.kind === 'mode' && makeRef(splitRef(g.at).placed, b.mode) === ref),
            ),
          )
      // Where a heat source gives way to another, the coil of an interlock may be what the weather works through.
      for (const now of at)
        ask(now, before, (g) => g.because.some((b) => b.kind === 'sense' || b.kind === 'energised'))
    }
  }
  return stray
}
