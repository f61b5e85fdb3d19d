<script setup lang="ts">
import { format } from 'date-fns'
import { afterRound, roundSums, runningLow, statementChanges } from '#core/care'
import { type Entry, momentMs } from '#core/records'
import { formatNumber } from '#core/units'
import { dueTitle } from '~/words/due'
import { entryText } from '~/words/entries'
import { counted } from '~/words/numbers'
import { changeText, sumsText } from '~/words/round'
import { volumeText } from '~/words/unitPrefs'
import { stampText, weekdayText } from '~/words/when'

/** What the round saw, what it changed, what comes next, what to mix and buy. */
useHead({ title: 'Report of the round · Ulkin' })
const room = useRoomStore()
const care = useCareStore()
const rounds = useRoundStore()
const statements = useStatementsStore()
const followed = useAnimalsStore()
const settings = useSettingsStore()
const snapshots = useSnapshots()

const entries = computed(() => rounds.entries.filter(e => e.kind !== 'visit' && e.kind !== 'dueMark'))
const sums = computed(() => sumsText(roundSums(entries.value), settings.units))
/** Lines that somebody should look at again: deaths, trouble, pests, photos, notes. */
const odd = computed(() =>
  entries.value.filter(e =>
    ['death', 'failedMolt', 'limbLoss', 'pest', 'note', 'photo', 'young', 'clutch'].includes(e.kind),
  ),
)
const changes = computed(() =>
  (rounds.round ? statementChanges(rounds.round.before, snapshots.value) : []).map(c => ({
    ...c,
    name: room.colonyById.get(c.colonyId)?.name ?? '',
    text: changeText(c),
  })),
)
const minutes = computed(() =>
  rounds.round?.endedAt ? (momentMs(rounds.round.endedAt) - momentMs(rounds.round.startedAt)) / 60_000 : null,
)

const after = computed(() => afterRound(care.due, care.nowMs))
/** Lines of a list that stand there. */
const MOST = 8
/** Glasses whose change also corrects something: the bucket says with what. */
const corrects = (glassId: string) =>
  (room.coloniesByGlass.get(glassId) ?? []).some(c => statements.of(c.id)?.water.correctable)
const pours = useShelfPours()
const low = computed(() => runningLow(room.shelf, pours.value, care.nowMs))

const nameOf = (e: Entry) =>
  room.colonyById.get('colonyId' in e ? (e.colonyId ?? '') : '')?.name ??
  room.glassById.get('glassId' in e ? (e.glassId ?? '') : '')?.name ??
  ''
/** The round goes on, at a glass where one is named. */
function goOn(glassId?: string) {
  rounds.resume()
  if (glassId) rounds.goTo(glassId)
  void navigateTo('/round/walk')
}
</script>

<template>
  <div>
    <AppTop title="Report" :about="rounds.round ? stampText(momentMs(rounds.round.startedAt), care.nowMs) : ''">
      <v-btn color="primary" to="/">To the Room</v-btn>
    </AppTop>
    <div v-if="rounds.round && care.ready" class="page">
      <p class="statement">
        {{ counted(rounds.progress.looked.size, 'glass', 'glasses') }} looked at<template
          v-if="rounds.progress.passed.size > 0"
          >, {{ rounds.progress.passed.size }} passed over</template
        ><template v-if="minutes !== null && minutes < 600"
          >, in {{ minutes < 1 ? 'under a minute' : `${Math.round(minutes)} min` }}</template
        >.
        <v-btn v-if="rounds.round.endedAt" class="quiet again" @click="goOn()">Go on with it</v-btn>
      </p>
      <p v-if="rounds.unsaved.length > 0" class="unsaved" role="status">
        Typed and not saved yet:
        <template v-for="(g, i) in rounds.unsaved" :key="g.id"
          ><template v-if="i > 0">, </template
          ><button type="button" class="link" @click="goOn(g.id)">
            {{ g.name }}
          </button></template
        >.
      </p>
      <section aria-label="What was seen">
        <h2>What was seen</h2>
        <p v-for="s in sums" :key="s"><TheSentence :text="s" /></p>
        <p v-if="sums.length === 0" class="muted">Nothing odd, and nothing logged beside the visits.</p>
        <ul v-if="odd.length > 0">
          <li v-for="e in odd" :key="e.id">
            <b>{{ nameOf(e) }}:</b> {{ entryText(e, settings.units, followed.nameOf).title }}
            <span class="muted">{{ entryText(e, settings.units, followed.nameOf).detail }}</span>
          </li>
        </ul>
      </section>
      <section aria-label="What it changed">
        <h2>What it changed</h2>
        <ul>
          <li v-for="c in changes" :key="c.colonyId + c.what">
            <NuxtLink :to="`/colony/${c.colonyId}`"
              ><b>{{ c.name }}:</b></NuxtLink
            >{{ ' ' }}<TheSentence :text="c.text" />
          </li>
        </ul>
        <p v-if="changes.length === 0" class="muted">Numbers and water are said as before.</p>
      </section>
      <section aria-label="What comes next">
        <h2>What comes next</h2>
        <ul>
          <li v-for="d in after.left.slice(0, MOST)" :key="d.item.key">
            <b>{{ care.subjectName(d.item) }}:</b> {{ dueTitle(d.item, settings.units) }}
            <span class="muted">still due today</span>
          </li>
          <li v-if="after.leftoversMs.length > 0">
            <b>Leftovers:</b> look at {{ counted(after.leftoversMs.length, 'glass', 'glasses').toLowerCase() }} again
            <span class="muted">from {{ format(Math.min(...after.leftoversMs), 'HH:mm') }} on</span>
          </li>
          <li v-for="d in after.next.slice(0, MOST)" :key="d.item.key">
            <b>{{ care.subjectName(d.item) }}:</b> {{ dueTitle(d.item, settings.units) }}
            <span class="muted">{{ weekdayText(d.item.dueMs) }}</span>
          </li>
        </ul>
        <p v-if="after.left.length > MOST" class="muted small">
          and {{ after.left.length - MOST }} more today: <NuxtLink to="/round">the due list</NuxtLink>
        </p>
        <p v-if="after.left.length === 0 && after.next.length === 0 && after.leftoversMs.length === 0" class="muted">
          Nothing in the next three days.
        </p>
      </section>
      <section aria-label="To mix and to buy">
        <h2>To mix and to buy</h2>
        <template v-if="after.changes.length > 0">
          <p>
            <span class="numeral">{{ volumeText(after.changeL, settings.units) }}</span> of change water in the next
            three days:
          </p>
          <ul>
            <li v-for="d in after.changes" :key="d.item.key">
              <NuxtLink :to="`/water/${d.item.glassId}`">{{ care.subjectName(d.item) }}</NuxtLink>{{ ' '
              }}<span class="numeral">{{ volumeText(Number(d.item.values.litres), settings.units) }}</span
              ><span v-if="corrects(d.item.glassId!)" class="muted"
                >, with a correction: the bucket says what to weigh</span
              >
            </li>
          </ul>
        </template>
        <ul v-if="low.length > 0">
          <li v-for="l in low" :key="l.item.id">
            <b>Buy {{ l.item.name }}:</b> {{ formatNumber(l.leftG, 0) }} g left<template v-if="l.days !== null"
              >, for about {{ Math.round(l.days) }} days</template
            >
          </li>
        </ul>
        <p v-if="after.changes.length === 0 && low.length === 0" class="muted">
          Nothing to mix, and the shelf is full enough.
        </p>
      </section>
    </div>
    <div v-else-if="room.ready && care.ready" class="page">
      <p class="statement">The report of your last round will stand here.</p>
      <v-btn color="primary" to="/round">To the Round</v-btn>
    </div>
  </div>
</template>

<style scoped>
.page {
  padding: var(--space-6) var(--space-7) var(--space-7);
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: var(--space-6) var(--space-8);
  align-items: start;
}
.page > .statement {
  grid-column: 1 / -1;
}
.page > .v-btn {
  justify-self: start;
}
.unsaved {
  grid-column: 1 / -1;
  padding: var(--space-4) var(--space-5);
  background: var(--straw-tint);
  border-radius: 6px;
}
.unsaved .link {
  min-height: 44px;
}
.again {
  margin-left: var(--space-4);
  min-height: 44px;
  vertical-align: middle;
}
h2 {
  padding-bottom: var(--space-2);
}
li {
  padding: var(--space-3) 0;
  border-top: 1px solid var(--rule);
  font-size: var(--type-small);
  overflow-wrap: anywhere;
}
li a {
  color: var(--ink);
}
@media (--narrow) {
  .page {
    grid-template-columns: minmax(0, 1fr);
    padding: var(--space-5) var(--space-6) var(--space-6);
  }
}
</style>
