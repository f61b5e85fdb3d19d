<script setup lang="ts">
import { mdiArrowDown, mdiArrowUp } from '@mdi/js'
import { VueDraggable } from 'vue-draggable-plus'
import type { Glass } from '#core/records'

/** The order in which the round goes, and the days on which work that can wait is done. */
const open = defineModel<boolean>({ required: true })
useSheets().countOpen(open)
const care = useCareStore()
const list = ref<Glass[]>([])
watch(
  [open, () => care.walk],
  () => {
    list.value = [...care.walk]
  },
  { immediate: true },
)
const save = () => care.change({ walk: list.value.map(g => g.id) })
async function move(index: number, by: number) {
  const to = index + by
  if (to < 0 || to >= list.value.length) return
  const [glass] = list.value.splice(index, 1)
  list.value.splice(to, 0, glass!)
  await save()
  await nextTick()
  document.querySelector<HTMLElement>(`[data-walk="${glass!.id}"] button:${by < 0 ? 'first' : 'last'}-of-type`)?.focus()
}
async function reset() {
  await care.change({ walk: [] }, 'The round goes as the room stands.')
}
const weekdays = [
  { day: 1, name: 'Mon' },
  { day: 2, name: 'Tue' },
  { day: 3, name: 'Wed' },
  { day: 4, name: 'Thu' },
  { day: 5, name: 'Fri' },
  { day: 6, name: 'Sat' },
  { day: 0, name: 'Sun' },
]
const setDay = (day: number, on: boolean) =>
  care.change({ days: on ? [...care.settings.days, day] : care.settings.days.filter(d => d !== day) })
</script>

<template>
  <SideSheet v-model="open" title="Days and way of the round">
    <fieldset class="days">
      <legend class="small muted">Days for work that can wait (none: any day)</legend>
      <label v-for="w in weekdays" :key="w.day" :class="{ on: care.settings.days.includes(w.day) }"
        ><input
          type="checkbox"
          :checked="care.settings.days.includes(w.day)"
          @change="setDay(w.day, ($event.target as HTMLInputElement).checked)"
        />
        {{ w.name }}</label
      >
    </fieldset>
    <h3>The way you walk</h3>
    <p class="small muted">Drag, or use the arrows. New glasses come at the end.</p>
    <VueDraggable v-model="list" tag="ol" :animation="120" @end="save">
      <li v-for="(g, i) in list" :key="g.id" :data-walk="g.id">
        <span class="numeral n">{{ i + 1 }}</span><span class="name">{{ g.name }}</span>
        <button type="button" :aria-label="`${g.name} earlier`" :disabled="i === 0" @click="move(i, -1)">
          <v-icon :icon="mdiArrowUp" size="20" />
        </button>
        <button type="button" :aria-label="`${g.name} later`" :disabled="i === list.length - 1" @click="move(i, 1)">
          <v-icon :icon="mdiArrowDown" size="20" />
        </button>
      </li>
    </VueDraggable>
    <template #foot><v-btn class="quiet" @click="reset">As the room stands</v-btn></template>
  </SideSheet>
</template>

<style scoped>
.days {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-4);
  padding-bottom: var(--space-6);
}
.days label {
  display: inline-flex;
  gap: var(--space-3);
  align-items: center;
  min-height: 44px;
  padding: var(--space-3) var(--space-4);
  border: 1px solid var(--rule);
  border-radius: 6px;
  background: var(--surface);
  cursor: pointer;
}
.days label.on {
  border-color: var(--weed);
  background: var(--weed-tint);
  font-weight: 650;
}
.days input {
  accent-color: var(--weed);
  width: 18px;
  height: 18px;
}
ol {
  padding-top: var(--space-4);
}
li {
  display: grid;
  grid-template-columns: 28px minmax(0, 1fr) 44px 44px;
  align-items: center;
  border-top: 1px solid var(--rule);
  cursor: grab;
  background: var(--paper);
}
li button {
  width: 44px;
  height: 44px;
  border: 0;
  background: none;
  color: var(--weed);
  cursor: pointer;
}
li button:disabled {
  opacity: 0.3;
  cursor: default;
}
.n {
  color: var(--muted);
}
.name {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
</style>
