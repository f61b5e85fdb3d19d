<script setup lang="ts">
import type { Animal } from '#core/records'

/**
 * Which of the followed animals an entry is about; none when it is about the others, or about nobody known. Nothing is
 * asked where nobody is followed.
 */
defineProps<{ animals: readonly Animal[]; colonyId: string; legend?: string; issue?: string | undefined }>()
const ids = defineModel<string[]>({ required: true })
const { animal: sheet } = useSheets()
const flip = (id: string) => {
  ids.value = ids.value.includes(id) ? ids.value.filter(x => x !== id) : [...ids.value, id]
}
</script>

<template>
  <fieldset v-if="animals.length > 0" class="who">
    <legend class="small muted">{{ legend ?? 'Who of those that you follow' }}</legend>
    <label v-for="a in animals" :key="a.id" class="choice" :class="{ on: ids.includes(a.id) }">
      <input type="checkbox" :checked="ids.includes(a.id)" @change="flip(a.id)" />
      <span>{{ a.name }}</span>
    </label>
    <button type="button" class="link" @click="sheet = { animalId: null, colonyId }">Follow another</button>
    <FieldIssue :text="issue" />
  </fieldset>
</template>

<style scoped>
.who {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-4);
  align-items: center;
}
legend {
  padding-bottom: var(--space-2);
}
</style>
