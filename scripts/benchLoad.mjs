import { readFileSync } from 'node:fs'
import { Agent, request } from 'node:http'
import { join } from 'node:path'
import { postgres } from './lib/backup.mjs'
import { root } from './lib/prepare.mjs'
import { main } from './lib/say.mjs'
import { withStage } from './lib/stage.mjs'

/**
 * Many devices save at once. Beside each figure stands that of a route that does nothing, asked in the same way in the same
 * run: what a save costs over a request.
 */
const agent = new Agent({ keepAlive: true, maxSockets: 250 })

function post(url, path, body) {
  return new Promise((resolve, reject) => {
    const text = JSON.stringify(body)
    const to = new URL(path, url)
    const r = request(
      to,
      {
        agent,
        method: 'POST',
        headers: { 'content-type': 'application/json', 'content-length': Buffer.byteLength(text) },
      },
      (answer) => {
        let out = ''
        answer.on('data', (d) => (out += d))
        answer.on('end', () => resolve({ status: answer.statusCode, body: out }))
      },
    )
    r.on('error', reject)
    r.end(text)
  })
}

const quantile = (list, q) =>
  [...list].sort((a, b) => a - b)[Math.min(list.length - 1, Math.floor(q * list.length))]
const pause = (ms) => new Promise((r) => setTimeout(r, ms))
const JOB_VERSION = JSON.parse(readFileSync(join(root, 'demo/jobs/osier-walk.json'), 'utf8')).version

/** A technician's device on one job: each edit is of a place of its own, so that nothing clashes. */
function device(url, job, n) {
  let seen = 1
  let made = 0
  return async () => {
    const at = new Date().toISOString()
    const client = `bench-${n}`
    const mark = { state: 'done', who: client, when: at }
    const op = { kind: 'markCard', card: `bench-${n}`, mark: made % 2 ? null : mark }
    const envelope = {
      opId: `${client}-${++made}`,
      client,
      who: client,
      at,
      docVersion: JOB_VERSION,
      seen,
      op,
    }
    const answer = await post(url, `/api/jobs/${job}/ops`, { base: seen, ops: [envelope] })
    if (answer.status !== 200) return answer.status
    const { version, results } = JSON.parse(answer.body)
    seen = version
    return results[0].outcome
  }
}

/** Each of `acts` once a second for some seconds, spread evenly; ms from when it was due to its end. */
async function atRate(acts, seconds) {
  const late = []
  const outcomes = new Map()
  const began = performance.now()
  const all = []
  for (let s = 0; s < seconds; s++)
    for (const [i, act] of acts.entries()) {
      const due = began + 1000 * (s + i / acts.length)
      all.push(
        pause(Math.max(0, due - performance.now())).then(async () => {
          const outcome = await act().catch((e) => e.code)
          outcomes.set(outcome, (outcomes.get(outcome) ?? 0) + 1)
          late.push(performance.now() - due)
        }),
      )
    }
  await Promise.all(all)
  return { late, outcomes }
}

/** How many a second, with each of `acts` always under way. */
async function inFlight(acts, ms) {
  const end = performance.now() + ms
  const outcomes = new Map()
  await Promise.all(
    acts.map(async (act) => {
      while (performance.now() < end) {
        const outcome = await act().catch((e) => e.code)
        outcomes.set(outcome, (outcomes.get(outcome) ?? 0) + 1)
      }
    }),
  )
  const done = [...outcomes.values()].reduce((a, b) => a + b, 0)
  return { rate: (1000 * done) / ms, outcomes }
}

const words = (outcomes) => [...outcomes].map(([o, n]) => `${n} ${o}`).join(', ')

main(() =>
  withStage({ name: 'load' }, async ({ url, databaseUrl }) => {
    const file = JSON.parse(readFileSync(join(root, 'demo/jobs/quillfeather-lane.json'), 'utf8'))
    const jobs = []
    for (let i = 0; i < 20; i++) {
      const made = await post(url, '/api/jobs?copy=1', { ...file, id: `load-${i}` })
      jobs.push(JSON.parse(made.body).id)
    }
    const ping = async () => (await post(url, '/api/ping', {})).status
    const devices = (n, from) =>
      Array.from({ length: n }, (_, i) => device(url, jobs[i % jobs.length], from + i))
    // Both have run before either is measured.
    await inFlight(devices(50, 0), 3000)
    await inFlight(Array(50).fill(ping), 2000)

    // In turns, and the median of their p99: what the machine does beside it for a moment decides nothing.
    const turns = []
    const outcomes = new Map()
    for (let turn = 0; turn < 7; turn++) {
      const pings = await atRate(Array(50).fill(ping), 5)
      const saves = await atRate(devices(50, 100 + 50 * turn), 5)
      for (const [o, n] of saves.outcomes) outcomes.set(o, (outcomes.get(o) ?? 0) + n)
      turns.push({ pings: pings.late, saves: saves.late })
    }
    const median = (of, q) => quantile(turns.map((t) => quantile(t[of], q)), 0.5) // prettier-ignore
    const [p, s] = [median('pings', 0.99), median('saves', 0.99)]
    console.log(
      `50 devices on 20 jobs, an edit a second each: p50 ${median('saves', 0.5).toFixed(1)} ms, p99 ${s.toFixed(1)} ms (${words(outcomes)})`,
    )
    console.log(
      `  a route that does nothing at that rate: p50 ${median('pings', 0.5).toFixed(1)} ms, p99 ${p.toFixed(1)} ms; ratio of p99 ${(s / p).toFixed(2)}`,
    )

    const rates = []
    for (let turn = 0; turn < 3; turn++) {
      const nothing = await inFlight(Array(50).fill(ping), 4000)
      const saving = await inFlight(devices(50, 1000 + 100 * turn), 4000)
      rates.push({ nothing: nothing.rate, saving: saving.rate, outcomes: saving.outcomes })
    }
    const share = quantile(
      rates.map((r) => r.saving / r.nothing),
      0.5,
    )
    const last = rates[rates.length - 1]
    console.log(
      `50 always in flight: ${last.saving.toFixed(0)} saves a second against ${last.nothing.toFixed(0)} of nothing; median share ${(100 * share).toFixed(0)} % (${words(last.outcomes)})`,
    )

    const before = await versions(url, jobs)
    const many = await inFlight(devices(200, 5000), 6000)
    const after = await versions(url, jobs)
    const applied = many.outcomes.get('applied') ?? 0
    console.log(
      `200 devices: ${words(many.outcomes)}; the jobs moved on by ${after - before} revisions, ${applied} were acknowledged`,
    )
    await streams(url, devices)
    await list(url, databaseUrl)
  }),
)

/** Saves a second with 300 browsers that hear of each, half of which never read, against none, in turns. */
async function streams(url, devices) {
  const rates = { without: [], with: [] }
  let n = 10_000
  for (let turn = 0; turn < 3; turn++) {
    rates.without.push((await inFlight(devices(50, (n += 100)), 4000)).rate)
    const open = await Promise.all(Array.from({ length: 300 }, (_, i) => hear(url, i % 2 === 0)))
    rates.with.push((await inFlight(devices(50, (n += 100)), 4000)).rate)
    for (const stream of open) stream.destroy()
    await pause(500)
  }
  const [without, with300] = [quantile(rates.without, 0.5), quantile(rates.with, 0.5)]
  console.log(
    `300 streams, half unread: ${with300.toFixed(0)} saves a second against ${without.toFixed(0)} without; they cost ${(100 * (1 - with300 / without)).toFixed(0)} %`,
  )
}

/** A stream of changes; read or left to fill up. */
function hear(url, isRead) {
  return new Promise((resolve, reject) => {
    const to = request(new URL('/api/changes', url), { agent: false }, (answer) => {
      if (isRead) answer.resume()
      resolve(answer)
    })
    to.on('error', reject)
    to.end()
  })
}

async function versions(url, jobs) {
  let sum = 0
  for (const id of jobs) sum += (await (await fetch(`${url}/api/jobs/${id}`)).json()).version
  return sum
}

/** The first rows of a shop of five thousand jobs, plain and searched, beside the route that does nothing. */
async function list(url, databaseUrl) {
  const copies = `INSERT INTO jobs (shop, id, version, doc, doc_rev, title, address, owner, note, summary, updated_at)
    SELECT shop, 'many-' || n, 1, doc, 1, n || ' ' || title, n || ' ' || address, owner, note, NULL, now() - n * interval '1 hour'
    FROM jobs, generate_series(1, 5000) AS n WHERE id = 'osier-walk'`
  await postgres('psql', databaseUrl, '-qc', copies, '-c', 'ANALYZE jobs')
  const timed = async (act) => {
    const ms = []
    let bytes = 0
    for (let i = 0; i < 30; i++) {
      const began = performance.now()
      const answer = await act()
      const text = await answer.text()
      ms.push(performance.now() - began)
      bytes = text.length
    }
    return { p95: quantile(ms, 0.95), bytes }
  }
  const nothing = await timed(() => fetch(`${url}/api/ping`, { method: 'POST' }))
  for (const query of ['', '?order=street', '?text=4711', '?order=newest&from=4000']) {
    const { p95, bytes } = await timed(() => fetch(`${url}/api/jobs${query}`))
    console.log(
      `5,000 jobs, /api/jobs${query}: p95 ${p95.toFixed(1)} ms, ${(bytes / 1024).toFixed(0)} kB unpacked (a route that does nothing ${nothing.p95.toFixed(1)} ms)`,
    )
  }
}
