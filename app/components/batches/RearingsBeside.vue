<script setup lang="ts">
import type { Colony } from '#core/records'
import { comparedRearing } from '~/words/rearings'

/** Rearings of one kind beside each other: what differed, and how many came through. Ended ones too. */
const props = defineProps<{ colony: Colony; nowMs: number }>()
const room = useRoomStore()
const settings = useSettingsStore()
const MOST = 8
const others = computed(() =>
  room.all.colonies
    .filter(c => c.form === 'rearing' && c.groupId === props.colony.groupId)
    .toSorted((a, b) => (a.startedAt < b.startedAt ? 1 : -1))
    .slice(0, MOST),
)
const told = useEndedTold(() => others.value.map(c => c.id))
const rows = computed(() =>
  others.value.flatMap(c => {
    const of = told.of(c.id)
    return of?.batch ? [{ colony: c, cells: comparedRearing(of, settings.units, props.nowMs) }] : []
  }),
)
const heads = computed(() => rows.value[0]?.cells.map(c => c.name) ?? [])
</script>

<template>
  <section v-if="rows.length > 1" aria-labelledby="beside-title">
    <h2 id="beside-title">Beside your other rearings</h2>
    <div class="scroll" tabindex="0" aria-label="Rearings beside each other" role="region">
      <table>
        <thead>
          <tr>
            <th scope="col">Rearing</th>
            <th v-for="h in heads" :key="h" scope="col">{{ h }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="r in rows" :key="r.colony.id" :class="{ here: r.colony.id === colony.id }">
            <th scope="row">
              <NuxtLink :to="`/colony/${r.colony.id}`">{{ r.colony.name }}</NuxtLink>
            </th>
            <td v-for="c in r.cells" :key="c.name">{{ c.value }}</td>
          </tr>
        </tbody>
      </table>
    </div>
  </section>
</template>

<style scoped>
.scroll {
  overflow-x: auto;
}
table {
  width: 100%;
  border-collapse: collapse;
  font-size: var(--type-small);
}
th,
td {
  text-align: left;
  padding: var(--space-3) var(--space-4) var(--space-3) 0;
  border-bottom: 1px solid var(--rule);
  vertical-align: top;
}
thead th {
  color: var(--muted);
  font-weight: 400;
}
.here th {
  font-weight: 650;
}
</style>
