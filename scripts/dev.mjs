import { mkdirSync } from 'node:fs'
import { join } from 'node:path'
import { ensurePackages } from './lib/machine.mjs'
import { portIsFree, startCluster } from './lib/postgres.mjs'
import { data, ensureModules, watchThreads } from './lib/prepare.mjs'
import { main, Plain, say } from './lib/say.mjs'
import { prepareDatabase, startServer } from './lib/serve.mjs'

const USE = 'npm run dev, with PORT from the environment'

/**
 * The app from its source, with hot reload, over a database of its own that has the demo jobs. "npm run demo" may run beside
 * it. The service worker stays off: it would serve scripts from before the last change.
 */
main(async () => {
  const [odd] = process.argv.slice(2)
  if (odd) throw new Plain(`"${odd}" is not known here, and nothing was started. It is: ${USE}`)
  const port = Number(process.env.PORT ?? 4820)
  if (!(port > 0 && port < 65536))
    throw new Plain(`PORT is "${process.env.PORT}": it must be a number from 1 to 65535.`)
  // Checked before the database is touched: another "npm run dev" that runs here holds its port.
  if (!(await portIsFree(port)))
    throw new Plain(
      `port ${port} is in use, perhaps by another "npm run dev". Stop that one, or run: PORT=${port + 1} npm run dev`,
    )
  await ensurePackages(['postgresql'])
  await ensureModules()
  // By port: a second one in this checkout, which the framework refuses, leaves the database of the first alone.
  const folder = join(data, `dev-${port}`)
  mkdirSync(folder, { recursive: true })
  const [threads, cluster] = await Promise.all([watchThreads(folder), startCluster(folder)])
  let server = null
  const stop = async () => {
    await server?.stop()
    await cluster.stop()
    process.exit()
  }
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.once(signal, stop)
  // The server starts and compiles its first page while the demo jobs are loaded: both take a few seconds.
  const [loaded, started] = await Promise.allSettled([
    prepareDatabase(cluster.url, { proven: false }),
    startServer({ port, databaseUrl: cluster.url, log: process.stdout, threads, dev: true }),
  ])
  server = started.value
  if (loaded.reason || started.reason) {
    console.error((loaded.reason ?? started.reason).message)
    process.exitCode = 1
    await stop()
  }
  say(`ready at ${server.url}   (hot reload; Ctrl-C stops it)`)
  // The page of a job takes longest to compile, so that begins now.
  void fetch(`${server.url}/job/-`).catch(() => undefined)
  await server.gone
  await stop()
})
