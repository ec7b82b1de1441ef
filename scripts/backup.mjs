import { mkdirSync } from 'node:fs'
import { dirname, join, resolve } from 'node:path'
import { backUp, contentWords, withDatabase } from './lib/backup.mjs'
import { data, ensureModules } from './lib/prepare.mjs'
import { main, say } from './lib/say.mjs'

/** npm run backup [-- FILE]: everything that the database has as one file, proven by restoring it beside. */
main(async () => {
  const stamp = new Date().toISOString().replace(/[:.]/g, '-').slice(0, 19)
  const file = resolve(process.argv[2] ?? join(data, 'backup', `gate-cross-${stamp}.dump`))
  mkdirSync(dirname(file), { recursive: true, mode: 0o700 })
  await ensureModules()
  await withDatabase(async (url) => {
    const content = await backUp(url, file)
    say(`${file}: ${contentWords(content)}; restored into a database of its own and counted`)
  })
})
