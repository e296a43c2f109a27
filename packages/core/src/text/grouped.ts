/** Things by a key of each, in the order in which they come; no group is empty. */
export function grouped<T, K>(things: Iterable<T>, keyOf: (thing: T) => K): ReadonlyMap<K, readonly [T, ...T[]]> {
  const groups = new Map<K, [T, ...T[]]>();
  for (const thing of things) {
    const there = groups.get(keyOf(thing));
    if (there === undefined) groups.set(keyOf(thing), [thing]);
    else there.push(thing);
  }
  return groups;
}
