<script setup lang="ts">
import type { Animal } from '#core/records'

/** Which of the followed animals an entry is about; none when it is about the others, or about nobody known. */
defineProps<{ animals: readonly Animal[]; colonyId: string; issue?: string | undefined }>()
const ids = defineModel<string[]>({ required: true })
const { animal: sheet } = useSheets()
const flip = (id: string) => {
  ids.value = ids.value.includes(id) ? ids.value.filter(x => x !== id) : [...ids.value, id]
}
</script>

<template>
  <fieldset class="who">
    <legend class="small muted">Who of those that you follow</legend>
    <label v-for="a in animals" :key="a.id" :class="{ on: ids.includes(a.id) }">
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
label {
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
label.on {
  border-color: var(--weed);
  background: var(--weed-tint);
  font-weight: 650;
}
label:focus-within {
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
</style>
