<script setup lang="ts">
import type { BatchRow } from '~/composables/useBatchDesk'
import type { ChosenRow } from '~/composables/useBroodDesk'
import type { BroodOf } from '~/words/broods'
import { broodsHeadline } from '~/words/broods'
import { counted, plain } from '~/words/numbers'
import type { Why } from '~/words/why'

useHead({ title: 'Broods · Ulkin' })
const room = useRoomStore()
const statements = useStatementsStore()
const chosen = ref<ChosenRow>({})
const desk = useBroodDesk(chosen)
const batches = useBatchDesk(chosen)
const headline = computed(() => broodsHeadline(desk.bySoonest.value, desk.nowMs.value))
const about = computed(() =>
  desk.colonies.value.length > 0
    ? `${counted(desk.colonies.value.length, 'colony carries or lays', 'colonies carry or lay').toLowerCase()}`
    : 'what hatches when, and what to do before',
)
const why = shallowRef<Why | null>(null)
// L logs for the colony of the row
const atHand = useAtHand()
watchEffect(() => (atHand.value = batches.picked.value?.colony.id ?? desk.picked.value?.colonyId ?? ''))
onBeforeUnmount(() => (atHand.value = ''))
/** Where there is no room beside the rows (“narrow” in breakpoints.css) a row opens over them. */
const narrow = useMediaQuery('(max-width: 900px)')
const opened = ref(false)
function open(row: BroodOf) {
  desk.pick(row)
  opened.value = narrow.value
}
function openBatch(row: BatchRow) {
  batches.pick(row)
  opened.value = narrow.value
}
const title = computed(() => batches.picked.value?.colony.name ?? plain(desk.picked.value?.name ?? ''))
</script>

<template>
  <div>
    <AppTop title="Broods" :about="about" />
    <div v-if="room.colonies.length > 0" class="page">
      <div class="main">
        <p class="statement"><TheSentence :text="headline" /></p>
        <p v-if="!statements.complete" class="small muted" role="status">Colonies are still being read …</p>
        <template v-if="desk.rows.value.length > 0">
          <p class="small muted wide">
            Pale: when it may have begun. Line: carried or lying. Swelling: when it hatches, the fatter the likelier.
          </p>
          <BroodRows class="wide" :desk="desk" @pick="open" />
          <BroodDays class="phone" :desk="desk" @pick="open" />
          <details class="fold wide">
            <summary>As a table</summary>
            <BroodTable :desk="desk" />
          </details>
        </template>
        <p v-else-if="statements.complete" class="muted">
          Log berried females, egg masses or a clutch, and the days on which they hatch are here. To log “none” helps as
          much: it tells when the next ones began.
        </p>
        <BatchRows :desk="batches" @pick="openBatch" />
        <EggBank v-if="statements.complete" :desk="batches" />
        <BroodsBeside v-if="statements.complete" />
      </div>
      <div class="side">
        <PickedRow class="stuck" :desk="desk" :batches="batches" @why="why = $event" />
      </div>
    </div>
    <section v-else-if="room.ready" class="page">
      <p class="statement">There is no colony yet that could carry or lay.</p>
      <v-btn color="primary" to="/">To the Room</v-btn>
    </section>
    <SideSheet v-model="opened" :title="title">
      <PickedRow :desk="desk" :batches="batches" @why="why = $event" />
    </SideSheet>
    <WhySheet :why="why" @close="why = null" />
  </div>
</template>

<style scoped>
.page {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 300px;
  gap: var(--space-7);
  padding: var(--space-5) var(--space-7) var(--space-8);
}
.main {
  display: grid;
  gap: var(--space-4);
  align-content: start;
}
.side {
  border-left: 1px solid var(--rule);
  padding-left: var(--space-6);
}
/* rows far down are picked too: what is told of them stays in sight */
.stuck {
  position: sticky;
  top: var(--space-5);
  max-height: calc(100vh - 2 * var(--space-5));
  overflow-y: auto;
}
@media (--not-phone) {
  .phone {
    display: none;
  }
}
@media (--narrow) {
  .page {
    grid-template-columns: minmax(0, 1fr);
    padding: var(--space-5) var(--space-6) var(--space-7);
  }
  .side {
    display: none;
  }
}
@media (--phone) {
  .wide {
    display: none;
  }
}
</style>
