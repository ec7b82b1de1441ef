import { rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { ensurePackages } from './lib/machine.mjs'
import { portIsFree, startCluster } from './lib/postgres.mjs'
import { data, ensureBuild, ensureDataFolder, ensureModules } from './lib/prepare.mjs'
import { endOrphan, forgetRunning, holdFolder, keepUp, noteRunning, within } from './lib/keep.mjs'
import { main, Plain, say } from './lib/say.mjs'
import { prepareDatabase, startServer } from './lib/serve.mjs'

const USE = 'npm run demo [-- --reset], with PORT and DATABASE_URL from the environment'

main(async () => {
  const asked = process.argv.slice(2)
  if (asked.includes('--help')) return say(`${USE}; --reset brings the demo jobs back as they were`)
  const odd = asked.find((a) => a !== '--reset')
  if (odd) throw new Plain(`"${odd}" is not known here, and nothing was started. It is: ${USE}`)
  const reset = asked.includes('--reset')
  const port = Number(process.env.PORT ?? 4810)
  if (!(port > 0 && port < 65536))
    throw new Plain(`PORT is "${process.env.PORT}": it must be a number from 1 to 65535.`)
  const external = process.env.DATABASE_URL || null
  const release = external ? () => undefined : holdFolder(ensureDataFolder())
  process.on('exit', release)
  // A server that an earlier command left behind may hold the port.
  await endOrphan(ensureDataFolder())
  if (!(await portIsFree(port)))
    throw new Plain(
      `port ${port} is in use, perhaps by another "npm run demo". Stop that one, or run: PORT=${port + 1} npm run demo`,
    )
  if (external && reset)
    throw new Plain(
      '--reset empties only the demo database of its own; DATABASE_URL is set, so nothing was touched.',
    )
  if (!external) await ensurePackages(['postgresql'])
  await ensureModules()
  await ensureBuild()
  const cluster = external ? null : await startCluster(ensureDataFolder())
  // It may have been installed a moment ago.
  const log = (await import('./lib/log.mjs')).openLog(data)
  let server = null
  // Within five seconds, politely as far as it goes.
  const stop = async () => {
    if (server && !(await within(2000, server.stop()))) await server.kill()
    if (cluster && !(await within(2000, cluster.stop()))) await cluster.halt()
    forgetRunning(data)
  }
  let stopping = false
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'])
    process.on(signal, async () => {
      if (stopping) return
      stopping = true
      say('stopping')
      await stop()
      process.exit(0)
    })
  try {
    const databaseUrl = external ?? cluster.url
    await prepareDatabase(databaseUrl, { reset })
    server = await startServer({ port, databaseUrl, log })
    noteRunning(data, server.pid)
  } catch (e) {
    await stop()
    throw e
  }
  writeFileSync(join(ensureDataFolder(), 'address'), `${server.url}\n`)
  say(`ready at ${server.url}   (Ctrl-C stops it; nothing entered is lost)`)
  const isStopping = () => stopping
  if (cluster)
    void keepUp(
      'the database',
      { gone: cluster.gone() },
      async () => {
        await cluster.again()
        return { gone: cluster.gone() }
      },
      isStopping,
    )
  await keepUp(
    'the server',
    server,
    async () => {
      server = await startServer({ port, databaseUrl: external ?? cluster.url, log })
      noteRunning(data, server.pid)
      return server
    },
    isStopping,
  )
  rmSync(join(data, 'address'), { force: true })
})
