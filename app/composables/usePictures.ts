import type { StoredPhoto } from '~/data/database'

/** Addresses under which photos are shown, by photo id; given back when others are shown, or none. */
export function usePictures(photos: Ref<readonly StoredPhoto[]>) {
  const addresses = shallowRef(new Map<string, string>())
  const release = () => {
    for (const address of addresses.value.values()) URL.revokeObjectURL(address)
  }
  watch(
    photos,
    list => {
      release()
      addresses.value = new Map(list.map(p => [p.id, URL.createObjectURL(p.jpeg)]))
    },
    { immediate: true },
  )
  onScopeDispose(release)
  return addresses
}
