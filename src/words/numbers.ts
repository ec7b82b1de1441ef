/** A number as it is read from a meter: no needless digits. */
export function figure(n: number, digits = 1): string {
  if (!Number.isFinite(n)) return n > 0 ? 'OL' : '–'
  return n
    .toFixed(digits)
    .replace(/(\.\d*?)0+$/, '$1')
    .replace(/\.$/, '')
}
/** °F, whole where it is whole. */
export const degrees = (t: number): string => `${figure(t)} °F`
export const volts = (v: number): string => `${figure(v)} V`
/** 1960.4 as "1,960". */
export const whole = (n: number): string => count(Math.round(n))
/** 1960 as "1,960". */
export const count = (n: number): string => String(n).replace(/\B(?=(?:\d{3})+$)/g, ',')
