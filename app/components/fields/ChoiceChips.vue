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
      <label v-for="o in options" :key="o.value" :class="{ on: model === o.value }">
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
.chips label {
  position: relative;
  display: inline-flex;
  align-items: center;
  min-height: 44px;
  padding: var(--space-3) var(--space-5);
  border: 1px solid var(--rule);
  border-radius: 6px;
  background: var(--surface);
  cursor: pointer;
}
.chips label.on {
  border-color: var(--weed);
  background: var(--weed-tint);
  font-weight: 650;
}
.chips label:focus-within {
  outline: 3px solid var(--weed);
  outline-offset: 2px;
}
input {
  position: absolute;
  inset: 0;
  opacity: 0;
  margin: 0;
  cursor: pointer;
}
.hint {
  padding-top: var(--space-2);
}
</style>
