import { glance } from './glance'
import { crossingSection, kitSection } from './heatParts'
import { line, lines, type Paper, type Section } from './paper'
import type { PaperInput } from './paperInput'
import { gearSection, landingSections, provenSection, putBackSection, settingsSection } from './parts'
import { readingsSection, runSection } from './readingParts'
import { signatureSection } from './signatureParts'
import { speak } from './speech'

/**
 * The report of a job: first a page that an owner or an inspector reads in a minute, then everything that it rests on.
 * @param lang the language that its own words are in; what a language lacks is in English
 */
export function reportOf(input: PaperInput, lang = 'en'): Paper {
  const speech = speak(lang)
  const { labels } = speech
  const { job } = input
  const sections: Section[] = [
    glance(input, speech),
    provenSection(input, speech),
    gearSection(input, speech),
    ...landingSections(input, speech),
    settingsSection(input, speech),
    runSection(input, speech),
    readingsSection(input, speech),
    ...kitSection(input, speech),
    ...crossingSection(input, speech),
    putBackSection(input, speech),
    { id: 'safety', title: labels.safety, blocks: [lines(labels.caution, line(labels.makersWin, 'soft'))] },
    signatureSection(input, speech),
  ]
  return {
    lang: speech.lang,
    title: job.title,
    under: [
      line([job.site.owner, job.site.address].filter(Boolean).join(', ')),
      line(
        [
          `${labels.technician} ${job.technician || labels.nobody}`,
          job.handover?.licence ? `${labels.licence.toLowerCase()} ${job.handover.licence}` : '',
          ...timesOf(input, speech),
        ]
          .filter(Boolean)
          .join(', '),
        'soft',
      ),
      ...(job.note ? [line(job.note)] : []),
    ],
    sections: sections.filter((s) => s.blocks.length > 0),
    foot: `${labels.report}: ${job.title}`,
  }
}

function timesOf({ job, stands }: PaperInput, { labels, moment }: ReturnType<typeof speak>): string[] {
  const { arrived, departed } = job.handover ?? {}
  const last = stands.reduce<string | null>((a, r) => (a && a > r.when ? a : r.when), null)
  return [
    arrived ? `${labels.arrived.toLowerCase()} ${moment(arrived)}` : '',
    departed ? `${labels.departed.toLowerCase()} ${moment(departed)}` : '',
    last ? `${labels.lastReading.toLowerCase()} ${moment(last)}` : labels.noReadingsYet.toLowerCase(),
  ]
}
