/** A text as a sentence: with the stop that it may have already. */
export const ended = (text: string): string => (/[.!?…]$/.test(text.trim()) ? text.trim() : `${text.trim()}.`)
