import * as G from '../../../tests/cases/gear'
import { compose } from '../../../tests/helpers/compose'
import { demoInstallation, rewired, without, wireBetween } from '../../../tests/helpers/demo'
import { landedCase } from '../../../tests/helpers/matrix'
import { joined, moved } from '../../../tests/helpers/ruleFixtures'
import { installationOf } from '@/jobfile'
import { gateWords } from '@/words'
import { Circuit, solve } from '../circuit'
import type { Call } from '../equipment'
import type { Installation, Ref } from '../installation'
import { degF } from '../units'
import { gateChain } from '.'

/** What first holds a load, and the place where a person is sent. */
function held(inst: Installation, target: Ref, call: Call, outdoorF: number): string {
  const solved = solve(new Circuit(inst), { call, outdoorF: degF(outdoorF), modes: {} })
  if (!solved.ok) throw new Error(solved.why)
  const chain = gateChain(solved, target)
  const gate = chain.first === null ? undefined : chain.gates[chain.first]
  return gate ? `${gate.at}: ${gateWords(inst, gate).reason}` : 'on'
}
const strips = () => demoInstallation('quillfeather-lane')

describe('a conductor that is missing', () => {
  it('is missing from where the call’s volts still stand, and not from the thermostat', () => {
    // Y comes to the air handler; the outdoor unit’s own conductor hangs on W2 there.
    const inst = moved(strips(), 'ah.Y', 'ah.W2', 'od.Y')
    expect(held(inst, 'od.compressor', 'heat1', 25)).toBe(
      'ah.Y: No conductor leads from Air handler Y to Outdoor unit Y. The one that belongs there is on Air handler W2',
    )
    expect(held(strips(), 'od.compressor', 'heat1', 25)).toBe('on')
  })

  it('behind an outdoor thermostat that is closed, from its far side; an open one is the reason itself', () => {
    const inst = strips()
    const cut = without(inst, wireBetween(inst, 'odt.T2', 'od.W').id)
    expect(held(cut, 'kit.row1', 'heatAux1', 25)).toBe(
      'odt.T2: No conductor leads from Outdoor thermostat 2 to Outdoor unit W',
    )
    expect(held(inst, 'kit.row1', 'heatAux1', 25)).toBe('on')
    expect(held(inst, 'kit.row1', 'heatAux1', 60)).toMatch(/^odt\.switch: 60 °F outside; closes below 35 °F/)
  })

  it('a valve’s call is crossed with another call’s beyond an outdoor thermostat', () => {
    const inst = strips()
    const at = (end: Ref, other: Ref) => wireBetween(inst, end, other).id
    const wires = rewired(inst, at('ah.O', 'od.OB'), { b: 'odt.T2' })
    const swapped = rewired(wires, at('odt.T2', 'od.W'), { a: 'od.OB' })
    // 25 °F: the outdoor thermostat is closed, and hands the valve’s 24 V on to the splice.
    expect(held(swapped, 'od.rvCoil', 'cool1', 25)).toBe(
      'odt.T2: Two conductors are crossed: Air handler O goes to Outdoor thermostat 2, and Outdoor unit O/B goes to Outdoor unit W',
    )
    expect(held(inst, 'od.rvCoil', 'cool1', 25)).toBe('on')
  })

  it('before an outdoor thermostat that hangs on nothing, leads to it, and never past it', () => {
    const inst = strips()
    const cut = without(inst, wireBetween(inst, 'spl.x', 'odt.T1').id)
    expect(held(cut, 'kit.row1', 'heatAux1', 25)).toBe(
      'spl.x: No conductor leads from Splice S1 to Outdoor thermostat 1',
    )
  })

  it('to a kit’s lead leads from the cabinet’s terminal of its name, whichever way the call comes there', () => {
    for (const row of ['1', '2']) {
      const cut = without(strips(), wireBetween(strips(), `ah.W${row}`, `kit.W${row}`).id)
      const said = `ah.W${row}: No conductor leads from Air handler W${row} to Strip kit W${row}`
      expect(held(cut, `kit.row${row}`, 'emergency', 45)).toBe(said)
      expect(held(cut, `kit.row${row}`, 'heatAux1', 25)).toBe(said)
      // The outdoor thermostat comes first on the way from the supply, and is open above its setpoint.
      expect(held(cut, `kit.row${row}`, 'heatAux1', 45)).toMatch(/^odt\.switch: 45 °F outside/)
    }
  })

  it('between the terminals of a board where AUX and E each bring a part, and the jumper is off', () => {
    const inst = strips()
    const cut = without(inst, wireBetween(inst, 'ah.W1', 'ah.W2').id)
    expect(held(cut, 'kit.row1', 'emergency', 25)).toBe(
      'ah.W2: No conductor leads from Air handler W2 to Air handler W1',
    )
    expect(held(cut, 'kit.row2', 'heatAux1', 25)).toBe(
      'ah.W1: No conductor leads from Air handler W1 to Air handler W2',
    )
    expect(held(cut, 'kit.row1', 'heatAux1', 25)).toBe('on')
    expect(held(cut, 'kit.row2', 'emergency', 25)).toBe('on')
    // What no backup call asks for is not called.
    expect(held(cut, 'kit.row1', 'heat1', 25)).toMatch(/Not called/)
    // A second stage of backup waits for its own call.
    expect(held(demoInstallation('pennywort-close'), 'kit.row2', 'heatAux1', 25)).toMatch(/Not called/)
  })

  it('before an air thermostat leads to it, too: a conductor past it would take it out', () => {
    const inst = demoInstallation('lapwing-court')
    const cut = without(inst, wireBetween(inst, 'rel.NO', 'ceat.T1').id)
    expect(held(cut, 'od.compressor', 'cool1', 85)).toMatch(/to Coil-entering-air thermostat 1$/)
  })

  it('between W1 and W2 of a board is a jumper, wherever the calls for the two come from', () => {
    const inst = strips()
    const swapped = rewired(
      rewired(inst, wireBetween(inst, 'ah.W2', 'kit.W2').id, { a: 'ah.W1' }),
      wireBetween(inst, 'ah.W1', 'ah.W2').id,
      { b: 'ah.W1' },
    )
    expect(held(swapped, 'kit.row1', 'emergency', 25)).toMatch(
      /No conductor leads from Air handler W2 to Air handler W1$/,
    )
  })

  it('to a fuel kit leads to where the call comes to it', () => {
    const inst = demoInstallation('ferrous-hill')
    const cut = without(inst, wireBetween(inst, 'tstat.Y', 'ffk.Yin').id)
    expect(held(cut, 'od.compressor', 'cool1', 85)).toMatch(/from Thermostat Y to Fossil fuel kit Y in$/)
  })

  it('was crossed at the thermostat with another call’s, by way of a splice', () => {
    // Aux and the valve's wire crossed at the thermostat: aux comes to the valve, the valve's call to the splice of aux.
    const inst = strips()
    const [valve, aux] = [
      wireBetween(inst, 'tstat.OB', 'ah.O').id,
      wireBetween(inst, 'tstat.AUX', 'spl.x').id,
    ]
    const crossed = rewired(rewired(inst, valve, { a: 'tstat.AUX' }), aux, { a: 'tstat.OB' })
    expect(held(crossed, 'kit.row1', 'heatAux1', 25)).toBe(
      'tstat.AUX: O/B and AUX are crossed at the thermostat: Thermostat AUX goes to Air handler O, and Thermostat O/B goes to Splice S1',
    )
  })

  it('is on another input of the board, and a relay’s contact joins the two', () => {
    // Aux pulls in the relay whose contact feeds W1; Y hangs on W2, and Y's terminal on W1.
    const inst = demoInstallation('pennywort-close')
    const off = moved(inst, 'ah.Y', 'ah.W2', 'tstat.Y')
    expect(held(joined(off, 'ah.W1', 'ah.Y'), 'od.compressor', 'cool1', 85)).toMatch(
      /^tstat\.Y: No conductor leads from Thermostat Y1 to Air handler Y1\. The one that belongs there is on Air handler W2$/,
    )
  })

  it('to a strip kit’s lead is missing, where the lead hangs on another kind of terminal', () => {
    // Both rows' leads are on the terminal of the valve.
    const inst = strips()
    const [row1, row2] = [wireBetween(inst, 'ah.W1', 'kit.W1').id, wireBetween(inst, 'ah.W2', 'kit.W2').id]
    const on = rewired(rewired(inst, row1, { a: 'ah.O' }), row2, { a: 'ah.O' })
    for (const call of ['emergency', 'heatAux1'] as const)
      expect(held(on, 'kit.row1', call, 25)).toMatch(/No conductor leads from .* to Strip kit W1$/)
  })

  it('of a row is crossed with a leak sensor’s at the board', () => {
    // The leak sensor's wire and a row's lead are crossed at the air handler.
    const inst = demoInstallation('osier-walk')
    const [leak, row] = [wireBetween(inst, 'leak.T2', 'ah.LK').id, wireBetween(inst, 'ah.K1', 'kit.W1').id]
    const crossed = rewired(rewired(inst, leak, { b: 'ah.K1' }), row, { a: 'ah.LK' })
    expect(held(crossed, 'kit.row1', 'heatAux1', 25)).toBe(
      'ah.K1: LEAK and kit 1 are crossed at the air handler: Leak sensor 2 goes to Air handler kit 1, and Air handler LEAK goes to Strip kit W1',
    )
  })

  it('of a row that is off altogether comes from the board’s own output for it', () => {
    const inst = demoInstallation('pennywort-close')
    const off = without(inst, wireBetween(inst, 'ah.K2', 'kit.W2').id)
    expect(held(off, 'kit.row2', 'heatAux2', 25)).toBe(
      'ah.K2: No conductor leads from Air handler kit 2 to Strip kit W2',
    )
  })

  it('between two inputs of a board is missing, where the board hands only one of them on', () => {
    // One row, on kit 1; E is landed on W2, and the jumper to W1 is off.
    const inst = landedCase({
      name: 'one row behind a board',
      pieces: [
        ['tstat', 'sorrel-h1', 'wall'],
        ['ah', 'plain-air-handler-board', 'garage'],
        ['kit', 'teasel-k1', 'garage'],
        ['od', 'marram-s1', 'north'],
        ['odt', 'sedge-t50', 'north'],
      ],
      packaged: false,
      practice: { defrost: 'tempered', emergency: 'jumper', fuel: 'thermostat' },
    })!
    const cut = without(inst, wireBetween(inst, 'ah.W1', 'ah.W2').id)
    expect(held(cut, 'kit.row1', 'emergency', 25)).toBe('ah.W2: No conductor leads from ah W2 to ah W1')
    expect(held(inst, 'kit.row1', 'emergency', 25)).toBe('on')
  })

  it('is crossed at a relay’s coil and contact', () => {
    // Y and W are crossed at the relay that keeps the heat pump out while the furnace heats.
    const inst = demoInstallation('tansy-street')
    const [y, w] = [wireBetween(inst, 'tstat.Y', 'rel.COM').id, wireBetween(inst, 'fur.W1', 'rel.A1').id]
    const swapped = rewired(rewired(inst, y, { b: 'rel.A1' }), w, { b: 'rel.COM' })
    expect(held(swapped, 'od.compressor', 'cool1', 85)).toBe(
      'rel.COM: A1 and COM are crossed at the interlock relay: Furnace W1 goes to Interlock relay COM, and Thermostat Y goes to Interlock relay A1',
    )
    expect(held(inst, 'od.compressor', 'cool1', 85)).toBe('on')
    // Where the relay does its work it is the reason itself: aux holds the heat pump off.
    expect(held(inst, 'od.compressor', 'heatAux1', 25)).toBe(
      'rel.nc: Its coil has 24 V: relay coil holds it open',
    )
  })

  it('of a call that is landed on the second stage alone is the jumper to the first', () => {
    // Aux comes to W2 by the outdoor unit, where E is landed too: it belongs on W1.
    const inst = strips()
    const cut = [wireBetween(inst, 'ah.W1', 'ah.W2'), wireBetween(inst, 'ah.W2', 'kit.W2')].reduce(
      (now, wire) => without(now, wire.id),
      inst,
    )
    const onW2 = moved(cut, 'ah.W1', 'ah.W2', 'od.W')
    expect(held(onW2, 'kit.row1', 'heatAux1', 25)).toBe(
      'ah.W2: No conductor leads from Air handler W2 to Air handler W1',
    )
  })

  it('of a second stage is on another output', () => {
    const inst = demoInstallation('tallow-mill')
    const crossed = moved(inst, 'tstat.W2', 'tstat.Y', 'fur.W2')
    expect(held(crossed, 'fur.valve2', 'emergency', 25)).toMatch(
      /No conductor leads from Thermostat AUX2 to Furnace W2\. The one that belongs there is on Thermostat Y1$/,
    )
  })

  it('of a relay’s coil is on another output, which is open in this weather', () => {
    const inst = demoInstallation('candlemaker-yard')
    const crossed = moved(inst, 'tstat.AUX', 'tstat.Y', 'iso.A1')
    // 25 °F is below the changeover: Y stays open, and is no reason for the furnace.
    expect(held(crossed, 'fur.burnerLoad', 'heat1', 25)).toBe(
      'tstat.AUX: No conductor leads from Thermostat AUX to Isolation relay A1. The one that belongs there is on Thermostat Y',
    )
  })
})

describe('a call that has come as far as it goes', () => {
  it('stands at the far side of the relay that it pulled in, and not at its coil', () => {
    const inst = demoInstallation('pennywort-close')
    const cut = without(inst, wireBetween(inst, 'iso.NO', 'ah.W1').id)
    expect(held(cut, 'kit.row1', 'heatAux1', 25)).toBe(
      'iso.NO: No conductor leads from Isolation relay NO to Air handler W1',
    )
    // Y on a relay that is another call’s has not come to where that relay leads.
    const harrier = demoInstallation('harrier-bank')
    const [y, aux] = [wireBetween(harrier, 'tstat.Y', 'ah.Y'), wireBetween(harrier, 'tstat.AUX', 'iso.A1')]
    const swapped = {
      ...harrier,
      wires: harrier.wires.map((w) =>
        w.id === y.id
          ? { ...w, a: 'tstat.AUX' as const, b: 'ah.Y' as const }
          : w.id === aux.id
            ? { ...w, a: 'tstat.Y' as const, b: 'iso.A1' as const }
            : w,
      ),
    }
    expect(held(swapped, 'od.compressor', 'heat1', 25)).toBe(
      'tstat.AUX: Y1 and AUX1 are crossed at the thermostat: Thermostat AUX1 goes to Air handler Y1, and Thermostat Y1 goes to Isolation relay A1',
    )
  })

  it('has its conductor on the output of another call', () => {
    const inst = demoInstallation('osier-walk')
    const crossed = moved(inst, 'tstat.AUX', 'tstat.O', 'ah.W1')
    expect(held(crossed, 'kit.row1', 'heatAux1', 25)).toBe(
      'tstat.AUX: No conductor leads from Thermostat W/E to Air handler W1. The one that belongs there is on Thermostat O',
    )
  })

  it('stops at a relay whose other side nothing feeds', () => {
    const inst = demoInstallation('harrier-bank')
    const dry = moved(inst, 'ah.R', 'ah.O', 'iso.COM')
    expect(held(dry, 'kit.row1', 'heatAux1', 25)).toBe(
      'ah.R: No conductor leads from Air handler R to Isolation relay COM. The one that belongs there is on Air handler O',
    )
    expect(held(inst, 'kit.row1', 'heatAux1', 25)).toBe('on')
  })

  it('one conductor of a bus is on another terminal', () => {
    const inst = moved(demoInstallation('gorse-end', { 'od.selector': 'bus' }), 'ah.D2', 'ah.W2', 'od.D2')
    expect(held(inst, 'od.compressor', 'heat1', 25)).toMatch(
      /No conductor leads from Air handler D2 to Outdoor unit D2\. The one that belongs there is on Air handler W2$/,
    )
  })

  it('comes to nothing where its conductor joins the two ends of the supply', () => {
    const inst = moved(demoInstallation('copper-alley'), 'ah.Y', 'ah.C', 'tstat.Y')
    expect(held(inst, 'od.compressor', 'heat1', 25)).toMatch(
      /No conductor leads from Thermostat Y to Air handler Y\. The one that belongs there is on Air handler C$/,
    )
  })

  it('cannot be made by a thermostat whose R is on an output of the board', () => {
    const inst = demoInstallation('dovecote-lane')
    const [r, o] = [wireBetween(inst, 'tstat.R', 'od.R'), wireBetween(inst, 'tstat.OB', 'od.O')]
    const swapped = {
      ...inst,
      wires: inst.wires.map((w) =>
        w.id === r.id
          ? { ...w, a: 'tstat.R' as const, b: 'od.O' as const }
          : w.id === o.id
            ? { ...w, a: 'tstat.OB' as const, b: 'od.R' as const }
            : w,
      ),
    }
    expect(held(swapped, 'od.compressor', 'heat1', 25)).toBe(
      'od.O: R and O are crossed at the packaged unit: Thermostat R goes to Packaged unit O, and Thermostat O/B goes to Packaged unit R',
    )
  })

  it('a relay’s common is on another supply of the same furnace', () => {
    const inst = moved(demoInstallation('candlemaker-yard'), 'fur.C', 'fur.T1', 'iso.A2')
    expect(held(inst, 'fur.burnerLoad', 'heat1', 25)).toMatch(
      /No conductor leads from Furnace C to Isolation relay A2\. The one that belongs there is on Furnace T$/,
    )
  })

  it('two calls are crossed at the thermostat, and each pulls in the other’s relay', () => {
    const oil = installationOf(compose(G.OIL))
    const at = (end: Ref, other: Ref) => wireBetween(oil, end, other).id
    // G and W are crossed at the thermostat: the fan pulls both relays in.
    const fan = rewired(rewired(oil, at('tstat.G', 'fur.G'), { a: 'tstat.W' }), at('tstat.W', 'rel.A1'), {
      a: 'tstat.G',
    })
    expect(held(fan, 'fur.blowerFan', 'cool1', 90)).toBe(
      'tstat.W: G and W are crossed at the thermostat or controller: Thermostat or controller W goes to Furnace G, and Thermostat or controller G goes to Relay A1',
    )
    // Y and W: the heat pump's own call opens its interlock.
    const heat = rewired(rewired(oil, at('tstat.Y', 'iso.COM'), { a: 'tstat.W' }), at('tstat.W', 'rel.A1'), {
      a: 'tstat.Y',
    })
    expect(held(heat, 'od.compressor', 'heatAux1', 20)).toMatch(
      /^tstat\.W: Y and W are crossed at the thermostat/,
    )
  })
})
