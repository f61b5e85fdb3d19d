<script setup lang="ts">
import { touchKey } from '~/composables/useRoundKeys'
import { Eaten } from '#core/records'
import type { RoundDesk } from '~/composables/useRoundDesk'
import { dueTitle } from '~/words/due'
import { eatenWord } from '~/words/kinds'

/** What is done with one touch: what became of the food, and what is due here. A touch again takes it off. */
const props = defineProps<{ desk: RoundDesk }>()
const settings = useSettingsStore()
const draft = computed(() => props.desk.draft.value)
const growths = [
  { value: 'biofilm', title: 'Biofilm' },
  { value: 'algae', title: 'Algae' },
] as const
const outcomes = Eaten.options.map(value => ({
  value,
  title: eatenWord[value].replace(/^./, c => c.toUpperCase()),
  key: { minutes: 'M', hour: 'H', leftOver: 'O' }[value],
}))
</script>

<template>
  <div class="touches">
    <fieldset v-if="desk.fed.value">
      <legend class="small muted">The last food</legend>
      <button
        v-for="o in outcomes"
        :key="o.value"
        type="button"
        class="chip"
        :class="{ on: draft.eaten === o.value }"
        :aria-pressed="draft.eaten === o.value"
        @click="desk.edit({ eaten: draft.eaten === o.value ? '' : o.value })"
      >
        {{ o.title }}<kbd>{{ o.key }}</kbd>
      </button>
    </fieldset>
    <fieldset v-if="desk.colonies.value.length === 0">
      <legend class="small muted">Seen growing</legend>
      <button
        v-for="g in growths"
        :key="g.value"
        type="button"
        class="chip"
        :class="{ on: draft.grown.includes(g.value) }"
        :aria-pressed="draft.grown.includes(g.value)"
        @click="
          desk.edit({
            grown: draft.grown.includes(g.value) ? draft.grown.filter(x => x !== g.value) : [...draft.grown, g.value],
          })
        "
      >
        {{ g.title }}
      </button>
    </fieldset>
    <fieldset v-if="desk.touches.value.length > 0">
      <legend class="small muted">Done here now</legend>
      <button
        v-for="d in desk.touches.value"
        :key="d.item.key"
        type="button"
        class="chip"
        :class="{ on: draft.done.includes(d.item.key), asked: d.state !== 'soon' }"
        :aria-pressed="draft.done.includes(d.item.key)"
        @click="desk.toggle(d)"
      >
        {{ dueTitle(d.item, settings.units) }}<span v-if="d.state === 'late'" class="late"> late</span
        ><kbd v-if="touchKey[d.item.kind]">{{ touchKey[d.item.kind]!.toUpperCase() }}</kbd>
      </button>
      <button
        v-if="desk.touches.value.filter(d => d.state !== 'soon').length > 1"
        type="button"
        class="chip all"
        @click="desk.allDone()"
      >
        All of it<kbd>A</kbd>
      </button>
    </fieldset>
  </div>
</template>

<style scoped>
.touches {
  display: grid;
  gap: var(--space-4);
}
fieldset {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-4);
}
legend {
  padding: 0 0 var(--space-1);
  font-size: var(--type-fine);
}
.chip {
  min-height: 46px;
  padding: var(--space-3) var(--space-5);
  border: 1.5px solid var(--rule);
  border-radius: 6px;
  background: var(--surface);
  color: var(--ink);
  font: inherit;
  font-size: var(--type-small);
  cursor: pointer;
  touch-action: manipulation;
  text-align: left;
}
.chip.asked {
  border-color: var(--straw);
}
.chip.on {
  border-color: var(--weed);
  background: var(--weed-tint);
  font-weight: 650;
}
/* the tick is for the eye: aria-pressed says it to the ear */
.chip.on::before {
  content: '✓ ' / '';
}
.chip.all {
  border-style: dashed;
  color: var(--weed);
  font-weight: 600;
}
.late {
  color: var(--rust);
  font-size: var(--type-fine);
}
@media (--phone) {
  kbd {
    display: none;
  }
}
</style>
