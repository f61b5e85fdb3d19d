<script setup lang="ts">
/** Fields under or beside one another. A form is one with `tag="form"`; its events and attributes go through. */
const { columns = 1, tag = 'div' } = defineProps<{
  columns?: 1 | 2 | 3
  tag?: 'div' | 'form'
  /** one column on a phone */
  stacks?: boolean
}>()
</script>

<template>
  <component :is="tag" class="grid" :class="[`of-${columns}`, { stacks }]"><slot /></component>
</template>

<style scoped>
.grid {
  display: grid;
  gap: var(--space-6);
  align-content: start;
}
.of-2,
.of-3 {
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: var(--space-5);
  align-items: start;
}
.of-3 {
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: var(--space-4);
}
@media (--phone) {
  .stacks {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
