import * as G from '../../../tests/cases/gear'
import { compose } from '../../../tests/helpers/compose'
import { installationOf } from '@/jobfile'
import { gateWords } from '@/words'
import { Circuit, solve } from '../circuit'
import type { Call } from '../equipment'
import type { Ref } from '../installation'
import { degF } from '../units'
import { gateChain } from '.'

/** The chain of a load in a job that is written line by line. */
function chain(
  lines: readonly string[],
  load: Ref,
  call: Call,
  outdoorF: number,
  modes: Record<string, string> = {},
) {
  const inst = installationOf(compose([...lines]))
  const solved = solve(new Circuit(inst), { call, outdoorF: degF(outdoorF), modes })
  if (!solved.ok) throw new Error(solved.why)
  const found = gateChain(solved, load)
  const gate = found.first === null ? undefined : found.gates[found.first]
  return {
    running: found.running,
    reason: gate ? `${gate.at}: ${gateWords(inst, gate).reason}` : null,
    onBy: found.onBy.map((g) => gateWords(inst, g).reason),
  }
}
const T = 'Thermostat or controller'
const RIGHT_LEAD = 'lift ah.K1=kit.W1 ah.K2=kit.W2'

describe('the first reason', () => {
  it.each<[string, readonly string[], string[], Ref, Call, number, string]>([
    [
      'the valve’s conductor on the thermostat’s common', G.ONE_STAGE,
      ['lift tstat.OB=ah.O', 'land tstat.C=ah.O'], 'od.rvCoil', 'cool1', 85,
      `tstat.OB: No conductor leads from ${T} O/B to Air handler O. The one that belongs there is on ${T} C`,
    ],
    [
      'a kit whose two leads are exchanged at its board', G.TWO_STAGE,
      [RIGHT_LEAD, 'land ah.K1=kit.W2 ah.K2=kit.W1'], 'kit.row1', 'heatAux1', 20,
      'ah.K1: kit 1 and kit 2 are crossed at the air handler: Air handler kit 1 goes to Strip kit W2, and Air handler kit 2 goes to Strip kit W1',
    ],
    [
      'the call lifted at a relay’s common contact', G.OIL,
      ['lift tstat.Y=iso.COM'], 'od.compressor', 'heat1', 45,
      `tstat.Y: No conductor leads from ${T} Y to Relay COM`,
    ],
    [
      'a relay’s coil between R of one transformer and C of the other', G.OIL,
      ['lift fur.C=rel.A2', 'land fur.T2=rel.A2'], 'fur.burnerLoad', 'emergency', 20,
      'fur.C: No conductor leads from Furnace C to Relay A2. The one that belongs there is on Furnace T',
    ],
    [
      'a conductor that shorts R to C', G.ONE_STAGE,
      ['land ah.R=ah.C'], 'od.compressor', 'heat1', 45,
      'ah.R: A conductor that does not belong joins Air handler R and Air handler C',
    ],
    [
      'a board on a bus that has no common', G.BUS,
      ['lift ah.C=od.C'], 'od.compressor', 'heat1', 45,
      'ah.C: No conductor leads from Air handler C to Outdoor unit C',
    ],
  ])('%s', (_, gear, work, load, call, outdoorF, said) => {
    expect(chain(gear, load, call, outdoorF).reason).toBeNull()
    expect(chain([...gear, ...work], load, call, outdoorF).reason).toBe(said)
  }) // prettier-ignore

  it('a sensor’s conductor exchanged with the second stage’s: both are named, where they belong and where they are', () => {
    const work = ['lift tstat.Y2=ah.Y2 tstat.S1=spl1.x', 'land tstat.S1=ah.Y2 tstat.Y2=spl1.x']
    expect(chain(G.TWO_STAGE_SENSOR, 'od.stage2', 'heat2', 45).reason).toBeNull()
    const { reason } = chain([...G.TWO_STAGE_SENSOR, ...work], 'od.stage2', 'heat2', 45)
    expect(reason).toMatch(/Y2 and S1 are crossed at the thermostat/)
  })

  it('a float in the outdoor unit’s R is the job’s own choice: water is the reason, and no conductor', () => {
    const work = ['place fl=sedge-fl1 --where garage --box', 'lift ah.R=od.R', 'land ah.R=fl.T1 fl.T2=od.R']
    const job = [...G.BUS, ...work]
    expect(chain(job, 'od.compressor', 'heat1', 45).running).toBe('yes')
    const wet = chain(job, 'od.compressor', 'heat1', 45, { 'fl.water': 'high' })
    expect(wet.running).toBe('no')
    expect(wet.reason).toMatch(/^fl\.switch: Condensate pan: water is high$/)
  })

  it('hot air at the coil is the reason, and not the interlock before it, whose coil is out', () => {
    const hot = chain(G.STAGE_FUEL, 'od.compressor', 'heat1', 45, { 'ceat.ahead': 'open' })
    expect(hot.reason).toMatch(/^ceat\.switch: /)
    expect(chain(G.STAGE_FUEL, 'od.compressor', 'heatAux1', 20).reason).toMatch(/^rel\.nc: Its coil has 24 V/)
  })

  it('a switch that should not be on the way is said with its weather, and then the conductor', () => {
    const work = [
      'lift tstat.E=ah.W2',
      'place sp=splice --where garage',
      'land tstat.E=sp.x',
      'land sp.x=od.WIN',
    ]
    const job = [...G.OUTDOOR_THERMOSTAT, ...work]
    expect(chain(job, 'kit.row1', 'emergency', 20).running).toBe('yes')
    expect(chain(job, 'kit.row1', 'emergency', 52).reason).toMatch(
      /^odt\.switch: 52 °F outside; closes below 35 °F.*\. No conductor leads from/,
    )
  })

  it('a relay that somebody added to a call’s conductor is part of the job', () => {
    const work = [
      'place more=sedge-r1 --where garage --box',
      'lift tstat.Y=ah.Y',
      'land tstat.Y=more.COM more.NC=ah.Y',
      'land tstat.G=more.A1 ah.C=more.A2',
    ]
    const job = [...G.ONE_STAGE, ...work]
    // G comes with every heating call, and opens the added contact.
    expect(chain(job, 'od.compressor', 'heat1', 45).reason).toMatch(/^more\.nc: Its coil has 24 V/)
  })

  it('a setting that does not go with the equipment', () => {
    const job = [...G.TWO_STAGE, 'set tstat.system=dualFuel']
    expect(chain(job, 'od.compressor', 'heatAux1', 20).reason).toBe(
      'tstat.system: System: Dual fuel. This equipment needs: Heat pump with electric backup',
    )
  })
})

describe('what runs and should not', () => {
  it('names the conductor that turns it on', () => {
    const job = [...G.ONE_STAGE, 'lift tstat.OB=ah.O', 'land tstat.G=ah.O']
    expect(chain(G.ONE_STAGE, 'od.rvCoil', 'fan', 60)).toMatchObject({ running: 'no', onBy: [] })
    expect(chain(job, 'od.rvCoil', 'fan', 60)).toMatchObject({
      running: 'yes',
      onBy: [`No conductor leads from ${T} O/B to Air handler O. The one that belongs there is on ${T} G`],
    })
    // What a call is meant to turn on is on, and needs no reason.
    expect(chain(job, 'ah.blower', 'fan', 60)).toMatchObject({ running: 'yes', onBy: [] })
  })
})
