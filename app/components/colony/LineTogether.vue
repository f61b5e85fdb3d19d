<script setup lang="ts">
import type { Colony } from '#core/records'
import { sumOfRanges } from '#core/stats'
import { glassNumber } from '~/words/numbers'

/** The line of a colony, and its colonies in their glasses seen as one: their numbers added with their doubt. */
const props = defineProps<{ colony: Colony }>()
const room = useRoomStore()
const statements = useStatementsStore()
const line = computed(() => room.all.lines.find(l => l.id === props.colony.lineId))
const own = computed(() =>
  room.colonies
    .filter(c => c.lineId !== undefined && c.lineId === props.colony.lineId)
    .map(c => ({ colony: c, now: statements.of(c.id)?.population.now })),
)
const total = computed(() => {
  const known = own.value.flatMap(o => o.now ?? [])
  return known.length === own.value.length ? sumOfRanges(known) : null
})
/** ", 2 glasses together: about 194" */
const together = computed(() =>
  total.value && own.value.length > 1 ? `, ${own.value.length} glasses together: about ${number(total.value)}` : '',
)
const number = (n: { value: number; low: number; high: number }) => glassNumber(n.value, n.low, n.high)
</script>

<template>
  <p v-if="line" class="small muted">
    <NuxtLink :to="`/lines/${line.id}`">Line {{ line.name }}</NuxtLink
    >{{ together }}
    <span v-for="o in own.length > 1 ? own : []" :key="o.colony.id" class="part">
      <NuxtLink v-if="o.colony.id !== colony.id" :to="`/colony/${o.colony.id}`">{{ o.colony.name }}</NuxtLink>
      <template v-else>{{ o.colony.name }}</template>
      {{ o.now ? number(o.now) : '…' }}
    </span>
  </p>
</template>

<style scoped>
.part {
  margin-left: var(--space-5);
}
</style>
