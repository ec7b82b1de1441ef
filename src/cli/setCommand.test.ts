import { JobAnalysis, jobSeen } from '@/jobfile'
import { crossingOf } from '@/core/crossing'
import { Circuit } from '@/core/circuit'
import { houseValue } from '@/core/house'
import { compose } from '../../tests/helpers/compose'
import { readArgs } from './args'
import { COMMANDS } from './commands'
import * as G from '../../tests/cases/gear'

const NOW = '2026-12-01T09:00:00Z'
/** What `kit` prints for a job with these options. */
function kit(lines: readonly string[], ...options: string[]): string[] {
  const said = COMMANDS.kit!(
    new JobAnalysis(compose(lines)),
    readArgs(['kit', 'FILE', ...options], 'library', NOW),
  )
  return said.ok ? said.value.lines : said.problems.map((p) => `${p.path}: ${p.expected}`)
}
const DUAL = ['place fur=brindle-g1 od=marram-s1 --where garage']

describe('set, from the command line', () => {
  it('holds all that is known of a house, each number where the screens keep it', () => {
    const job = compose([
      ...G.ONE_STAGE,
      'set house.designLoad=32000 house.designF=8 house.altitudeFt=5280 house.cable=copper75 house.way=design',
      'set price.kwh=0.14 price.fuel=1.1 price.currency=$ climate=mixed air.staticInWc=0.5 ask.frail=yes',
      'set plate.od.mca=18.4 plate.od.ratings=rated:47:36000::3.5,rated:17:21000::2.4 plate.ah.model=A36',
    ])
    const seen = jobSeen(job)
    expect(houseValue(seen.house, 'altitudeFt')).toBe(5280)
    expect([seen.house.cable, seen.house.way]).toEqual(['copper75', 'design'])
    expect(seen.prices).toMatchObject({ kwh: 0.14, fuel: 1.1, currency: '$' })
    expect(seen.climate).toEqual({ kind: 'shipped', climate: 'mixed' })
    expect([seen.staticInWc, seen.answers.frail]).toEqual([0.5, 'yes'])
    expect(seen.plates.od).toMatchObject({
      mca: 18.4,
      ratings: [
        { stage: 'rated', outdoorF: 47, capacityBtuh: 36_000, cop: 3.5 },
        { stage: 'rated', outdoorF: 17, capacityBtuh: 21_000, cop: 2.4 },
      ],
    })
    // 32,000 BTU/h over 65 − 8 °F.
    expect(crossingOf(seen, new Circuit(seen.inst)).line?.slope).toBeCloseTo(561.4, 1)
  })

  it('takes a number back with ?, and names what it does not know', () => {
    const job = compose([
      'set house.designLoad=32000 price.kwh=0.1',
      'set house.designLoad=? price.kwh=? climate=?',
    ])
    expect(job.house.values).toEqual({})
    expect(() => compose(['set house.bogus=3'])).toThrow(/house\.bogus: expected one of indoorF/)
    expect(() => compose(['set house.designLoad=much'])).toThrow(/expected a number in BTU\/h, found much/)
    expect(() => compose(['set climate=nowhere'])).toThrow(
      /one of mildWet, mixed, coldDry, or a weather file/,
    )
    expect(() => compose([...DUAL, 'set plate.od.ratings=rated:47:1:2:3:4'])).toThrow(
      /rows of stage:outdoorF/,
    )
    expect(() => compose([...DUAL, 'set plate.zz.mca=3'])).toThrow(/one of plate\.fur\.FIELD/)
  })
})

describe('kit, from the command line', () => {
  it('says the service, the derated burner and the clocked input', () => {
    const lines = kit(
      [...DUAL, 'set house.altitudeFt=5280 house.serviceA=200 house.areaFt2=1800 house.applianceVa=12000'],
      '--clock', '2:95',
    ) // prettier-ignore
    // 80,000 · (1 − 0.04 · 5.28) = 63,104. 3600 · 2 · 1030 / 95 = 78,063, times the meter’s share e^(−5280/27,000)… of a foot.
    expect(lines.join('\n')).toContain('Burner: 63,104 BTU/h in at 5,280 ft')
    expect(lines.join('\n')).toMatch(
      /Clocked: 6\d,\d{3} BTU\/h in, or 78,063 BTU\/h if the meter compensates/,
    )
    expect(lines.some((l) => l.startsWith('Service: ') && l.includes('of 200: the service carries it'))).toBe(
      true,
    )
  })

  it('sizes an oil nozzle: 105,000 BTU/h are 0.758 gal/h, at 140 psi one marked 0.64', () => {
    const oil = ['place fur=brindle-o1 --where garage', 'set plate.fur.inputBtuh=105000']
    const lines = kit(oil, '--nozzle', '0.65:140').join('\n')
    // 0.758 / √1.4 = 0.641. A 0.65 passes 0.65 · 1.1832 = 0.7691 gal/h · 138,500 = 106,519.
    expect(lines).toContain('Nozzle for it: 0.64 gal/h at 140 psi.')
    expect(lines).toContain('A 0.65 gal/h nozzle at 140 psi: 106,519 BTU/h in.')
  })

  it('works out airflow: 40 A at 240 V and 22 °F are 9.6 · 3412 / (1.08 · 22) = 1,379 CFM at sea level', () => {
    expect(kit(G.ONE_STAGE, '--airflow', '40:22').join('\n')).toContain('Airflow: 1,379 CFM')
    expect(kit(G.ONE_STAGE, '--airflow', '40')).toEqual(['--airflow: AMPS:RISE'])
  })

  it('identifies a kit, and refuses a clue that it does not know', () => {
    expect(kit(G.ONE_STAGE, '--which', 'label=9.6').join('\n')).toContain('It is a 9.6 kW (4.8 + 4.8) kit')
    expect(kit(G.ONE_STAGE, '--which', 'color=red')[0]).toMatch(/^--which: label=, breaker=/)
  })
})
