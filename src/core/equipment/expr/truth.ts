/** Three-valued truth; ordered so that "all" is the least and "any" is the greatest (Kleene). */
export type Truth = 'no' | 'unknown' | 'yes'

const RANK: Record<Truth, number> = { no: 0, unknown: 1, yes: 2 }

export const every = (list: readonly Truth[]): Truth =>
  list.reduce<Truth>((a, b) => (RANK[b] < RANK[a] ? b : a), 'yes')
export const some = (list: readonly Truth[]): Truth =>
  list.reduce<Truth>((a, b) => (RANK[b] > RANK[a] ? b : a), 'no')
export const opposite = (t: Truth): Truth => (t === 'yes' ? 'no' : t === 'no' ? 'yes' : 'unknown')
export const truth = (b: boolean): Truth => (b ? 'yes' : 'no')
