<script setup lang="ts">
import { mdiMagnify } from '@mdi/js'

/** The top line of a place: where you are, finding, and its main action. */
defineProps<{ title: string; about?: string }>()
const sheets = useSheets()
</script>

<template>
  <header class="top">
    <div class="where">
      <slot name="before" />
      <h1 data-tip>{{ title }}</h1>
      <p v-if="about" class="about small muted" data-tip>{{ about }}</p>
    </div>
    <button
      type="button"
      class="field find"
      aria-label="Find a colony or an action"
      @click="sheets.finder.value = true"
    >
      <v-icon :icon="mdiMagnify" size="18" /><span class="words">Find a colony or an action</span><kbd>/</kbd>
    </button>
    <slot />
  </header>
</template>

<style scoped>
.top {
  display: flex;
  align-items: center;
  gap: var(--space-5);
  min-height: 57px;
  padding: var(--space-3) var(--space-7);
  border-bottom: 1px solid var(--rule);
}
.where {
  display: flex;
  align-items: baseline;
  gap: var(--space-5);
  flex: 1;
  min-width: 0;
}
h1 {
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
  flex: 0 1 auto;
}
.about {
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
  flex: 1;
  min-width: 0;
}
.find {
  display: flex;
  align-items: center;
  gap: var(--space-4);
  min-height: 40px;
  padding: 0 var(--space-5);
  color: var(--muted);
  font-size: var(--type-small);
  cursor: pointer;
  white-space: nowrap;
}
@media (--small-desk) {
  .find .words,
  .find kbd {
    display: none;
  }
  .find {
    width: 44px;
    padding: 0;
    justify-content: center;
    height: 44px;
    flex: none;
  }
}
@media (--phone) {
  .top {
    padding: var(--space-3) var(--space-6);
    gap: var(--space-4);
  }
  .where {
    flex-direction: column;
    gap: 0;
    align-items: stretch;
  }
  .about {
    font-size: var(--type-fine);
    flex: none;
  }
}
</style>
