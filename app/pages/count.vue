<script setup lang="ts">
import { mdiCheck } from '@mdi/js'
import { groupOf } from '#core/groups'
import { type Practice, toMoment } from '#core/records'
import { openDb } from '~/data/database'
import { practiceOf } from '~/data/records'
import { countEntry, type SheetCount } from '~/forms/countSheets'
import { whole } from '~/words/numbers'

useHead({ title: 'Count desk · Ulkin' })
const room = useRoomStore()
const settings = useSettingsStore()
const statements = useStatementsStore()
const log = useLogStore()

type Sheet = 'photo' | 'repeated' | 'partOfTank' | 'passes' | 'marks' | 'practice'
const sheets = [
  { id: 'photo', title: 'Photo' },
  { id: 'partOfTank', title: 'Samples' },
  { id: 'repeated', title: 'Several counts' },
  { id: 'passes', title: 'Passes' },
  { id: 'marks', title: 'Marks' },
  { id: 'practice', title: 'Practice tank' },
] as const
const sheet = useTab<Sheet>(sheets.map(s => s.id))
const chosen = ref('')
const picked = computed({
  get: () =>
    room.colonyById.has(chosen.value)
      ? chosen.value
      : room.colonyById.has(settings.lastColonyId)
        ? settings.lastColonyId
        : (room.colonies[0]?.id ?? ''),
  set: id => {
    chosen.value = id
  },
})
const colony = computed(() => room.colonyById.get(picked.value))
const colonies = computed(() =>
  room.colonies.map(c => ({ value: c.id, title: `${c.name} · ${groupOf(c.groupId).name}` })),
)
const { value: practice } = useLiveQuery<Practice[]>(
  () => practiceOf(openDb(), room.room?.id ?? ''),
  [],
  () => room.room?.id,
)
const mine = computed(() => practice.value.filter(p => (p.keeper ?? '') === settings.keeper.trim()))

const count = ref<SheetCount | null>(null)
const saving = ref(false)
/** A new key makes the sheets begin anew after a count was logged. */
const round = ref(0)
watch(sheet, () => {
  count.value = null
})
const told = computed(() => (colony.value ? statements.of(colony.value.id)?.population : undefined))
const expected = computed(() => told.value?.now)
async function save() {
  if (!count.value || !colony.value || saving.value) return
  saving.value = true
  const saved = await log.save(
    countEntry(count.value, { ...log.stamp(), at: toMoment(Date.now()) }, colony.value.id),
    `Count of ${colony.value.name} saved.`,
  )
  saving.value = false
  if (!saved) return
  count.value = null
  round.value++
}
</script>

<template>
  <div class="desk">
    <AppTop title="Count desk" about="How many in this picture, this scoop, these passes?">
      <v-btn
        v-if="sheet !== 'practice'"
        color="primary"
        :prepend-icon="mdiCheck"
        :disabled="!count || saving"
        @click="save"
        >Log this count</v-btn
      >
    </AppTop>
    <div v-if="colony" class="page">
      <div class="head">
        <TabRow v-model="sheet" :tabs="sheets" label="Ways of counting" />
        <div v-if="sheet !== 'practice'" class="who">
          <PickOne v-model="picked" label="Colony" hide-label :options="colonies" />
          <span v-if="expected" class="small muted"
            >likely {{ whole(expected.low) }} to {{ whole(expected.high) }} are there</span
          >
        </div>
      </div>
      <PhotoCount
        v-if="sheet === 'photo'"
        :key="`${colony.id} ${round}`"
        v-model="count"
        :colony="colony"
        :practice="mine"
      />
      <SeriesCount
        v-else-if="sheet === 'repeated' || sheet === 'partOfTank' || sheet === 'passes'"
        :key="`${sheet} ${colony.id} ${round}`"
        v-model="count"
        :colony="colony"
        :method="sheet"
      />
      <MarksCount v-else-if="sheet === 'marks'" :key="`${colony.id} ${round} marks`" v-model="count" :colony="colony" />
      <PracticeTank v-else :practice="mine" />
      <CountsBefore
        v-if="told && !told.firstLook && sheet !== 'practice'"
        :name="colony.name"
        :counts="told.counts"
        :now-ms="statements.now.getTime()"
      />
    </div>
    <EmptyPlace v-else-if="room.ready" statement="There is no colony to count yet." to="/" leads="To the Room">
      Here you will count on photos, in samples, in passes and by marks, and find out how many you see of those that are
      there.
    </EmptyPlace>
  </div>
</template>

<style scoped>
.desk {
  flex: 1;
  display: flex;
  flex-direction: column;
}
.page {
  padding: var(--space-2) var(--space-7) var(--space-6);
}
.head {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: var(--space-6);
  padding-bottom: var(--space-5);
  flex-wrap: wrap;
}
.who {
  display: flex;
  gap: var(--space-5);
  align-items: center;
  flex-wrap: wrap;
}
@media (--narrow) {
  .page {
    padding: var(--space-2) var(--space-6) var(--space-6);
  }
}
</style>
