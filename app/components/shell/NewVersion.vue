<script setup lang="ts">
/** Says that a newer version of the app has been fetched and waits; nothing changes until the keeper takes it. */
const { $pwa } = useNuxtApp()
const later = ref(false)
const waits = computed(() => $pwa?.needRefresh === true && !later.value)
</script>

<template>
  <div v-if="waits" class="version" role="status">
    <span>A new version of Ulkin is here. What you typed is kept.</span>
    <button type="button" @click="$pwa?.updateServiceWorker(true)">Use it now</button>
    <button type="button" class="later" @click="later = true">Later</button>
  </div>
</template>

<style scoped>
.version {
  position: fixed;
  left: 50%;
  top: 8px;
  transform: translateX(-50%);
  z-index: 30;
  display: flex;
  gap: var(--space-5);
  align-items: center;
  padding: var(--space-4) var(--space-5);
  border: 1px solid var(--weed);
  border-radius: 6px;
  background: var(--surface);
  color: var(--ink);
  max-width: calc(100vw - 16px);
}
button {
  min-height: 44px;
  border: 1px solid var(--weed);
  border-radius: 6px;
  background: none;
  padding: var(--space-2) var(--space-5);
  color: var(--weed);
  font: inherit;
  font-weight: 650;
  cursor: pointer;
  white-space: nowrap;
}
.later {
  border-color: var(--rule);
  color: var(--muted);
  font-weight: 400;
}
</style>
