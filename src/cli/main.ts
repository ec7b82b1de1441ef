import { readFileSync } from 'node:fs'
import { parseJob, sentence, type Problem } from '@/jobfile'
import { readArgs, type Args } from './args'
import { COMMANDS, schemaCommand, type Answer } from './commands'

const HELP = `gatecross: proof of a heat pump's wiring and readings, from a job file

  gatecross check FILE                      every law over every reachable state
  gatecross sweep FILE                      how many states, and each law's result
  gatecross state FILE --call C --outdoor T [--mode REF=STATE]
  gatecross chain FILE --target REF --call C --outdoor T
  gatecross meter FILE --from REF --to REF [--low] --call C --outdoor T
  gatecross judge FILE                      the readings in the file
  gatecross plan FILE                       the landing for this gear, and what differs from it
                [--emergency setting|jumper] [--defrost tempered|cold] [--fuel thermostat|kit|stage]
  gatecross conflicts FILE                  what contradicts between gear, wiring and settings
  gatecross sheet FILE --device REF [--all] what to key in on a device, line by line
  gatecross failures FILE                   what each single failure would do
  gatecross schema [NAME]                   published schemas

  --json    an answer for scripts (gatecross schema NAME describes it)
  --help    this
  exit code 0 well, 1 something found, 2 bad input`

function main(argv: string[]): number {
  let args: Args
  try {
    args = readArgs(argv)
  } catch (e) {
    const option = /'(-[^' =]*)/.exec((e as Error).message)?.[1] ?? 'options'
    const expected = 'an option as gatecross --help writes it'
    return complain([{ path: option, expected }], argv.includes('--json'))
  }
  if (args.command === 'help') {
    console.log(HELP)
    return 0
  }
  if (args.command === 'schema') {
    const schema = schemaCommand(args.file)
    return schema.ok ? print(schema.value, args.json) : complain(schema.problems, args.json)
  }
  const command = COMMANDS[args.command]
  if (!command)
    return complain(
      [{ path: args.command, expected: `one of ${[...Object.keys(COMMANDS), 'schema'].join(', ')}` }],
      args.json,
    )
  let text: string
  try {
    text = readFileSync(args.file ?? '', 'utf8')
  } catch {
    return complain([{ path: args.file ?? 'FILE', expected: 'a job file that can be read' }], args.json)
  }
  const job = parseJob(text)
  if (!job.ok) return complain(job.problems, args.json, args.file)
  const result = command(job.value, args)
  return result.ok ? print(result.value, args.json) : complain(result.problems, args.json)
}

function print(a: Answer, json: boolean): number {
  console.log(json ? JSON.stringify(a.json, null, 2) : a.lines.join('\n'))
  return a.code
}

function complain(problems: Problem[], json: boolean, file?: string): number {
  if (json)
    console.log(JSON.stringify({ ok: false, problems: problems.map((p) => ({ got: '', ...p })) }, null, 2))
  else for (const p of problems) console.error(`${file ? `${file}: ` : ''}${sentence(p)}`)
  return 2
}

process.exitCode = main(process.argv.slice(2))
