import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { Plain, run, say } from './say.mjs'

export const root = join(import.meta.dirname, '..', '..')
/** Folder of what a run keeps: the demo's database and compiled files. GATE_CROSS_DATA puts it elsewhere. */
export const data = process.env.GATE_CROSS_DATA || join(root, '.data')

/** A fingerprint of files and folders, for "has this changed since". */
export function fingerprint(paths) {
  const hash = createHash('sha256')
  const add = (path) => {
    if (!existsSync(path)) return
    if (statSync(path).isDirectory()) for (const f of readdirSync(path).sort()) add(join(path, f))
    else hash.update(path.slice(root.length)).update(readFileSync(path))
  }
  paths.forEach((p) => add(join(root, p)))
  return hash.digest('hex')
}

const stampIs = (file, value) => existsSync(file) && readFileSync(file, 'utf8') === value

/** Installs the packages of the lock file, when it has changed. */
export async function ensureModules() {
  const stamp = join(root, 'node_modules', '.gate-cross-lock')
  const now = fingerprint(['package.json', 'package-lock.json'])
  if (stampIs(stamp, now)) return
  say('installing packages from the lock file (about a minute)')
  // "npm ci" refuses locks that name only this platform's optional packages; "install" keeps to the lock as well.
  const result = await run('npm', ['install', '--ignore-scripts', '--no-audit', '--no-fund'], {
    cwd: root,
    quiet: true,
  })
  if (result.code !== 0) {
    const last = result.out.trim().split('\n').slice(-3).join(' ')
    throw new Plain(
      `the packages could not be installed (is there a network?): run "npm install" and read its answer. ${last}`,
    )
  }
  writeFileSync(stamp, fingerprint(['package.json', 'package-lock.json']))
}

/** Names the rules and words of this source: a verdict is kept with the name of those that it came from. */
export const engine = () => fingerprint(['src/core', 'src/words', 'src/jobfile']).slice(0, 16)

const SOURCES = [
  'src',
  'scripts/lib/prepare.mjs',
  'library',
  'public',
  'next.config.ts',
  'postcss.config.mjs',
  'tsconfig.json',
  'package.json',
  'package-lock.json',
]

/** Builds the app when its source has changed since the last build. */
export async function ensureBuild() {
  const stamp = join(root, '.next', 'gate-cross-build')
  const now = fingerprint(SOURCES)
  if (stampIs(stamp, now)) return
  say('building the app (under a minute)')
  rmSync(stamp, { force: true })
  const build = () =>
    run('npx', ['next', 'build'], {
      cwd: root,
      quiet: true,
      env: { NEXT_TELEMETRY_DISABLED: '1', GATE_CROSS_ENGINE: engine() },
    })
  let result = await build()
  if (result.code !== 0) {
    // A build that was cut short can leave a folder that no later build recovers from.
    rmSync(join(root, '.next'), { recursive: true, force: true })
    result = await build()
  }
  if (result.code !== 0) throw new Plain(`the app does not build:\n${result.out}`)
  compileEarly()
  await buildThreads()
  await buildServiceWorker()
  writeFileSync(stamp, now)
}

/** Tells a browser that every function of a file is wanted: it compiles them as the file comes in, off the page's thread. */
const EARLY = '//# allFunctionsCalledOnLoad\n'

/**
 * Marks the scripts of the pages so. Unmarked, their functions are compiled when they are called, one after the other before
 * anything can be touched: on a slow phone that keeps a finger waiting three times as long ("npm run bench -- first"). To a
 * browser that does not know the mark it is a comment.
 */
function compileEarly() {
  const chunks = join(root, '.next/static/chunks')
  for (const name of readdirSync(chunks).filter((n) => n.endsWith('.js'))) {
    const file = join(chunks, name)
    writeFileSync(file, EARLY + readFileSync(file, 'utf8'))
  }
}

/** The service worker with the list of what it keeps: every file of this build, and the pages that the app opens with. */
async function buildServiceWorker() {
  const { build } = await import('esbuild')
  const { injectManifest } = await import('@serwist/build')
  const next = join(root, '.next')
  const source = join(next, 'sw.source.js')
  await build({
    entryPoints: [join(root, 'src/sw/sw.ts')],
    outfile: source,
    bundle: true,
    minify: true,
    target: 'es2022',
    format: 'iife',
    define: { 'process.env.NODE_ENV': '"production"' },
    tsconfig: join(root, 'tsconfig.json'),
    logLevel: 'error',
  })
  const revision = readFileSync(join(next, 'BUILD_ID'), 'utf8').trim()
  await injectManifest({
    swSrc: source,
    swDest: join(next, 'sw.js'),
    globDirectory: join(next, 'static'),
    globPatterns: ['**/*.{js,css,woff2,ttf,wasm,json}'],
    modifyURLPrefix: { '': '/_next/static/' },
    // Their names have a fingerprint of what is in them.
    dontCacheBustURLsMatching: /./,
    maximumFileSizeToCacheInBytes: 8 * 1024 * 1024,
    additionalPrecacheEntries: ['/', '/new', '/library', '/card', '/job/-', '/icon.svg'].map((url) => ({
      url,
      revision,
    })),
  })
}

/** How the file is made that the server's threads run. It is no part of the pages' bundle. */
const threadsFile = (outfile) => ({
  entryPoints: [join(root, 'src/server/threads/tasks.worker.ts')],
  outfile,
  bundle: true,
  platform: 'node',
  target: 'node20',
  format: 'cjs',
  mainFields: ['module', 'main'],
  tsconfig: join(root, 'tsconfig.json'),
  logLevel: 'error',
})

/** Writes that file beside the built pages. */
export async function buildThreads() {
  const { build } = await import('esbuild')
  await build(threadsFile(join(root, '.next/server/tasks.worker.cjs')))
}

/**
 * Writes that file into a folder, and writes it again whenever its source changes.
 * @returns the path of a worker file whose threads load the newest one for each task
 */
export async function watchThreads(folder) {
  const { context } = await import('esbuild')
  const bundle = join(folder, 'tasks.bundle.cjs')
  const making = await context(threadsFile(bundle))
  await making.rebuild()
  await making.watch()
  const worker = join(folder, 'tasks.worker.cjs')
  writeFileSync(
    worker,
    `const { statSync } = require('node:fs')
const bundle = ${JSON.stringify(bundle)}
let loaded = 0
const newest = () => {
  const { mtimeMs } = statSync(bundle)
  if (mtimeMs !== loaded) delete require.cache[bundle]
  loaded = mtimeMs
  return require(bundle)
}
for (const name of Object.keys(newest())) exports[name] = (task) => newest()[name](task)
`,
  )
  return worker
}

export function ensureDataFolder() {
  mkdirSync(data, { recursive: true })
  return data
}
