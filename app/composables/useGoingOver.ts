import { type GoingOverText, readGoingOver } from '~/forms/saltWater'

/** Who goes over, with the steps that keepers take; the keeper may type others. */
export const waysOver = {
  snailsIn: {
    title: 'Snails to half strength',
    usual: { from: '0', to: '17.5', hours: '36', steps: '6', strength: '35' },
    note: 'One to two days (common practice).',
  },
  larvaeIn: {
    title: 'Larvae to the sea',
    usual: { from: '0', to: '30', hours: '6', steps: '4', strength: '35' },
    note:
      'Larvae die within hours in fresh water: begin on the day they hatch (common practice; the steps are ' +
      'from memory).',
  },
  youngBack: {
    title: 'Young back to fresh water',
    usual: { from: '30', to: '0', hours: '48', steps: '8', strength: '0' },
    note:
      'After the last molt, within days; pick them one by one as they mature (common practice; the steps are ' +
      'from memory).',
  },
} as const satisfies Record<string, { title: string; usual: GoingOverText; note: string }>
export type WayOver = keyof typeof waysOver

/** Going over from one salinity to another in steps of exchanged water. */
export function useGoingOver() {
  const settings = useSettingsStore()
  const way = ref<WayOver>('snailsIn')
  const text = ref<GoingOverText>({ ...waysOver.snailsIn.usual })
  const litres = ref('')
  const { read, fill } = useLitres(litres, 0.05, 500)
  watch(
    () => settings.units.volume,
    () => fill(2),
    { immediate: true },
  )
  watch(way, picked => {
    text.value = { ...waysOver[picked].usual }
  })
  const schedule = computed(() => readGoingOver(text.value, read.value))
  return reactive({ way, text, litres, schedule })
}
