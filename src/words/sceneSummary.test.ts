import { Circuit } from '@/core/circuit'
import { noSums } from '@/core/simulation'
import { degF } from '@/core/units'
import { demoInstallation } from '../../tests/helpers/demo'
import { sceneNoteSentence, sceneSummary } from '.'

const sample = (roomF: number, supplyF: number) => ({
  at: 0, roomF, supplyF, targetF: 70, outdoorF: 30, coilF: 20, frostLb: 0,
}) // prettier-ignore

describe('what a scene came to', () => {
  it('is the room, the air, the kWh by source and the fuel', () => {
    const sums = { ...noSums(), heatPumpKwh: 2.9, stripKwh: 0.31, fuelBtu: 0 }
    expect(sceneSummary(sums, [sample(70, 70), sample(66.4, 103.2), sample(68.2, 98)])).toEqual([
      'Room 70 °F at the start, 68.2 °F at the end, 66.4 °F at the coldest.',
      'Supply air up to 103.2 °F.',
      '3.2 kWh: heat pump 2.9, strips 0.3.',
    ])
    const burned = { ...noSums(), blowerKwh: 0.4, fuelBtu: 80_400 }
    expect(sceneSummary(burned, [sample(70, 70)])[2]).toBe('0.4 kWh. Fuel 80 thousand BTU.')
    expect(sceneSummary(noSums(), [])).toEqual([])
  })

  it('names the first gate that kept away what was expected', () => {
    const circuit = new Circuit(demoInstallation('ferrous-hill'))
    const said = sceneNoteSentence(circuit, {
      why: 'noDefrost',
      load: 'od.compressor',
      situation: { call: 'heat1', outdoorF: degF(30), modes: {} },
      outdoorF: 30,
    })
    expect(said).toMatch(/^No defrost: the compressor doesn’t run at 30 °F\. Held at .*35 °F/)
  })
})
