/** The number that was typed, with a point or a comma; undefined where there is none. */
export function typedNumber(text: string | undefined): number | undefined {
  const t = (text ?? '').trim().replace(',', '.')
  const n = Number(t)
  return t !== '' && Number.isFinite(n) ? n : undefined
}
/** The same, above 0. */
export function typedAmount(text: string | undefined): number | undefined {
  const n = typedNumber(text)
  return n !== undefined && n > 0 ? n : undefined
}
