import fc from './property'
import { readdirSync, readFileSync } from 'node:fs'
import { ProvenAnalysis } from '@/core/analysis'
import {
  apply,
  check,
  formatJob,
  installationOf,
  parseDevice,
  parseJob,
  parseWeather,
  publish,
  pushSchema,
  type Checked,
  type Job,
  type Operation,
} from '@/jobfile'
import { fromSchema, namesIn } from './fromSchema'
import { mutated } from './mutate'

/** What came of a corpus. */
export interface Tally {
  tried: number
  taken: number
  refused: number
  /** Anything thrown, and an answer that took longer than 2 s. */
  crashes: string[]
  hangs: string[]
  /** Taken, and then not what a file may be. */
  wrongly: string[]
  /** ms and characters of each refusal. */
  ms: number[]
  sizes: number[]
}
const HANG_MS = 2000

const tally = (): Tally => ({ tried: 0, taken: 0, refused: 0, crashes: [], hangs: [], wrongly: [], ms: [], sizes: [] }) // prettier-ignore

/** Tries one thing: what is refused is measured, what is taken must pass `holds`. */
function tryOne<T>(t: Tally, what: string, act: () => Checked<T>, holds: (value: T) => string | null): void {
  t.tried++
  const began = performance.now()
  let answer: Checked<T>
  try {
    answer = act()
  } catch (e) {
    t.crashes.push(`${what}: ${(e as Error).stack?.split('\n').slice(0, 3).join(' ') ?? String(e)}`)
    return
  }
  const ms = performance.now() - began
  if (ms > HANG_MS) t.hangs.push(`${what}: ${ms.toFixed(0)} ms`)
  if (!answer.ok) {
    t.refused++
    t.ms.push(ms)
    t.sizes.push(JSON.stringify(answer.problems).length)
    if (!answer.problems.length) t.wrongly.push(`${what}: refused without a reason`)
    return
  }
  t.taken++
  try {
    const wrong = holds(answer.value)
    if (wrong) t.wrongly.push(`${what}: ${wrong}`)
  } catch (e) {
    t.crashes.push(`${what}, taken: ${(e as Error).stack?.split('\n').slice(0, 3).join(' ') ?? String(e)}`)
  }
  const all = performance.now() - began
  if (all > 10 * HANG_MS) t.hangs.push(`${what}, computed: ${all.toFixed(0)} ms`)
}

const read = (file: string): unknown => JSON.parse(readFileSync(file, 'utf8'))
const filesOf = (folder: string) => readdirSync(folder).map((f) => `${folder}/${f}`)

/** What is taken must be written and read back the same, and everything that the app asks of it must answer. */
function jobHolds(job: Job, proves: boolean): string | null {
  const again = parseJob(formatJob(job))
  if (!again.ok) return `is not read back: ${JSON.stringify(again.problems[0])}`
  if (proves) new ProvenAnalysis(installationOf(job)).prove()
  return null
}

/** Temperatures and the hours that a year has of each, 8,760 in all; and every hour of a year. */
const BINS = ['temp F,hours', ...[5, 15, 25, 35, 45, 55, 65, 75].map((t) => `${t},1095`)].join('\n')
const HOURS = ['temp F', ...Array.from({ length: 8760 }, (_, h) => String(20 + (h % 50)))].join('\n')

/** Texts with some characters changed, doubled or cut. */
const scribbled = (text: string): fc.Arbitrary<string> =>
  fc
    .array(
      fc.tuple(
        fc.nat(),
        fc.constantFrom('', '"', ',', '\n', '\u0000', '-', 'e999', 'é', '\ud83d', '\t', '1'.repeat(400)),
      ),
      { minLength: 1, maxLength: 6 },
    ) // prettier-ignore
    .map(
      (changes) =>
      changes.reduce((t, [at, put]) => `${t.slice(0, at % (t.length + 1))}${put}${t.slice((at % (t.length + 1)) + (at % 3))}`, text), // prettier-ignore
    )

/**
 * Tries so many mutated jobs, devices, operations and tables of weather, all by one seed.
 * @param provesEvery of so many jobs that are taken one is proven
 */
export function tryCorpora(count: number, seed: number, provesEvery: number): Record<string, Tally> {
  const jobs = filesOf('demo/jobs').map(read)
  const devices = filesOf('library').map(read)
  const out = { jobs: tally(), devices: tally(), operations: tally(), texts: tally() }
  const each = Math.ceil(count / 4)
  let n = 0
  // Each corpus of its own: what is drawn for one file is not drawn for the next.
  const sample = <T>(arbitrary: fc.Arbitrary<T>, k: number, i: number) =>
    fc.sample(arbitrary, { numRuns: k, seed: seed + 1000 * i })
  for (const [i, job] of jobs.entries())
    for (const m of sample(mutated(job), Math.ceil(each / jobs.length), i))
      tryOne(out.jobs, JSON.stringify(m).slice(0, 80), () => parseJob(JSON.stringify(m)), (j) => jobHolds(j, n++ % provesEvery === 0)) // prettier-ignore
  for (const [i, device] of devices.entries())
    for (const m of sample(mutated(device), Math.ceil(each / devices.length), i))
      tryOne(
        out.devices,
        JSON.stringify(m).slice(0, 80),
        () => parseDevice(JSON.stringify(m)),
        () => null,
      )

  const job = parseJob(readFileSync('demo/jobs/quillfeather-lane.json', 'utf8'))
  if (!job.ok) throw new Error('the demo job cannot be read')
  const names = namesIn({ ...job.value, devices: {} })
  const push = fromSchema(publish(pushSchema(), 'push'), names)
  for (const [i, drawn] of sample(push, Math.ceil(each / 4), 0).entries())
    for (const m of [drawn, ...sample(mutated(drawn), 3, i)])
      tryOne(
        out.operations,
        JSON.stringify(m).slice(0, 200),
        () => check<{ ops: { op: Operation }[] }>(pushSchema(), m),
        ({ ops }) => {
          for (const { op } of ops) {
            const applied = apply(job.value, op)
            const wrong = applied.ok ? jobHolds(applied.value, false) : null
            if (wrong) return `${op.kind}: ${wrong}`
          }
          return null
        },
      )
  for (const [i, text] of [BINS, HOURS, formatJob(job.value)].entries())
    for (const m of sample(scribbled(text), Math.ceil(each / 3), i))
      tryOne(out.texts, m.slice(0, 80), () => (text.startsWith('{') ? parseJob(m) : parseWeather(m, 'table.csv')) as Checked<unknown>, () => null) // prettier-ignore
  return out
}
