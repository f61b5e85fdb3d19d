import { numberToAskFor } from '#core/outlook'
import { wholeNumber } from '~/forms/wholeNumber'

/** What is asked of the futures: when there are so many, of whom, the chance by a week, and how far to look. */
export function useOutlookAsk(numberNow: () => number | undefined) {
  const number = ref('50')
  const of = ref<'total' | 'halfGrown'>('total')
  const byWeek = ref('12')
  const weeks = ref<'26' | '52' | '104'>('52')
  watch(
    numberNow,
    now => {
      if (now) number.value = String(numberToAskFor(now))
    },
    { immediate: true },
  )
  const wanted = computed(() => wholeNumber(number.value, 1))
  const due = computed(() => wholeNumber(byWeek.value, 1))
  const ask = computed(() => ({
    weeks: Number(weeks.value),
    number: wanted.value.ok ? wanted.value.value : 50,
    of: of.value,
    byWeek: due.value.ok ? Math.min(Number(weeks.value), due.value.value) : 12,
  }))
  return { number, of, byWeek, weeks, wanted, due, ask }
}
