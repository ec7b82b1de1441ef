import { spawnSync } from 'node:child_process'
import { readFileSync, readdirSync } from 'node:fs'
import { join } from 'node:path'
import { root } from './lib/prepare.mjs'

/**
 * `gatecross check` from a cold start against Node's own (`node -e 0`), by turns in one run: on the demo job with the most
 * states and on the largest file. Prints the medians of ten, in ms, and their ratio.
 */
const RUNS = 10
const folder = join(root, 'demo/jobs')
const program = join(root, 'bin/gatecross')

const node = (...args) => {
  const began = process.hrtime.bigint()
  const { stdout } = spawnSync(process.execPath, args, { encoding: 'utf8' })
  return { ms: Number(process.hrtime.bigint() - began) / 1e6, stdout }
}
const median = (list) => [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)]

// Asking for the states also makes the bundle and compiles it, if that has not been done.
const jobs = readdirSync(folder).map((name) => {
  const file = join(folder, name)
  const { states } = JSON.parse(node(program, 'check', file, '--json').stdout)
  return { name, file, states, bytes: readFileSync(file).length }
})
const most = (by) => jobs.reduce((a, b) => (by(b) > by(a) ? b : a))
for (const job of new Set([most((j) => j.states), most((j) => j.bytes)])) {
  const bare = []
  const cold = []
  for (let i = 0; i < RUNS; i++) {
    bare.push(node('-e', '0').ms)
    cold.push(node(program, 'check', job.file).ms)
  }
  const ratio = median(cold) / median(bare)
  console.log(
    `${job.name}: ${job.states} states, ${Math.round(job.bytes / 1000)} kB: ` +
      `${median(cold).toFixed(0)} ms, node -e 0 ${median(bare).toFixed(0)} ms: ${ratio.toFixed(2)} times`,
  )
}
