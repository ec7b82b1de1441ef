import { existsSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import fc from '../../tests/helpers/property'
import { libraryDevice, readJson } from '../../tests/helpers/demo'
import { reading } from '../../tests/helpers/reading'
import { sections } from './document'
import {
  apply,
  batched,
  checkDevice,
  checkJob,
  clash,
  DEVICE_VERSION,
  formatDevice,
  formatJob,
  inverse,
  JOB_VERSION,
  OPERATION_KINDS,
  parseDevice,
  parseJob,
  restorable,
  upgradeEnvelope,
  upgradeJob,
  upgradeOperation,
  type Job,
  type Operation,
} from '.'

const demo = () => readJson<Job>('demo/jobs/quillfeather-lane.json')
const done = (job: Job, op: Operation): Job => {
  const result = apply(job, op)
  if (!result.ok) throw new Error(JSON.stringify(result.problems))
  return result.value
}
const fixture = (name: string) => join(__dirname, '../../tests/fixtures/versions', name)
const older = (latest: number) => Array.from({ length: latest - 1 }, (_, i) => i + 1)

describe('older versions', () => {
  it.each(older(JOB_VERSION))('a job file of version %i is kept, and read as one of today', (version) => {
    const text = readFileSync(fixture(`job-v${version}.json`), 'utf8')
    expect((JSON.parse(text) as Job).version).toBe(version)
    const parsed = parseJob(text)
    if (!parsed.ok) throw new Error(JSON.stringify(parsed.problems.slice(0, 3)))
    expect(parsed.value.version).toBe(JOB_VERSION)
    // What is read is written as a file of today, and comes back.
    expect(parseJob(formatJob(parsed.value))).toEqual(parsed)
  })

  it.each(older(JOB_VERSION))('there is a step from version %i of the job', (version) => {
    expect(sections.some((s) => s.steps?.[version + 1]?.doc)).toBe(true)
  })

  it.each(older(DEVICE_VERSION))(
    'a device file of version %i is kept, and read as one of today',
    (version) => {
      const text = readFileSync(fixture(`device-v${version}.json`), 'utf8')
      const parsed = parseDevice(text)
      if (!parsed.ok) throw new Error(JSON.stringify(parsed.problems.slice(0, 3)))
      expect(parsed.value.version).toBe(DEVICE_VERSION)
      expect(parseDevice(formatDevice(parsed.value))).toEqual(parsed)
    },
  )

  it('no step leads past today', () => {
    const last = Math.max(...sections.flatMap((s) => Object.keys(s.steps ?? {}).map(Number)))
    expect(last).toBe(JOB_VERSION)
    expect(existsSync(fixture(`job-v${JOB_VERSION}.json`))).toBe(false)
  })

  it('today’s is given back as it is', () => {
    const now = demo()
    expect(upgradeJob(now)).toBe(now)
  })

  it('what is no answer of the owner’s left the interview in version 3, as numbers and flags', () => {
    const parsed = parseJob(readFileSync(fixture('job-v2.json'), 'utf8'))
    if (!parsed.ok) throw new Error('refused')
    const { setup, commissioning, prices } = parsed.value
    expect(setup.interview).toEqual({ priority: 'bills', wake: '06:00' })
    expect(prices).toEqual({ kwh: 0.14, fuel: 1.1 })
    expect(commissioning.air).toEqual({ staticInWc: 0.62 })
    expect(commissioning.plates.tstat).toEqual({ seenOnline: true, model: 'H2-A' })
    expect(commissioning.plates.od).toMatchObject({
      newFromBox: true,
      ratings: [
        { stage: 'rated', outdoorF: 47, cop: 3.6 },
        { stage: 'rated', outdoorF: 17, cop: 2.2 },
      ],
    })
  })

  it('a device’s words and its plate are today’s', () => {
    const old = JSON.parse(readFileSync(fixture('device-v1.json'), 'utf8')) as { plate: { kits: string } }
    expect(old.plate.kits).toBe('5, 10, 15')
    const checked = checkDevice(old)
    if (!checked.ok) throw new Error('refused')
    expect(checked.value.plate.kits).toEqual([{ kilowatts: 5 }, { kilowatts: 10 }, { kilowatts: 15 }])
    expect(JSON.stringify(checked.value)).not.toMatch(/"(makes|means)"/)
    expect(checked.value.parts.some((p) => p.kind === 'load' && p.does?.what === 'blower')).toBe(true)
  })

  it.each([
    [
      { kind: 'answer', question: 'box-od', answer: 'yes' },
      { kind: 'setPlate', ref: 'od', field: 'newFromBox', value: true },
    ],
    [
      { kind: 'answer', question: 'box-od', answer: '' },
      { kind: 'setPlate', ref: 'od', field: 'newFromBox', value: null },
    ],
    [
      { kind: 'answer', question: 'model-od', answer: 'S1-30' },
      { kind: 'setPlate', ref: 'od', field: 'model', value: 'S1-30' },
    ],
    [
      { kind: 'answer', question: 'measuredStatic', answer: '0.62' },
      { kind: 'setAir', field: 'staticInWc', value: 0.62 },
    ],
    [
      { kind: 'answer', question: 'priceKwh', answer: '0.14' },
      { kind: 'setPrice', of: 'kwh', value: 0.14 },
    ],
    [
      { kind: 'answer', question: 'priceFuel', answer: '' },
      { kind: 'setPrice', of: 'fuel', value: null },
    ],
    [
      { kind: 'answer', question: 'frail', answer: 'yes' },
      { kind: 'answer', question: 'frail', answer: 'yes' },
    ],
  ])('an operation of version 2 is one of today: %j', (op, now) => {
    expect(upgradeOperation(op, 2)).toEqual(now)
  })

  it('an operation that brings a device of version 1 brings it as one of today', () => {
    const device = JSON.parse(readFileSync(fixture('device-v1.json'), 'utf8')) as unknown
    const op = {
      kind: 'placeDevice',
      placed: { ref: 'x', device: 'teasel-a5', label: 'X', settings: {} },
      device,
    }
    expect(done(demo(), upgradeOperation(op, 2) as Operation).devices['teasel-a5']!.version).toBe(
      DEVICE_VERSION,
    )
  })

  it('an envelope without a version is of version 2, and saw what it was sent with', () => {
    const op = { kind: 'answer', question: 'priceKwh', answer: '0.2' }
    expect(upgradeEnvelope({ opId: 'a', client: 'b', who: '', at: 'x', op }, 7)).toEqual({
      opId: 'a', client: 'b', who: '', at: 'x', docVersion: JOB_VERSION, seen: 7,
      op: { kind: 'setPrice', of: 'kwh', value: 0.2 },
    }) // prettier-ignore
  })
})

const land = (wire: string, end: 'a' | 'b', terminal: string | null): Operation => ({
  kind: 'landWire',
  wire,
  end,
  terminal,
})

describe('a batch', () => {
  const both = batched([land('w01', 'a', null), land('w01', 'b', null)])!

  it('is made whole, is one edit to take back, and clashes wherever one of its edits does', () => {
    const job = done(demo(), both)
    expect(job.wires.find((w) => w.id === 'w01')).toMatchObject({ a: null, b: null })
    expect(done(job, inverse(demo(), both)!)).toEqual(demo())
    expect(clash(both, land('w01', 'b', 'ah.R'))).toBe(true)
    expect(clash(both, land('w02', 'b', 'ah.R'))).toBe(false)
  })

  it('of which one edit is refused is refused, and names that one', () => {
    const before = demo()
    const result = apply(before, batched([land('w01', 'a', null), land('w02', 'a', 'ah.Q')])!)
    expect(result).toMatchObject({ ok: false, problems: [{ path: 'ops[1].terminal' }] })
    expect(before).toEqual(demo())
  })

  it('a single edit stays itself, and none is none', () => {
    expect(batched([land('w01', 'a', null)])).toEqual(land('w01', 'a', null))
    expect(batched([])).toBeNull()
  })
})

it('an operation that a newer version left in the queue is refused, and nothing breaks', () => {
  const unknown = { kind: 'fromTheFuture' } as unknown as Operation
  expect(apply(demo(), unknown)).toMatchObject({ ok: false, problems: [{ path: 'kind' }] })
  expect(inverse(demo(), unknown)).toBeNull()
  expect(clash(unknown, land('w01', 'a', null))).toBe(false)
})

describe('taking back', () => {
  /** Edits of every kind of place, each with what random numbers choose. */
  const edits = fc.oneof(
    fc.record({
      kind: fc.constant('landWire' as const),
      wire: fc.constantFrom('w01', 'w05', 'w07', 'w12'),
      end: fc.constantFrom('a' as const, 'b' as const),
      terminal: fc.constantFrom(null, 'ah.W1', 'tstat.C', 'od.Y'),
    }),
    fc.record({
      kind: fc.constant('removeWire' as const),
      wire: fc.constantFrom('w01', 'w05', 'w07', 'w12'),
    }),
    fc.record({ kind: fc.constant('removeDevice' as const), ref: fc.constantFrom('odt', 'kit', 'od') }),
    fc.record({ kind: fc.constant('removeCable' as const), cable: fc.constantFrom('c1', 'c2') }),
    fc.record({
      kind: fc.constant('markWire' as const),
      wire: fc.constantFrom('w01', 'w07'),
      doubt: fc.boolean(),
    }),
    fc.record({
      kind: fc.constant('setSetting' as const),
      ref: fc.constant('odt'),
      setting: fc.constant('setpoint'),
      value: fc.constantFrom(10, 20, null),
    }),
    fc.record({
      kind: fc.constant('answer' as const),
      question: fc.constantFrom('frail', 'noise'),
      answer: fc.constantFrom('yes', 'no', ''),
    }),
    fc.record({
      kind: fc.constant('setPlate' as const),
      ref: fc.constantFrom('od', 'ah'),
      field: fc.constantFrom('model' as const, 'mca' as const),
      value: fc.constantFrom(null),
    }),
    fc.record({
      kind: fc.constant('setPrice' as const),
      of: fc.constantFrom('kwh' as const, 'fuel' as const),
      value: fc.constantFrom(0.2, 1.4, null),
    }),
  )

  it('restores the document exactly, whatever was done, the order of its lists included', () => {
    fc.assert(
      fc.property(fc.array(edits, { minLength: 1, maxLength: 8 }), (ops) => {
        const steps: { before: Job; op: Operation }[] = []
        let job = demo()
        for (const op of ops) {
          const next = apply(job, op)
          if (!next.ok) continue
          steps.push({ before: job, op })
          job = next.value
        }
        for (const { before, op } of steps.reverse()) {
          const back = inverse(before, op)
          // An edit that changed nothing has nothing to take back.
          if (back) job = done(job, back)
          expect(job).toEqual(before)
        }
      }),
      { seed: 11, numRuns: 60 },
    )
  })

  it('after somebody else’s edit takes back its own places alone, and says which it could not', () => {
    const mine = batched([land('w01', 'a', null), land('w05', 'a', null)])!
    const back = inverse(demo(), mine)!
    const theirs = done(done(demo(), mine), land('w05', 'a', 'tstat.C'))
    const { can, left } = restorable(theirs, back)
    expect(left.map((c) => c.at)).toEqual([['wires', 'w05', 'a']])
    const after = done(theirs, can!)
    const wire = (job: Job, id: string) => job.wires.find((w) => w.id === id)
    expect(wire(after, 'w01')).toEqual(wire(demo(), 'w01'))
    expect(wire(after, 'w05')!.a).toBe('tstat.C')
    // Whole or not at all: the server takes no restoring of a place that has moved on.
    expect(apply(theirs, back)).toMatchObject({ ok: false, problems: [{ path: 'wires.w05.a' }] })
  })

  it('never touches what names the document, nor a reading; and leaves nothing pointing at what is gone', () => {
    const change = (at: string[], from: unknown, to: unknown): Operation => ({
      kind: 'restore',
      changes: [{ at, from, to }],
    })
    for (const [at, from, to] of [
      [['version'], JOB_VERSION, 99],
      [['id'], demo().id, 'another'],
      [['readings', demo().readings[0]!.id, 'value'], demo().readings[0]!.value, 1],
    ] as [string[], unknown, unknown][])
      expect(apply(demo(), change(at, from, to))).toMatchObject({
        ok: false,
        problems: [{ expected: 'a place that can be taken back' }],
      })
    const wire = demo().wires[0]!
    expect(apply(demo(), change(['wires', wire.id, 'a'], wire.a, 'ah.Q9')).ok).toBe(false)
  })

  it('a reading is corrected, never taken back', () => {
    const op: Operation = { kind: 'takeReading', reading: reading({ id: 'r99' }) }
    expect(inverse(demo(), op)).toBeNull()
    expect(inverse(demo(), batched([land('w01', 'a', null), op])!)).toBeNull()
  })
})

describe('plates as read', () => {
  const set = (ref: string, field: string, value: unknown) =>
    apply(demo(), { kind: 'setPlate', ref, field, value } as Operation)

  it.each([
    ['od', 'mca', 17.2],
    ['od', 'model', 'S1-30'],
    ['ah', 'newFromBox', true],
    ['ah', 'blower', [{ speed: 'heat', staticInWc: 0.5, cfm: 1150 }]],
    ['od', 'ratings', [{ stage: 'low', outdoorF: 17, capacityBtuh: 14_000, powerKw: 1.9 }]],
  ])('%s takes %s %j, and the file stays right', (ref, field, value) => {
    const job = set(ref, field, value)
    if (!job.ok) throw new Error(JSON.stringify(job.problems))
    expect(job.value.commissioning.plates[ref]).toEqual({ [field]: value })
    expect(checkJob(job.value)).toMatchObject({ ok: true })
  })

  it.each([
    ['nobody', 'mca', 17, 'ref'],
    ['od', 'kilowatts', 10, 'od.kilowatts'],
    ['od', 'mca', 'many', 'od.mca'],
    ['od', 'mca', 900, 'od.mca'],
    ['od', 'ratings', [{ stage: 'middle', outdoorF: 17 }], 'od.ratings.[0].stage'],
    ['od', 'constructor', 1, 'od.constructor'],
  ])('%s refuses %s %j at its place', (ref, field, value, path) => {
    expect(set(ref, field, value)).toMatchObject({ ok: false, problems: [{ path }] })
  })
})

it('the sections’ operations have names of their own', () => {
  const names = sections.flatMap((s) => Object.keys(s.operations))
  expect(new Set(names).size).toBe(names.length)
  expect([...OPERATION_KINDS].sort()).toEqual([...names].sort())
})

describe('a device file without holes', () => {
  const kit = libraryDevice('teasel-k2')
  const part = (i: number, change: object) => ({
    ...kit,
    parts: kit.parts.map((p, n) => (n === i ? { ...p, ...change } : p)),
  })
  const row = kit.parts.findIndex((p) => p.kind === 'load' && p.does?.what === 'strip')
  const contact = kit.parts.findIndex((p) => p.kind === 'contact')
  it.each([
    ['an amount that names no setting', part(row, { va: { set: 'nobody' } }), `parts[${row}].va`],
    [
      'heat ahead of the coil by no setting',
      part(row, { does: { what: 'strip', row: 1, ahead: { set: 'nobody', is: ['x'] } } }),
      `parts[${row}].does.ahead`,
    ],
    ['a fuse rated by no setting', part(contact, { ratedA: { set: 'nobody' } }), `parts[${contact}].ratedA`],
    ['an end that is nowhere', part(contact, { a: 'nowhere' }), `parts[${contact}].a`],
    ['both ends in one point', part(contact, { a: 'L1', b: 'L1' }), `parts[${contact}]`],
    [
      'a role that there is not',
      { ...kit, terminals: kit.terminals.map((t, i) => (i ? t : { ...t, role: 'Z9' })) },
      'terminals[0].role',
    ],
    [
      'a plate’s field of another kind',
      { ...kit, plate: { ...kit.plate, compressorRla: 3 } },
      'plate.compressorRla',
    ],
    [
      'a call by no setting',
      { ...libraryDevice('sorrel-h1'), calls: [{ call: 'heat1', when: { set: 'nobody', is: ['x'] } }] },
      'calls[0].when',
    ],
    [
      'two states of one name',
      {
        ...kit,
        modes: [
          {
            id: 'm',
            label: 'M',
            states: [
              { id: 's', label: 'S' },
              { id: 's', label: 'S' },
            ],
          },
        ],
      },
      'modes[0].states[1].id',
    ],
  ] as [string, unknown, string][])('%s is refused at its place', (_, device, path) => {
    const checked = checkDevice(device)
    expect(checked.ok ? [] : checked.problems.map((p) => p.path)).toContain(path)
  })
})
