import type { Ref } from '../installation'
import { demoInstallation, jobIds } from '../../../tests/helpers/demo'
import { callsOf, reachableCombinations, regionsOf } from '../situation'
import { Circuit, type Outcome } from '.'

/** A sweep takes over its neighbours' solutions where it may; here every state is also solved by itself. */
const jobs = jobIds()

describe('states that take over a neighbour’s solution', () => {
  it.each(jobs)('%s: have the same coils, contacts and volts as when solved by themselves', (id) => {
    const inst = demoInstallation(id)
    const [swept, alone] = [new Circuit(inst), new Circuit(inst)]
    const differing: string[] = []
    let volts = 0
    for (const call of callsOf(inst))
      for (const outdoorF of regionsOf(inst)) {
        const outcomes: Outcome[] = []
        for (const { modes, parentIndex } of reachableCombinations(inst, call, outdoorF)) {
          const a = swept.settle({ call, outdoorF, modes }, 'open', outcomes[parentIndex])
          outcomes.push(a)
          const b = alone.settle({ call, outdoorF, modes })
          if (a.ok !== b.ok) differing.push(`${call} ${outdoorF} ${JSON.stringify(modes)}`)
          if (!a.ok || !b.ok) continue
          const same =
            [a.coils, a.closed, a.drivers].map(String).join() ===
            [b.coils, b.closed, b.drivers].map(String).join()
          if (!same) differing.push(`${call} ${outdoorF} ${JSON.stringify(modes)}`)
          // Points that a contact has just cut off float; the loads' own volts are what must agree.
          swept.net.loads.forEach((l, i) => {
            const across = (o: typeof a) =>
              Math.hypot(
                (l.a < 0 ? 0 : o.volts.re[l.a]!) - (l.b < 0 ? 0 : o.volts.re[l.b]!),
                (l.a < 0 ? 0 : o.volts.im[l.a]!) - (l.b < 0 ? 0 : o.volts.im[l.b]!),
              )
            if (a.coils[i] === 2) volts = Math.max(volts, Math.abs(across(a) - across(b)))
          })
        }
      }
    expect(differing.slice(0, 3)).toEqual([])
    expect(volts).toBeLessThan(1e-3)
  })

  it('name as neighbour a row that differs in one thing only', () => {
    const inst = demoInstallation('quillfeather-lane')
    for (const call of callsOf(inst))
      for (const outdoorF of regionsOf(inst)) {
        const rows = reachableCombinations(inst, call, outdoorF)
        rows.forEach((row, i) => {
          expect(row.parentIndex).toBeLessThan(i)
          if (row.parentIndex < 0) return
          const other = rows[row.parentIndex]!
          const keys = new Set([...Object.keys(row.modes), ...Object.keys(other.modes)] as Ref[])
          expect([...keys].filter((k) => row.modes[k] !== other.modes[k])).toHaveLength(1)
        })
      }
  })
})
