import { format, isValid, parseISO, type Locale } from 'date-fns'

/**
 * A date and time as a person reads it; what is no date stands as it was written, so that one bad value of an old file stops
 * no page.
 * @param at ISO 8601
 * @param pattern as date-fns has them
 */
export function dateWords(at: string, pattern: string, locale?: Locale): string {
  const date = parseISO(at)
  return isValid(date) ? format(date, pattern, locale ? { locale } : {}) : at
}
