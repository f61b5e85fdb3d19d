<script setup lang="ts">
import { presentGlassId } from '#core/records'
import { offeredToday } from '#core/statements'
import { counted, whole } from '~/words/numbers'
import { say, sayNeed } from '~/words/say'

/** What needs the keeper today and what to keep an eye on, with reasons, most urgent first; and what can leave. */
const room = useRoomStore()
const statements = useStatementsStore()
const saying = useSaying()

const needs = computed(() =>
  statements.attention.flatMap(a => {
    const colony = room.colonyById.get(a.colonyId)
    return colony ? [{ ...a, colony, s: saying(colony) }] : []
  }),
)
const today = computed(() => needs.value.filter(x => x.today))
const watched = computed(() => needs.value.filter(x => !x.today))
const glassCount = computed(() => new Set(today.value.map(x => presentGlassId(x.colony))).size)
// animals from water that is off are not offered: it is put right first
const leaving = computed(() =>
  statements.inRoom
    .flatMap(s => {
      const colony = room.colonyById.get(s.colonyId)
      const take = offeredToday(s)
      return colony && take > 0 ? [{ colony, take }] : []
    })
    .sort((a, b) => b.take - a.take),
)
const total = computed(() => leaving.value.reduce((sum, l) => sum + l.take, 0))
const all = ref(false)
/** The first few stand there at once: the list must not push the racks off a phone. */
const FIRST = 4
const allNeeds = ref(false)
const WATCHED_FIRST = 3
const allWatched = ref(false)
</script>

<template>
  <aside class="needs" aria-label="What needs you">
    <p v-if="!statements.complete" class="statement">Working it out …</p>
    <template v-else>
      <template v-if="room.colonies.length === 0">
        <h2 class="statement">What needs you will stand here.</h2>
        <p class="muted small">
          Water that drifts, colonies that shrink, counts that grow old: each with its reason and what to do, most
          urgent first.
        </p>
      </template>
      <template v-else-if="statements.firstLooks > 0">
        <h2 class="statement first-look">A first look.</h2>
        <p class="small muted" role="status">
          Numbers drawn lightly are rough yet: they are being made exact, glass by glass.
        </p>
      </template>
      <h2 v-else class="statement">
        {{
          today.length === 0
            ? 'Nothing needs you today.'
            : `${counted(glassCount, 'glass needs', 'glasses need')} you today.`
        }}
      </h2>
      <ul>
        <NeedLine v-for="n in allNeeds ? today : today.slice(0, FIRST)" :key="n.colonyId" :to="`/colony/${n.colonyId}`">
          <StateMark :state="n.state" /><b>{{ n.colony.name }}:</b> <TheSentence :text="sayNeed(n, n.s)" />
          <template #why>
            <template v-if="n.reason"><TheSentence :text="say(n.reason, n.s)" />{{ ' ' }}</template>
            <TheSentence v-if="n.action" :text="say(n.action, n.s)" />
          </template>
        </NeedLine>
      </ul>
      <button v-if="today.length > FIRST" type="button" class="link small" @click="allNeeds = !allNeeds">
        {{ allNeeds ? 'Fewer' : `and ${counted(today.length - FIRST, 'more colony', 'more colonies').toLowerCase()}` }}
      </button>
      <section v-if="watched.length > 0" aria-labelledby="watched">
        <h2 id="watched" class="statement second">Keep an eye on</h2>
        <ul>
          <NeedLine
            v-for="n in allWatched ? watched : watched.slice(0, WATCHED_FIRST)"
            :key="n.colonyId"
            :to="`/colony/${n.colonyId}`"
          >
            <StateMark :state="n.state" /><b>{{ n.colony.name }}:</b> <TheSentence :text="sayNeed(n, n.s)" />
            <template v-if="n.action" #why><TheSentence :text="say(n.action, n.s)" /></template>
          </NeedLine>
        </ul>
        <button
          v-if="watched.length > WATCHED_FIRST"
          type="button"
          class="link small"
          @click="allWatched = !allWatched"
        >
          {{ allWatched ? 'Fewer' : `and ${watched.length - WATCHED_FIRST} more` }}
        </button>
      </section>
      <LazyRoomDue v-if="room.glasses.length > 0" />
      <template v-if="total > 0 && statements.firstLooks === 0">
        <h2 class="statement second">{{ whole(total) }} can leave today.</h2>
        <p class="leave">
          <template v-for="(l, i) in all ? leaving : leaving.slice(0, 6)" :key="l.colony.id"
            ><template v-if="i > 0"> · </template><NuxtLink :to="`/colony/${l.colony.id}`">{{ l.colony.name }}</NuxtLink
            >{{ ' ' }}<span class="numeral">{{ whole(l.take) }}</span></template
          >
        </p>
        <button v-if="leaving.length > 6" type="button" class="link small" @click="all = !all">
          {{ all ? 'Fewer' : `and ${leaving.length - 6} more` }}
        </button>
      </template>
    </template>
    <p
      v-if="statements.complete && statements.firstLooks === 0 && statements.busy > 0"
      class="small muted updating"
      role="status"
    >
      Bringing the numbers up to date …
    </p>
    <p v-if="statements.failed" class="rust small" role="alert">
      {{ statements.failed }} <button type="button" class="link" @click="statements.again()">Try again</button>
    </p>
  </aside>
</template>

<style scoped>
.needs {
  padding: var(--space-6) var(--space-6);
  border-left: 1px solid var(--rule);
  background: var(--surface);
}
.statement {
  font-size: var(--type-statement);
  padding-bottom: var(--space-5);
}
.first-look {
  padding-bottom: var(--space-2);
}
.first-look + p {
  padding-bottom: var(--space-4);
}
.second {
  font-size: var(--type-section);
  padding-top: var(--space-7);
  padding-bottom: var(--space-3);
}
.link {
  min-height: 32px;
}
.leave {
  font-size: var(--type-small);
  line-height: 1.5;
  border-top: 1px solid var(--rule);
  padding-top: var(--space-4);
}
.leave a {
  color: var(--ink);
  text-decoration: none;
}
.leave a:hover {
  text-decoration: underline;
}
.updating {
  padding-top: var(--space-4);
}
.rust {
  color: var(--rust);
}
@media (--small-desk) {
  .needs {
    border-left: 0;
    border-bottom: 1px solid var(--rule);
    padding: var(--space-5) var(--space-6);
  }
}
</style>
