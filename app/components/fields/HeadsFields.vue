<script setup lang="ts">
import { headKeys } from '#core/records'
import { headsWord } from '~/words/states'

/** Numbers by sex and size, as far as they can be told apart. */
defineProps<{ legend: string; issue?: string }>()
const heads = defineModel<Record<string, string>>({ required: true })
const set = (key: string, text: string) => {
  heads.value = { ...heads.value, [key]: text }
}
</script>

<template>
  <fieldset>
    <legend class="label">{{ legend }}</legend>
    <FieldGrid :columns="3">
      <TextInput
        v-for="key in headKeys"
        :key="key"
        :model-value="heads[key] ?? ''"
        :label="headsWord[key]"
        numeric
        placeholder="0"
        @update:model-value="set(key, $event)"
      />
    </FieldGrid>
    <FieldIssue :text="issue" />
  </fieldset>
</template>

<style scoped>
.label {
  font-size: var(--type-small);
  color: var(--muted);
  padding-bottom: var(--space-3);
}
</style>
