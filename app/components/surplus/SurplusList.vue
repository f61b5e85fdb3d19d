<script setup lang="ts">
import type { Colony } from '#core/records'
import type { PopulationAnswer } from '#core/population'
import { glassNumber, whole } from '~/words/numbers'

/** All colonies with what can go today, what is reserved, and what is left of it. */
interface CanGo {
  colony: Colony
  population: PopulationAnswer
  canGo: number
  reserved: number
}
defineProps<{ colonies: readonly CanGo[] }>()
const picked = defineModel<string>({ required: true })

const columns = [
  { key: 'name', title: 'Colony' },
  { key: 'there', title: 'There', as: 'figure' },
  { key: 'canGo', title: 'Can go', as: 'figure' },
  { key: 'reserved', title: 'Reserved' },
  { key: 'free', title: 'Free', as: 'figure' },
] as const
function freeText({ canGo, reserved }: CanGo) {
  if (canGo === 0 && reserved === 0) return ''
  return canGo >= reserved ? whole(canGo - reserved) : `${whole(reserved - canGo)} short`
}
</script>

<template>
  <DataTable label="Colonies and what can go" :columns="columns" :rows="colonies" :marked="c => picked === c.colony.id">
    <template #name="{ row }">
      <button type="button" class="pick" :aria-pressed="picked === row.colony.id" @click="picked = row.colony.id">
        {{ row.colony.name }}
      </button>
    </template>
    <template #there="{ row: { population: p } }">{{ glassNumber(p.now.value, p.now.low, p.now.high) }}</template>
    <template #canGo="{ row }">{{ row.canGo === 0 ? 'none' : whole(row.canGo) }}</template>
    <template #reserved="{ row }">{{ row.reserved || '' }}</template>
    <template #free="{ row }">{{ freeText(row) }}</template>
  </DataTable>
</template>

<style scoped>
.pick {
  border: 0;
  border-left: 3px solid transparent;
  background: none;
  font: inherit;
  font-weight: 600;
  color: var(--ink);
  min-height: 44px;
  /* the row is as tall as the button, not taller */
  margin-block: -6px;
  padding: 0 var(--space-4);
  cursor: pointer;
  text-align: left;
}
[aria-pressed='true'] {
  border-color: var(--weed);
}
</style>
