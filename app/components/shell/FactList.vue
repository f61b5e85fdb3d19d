<script setup lang="ts">
/** What is known of something, line by line: name, value, and a quieter line below. */
defineProps<{
  facts: readonly { name: string; value: string; below?: string }[]
  /** values begin beside their names, and do not end at the edge */
  beside?: boolean
}>()
</script>

<template>
  <dl :class="{ beside }">
    <div v-for="f in facts" :key="f.name">
      <dt>{{ f.name }}</dt>
      <dd :class="{ numeral: !beside }">
        {{ f.value }}<span v-if="f.below" class="below">{{ f.below }}</span>
      </dd>
    </div>
  </dl>
</template>

<style scoped>
dl {
  width: 100%;
  border-top: 1px solid var(--rule);
}
div {
  display: flex;
  justify-content: space-between;
  gap: var(--space-5);
  padding: var(--space-3) 0;
  border-bottom: 1px solid var(--rule);
}
dt {
  color: var(--muted);
}
dd {
  margin: 0;
  text-align: right;
}
.beside {
  border-top: 0;
}
.beside div {
  display: grid;
  grid-template-columns: 110px minmax(0, 1fr);
}
.beside dd {
  text-align: left;
}
</style>
