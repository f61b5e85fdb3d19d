<script setup lang="ts">
import type { BatchDesk, BatchRow } from '~/composables/useBatchDesk'
import type { BroodDesk } from '~/composables/useBroodDesk'
import type { BroodOf } from '~/words/broods'
import { whyBatch } from '~/words/whyBatch'
import { whyBrood } from '~/words/whyBrood'
import type { Why } from '~/words/why'
import { resolveGroup } from '#core/groups'

/** What is told of the row that is picked, be it a brood or a hatch of its own. */
defineProps<{ desk: BroodDesk; batches: BatchDesk }>()
const emit = defineEmits<{ why: [why: Why] }>()
const settings = useSettingsStore()
const saying = useSaying()
const tell = (row: BroodOf, desk: BroodDesk) =>
  emit('why', whyBrood(row, desk.groupOf(row), settings.units, desk.nowMs.value))
const tellBatch = ({ colony, told }: BatchRow) =>
  emit('why', whyBatch('heading', told, resolveGroup(colony), saying(colony)))
</script>

<template>
  <BatchDetail
    v-if="batches.picked.value"
    :key="batches.picked.value.colony.id"
    :desk="batches"
    :row="batches.picked.value"
    @why="tellBatch(batches.picked.value)"
  />
  <BroodDetail
    v-else-if="desk.picked.value"
    :key="desk.keyOf(desk.picked.value)"
    :desk="desk"
    :row="desk.picked.value"
    @why="tell(desk.picked.value, desk)"
  />
</template>
