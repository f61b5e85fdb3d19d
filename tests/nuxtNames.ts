import { type Ref, ref } from 'vue'

/** What Nuxt gives to composables, as small as tests need it: one page, no router. */
const states = new Map<string, Ref>()

export function useState<T>(key: string, init: () => T): Ref<T> {
  if (!states.has(key)) states.set(key, ref(init()))
  return states.get(key) as Ref<T>
}
export const useRuntimeConfig = () => ({ app: { buildId: 'test' } })
/** Where the app was led to, newest last. */
export const ledTo: string[] = []
export const navigateTo = (to: string) => void ledTo.push(to)
