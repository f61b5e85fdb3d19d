<script setup lang="ts">
import type { BatchDesk, BatchRow } from '~/composables/useBatchDesk'
import { batchFacts, batchRowUnder, batchSteps } from '~/words/batch'
import { cautionText } from '~/words/cautions'

/** A rearing or a pool: what is known of it, what to do at each step, and why. */
const props = defineProps<{ desk: BatchDesk; row: BatchRow }>()
defineEmits<{ why: [] }>()
const nowMs = computed(() => props.desk.nowMs.value)
const larvae = computed(() => props.row.batch.kind === 'larvae')
</script>

<template>
  <RowDetail
    :title="row.colony.name"
    :below="batchRowUnder(row.batch)"
    :facts="batchFacts(row.batch, nowMs)"
    :steps="batchSteps(row.batch, nowMs)"
    :caution="cautionText(larvae ? 'larvaeNeedSea' : 'neverRelease')"
    @why="$emit('why')"
    @log="desk.log(row)"
  >
    <v-btn color="primary" :to="`/colony/${row.colony.id}`">{{ larvae ? 'Open the rearing' : 'Open the pool' }}</v-btn>
  </RowDetail>
</template>
