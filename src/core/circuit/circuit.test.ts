import { demoInstallation } from '../../../tests/helpers/demo'
import { coil, contact, device, install, placed, wire } from '../../../tests/helpers/build'
import type { Part } from '../equipment'
import { degF, asOhms } from '../units'
import { Circuit, solve } from '.'
import type { Solution } from '.'

const quiet = { call: 'off' as const, outdoorF: degF(47), modes: {} }
const supply: Part = { kind: 'source', id: 's', a: 'R', b: 'C', volts: 24, ohms: 0.5 }

function solved(circuit: Circuit, situation = quiet as Parameters<typeof solve>[1]): Solution {
  const s = solve(circuit, situation)
  if (!s.ok) throw new Error(s.why)
  return s
}

describe('coils and contacts', () => {
  it('reports a relay that breaks its own circuit as chatter, naming its coil', () => {
    const buzzer = device(
      'buzzer',
      ['R', 'C'],
      [supply, contact('nc', 'R', 'x', { not: { energised: 'coil' } }), coil('coil', 'x', 'C', 6, 0.5)],
    )
    const s = solve(new Circuit(install([placed('b', buzzer)])), quiet)
    expect(s).toMatchObject({ ok: false, why: 'chatter', cycle: ['b.coil'] })
  })

  it('settles two relays that lock each other out: one wins, as in a panel', () => {
    const pair = device(
      'pair',
      ['R', 'C'],
      [
        supply,
        contact('nc1', 'R', 'x', { not: { energised: 'two' } }),
        coil('one', 'x', 'C', 6, 0.5),
        contact('nc2', 'R', 'y', { not: { energised: 'one' } }),
        coil('two', 'y', 'C', 6, 0.5),
      ],
    )
    const s = solved(new Circuit(install([placed('p', pair)])))
    expect([s.energised('p.one'), s.energised('p.two')].filter(Boolean)).toHaveLength(1)
  })

  it('keeps a coil in between drop-out and pull-in once it is in, and out once it is out', () => {
    // 20 Ω in series with a 6 VA heater coil (96 Ω): 24 · 96/116.5 = 19.8 V, enough to pull in at 18.
    // A second, 9.6 Ω load then loads the source down to 24 · (8.73/(8.73+0.5)) …: between the two, it must hold.
    const drop = (ohms: number) =>
      device(
        'd',
        ['R', 'C'],
        [
          supply,
          { kind: 'path', id: 'p', a: 'R', b: 'x', ohms },
          { ...coil('k', 'x', 'C', 6, 1), pullIn: 18, dropOut: 8 } as Part,
        ],
      )
    const state = (ohms: number) => solved(new Circuit(install([placed('d', drop(ohms))]))).energised('d.k')
    expect(state(20)).toBe(true)
    // 24 · 96/(96 + 60 + 0.5) = 14.7 V: above drop-out, but it never pulled in.
    expect(state(60)).toBe(false)
  })

  it('holds a self-sealing relay in at a voltage that would not have pulled it in', () => {
    // The start contact bridges a 60 Ω resistor only until the coil itself opens it: 23.9 V pulls in, 14.7 V holds.
    const economiser = device(
      'e',
      ['R', 'C'],
      [
        supply,
        contact('bridge', 'R', 'x', { not: { energised: 'k' } }),
        { kind: 'path', id: 'p', a: 'R', b: 'x', ohms: 60 },
        { ...coil('k', 'x', 'C', 6, 1), pullIn: 18, dropOut: 8 } as Part,
      ],
    )
    const s = solved(new Circuit(install([placed('e', economiser)])))
    expect(s.energised('e.k')).toBe(true)
    expect(s.volts('e.x', 'e.C')).toBeCloseTo((24 * 96) / (96 + 60.5), 2)
  })
})

describe('meter', () => {
  const divider = device(
    'd',
    ['R', 'C', 'far'],
    [supply, { kind: 'path', id: 'big', a: 'R', b: 'far', ohms: 100_000 }],
  )
  const s = solved(new Circuit(install([placed('d', divider)])))

  it('shows nearly all of an unloaded voltage at 10 MΩ and little of it at 3 kΩ', () => {
    // 24 · 10e6/(10e6 + 100e3) and 24 · 3e3/(3e3 + 100e3)
    expect(s.meter('d.far', 'd.C')).toBeCloseTo((24 * 10e6) / 10.1e6, 2)
    expect(s.meter('d.far', 'd.C', asOhms(3000))).toBeCloseTo((24 * 3e3) / 103e3, 2)
  })
  it('gives NaN for a point that is not there', () => expect(s.meter('d.none', 'd.C')).toBeNaN())
  it('shows next to nothing on a conductor that floats', () => {
    const two = install([placed('d', divider), placed('f', device('f', ['x'], []))])
    expect(solved(new Circuit(two)).meter('f.x', 'd.C')).toBeLessThan(0.2)
  })
})

describe('the demo job', () => {
  const inst = demoInstallation('quillfeather-lane')
  const circuit = new Circuit(inst)

  it('gives a live leg at a kit that is off: 120 V to earth beyond the open sequencer', () => {
    const s = solved(circuit)
    expect(s.energised('kit.row1')).toBe(false)
    expect(s.volts('kit.e1c', '@earth')).toBeGreaterThan(118)
    expect(s.volts('kit.e1c', '@earth')).toBeLessThan(121)
  })

  it('draws V/R through each row and the sum at the feed', () => {
    const s = solved(circuit, { call: 'emergency', outdoorF: degF(20), modes: {} })
    const volts = s.volts('kit.L1', 'kit.L2')
    expect(s.amps('kit.row1')).toBeCloseTo(volts / 12.01, 1)
    // Two rows of 12 Ω in parallel with a blower of 520 VA, most of it real.
    expect(s.amps('feedA.pole1')).toBeGreaterThan(2 * (volts / 12.02) + 1.8)
    expect(s.amps('feedA.pole1')).toBeLessThan(2 * (volts / 12) + 2.4)
  })

  it('reads 20.8/24 of the volts where the primary tap is 240 on a 208 V service', () => {
    const low = demoInstallation('quillfeather-lane', { 'feedA.volts': 208 })
    const ratio = solved(new Circuit(low)).volts('ah.R', 'ah.C') / solved(circuit).volts('ah.R', 'ah.C')
    expect(ratio).toBeCloseTo(208 / 240, 3)
  })

  it('reports the overcurrent of a short from R to C at a splice, with the fuse intact', () => {
    const shorted = { ...inst, wires: [...inst.wires, wire('x', 'ah.R', 'ah.C', { gauge: 18, feet: 1 })] }
    const s = solved(new Circuit(shorted))
    // 26.4 V behind 1.44 Ω: about 18 A, against a 3 A fuse.
    const fuse = s.overcurrents.find((o) => o.ref === 'ah.fuse24')
    expect(fuse?.limitA).toBe(3)
    expect(fuse!.amps).toBeGreaterThan(17.5)
    expect(fuse!.amps).toBeLessThan(18.4)
  })

  it('takes an unknown driver as open or as closed, as asked, and says that it is unknown', () => {
    const unknown = new Circuit(demoInstallation('quillfeather-lane', { 'odt.setpoint': null }))
    const at = { call: 'heatAux1' as const, outdoorF: degF(20), modes: {} }
    const open = solve(unknown, at, 'open')
    const closed = solve(unknown, at, 'closed')
    if (!open.ok || !closed.ok) throw new Error('unsolved')
    expect(open.closed('odt.switch')).toBe('unknown')
    expect(open.energised('kit.row1')).toBe(false)
    expect(closed.energised('kit.row1')).toBe(true)
  })
})
