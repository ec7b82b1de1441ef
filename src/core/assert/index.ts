/** Look-ups that must succeed. A failure is a programming error and names the place. */

/**
 * An element of a list by its place.
 * @param i 0 to length − 1
 * @throws RangeError where there is no such element
 */
export function nth<T>(list: ArrayLike<T>, i: number): T {
  const found = list[i]
  if (found === undefined) throw new RangeError(`no element ${i} in a list of ${list.length}`)
  return found
}

/**
 * Reads a map's value under a key.
 * @throws RangeError where there is none
 */
export function mustGet<K, V>(map: { get(key: K): V | undefined }, key: K): V {
  const found = map.get(key)
  if (found === undefined) throw new RangeError(`nothing under ${String(key)}`)
  return found
}

/**
 * A value that others have looked at already.
 * @param what what is missing otherwise
 * @throws TypeError where there is none
 */
export function required<T>(value: T | null | undefined, what: string): T {
  if (value === null || value === undefined) throw new TypeError(`${what} is missing`)
  return value
}
