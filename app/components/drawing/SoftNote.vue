<script setup lang="ts">
import { softText } from '~/words/molts'

/** Who is soft after a molt stays where it is: beside whatever would net, grade, move or dose them. */
const props = defineProps<{ colonyIds: readonly string[] }>()
const room = useRoomStore()
const followed = useAnimalsStore()
const statements = useStatementsStore()
const notes = computed(() =>
  props.colonyIds.flatMap(id => {
    const soft = statements.of(id)?.molts?.soft
    const colony = room.colonyById.get(id)
    return soft && colony ? [softText(soft, colony, statements.now.getTime(), followed.nameOf)] : []
  }),
)
</script>

<template>
  <CautionNote v-for="note in notes" :key="note" class="small">{{ note }}</CautionNote>
</template>
