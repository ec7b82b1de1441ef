import type { Intent } from '@/core/equipment'
import { breakEvenCop } from '@/core/house'
import type { Installation } from '@/core/installation'
import { expressedIn, INTENT_GROUPS, INTENTS_BY_GROUP } from '@/core/setup'
import { degrees, ownerSentence, settingText } from '@/words'
import { line, type Line, type Paper } from './paper'
import type { PaperInput } from './paperInput'
import { speak, type BackupName, type Speech } from './speech'

/** °F at which costs are set beside each other: a winter's day as most are. */
const COMPARED_F = 35

/** The settings in the owner's terms, and the cost of backup. */
export function ownersCardOf(input: PaperInput, lang = 'en'): Paper {
  const speech = speak(lang)
  const { job, inst } = input
  return {
    lang: speech.lang,
    layout: 'owner',
    title: speech.labels.ownersCard,
    under: [line([job.site.owner, job.title].filter(Boolean).join('. '))],
    sections: [
      {
        id: 'settings',
        title: '',
        blocks: [{ kind: 'lines', lines: settingLines(inst, speech) }],
      },
      {
        id: 'costs',
        title: speech.labels.costs,
        blocks: [{ kind: 'lines', lines: costLines(input, speech) }],
      },
    ],
    foot: `${speech.labels.ownersCard}: ${job.title}`,
  }
}

const settingLines = (inst: Installation, speech: Speech): Line[] =>
  INTENT_GROUPS.flatMap((g) =>
    INTENTS_BY_GROUP[g].flatMap((intent) => {
      const [e] = expressedIn(inst, intent)
      if (!e || e.value === null || !applies(inst, intent)) return []
      const own = speech.owner[intent]
      const text = own
        ? own(settingText(e.setting, e.value), e.value)
        : ownerSentence(intent, e.setting, e.value)
      return text ? [line(text)] : []
    }),
  )

/** A lockout's temperature says nothing while the lockout is off. */
function applies(inst: Installation, intent: Intent): boolean {
  const is = (i: 'useCompressorLockout' | 'useAuxLockout' | 'system', value: string) =>
    expressedIn(inst, i).every((e) => e.value === value)
  if (intent === 'compressorLockout') return is('useCompressorLockout', 'on')
  if (intent === 'auxLockout') return is('useAuxLockout', 'on')
  return intent !== 'changeover' || is('system', 'dualFuel')
}

/** Cost of the same heat from the backup, compared with the heat pump. */
function costLines(input: PaperInput, speech: Speech): Line[] {
  const { crossing } = input
  const source: BackupName = crossing?.fuel ? 'furnace' : 'strips'
  const times = timesOf(input)
  const even = crossing?.breakEven?.aboveF
  return [
    ...(times === null ? [] : [line(speech.auxCosts(times, degrees(COMPARED_F), source))]),
    ...(typeof even === 'number' ? [line(speech.cheaperAbove(degrees(Math.round(even))))] : []),
    line(speech.emergencyCosts(times, source)),
  ]
}

/**
 * How many times the heat pump's cost a BTU of backup costs at the temperature compared: of strips the COP itself; of a furnace
 * that COP over the one at which both cost the same. null: not known.
 */
export function timesOf({ crossing, seen }: PaperInput): number | null {
  const at = crossing?.curve.outdoorF.indexOf(COMPARED_F) ?? -1
  const cop = crossing?.curve.cop[at] ?? null
  if (!crossing || cop === null || cop <= 0) return null
  if (!crossing.fuel) return cop
  const { kwh, fuel } = seen.prices
  const { burner } = crossing
  return kwh === undefined || fuel === undefined || !burner ? null : cop / breakEvenCop(kwh, fuel, burner)
}
