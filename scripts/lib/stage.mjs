import { rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { freePort, startCluster } from './postgres.mjs'
import { ensureBuild } from './prepare.mjs'
import { prepareDatabase, startServer } from './serve.mjs'

/**
 * The built app on loopback over a cluster of its own with the demo jobs in it, for as long as `act` takes.
 * @param act gets `{ url, databaseUrl }`, and a `browser` too with `browser: true`
 */
export async function withStage({ name, browser = false }, act) {
  await ensureBuild()
  const folder = join(tmpdir(), `gate-cross-${name}-${process.pid}`)
  const cluster = await startCluster(folder)
  let server = null
  let open = null
  try {
    await prepareDatabase(cluster.url)
    server = await startServer({ port: await freePort(), databaseUrl: cluster.url })
    if (browser) open = await launch()
    return await act({ url: server.url, databaseUrl: cluster.url, browser: open })
  } finally {
    await open?.close()
    await server?.stop()
    await cluster.stop()
    rmSync(folder, { recursive: true, force: true })
  }
}

async function launch() {
  const { chromium } = await import('@playwright/test')
  return chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--disable-background-networking', '--no-sandbox'],
  })
}
