<script setup lang="ts">
/** A labelled field: label above, unit behind, one sentence below when something is wrong with what was typed. */
defineProps<{
  label: string
  suffix?: string
  error?: string
  hint?: string
  numeric?: boolean
  type?: string
  max?: string
  placeholder?: string
  autofocus?: boolean
}>()
const model = defineModel<string>({ required: true })
const id = useId()
</script>

<template>
  <div>
    <label :for="id" class="label">{{ label }}</label>
    <v-text-field
      :id="id"
      v-model="model"
      :type="type ?? 'text'"
      :inputmode="numeric ? 'decimal' : undefined"
      :suffix="suffix"
      :max="max"
      :placeholder="placeholder"
      :autofocus="autofocus"
      autocomplete="off"
      :error-messages="error ? [error] : []"
      :hint="hint"
      :persistent-hint="!!hint"
    />
  </div>
</template>

<style scoped>
.label {
  display: block;
  font-size: var(--type-small);
  color: var(--muted);
  padding-bottom: var(--space-2);
}
</style>
