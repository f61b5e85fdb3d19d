<script setup lang="ts">
import type { GradeDraft } from '~/forms/gradeSession'
import { counted } from '~/words/numbers'
import { valueNumber, valueUnit } from '~/words/unitPrefs'

/** How the graded animals grew up: with age, food and warmth a line changes beside its genes. */
const props = defineProps<{ draft: GradeDraft; warmth: { meanC: number; readings: number } | null }>()
const emit = defineEmits<{ edit: [more: Partial<GradeDraft>] }>()
const settings = useSettingsStore()
const foods = [
  { value: 'sparse' as const, title: 'Sparse' },
  { value: 'usual' as const, title: 'As usual' },
  { value: 'rich' as const, title: 'Rich' },
]
const measured = computed(() => props.warmth && valueNumber('temperatureC', props.warmth.meanC, settings.units))
const hint = computed(() =>
  props.warmth ? `${measured.value} by ${counted(props.warmth.readings, 'reading', 'readings').toLowerCase()}` : '',
)
</script>

<template>
  <div class="grew">
    <TextInput
      :model-value="draft.ageWeeks"
      label="About how old"
      suffix="weeks"
      numeric
      @update:model-value="emit('edit', { ageWeeks: $event })"
    />
    <details class="fold">
      <summary>Size, food and warmth</summary>
      <div class="grew more">
        <TextInput
          :model-value="draft.sizeMm"
          label="About how long, where nobody knows their age"
          suffix="mm"
          numeric
          @update:model-value="emit('edit', { sizeMm: $event })"
        />
        <ChoiceChips
          :model-value="draft.food"
          label="Their food while they grew"
          :options="foods"
          @update:model-value="emit('edit', { food: $event })"
        />
        <TextInput
          :model-value="draft.temperature"
          label="Their water while they grew"
          :suffix="valueUnit('temperatureC', settings.units)"
          :placeholder="measured ?? ''"
          :hint="hint"
          numeric
          @update:model-value="emit('edit', { temperature: $event })"
        />
        <p class="small muted">
          What food and warmth made of them is not taken for breeding. Leave open what nobody knows; where the ladder is
          about size, leave the length out.
        </p>
      </div>
    </details>
  </div>
</template>

<style scoped>
.grew {
  display: grid;
  gap: var(--space-5);
}
.more {
  padding-top: var(--space-4);
}
</style>
