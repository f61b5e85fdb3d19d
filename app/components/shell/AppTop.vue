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
      <h1 :title="title">{{ title }}</h1>
      <p v-if="about" class="about small muted" :title="about">{{ about }}</p>
    </div>
    <button type="button" class="find" aria-label="Find a colony or an action" @click="sheets.finder.value = true">
      <v-icon :icon="mdiMagnify" size="18" /><span class="words">Find a colony or an action</span><kbd>/</kbd>
    </button>
    <slot />
  </header>
</template>

<style scoped>
.top {
  display: flex;
  align-items: center;
  gap: 12px;
  min-height: 57px;
  padding: 7px 24px;
  border-bottom: 1px solid var(--rule);
}
.where {
  display: flex;
  align-items: baseline;
  gap: 12px;
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
  gap: 8px;
  height: 40px;
  padding: 0 12px;
  border: 1px solid var(--rule);
  border-radius: 6px;
  background: var(--surface);
  color: var(--muted);
  font: inherit;
  font-size: 14px;
  cursor: pointer;
  white-space: nowrap;
}
@media (max-width: 1100px) {
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
@media (max-width: 700px) {
  .top {
    padding: 6px 16px;
    gap: 8px;
  }
  .where {
    flex-direction: column;
    gap: 0;
    align-items: stretch;
  }
  .about {
    font-size: 13px;
    flex: none;
  }
}
</style>
