import { bodyProblem, strangerProblem } from './strangers'

const request = (method: string, headers: Record<string, string>) => ({
  method,
  headers: new Headers(headers),
})
const HERE = { host: '127.0.0.1:3000' }

afterEach(() => delete process.env.GATE_CROSS_HOSTS)

describe('requests of strangers', () => {
  it.each([
    ['a page of its own', 'POST', { ...HERE, origin: 'http://127.0.0.1:3000', 'sec-fetch-site': 'same-origin' }],
    ['a script without a browser', 'POST', HERE],
    ['a link that somebody follows', 'GET', { ...HERE, 'sec-fetch-site': 'cross-site', 'sec-fetch-mode': 'navigate' }],
    ['the machine by another of its names', 'GET', { host: 'localhost:3000' }],
  ])('%s is let in', (_, method, headers) => expect(strangerProblem(request(method, headers))).toBeNull()) // prettier-ignore

  it.each([
    ['a page of another origin', 'POST', { ...HERE, origin: 'http://elsewhere.example' }, 'Origin'],
    ['the same machine at another port', 'PUT', { ...HERE, origin: 'http://127.0.0.1:8080' }, 'Origin'],
    ['a page without an origin of its own', 'DELETE', { ...HERE, origin: 'null' }, 'Origin'],
    [
      'another site that asks for data',
      'GET',
      { ...HERE, 'sec-fetch-site': 'cross-site', 'sec-fetch-mode': 'no-cors' },
      'Sec-Fetch-Site',
    ],
    ['another site', 'POST', { ...HERE, 'sec-fetch-site': 'cross-site' }, 'Sec-Fetch-Site'],
    ['another page of the same site', 'POST', { ...HERE, 'sec-fetch-site': 'same-site' }, 'Sec-Fetch-Site'],
    ['a name that was made to lead here', 'GET', { host: 'elsewhere.example:3000' }, 'Host'],
  ])('%s is not', (_, method, headers, path) =>
    expect(strangerProblem(request(method, headers))?.path).toBe(path),
  )

  it('a shop’s own name is let in once it is set', () => {
    const shop = request('GET', { host: 'gate.shop.example' })
    expect(strangerProblem(shop)?.path).toBe('Host')
    process.env.GATE_CROSS_HOSTS = ' gate.shop.example, other.example'
    expect(strangerProblem(shop)).toBeNull()
  })

  it('a body is JSON or is not read', () => {
    expect(bodyProblem(request('POST', { 'content-type': 'application/json; charset=utf-8' }))).toBeNull()
    expect(bodyProblem(request('POST', { 'content-type': 'text/plain' }))?.got).toBe('text/plain')
    expect(bodyProblem(request('POST', {}))?.path).toBe('Content-Type')
  })
})
