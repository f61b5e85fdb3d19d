<script setup lang="ts">
/** One line of what needs the keeper: where to go, what it is, and below it why. */
defineProps<{ to: string }>()
</script>

<template>
  <li>
    <NuxtLink :to="to"><slot /></NuxtLink>
    <span class="why small muted"><slot name="why" /></span>
  </li>
</template>

<style scoped>
li {
  border-top: 1px solid var(--rule);
  padding: var(--space-4) 0;
  font-size: var(--type-small);
  line-height: 1.3;
}
a {
  color: var(--ink);
  text-decoration: none;
}
a:hover {
  text-decoration: underline;
}
.why {
  display: block;
}
.why :deep(.numeral) {
  font-weight: 550;
}
</style>
