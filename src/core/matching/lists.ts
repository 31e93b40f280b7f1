/** The list kept under a key; an empty one is begun where there is none. */
export function listOf<K, V>(map: Map<K, V[]>, key: K): V[] {
  const known = map.get(key);
  if (known) return known;
  const made: V[] = [];
  map.set(key, made);
  return made;
}

/** Adds to the list kept under a key; what stands last there already is not added again. */
export function pushOnce<K, V>(map: Map<K, V[]>, key: K, value: V): void {
  const list = map.get(key);
  if (list === undefined) map.set(key, [value]);
  else if (list[list.length - 1] !== value) list.push(value);
}
