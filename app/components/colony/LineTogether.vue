<script setup lang="ts">
import type { Colony } from '#core/records'
import { sumOfRanges } from '#core/stats'
import { glassNumber } from '~/words/numbers'

/** The colonies of one line in their glasses, seen as one: their numbers added with their doubt. */
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
</script>

<template>
  <p v-if="line && own.length > 1" class="small muted">
    <b>Line {{ line.name }}</b
    ><template v-if="total">
      , {{ own.length }} glasses together: about
      <span class="num">{{ glassNumber(total.value, total.low, total.high) }}</span></template
    >:
    <template v-for="(o, i) in own" :key="o.colony.id"
      ><template v-if="i">, </template
      ><NuxtLink v-if="o.colony.id !== colony.id" :to="`/colony/${o.colony.id}`">{{ o.colony.name }}</NuxtLink
      ><template v-else>{{ o.colony.name }}</template
      ><template v-if="o.now"> {{ glassNumber(o.now.value, o.now.low, o.now.high) }}</template></template
    >.
  </p>
</template>
