import { graveFindings } from '../../../tests/helpers/grave'
import { assemble } from '../plan'
import { planLanding, planned, USUAL } from '../plan'
import { Circuit, solve } from '../circuit'
import { degF } from '../units'
import { deviceProblems } from '../../jobfile/deviceProblems'
import { check } from '../../jobfile/check'
import { deviceSchema } from '../../jobfile/deviceSchema'
import { FEEDS } from '../../../tests/helpers/gear'
import { DRAFT_KINDS, type DeviceDraft, type DraftKind, type DraftRow } from '../equipment'
import { bankTable, buildDevice, draftOf, freshDraft } from '.'

const draft = (kind: DraftKind, change: Partial<DeviceDraft> = {}): DeviceDraft => ({
  ...freshDraft(kind),
  name: `Some ${kind}`,
  model: 'Z-1',
  ...change,
})
const make = (kind: DraftKind, change: Partial<DeviceDraft> = {}) =>
  buildDevice(draft(kind, change), `own-${kind}`)

const rows = (...by: DraftRow['by'][]): DraftRow[] => by.map((w) => ({ watts: 4800, by: w, circuit: 1 }))

/** A whole house of devices that no library has. */
function house(change: Partial<DeviceDraft> = {}) {
  const pieces = [
    { ref: 'tstat', label: 'Thermostat', where: 'wall', device: make('thermostat') },
    {
      ref: 'ah',
      label: 'Air handler',
      where: 'garage',
      device: make('airHandler', {
        heat: 'rows',
        rows: rows('W1', 'W2'),
        blowerOnW: true,
        switchedBy: 'relay',
        ...change,
      }),
    },
    { ref: 'od', label: 'Outdoor unit', where: 'north', device: make('outdoorUnit', change) },
  ]
  const cables = [
    { label: 'Wall cable', from: 'tstat', to: 'ah', conductors: 8, feet: 40 },
    { label: 'Outdoor cable', from: 'ah', to: 'od', conductors: 7, feet: 40 },
  ]
  const bare = assemble(pieces, cables, FEEDS)
  return planned(bare, planLanding(bare, USUAL))
}

describe('devices described by a form', () => {
  it.each(DRAFT_KINDS)('a %s is a right device file', (kind) => {
    const made = make(kind)
    expect(check(deviceSchema(), made)).toMatchObject({ ok: true })
    expect(deviceProblems(made, '')).toEqual([])
    expect(made.fits).toEqual(['Z-1'])
  })

  it('make a house that the plan lands and that passes every rule', () => {
    expect(graveFindings(house())).toEqual([])
  })

  it('run what the draft says, on both valve senses', () => {
    for (const rvSense of ['cooling', 'heating'] as const) {
      const inst = house({ rvSense })
      const own = inst.placed.map((p) =>
        p.ref === 'tstat' || p.ref === 'od' ? { ...p, settings: { ...p.settings, rvSense } } : p,
      )
      const circuit = new Circuit({ ...inst, placed: own })
      const runs = (call: 'cool1' | 'heatAux1' | 'emergency' | 'fan') => {
        const s = solve(circuit, { call, outdoorF: degF(40), modes: {} })
        if (!s.ok) throw new Error(s.why)
        return s.running.map((l) => l.ref).sort()
      }
      const compressor = ['od.compressor', 'od.fan']
      const valve = (on: boolean) => (on ? ['od.rvCoil'] : [])
      expect(runs('fan')).toEqual(['ah.blower'])
      expect(runs('cool1')).toEqual(['ah.blower', ...compressor, ...valve(rvSense === 'cooling')])
      // One AUX output and two coils: the plan has jumpered them.
      expect(runs('heatAux1')).toEqual([
        'ah.blower',
        'ah.row1',
        'ah.row2',
        ...compressor,
        ...valve(rvSense === 'heating'),
      ])
      expect(runs('emergency')).toEqual(['ah.blower', 'ah.row1', 'ah.row2'])
    }
  })

  it('carry a breaker for their own load', () => {
    // Two rows of 4,800 W and a 520 VA blower: 1.25 · 10,120 / 240 = 52.7 A, the next size is 60.
    expect(make('airHandler', { heat: 'rows', rows: rows('W1', 'W1') }).plate.mocpA).toBe(60)
    expect(make('airHandler').plate.mocpA).toBe(15)
    // 1.75 · 3,000 / 240 = 21.9 A: 25.
    expect(make('outdoorUnit').plate.mocpA).toBe(25)
  })

  it('send 24 V indoors in defrost only where the draft says so', () => {
    for (const defrostW of [true, false]) {
      const s = solve(new Circuit(house({ defrostW })), {
        call: 'heat1',
        outdoorF: degF(30),
        modes: { 'od.board': 'defrost' },
      })
      expect(s.ok && s.energised('ah.row1')).toBe(defrostW)
    }
  })

  it('a switch that opens on warmth is an outdoor thermostat with its differential', () => {
    const made = make('switch', { opens: 'warm', closesBelowF: 28 })
    expect(made.kind).toBe('outdoorThermostat')
    expect(made.settings[0]).toMatchObject({ id: 'setpoint', default: 28 })
    expect(make('switch').kind).toBe('floatSwitch')
  })
})

describe('the bank table of a kit', () => {
  it('adds the rows of each step, by circuit', () => {
    const rows: DraftRow[] = [
      { watts: 4800, by: 'W1', circuit: 1 },
      { watts: 3600, by: 'W2', circuit: 1 },
      { watts: 6000, by: 'W2', circuit: 2 },
    ]
    // 4,800 / 240 = 20 A; with 3,600 W 35 A; 6,000 / 240 = 25 A on the second circuit.
    expect(bankTable(rows)).toEqual([
      { coils: ['W1'], rows: [1], watts: 4800, amps: [{ circuit: 1, amps: 20 }] },
      { coils: ['W1', 'W2'], rows: [1, 2, 3], watts: 14400, amps: [{ circuit: 1, amps: 35 }, { circuit: 2, amps: 25 }] },
    ]) // prettier-ignore
  })
})

describe('a draft that does not add up', () => {
  it('a row on a coil that is not there is on the first; a bus of one wire is none; W in without W out reaches nothing', () => {
    const kit = make('stripKit', { terminals: ['W1', 'C'] })
    expect(
      kit.parts.filter((p) => p.id.startsWith('heat')).map((p) => p.kind === 'contact' && p.driver),
    ).toEqual([{ energised: 'k1' }, { energised: 'k1' }])
    for (const terminals of [
      ['R', 'C', 'Y', 'OB', 'D1'],
      ['R', 'C', 'Y', 'OB', 'WIN'],
    ])
      expect(deviceProblems(make('outdoorUnit', { terminals }), '')).toEqual([])
    expect(deviceProblems(kit, '')).toEqual([])
  })
})

describe('the form that a device was made from', () => {
  it.each(DRAFT_KINDS)('is kept in the file of a %s, and makes the same device again', (kind) => {
    const made = make(kind, { from: 'plain-thing', transformerVa: 55 })
    expect(made.draft).toEqual({
      kind,
      name: `Some ${kind}`,
      model: 'Z-1',
      from: 'plain-thing',
      transformerVa: 55,
    })
    const read = JSON.parse(JSON.stringify(made)) as typeof made
    expect(buildDevice(draftOf(read)!, made.id)).toEqual(made)
  })
})
