/** Insulation colors as they are seen, for drawing. A color nobody has listed is drawn gray and named in words. */
const HUES: Record<string, string> = {
  red: '#d0312d',
  blue: '#2a62c4',
  yellow: '#ecc62c',
  green: '#2f8f45',
  orange: '#f08324',
  white: '#ffffff',
  brown: '#7d4b22',
  black: '#26241f',
  purple: '#8246a0',
  'light blue': '#7cbdea',
  'dark blue': '#1c3f86',
  pink: '#ef9ab5',
  grey: '#8d8d8d',
}
export const COLOUR_NAMES = Object.keys(HUES)
export const hue = (name: string): string => HUES[name] ?? '#9a948a'
