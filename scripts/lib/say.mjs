import { spawn, spawnSync } from 'node:child_process'

export const say = (text) => console.log(`gate cross: ${text}`)

/** A failure that a person can act on: printed as it is, without a stack. */
export class Plain extends Error {}

/** Runs a command to its end; its output goes to ours, or is kept and returned with `quiet`. */
export function run(command, args, { cwd, env, quiet = false, input } = {}) {
  return new Promise((resolve) => {
    const child = spawn(command, args, {
      cwd,
      env: { ...process.env, ...env },
      stdio: [
        input === undefined ? 'ignore' : 'pipe',
        quiet ? 'pipe' : 'inherit',
        quiet ? 'pipe' : 'inherit',
      ],
    })
    let out = ''
    child.stdout?.on('data', (d) => (out += d))
    child.stderr?.on('data', (d) => (out += d))
    if (input !== undefined) child.stdin.end(input)
    child.on('error', (e) => resolve({ code: 127, out: e.message }))
    child.on('close', (code) => resolve({ code: code ?? 1, out }))
  })
}

export const has = (command) => spawnSync('sh', ['-c', `command -v ${command}`]).status === 0

/** Runs a main function; a Plain failure is one sentence, anything else keeps its stack. */
export function main(f) {
  f().catch((e) => {
    console.error(e instanceof Plain ? `gate cross: ${e.message}` : e)
    process.exit(1)
  })
}
