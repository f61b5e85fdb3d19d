<script setup lang="ts">
import type { Scenario } from '#core/records'

/** Saved scenarios: shown beside things as they are, changed, or put away. */
defineProps<{ saved: readonly Scenario[] }>()
const shown = defineModel<string[]>({ required: true })
defineEmits<{ change: [scenario: Scenario]; putAway: [scenario: Scenario] }>()
</script>

<template>
  <section v-if="saved.length > 0" aria-labelledby="saved-scenarios">
    <h3 id="saved-scenarios">Saved</h3>
    <ul>
      <li v-for="s in saved" :key="s.id">
        <label
          ><input v-model="shown" type="checkbox" :value="s.id" /> <span>{{ s.name }}</span></label
        >
        <button type="button" class="link small" :aria-label="`Change ${s.name}`" @click="$emit('change', s)">
          Change
        </button>
        <button type="button" class="link small" :aria-label="`Put ${s.name} away`" @click="$emit('putAway', s)">
          Put away
        </button>
      </li>
    </ul>
  </section>
</template>

<style scoped>
li {
  display: flex;
  gap: var(--space-4);
  align-items: center;
  border-top: 1px solid var(--rule);
  min-height: 40px;
}
label {
  flex: 1;
  min-width: 0;
  display: flex;
  gap: var(--space-4);
  align-items: center;
  cursor: pointer;
}
input {
  width: 18px;
  height: 18px;
  accent-color: var(--weed);
  flex: none;
}
.link {
  min-height: 28px;
}
</style>
