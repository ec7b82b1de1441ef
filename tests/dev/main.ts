import { spawn } from 'node:child_process'
import { mkdirSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { chromium } from '@playwright/test'
import { freePort } from '../../scripts/lib/postgres.mjs'

/** The development server: a job opens and is proven, nothing is refused by the page's policy, and it ends cleanly. */
const root = join(__dirname, '../..')
const expect = (what: string, ok: boolean, got: unknown = ''): void => {
  console.log(`  ${ok ? 'ok  ' : 'FAIL'} ${what}${ok ? '' : `: ${String(got)}`}`)
  if (!ok) process.exitCode = 1
}

async function main(): Promise<void> {
  const folder = join(tmpdir(), `gate-cross-dev-${process.pid}`)
  mkdirSync(folder)
  const url = `http://127.0.0.1:${await freePort()}`
  const command = spawn(process.execPath, [join(root, 'scripts/dev.mjs')], {
    cwd: root,
    env: { ...process.env, GATE_CROSS_DATA: folder, PORT: new URL(url).port },
    stdio: ['ignore', 'pipe', 'pipe'],
  })
  const ended = new Promise((resolve) => command.on('exit', resolve))
  let said = ''
  try {
    const ready = new Promise((resolve) => {
      for (const stream of [command.stdout, command.stderr])
        stream.on('data', (d) => (said += String(d)).includes(`ready at ${url}`) && resolve(true))
    })
    if (!(await Promise.race([ready, ended.then(() => false)])))
      return expect('it is ready (stop another "npm run dev" in this checkout first)', false, said)
    await look(url)
    command.kill('SIGTERM')
    await ended
    const answers = await fetch(url).catch(() => null)
    expect('Ctrl-C ends the server with the command', answers === null)
  } finally {
    command.kill('SIGTERM')
    await ended
    rmSync(folder, { recursive: true, force: true })
  }
}

/** Opens the list and a job as a developer does. */
async function look(url: string): Promise<void> {
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] })
  const page = await browser.newPage()
  const errors: string[] = []
  page.on('console', (m) => m.type() === 'error' && errors.push(m.text()))
  page.on('pageerror', (e) => errors.push(e.message))
  const reload = page.waitForEvent('websocket', (s) => s.url().includes('hmr'))
  await page.goto(url)
  await page.getByRole('heading', { level: 2 }).first().waitFor()
  expect('the list has the demo jobs', (await page.getByRole('heading', { level: 2 }).count()) > 10)
  expect('the page listens for hot reload', !(await reload).isClosed())
  await page.goto(`${url}/job/quillfeather-lane/bench`)
  await page.locator('[data-testid=verdict][data-stale=false]').waitFor({ timeout: 120_000 })
  const proof = await page.request.get(`${url}/api/jobs/quillfeather-lane/proof`)
  expect('the server proves a job from the source', proof.ok(), proof.status())
  const workers = await page.evaluate(async () => (await navigator.serviceWorker.getRegistrations()).length)
  expect('no service worker is on the device', workers === 0, workers)
  expect('the browser reports no error', errors.length === 0, errors.join('\n'))
  await browser.close()
}

void main()
