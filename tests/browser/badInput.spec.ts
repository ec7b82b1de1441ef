import { connect } from 'node:net'
import { expect, test, type APIRequestContext } from '@playwright/test'

const job = async (request: APIRequestContext) =>
  (await (await request.get('/api/jobs/quillfeather-lane')).json()) as {
    version: number
    job: Record<string, unknown>
  }
const op = (client: string, opId: string, value: unknown) => ({
  opId,
  client,
  who: 'Wren Hollis',
  at: '2026-11-24T00:00:00Z',
  op: { kind: 'setSetting', ref: 'odt', setting: 'setpoint', value },
})

test('a job file that is wrong is refused with its place, and nothing is taken in', async ({ request }) => {
  const { job: doc } = await job(request)
  const before = await (await request.get('/api/jobs')).json()
  const cases: [unknown, number, string][] = [
    ['{ not json', 400, 'JSON'],
    [{ ...doc, version: 9 }, 400, 'newer Gate Cross'],
    [{ ...doc, placed: [{ ref: 'x', device: 'nobody', label: 'x', settings: {} }] }, 400, 'placed[0].device'],
    [{ ...doc, wires: [{ id: 'w1', cable: null, colour: 'red', a: 'ah.Q', b: null }] }, 400, 'wires[0].a'],
    [doc, 409, 'a name that no job here has'],
  ]
  for (const [body, status, said] of cases) {
    const answer = await request.post('/api/jobs', {
      // As bytes: a text that is no JSON would be made one on the way.
      data: Buffer.from(typeof body === 'string' ? body : JSON.stringify(body)),
      headers: { 'content-type': 'application/json' },
    })
    expect(answer.status()).toBe(status)
    expect(((await answer.json()) as { error: string }).error).toContain(said)
  }
  expect(await (await request.get('/api/jobs')).json()).toEqual(before)
})

test('a body of 50 MB is refused', async ({ request }) => {
  for (const path of ['/api/jobs', '/api/jobs/quillfeather-lane/ops']) {
    const answer = await request.post(path, {
      data: Buffer.alloc(50 * 1024 * 1024, 'x'),
      headers: { 'content-type': 'application/json' },
    })
    expect(answer.status()).toBe(413)
    expect(((await answer.json()) as { error: string }).error).toContain('at most')
  }
})

test('operations: nonsense, absurd values and unknown jobs are named; replays change nothing; stale ones show both', async ({
  request,
}) => {
  const { version } = await job(request)
  const push = (base: number, ops: unknown[], id = 'quillfeather-lane') =>
    request.post(`/api/jobs/${id}/ops`, { data: { base, ops } })
  expect((await push(version, [{ what: 1 }])).status()).toBe(400)
  expect((await push(version, [], 'no-such-job')).status()).toBe(404)
  const absurd = (await (await push(version, [op('a', 'bad-1', 400)])).json()) as {
    version: number
    results: { outcome: string; problems: { path: string }[] }[]
  }
  expect(absurd.version).toBe(version)
  expect(absurd.results[0]).toMatchObject({ outcome: 'refused', problems: [{ path: 'odt.setpoint' }] })

  const first = (await (await push(version, [op('a', 'good-1', 31)])).json()) as { version: number }
  expect(first.version).toBe(version + 1)
  const again = (await (await push(version, [op('a', 'good-1', 31)])).json()) as {
    version: number
    results: { outcome: string }[]
  }
  expect(again).toMatchObject({ version: version + 1, results: [{ outcome: 'alreadyThere' }] })

  const stale = (await (await push(version, [op('b', 'late-1', 44)])).json()) as { version: number }
  expect(stale).toMatchObject({
    version: version + 1,
    results: [{ outcome: 'stale', path: 'placed.odt.settings.setpoint', theirs: { opId: 'good-1' } }],
  })
  const other = { ...op('b', 'late-2', 0), op: { kind: 'setCableFeet', cable: 'c1', feet: 50 } }
  const merged = (await (await push(version, [other])).json()) as { version: number }
  expect(merged).toMatchObject({ version: version + 2, results: [{ outcome: 'applied' }] })
  // Put back what this test changed, for the others.
  const back = { ...op('b', 'late-3', 0), op: { kind: 'setCableFeet', cable: 'c1', feet: 45 } }
  await push(version + 2, [op('a', 'good-2', 35), back])
})

test('what no browser sends is refused with the number that the log has it under', async ({ baseURL }) => {
  const { hostname, port, host } = new URL(baseURL!)
  /** The head of the answer to a request as it stands. */
  const answerTo = (line: string, from = host) =>
    new Promise<string>((resolve, reject) => {
      let out = ''
      const socket = connect(Number(port), hostname, () =>
        socket.end(`${line} HTTP/1.1\r\nHost: ${from}\r\nContent-Length: 0\r\nConnection: close\r\n\r\n`),
      )
      socket.on('data', (d) => (out += String(d)))
      socket.on('close', () => resolve(out.split('\r\n\r\n')[0] ?? ''))
      socket.on('error', reject)
    })
  for (const [line, status] of [
    ['TRACE /', 405],
    ['TRACE /api/jobs', 405],
    ['GET /job/%E0%A4%A', 400],
    ['GET /api/jobs/%ZZ/file', 400],
  ] as const) {
    const head = await answerTo(line)
    expect(head).toContain(`HTTP/1.1 ${status} `)
    expect(head.toLowerCase()).toMatch(/x-request-id: [0-9a-f]{8}/)
  }
  expect(await answerTo('POST /api/ping', 'elsewhere.example')).toContain('HTTP/1.1 403 ')
  expect(await answerTo('POST /api/ping')).toContain('HTTP/1.1 200 ')
})

test('a page of another origin changes nothing, and a name that was made to lead here reads nothing', async ({
  request,
}) => {
  const before = await (await request.get('/api/jobs/quillfeather-lane/file')).text()
  const send = (headers: Record<string, string>) =>
    request.post('/api/jobs?copy=1', {
      data: before,
      headers: { 'content-type': 'application/json', ...headers },
    })
  for (const headers of [
    { origin: 'http://elsewhere.example' },
    { 'sec-fetch-site': 'cross-site' },
    { host: 'elsewhere.example' },
  ])
    expect((await send(headers)).status()).toBe(403)
  expect((await send({ 'content-type': 'text/plain' })).status()).toBe(415)
  const read = await request.get('/api/jobs', { headers: { host: 'elsewhere.example' } })
  expect(read.status()).toBe(403)
  expect(((await read.json()) as { error: string }).error).toMatch(/^Host: expected one of localhost/)
  const page = (await request.get('/')).headers()
  expect([page['x-content-type-options'], page['x-frame-options']]).toEqual(['nosniff', 'DENY'])
  const nonceOf = (headers: Record<string, string>) =>
    /script-src 'self' 'nonce-([A-Za-z0-9+/=]{24})' 'wasm-unsafe-eval';/.exec(
      headers['content-security-policy']!,
    )?.[1]
  // Another one for every answer.
  expect(nonceOf(page)).toBeDefined()
  expect(nonceOf((await request.get('/')).headers())).not.toBe(nonceOf(page))
  const named = await request.get('/', { headers: { host: 'elsewhere.example' } })
  expect([named.status(), await named.text()]).toEqual([
    403,
    expect.stringMatching(/^Host: expected one of localhost/),
  ])
  expect((await request.get('/api/jobs')).headers()['cache-control']).toBe('no-store')
})

test('a script that got into the page without its nonce does not run', async ({ page }) => {
  await page.goto('/')
  await page.getByRole('heading', { level: 2 }).first().waitFor()
  const ran = await page.evaluate(async () => {
    const w = window as unknown as Record<string, unknown>
    const script = document.createElement('script')
    script.textContent = 'window.ran = "a script"'
    document.body.append(script)
    const image = document.createElement('img')
    image.setAttribute('onerror', 'window.ran = "a handler"')
    // The handler stands before this listener: where it may run, it has run by then.
    const failed = new Promise((done) => image.addEventListener('error', done))
    image.src = 'data:image/png;base64,AAAA'
    document.body.append(image)
    await failed
    return w.ran ?? 'nothing'
  })
  expect(ran).toBe('nothing')
})
