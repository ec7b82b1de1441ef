import { existsSync, linkSync, readFileSync, readlinkSync, renameSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { root } from './prepare.mjs'
import { Plain, say } from './say.mjs'

const delay = (ms) => new Promise((resolve) => setTimeout(resolve, ms))

/** ms: the first pause before something is started again, the longest, and after how long it counts as well. */
const PAUSE = { first: 500, most: 30_000, well: 60_000 }

/**
 * Keeps something running: gone without being asked to, it is started again, after a pause that grows while it keeps
 * failing. Ends when `stopping` says so.
 * @param start gives `{ gone }`, a promise of its end; it may fail, which counts as an end
 */
export async function keepUp(name, first, start, stopping) {
  let pause = PAUSE.first
  for (let running = first; ;) {
    const began = Date.now()
    await running?.gone
    if (stopping()) return
    if (Date.now() - began > PAUSE.well) pause = PAUSE.first
    say(`${name} ended by itself; it is started again in ${pause / 1000} s`)
    await delay(pause)
    pause = Math.min(2 * pause, PAUSE.most)
    if (stopping()) return
    try {
      running = await start()
      say(`${name} runs again`)
    } catch (e) {
      say(`${name}: ${e.message.split('\n')[0]}`)
      running = null
    }
  }
}

/** Waits for something at most so long; false when it took longer. */
export const within = (ms, promise) => Promise.race([promise.then(() => true), delay(ms).then(() => false)])

const line = (pid) => {
  try {
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8')
  } catch {
    return ''
  }
}
/** Whether a process runs. */
export const isAlive = (pid) => pid > 0 && line(pid) !== ''
const isHere = (pid) => {
  try {
    return readlinkSync(`/proc/${pid}/cwd`) === root
  } catch {
    return false
  }
}

const noteIn = (folder) => join(folder, 'running.json')

/** Notes what this command started, for the next one to find if this one is cut off. */
export const noteRunning = (folder, server) =>
  writeFileSync(noteIn(folder), JSON.stringify({ command: process.pid, server }))
export const forgetRunning = (folder) => rmSync(noteIn(folder), { force: true })

/**
 * Ends a server that a command which was cut off has left behind, by the pid that it noted; never one whose command still
 * runs, nor another program that has the number by now.
 */
export async function endOrphan(folder) {
  if (!existsSync(noteIn(folder))) return
  const { command, server } = JSON.parse(readFileSync(noteIn(folder), 'utf8'))
  if (line(command).includes('demo.mjs') && command !== process.pid) return
  if (/next|server\.mjs/.test(line(server)) && isHere(server)) {
    say('ending a server that an earlier command left behind')
    process.kill(server, 'SIGTERM')
    for (let i = 0; i < 30 && line(server); i++) await delay(100)
    if (line(server)) process.kill(server, 'SIGKILL')
  }
  forgetRunning(folder)
}

/** The command that has the folder, where it still runs; null: none, or one that was cut off. */
function holderOf(lock) {
  try {
    const held = JSON.parse(readFileSync(lock, 'utf8'))
    // Another program may have the number by now.
    return held.pid !== process.pid && line(held.pid).includes(held.script) ? held : null
  } catch {
    return null
  }
}

/** Takes the lock of a command that was cut off away; one that somebody has just taken meanwhile is put back. */
function clearStale(lock) {
  const aside = `${lock}-stale-${process.pid}`
  try {
    renameSync(lock, aside)
  } catch {
    return
  }
  if (holderOf(aside)) linkSync(aside, lock)
  rmSync(aside, { force: true })
}

/**
 * Takes the data folder for this command alone, so that no other starts or stops the database in it. Who has it is said.
 * @returns what gives it back
 */
export function holdFolder(folder) {
  const lock = join(folder, 'lock')
  const mine = `${lock}-${process.pid}`
  const script = process.argv[1]?.split('/').pop() ?? 'node'
  writeFileSync(mine, JSON.stringify({ pid: process.pid, script }))
  try {
    for (let tries = 0; tries < 2; tries++) {
      const holder = holderOf(lock)
      if (holder)
        throw new Plain(
          `process ${holder.pid} (${holder.script}) already uses the database in ${folder}. Stop it, or set GATE_CROSS_DATA to another folder.`,
        )
      if (tries) clearStale(lock)
      try {
        // A link is made whole or not at all, and never over another.
        linkSync(mine, lock)
        return () => rmSync(lock, { force: true })
      } catch (e) {
        if (e.code !== 'EEXIST') throw e
      }
    }
    throw new Plain(`${lock} cannot be taken: another command is just starting. Try again.`)
  } finally {
    rmSync(mine, { force: true })
  }
}
