import type { Wire } from '@/core/installation'
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import Ajv from 'ajv/dist/2020'
import type { Reading } from '@/core/startup'
import { readJson } from '../../tests/helpers/demo'
import { reading as stripAmps } from '../../tests/helpers/reading'
import { deviceSchema } from './deviceSchema'
import { jobSchema } from './document'
import { check } from './check'
import {
  apply,
  checkJob,
  clash,
  formatJob,
  installationOf,
  inverse,
  jsonSchemaOf,
  parseJob,
  type Job,
  type Operation,
} from '.'

const demo = () => readJson<Job>('demo/jobs/quillfeather-lane.json')
const text = (name: string) => readFileSync(join(__dirname, '../../demo/jobs', name), 'utf8')
const root = join(__dirname, '../../demo')
const LIBRARY = join(__dirname, '../../library')

/** Changes one place of a copy of the demo job. */
function changed(path: (string | number)[], value: unknown): unknown {
  const job = demo()
  let here = job as unknown as Record<string | number, unknown>
  for (const key of path.slice(0, -1)) here = here[key] as Record<string | number, unknown>
  const last = path[path.length - 1]!
  if (value === undefined) delete here[last]
  else here[last] = value
  return job
}

describe('reading a job file', () => {
  it.each(readdirSync(join(root, 'jobs')))('%s comes back as the very same text', (name) => {
    const parsed = parseJob(text(name))
    if (!parsed.ok) throw new Error(JSON.stringify(parsed.problems))
    expect(formatJob(parsed.value)).toBe(text(name))
  })

  it('writes the same text whatever order the keys were stored in', () => {
    const shuffled = JSON.parse(text('quillfeather-lane.json'), (_, v: unknown) =>
      typeof v === 'object' && v !== null && !Array.isArray(v)
        ? Object.fromEntries(Object.entries(v).reverse())
        : v,
    ) as Job
    expect(formatJob(shuffled)).toBe(text('quillfeather-lane.json'))
  })

  it.each(readdirSync(LIBRARY))('%s of the library is a right device file', (name) => {
    expect(check(deviceSchema(), readJson(`library/${name}`))).toMatchObject({ ok: true })
  })

  it.each([
    ['not JSON', '{ "format": ', '', 'JSON'],
    ['something else', '{"format":"other"}', 'format', '"gatecross.job"'],
    ['nothing', 'null', 'format', '"gatecross.job"'],
  ])('says what is wrong with %s', (_, input, path, expected) => {
    const parsed = parseJob(input)
    expect(parsed.ok).toBe(false)
    if (parsed.ok) return
    expect(parsed.problems[0]!.path).toBe(path)
    expect(parsed.problems[0]!.expected).toContain(expected)
  })

  it.each([
    [['version'], 7, 'version', 'newer Gate Cross'],
    [['placed', 0, 'device'], 'nobody-h9', 'placed[0].device', 'a device that the file carries'],
    [['wires', 3, 'b'], 'ah.Q', 'wires[3].b', 'a terminal of a placed device'],
    [['wires', 3, 'id'], 'w01', 'wires[3].id', 'a name used once'],
    [['wires', 0, 'cable'], 'c9', 'wires[0].cable', 'a cable of this job'],
    [['placed', 5, 'settings', 'setpoint'], 80, 'placed[5].settings.setpoint', '0 to 50 °F'],
    [
      ['placed', 0, 'settings', 'rvSense'],
      'sideways',
      'placed[0].settings.rvSense',
      'one of cooling, heating',
    ],
    [['cables', 0, 'feet'], -1, 'cables[0].feet', 'at least 0'],
    [['cables', 0, 'feet'], 'long', 'cables[0].feet', 'a number'],
    [['title'], '', 'title', 'a value'],
    [['surprise'], 1, '', 'no field named surprise'],
    [
      ['devices', 'sorrel-h1', 'parts', 1, 'driver'],
      { perhaps: [] },
      'devices.sorrel-h1.parts[1].driver',
      'all, any, not',
    ],
    [
      ['devices', 'sorrel-h1', 'parts', 1, 'driver'],
      { mode: 'mood', is: ['x'] },
      'devices.sorrel-h1.parts[1].driver',
      'a mode of the device',
    ],
    [
      ['devices', 'sorrel-h1', 'parts', 1, 'kind'],
      'wormhole',
      'devices.sorrel-h1.parts[1].kind',
      'one of source',
    ],
  ] as [(string | number)[], unknown, string, string][])(
    'names the place: %j = %j',
    (path, value, at, expected) => {
      const checked = checkJob(changed(path, value))
      expect(checked.ok).toBe(false)
      if (checked.ok) return
      const hit = checked.problems.find(
        (p) =>
          p.path.replace(/\["?|"?\]/g, '.').replace(/\.$/, '') ===
          at.replace(/\["?|"?\]/g, '.').replace(/\.$/, ''),
      )
      expect([checked.problems, hit?.expected.includes(expected)]).toEqual([checked.problems, true])
    },
  )
})

describe('the published JSON Schema', () => {
  const ajv = new Ajv({ strict: true, strictTypes: false, allErrors: true })
  const validate = ajv.compile(jsonSchemaOf('job'))
  const ours = (v: unknown) => check(jobSchema(), v).ok

  it('accepts the demo jobs and the library', () => {
    const device = ajv.compile(jsonSchemaOf('device'))
    for (const f of readdirSync(join(root, 'jobs')))
      expect([f, validate(readJson(`demo/jobs/${f}`))]).toEqual([f, true])
    for (const f of readdirSync(LIBRARY)) expect([f, device(readJson(`library/${f}`))]).toEqual([f, true])
  })

  it('agrees with our own check on every single mutation of a job', () => {
    // One device is enough to reach every kind of field; a smaller job keeps the corpus to some thousands.
    const small = demo()
    small.devices = { 'teasel-a3': small.devices['teasel-a3']!, 'marram-s1': small.devices['marram-s1']! }
    small.wires = small.wires.slice(0, 2)
    small.placed = small.placed.slice(0, 2)
    small.cables = small.cables.slice(0, 1)
    small.readings = [reading('r1')]
    expect(ours(small)).toBe(true)
    const replacements = [undefined, null, '', 'x', -1e9, 7, true, [], {}, 'a b c']
    let tried = 0
    let refused = 0
    let turn = 0
    const walk = (here: unknown) => {
      if (typeof here !== 'object' || here === null) return
      const holder = here as Record<string, unknown>
      for (const key of Object.keys(holder)) {
        const was = holder[key]
        // Three of the replacements at each place, in rotation: every kind of field meets every one of them.
        for (let n = 0; n < 3; n++) {
          const r = replacements[turn++ % replacements.length]
          if (r === undefined && !Array.isArray(here)) delete holder[key]
          else holder[key] = r === undefined ? null : r
          const mine = ours(small)
          tried++
          if (!mine) refused++
          if (mine !== validate(small))
            throw new Error(
              `differ at ${key} = ${JSON.stringify(r)}: ours ${mine}, ${JSON.stringify(validate.errors?.slice(0, 3))}`,
            )
        }
        holder[key] = was
        walk(was)
      }
    }
    walk(small)
    expect(tried).toBeGreaterThan(1500)
    expect(refused).toBeGreaterThan(700)
  })
})

const reading = (id: string, over: Partial<Reading> = {}) => stripAmps({ id, withBlower: true, ...over })

describe('operations', () => {
  const wire: Wire = { id: 'n1', cable: null, colour: 'white', a: 'ah.W1', b: 'ah.W2' }
  const cases: [Operation, (j: Job) => unknown, unknown][] = [
    [
      { kind: 'landWire', wire: 'w07', end: 'b', terminal: 'ah.W1' },
      (j) => j.wires.find((w) => w.id === 'w07')!.b,
      'ah.W1',
    ],
    [
      { kind: 'landWire', wire: 'w07', end: 'b', terminal: null },
      (j) => j.wires.find((w) => w.id === 'w07')!.b,
      null,
    ],
    [{ kind: 'addWire', wire }, (j) => j.wires.find((w) => w.id === 'n1'), wire],
    [{ kind: 'removeWire', wire: 'w01' }, (j) => j.wires.find((w) => w.id === 'w01'), undefined],
    [{ kind: 'markWire', wire: 'w01', doubt: true }, (j) => j.wires.find((w) => w.id === 'w01')!.doubt, true],
    [
      { kind: 'colourWire', wire: 'w01', end: 'b', colour: 'green' },
      (j) => j.wires.find((w) => w.id === 'w01')!.colourB,
      'green',
    ],
    [
      { kind: 'setSetting', ref: 'odt', setting: 'setpoint', value: 40 },
      (j) => j.placed.find((p) => p.ref === 'odt')!.settings.setpoint,
      40,
    ],
    [
      { kind: 'setSetting', ref: 'odt', setting: 'setpoint', value: null },
      (j) => j.placed.find((p) => p.ref === 'odt')!.settings.setpoint,
      null,
    ],
    [{ kind: 'setCableFeet', cable: 'c1', feet: 80 }, (j) => j.cables.find((c) => c.id === 'c1')!.feet, 80],
    [{ kind: 'setField', field: 'site.owner', value: 'Bram Tolley' }, (j) => j.site.owner, 'Bram Tolley'],
    [{ kind: 'setField', field: 'title', value: 'Barn' }, (j) => j.title, 'Barn'],
    [{ kind: 'takeReading', reading: reading('r1') }, (j) => j.readings.at(-1)?.id, 'r1'],
  ]

  it.each(cases)(
    '%j does what it says, leaves the old job alone, and can be taken back',
    (op, look, expected) => {
      const job = demo()
      const before = JSON.stringify(job)
      const after = apply(job, op)
      if (!after.ok) throw new Error(JSON.stringify(after.problems))
      expect(look(after.value)).toEqual(expected)
      expect(JSON.stringify(job)).toBe(before)
      expect(checkJob(after.value).ok).toBe(true)
      const back = inverse(job, op)
      if (op.kind === 'takeReading') return expect(back).toBeNull()
      const undone = apply(after.value, back!)
      if (!undone.ok) throw new Error(JSON.stringify(undone.problems))
      // Exactly as it was, down to the order of its conductors.
      expect(undone.value).toEqual(job)
    },
  )

  it.each([
    [{ kind: 'landWire', wire: 'nope', end: 'a', terminal: null }, 'wire'],
    [{ kind: 'landWire', wire: 'w01', end: 'a', terminal: 'ah.Q' }, 'terminal'],
    [{ kind: 'addWire', wire: { ...wire, id: 'w01' } }, 'wire.id'],
    [{ kind: 'addWire', wire: { ...wire, cable: 'c9' } }, 'wire.cable'],
    [{ kind: 'addWire', wire: { ...wire, b: 'ah.Q' } }, 'wire.b'],
    [{ kind: 'removeWire', wire: 'nope' }, 'wire'],
    [{ kind: 'setSetting', ref: 'odt', setting: 'setpoint', value: 51 }, 'odt.setpoint'],
    [{ kind: 'setSetting', ref: 'gone', setting: 'setpoint', value: 30 }, 'ref'],
    [{ kind: 'setCableFeet', cable: 'c9', feet: 10 }, 'cable'],
    [{ kind: 'setField', field: 'title', value: '  ' }, 'title'],
    [{ kind: 'takeReading', reading: reading('r1', { value: Number.NaN }) }, 'reading.value'],
    [{ kind: 'takeReading', reading: reading('r1', { value: 4000 }) }, 'reading.value'],
    [{ kind: 'takeReading', reading: reading('r1', { value: 'OL' }) }, 'reading.value'],
    [{ kind: 'takeReading', reading: reading('r1', { place: 'returnDuct' }) }, 'reading.place'],
    [{ kind: 'takeReading', reading: reading('r1', { when: 'yesterday' }) }, 'reading.when'],
    // Years that a database, a calendar or a paper does not take; a day that no month has; an hour that no zone is off.
    ...[
      '0000-01-01T00:00:00Z',
      '1969-12-31T23:59:59Z',
      '2200-01-01T00:00:00Z',
      '2026-02-30T09:00:00Z',
      '2026-11-31T09:00:00Z',
      '2026-11-26T09:00:00+99:99',
    ].map((when) => [{ kind: 'takeReading', reading: reading('r1', { when }) }, 'reading.when']),
    [{ kind: 'takeReading', reading: reading('r1', { supersedes: 'r0' }) }, 'reading.supersedes'],
  ] as [Operation, string][])('refuses %j and names %s', (op, path) => {
    const after = apply(demo(), op)
    expect(after.ok).toBe(false)
    if (!after.ok) expect(after.problems[0]!.path).toBe(path)
  })

  it('clash only where they touch the same place', () => {
    const land = (end: 'a' | 'b'): Operation => ({ kind: 'landWire', wire: 'w01', end, terminal: null })
    expect(clash(land('a'), land('a'))).toBe(true)
    expect(clash(land('a'), land('b'))).toBe(false)
    expect(clash(land('a'), { kind: 'removeWire', wire: 'w01' })).toBe(true)
    expect(clash(land('a'), { kind: 'removeWire', wire: 'w011' })).toBe(false)
  })
})

it('keeps placed devices that did not change, so that nothing is computed anew for them', () => {
  const job = demo()
  const after = apply(job, { kind: 'setSetting', ref: 'odt', setting: 'setpoint', value: 40 })
  if (!after.ok) throw new Error('refused')
  const a = installationOf(job)
  const b = installationOf(after.value, a)
  expect(b.placed[0]).toBe(a.placed[0])
  expect(b.placed.find((p) => p.ref === 'odt')).not.toBe(a.placed.find((p) => p.ref === 'odt'))
  // A note says nothing about the wiring: the whole stays.
  expect(installationOf({ ...job, note: 'north wall' }, a)).toBe(a)
})
