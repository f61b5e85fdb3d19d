<script setup lang="ts">
import { groupOf } from '#core/groups'
import { endedText } from '~/words/broods'
import { unseenBroods } from '~/words/broodKinds'

/** What has no row of its own on the time line: broods that ended of late, and kinds whose broods nobody sees. */
const room = useRoomStore()
const statements = useStatementsStore()
const followed = useAnimalsStore()
const nowMs = computed(() => statements.now.getTime())
const MOST = 8
const ended = computed(() =>
  statements.inRoom
    .flatMap(told => {
      const colony = room.colonyById.get(told.colonyId)
      return (told.broods?.ended ?? []).map(e => ({ ...e, id: told.colonyId, name: colony?.name ?? '' }))
    })
    .toSorted((a, b) => b.end!.toMs - a.end!.toMs)
    .slice(0, MOST),
)
const unseen = computed(() => {
  const byGroup = new Map<string, string[]>()
  for (const c of room.colonies)
    if (c.form === 'colony' && !groupOf(c.groupId).care.brood)
      byGroup.set(c.groupId, [...(byGroup.get(c.groupId) ?? []), c.name])
  return [...byGroup].map(([id, names]) => ({ id, names: names.join(', '), says: unseenBroods(groupOf(id)) }))
})
</script>

<template>
  <details v-if="ended.length > 0" class="fold">
    <summary>Ended of late</summary>
    <ul>
      <li v-for="e in ended" :key="`${e.id} ${e.key}`">
        <NuxtLink :to="`/colony/${e.id}`">{{ e.name }}</NuxtLink>
        {{ endedText(e, e.who && followed.nameOf(e.who), nowMs) }}
      </li>
    </ul>
  </details>
  <details v-if="unseen.length > 0" class="fold">
    <summary>Kinds that show no brood</summary>
    <ul>
      <li v-for="u in unseen" :key="u.id">
        <b>{{ u.names }}</b>: {{ u.says }}
      </li>
    </ul>
  </details>
</template>

<style scoped>
li {
  padding: var(--space-2) 0;
}
</style>
