import { mkdirSync } from 'node:fs'
import { dirname, join, resolve } from 'node:path'
import { backUp, contentOf, contentWords, withDatabase } from './lib/backup.mjs'
import { data } from './lib/prepare.mjs'
import { main, Plain, say } from './lib/say.mjs'

/** npm run backup [-- FILE]: everything that the database has as one file, proven by restoring it beside. */
main(async () => {
  const stamp = new Date().toISOString().replace(/[:.]/g, '-').slice(0, 19)
  const file = resolve(process.argv[2] ?? join(data, 'backup', `gate-cross-${stamp}.dump`))
  mkdirSync(dirname(file), { recursive: true })
  await withDatabase(async (url) => {
    const before = await contentOf(url)
    const restored = await backUp(url, file)
    // What was saved while it ran may be in neither, in one or in both: then it is looked at again.
    if (restored !== before && restored !== (await contentOf(url)))
      throw new Plain(
        `the backup does not bring back what is there: ${file} is not to be relied on. Try again.`,
      )
    say(`${file}: ${contentWords(restored)}; restored into a database of its own and counted`)
  })
})
