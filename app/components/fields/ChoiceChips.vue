<script setup lang="ts" generic="T extends string">
/**
 * One of a few choices, as chips. Radio buttons underneath: arrow keys, touch and screen readers work as everywhere.
 */
defineProps<{ label: string; options: readonly { value: T; title: string; hint?: string }[]; hideLabel?: boolean }>()
const model = defineModel<T | ''>({ required: true })
const name = useId()
</script>

<template>
  <fieldset>
    <legend :class="hideLabel ? 'hidden-to-eyes' : 'label'">{{ label }}</legend>
    <div class="chips">
      <label v-for="o in options" :key="o.value" class="choice" :class="{ on: model === o.value }">
        <input v-model="model" type="radio" :name="name" :value="o.value" />
        <span>{{ o.title }}</span>
      </label>
    </div>
    <p v-if="options.find(o => o.value === model)?.hint" class="small muted hint">
      {{ options.find(o => o.value === model)?.hint }}
    </p>
  </fieldset>
</template>

<style scoped>
.label {
  font-size: var(--type-small);
  color: var(--muted);
  padding: 0 0 var(--space-2);
}
.chips {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-4);
}
.hint {
  padding-top: var(--space-2);
}
</style>
