<script setup lang="ts">
import { mdiCheck } from '@mdi/js'
import { daysAhead, type Due, type DueItem, dueKinds } from '#core/care'
import { deviceZone } from '~/data/deviceZone'
import { dueKindWord, dueTitle, dueWhy, effortText } from '~/words/due'
import { aheadText } from '~/words/when'

/** What is due today and in the days ahead, with reasons; a touch says that it is done. */
const care = useCareStore()
const settings = useSettingsStore()
const acts = useDueActs()
const chosen = shallowRef<DueItem | null>(null)
/** Days ahead that stand there at once, and when more are asked for. */
const [FIRST_DAYS, MORE_DAYS] = [7, 28]
const far = ref(false)
const days = computed(() =>
  daysAhead(care.due, { nowMs: care.nowMs, days: far.value ? MORE_DAYS : FIRST_DAYS, zone: deviceZone() }),
)
/** Today by kind of work: one goes from glass to glass with the same thing in hand. What is late comes first. */
const kinds = computed(() => {
  const by = new Map<string, Due[]>()
  for (const d of care.today) by.set(d.item.kind, [...(by.get(d.item.kind) ?? []), d])
  const late = (list: Due[]) => list.filter(d => d.state === 'late').length
  return [...by]
    .map(([kind, list]) => ({
      kind,
      list: list.toSorted((a, b) => Number(b.state === 'late') - Number(a.state === 'late')),
      late: late(list),
      minutes: list.reduce((s, d) => s + d.item.minutes, 0),
    }))
    .sort((a, b) => dueKinds.indexOf(a.kind as never) - dueKinds.indexOf(b.kind as never))
})
/** Groups of so many stand open at once. */
const FEW = 2
const lower = (title: string) => title.replace(/^[A-Z](?![A-Z])/, c => c.toLowerCase())
/** The days ahead by glass: what is done there on one visit. */
const byGlass = (list: Due[]) => {
  const by = new Map<string, Due[]>()
  for (const d of list) by.set(care.subjectName(d.item), [...(by.get(care.subjectName(d.item)) ?? []), d])
  return [...by]
}
</script>

<template>
  <div class="due">
    <section aria-label="Due today">
      <h2>
        {{
          care.today.length === 0
            ? 'Nothing is due today.'
            : `Due today: ${care.today.length}, ${effortText(care.minutes)}`
        }}
      </h2>
      <details v-for="k in kinds" :key="k.kind" :open="k.list.length <= FEW">
        <summary>
          <b>{{ dueKindWord(k.kind).replace(/^./, c => c.toUpperCase()) }}</b>
          <span class="numeral">{{ k.list.length }}</span>
          <span class="small muted">{{ effortText(k.minutes) }}</span><span v-if="k.late > 0" class="late small heap"
            >{{ k.late }} late</span
          >
        </summary>
        <ul>
          <li v-for="d in k.list" :key="d.item.key">
            <button type="button" class="what" @click="chosen = d.item">
              <span
                ><b>{{ care.subjectName(d.item) }}:</b> {{ dueTitle(d.item, settings.units)
                }}<span v-if="d.state === 'late'" class="late"> · late</span></span
              >
              <span class="small muted">{{ dueWhy(d.item, care.nowMs) }}</span>
            </button>
            <button
              v-if="acts.canTouch(d.item)"
              type="button"
              class="tick"
              :aria-label="`Done: ${care.subjectName(d.item)}, ${dueTitle(d.item, settings.units)}`"
              @click="acts.done(d.item)"
            >
              <v-icon :icon="mdiCheck" size="20" />
            </button>
            <button
              v-else
              type="button"
              class="tick go"
              :aria-label="`Go: ${care.subjectName(d.item)}, ${dueTitle(d.item, settings.units)}`"
              @click="acts.go(d.item)"
            >
              Go
            </button>
          </li>
        </ul>
      </details>
    </section>
    <section aria-label="The days ahead">
      <h2>The days ahead</h2>
      <p class="small muted">Feedings of every day are not listed. Work that can wait lies on your days.</p>
      <div v-for="d in days" :key="d.day" class="day">
        <h3>
          {{ aheadText(d.day, care.nowMs) }} <span class="small muted">{{ effortText(d.minutes) }}</span>
        </h3>
        <ul class="ahead">
          <li v-for="[name, list] in byGlass(d.list)" :key="name">
            <b>{{ name }}</b>{{ ' ' }}
            <template v-for="(x, i) in list" :key="x.item.key">
              <!-- the comma goes with its word, or it would begin a line -->
              <button type="button" class="link" @click="chosen = x.item">
                {{ lower(dueTitle(x.item, settings.units)) }}{{ i < list.length - 1 ? ',' : '' }}</button
              >{{ ' ' }}
            </template>
          </li>
        </ul>
      </div>
      <p v-if="days.length === 0" class="muted">Nothing in the next days.</p>
      <button type="button" class="link" @click="far = !far">{{ far ? 'One week' : 'Four weeks' }}</button>
    </section>
    <DueSheet v-model="chosen" />
  </div>
</template>

<style scoped>
.due {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: var(--space-4) var(--space-8);
  align-items: start;
}
h2 {
  padding-bottom: var(--space-3);
}
details {
  border-top: 1px solid var(--rule);
}
/* the reset does not reach into details */
summary,
li,
button {
  box-sizing: border-box;
}
summary {
  min-height: 44px;
  padding: var(--space-4) 0;
  cursor: pointer;
}
summary .numeral {
  padding: 0 var(--space-3);
}
details li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: var(--space-4);
  align-items: center;
  border-top: 1px solid var(--rule);
}
.what {
  display: grid;
  border: 0;
  background: none;
  padding: var(--space-4) 0;
  min-height: 52px;
  font: inherit;
  font-size: var(--type-small);
  color: var(--ink);
  text-align: left;
  cursor: pointer;
  line-height: 1.3;
}
.what:hover b {
  text-decoration: underline;
}
.small {
  font-size: var(--type-small);
}

.heap {
  padding-left: var(--space-4);
}
.late {
  color: var(--rust);
  font-weight: 650;
}
.tick {
  width: 46px;
  height: 46px;
  border-radius: 50%;
  border: 1.5px solid var(--weed);
  background: none;
  color: var(--weed);
  cursor: pointer;
  font: inherit;
  font-size: var(--type-small);
  font-weight: 650;
}
.tick.go {
  border-color: var(--rule);
}
.day {
  padding: var(--space-4) 0;
  border-top: 1px solid var(--rule);
  font-size: var(--type-small);
  line-height: 1.5;
}
.ahead {
  columns: 2;
  column-gap: var(--space-7);
  padding-top: var(--space-1);
}
.ahead li {
  break-inside: avoid;
  padding: var(--space-1) 0;
  line-height: 1.35;
}
.day .link {
  display: inline;
  min-height: 0;
  text-align: left;
  color: var(--ink);
  text-decoration: none;
}
.day .link:hover {
  text-decoration: underline;
}
h3 .small {
  font-weight: 400;
  font-family: var(--v-font-body);
}
.link {
  min-height: 32px;
}
@media (--narrow) {
  .due {
    grid-template-columns: minmax(0, 1fr);
  }
  .ahead {
    columns: 1;
  }
  .ahead li {
    padding: var(--space-3) 0;
  }
}
</style>
