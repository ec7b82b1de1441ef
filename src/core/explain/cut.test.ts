import { demoInstallation } from '../../../tests/helpers/demo'
import { compose } from '../../../tests/helpers/compose'
import { marked, renamed, unmarked } from '../../../tests/helpers/renamed'
import * as G from '../../../tests/cases/gear'
import { installationOf } from '@/jobfile'
import { Circuit, solve } from '../circuit'
import type { Call } from '../equipment'
import type { Installation, Name, Ref, Wire } from '../installation'
import { targetsOf, wiredNet } from '../query'
import { degF } from '../units'
import { gateChain } from '.'

const CALLS: [Call, number][] = [
  ['heat1', 40], ['heatAux1', 20], ['cool1', 85], ['emergency', 20], ['fan', 60],
] // prettier-ignore

/** What runs of a job in a call. */
function running(circuit: Circuit, [call, outdoorF]: [Call, number]) {
  const solved = solve(circuit, { call, outdoorF: degF(outdoorF), modes: {} })
  if (!solved.ok) throw new Error(`${call}: no rest`)
  return { solved, on: new Set(solved.running.map((l) => l.ref)) }
}

/**
 * Everything that stops when one conductor is taken off, and for whose chain the reason does not name that conductor: both of its
 * ends, or, where no call is there to name the other, one.
 */
function misnamed(inst: Installation, cut: Wire): string[] {
  const less = { ...inst, wires: inst.wires.filter((w) => w !== cut) }
  const [a, b] = [cut.a!, cut.b!].map((end) => wiredNet(less, end)) as [Set<Name>, Set<Name>]
  const [before, after] = [new Circuit(inst), new Circuit(less)]
  return CALLS.flatMap((at) => {
    const { on } = running(before, at)
    const now = running(after, at)
    return targetsOf(less).flatMap(({ ref }) => {
      if (!on.has(ref) || now.on.has(ref)) return []
      const { gates, first } = gateChain(now.solved, ref)
      const gate = first === null ? undefined : gates[first]
      const because = (gate?.because[0] ?? {}) as { from?: Name; to?: Name; last?: Name; terminal?: Name }
      const { from, to, last, terminal } = because
      const said = [gate?.at, from, to, last, terminal].filter((x) => x !== undefined)
      const names = (net: Set<Name>) => said.some((x) => net.has(x))
      const right = from === undefined ? names(a) || names(b) : names(a) && names(b)
      return right ? [] : [`${cut.a}=${cut.b}, ${at[0]}: ${ref} by ${JSON.stringify(gate)}`]
    })
  })
}

it('a reason does not hang on what the devices call their terminals and parts', () => {
  const whole = installationOf(compose(G.TWO_CIRCUITS))
  for (const cut of ['ah.L1', 'ah.C', 'tstat.AUX']) {
    const less = { ...whole, wires: whole.wires.filter((w) => w.a !== cut) }
    const chains = (inst: Installation, refOf: (ref: Ref) => Ref) => {
      const { solved } = running(new Circuit(inst), ['heatAux1', 20])
      return targetsOf(less).map(({ ref }) => unmarked(JSON.stringify(gateChain(solved, refOf(ref)))))
    }
    expect(chains(renamed(less), marked)).toEqual(chains(less, (ref) => ref))
  }
})

describe('a conductor that is taken off', () => {
  it.each<[string, () => Installation]>([
    ...(
      [
        'ONE_STAGE',
        'TWO_STAGE',
        'FLOAT',
        'OUTDOOR_THERMOSTAT',
        'B_UNIT',
        'MONITOR',
        'PACKAGED',
        'ZONES',
        'OIL',
        'STAGE_FUEL',
        'KIT_FUEL',
      ] as const
    ).map((name): [string, () => Installation] => [name, () => installationOf(compose(G[name]))]),
    ...['pennywort-close', 'tallow-mill', 'candlemaker-yard'].map((id): [string, () => Installation] => [
      id,
      () => demoInstallation(id),
    ]),
  ])('%s: is what every reason names, whatever stops for it', (_, make) => {
    const inst = make()
    const isLow = (end: Wire['a']) => {
      const [ref, id] = (end ?? '').split('.')
      const device = inst.placed.find((p) => p.ref === ref)?.device
      return device?.terminals.some((t) => t.id === id && t.side === 'low') ?? false
    }
    // Without its common an outdoor unit hands R on to a board's Y through its own coils: that is what its fan speed is said by.
    const isSneak = (w: Wire) => /^(ah|fur)\.C$/.test(w.a ?? '') && w.b === 'od.C'
    const low = inst.wires.filter((w) => isLow(w.a) && isLow(w.b) && !isSneak(w))
    expect(low.length).toBeGreaterThan(6)
    expect(low.flatMap((w) => misnamed(inst, w))).toEqual([])
  })
})
