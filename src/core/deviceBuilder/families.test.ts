import { readdirSync } from 'node:fs'
import { installationOf, type Job } from '@/jobfile'
import { graveFindings } from '../../../tests/helpers/grave'
import { FEEDS } from '../../../tests/helpers/gear'
import { libraryDevice } from '../../../tests/helpers/demo'
import { Circuit, solve } from '../circuit'
import type { Call, Device, DeviceDraft, DraftKind } from '../equipment'
import type { Installation } from '../installation'
import { assemble, planLanding, planned, USUAL, type Piece } from '../plan'
import { degF } from '../units'
import { buildDevice, draftOf, freshDraft } from '.'

const make = (kind: DraftKind, change: Partial<DeviceDraft> = {}) =>
  buildDevice({ ...freshDraft(kind), name: `Some ${kind}`, ...change }, `own-${kind}`)

/** A piece, with what it is set to beside its defaults. */
const piece = (ref: string, where: string, device: Device, settings: Piece['settings'] = {}): Piece => ({
  ref,
  label: ref,
  where,
  device,
  settings: { ...Object.fromEntries(device.settings.map((s) => [s.id, s.default])), ...settings },
})
const house = (pieces: Piece[], practice = USUAL): Installation => {
  const [stat, hub] = pieces as [Piece, Piece]
  const cables = [{ label: 'Wall cable', from: stat.ref, to: hub.ref, conductors: 10, feet: 40 }]
  if (hub.ref !== 'od' && pieces.some((p) => p.ref === 'od'))
    cables.push({ label: 'Outdoor cable', from: hub.ref, to: 'od', conductors: 10, feet: 40 })
  const bare = assemble(pieces, cables, FEEDS)
  return planned(bare, planLanding(bare, practice))
}
const runs = (inst: Installation, call: Call, outdoorF = 40, modes: Record<string, string> = {}) => {
  const s = solve(new Circuit(inst), { call, outdoorF: degF(outdoorF), modes })
  if (!s.ok) throw new Error(s.why)
  return s.running.map((l) => l.ref).sort()
}

const DUAL: Partial<DeviceDraft> = {
  terminals: ['R', 'C', 'G', 'Y', 'OB', 'AUX', 'E', 'S1', 'S2'],
  dualFuel: true,
  lockouts: true,
  outputs: {
    fan: ['G'],
    cool1: ['G', 'Y'],
    heat1: ['G', 'Y'],
    heatAux1: ['G', 'Y', 'AUX'],
    emergency: ['E'],
  },
}
const SENSED = { system: 'dualFuel', outdoorSource: 'wired', changeover: 35, holdOff: 3, backupSource: 'gas' }
const sensor = piece('sen', 'north', libraryDevice('sedge-os1'))

describe('a house of every family, from forms alone', () => {
  it('a kit of unlike rows on two circuits brings each bank on its own coil', () => {
    const kit = make('stripKit', {
      rows: [
        { watts: 4800, by: 'W1', circuit: 1 },
        { watts: 3600, by: 'W2', circuit: 1 },
        { watts: 6000, by: 'W2', circuit: 2 },
      ],
    })
    expect(kit.plate).toMatchObject({ kilowatts: 14.4, rows: 3, circuits: 2, sequencerSeconds: 30 })
    const ah = make('airHandler', { heat: 'kit', severalSpeeds: true, blowerOnW: true })
    const stat = make('thermostat', {
      terminals: ['R', 'C', 'G', 'Y', 'OB', 'AUX', 'W2', 'E'],
      outputs: {
        fan: ['G'], cool1: ['G', 'Y'], heat1: ['G', 'Y'], heatAux1: ['G', 'Y', 'AUX'],
        heatAux2: ['G', 'Y', 'AUX', 'W2'], emergency: ['G', 'AUX', 'W2'],
      },
    }) // prettier-ignore
    const inst = house([
      piece('tstat', 'wall', stat),
      piece('ah', 'garage', ah),
      piece('kit', 'garage', kit),
      piece('od', 'north', make('outdoorUnit')),
    ])
    expect(graveFindings(inst)).toEqual([])
    const strips = (call: Call) => runs(inst, call).filter((r) => r.startsWith('kit.row'))
    expect(strips('heat1')).toEqual([])
    expect(strips('heatAux1')).toEqual(['kit.row1'])
    expect(strips('heatAux2')).toEqual(['kit.row1', 'kit.row2', 'kit.row3'])
    expect(strips('emergency')).toEqual(['kit.row1', 'kit.row2', 'kit.row3'])
    // Row 3 is on a breaker of its own: with it off the other two still heat.
    const second = inst.placed.find((p) => p.label.endsWith('second circuit'))!
    const off = second.device.modes.find((m) => m.states.some((s) => s.condition === 'off'))!
    const state = off.states.find((s) => s.condition === 'off')!
    expect(
      runs(inst, 'heatAux2', 40, { [`${second.ref}.${off.id}`]: state.id }).filter((r) =>
        r.startsWith('kit.row'),
      ),
    ).toEqual(['kit.row1', 'kit.row2'])
  })

  it.each([
    ['natural gas, one stage', { fuel: 'natural' as const }],
    ['LP with its switch', { fuel: 'lp' as const, gasSwitch: 'pressure' as const }],
    ['oil on W', { fuel: 'oil' as const }],
    ['oil on a dry contact', { fuel: 'oil' as const, terminals: ['R', 'C', 'G', 'Y', 'T1', 'T2'] }],
  ])('a furnace, %s: heat pump above the changeover, burner alone below it', (_, change) => {
    const backupSource = { natural: 'gas', lp: 'lp', oil: 'oil' }[change.fuel]
    const pieces = [
      piece('tstat', 'wall', make('thermostat', DUAL), { ...SENSED, backupSource }),
      piece('fur', 'garage', make('furnace', change)),
      piece('od', 'north', make('outdoorUnit')),
      sensor,
    ]
    // The primary control's contact is closed by a relay on the furnace's own 24 V.
    if ('terminals' in change) pieces.push(piece('rel', 'garage', libraryDevice('sedge-r1')))
    const inst = house(pieces)
    expect(graveFindings(inst).map((f) => f.code)).toEqual([])
    const burner = change.fuel === 'oil' ? 'fur.burner' : 'fur.valve'
    expect(runs(inst, 'heat1', 40)).toEqual(expect.arrayContaining(['od.compressor']))
    expect(runs(inst, 'heat1', 40)).not.toContain(burner)
    expect(runs(inst, 'heat1', 30)).toEqual(expect.arrayContaining([burner, 'fur.blowerHeat']))
    expect(runs(inst, 'heat1', 30)).not.toContain('od.compressor')
    expect(runs(inst, 'emergency', 40)).toEqual(expect.arrayContaining([burner]))
  })

  it('a gas furnace of two stages burns high on W2 alone where W1 is in', () => {
    const furnace = make('furnace', { terminals: ['R', 'C', 'G', 'Y', 'W1', 'W2'] })
    expect(furnace.plate.burnerStages).toBe(2)
    const valves = furnace.parts.filter((p) => p.kind === 'load' && p.does?.what === 'burner')
    expect(valves.map((p) => p.id)).toEqual(['valve', 'valve2'])
    // The high valve hangs behind the low one's chain: without W1 there is no fire at all.
    expect(furnace.parts.find((p) => p.id === 'high')).toMatchObject({
      a: 'g5',
      driver: { energised: 'w2In' },
    })
  })

  it('a packaged unit with strips, and one with a burner that its board keeps apart', () => {
    const stat = make('thermostat', {
      outputs: { ...freshDraft('thermostat').outputs, emergency: ['G', 'E'] },
    })
    const strips = house([piece('tstat', 'wall', stat), piece('od', 'north', make('packagedUnit'))])
    expect(graveFindings(strips).map((f) => f.code)).toEqual([])
    expect(runs(strips, 'heatAux1')).toEqual(
      expect.arrayContaining(['od.blower', 'od.compressor', 'od.row1', 'od.row2']),
    )
    expect(runs(strips, 'heat1', 30, { 'od.board': 'defrost' })).toEqual(expect.arrayContaining(['od.row1']))
    const gas = make('packagedUnit', { fuel: 'natural', terminals: ['R', 'C', 'G', 'Y', 'O', 'W1'] })
    const told = {
      fuel: 'natural',
      inputBtuh: 60000,
      efficiency: 81,
      riseLow: 30,
      riseHigh: 60,
      together: true,
    } as const
    // What its plate says of the burner is kept as a furnace's is.
    expect(make('packagedUnit', told).plate).toMatchObject({
      burnerStages: 2, inputBtuh: 60000, efficiency: 0.81, riseLow: 30, riseHigh: 60, togetherAllowed: true,
    }) // prettier-ignore
    const inst = house([
      piece('tstat', 'wall', make('thermostat', DUAL), SENSED),
      piece('od', 'north', gas),
      sensor,
    ])
    expect(graveFindings(inst).map((f) => f.code)).toEqual([])
    expect(runs(inst, 'heat1', 30)).toEqual(expect.arrayContaining(['od.valve', 'od.blowerHeat']))
    expect(runs(inst, 'heat1', 30)).not.toContain('od.compressor')
  })

  it('an inverter by its terminals and by its bus', () => {
    const od = make('outdoorUnit', {
      inverter: true,
      terminals: ['R', 'C', 'Y', 'OB', 'W', 'D1', 'D2'],
    })
    expect(od.plate).toMatchObject({ inverter: true })
    const ah = make('airHandler', { heat: 'rows', rows: freshDraft('stripKit').rows, blowerOnW: true })
    const inst = house([
      piece('tstat', 'wall', make('thermostat')),
      piece('ah', 'garage', ah),
      piece('od', 'north', od),
    ])
    expect(graveFindings(inst)).toEqual([])
    const onBus = inst.placed.map((p) =>
      p.ref === 'od' ? { ...p, settings: { ...p.settings, selector: 'bus' } } : p,
    )
    // Set to the bus with nothing on it, its terminals start nothing.
    expect(runs({ ...inst, placed: onBus }, 'heat1')).not.toContain('od.compressor')
  })

  it('batteries need no common, and call with the power off', () => {
    const stat = make('thermostat', {
      batteries: true,
      terminals: ['R', 'G', 'Y', 'OB', 'AUX', 'E'],
    })
    expect(stat.plate.battery).toBe(true)
    expect(stat.parts.every((p) => p.kind === 'contact')).toBe(true)
    const ah = make('airHandler', { heat: 'rows', rows: freshDraft('stripKit').rows, blowerOnW: true })
    const inst = house([
      piece('tstat', 'wall', stat),
      piece('ah', 'garage', ah),
      piece('od', 'north', make('outdoorUnit')),
    ])
    expect(graveFindings(inst)).toEqual([])
    expect(runs(inst, 'heat1')).toContain('od.compressor')
  })

  it('W in reaches W out over two pins, where an outdoor thermostat holds aux off and never defrost', () => {
    const od = make('outdoorUnit', { terminals: ['R', 'C', 'Y', 'OB', 'WIN', 'W'] })
    expect(od.settings.find((s) => s.id === 'defrostPins')).toMatchObject({
      range: [30, 90],
      step: 30,
      default: 60,
    })
    const ah = make('airHandler', { heat: 'rows', rows: freshDraft('stripKit').rows, blowerOnW: true })
    const odt = piece('odt', 'north', make('switch', { opens: 'warm', closesBelowF: 35 }))
    const inst = house([
      piece('tstat', 'wall', make('thermostat')),
      piece('ah', 'garage', ah),
      piece('od', 'north', od),
      odt,
    ])
    expect(graveFindings(inst)).toEqual([])
    const strips = (call: Call, outdoorF: number, modes = {}) =>
      runs(inst, call, outdoorF, modes).filter((r) => r.startsWith('ah.row'))
    expect(strips('heatAux1', 30)).toEqual(['ah.row1', 'ah.row2'])
    expect(strips('heatAux1', 45)).toEqual([])
    expect(strips('heat1', 45, { 'od.board': 'defrost' })).toEqual(['ah.row1', 'ah.row2'])
    expect(strips('emergency', 45)).toEqual(['ah.row1', 'ah.row2'])
  })
})

describe('a configurable terminal', () => {
  const stat = make('thermostat', {
    terminals: ['R', 'C', 'G', 'Y', 'OB', 'AUX', 'X1'],
    outputs: {
      fan: ['G'], cool1: ['G', 'Y'], heat1: ['G', 'Y'], heatAux1: ['G', 'Y', 'AUX'], emergency: ['G', 'E'],
    },
  }) // prettier-ignore
  const job = (value: string): Job =>
    ({
      format: 'gatecross.job',
      devices: { [stat.id]: stat },
      placed: [
        { ref: 'tstat', label: 'Thermostat', where: 'wall', device: stat.id, settings: { isX1: value } },
      ],
      cables: [],
      wires: [],
      setup: { keyed: {}, ticks: {}, interview: {}, visits: [], sources: {}, temporary: [] },
      commissioning: { plates: { tstat: { newFromBox: true } }, air: {}, circuits: {} },
    }) as unknown as Job
  const roleOf = (value: string) =>
    installationOf(job(value)).placed[0]!.device.terminals.find((t) => t.id === 'X1')!.role

  it('is what it is set to, and a spare until then', () => {
    expect(roleOf('none')).toBe('spare')
    expect(roleOf('E')).toBe('E')
    expect(roleOf('W2')).toBe('W2')
  })

  it('set to E it is landed by the plan, and closes in emergency heat', () => {
    const ah = make('airHandler', { heat: 'rows', rows: freshDraft('stripKit').rows, blowerOnW: true })
    const [set] = installationOf(job('E')).placed
    const inst = house([
      { ...piece('tstat', 'wall', set!.device, { isX1: 'E' }) },
      piece('ah', 'garage', ah),
      piece('od', 'north', make('outdoorUnit')),
    ])
    expect(graveFindings(inst)).toEqual([])
    expect(inst.wires.some((w) => w.a === 'tstat.X1' || w.b === 'tstat.X1')).toBe(true)
    expect(runs(inst, 'emergency')).toEqual(expect.arrayContaining(['ah.row1', 'ah.row2']))
  })
})

describe('the plain devices of the library', () => {
  const plain = readdirSync('library')
    .filter((f) => f.startsWith('plain-'))
    .map((f) => libraryDevice(f.slice(0, -5)))
  const CALLS_TRIED: Call[] = [
    'off',
    'fan',
    'cool1',
    'cool2',
    'heat1',
    'heat2',
    'heatAux1',
    'heatAux2',
    'emergency',
  ]
  /** The house of plain gear that a device belongs in, with it in its place. */
  function among(device: Device): Installation {
    const stat = device.kind === 'thermostat' ? device : libraryDevice(device.kind === 'furnace' ? 'plain-thermostat-fuel' : 'plain-thermostat-1')
    const fuel = device.kind === 'furnace' || stat.settings.some((s) => s.id === 'system')
    const indoor = ['furnace', 'airHandler'].includes(device.kind) ? device : libraryDevice(fuel ? 'plain-gas-furnace-1' : 'plain-air-handler-g')
    const pieces = [
      piece('tstat', 'wall', stat, fuel ? { system: 'dualFuel', outdoorSource: 'wired', changeover: 35, holdOff: 3 } : {}),
      piece('ah', 'garage', indoor),
      ...(indoor.kind === 'airHandler' ? [piece('kit', 'garage', device.kind === 'stripKit' ? device : libraryDevice('plain-kit-2'))] : []),
      piece('od', 'north', device.kind === 'outdoorUnit' ? device : libraryDevice('plain-heat-pump-1')),
      ...(fuel ? [sensor] : []),
      ...(indoor.terminals.some((t) => t.id === 'T1') ? [piece('rel', 'garage', libraryDevice('sedge-r1'))] : []),
    ]
    return house(pieces)
  } // prettier-ignore
  /** What runs, call by call, in the words of what each load does. */
  function does(inst: Installation): string[] {
    const circuit = new Circuit(inst)
    return CALLS_TRIED.flatMap((call) =>
      [25, 45, 80].map((f) => {
        const s = solve(circuit, { call, outdoorF: degF(f), modes: {} })
        if (!s.ok) throw new Error(s.why)
        const what = s.running.flatMap((l) => {
          const load = inst.placed
            .flatMap((p) => p.device.parts.map((x) => ({ ref: `${p.ref}.${x.id}`, x })))
            .find((y) => y.ref === l.ref)?.x
          if (load?.kind !== 'load' || !load.does || load.does.what === 'control') return []
          const { speed: _, ...rest } = { speed: '', ...load.does }
          return [JSON.stringify(rest)]
        })
        return `${call} ${f}: ${[...new Set(what)].sort().join(' ')}`
      }),
    )
  }

  it.each(plain.map((d) => [d.id, d] as const))('%s: the form makes one that runs the same', (_, device) => {
    const draft = draftOf(device)
    if (!draft) throw new Error('no form to start from')
    const made = buildDevice(draft, 'own')
    expect(made.kind).toBe(device.kind)
    expect(does(among(made))).toEqual(does(among(device)))
  })
})
