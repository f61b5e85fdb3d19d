<script setup lang="ts">
import { glossary, type GlossaryId } from '~/words/glossary'

/** A dotted word: a touch explains it where it stands. */
const { of } = defineProps<{ of: GlossaryId }>()
const entry = computed(() => glossary[of])
</script>

<template>
  <v-menu :close-on-content-click="false" location="bottom start" max-width="320">
    <template #activator="{ props: opener }">
      <button v-bind="opener" type="button" class="dotted">
        <slot>{{ entry.word }}</slot>
      </button>
    </template>
    <p class="says" role="note">
      <b>{{ entry.word }}.</b> {{ entry.says }}
    </p>
  </v-menu>
</template>

<style scoped>
.dotted {
  padding: 0;
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  text-decoration: underline dotted;
  text-underline-offset: 3px;
  cursor: help;
}
.says {
  margin: 0;
  padding: var(--space-5);
  border: 1px solid var(--rule);
  border-radius: 6px;
  background: var(--surface);
  color: var(--ink);
  font-size: var(--type-small);
  line-height: 1.4;
}
</style>
