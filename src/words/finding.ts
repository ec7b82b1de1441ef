import type { Finding, Proof, Undecided } from '@/core/laws'
import type { Installation } from '@/core/installation'
import { count } from './numbers'
import { refWords } from './names'
import { situationWords } from './situation'

/** What each law says, as a statement that holds. */
export const LAW_WORDS: Record<string, string> = {
  noShort: 'No short: every fuse and breaker carries less than its rating',
  noChatter: 'Relays and contactors come to rest',
  stripsNeedBlower: 'Strips never heat without the blower',
  emergencyHeat: 'Emergency heat brings on all backup at any outdoor temperature, and never the compressor',
  valveRight: 'The reversing valve is right in cooling, heating and defrost',
  rowsReachable: 'Every strip row can be reached by some call',
}

const BREACH_WORDS: Record<string, string> = {
  overcurrent: 'Short: more current than the fuse or breaker carries',
  chatter: 'A relay keeps pulling in and dropping out',
  stripsNoBlower: 'A strip heats with no blower',
  compressorInEmergency: 'Emergency heat starts the compressor',
  noBackup: 'Emergency heat brings on no backup',
  someBackupMissing: 'Emergency heat leaves part of the backup off',
  coolingHeats: 'A cooling call heats: the reversing valve stands wrong',
  heatingCools: 'A heating call blows cold: the reversing valve stands wrong',
  defrostHeats: 'Defrost does not shift the reversing valve',
  rowNever: 'This strip row never heats, on any call',
}
export const breachWords = (what: string): string => BREACH_WORDS[what] ?? what

/** The smallest situation that shows a finding. */
export const witnessSentence = (inst: Installation, f: Finding): string =>
  `Smallest case: ${situationWords(inst, f.witness)}`

/** The finding and its smallest witness in a sentence. */
export const findingSentence = (inst: Installation, f: Finding): string =>
  `${breachWords(f.what)}: ${situationWords(inst, f.witness)}`

export const undecidedSentence = (inst: Installation, u: Undecided): string =>
  `Cannot be settled until this is known: ${u.unknown.map((r) => refWords(inst, r)).join(', ')}`

/** The verdict over the whole job, in one sentence. */
export function proofSentence(proof: Proof): string {
  const [first] = proof.findings
  const n = `${count(proof.solved)} states`
  if (first) {
    const more = proof.findings.length - 1
    return `${breachWords(first.what)}.${more ? ` And ${more} more.` : ''}`
  }
  if (proof.undecided.length && proof.solved === 0) return 'Too much is not known yet to prove anything.'
  if (proof.undecided.length) {
    const held = proof.laws.length - proof.undecided.length
    return `${held} of ${proof.laws.length} laws hold in ${n}; the rest hang on what is not known yet.`
  }
  return `All ${proof.laws.length} laws hold in ${n}.`
}

/** Where N comes from. */
export function factorsSentence(p: Proof): string {
  const { calls, temperatures, mostModes, assumptions } = p.factors
  const unknown = assumptions > 1 ? ` × ${assumptions} ways for what is not known` : ''
  return `${calls} calls × ${temperatures} outdoor temperatures × up to ${mostModes} combinations of timers, defrost, limits and breakers${unknown}, counting those that can occur`
}
