<script setup lang="ts">
/** The glasses of the walk with where each stands; a touch goes there. */
const rounds = useRoundStore()
const care = useCareStore()
const dueCount = (id: string) =>
  (care.ofGlass.get(id) ?? []).filter(d => d.state === 'late' || d.state === 'due').length
const stateOf = (id: string) =>
  rounds.progress.looked.has(id) ? 'looked at' : rounds.progress.passed.has(id) ? 'passed over' : ''
</script>

<template>
  <nav class="list" aria-label="Glasses of the round">
    <ol>
      <li v-for="g in care.walk" :key="g.id">
        <button
          type="button"
          :class="{ here: g.id === rounds.round?.glassId, done: stateOf(g.id) !== '' }"
          :aria-current="g.id === rounds.round?.glassId ? 'step' : undefined"
          @click="rounds.goTo(g.id)"
        >
          <span class="name">{{ g.name }}</span>
          <span class="small muted">{{
            stateOf(g.id) || (dueCount(g.id) > 0 ? `${dueCount(g.id)} due` : 'nothing due')
          }}</span>
        </button>
      </li>
    </ol>
  </nav>
</template>

<style scoped>
.list {
  border-right: 1px solid var(--rule);
  overflow-y: auto;
}
button {
  display: grid;
  width: 100%;
  min-height: 44px;
  padding: var(--space-2) var(--space-5) var(--space-2) var(--space-6);
  border: 0;
  border-left: 3px solid transparent;
  background: none;
  color: var(--ink);
  font: inherit;
  text-align: left;
  cursor: pointer;
  line-height: 1.2;
}
button.here {
  border-color: var(--weed);
  background: var(--surface);
  font-weight: 650;
}
button.done .name {
  color: var(--muted);
}
.name {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.small {
  font-weight: 400;
  font-size: var(--type-fine);
}
</style>
