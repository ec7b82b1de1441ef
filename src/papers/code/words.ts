import words from './dictionary.json'

/**
 * Words that codes are full of, the likeliest last: a code says only which of them it means. A change here, even of order,
 * makes codes that were printed before unreadable: then the code's version goes up.
 */
export const DICTIONARY = new TextEncoder().encode(words.join(''))

/** Conductor colors by number; a color that is not here is written out. */
export const COLOURS = [
  'red', 'blue', 'yellow', 'green', 'orange', 'white', 'brown', 'black', 'purple', 'light blue', 'dark blue', 'pink', 'grey',
  'bare',
] as const // prettier-ignore
