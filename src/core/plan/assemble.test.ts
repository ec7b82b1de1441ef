import { gear, STRIPS } from '../../../tests/helpers/gear'
import { checkJob } from '@/jobfile'
import { CABLE_COLOURS } from '.'

const pairs = (inst: ReturnType<typeof gear>) =>
  inst.wires.filter((w) => w.a && w.b).map((w) => `${w.a} ${w.b}`)

describe('a job from its pieces', () => {
  const inst = gear(STRIPS, 8, 6)

  it('has its cables with bare conductors in the makers’ order of colours', () => {
    const own = inst.wires.filter((w) => w.cable === 'c1')
    expect(own.map((w) => w.colour)).toEqual(CABLE_COLOURS.slice(0, 8))
    expect(own.every((w) => w.a === null && w.b === null)).toBe(true)
    expect(inst.wires.filter((w) => w.cable === 'c2')).toHaveLength(6)
  })

  it('plugs the kit into the air handler beside it', () => {
    for (const pair of [
      'ah.W1 kit.W1',
      'ah.W2 kit.W2',
      'ah.C kit.C',
      'ah.L1 kit.L1',
      'ah.L2 kit.L2',
      'ah.BL kit.BL',
    ])
      expect(pairs(inst)).toContain(pair)
  })

  it('gives every line load a circuit, and the air handler its line through the kit', () => {
    const feeds = inst.placed.filter((p) => p.device.kind === 'feed')
    expect(feeds.map((f) => f.label)).toEqual(['Feed to kit', 'Feed to od'])
    expect(pairs(inst)).toContain('feedA.L1 kit.L1')
    expect(pairs(inst)).toContain('feedB.L2 od.L2')
    expect(pairs(inst).filter((p) => p.startsWith('feed') && p.includes('ah.'))).toEqual([])
  })

  it('gives a kit with two line circuits two breakers, and a furnace a 120 V one', () => {
    const big = gear(
      [STRIPS[0]!, ['ah', 'teasel-a5', 'garage'], ['kit', 'teasel-k4', 'garage'], STRIPS[3]!],
      8,
      6,
    )
    expect(pairs(big)).toEqual(
      expect.arrayContaining(['feedA.L1 kit.L1', 'feedB.L1 kit.L3', 'feedC.L1 od.L1']),
    )
    const fuel = gear([['tstat', 'sorrel-d1', 'wall'], ['fur', 'brindle-g1', 'garage'], STRIPS[3]!], 8, 6)
    expect(pairs(fuel)).toEqual(expect.arrayContaining(['feedA.N fur.N']))
    expect(fuel.placed.find((p) => p.ref === 'feedA')?.device.plate.volts).toBe(120)
  })

  it('keeps a breaker inside what its circuit offers, by the plate', () => {
    expect(inst.placed.find((p) => p.ref === 'feedB')?.settings.breakerA).toBe(
      inst.placed.find((p) => p.ref === 'od')?.device.plate.mocpA,
    )
  })

  it('is a right job file as it stands', () => {
    const job = {
      format: 'gatecross.job',
      version: 1,
      id: 'x',
      title: 'X',
      site: { address: '', owner: '' },
      note: '',
      technician: '',
      devices: Object.fromEntries(inst.placed.map((p) => [p.device.id, p.device])),
      placed: inst.placed.map(({ device, ...p }) => ({ ...p, device: device.id })),
      cables: inst.cables,
      wires: inst.wires,
      readings: [],
    }
    const checked = checkJob(job)
    expect(checked.ok ? [] : checked.problems).toEqual([])
  })
})
