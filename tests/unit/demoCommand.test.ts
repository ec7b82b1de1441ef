import { spawnSync } from 'node:child_process'
import { createServer, type AddressInfo } from 'node:net'
import { join } from 'node:path'

/** Runs the demo command with what cannot work; it must end by itself, before anything is started. */
const demo = (args: string[], env: Record<string, string> = {}) => {
  const { status, stdout, stderr } = spawnSync(process.execPath, [join('scripts', 'demo.mjs'), ...args], {
    env: { ...process.env, DATABASE_URL: '', ...env },
    encoding: 'utf8',
    timeout: 20_000,
  })
  return { status, said: `${stdout}${stderr}`.trim() }
}

describe('the demo command says in one sentence', () => {
  it('how it is used', () => {
    expect(demo(['--help'])).toEqual({
      status: 0,
      said: expect.stringMatching(/^gate cross: npm run demo \[-- --reset\]/),
    })
  })

  it.each([
    [['--rest'], {}, /"--rest" is not known here/],
    [[], { PORT: 'four' }, /PORT is "four": it must be a number from 1 to 65535/],
    [['--reset'], { PORT: '47999', DATABASE_URL: 'postgres://127.0.0.1:1/x' }, /nothing was touched/],
  ])('%s %o: what is wrong', (args, env, words) => {
    const { status, said } = demo(args, env)
    expect(status).toBe(1)
    expect(said).toMatch(words)
    expect(said.split('\n')).toHaveLength(1)
  })

  it('that its port is in use, and another that is to be tried', async () => {
    const taken = createServer()
    await new Promise<void>((resolve) => taken.listen(0, '127.0.0.1', resolve))
    const { port } = taken.address() as AddressInfo
    const { status, said } = demo([], { PORT: String(port) })
    await new Promise((resolve) => taken.close(resolve))
    expect(status).toBe(1)
    expect(said).toContain(`port ${port} is in use`)
    expect(said).toContain(`PORT=${port + 1} npm run demo`)
  })
})
