/** A map's value under a key, made when it is missing. */
export function entry<K, V>(map: Map<K, V>, key: K, make: () => V): V {
  let found = map.get(key)
  if (found === undefined) map.set(key, (found = make()))
  return found
}
