import { join } from 'node:path'
import { readArgs } from '@/cli/args'
import { EDITS, newJob } from '@/cli/composeCommands'
import { apply, batched, sentence, type Job } from '@/jobfile'

const library = join(__dirname, '../../library')

/** A job written line by line, as the command line does it. */
export function compose(lines: readonly string[]): Job {
  return lines.reduce(
    (job, line) => {
      const [command = '', ...rest] = line.split(' ')
      const args = readArgs([command, 'FILE', ...rest], library, '2026-11-26T09:00:00Z')
      const ops = EDITS[command]!(job, args)
      if (!ops.ok) throw new Error(`${line}: ${ops.problems.map(sentence).join('; ')}`)
      const batch = batched(ops.value)
      const next = batch ? apply(job, batch) : { ok: true as const, value: job }
      if (!next.ok) throw new Error(`${line}: ${next.problems.map(sentence).join('; ')}`)
      return next.value
    },
    newJob('case', 'Case'),
  )
}
