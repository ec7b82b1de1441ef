import { readFileSync } from 'node:fs'
import { once } from 'node:events'
import { request } from 'node:http'
import { connect } from 'node:net'
import { join } from 'node:path'
import { isMainThread, parentPort, Worker, workerData } from 'node:worker_threads'
import { root } from './lib/prepare.mjs'
import { main } from './lib/say.mjs'
import { withStage } from './lib/stage.mjs'

/** Hostile and broken requests to a running server: each must get the right answer, and nobody may wait for it. */

/** ms within which the server must say that it is well, whatever else it is asked. */
const MOST_HEALTH_MS = 200

let failed = 0
const expect = (what, right, found) => {
  if (!right) failed++
  console.log(`attack: ${right ? 'ok  ' : 'FAIL'} ${what}: ${found}`)
}

/** Sends a request and gives its status and body. Its Content-Type is JSON, unless `headers` has another. */
function send(url, method, path, body = null, headers = {}) {
  return new Promise((resolve) => {
    const options = { method, agent: false, headers: { 'content-type': 'application/json', ...headers } }
    const to = request(new URL(url), { ...options, path }, (answer) => {
      let out = ''
      answer.on('data', (d) => (out = out.length < 4096 ? out + d : out))
      answer.on('end', () => resolve({ status: answer.statusCode, body: out }))
    })
    to.on('error', (e) => resolve({ status: e.code, body: '' }))
    to.end(body)
  })
}

/** A request line as it stands, which no client would send; the first line of the answer. */
function raw(url, text) {
  const { hostname, port } = new URL(url)
  return new Promise((resolve) => {
    let out = ''
    const socket = connect(Number(port), hostname, () => socket.end(text))
    socket.on('data', (d) => (out += d))
    socket.on('close', () => resolve(out.split('\r\n')[0]))
    socket.on('error', (e) => resolve(e.code))
  })
}

/**
 * How long the server's health took to be told while `act` ran, ms: 95 of 100 answers, and the slowest. It is asked in a thread
 * that does nothing else.
 */
async function healthDuring(url, act) {
  const asking = new Worker(new URL(import.meta.url), { workerData: { url } })
  await once(asking, 'message')
  const result = await act()
  asking.postMessage('over')
  const [times] = await once(asking, 'message')
  times.sort((a, b) => a - b)
  const [p95, most] = [0.95, 1].map((q) => times[Math.ceil(q * times.length) - 1])
  return { p95, health: `health p95 ${p95.toFixed(0)} ms, at most ${most.toFixed(0)} ms`, result }
}

/** Body of that thread. */
async function askHealth(url) {
  let isOver = false
  parentPort.once('message', () => (isOver = true))
  const times = []
  parentPort.postMessage('begun')
  while (!isOver) {
    const start = performance.now()
    await send(url, 'GET', '/api/health')
    times.push(performance.now() - start)
    await new Promise((r) => setTimeout(r, 20))
  }
  parentPort.postMessage(times)
}

const tally = (answers) => {
  const counts = {}
  for (const { status } of answers) counts[status] = (counts[status] ?? 0) + 1
  return counts
}
const words = (counts) =>
  Object.entries(counts)
    .map(([status, n]) => `${n} × ${status}`)
    .join(', ')

const attack = () =>
  withStage({ name: 'attack' }, async ({ url }) => {
    const file = JSON.parse(readFileSync(join(root, 'demo/jobs/quillfeather-lane.json'), 'utf8'))
    const idle = await healthDuring(url, () => new Promise((r) => setTimeout(r, 5000)))
    console.log(`attack: health of an idle server: ${idle.health}`)

    /** Sends bodies at once while the server's health is asked for. */
    const flood = async (what, n, make, statuses) => {
      const { p95, health, result } = await healthDuring(url, () =>
        Promise.all(Array.from({ length: n }, (_, i) => make(i))),
      )
      const counts = tally(result)
      const isRight = p95 <= MOST_HEALTH_MS && result.every((a) => statuses.includes(a.status))
      expect(what, isRight, `${words(counts)}; ${health}`)
    }
    const largest = Buffer.from(largeJob(file))
    console.log(`attack: a large job has ${(largest.length / 1e6).toFixed(1)} MB`)
    const post = (body, path = '/api/jobs?copy=1') => send(url, 'POST', path, body)
    const plain = JSON.stringify(file)
    for (let n = 0; n < 100; n++) await post(plain)
    await flood('thirty exports of 116 jobs at once', 30, () => send(url, 'GET', '/api/shop'), [200])
    await flood('one job as large as may be', 1, () => post(largest), [201])
    await flood('ten of them at once', 10, () => post(largest), [201, 503])
    await flood('thirty of them at once', 30, () => post(largest), [201, 503])
    const brackets = Buffer.alloc(8_000_000, '[')
    await flood('8 MB of brackets', 4, () => post(brackets), [400])
    const many = Buffer.alloc(47_000_000, '[')
    await flood('47 MB of brackets', 2, () => post(many), [413, 'EPIPE', 'ECONNRESET'])
    await flood('47 MB of brackets as a shop', 2, () => post(many, '/api/shop'), [400])
    const inShop = `{"format":"gatecross.shop","version":1,"jobs":[${Array(60000).fill('{"format":"gatecross.job"}').join()}],"devices":[]}`
    await flood('60,000 jobs that are none', 2, () => post(inShop, '/api/shop'), [200])
    const edits = `{"base":0,"ops":${JSON.stringify(Array(5000).fill({}))}}`
    await flood('fifty wrong edits at once', 50, () => post(edits, `/api/jobs/${file.id}/ops`), [400])

    const exported = await whole(url, '/api/shop')
    const report = await whole(url, '/api/shop', exported)
    const outcomes = {}
    for (const { outcome } of JSON.parse(report).items) outcomes[outcome] = (outcomes[outcome] ?? 0) + 1
    expect(
      `an export of ${(exported.length / 1e6).toFixed(0)} MB is known again`,
      Object.keys(outcomes).join() === 'known',
      JSON.stringify(outcomes),
    )

    await poison(url, file)
    const twins = await Promise.all(
      Array.from({ length: 8 }, () => post(JSON.stringify({ ...file, id: 'twin' }))),
    )
    expect(
      'eight imports of one name at once',
      twins.every((a) => a.status === 201),
      words(tally(twins)),
    )
    const deep = `${'['.repeat(30_000)}${']'.repeat(30_000)}`
    const depths = await Promise.all(
      ['/api/jobs', '/api/library', '/api/shop', `/api/jobs/${file.id}/ops`].map((path) => post(deep, path)),
    )
    expect(
      'JSON of 30,000 levels',
      depths.every((a) => a.status === 400),
      words(tally(depths)),
    )

    const host = new URL(url).host
    const lines = [
      ['TRACE', `TRACE / HTTP/1.1\r\nHost: ${host}\r\nConnection: close\r\n\r\n`, 405],
      ['TRACE of data', `TRACE /api/jobs HTTP/1.1\r\nHost: ${host}\r\nConnection: close\r\n\r\n`, 405],
      ['a malformed %', `GET /job/%E0%A4%A HTTP/1.1\r\nHost: ${host}\r\nConnection: close\r\n\r\n`, 400],
      [
        'one in the address of data',
        `GET /api/jobs/%ZZ HTTP/1.1\r\nHost: ${host}\r\nConnection: close\r\n\r\n`,
        400,
      ],
      [
        'another host’s ping',
        'POST /api/ping HTTP/1.1\r\nHost: elsewhere.example\r\nContent-Length: 0\r\nConnection: close\r\n\r\n',
        403,
      ],
    ]
    for (const [what, text, status] of lines) {
      const first = await raw(url, text)
      expect(what, first.includes(` ${status} `), first)
    }
    const cross = await send(url, 'GET', '/api/shop', null, {
      'sec-fetch-site': 'cross-site',
      'sec-fetch-mode': 'no-cors',
    })
    expect('another page’s reading of the shop', cross.status === 403, cross.status)
    if (failed) process.exitCode = 1
  })

if (isMainThread) main(attack)
else void askHealth(workerData.url)

/** An edit that can never be saved keeps none behind it from being saved. */
async function poison(url, file) {
  const at = '2026-11-26T09:00:00.000Z'
  const edit = (opId, op) => ({
    opId,
    client: 'attack',
    who: '',
    at,
    docVersion: file.version,
    seen: 1,
    op,
  })
  const push = (...ops) => send(url, 'POST', `/api/jobs/${file.id}/ops`, JSON.stringify({ base: 1, ops }), {})
  const reading = { ...file.readings[0], id: 'poison', when: '0000-01-01T00:00:00Z' }
  const bad = await push(edit('attack-1', { kind: 'takeReading', reading }))
  expect('a reading of the year 0', bad.status === 400, bad.status)
  const good = await push(
    edit('attack-2', { kind: 'setField', field: 'site.owner', value: 'Teasel Marlowe' }),
  )
  expect('the edit behind it is saved', good.status === 200 && good.body.includes('"applied"'), good.status)
}

/** A body or answer as a whole. */
async function whole(url, path, body = null) {
  const init = body === null ? {} : { method: 'POST', body, headers: { 'content-type': 'application/json' } }
  return (await fetch(`${url}${path}`, init)).text()
}

/** The text of a job close to the largest file that is read: most of it readings, with notes written as long as may be. */
function largeJob(file) {
  const one = file.readings[0]
  const note = '@'.repeat(400)
  const readings = Array.from({ length: 2500 }, (_, n) => ({ ...one, id: `r${n}`, note }))
  return JSON.stringify({ ...file, id: 'large', readings }).replaceAll('@', '\\u0040')
}
