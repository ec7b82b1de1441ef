import { targetsOf } from '../query'
import { demoInstallation, rewired, wireBetween } from '../../../tests/helpers/demo'
import { Circuit, solve } from '../circuit'
import type { Call } from '../equipment'
import type { Installation, Ref } from '../installation'
import { degF } from '../units'
import { gateChain } from '.'

const right = () => demoInstallation('quillfeather-lane')

function chain(
  inst: Installation,
  target: Ref,
  call: Call,
  outdoorF: number,
  modes: Record<string, string> = {},
) {
  const solved = solve(new Circuit(inst), { call, outdoorF: degF(outdoorF), modes })
  if (!solved.ok) throw new Error(solved.why)
  return gateChain(solved, target)
}
const blocker = (c: ReturnType<typeof chain>) => (c.first === null ? null : c.gates[c.first]!)

describe('gate chains', () => {
  it('lists what can run in a fixed order', () => {
    expect(targetsOf(right()).map((t) => t.ref)).toEqual([
      'od.compressor',
      'kit.row1',
      'kit.row2',
      'od.rvCoil',
      'od.fan',
      'ah.blower',
    ])
  })

  it('names the outdoor thermostat, with its number, as what holds the strips off at 52 °F', () => {
    const c = chain(right(), 'kit.row1', 'heatAux1', 52)
    expect(c.running).toBe('no')
    expect(blocker(c)).toMatchObject({
      at: 'odt.switch',
      state: 'blocking',
      because: [{ kind: 'sense', at: 52, below: 35, band: 5, setting: 'setpoint' }],
    })
    // Beyond it, the sequencer contact has had nothing to act on.
    expect(c.gates.find((g) => g.at === 'kit.seq1c')?.state).toBe('notReached')
  })

  it('goes through supply, control and line in the order in which power meets them', () => {
    const c = chain(right(), 'kit.row2', 'emergency', 52)
    expect(c.running).toBe('yes')
    expect(c.first).toBeNull()
    const order = ['ah.door', 'ah.fuse24', 'tstat.outE', 'kit.seq2c']
    expect(c.gates.map((g) => g.at).filter((a) => order.includes(a))).toEqual(order)
    expect(c.route).toEqual(expect.arrayContaining(['tstat.E', 'ah.W2', 'kit.row2']))
    expect(c.route).not.toContain('odt.T1')
  })

  it('follows both sides of the load: a common that is off at the thermostat end of nothing', () => {
    const inst = right()
    const c = chain(
      rewired(inst, wireBetween(inst, 'ah.C', 'od.C').id, { b: null }),
      'od.compressor',
      'heat1',
      47,
    )
    expect(blocker(c)).toMatchObject({ because: [{ kind: 'notJoined', from: 'ah.C', to: 'od.C' }] })
  })

  it('names the conductor that is off at one end', () => {
    const inst = right()
    const c = chain(
      rewired(inst, wireBetween(inst, 'ah.Y', 'od.Y').id, { a: null }),
      'od.compressor',
      'heat1',
      47,
    )
    // The call has come to the air handler; from there on there is no conductor.
    expect(blocker(c)).toMatchObject({
      at: 'ah.Y',
      state: 'blocking',
      because: [{ kind: 'notJoined', from: 'ah.Y', to: 'od.Y', instead: null }],
    })
    // Without a call that is the first thing on the way, and the conductor the second.
    const off = chain(
      rewired(inst, wireBetween(inst, 'ah.Y', 'od.Y').id, { a: null }),
      'od.compressor',
      'off',
      47,
    )
    expect(blocker(off)).toMatchObject({ at: 'tstat.outY', because: [{ kind: 'call' }] })
    expect(off.gates.filter((g) => g.state === 'blocking').map((g) => g.at)).toContain('ah.Y')
  })

  it.each([
    ['od.compressor', 'heat1', 47, { 'tstat.timer': 'waiting' }, 'tstat.outY', 'mode'],
    ['od.compressor', 'heat1', 47, { 'od.board': 'lockout' }, 'od.boardY', 'mode'],
    ['od.compressor', 'heat1', 47, { 'feedB.breaker': 'off' }, 'feedB.pole1', 'mode'],
    ['od.compressor', 'emergency', 47, {}, 'tstat.outY', 'call'],
    ['od.fan', 'heat1', 30, { 'od.board': 'defrost' }, 'od.fanRelay', 'mode'],
    ['kit.row1', 'heatAux1', 20, { 'kit.limit1': 'open' }, 'kit.limit1', 'mode'],
    ['kit.row2', 'heatAux1', 20, { 'kit.link2': 'open' }, 'kit.link2', 'mode'],
    ['ah.blower', 'fan', 70, { 'ah.fuse24': 'blown' }, 'ah.fuse24', 'mode'],
    ['ah.blower', 'off', 70, {}, 'tstat.outG', 'call'],
  ] as [Ref, Call, number, Record<string, string>, string, string][])(
    '%s on %s at %i °F with %j is held by %s',
    (target, call, t, modes, at, kind) => {
      const c = chain(right(), target, call, t, modes)
      expect(blocker(c)?.at).toBe(at)
      expect(blocker(c)?.because[0]?.kind).toBe(kind)
    },
  )

  it('is unknown, not blocked, where only an unknown setting stands in the way', () => {
    const c = chain(
      demoInstallation('quillfeather-lane', { 'odt.setpoint': null }),
      'kit.row1',
      'heatAux1',
      20,
    )
    expect(c.running).toBe('unknown')
    expect(blocker(c)).toMatchObject({ at: 'odt.switch', state: 'unknown' })
  })

  it('tells a coil with too few volts from one with none', () => {
    // 2,000 ft of 18 AWG each way: 12.8 Ω out and back in series with everything outdoors.
    const inst = right()
    const long = { ...inst, cables: inst.cables.map((x) => (x.id === 'c2' ? { ...x, feet: 4000 } : x)) }
    const c = chain(long, 'od.compressor', 'heat1', 47)
    const gate = blocker(c)
    expect(gate).toMatchObject({ at: 'od.contactor', because: [{ kind: 'volts', needs: 18 }] })
    expect(gate!.because[0]).toHaveProperty('volts')
  })

  it('gives a chain that is not wired for something that is no load', () => {
    expect(chain(right(), 'ah.W1', 'off', 47).gates[0]?.because[0]).toEqual({ kind: 'notWired', last: null })
  })
})
