<script setup lang="ts">
import { HALF_TYPED } from '~/forms/halfTyped'

/** A labelled field: label above, unit behind, one sentence below when something is wrong with what was typed. */
const props = defineProps<{
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
const field = useTemplateRef('field')
const root = useTemplateRef('root')
/** The first field takes the focus when it comes into sight, unless somebody types in another one already. */
useIntersectionObserver(
  () => (props.autofocus ? root.value : null),
  ([seen]) => {
    if (seen?.isIntersecting && !(document.activeElement instanceof HTMLInputElement)) field.value?.focus()
  },
)
const halfTyped = computed(() => props.type?.startsWith('date') && model.value === HALF_TYPED)
/** A date of which only a part was typed stands empty in the browser's eyes, and would be taken for today. */
function looked(event: Event) {
  if (!props.type?.startsWith('date') || !(event.target instanceof HTMLInputElement)) return
  if (event.target.validity.badInput) model.value = HALF_TYPED
  else if (halfTyped.value) model.value = ''
}
</script>

<template>
  <div ref="root">
    <label :for="id" class="label">{{ label }}</label>
    <v-text-field
      :id="id"
      ref="field"
      :model-value="halfTyped ? '' : model"
      :type="type ?? 'text'"
      :inputmode="numeric ? 'decimal' : undefined"
      :suffix="suffix"
      :max="max"
      :placeholder="placeholder"
      autocomplete="off"
      :error-messages="error ? [error] : []"
      :hint="hint"
      :persistent-hint="!!hint"
      @update:model-value="model = $event"
      @keyup="looked"
      @focusout="looked"
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
