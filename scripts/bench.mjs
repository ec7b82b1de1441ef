import { readFile } from 'node:fs/promises'
import { dirname, join } from 'node:path'
import { ensureDataFolder, ensureModules, root } from './lib/prepare.mjs'
import { main, run } from './lib/say.mjs'

/** npm run bench [-- circuit|sweep|failures|crossing|time|matrix|slips|browser|drag|first|load|pool|cold|agree|attack|storm]: measurements, as ratios against something else in the same run. */
main(async () => {
  await ensureModules()
  const asked = process.argv[2]
  if (asked === 'storm') {
    // A thousand edits of twenty devices; the suite has a short form.
    const args = [
      '--import',
      'tsx',
      join(root, 'tests/durability/storm.ts'),
      '1000',
      '20',
      process.argv[3] ?? '1',
    ]
    process.exitCode = (await run(process.execPath, args, { cwd: root })).code
    return
  }
  const files = {
    load: 'benchLoad.mjs',
    pool: 'benchPool.mjs',
    first: 'benchFirstLook.mjs',
    cold: 'benchCold.mjs',
  }
  if (Object.hasOwn(files, asked ?? '')) {
    const file = files[asked]
    process.exitCode = (await run(process.execPath, [join(root, 'scripts', file)], { cwd: root })).code
    return
  }
  if (!asked || asked === 'browser' || asked === 'drag') {
    const { code } = await run(process.execPath, [join(root, 'scripts/benchBrowser.mjs'), asked ?? ''], {
      cwd: root,
    })
    process.exitCode = code
    if (asked) return
  }
  if (asked === 'attack') {
    const { code } = await run(process.execPath, [join(root, 'scripts/benchAttack.mjs')], { cwd: root })
    if (code) process.exitCode = code
  }
  const args = [await bundled(), ...process.argv.slice(2)]
  process.exitCode ||= (await run(process.execPath, args, { cwd: root })).code
})

/** The benches as one plain file, as the product runs: what is translated while it is loaded runs slower by a half. */
async function bundled() {
  const { build } = await import('esbuild')
  const outfile = join(ensureDataFolder(), 'bench.cjs')
  const places = {
    name: 'places',
    // Each source looks for its files from where it stands.
    setup: (b) =>
      b.onLoad({ filter: /\/(scripts|tests)\/.*\.ts$/ }, async ({ path }) => ({
        contents: (await readFile(path, 'utf8')).replaceAll('__dirname', JSON.stringify(dirname(path))),
        loader: 'ts',
      })),
  }
  await build({
    entryPoints: [join(root, 'scripts/bench.ts')],
    bundle: true,
    platform: 'node',
    packages: 'external',
    tsconfig: join(root, 'tsconfig.json'),
    plugins: [places],
    outfile,
    logLevel: 'error',
  })
  return outfile
}
