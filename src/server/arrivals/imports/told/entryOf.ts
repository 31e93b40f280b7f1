/** What a map has under a key; made and kept where it has nothing. */
export function entryOf<K, V>(map: Map<K, V>, key: K, make: () => V): V {
  const before = map.get(key);
  if (before !== undefined) return before;
  const made = make();
  map.set(key, made);
  return made;
}

/** The list that a map has under a key, begun where it has none. */
export const listOf = <K, V>(map: Map<K, V[]>, key: K): V[] => entryOf(map, key, (): V[] => []);
