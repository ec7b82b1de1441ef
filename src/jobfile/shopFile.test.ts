import { readFileSync } from 'node:fs'
import { readJson } from '../../tests/helpers/demo'
import { MOST_BYTES, formatDevice, formatJob, parseDevice, parseJob, ShopFileError, shopItems, shopText, type Job, type ShopItem } from '.' // prettier-ignore

const job = (id: string): Job => ({ ...readJson<Job>('demo/jobs/osier-walk.json'), id })
const device = parseDevice(readFileSync('library/sedge-t50.json', 'utf8'))
const textOf = (jobs: Job[], devices: string[] = []) => [...shopText(jobs.map(formatJob), devices)].join('')

/** A text as it comes: in parts of some bytes, of which a character may have its first in one and its second in the next. */
async function* inParts(text: string, size: number): AsyncGenerator<Uint8Array> {
  const bytes = new TextEncoder().encode(text)
  for (let from = 0; from < bytes.length; from += size) yield bytes.subarray(from, from + size)
}
async function split(text: string, size = 65_536): Promise<{ items: ShopItem[]; wrong: string | null }> {
  const items: ShopItem[] = []
  try {
    for await (const item of shopItems(inParts(text, size))) items.push(item)
  } catch (e) {
    if (!(e instanceof ShopFileError)) throw e
    return { items, wrong: `${e.problem.path}: ${e.problem.expected}` }
  }
  return { items, wrong: null }
}
const frame = (inside: string) => `{"format":"gatecross.shop","version":1,${inside}}`

describe('the file of a whole shop', () => {
  it.each([1, 7, 4096, 65_536])(
    'comes apart into what it was made of, in parts of %d bytes',
    async (size) => {
      const own = device.ok ? [formatDevice(device.value)] : []
      const jobs = [job('one'), { ...job('two'), title: 'Zażółć “1” }],{' }]
      const { items, wrong } = await split(textOf(jobs, own), size)
      expect(wrong).toBeNull()
      expect(items.map(({ list, index }) => [list, index])).toEqual([['jobs', 0], ['jobs', 1], ['devices', 0]]) // prettier-ignore
      expect(items.slice(0, 2).map((i) => parseJob(i.text))).toEqual(jobs.map((j) => parseJob(formatJob(j))))
      expect(parseDevice(items[2]!.text)).toEqual(device)
    },
  )

  it('is read in any order of its fields, and empty', async () => {
    expect(await split(textOf([]))).toEqual({ items: [], wrong: null })
    const other = '{"devices":[{"a":[1]}],"jobs":[7,{}],"version":1,"format":"gatecross.shop"}'
    const { items, wrong } = await split(other, 3)
    expect(wrong).toBeNull()
    expect(items.map((i) => [i.list, i.index, i.text])).toEqual([['devices', 0, '{"a":[1]}'], ['jobs', 0, 'null'], ['jobs', 1, '{}']]) // prettier-ignore
  })

  it.each([
    ['another file', '{"format":"gatecross.job","jobs":[{}]}', 0, 'format: "gatecross.shop"'],
    ['one of a later Gate Cross', '{"format":"gatecross.shop","version":2,"jobs":[{}]}', 0, 'version: 1: another Gate Cross wrote the file'],
    ['a field that is none', frame('"jobs":[{}],"more":1'), 1, 'more: no field named more'],
    ['a list of jobs that is none', frame('"jobs":{"a":{}}'), 0, 'jobs: a list'],
    ['no list of jobs', frame('"devices":[]'), 0, 'jobs: a value'],
    ['a field that stands twice', '{"format":"gatecross.shop","format":"gatecross.shop"}', 0, 'format: each field once'],
    ['one that breaks off', frame('"jobs":[{},{"a":').slice(0, -1), 1, 'behind jobs[0]: the rest of the file'],
    ['nothing at all', '', 0, ': the rest of the file'],
    ['what is no JSON', frame('"jobs":[{} {}]'), 1, 'behind jobs[0]: JSON'],
    ['brackets without end', frame(`"jobs":[{},${'['.repeat(200)}`), 1, 'behind jobs[0]: at most 64 levels'],
  ])('%s is refused at its place, what came before it is not', async (_, text, count, wrong) => {
    const got = await split(text, 10)
    expect([got.items.length, got.wrong]).toEqual([count, wrong])
  }) // prettier-ignore

  it.each([
    ['one job', (long: string) => `{"a":"${long}`],
    ['a name without end', (long: string) => `"${long}`],
    ['nothing but spaces', (long: string) => ' '.repeat(long.length)],
  ])('is given up where %s is too long, and not kept until its end', async (_, inside) => {
    const { items, wrong } = await split(frame(`"jobs":[{},${inside('x'.repeat(MOST_BYTES + 100_000))}`))
    expect([items.length, wrong]).toEqual([1, 'behind jobs[0]: at most 8 MB for each job or device'])
  })
})
