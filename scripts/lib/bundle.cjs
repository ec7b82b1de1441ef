'use strict'
const {
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} = require('node:fs')
const { createRequire } = require('node:module')
const { dirname, join } = require('node:path')
const { Script } = require('node:vm')

const root = join(__dirname, '..', '..')
const bundle = join(root, '.data', 'cli', 'gatecross.cjs')
/**
 * V8's compiled code of one bundle, named by the bundle's time: V8 identifies a source by its length alone, and would
 * run the compiled code of an older bundle of the same length.
 */
const compiledOf = ({ mtimeMs, size }) => join(root, '.data', 'cli', `gatecross.${mtimeMs}.${size}.compiled`)

/** Sources of the command line. */
const SOURCES = ['src/core', 'src/jobfile', 'src/words', 'src/cli']
/** Files that the bundle also depends on. */
const MAKERS = [__filename, join(root, 'package-lock.json')]

/** Milliseconds: when the newest of a folder and what lies below it was last changed; tests are no part of the program. */
function newest(folder) {
  let most = statSync(folder).mtimeMs
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    if (entry.name.endsWith('.test.ts')) continue
    // Joined by hand: five hundred files are asked for at every start, and `join` takes as long as asking.
    const path = `${folder}/${entry.name}`
    most = Math.max(most, entry.isDirectory() ? newest(path) : statSync(path).mtimeMs)
  }
  return most
}

/** Two commands may start at once: each writes a file of its own, and the last to be done is the one that stays. */
function replaceFile(file, bytes) {
  const mine = `${file}.${process.pid}`
  writeFileSync(mine, bytes)
  renameSync(mine, file)
}

/** The command line as one file of plain JavaScript: starting from the TypeScript takes a second each time. */
function makeBundle() {
  const { outputFiles } = require('esbuild').buildSync({
    entryPoints: [join(root, 'src/cli/main.ts')],
    bundle: true,
    minify: true,
    platform: 'node',
    target: 'node20',
    format: 'cjs',
    mainFields: ['module', 'main'],
    tsconfig: join(root, 'tsconfig.json'),
    // As the function that it is run as; it knows its own path, and no address.
    banner: {
      js: '(function (exports, require, module, __filename, __dirname) { const __url = require("node:url").pathToFileURL(__filename).href;',
    },
    footer: { js: '})' },
    define: { 'import.meta.url': '__url' },
    write: false,
    logLevel: 'error',
  })
  mkdirSync(dirname(bundle), { recursive: true })
  for (const name of readdirSync(dirname(bundle)))
    if (name.endsWith('.compiled')) rmSync(join(dirname(bundle), name), { force: true })
  replaceFile(bundle, outputFiles[0].contents)
}

/**
 * Runs the command line: from the bundle, made anew when a source is newer, and from what was compiled of it when it last
 * ran (a sixth of a short command's time). A compilation of another Node is refused by V8 and made again.
 */
exports.runCli = () => {
  const made = existsSync(bundle) ? statSync(bundle).mtimeMs : 0
  const isOlder =
    MAKERS.some((file) => statSync(file).mtimeMs >= made) ||
    SOURCES.some((s) => newest(join(root, s)) >= made)
  if (isOlder) makeBundle()
  const compiled = compiledOf(statSync(bundle))
  const known = existsSync(compiled) ? readFileSync(compiled) : undefined
  const script = new Script(readFileSync(bundle, 'utf8'), { filename: bundle, cachedData: known })
  const module = { exports: {} }
  script.runInThisContext()(module.exports, createRequire(bundle), module, bundle, dirname(bundle))
  if (!known || script.cachedDataRejected)
    try {
      replaceFile(compiled, script.createCachedData())
    } catch {
      // A folder that cannot be written to costs time at the next start, and nothing else.
    }
  // All is said by now, and taking the heap apart takes longer than ending without it.
  process.exit()
}
