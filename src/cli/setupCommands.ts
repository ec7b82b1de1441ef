import { profilesOf } from '@/core/equipment'
import { placedByRef } from '@/core/installation'
import { unknownSettings } from '@/core/query'
import { clearingOf, keyInSheet } from '@/core/setup'
import { type JobAnalysis, jobFindingsOf, onDevice } from '@/jobfile'
import { conflictsSentence, findingWords, INTENT_WORDS, lineWords, refWords } from '@/words'
import { answer, refuse, type Result } from './answer'
import type { Args } from './args'

/** Contradictions between gear, wiring, settings and the owner, each with the smallest change that clears it. */
export function conflictsCommand(analysis: JobAnalysis): Result {
  const { seen } = analysis
  const conflicts = jobFindingsOf(analysis).map((f) => {
    const clearing = clearingOf(seen, f)
    return {
      rule: f.rule,
      code: f.code,
      severity: f.severity,
      at: [f.at, ...f.also],
      words: `${findingWords(seen.inst, f)}.`,
      clear: clearing ? { at: clearing.at, value: String(clearing.value) } : null,
    }
  })
  return answer(
    { conflicts },
    conflicts.length
      ? conflicts.flatMap((c) => [
          c.words,
          c.clear
            ? `    ${refWords(seen.inst, c.clear.at)} to ${c.clear.value} clears it`
            : '    no single setting clears it',
        ])
      : [conflictsSentence(0, unknownSettings(seen.inst).length)],
    conflicts.length > 0,
  )
}

/** The key-in sheet of one device: what must change on it, or with --all everything that it shows. */
export function sheetCommand({ job, inst }: JobAnalysis, args: Args): Result {
  const profiled = inst.placed.filter((p) => p.device.profile).map((p) => p.ref)
  const placed = placedByRef(inst, args.values.device ?? '')
  const ways = placed ? profilesOf(placed.device) : []
  const way = args.values.way === undefined ? 0 : Number(args.values.way) - 1
  if (placed && ways.length && !ways[way])
    return refuse('--way', `a whole number from 1 to ${ways.length}`, args.values.way)
  const sheet = placed && keyInSheet(placed, onDevice(job, placed), args.values.all ?? false, ways[way])
  if (!placed || !sheet) return refuse('--device', `one of ${profiled.join(', ')}`, args.values.device)
  const lines = sheet.lines.map((l) => {
    const setting = placed.device.settings.find((s) => s.id === l.item?.setting)
    const name = setting?.intent ? INTENT_WORDS[setting.intent].name : (setting?.label ?? '')
    const words = lineWords(l, name)
    const set = l.kind === 'set' ? l : null
    return {
      kind: l.kind,
      code: l.item?.code ?? '',
      address: l.item?.address ?? '',
      setting: l.item?.setting ?? '',
      from: set ? String(set.from ?? '') : '',
      to: set ? String(set.to) : '',
      toCode: set?.toCode ?? '',
      words: words.title,
      keys: words.keys,
    }
  })
  return answer(
    {
      device: placed.ref,
      fits: sheet.fits,
      changes: sheet.changes,
      lines,
      cannot: sheet.cannot.map((c) => c.setting),
    },
    [
      sheet.changes
        ? `${sheet.changes} to key in on the ${placed.label.toLowerCase()}`
        : 'Nothing to key in.',
      ...lines.map(
        (l) =>
          `  ${`${l.address} ${l.code}`.trim().padEnd(10)} ${l.words}${l.to ? ` → ${l.to}` : ''}   [${l.keys}]`,
      ),
    ],
    sheet.cannot.length > 0,
  )
}
