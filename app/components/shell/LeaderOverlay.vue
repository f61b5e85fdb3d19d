<script setup lang="ts">
/** Shown while Space is held: the letter of every place. */
defineProps<{ open: boolean }>()
const places = usePlaces()
</script>

<template>
  <div v-if="open" class="leader" role="status">
    <p v-for="p in places" :key="p.id">
      <kbd>{{ p.letter.toUpperCase() }}</kbd> {{ p.title }}
    </p>
  </div>
</template>

<style scoped>
.leader {
  position: fixed;
  left: 50%;
  bottom: 32px;
  transform: translateX(-50%);
  display: flex;
  gap: var(--space-7);
  padding: var(--space-5) var(--space-7);
  border: 1px solid var(--ink);
  border-radius: 6px;
  background: var(--surface);
  z-index: 20;
}
kbd {
  font-size: var(--type-small);
  padding: var(--space-1) var(--space-4);
  margin: 0 var(--space-3) 0 0;
  opacity: 1;
}
</style>
