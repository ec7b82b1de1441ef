import { demoInstallation } from '../../tests/helpers/demo'
import { Circuit, solve } from '@/core/circuit'
import { degF } from '@/core/units'
import { terminalVolts } from '@/core/startup'
import { benchSvg } from './bench'
import { drawWires, layOut } from './layout'

const situation = { call: 'emergency' as const, outdoorF: degF(52), modes: {} }
const inst = demoInstallation('quillfeather-lane')
const svg = (title = 'A & B <x>') =>
  benchSvg(inst, terminalVolts(solve(new Circuit(inst), situation)), title, situation)

describe('the wiring as a drawing', () => {
  it('escapes what a person typed', () => {
    expect(svg()).toContain('A &#38; B &#60;x&#62;')
    expect(svg()).not.toContain('<x>')
  })
  it('draws every low-voltage conductor twice, outline and colour, with its name', () => {
    const { wires } = drawWires(inst, layOut(inst.placed))
    expect(svg().match(/<path /g)).toHaveLength(2 * wires.length)
    expect(svg()).toContain(
      '<title>brown conductor of the thermostat cable: Thermostat E to Air handler W2</title>',
    )
  })
  it('tells live from dead without colour', () => {
    // E is live in emergency heat, Y is dead: one solid and thick, one broken.
    const lineOf = (name: string) =>
      svg()
        .split('<g>')
        .find((g) => g.includes(`<title>${name}`))!
    expect(lineOf('brown conductor of the thermostat cable')).not.toContain('stroke-dasharray')
    expect(lineOf('yellow conductor of the thermostat cable')).toContain('stroke-dasharray')
  })
  it('says which situation it shows', () => {
    expect(svg()).toContain('Emergency heat at 52 °F, everything normal')
  })
})
