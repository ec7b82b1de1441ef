import { existsSync, writeSync } from 'node:fs'
import { basename } from 'node:path'
import { fileURLToPath } from 'node:url'
import { apply, batched, installationOf, JobAnalysis, sentence, type Problem } from '@/jobfile'
import { operationWords } from '@/words'
import { answer } from './answer'
import { readArgs, type Args } from './args'
import { COMMANDS, schemaCommand, type Answer } from './commands'
import { required } from '@/core/assert'
import { EDITS, newJob } from './composeCommands'
import { readJobFile, writeJobFile, type JobOnDisk } from './jobOnDisk'

const HELP = `gatecross: proof of a heat pump's wiring and readings, from a job file

  gatecross check FILE                      every rule over every reachable state
  gatecross sweep FILE                      how many states, and each rule's result
  gatecross state FILE --call C --outdoor T [--mode REF=STATE]
  gatecross chain FILE --target REF --call C --outdoor T
  gatecross meter FILE --from REF --to REF [--low] --call C --outdoor T
  gatecross judge FILE                      the readings in the file
  gatecross plan FILE                       the landing for this gear, and what differs from it
                [--emergency setting|jumper] [--defrost tempered|cold] [--fuel thermostat|kit|stage]
  gatecross conflicts FILE                  what contradicts between gear, wiring and settings
  gatecross sheet FILE --device REF [--all] what to key in on a device, line by line
                [--way N: which of its ways of keying]
  gatecross supplies FILE                   every circuit to lock out, place by place, and what stays live
  gatecross crossing FILE [--weather W] [--schools]
                                            who heats when in this house, and what it costs
  gatecross kit FILE [--volts V]            what the kit should read, its banks, the line circuits, the service
                [--airflow AMPS:RISE] [--clock FT3:SECONDS:BTU] [--nozzle GPH:PSI]
                [--which "label=10 breaker=60 found=60,30 ohms=11.5,OL across=element amps=39 volts=236 rows=2"]
  gatecross startup FILE --outdoor T        the test run's cards on such a day, in order
  gatecross wait FILE --call C [--past CALL=SECONDS …]
                                            what comes on when, and what it waits for
  gatecross run FILE --scene S [--outdoor T] [--to 24h] [--events "0:00 out 28; 1:00 set 72"]
                                            a scene played through: what comes and goes when, and why
  gatecross winter FILE [--setback]         180 days from November: kWh, backup and why, starts, defrosts
  gatecross failures FILE                   what each single failure would do
  gatecross schema [NAME]                   published schemas

  gatecross new FILE [--title T]            a job file with nothing in it yet
  gatecross place FILE REF=DEVICE …         devices of the library, or device files, bolted down
                [--where W] [--label L] [--box: new from its box]
  gatecross cable FILE FROM=TO … [--conductors N] [--feet N]
  gatecross land FILE A=B …                 a conductor from A to B each: of a cable, else a jumper
                [--colour C] [--gauge N] [--feet N] | --line (kits and circuits) | --plan
  gatecross lift FILE A=B …                 takes the conductor between A and B off
  gatecross set FILE REF.SETTING=VALUE …    settings as left; ? is not known. Also what is known of the house:
                house.designLoad=32000 house.altitudeFt=5280 house.cable=copper75 price.kwh=0.14 price.fuel=1.1
                climate=mixed|FILE plate.od.mca=18.4 plate.od.ratings=rated:47:36000::3.5 air.staticInWc=0.5 ask.frail=yes
  gatecross read FILE KIND VALUE --at REF [--place P] [--blower in|out] [--who W] [--when T]
                [--corrects ID] --call C --outdoor T [--mode REF=STATE]
  gatecross pack FILE                       carry the devices that the file only names

  --json    an answer for scripts (gatecross schema NAME describes it)
  --help    this
  exit code 0 well, 1 something found, 2 bad input, 3 the program itself failed`

/** The library lies beside the program: two folders up from the bundle, as from the source. */
const LIBRARY = fileURLToPath(new URL('../../library/', import.meta.url))

function main(argv: string[]): number {
  let args: Args
  try {
    args = readArgs(argv, LIBRARY, new Date().toISOString())
  } catch (e) {
    const option = /'(-[^' =]*)/.exec((e as Error).message)?.[1] ?? 'options'
    const expected = 'an option as gatecross --help writes it'
    return complain([{ path: option, expected }], argv.includes('--json'))
  }
  const { command, json } = args
  if (command === 'help') {
    put(HELP)
    return 0
  }
  if (command === 'schema') {
    const schema = schemaCommand(args.file)
    return schema.ok ? print(schema.value, json) : complain(schema.problems, json)
  }
  if (command === 'new') return create(args)
  const ask = Object.hasOwn(COMMANDS, command) ? COMMANDS[command] : undefined
  const isEdit = command === 'pack' || Object.hasOwn(EDITS, command)
  if (!ask && !isEdit) {
    const known = [...Object.keys(COMMANDS), 'new', ...Object.keys(EDITS), 'pack', 'schema']
    return complain([{ path: command, expected: `one of ${known.join(', ')}` }], json)
  }
  const extra = args.words[mostWords(command)]
  if (extra !== undefined) {
    const expected = 'nothing more here; what stands otherwise is --mode REF=STATE'
    return complain([{ path: extra, expected }], json)
  }
  if (!ask) return edit(args)
  const read = readJobFile(args.file ?? '', args.library)
  if (!read.ok) return complain(read.problems, json, args.file)
  const result = ask(new JobAnalysis(read.value.job), args)
  return result.ok ? print(result.value, json) : complain(result.problems, json)
}

/** How many words a command takes after its file. */
function mostWords(command: string): number {
  if (command === 'read') return 2
  return Object.hasOwn(EDITS, command) ? Infinity : 0
}

/** `new FILE`: never over a file that is there. */
function create(args: Args): number {
  const { file = '', values, json } = args
  const id = basename(file, '.json')
    .toLowerCase()
    .replace(/[^a-z0-9-]+/g, '-')
  if (!file || !id) return complain([{ path: 'FILE', expected: 'a name for the job file' }], json)
  if (existsSync(file)) return complain([{ path: file, expected: 'a name that no file has yet' }], json)
  return write(
    file,
    { job: newJob(id, values.title ?? id), carried: new Set() },
    ['a job with nothing in it yet'],
    args,
  )
}

/** An edit of the file: all of it or nothing. */
function edit(args: Args): number {
  const { command, file = '', json, library } = args
  const read = readJobFile(file, library)
  if (!read.ok) return complain(read.problems, json, file)
  const { job, carried } = read.value
  if (command === 'pack') {
    const all = new Set(Object.keys(job.devices))
    return write(file, { job, carried: all }, ['every device carried in the file'], args)
  }
  const ops = required(EDITS[command], 'the command')(job, args)
  if (!ops.ok) return complain(ops.problems, json, file)
  const batch = batched(ops.value)
  if (!batch) return said([], json)
  const next = apply(job, batch)
  if (!next.ok) return complain(next.problems, json, file)
  const inst = installationOf(next.value)
  const done = ops.value.map((op) => operationWords(inst, op))
  return write(file, { job: next.value, carried }, done, args)
}

/** Writes the file and says what was done; a place that cannot be written to is the caller's to know. */
function write(file: string, what: JobOnDisk, done: string[], { json, library }: Args): number {
  try {
    writeJobFile(file, what, library)
  } catch {
    return complain([{ path: file, expected: 'a file that can be written' }], json)
  }
  return said(done, json)
}

/** A line for each change that was made. */
function said(changed: string[], json: boolean): number {
  const result = answer({ ok: true, changed }, changed.length ? changed : ['Nothing to change.'])
  return result.ok ? print(result.value, json) : 2
}

function print(a: Answer, json: boolean): number {
  put(json ? JSON.stringify(a.json, null, 2) : a.lines.join('\n'))
  return a.code
}

/** Writes to standard output itself: making the console's stream takes as long as proving a small job. */
function put(text: string): void {
  const bytes = Buffer.from(`${text}\n`)
  let written = 0
  try {
    while (written < bytes.length) written += writeSync(1, bytes, written)
  } catch {
    // A pipe that takes no more at the moment, or that nobody reads: the stream knows what to do.
    process.stdout.write(bytes.subarray(written))
  }
}

function complain(problems: Problem[], json: boolean, file?: string): number {
  if (json) put(JSON.stringify({ ok: false, problems: problems.map((p) => ({ got: '', ...p })) }, null, 2))
  else for (const p of problems) console.error(`${file ? `${file}: ` : ''}${sentence(p)}`)
  return 2
}

try {
  process.exitCode = main(process.argv.slice(2))
} catch (e) {
  // A fault of the program itself is never taken for an answer: one sentence, and a code of its own.
  const why = e instanceof Error ? e.message.split('\n')[0] : String(e)
  console.error(`gatecross itself failed, and nothing was written: ${why}`)
  process.exitCode = 3
}
