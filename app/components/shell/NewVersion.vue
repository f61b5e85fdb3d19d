<script setup lang="ts">
/** Says that a newer version of the app has been fetched and waits; nothing changes until the keeper takes it. */
const { $pwa } = useNuxtApp()
const later = ref(false)
const waits = computed(() => $pwa?.needRefresh === true && !later.value)
</script>

<template>
  <v-snackbar :model-value="waits" :timeout="-1" location="top" class="version">
    A new version of Ulkin is here. What you typed is kept.
    <template #actions>
      <v-btn class="quiet" @click="$pwa?.updateServiceWorker(true)">Use it now</v-btn>
      <v-btn variant="text" @click="later = true">Later</v-btn>
    </template>
  </v-snackbar>
</template>

<style>
.version .v-snackbar__wrapper {
  border: 1px solid var(--weed);
  background: var(--surface);
  color: var(--ink);
}
</style>
