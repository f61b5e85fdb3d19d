<script setup lang="ts">
import { USUAL_LEVEL } from '#core/molts'
import { type Colony, WEEK_MS } from '#core/records'
import type { MoltsTold } from '#core/statements'
import { causeName, causeSays, levelOptions, limbsText, moltAlarmText, softText } from '~/words/molts'
import { say } from '~/words/say'

/** Molts that failed against molts that happened, what they may fail of, and how the alarm is set. */
const props = defineProps<{ colony: Colony; told: MoltsTold | null; nowMs: number }>()
const MoltAlarmChart = defineAsyncComponent(() => import('~/components/colony/MoltAlarmChart.vue'))
const followed = useAnimalsStore()
const saying = useSaying()
const { save } = useSave()

const s = computed(() => saying(props.colony))
/** Half a year, or as long as the colony is followed. */
const sinceMs = computed(() => Math.max(props.told?.watch.path[0]?.at ?? 0, props.nowMs - 26 * WEEK_MS))
/** In trouble the causes beside it say what to do, in their order. */
const said = computed(() => {
  const { watch, statement } = props.told!
  return watch.trouble ? statement.reasons : [...statement.reasons, ...statement.actions]
})
const level = computed({
  get: () => String(props.colony.moltLevel ?? USUAL_LEVEL),
  set: text => {
    const { moltLevel: _, ...rest } = props.colony
    const own = Number(text) === USUAL_LEVEL ? {} : { moltLevel: Number(text) }
    void save('colonies', { ...rest, ...own }, 'Accepted failures saved.')
  },
})
</script>

<template>
  <section v-if="told" class="bodies" aria-label="Molts">
    <div class="said">
      <h2><StateMark :state="told.statement.state" /><TheSentence :text="say(told.statement.conclusion, s)" /></h2>
      <p v-for="r in said" :key="r.key">
        <TheSentence :text="say(r, s)" />
      </p>
      <p v-if="told.soft">{{ softText(told.soft, colony, nowMs, followed.nameOf) }}</p>
      <p v-for="l in told.limbs" :key="l.atMs">{{ limbsText(l, nowMs, l.animalIds.map(followed.nameOf)) }}</p>
      <MoltAlarmChart :watch="told.watch" :since-ms="sinceMs" :now-ms="nowMs" :summary="moltAlarmText(told.watch)" />
      <p class="small muted">{{ moltAlarmText(told.watch) }}</p>
    </div>
    <div class="causes">
      <h2>{{ told.watch.trouble ? 'What to look at first' : 'What molts may fail of' }}</h2>
      <ol :class="{ trouble: told.watch.trouble }">
        <li v-for="c in told.causes" :key="c.name">
          <b>{{ causeName[c.name] }}</b>
          <span :class="['speaks', c.speaks]">{{ causeSays[c.speaks] }}</span>
          <span class="small"><TheSentence :text="say(c.says, s)" /></span>
        </li>
      </ol>
      <ChoiceChips v-model="level" label="Failed molts that you accept" :options="levelOptions" />
      <p class="small muted">
        One or two of fifty within eight weeks are ordinary by common practice: with monthly molts about one in fifty
        molts.
      </p>
    </div>
  </section>
  <p v-else class="muted">Nothing is told of molts here yet.</p>
</template>

<style scoped>
.bodies {
  display: grid;
  grid-template-columns: minmax(0, 1.6fr) minmax(280px, 1fr);
  gap: var(--space-6) var(--space-8);
  padding-top: var(--space-5);
}
h2 {
  padding-bottom: var(--space-4);
}
.said p {
  padding-bottom: var(--space-3);
}
ol {
  list-style: none;
  margin: 0;
  padding: 0 0 var(--space-6);
}
li {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: var(--space-1) var(--space-5);
  padding: var(--space-3) 0;
  border-top: 1px solid var(--rule);
}
li .small {
  grid-column: 1 / -1;
}
.speaks {
  color: var(--muted);
}
.trouble .for {
  color: var(--rust);
  font-weight: 700;
}
@media (--small-desk) {
  .bodies {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
