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
  gap: 14px;
  justify-items: start;
  padding: 40px 24px;
}
@media (max-width: 700px) {
  section {
    padding: 32px 16px;
  }
}
</style>
