<script setup lang="ts">
import { mdiMinus, mdiPlus } from '@mdi/js'
import { tallyOf } from '~/forms/readFields'

/** Several numbers that are counted up with a thumb: one more with each touch, or typed. */
const props = defineProps<{
  label: string
  options: readonly { value: string; title: string }[]
  issue?: string
}>()
/** "early=12 late=3" */
const model = defineModel<string>({ required: true })
const typed = computed(() => tallyOf(model.value))
function set(name: string, text: string) {
  const next = { ...typed.value, [name]: text.replace(/[\s=]/g, '') }
  model.value = props.options.flatMap(o => (next[o.value] ? `${o.value}=${next[o.value]}` : [])).join(' ')
}
const step = (name: string, by: number) =>
  set(name, String(Math.max(0, (Number.parseInt(typed.value[name] ?? '', 10) || 0) + by)))
</script>

<template>
  <fieldset class="tally">
    <legend class="small muted">{{ label }}</legend>
    <div v-for="o in options" :key="o.value" class="one">
      <label :for="`tally-${o.value}`" class="name">{{ o.title }}</label>
      <v-btn
        variant="outlined"
        :icon="mdiMinus"
        size="44"
        :aria-label="`One ${o.title} less`"
        @click="step(o.value, -1)"
      />
      <input
        :id="`tally-${o.value}`"
        :value="typed[o.value] ?? ''"
        class="num"
        inputmode="numeric"
        autocomplete="off"
        placeholder="0"
        @input="set(o.value, ($event.target as HTMLInputElement).value)"
      />
      <v-btn
        variant="outlined"
        :icon="mdiPlus"
        size="44"
        :aria-label="`One ${o.title} more`"
        @click="step(o.value, 1)"
      />
    </div>
    <FieldIssue :text="issue" />
  </fieldset>
</template>

<style scoped>
.tally {
  border: 0;
  padding: 0;
  margin: 0;
  display: grid;
  gap: var(--space-3);
}
legend {
  padding: 0 0 var(--space-3);
}
.one {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 44px 72px 44px;
  align-items: center;
  gap: var(--space-4);
}
.name::first-letter {
  text-transform: uppercase;
}
input {
  height: 44px;
  width: 100%;
  text-align: center;
  border: 1px solid var(--rule);
  border-radius: 4px;
  background: var(--surface);
  color: var(--ink);
  font-size: var(--type-text);
}
</style>
