<script setup lang="ts">
/** What could hurt animals or people, or does not go together: beside the step that it is about. */
defineProps<{
  /** something is harmed, not only doubtful */
  harm?: boolean
}>()
</script>

<template>
  <p :class="{ harm }"><slot /></p>
</template>

<style scoped>
p {
  border-left: 3px solid var(--straw);
  padding-left: var(--space-4);
}
.harm {
  border-color: var(--rust);
}
</style>
