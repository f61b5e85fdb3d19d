<script setup lang="ts">
/** What is wrong with a field or a form, in one sentence beside it; read out as soon as it stands there. */
defineProps<{ text?: string | null }>()
</script>

<template>
  <p v-if="text" role="alert">{{ text }}</p>
</template>

<style scoped>
p {
  color: var(--rust);
  font-size: var(--type-small);
  overflow-wrap: anywhere;
}
</style>
