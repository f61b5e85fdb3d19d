<script setup lang="ts">
import { mdiClockOutline, mdiSkullOutline, mdiTrendingDown } from '@mdi/js'
import { drawnStates } from '#core/care'
import { deathsSince } from '#core/population'
import { type Colony, DAY_MS, type Glass, worstState } from '#core/records'
import { glassNumber, plain } from '~/words/numbers'
import { say } from '~/words/say'
import { valueShort, volumeText } from '~/words/unitPrefs'

/** A glass on its shelf: name, estimate, marks, the water surface, and the hem of strips below. */
const props = defineProps<{ glass: Glass; colonies: Colony[]; focusable: boolean; moving: boolean }>()
defineEmits<{ focused: []; addColony: [] }>()
const statements = useStatementsStore()
const settings = useSettingsStore()
const sheets = useSheets()
const saying = useSaying()

const HEM = ['ghDh', 'khDh', 'conductivityUsCm', 'salinityGKg', 'humidityPct', 'temperatureC'] as const
const first = computed(() => props.colonies[0])
const told = computed(() => props.colonies.map(colony => ({ colony, s: statements.of(colony.id) })))
const main = computed(() => told.value[0]?.s ?? null)
const state = computed(() => worstState(told.value.flatMap(({ s }) => (s ? drawnStates(s) : []))))
const hem = computed(() =>
  HEM.flatMap(key => main.value?.water.values.find(v => v.key === key && v.latest) ?? []).slice(0, 4),
)
/** A number that is rough yet is drawn lightly. */
const firstLook = computed(() => main.value?.population.firstLook ?? false)
/** Signs beside the number, and what of them the sentences do not say. */
const marks = computed(() => {
  const s = main.value
  if (!s || firstLook.value) return []
  const deaths = deathsSince(s.population, s.asOf - 42 * DAY_MS)
  return [
    // its sentence says already that it shrinks
    ...(s.heading.conclusion.key === 'heading.shrinking' ? [{ icon: mdiTrendingDown, words: '', text: '' }] : []),
    ...(deaths > 0 ? [{ icon: mdiSkullOutline, words: `${deaths} died in six weeks`, text: String(deaths) }] : []),
    ...(s.number.state === 'unknown' ? [{ icon: mdiClockOutline, words: 'The count is old', text: '' }] : []),
  ]
})
/** Larger glasses are drawn larger, but a jar stays large enough for its name. */
const size = computed(() => ({
  flexGrow: Math.cbrt(props.glass.grossL),
  height: `${Math.round(92 + 38 * Math.min(1, Math.max(0, (Math.cbrt(props.glass.grossL) - 1.6) / 3.3)))}px`,
}))
const label = computed(() => {
  if (told.value.length === 0)
    return `${props.glass.name}, ${volumeText(props.glass.grossL, settings.units)}, no colony yet`
  const parts = told.value.map(({ colony, s }) =>
    s
      ? `${colony.name}: ${plain(say(s.number.conclusion, saying(colony)))}. ` +
        `${plain(say(s.heading.conclusion, saying(colony)))}`
      : colony.name,
  )
  const water = main.value?.water
  const worst = water?.conclusion ?? water?.worst?.conclusion
  const signs = [...(firstLook.value ? ['A first look'] : []), ...marks.value.flatMap(m => m.words || [])]
  return `${[...parts, ...signs].join('. ')}.${worst ? ` ${plain(say(worst, saying(first.value)))}.` : ''}`
})
const number = (s: NonNullable<typeof main.value>) =>
  glassNumber(s.population.now.value, s.population.now.low, s.population.now.high)
</script>

<template>
  <div class="holder" :class="{ moving }" :style="{ flexGrow: size.flexGrow }" :data-glass="glass.id">
    <div class="glass" :style="{ height: size.height }">
      <GlassSurface v-if="main" :population="main.population" :now-ms="main.asOf" :second="told[1]?.s?.population" />
      <component
        :is="first ? 'a' : 'button'"
        class="whole"
        :href="first && `/colony/${first.id}`"
        :type="first ? undefined : 'button'"
        :aria-label="label"
        :data-tip="label"
        :tabindex="focusable ? 0 : -1"
        draggable="false"
        @focus="$emit('focused')"
        @click.prevent="first ? navigateTo(`/colony/${first.id}`) : $emit('addColony')"
      />
      <div class="text" aria-hidden="true">
        <p class="name">{{ first?.name ?? glass.name }}</p>
        <p v-if="main" class="n" :class="{ 'first-look': firstLook }">
          <StateMark :state="state" :size="11" />{{ number(main)
          }}<span v-for="m in marks" :key="m.icon" class="sign"><v-icon :icon="m.icon" size="15" />{{ m.text }}</span>
        </p>
        <p v-else-if="first" class="muted small">…</p>
        <p v-else class="empty">Put a colony in</p>
      </div>
      <!-- at the bottom, out of the way of a thumb that aims at the glass -->
      <p v-if="told.length > 1" class="also">
        <NuxtLink v-for="{ colony, s } in told.slice(1)" :key="colony.id" :to="`/colony/${colony.id}`"
          >{{ colony.name }} {{ s ? number(s) : '' }}</NuxtLink
        >
      </p>
    </div>
    <div class="hem">
      <button v-if="!first" type="button" class="link small" @click="sheets.glass.value = { glassId: glass.id }">
        Change<span class="hidden-to-eyes"> {{ glass.name }}</span>
      </button>
      <span v-for="v in hem" :key="v.key" :data-tip="valueShort(v.key)"><TargetStrip :verdict="v" small /></span>
    </div>
  </div>
</template>

<style scoped>
.holder {
  flex: 1 1 0;
  min-width: 78px;
  max-width: 300px;
  container-type: inline-size;
}
.glass {
  position: relative;
  border: 2px solid var(--ink);
  border-top: 0;
  border-radius: 0 0 6px 6px;
  background: var(--surface);
}
.whole {
  position: absolute;
  inset: 0;
  border: 0;
  background: none;
  cursor: pointer;
  border-radius: 0 0 5px 5px;
  -webkit-user-drag: none;
}
.whole:focus-visible {
  outline-offset: 4px;
}
.moving .glass {
  outline: 3px dashed var(--roe);
  outline-offset: 4px;
}
.text {
  position: relative;
  padding: var(--space-1) var(--space-3) 0 var(--space-3);
  pointer-events: none;
}
.name {
  font-size: var(--type-fine);
  font-weight: 600;
  line-height: 1.3;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.n {
  overflow: hidden;
  display: flex;
  align-items: center;
  font: 650 var(--type-section)/1.2 var(--v-font-heading);
  white-space: nowrap;
}
/* a hundred and more in a small jar keep their last figure */
@container (max-width: 96px) {
  .n {
    font-size: var(--type-text);
    letter-spacing: -0.02em;
  }
}
.first-look {
  font-weight: 400;
  color: var(--muted);
}
.n :deep(.mark) {
  margin-right: var(--space-2);
}
.sign {
  display: inline-flex;
  align-items: center;
  margin-left: var(--space-3);
  font: 600 var(--type-fine) var(--v-font-body);
  color: var(--rust);
}
.empty {
  font-size: var(--type-fine);
  color: var(--weed);
}
.also {
  position: absolute;
  left: 8px;
  right: 8px;
  bottom: 2px;
  font-size: var(--type-fine);
  line-height: 1.4;
}
.also a {
  display: block;
  width: fit-content;
  max-width: 100%;
  padding: 0 var(--space-1);
  border-radius: 3px;
  background: var(--surface);
  color: var(--ink);
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.hem {
  display: flex;
  gap: var(--space-2);
  padding: var(--space-1) var(--space-1) var(--space-2);
  height: 15px;
}
.hem .link {
  font-size: var(--type-fine);
  line-height: 1;
}
.hem span {
  flex: 1;
}
</style>
