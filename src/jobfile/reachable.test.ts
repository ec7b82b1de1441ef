import fc from '../../tests/helpers/property'
import { readJson as readFile } from '../../tests/helpers/demo'
import { fromSchema, namesIn } from '../../tests/helpers/fromSchema'
import { apply, check, formatJob, parseJob, publish, type Job, type Operation } from '.'
import { operationSchema } from './operation'

const job = readFile<Job>('demo/jobs/quillfeather-lane.json')
const names = [...namesIn({ ...job, devices: {} }), ...job.placed.flatMap((p) => job.devices[p.device]!.terminals.map((t) => `${p.ref}.${t.id}`))] // prettier-ignore
const schema = publish(operationSchema(), 'operation')
const kinds = schema.oneOf as { properties: { kind: { enum: string[] } } }[]
/** Each kind of operation, as its schema has it; a device's description is drawn elsewhere. */
const drawn = kinds
  .filter((k) => !['batch', 'restore', 'placeDevice', 'replaceDevice'].includes(k.properties.kind.enum[0]!))
  .map((k) => fromSchema({ ...k, $defs: schema.$defs }, names) as fc.Arbitrary<Operation>)

describe('what can be reached by edits', () => {
  it('can be exported and read back, whatever was done', () => {
    const tally = new Map<string, number>()
    fc.assert(
      fc.property(fc.array(fc.oneof(...drawn), { minLength: 1, maxLength: 40 }), (ops) => {
        let now = job
        for (const op of ops) {
          if (!check(operationSchema(), op).ok) continue
          const next = apply(now, op)
          if (!next.ok) continue
          now = next.value
          tally.set(op.kind, (tally.get(op.kind) ?? 0) + 1)
        }
        const read = parseJob(formatJob(now))
        if (!read.ok) throw new Error(JSON.stringify(read.problems.slice(0, 3)))
        expect(read.value).toEqual(now)
      }),
      { numRuns: 120, seed: 20261127 },
    )
    // The drawing is worth something only if most kinds of edit were made.
    expect(tally.size).toBeGreaterThan(kinds.length / 2)
  })

  it.each([
    ['conductors', (n: number): Operation => ({ kind: 'addWire', wire: { id: `x${n}`, cable: null, colour: 'red', a: null, b: null } }), 'wires'],
    ['readings', (n: number): Operation => ({ kind: 'takeReading', reading: { ...job.readings[0]!, id: `x${n}`, supersedes: null } }), 'readings'],
    ['cards', (n: number): Operation => ({ kind: 'markCard', card: `x${n}`, mark: { state: 'done', who: '', when: '2026-11-27T08:00:00Z' } }), 'card'],
  ])('%s: one more than a file takes is refused at its place', (_, make, path) => {
    let now = job
    for (let n = 0; n < 3000; n++) {
      const next = apply(now, make(n))
      if (!next.ok) {
        expect(next.problems).toMatchObject([{ path }])
        expect(parseJob(formatJob(now))).toMatchObject({ ok: true })
        return
      }
      now = next.value
    }
    throw new Error('nothing was refused')
  }) // prettier-ignore
})
