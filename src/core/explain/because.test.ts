import { demoInstallation, jobIds } from '../../../tests/helpers/demo'
import { gateWords } from '@/words'
import { Circuit, solve } from '../circuit'
import { evaluateLeaf, type Expr, type Leaf } from '../equipment'
import { placedByRef, splitRef } from '../installation'
import { targetsOf } from '../query'
import { callsOf, evalContextOf, reachableCombinations, regionsOf } from '../situation'
import { gateChain, type ChainBecause } from '.'

/** Every leaf of an expression that a reason could have come from, with whether it stands behind a "not". */
function signed(expr: Expr, negated = false): { leaf: Leaf; negated: boolean }[] {
  if ('not' in expr) return signed(expr.not, !negated)
  if ('all' in expr) return expr.all.flatMap((e) => signed(e, negated))
  if ('any' in expr) return expr.any.flatMap((e) => signed(e, negated))
  return [{ leaf: expr, negated }]
}
const says = (b: ChainBecause): string | null => ('truth' in b ? `${b.kind} ${b.truth} ${b.negated}` : null)

describe('every reason that a gate gives', () => {
  it.each(jobIds())(
    'is so in the state that it is given for: %s',
    (id) => {
      const inst = demoInstallation(id)
      const circuit = new Circuit(inst)
      let looked = 0
      // One look at the end: hundreds of thousands of reasons are gone through.
      const wrong: unknown[] = []
      for (const call of callsOf(inst))
        for (const outdoorF of regionsOf(inst))
          // Everything with one thing away from normal, and a sample of the rest.
          for (const { modes } of reachableCombinations(inst, call, outdoorF).filter(
            (row, i) => row.abnormalCount <= 1 || i % 101 === 0,
          )) {
            const solved = solve(circuit, { call, outdoorF, modes })
            if (!solved.ok) continue
            for (const target of targetsOf(inst)) {
              const { gates, running } = gateChain(solved, target.ref)
              if (running === 'yes')
                wrong.push(...gates.filter((g) => g.state !== 'passing' || g.because[0]?.kind === 'otherWay'))
              for (const gate of gates) {
                const { placed: ref, id: part } = splitRef(gate.at)
                const placed = placedByRef(inst, ref)
                const contact = placed?.device.parts.find((p) => p.id === part)
                if (!placed || contact?.kind !== 'contact') continue
                const energised = (x: string) => (solved.energised(`${ref}.${x}`) ? 'yes' : 'no')
                const context = evalContextOf(inst, placed, solved.situation, energised)
                const so = new Set(
                  signed(contact.driver).map(({ leaf, negated }) => {
                    const kind = Object.keys(leaf)[0]!
                    return `${kind} ${evaluateLeaf(leaf, context)} ${negated}`
                  }),
                )
                for (const b of gate.because) {
                  const said = says(b)
                  if (said === null) continue
                  looked++
                  if (!so.has(said)) wrong.push([gate.at, said])
                }
                // A gate with a coil says that the coil has its volts exactly when it has.
                const { reason } = gateWords(inst, gate)
                const coil = gate.because.find((b) => b.kind === 'energised')
                const right = coil?.truth === 'yes' ? 'Its coil has 24 V' : 'Its coil has no 24 V'
                if (coil && /^Its coil has/.test(reason) && !reason.startsWith(right))
                  wrong.push([gate.at, reason])
                if (gate.state === 'passing' && reason === 'No gas pressure') wrong.push([gate.at, reason])
              }
            }
          }
      expect(wrong.slice(0, 3)).toEqual([])
      expect(looked).toBeGreaterThan(50)
    },
    120_000,
  )
})
