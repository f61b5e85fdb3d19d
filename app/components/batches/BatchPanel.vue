<script setup lang="ts">
import { poolTroubles, type ColonyStatements } from '#core/statements'
import { type Colony, DAY_MS, momentMs, presentGlassId, toMoment } from '#core/records'
import { resolveGroup } from '#core/groups'
import { begunLot } from '~/forms/eggLotDraft'
import { batchFacts, batchSteps, poolTroubleText } from '~/words/batch'
import { cautionText } from '~/words/cautions'

/** A colony that is one hatch: its course, what is known of it, what to do, and how it ends. */
const props = defineProps<{ colony: Colony; told: ColonyStatements; nowMs: number }>()
const logSheet = useLogSheetStore()
const room = useRoomStore()
const care = useCareStore()
const { saveAll, saving } = useSave()
const batch = computed(() => props.told.batch!)
const larvae = computed(() => batch.value.kind === 'larvae')
const facts = computed(() => batchFacts(batch.value, props.nowMs))
const steps = computed(() => batchSteps(batch.value, props.nowMs))
const salt = computed(() => props.told.water.values.find(v => v.key === 'salinityGKg')?.latest?.value ?? 0)
/** The stair is looked at while it is climbed, and for a day after. */
const climbing = computed(() => props.told.salt.some(s => s.doneMs === null || props.nowMs - s.doneMs < DAY_MS))
const picking = ref(false)
const troubles = computed(() =>
  poolTroubles(
    batch.value,
    props.told.water.values,
    care.entriesOf(presentGlassId(props.colony)).filter(e => e.at >= props.colony.startedAt),
  ),
)
const drying = ref(false)
/** The pool falls dry: its eggs go into the bank, and the batch ends. */
async function dryDown() {
  if (!room.room) return
  const nowMs = Date.now()
  const lot = begunLot(props.colony, resolveGroup(props.colony), room.room.id, nowMs)
  const ended = { ...toRaw(props.colony), ended: { at: toMoment(nowMs), why: 'dried' as const } }
  const done = await saveAll(
    [
      { table: 'eggLots' as const, record: lot },
      { table: 'colonies' as const, record: ended },
    ],
    `${props.colony.name} is let dry; ${lot.name} is in the egg bank.`,
  )
  if (done) await navigateTo('/broods')
}
const old = computed(() => props.nowMs - momentMs(props.colony.startedAt) > 2 * DAY_MS)
</script>

<template>
  <div class="batch">
    <div class="main">
      <BatchPicture :batch="batch" :now-ms="nowMs" />
      <SaltStair
        v-if="larvae && climbing"
        :steps="told.salt"
        :from-g-kg="0"
        :now-ms="nowMs"
        label="Salt up after the hatch"
      />
      <NuxtLink v-if="larvae && climbing" :to="`/water/${presentGlassId(colony)}?tab=salt`" class="small"
        >Mix it: what to weigh and pour</NuxtLink
      >
      <section v-if="troubles.length > 0" aria-label="What went wrong">
        <h2>What went wrong</h2>
        <ul class="troubles">
          <li v-for="t in troubles" :key="t">{{ poolTroubleText[t] }}</li>
        </ul>
      </section>
      <RearingsBeside v-if="larvae" :colony="colony" :now-ms="nowMs" />
    </div>
    <div class="side">
      <div class="acts">
        <v-btn v-if="larvae" color="primary" variant="outlined" @click="picking = true">Pick the settled</v-btn>
        <v-btn class="quiet" @click="logSheet.show(colony.id, larvae ? 'larvae' : 'young')">{{
          larvae ? 'Log a sample' : 'Log what you see'
        }}</v-btn>
        <v-btn v-if="!larvae && old" class="quiet" @click="drying = true">Let it dry</v-btn>
      </div>
      <p v-if="drying" class="ask" role="alert">
        The pool ends today and its eggs go into the egg bank.
        <v-btn color="primary" size="small" :loading="saving" @click="dryDown">Let it dry</v-btn>
        <v-btn class="quiet" size="small" @click="drying = false">Not yet</v-btn>
      </p>
      <FactList :facts="facts" />
      <h2>What to do</h2>
      <StepList :steps="steps" />
      <CautionNote class="small">{{ cautionText(larvae ? 'larvaeNeedSea' : 'neverRelease') }}</CautionNote>
    </div>
    <LazyPickSheet v-if="picking" v-model="picking" :colony="colony" :salt-g-kg="salt" :now-ms="nowMs" />
  </div>
</template>

<style scoped>
.batch {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 320px;
  gap: var(--space-7);
  padding-top: var(--space-5);
}
.main,
.side {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: var(--space-5);
  align-content: start;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-4);
}
.ask {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-4);
  align-items: center;
  padding: var(--space-4);
  background: var(--straw-tint);
}
.troubles li {
  border-left: 3px solid var(--straw);
  padding-left: var(--space-4);
  margin-top: var(--space-3);
}
@media (--narrow) {
  .batch {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
