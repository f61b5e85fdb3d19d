<script setup lang="ts">
import { compatibility, groupOf, resolveGroup } from '#core/groups'
import { meetingOf } from '#core/care'
import type { Colony } from '#core/records'
import { companyText } from '~/words/company'

/**
 * What stands between animals that are to go into a glass and those that live there: crossing lines, water, who eats
 * whom.
 */
const props = defineProps<{
  groupId: string
  schools: Record<string, string>
  glassId: string
  /** the colony itself, when it moves */ colonyId?: string
}>()
const room = useRoomStore()
const neighbours = computed<Colony[]>(() =>
  (room.coloniesByGlass.get(props.glassId) ?? []).filter(c => c.id !== props.colonyId),
)
const own = computed(() => room.colonyById.get(props.colonyId ?? ''))
/** Whether two lines would mix: one line in two colonies does not, nor do lines that the keeper says never cross. */
const mixed = (c: Colony) => {
  const meeting = meetingOf(own.value ?? { groupId: props.groupId }, c, room.lines)
  return meeting === 'crosses' || meeting === 'never'
}
const { besideIn } = useMeeting()
const beside = computed(() => (own.value ? besideIn(own.value, props.glassId) : []))
const warnings = computed(() =>
  neighbours.value.flatMap(c =>
    compatibility(
      resolveGroup({ groupId: props.groupId, schools: props.schools, targets: {}, life: {} }),
      resolveGroup(c),
    )
      .issues.filter(i => i.state !== 'unknown' && !(i.key === 'company.cross' && !mixed(c)))
      .map(i => ({ id: `${c.id} ${i.key} ${i.values.who}`, state: i.state, text: `${c.name}: ${companyText(i)}` })),
  ),
)
</script>

<template>
  <div v-if="neighbours.length > 0">
    <p class="small muted">
      In it already: {{ neighbours.map(c => `${c.name} (${groupOf(c.groupId).name})`).join(', ') }}. They share the
      water, not the targets.
    </p>
    <p v-for="w in warnings" :key="w.id" class="warning" role="alert"><StateMark :state="w.state" /> {{ w.text }}</p>
  </div>
  <p v-if="beside.length > 0" class="small muted">
    Apart, same water: {{ beside.map(c => c.name).join(', ') }} would cross with them, but only the water is shared.
  </p>
</template>

<style scoped>
.warning {
  display: flex;
  gap: var(--space-3);
  align-items: baseline;
  padding-top: var(--space-3);
}
</style>
