import { existsSync, mkdirSync, readdirSync, renameSync, statSync } from 'node:fs'
import { dirname, join } from 'node:path'

const root = join(import.meta.dirname, '..', '..')

/** What the command line is made of. */
const SOURCES = ['src/core', 'src/jobfile', 'src/words', 'src/cli', 'package-lock.json']

/** Milliseconds: when the newest of the files below a path was last changed. */
function newest(path) {
  const at = statSync(path)
  if (!at.isDirectory()) return at.mtimeMs
  return readdirSync(path).reduce((most, name) => Math.max(most, newest(join(path, name))), at.mtimeMs)
}

/**
 * The command line as one file of plain JavaScript: made anew when a source is newer, else used as it is, since starting
 * from the TypeScript takes a second each time.
 * @returns its path
 */
export async function bundledCli() {
  const file = join(root, '.data', 'cli', 'gatecross.mjs')
  const made = existsSync(file) ? statSync(file).mtimeMs : 0
  if (SOURCES.every((s) => newest(join(root, s)) < made)) return file
  const { build } = await import('esbuild')
  mkdirSync(dirname(file), { recursive: true })
  // Two commands may start at once: each writes a file of its own, and the last to be done is the one that stays.
  const mine = `${file}.${process.pid}`
  await build({
    entryPoints: [join(root, 'src/cli/main.ts')],
    outfile: mine,
    bundle: true,
    minify: true,
    platform: 'node',
    target: 'node20',
    format: 'esm',
    mainFields: ['module', 'main'],
    tsconfig: join(root, 'tsconfig.json'),
    logLevel: 'error',
  })
  renameSync(mine, file)
  return file
}
