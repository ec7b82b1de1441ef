import { join } from 'node:path'
import { ANSWERED_CASES } from '../../tests/cases/answered'
import { CASES } from '../../tests/cases/cases'
import { FURTHER_CASES } from '../../tests/cases/further'
import { CROSSED_CASES } from '../../tests/cases/crossed'
import { MORE_CASES } from '../../tests/cases/more'
import { PAIRED_CASES } from '../../tests/cases/paired'
import { Circuit, solve } from '@/core/circuit'
import { gateChain } from '@/core/explain'
import { prove, withSite } from '@/core/rules'
import { installationOf, JobAnalysis, jobSeen, sentence } from '@/jobfile'
import { chainSentence, gateWords } from '@/words'
import { compose } from '../../tests/helpers/compose'
import { readArgs, readSituation } from './args'
import { COMMANDS } from './commands'

const LIBRARY = join(__dirname, '../../library')

describe('jobs as people wire them', () => {
  it.each(
    [...CASES, ...MORE_CASES, ...FURTHER_CASES, ...CROSSED_CASES, ...PAIRED_CASES, ...ANSWERED_CASES].map(
      (c) => [c.name, c] as const,
    ),
  )('%s', (_, c) => {
    const job = compose([...c.gear, ...c.work])
    const inst = installationOf(job)
    const proof = withSite(prove(inst), jobSeen(job))
    const codes = (warn: boolean) =>
      [
        ...new Set(
          proof.findings
            .filter((f) => (f.severity === 'warn') === warn)
            // What brings a finding about is told with it.
            .flatMap((f) => [f.code, ...f.because.map((b) => b.code)]),
        ),
      ].sort()
    const situationOf = (text: string) => {
      const [call = '', outdoor = '', ...mode] = text.split(' ')
      const s = readSituation(inst, { call, outdoor, mode })
      if (!s.ok) throw new Error(`${text}: ${s.problems.map(sentence).join('; ')}`)
      const solved = solve(new Circuit(inst), s.value)
      if (!solved.ok) throw new Error(`${text}: ${solved.why}`)
      return solved
    }
    const printed = (command: string): string => {
      const [name = '', ...rest] = command.split(' ').map((word) => word.replaceAll('_', ' '))
      const args = readArgs([name, 'FILE', ...rest], LIBRARY, '2026-12-01T09:00:00Z')
      const said = COMMANDS[name]!(new JobAnalysis(job), args)
      if (!said.ok) throw new Error(`${command}: ${said.problems.map(sentence).join('; ')}`)
      return said.value.lines.join('\n')
    }
    const seen = {
      breaks: codes(false),
      warns: (c.warns ?? []).filter((w) => codes(true).includes(w)),
      isOpen: proof.undecided.length > 0,
      states: (c.states ?? []).map(([text, runs, not]) => {
        const on = situationOf(text).running.map((l) => l.ref)
        return [text, runs.filter((r) => on.includes(r)), not.filter((r) => !on.includes(r))]
      }),
      reasons: (c.reasons ?? []).map(([text, load, said]) => {
        const chain = gateChain(situationOf(text), load)
        const gate = chain.first === null ? null : chain.gates[chain.first]!
        const words = `${chainSentence(inst, chain)} ${gate ? gateWords(inst, gate).reason : ''}`
        return [text, load, said.test(words) ? said : words]
      }),
    }
    for (const [command, says, not] of c.outputs ?? []) {
      const text = printed(command)
      for (const s of says) expect(text).toMatch(s)
      for (const s of not ?? []) expect(text).not.toMatch(s)
    }
    expect(seen).toEqual({
      breaks: [...c.breaks].sort(),
      warns: c.warns ?? [],
      isOpen: c.isOpen ?? false,
      states: c.states ?? [],
      reasons: c.reasons ?? [],
    })
  })
})
