import { DAY_MS } from '#core/records'
import { dayText } from '~/words/when'

const BEHIND_DAYS = 28
const AHEAD_DAYS = 42
const TICK_DAYS = 14

/**
 * The days that the time lines of Broods share: four weeks back, six ahead.
 * @param axis the `TimeAxis` over the rows, which is as wide as they are
 */
export function useTimeStrip(nowMs: Ref<number>, axis: Ref<ComponentPublicInstance | null | undefined>) {
  const { width } = useElementSize(() => (axis.value?.$el as HTMLElement | undefined)?.querySelector('svg'))
  const wide = computed(() => Math.max(200, width.value))
  const fromMs = computed(() => nowMs.value - BEHIND_DAYS * DAY_MS)
  const span = (BEHIND_DAYS + AHEAD_DAYS) * DAY_MS
  /** Where a moment lies, in pixels; what is beyond the line lies at its end. */
  const px = (ms: number) => Math.min(wide.value, Math.max(0, (wide.value * (ms - fromMs.value)) / span))
  const isToday = (ms: number) => Math.abs(ms - nowMs.value) < DAY_MS / 2
  const ticks = computed(() =>
    Array.from({ length: (BEHIND_DAYS + AHEAD_DAYS) / TICK_DAYS + 1 }, (_, k) => {
      const ms = fromMs.value + k * TICK_DAYS * DAY_MS
      return { x: px(ms), text: isToday(ms) ? 'today' : dayText(ms, nowMs.value), today: isToday(ms) }
    }),
  )
  return { wide, px, ticks }
}
