<script setup lang="ts">
/** What went wrong, on every page: what was kept and what to do. It stays until it is read. */
const trouble = useTroubleStore()
const load = () => location.reload()
</script>

<template>
  <v-alert v-if="trouble.sentences.length > 0" variant="outlined" color="error" class="trouble">
    <p v-for="sentence in trouble.sentences" :key="sentence">{{ sentence }}</p>
    <template #append>
      <v-btn v-if="trouble.reload" class="harm" height="44" @click="load">Load again</v-btn>
      <v-btn v-if="trouble.last" variant="text" height="44" @click="trouble.forget()">Understood</v-btn>
    </template>
  </v-alert>
</template>

<style scoped>
/* over the snackbars: it has to be read */
.trouble {
  position: fixed;
  left: 50%;
  top: 8px;
  transform: translateX(-50%);
  z-index: 3001;
  background: var(--surface);
  width: max-content;
  max-width: min(720px, calc(100vw - 16px));
}
.trouble p {
  color: var(--ink);
}
</style>
