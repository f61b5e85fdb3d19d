<script setup lang="ts">
import { type Edited, inUse, tables } from '#core/records'
import type { Endable } from '~/composables/useEndings'
import { endingWord } from '~/words/endings'
import { dayText } from '~/words/when'

/** What has ended or was put away: it can be brought back, and what nothing names can go for good. */
const room = useRoomStore()
const { bringBack, remove } = useEndings()
const endable: readonly Endable[] = [
  'rooms',
  'racks',
  'glasses',
  'colonies',
  'animals',
  'eggLots',
  'lines',
  'plans',
  'sources',
  'shelf',
]
const removable = ['racks', 'glasses', 'colonies', 'lines'] as const
const canGo = (table: Endable): table is (typeof removable)[number] => (removable as readonly string[]).includes(table)
/** Those that have a page of their own. */
const pageOf: Partial<Record<Endable, string>> = { colonies: 'colony', animals: 'animal' }
const now = Date.now()
const ended = computed(() =>
  endable
    .flatMap(table =>
      (room.all[table] as (Edited & { name: string })[])
        .filter(r => !inUse(r))
        .map(r => ({ table, record: r, ended: r.ended! })),
    )
    .sort((a, b) => (a.ended.at < b.ended.at ? 1 : -1)),
)
</script>

<template>
  <section v-if="ended.length > 0" aria-labelledby="ended-title">
    <h2 id="ended-title">Ended and put away</h2>
    <ul>
      <li v-for="e in ended" :key="e.record.id">
        <span>
          <NuxtLink v-if="pageOf[e.table]" :to="`/${pageOf[e.table]}/${e.record.id}`">{{ e.record.name }}</NuxtLink>
          <b v-else>{{ e.record.name }}</b>
          <span class="muted small about">
            {{ tables[e.table].words[0] }}, {{ endingWord[e.ended.why] }}
            {{ dayText(Date.parse(e.ended.at), now) }}</span
          >
        </span>
        <span class="ways">
          <button type="button" class="link" @click="bringBack(e.table, e.record.id)">Bring back</button>
          <button v-if="canGo(e.table)" type="button" class="link" @click="remove(e.table, e.record.id)">
            Delete, if nothing names it
          </button>
        </span>
      </li>
    </ul>
  </section>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: var(--space-2) var(--space-6);
  padding: var(--space-4) 0;
  border-bottom: 1px solid var(--rule);
}
.about {
  margin-left: var(--space-4);
}
.ways {
  display: flex;
  gap: var(--space-6);
}
</style>
