<script setup lang="ts">
/** A place that has nothing to show yet, or not what was asked for: says why, and leads on. */
defineProps<{ statement: string; to: string; leads: string }>()
</script>

<template>
  <section>
    <p class="statement">{{ statement }}</p>
    <p class="muted"><slot /></p>
    <v-btn color="primary" :to="to">{{ leads }}</v-btn>
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: var(--space-5);
  justify-items: start;
  padding: var(--space-8) var(--space-7);
}
@media (--phone) {
  section {
    padding: var(--space-7) var(--space-6);
  }
}
</style>
