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
  gap: 16px;
  align-content: start;
}
.of-2,
.of-3 {
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 12px;
  align-items: start;
}
.of-3 {
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 10px;
}
@media (max-width: 700px) {
  .stacks {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
