<script setup lang="ts">
import { mdiCalendarExport, mdiRoutes, mdiWeatherSunny } from '@mdi/js'
import { minutesToday } from '#core/care'
import { effortText } from '~/words/due'
import { counted } from '~/words/numbers'
import { stampText, weekdayText } from '~/words/when'

useHead({ title: 'Round · Ulkin' })
const room = useRoomStore()
const care = useCareStore()
const rounds = useRoundStore()
const settings = useSettingsStore()
const { saveCalendar } = useDueCalendar()
const ordering = ref(false)
const daily = ref(false)
const onlyFor = ref('')
const ready = computed(() => room.ready && care.ready)
const asking = computed(() => care.walk.filter(g => rounds.asks(g.id)).length)
const minutes = computed(() => minutesToday(care.today))
const fresh = computed(
  () => rounds.running !== null && Date.now() - new Date(rounds.running.startedAt).getTime() < 20 * 3_600_000,
)

const away = computed(() => {
  const { holiday } = care.settings
  return holiday && new Date(holiday.to).getTime() > care.nowMs
    ? `${weekdayText(new Date(holiday.from).getTime())} to ${weekdayText(new Date(holiday.to).getTime())}`
    : ''
})
async function begin(onlyDue: boolean) {
  rounds.start(onlyDue)
  await navigateTo('/round/walk')
}
const colonies = computed(() => [
  { value: '', title: 'the whole room' },
  ...room.colonies.map(c => ({ value: c.id, title: c.name })),
])
/** Ends the round and shows what came of it. */
function endRound() {
  rounds.end()
  void navigateTo('/round/report')
}
</script>

<template>
  <div class="round">
    <AppTop
      title="Round"
      :about="ready ? `${counted(care.walk.length, 'glass', 'glasses')} · ${asking} with something due` : ''"
    >
      <v-btn v-if="!rounds.running && care.walk.length > 0" color="primary" @click="begin(false)"
        >Start the round</v-btn
      >
      <v-btn v-else-if="rounds.running" color="primary" to="/round/walk">Go on with the round</v-btn>
    </AppTop>
    <div v-if="ready && room.room" class="page">
      <template v-if="care.walk.length === 0">
        <p class="statement">The round will go past your glasses here.</p>
        <p class="muted">
          Start a colony in the Room: what is due at its glass follows from its group, its school and your log.
        </p>
        <v-btn color="primary" to="/">To the Room</v-btn>
      </template>
      <template v-else>
        <section class="start" aria-label="The round">
          <p v-if="rounds.running" class="statement">
            {{ rounds.progress.looked.size }} of {{ care.walk.length }} looked at<template v-if="!fresh"
              >, begun {{ stampText(new Date(rounds.running.startedAt).getTime(), care.nowMs) }}</template
            >.
          </p>
          <p v-else class="statement">
            {{ care.walk.length === 1 ? 'One glass' : `${care.walk.length} glasses` }},
            {{ asking === 0 ? 'nothing due' : `${asking} with something due`
            }}<template v-if="minutes.walk > 0">, {{ effortText(minutes.walk) }} on the walk</template
            ><template v-if="minutes.beside > 0"> and {{ effortText(minutes.beside) }} beside it</template>.
          </p>
          <div class="acts">
            <template v-if="rounds.running">
              <v-btn class="quiet" @click="endRound">End it here</v-btn>
            </template>
            <template v-else>
              <v-btn v-if="asking > 0 && asking < care.walk.length" class="quiet" @click="begin(true)"
                >Only glasses with something due</v-btn
              >
              <v-btn v-if="rounds.round" class="quiet" to="/round/report">The last round</v-btn>
            </template>
            <v-btn class="quiet" :prepend-icon="mdiRoutes" @click="ordering = true">Days and way</v-btn>
            <v-btn class="quiet" :prepend-icon="mdiWeatherSunny" to="/round/holiday">Holiday</v-btn>
            <PickOne
              v-if="room.room.keepers.length > 0"
              v-model="settings.keeper"
              class="keeper"
              label="Keeper"
              hide-label
              :options="[
                { value: '', title: 'Keeper: not named' },
                ...room.room.keepers.map(k => ({ value: k, title: `Keeper: ${k}` })),
              ]"
            />
          </div>
        </section>
        <p v-if="away" class="away">
          Away {{ away }}: <NuxtLink to="/round/holiday">what to do before, and the sheet for your stand-in</NuxtLink>
        </p>
        <DueList />
        <section class="calendar" aria-label="Calendar">
          <h2>Into your calendar</h2>
          <p class="small muted">
            A file in the iCalendar format. Bring it in again after a while: what changed moves, nothing comes twice.
          </p>
          <div class="acts">
            <PickOne v-model="onlyFor" class="which" label="What" hide-label :options="colonies" />
            <label class="check"><input v-model="daily" type="checkbox" /> with daily feedings</label>
            <v-btn class="quiet" :prepend-icon="mdiCalendarExport" @click="saveCalendar(onlyFor || null, daily)"
              >Save the calendar</v-btn
            >
          </div>
        </section>
      </template>
    </div>
    <p v-else-if="!room.ready || room.room" class="muted waiting">Working it out …</p>
    <NotHere v-else place="Round" what="A room" to="/" back="To the Room" />
    <WalkOrderSheet v-model="ordering" />
  </div>
</template>

<style scoped>
.page {
  padding: var(--space-5) var(--space-7) var(--space-7);
  display: grid;
  gap: var(--space-7);
  justify-items: stretch;
}
.page > .v-btn {
  justify-self: start;
}
.start {
  display: flex;
  gap: var(--space-4) var(--space-6);
  align-items: center;
  flex-wrap: wrap;
  justify-content: space-between;
}
.acts {
  display: flex;
  gap: var(--space-4);
  flex-wrap: wrap;
  align-items: center;
}
.keeper {
  width: 215px;
}
.which {
  width: 200px;
}
.check {
  display: inline-flex;
  gap: var(--space-4);
  align-items: center;
  min-height: 44px;
}
.check input {
  width: 20px;
  height: 20px;
  accent-color: var(--weed);
}
.calendar {
  border-top: 1px solid var(--rule);
  padding-top: var(--space-5);
  display: grid;
  gap: var(--space-3);
}
.waiting {
  padding: var(--space-8) var(--space-7);
}
@media (--phone) {
  .page {
    padding: var(--space-5) var(--space-6) var(--space-6);
  }
}
</style>
