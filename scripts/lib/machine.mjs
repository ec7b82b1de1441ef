import { existsSync, mkdirSync, readdirSync, writeFileSync } from 'node:fs'
import { has, Plain, run, say } from './say.mjs'

/** Folder of the newest PostgreSQL server's programs, or null. */
export function postgresBin() {
  const base = '/usr/lib/postgresql'
  if (!existsSync(base)) return null
  const versions = readdirSync(base).filter((v) => existsSync(`${base}/${v}/bin/initdb`))
  versions.sort((a, b) => Number(b) - Number(a))
  return versions.length ? `${base}/${versions[0]}/bin` : null
}

const NEEDS = {
  postgresql: () => postgresBin() !== null,
  chromium: () => existsSync('/usr/bin/chromium'),
  // Reads a report's pages back in the tests.
  'poppler-utils': () => existsSync('/usr/bin/pdftotext'),
}

/** Installs the Debian packages that are missing; says what to run where that cannot be done. */
export async function ensurePackages(names) {
  const missing = names.filter((n) => !NEEDS[n]())
  if (!missing.length) return
  const line = `apt-get install -y ${missing.join(' ')}`
  const root = process.getuid() === 0
  if (!has('apt-get'))
    throw new Plain(`${missing.join(' and ')} missing and this is not Debian: install it and run this again.`)
  const sudo = !root && has('sudo') && (await run('sudo', ['-n', 'true'], { quiet: true })).code === 0
  const asks = !root && !sudo && has('sudo') && process.stdin.isTTY
  if (!root && !sudo && !asks)
    throw new Plain(`${missing.join(' and ')} missing. Run this once as root: ${line}`)
  say(`installing ${missing.join(' and ')} from Debian's packages`)
  const as = root ? [] : ['sudo']
  const exec = (...cmd) =>
    run([...as, ...cmd][0], [...as, ...cmd].slice(1), {
      quiet: true,
      env: { DEBIAN_FRONTEND: 'noninteractive' },
    })
  if (missing.includes('postgresql')) await withoutMainCluster(root, exec)
  await exec('apt-get', 'update')
  const result = await exec('apt-get', 'install', '-y', '--no-install-recommends', ...missing)
  if (missing.some((n) => !NEEDS[n]())) {
    const last = result.out.trim().split('\n').slice(-3).join(' ')
    throw new Plain(
      `${missing.join(' and ')} could not be installed (is there a network?): run "${line}" yourself. ${last}`,
    )
  }
}

/** Debian's package would create and start a cluster of its own on port 5432; ours is private. */
async function withoutMainCluster(root, exec) {
  const dir = '/etc/postgresql-common/createcluster.d'
  const file = `${dir}/gate-cross.conf`
  const text = 'create_main_cluster = false\n'
  if (root) {
    mkdirSync(dir, { recursive: true })
    if (!existsSync(file)) writeFileSync(file, text)
  } else await exec('sh', '-c', `mkdir -p ${dir} && printf '${text.trim()}\\n' > ${file}`)
}
