import { defineStore } from 'pinia'
import type { TestMethod } from '#core/records'
import { defaultUnits, type UnitPrefs } from '~/words/unitPrefs'

/** What this device remembers about its keeper's habits; not part of the records. */
export const useSettingsStore = defineStore('settings', () => {
  const theme = useLocalStorage<'day' | 'night'>('ulkin.theme', 'day')
  const units = useLocalStorage<UnitPrefs>('ulkin.units', { ...defaultUnits }, { mergeDefaults: true })
  const keeper = useLocalStorage('ulkin.keeper', '')
  /** how this keeper mostly tests; each value can differ */
  const testMethod = useLocalStorage<TestMethod>('ulkin.testMethod', 'liquidKit')
  const roomId = useLocalStorage<string | null>('ulkin.room', null, {
    serializer: { read: v => v || null, write: v => v ?? '' },
  })
  const lastColonyId = useLocalStorage('ulkin.lastColony', '')
  const lastGlassId = useLocalStorage('ulkin.lastGlass', '')
  /** whether this keeper was told that shed skins stay in */
  const skinsTold = useLocalStorage('ulkin.skinsTold', false)
  return { theme, units, keeper, testMethod, roomId, lastColonyId, lastGlassId, skinsTold }
})
