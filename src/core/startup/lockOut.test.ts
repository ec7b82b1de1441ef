import { Circuit } from '../circuit'
import { compose } from '../../../tests/helpers/compose'
import { INVERTER, NOT_LOOKED_AT, ONE_STAGE, SENSOR_FUEL, TWO_CIRCUITS } from '../../../tests/cases/gear'
import { installationOf } from '@/jobfile'
import { degF } from '../units'
import { judge } from './judge'
import { lockOutList } from './lockOut'
import type { Reading } from './reading'

const inst = installationOf(compose(TWO_CIRCUITS))

it('proves a 120 V circuit dead from its leg to its neutral, and both to ground', () => {
  const garage = lockOutList(installationOf(compose(SENSOR_FUEL))).find((c) => c.devices.includes('fur'))
  expect(garage?.prove).toEqual([
    ['fur.L1', 'fur.N'],
    ['fur.L1', 'fur.@earth'],
    ['fur.N', 'fur.@earth'],
  ])
})

describe('what must be off before a cabinet is opened', () => {
  it('names both circuits of a kit, and what one of them leaves live', () => {
    const [indoor, outdoor, ...more] = lockOutList(inst)
    expect(more).toEqual([])
    expect(indoor).toMatchObject({ where: 'garage', devices: ['ah', 'kit'] })
    // The kit's first circuit feeds the air handler too, through the kit's harness; the second feeds row 3 alone.
    expect(indoor!.supplies).toEqual([
      { feed: 'feedA', stillLive: ['kit.L3', 'kit.L4'], still24: [] },
      {
        feed: 'feedB',
        stillLive: ['ah.L1', 'ah.L2', 'kit.L1', 'kit.L2'],
        still24: expect.arrayContaining(['ah.R', 'ah.Y']),
      },
    ])
    expect(indoor).toMatchObject({ controlFrom: [], neverDead: [], stored: 'none' })
    // The indoor transformer goes on: R whatever is called, Y and O/B on a cooling call.
    expect(outdoor!.supplies).toEqual([
      { feed: 'feedC', stillLive: [], still24: expect.arrayContaining(['od.R', 'od.Y', 'od.OB']) },
    ])
    expect(outdoor).toMatchObject({ controlFrom: ['feedA'], neverDead: [], stored: 'capacitor' })
  })

  it('an inverter’s DC bus is told apart from a capacitor; a furnace of one circuit leaves nothing', () => {
    const stored = (gear: readonly string[], where: string) =>
      lockOutList(installationOf(compose([...gear]))).find((c) => c.where === where)
    expect(stored(INVERTER, 'north')!.stored).toBe('dcBus')
    const furnace = stored(SENSOR_FUEL, 'garage')!
    expect(furnace.supplies).toEqual([{ feed: 'feedA', stillLive: [], still24: [] }])
  })

  it('asks for leg to leg and each leg to ground', () => {
    const { prove } = lockOutList(installationOf(compose(ONE_STAGE))).find((c) => c.where === 'north')!
    expect(prove).toEqual([
      ['od.L1', 'od.L2'],
      ['od.L1', 'od.@earth'],
      ['od.L2', 'od.@earth'],
    ])
  })

  it('lists nothing that no line voltage comes to', () => {
    expect(lockOutList(installationOf(compose(NOT_LOOKED_AT.filter((l) => !l.startsWith('land')))))).toEqual(
      [],
    )
  })
})

describe('a leg to ground', () => {
  const leg = (at: string, value: number, off: string[]): Reading => ({
    id: 'r', kind: 'legToGround', value, place: 'terminals', at, withBlower: null, instrument: '', who: '',
    when: '2026-11-26T10:00:00Z', supersedes: null,
    situation: {
      call: 'off',
      outdoorF: degF(40),
      modes: Object.fromEntries(off.map((f) => [`${f}.breaker`, 'off'])),
    },
  }) // prettier-ignore
  // 240 V between two legs in opposite phase: 120 V each, 108 to 132 with its tenth.
  it.each([
    ['kit.L1', 119, [], 'right'],
    ['kit.L1', 107, [], 'wrong'],
    ['kit.L1', 133, [], 'wrong'],
    ['kit.L1', 1.9, ['feedA'], 'right'],
    ['kit.L1', 2.5, ['feedA'], 'wrong'],
    ['kit.L3', 120, ['feedA'], 'right'],
    ['kit.L3', 0, ['feedA', 'feedB'], 'right'],
    ['kit.L3', 121, ['feedA', 'feedB'], 'wrong'],
  ])('%s at %d V with %j off is %s', (at, value, off, verdict) => {
    expect(judge(new Circuit(inst), leg(at, value, off)).verdict).toBe(verdict)
  })

  it('that should be dead and is not comes from a supply that nobody found; a dead one from a breaker', () => {
    expect(judge(new Circuit(inst), leg('kit.L1', 121, ['feedA', 'feedB'])).causes).toEqual([
      { kind: 'supplyNotFound' },
    ])
    expect(judge(new Circuit(inst), leg('kit.L1', 0, [])).causes[0]).toEqual({ kind: 'breakerOff' })
    expect(judge(new Circuit(inst), leg('kit.L1', 140, [])).causes).toEqual([{ kind: 'utility' }])
  })
})
