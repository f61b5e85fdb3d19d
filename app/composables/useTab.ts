/**
 * The part of a place that is open, kept in the address: it can be linked, and a reload comes back to it.
 * @param ids all parts; the first is open where the address names none, and is not named itself
 */
export function useTab<Id extends string>(ids: readonly Id[]) {
  const route = useRoute()
  return computed<Id>({
    get: () => ids.find(id => id === route.query.tab) ?? ids[0]!,
    set: id => {
      const { tab: _, ...query } = route.query
      void navigateTo(
        { path: route.path, query: id === ids[0] ? query : { ...query, tab: id }, hash: route.hash },
        { replace: true },
      )
    },
  })
}
