<script setup lang="ts">
useHead({ title: 'Round · Ulkin' })
const room = useRoomStore()
const care = useCareStore()
const rounds = useRoundStore()
const settings = useSettingsStore()
const atHand = useAtHand()
const log = useLogStore()
const desk = useRoundDesk()
const panel = useTemplateRef('panel')
const scroller = useTemplateRef('scroller')

const place = computed(() => {
  const glass = desk.glass.value
  const rack = room.racks.find(r => r.id === glass?.place.rackId)
  return glass && rack ? `${rack.name}${rack.shelves > 1 ? `, shelf ${glass.place.shelf + 1}` : ''}` : ''
})
const index = computed(() => care.walk.findIndex(g => g.id === desk.glassId.value))
const seen = computed(() => rounds.progress.looked.size)
/** The next one once this glass is saved; none when no other is left. */
const nextName = computed(() => room.glassById.get(rounds.nextAfter(desk.glassId.value) ?? '')?.name)
const said = ref('')
watch(
  () => log.last,
  done => {
    said.value = done?.words ?? ''
  },
)
function goBefore() {
  const before = care.walk[index.value - 1]
  if (before) rounds.goTo(before.id)
}
watch(
  [desk.glassId, () => desk.counters.value.length > 0],
  ([id], [was]) => {
    atHand.value = desk.colonies.value[0]?.id ?? ''
    if (id !== was) scroller.value?.scrollTo({ top: 0 })
    void nextTick(() => panel.value?.focusFirst())
  },
  { immediate: true, flush: 'post' },
)
onMounted(() => {
  if (room.ready && !rounds.running) void navigateTo(rounds.round ? '/round/report' : '/round')
})
watch(
  () => room.ready,
  ready => {
    if (ready && !rounds.running) void navigateTo('/round')
  },
)

useRoundKeys(desk)
</script>

<template>
  <div class="walk">
    <template v-if="rounds.running && desk.glass.value">
      <header>
        <div class="where">
          <h1>{{ desk.glass.value.name }}</h1>
          <span class="small muted">{{ index + 1 }} of {{ care.walk.length }} · {{ place }}</span>
        </div>
        <PickOne
          v-if="room.room && room.room.keepers.length > 0"
          v-model="settings.keeper"
          class="keeper"
          label="Keeper"
          hide-label
          :options="[{ value: '', title: 'Who?' }, ...room.room.keepers.map(k => ({ value: k, title: k }))]"
        />
        <v-btn class="quiet" to="/round">Pause</v-btn>
      </header>
      <div
        class="progress"
        role="progressbar"
        aria-label="Glasses looked at"
        :aria-valuenow="seen"
        aria-valuemin="0"
        :aria-valuemax="care.walk.length"
      >
        <i
          v-for="g in care.walk"
          :key="g.id"
          :class="{
            d: rounds.progress.looked.has(g.id),
            p: rounds.progress.passed.has(g.id),
            n: g.id === desk.glassId.value,
          }"
        />
      </div>
      <div class="page">
        <RoundList class="wide" />
        <div ref="scroller" class="scroller">
          <RoundGlass ref="panel" :desk="desk" class="panel" @before="goBefore" />
        </div>
      </div>
      <footer>
        <p v-if="said" class="said" role="status" aria-live="polite">
          <span>{{ said }}</span>
          <button v-if="log.last && log.last.entries.length > 0" type="button" class="link" @click="desk.undo()">
            Undo<kbd>U</kbd>
          </button>
        </p>
        <v-btn class="quiet" size="large" @click="desk.pass()">Skip<kbd>S</kbd></v-btn>
        <v-btn color="primary" size="large" class="save" :loading="desk.saving.value" @click="desk.saveAndGoOn()"
          >{{ nextName ? `Save, next: ${nextName}` : 'Save, end of the round' }}<kbd>Enter</kbd></v-btn
        >
      </footer>
    </template>
    <p v-else class="muted waiting">Opening the round …</p>
  </div>
</template>

<style scoped>
/* the glass scrolls between head and foot: nothing that is typed into ever lies under a bar */
.walk {
  height: 100dvh;
  display: flex;
  flex-direction: column;
}
.scroller {
  overflow-y: auto;
  min-height: 0;
}
header {
  display: flex;
  align-items: center;
  gap: var(--space-4);
  padding: var(--space-4) var(--space-7) var(--space-3);
}
.where {
  flex: 1;
  min-width: 0;
  display: flex;
  align-items: baseline;
  gap: var(--space-4);
}
h1 {
  font-size: var(--type-statement);
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.where .small {
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
  min-width: 0;
}
.keeper {
  width: 112px;
}
.progress {
  display: flex;
  gap: var(--space-1);
  padding: 0 var(--space-7) var(--space-4);
}
.progress i {
  flex: 1;
  height: 5px;
  border-radius: 2px;
  background: var(--rule);
}
.progress i.d {
  background: var(--weed);
}
.progress i.p {
  background: var(--muted);
  opacity: 0.5;
}
.progress i.n {
  background: var(--roe);
}
.page {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template: minmax(0, 1fr) / 200px minmax(0, 1fr);
  border-top: 1px solid var(--rule);
}
.panel {
  padding: var(--space-5) var(--space-7) var(--space-6);
  max-width: 1000px;
}
footer {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-3) var(--space-4);
  padding: var(--space-4) var(--space-7) var(--space-4);
  border-top: 1px solid var(--rule);
  background: var(--surface);
}
footer .v-btn {
  min-height: 48px;
}
header .v-btn {
  min-height: 44px;
}
.save {
  flex: 1;
  max-width: 520px;
  overflow: hidden;
}
footer {
  padding-left: 224px;
}
.said {
  flex: 0 0 100%;
  font-size: var(--type-small);
  display: flex;
  gap: var(--space-5);
  align-items: center;
  min-height: 30px;
}
.said span {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.said .link {
  min-height: 30px;
  white-space: nowrap;
}
.waiting {
  padding: var(--space-8) var(--space-7);
}
@media (--narrow) {
  .page {
    grid-template-columns: minmax(0, 1fr);
  }
  .wide {
    display: none;
  }
  footer {
    padding-left: var(--space-7);
  }
}
@media (--phone) {
  header {
    padding: var(--space-4) var(--space-6) var(--space-2);
  }
  .where {
    flex-direction: column;
    gap: 0;
  }
  .where .small {
    max-width: 100%;
  }
  .keeper {
    width: 88px;
  }
  .said kbd {
    display: none;
  }
  .progress {
    padding: 0 var(--space-6) var(--space-4);
    gap: var(--space-1);
  }
  .panel {
    padding: var(--space-4) var(--space-6) var(--space-5);
  }
  footer {
    padding: var(--space-4) var(--space-6);
  }
  /* the bar of places takes 58 px; the page leaves 76 for it */
  .walk {
    height: calc(100dvh - 58px - env(safe-area-inset-bottom));
    margin-bottom: -18px;
  }
  .save {
    max-width: none;
  }
}
</style>
