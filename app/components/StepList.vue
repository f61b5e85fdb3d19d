<script setup lang="ts">
/** What to do, in the order of its days. */
defineProps<{ steps: readonly { when: string; says: string }[] }>()
</script>

<template>
  <ul>
    <li v-for="s in steps" :key="s.says">
      <b>{{ s.when }}</b>
      <p>{{ s.says }}</p>
    </li>
  </ul>
</template>

<style scoped>
ul {
  width: 100%;
  border-top: 1px solid var(--rule);
}
li {
  padding: var(--space-4) 0;
  border-bottom: 1px solid var(--rule);
}
</style>
