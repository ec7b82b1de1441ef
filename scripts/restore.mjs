import { existsSync, mkdirSync, rmSync } from 'node:fs'
import { join, resolve } from 'node:path'
import {
  backUp,
  contentOf,
  contentWords,
  databaseIn,
  manifestOf,
  postgres,
  runningServer,
  withDatabase,
  withRestored,
} from './lib/backup.mjs'
import { data, ensureModules } from './lib/prepare.mjs'
import { main, Plain, say } from './lib/say.mjs'

/** npm run restore -- FILE: a backup in place of what the database has, which is backed up first. */
main(async () => {
  const asked = process.argv[2]
  if (!asked || !existsSync(asked))
    throw new Plain('npm run restore -- FILE: name a file that "npm run backup" wrote.')
  if (runningServer() !== null)
    throw new Plain('the app is running: stop "npm run demo" first, so that nobody saves meanwhile.')
  const file = resolve(asked)
  await ensureModules()
  await withDatabase(async (url) => {
    const stamp = new Date().toISOString().replace(/[:.]/g, '-').slice(0, 19)
    const kept = join(data, 'backup', `before-restore-${stamp}.dump`)
    mkdirSync(join(data, 'backup'), { recursive: true, mode: 0o700 })
    await withRestored(url, file, async (restored, wanted) => {
      await backUp(url, kept)
      // The rows that replace the present ones were written here, from a schema of this release.
      const clean = `${kept}.next`
      await backUp(restored, clean)
      const how = ['--no-owner', '--clean', '--if-exists', '--single-transaction']
      await postgres('pg_restore', url, '-d', databaseIn(url), ...how, clean)
      for (const used of [clean, manifestOf(clean)]) rmSync(used)
      if ((await contentOf(url)) !== wanted)
        throw new Plain(
          `what stands there now is not what the file has. What was there before is in ${kept}.`,
        )
      say(`restored: ${contentWords(wanted)}. What was there before is in ${kept}`)
    })
  })
})
