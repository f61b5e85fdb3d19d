<script setup lang="ts">
/** What went wrong, on every page: what was kept and what to do. It stays until it is read. */
const trouble = useTroubleStore()
const load = () => location.reload()
</script>

<template>
  <div v-if="trouble.sentences.length > 0" class="trouble" role="alert">
    <div>
      <p v-for="sentence in trouble.sentences" :key="sentence">{{ sentence }}</p>
    </div>
    <button v-if="trouble.reload" type="button" @click="load">Load again</button>
    <button v-if="trouble.last" type="button" class="read" @click="trouble.forget()">Understood</button>
  </div>
</template>

<style scoped>
.trouble {
  position: fixed;
  left: 50%;
  top: 8px;
  transform: translateX(-50%);
  z-index: 3001;
  display: flex;
  gap: var(--space-5);
  align-items: center;
  padding: var(--space-4) var(--space-5);
  border: 1px solid var(--rust);
  border-radius: 6px;
  background: var(--surface);
  color: var(--ink);
  width: max-content;
  max-width: min(720px, calc(100vw - 16px));
}
button {
  min-height: 44px;
  border: 1px solid var(--rust);
  border-radius: 6px;
  background: none;
  padding: var(--space-2) var(--space-5);
  color: var(--rust);
  font: inherit;
  font-weight: 650;
  cursor: pointer;
  white-space: nowrap;
}
.read {
  border-color: var(--rule);
  color: var(--ink);
}
</style>
