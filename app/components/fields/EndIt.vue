<script setup lang="ts">
import type { Edited, EndingReason } from '#core/records'
import type { Endable } from '~/composables/useEndings'

/** The way out of use for a glass, a rack or a room: how it ends, or why it cannot yet. */
const props = defineProps<{
  table: Extract<Endable, 'rooms' | 'racks' | 'glasses'>
  record: Edited & { name: string }
  reasons: readonly { value: EndingReason; title: string }[]
  /** what still stands in it, by name */
  holds: readonly string[]
}>()
const emit = defineEmits<{ done: [] }>()
const endings = useEndings()
const few = computed(() => props.holds.slice(0, 3).join(', ') + (props.holds.length > 3 ? ' …' : ''))

async function end(why: EndingReason) {
  if (await endings.end(props.table, props.record, why)) emit('done')
}
async function remove() {
  if (props.table !== 'rooms' && (await endings.remove(props.table, props.record.id))) emit('done')
}
</script>

<template>
  <details class="fold end">
    <summary>No longer in use</summary>
    <p v-if="holds.length > 0" class="small muted">
      {{ few }} {{ holds.length === 1 ? 'stands' : 'stand' }} in it: move or end
      {{ holds.length === 1 ? 'it' : 'them' }}
      first.
    </p>
    <template v-else>
      <p class="small muted">It leaves the Room and the round. Its log stays, and Records brings it back.</p>
      <span class="ways">
        <v-btn v-for="r in reasons" :key="r.value" class="quiet" @click="end(r.value)">{{ r.title }}</v-btn>
      </span>
      <p v-if="table !== 'rooms'" class="small">
        Made by mistake?
        <button type="button" class="link" @click="remove">Take it away for good</button>
      </p>
    </template>
  </details>
</template>

<style scoped>
.end {
  margin-top: var(--space-6);
  padding-top: var(--space-5);
  border-top: 1px solid var(--rule);
  display: grid;
  gap: var(--space-4);
}
.ways {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-4);
  padding: var(--space-4) 0;
}
</style>
