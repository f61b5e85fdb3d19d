<script setup lang="ts">
import type { RoundDesk } from '~/composables/useRoundDesk'
import { dueTitle, dueWhy } from '~/words/due'
import { say, sayNeed } from '~/words/say'

/** What this glass asks for, the pressing matters first, and what is asked back. */
const props = defineProps<{ desk: RoundDesk }>()
const room = useRoomStore()
const care = useCareStore()
const settings = useSettingsStore()
const saying = useSaying()
const matters = computed(() =>
  props.desk.attention.value
    .filter(a => a.state !== 'unknown')
    .slice(0, 2)
    .map(a => {
      const colony = room.colonyById.get(a.colonyId)
      return { ...a, colony, s: saying(colony) }
    }),
)
const asks = computed(() => props.desk.asks.value)
</script>

<template>
  <section v-if="matters.length > 0 || asks.length > 0" class="ask" aria-label="What this glass asks for">
    <p v-for="m in matters" :key="m.colonyId">
      <StateMark :state="m.state" /><b
        ><template v-if="desk.colonies.value.length > 1">{{ m.colony?.name }}: </template
        ><TheSentence :text="sayNeed(m, m.s)" />.</b
      >{{ ' ' }}<TheSentence v-if="m.action" :text="say(m.action, m.s)" />
    </p>
    <p v-for="d in asks" :key="d.item.key">
      <b
        >{{ dueTitle(d.item, settings.units)
        }}<template v-if="d.item.colonyId && desk.colonies.value.length > 1"
          >, {{ room.colonyById.get(d.item.colonyId)?.name }}</template
        >.</b
      >{{ ' ' }}<span class="why">{{ dueWhy(d.item, care.nowMs) }}</span>
    </p>
  </section>
</template>

<style scoped>
.ask {
  padding: var(--space-4) var(--space-5);
  background: var(--straw-tint);
  border-radius: 6px;
  font-size: var(--type-small);
  line-height: 1.3;
  display: grid;
  gap: var(--space-2);
}
.why {
  color: var(--ink);
  opacity: 0.86;
}
@media (--phone) {
  .ask {
    max-height: 148px;
    overflow-y: auto;
  }
}
</style>
