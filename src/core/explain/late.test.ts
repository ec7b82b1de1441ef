import { Circuit, solutionOf } from '../circuit'
import { degF } from '../units'
import { demoInstallation } from '../../../tests/helpers/demo'
import { gateChain } from '.'

const circuit = new Circuit(demoInstallation('quillfeather-lane'))
const index = (ref: string) => circuit.net.contacts.findIndex((c) => c.ref === ref)
/** The circuit in a call with some contacts not where their drivers want them yet. */
function held(call: 'off' | 'heatAux1', late: Record<string, 0 | 1>) {
  const situation = { call, outdoorF: degF(20), modes: {} }
  const holds = new Uint8Array(circuit.net.contacts.length).fill(2)
  for (const [ref, is] of Object.entries(late)) holds[index(ref)] = is
  const state = circuit.settleWithContacts(situation, holds, null)
  if (!state.ok) throw new Error('it comes to rest')
  return solutionOf(circuit, situation, state)
}

describe('a contact that is slow', () => {
  it('is what holds a row that is called and not on yet', () => {
    const chain = gateChain(held('heatAux1', { 'kit.seq1c': 0 }), 'kit.row1')
    expect(chain.running).toBe('no')
    expect(chain.gates[chain.first!]).toMatchObject({
      at: 'kit.seq1c', state: 'blocking', because: [{ kind: 'late', closes: true }],
    }) // prettier-ignore
  })

  it('passes while it has not opened yet, and says so', () => {
    const chain = gateChain(held('off', { 'kit.seq1c': 1 }), 'kit.row1')
    expect(chain.running).toBe('yes')
    expect(chain.gates.find((g) => g.at === 'kit.seq1c')).toMatchObject({
      state: 'passing', because: [{ kind: 'late', closes: false }],
    }) // prettier-ignore
  })

  it('at rest nothing is late', () => {
    const chain = gateChain(held('heatAux1', {}), 'kit.row1')
    expect(chain.gates.flatMap((g) => g.because).some((b) => b.kind === 'late')).toBe(false)
  })
})
