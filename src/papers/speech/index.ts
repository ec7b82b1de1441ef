import { en } from './en'
import { es } from './es'
import type { PartialSpeech, Speech } from './speech'

export type { BackupName, Labels, Speech } from './speech'

/** The languages that papers come in, the whole one first. */
export const LANGUAGES: readonly PartialSpeech[] = [en, es]

/** A language with its gaps filled in English. */
export function speak(lang: string): Speech {
  const own = LANGUAGES.find((l) => l.lang === lang) ?? en
  return {
    ...en,
    ...own,
    labels: { ...en.labels, ...own.labels },
    roles: { ...en.roles, ...own.roles },
    verdicts: { ...en.verdicts, ...own.verdicts },
    cards: { ...en.cards, ...own.cards },
    owner: { ...en.owner, ...own.owner },
  }
}
