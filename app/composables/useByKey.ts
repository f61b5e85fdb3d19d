/**
 * A computed value for each key, made when it is first asked for: it is reckoned anew alone, when something that it
 * read has changed, and whoever reads it hears of it only when it is another one.
 * @param make gets the key and the value before
 * @example
 * const total = useByKey(id => sum(entriesOf(id)))
 * total('a')
 */
export function useByKey<T>(make: (key: string, before: T | undefined) => T): (key: string) => T {
  const held = new Map<string, ComputedRef<T>>()
  return key => {
    let one = held.get(key)
    if (!one) held.set(key, (one = computed(before => make(key, before))))
    return one.value
  }
}
