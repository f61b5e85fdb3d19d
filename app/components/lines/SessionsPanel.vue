<script setup lang="ts">
import { countsOn, graderOf, seenIn } from '#core/lines'
import { currentEntries, type EntryOf, presentRungs } from '#core/records'
import type { LineOf } from '~/composables/useLines'
import { agreementText, keeperText } from '~/words/lines'
import { dayText } from '~/words/when'

/** Who graded when, how keepers see beside each other, and how well they agree. */
const props = defineProps<{ of: LineOf; nowMs: number }>()
const log = useLogStore()
const { laddersOf } = useLadders()
const numberOf = computed(() => new Map((props.of.told?.generations ?? []).map(g => [g.id, g.n])))
const sessions = computed(() => {
  const gradings = currentEntries(props.of.entries).filter((e): e is EntryOf<'grading'> => e.kind === 'grading')
  const mainOf = new Map((props.of.told?.generations ?? []).flatMap(g => g.gradings.map(e => [e.id, g.n])))
  return laddersOf(props.of.line)
    .flatMap((ladder, i) =>
      gradings.flatMap(entry => {
        const seen = seenIn(entry, ladder)
        if (seen.length === 0) return []
        const counts = countsOn(ladder, seen)
        const n = mainOf.get(entry.id) ?? numberOf.value.get(entry.generationId ?? '')
        const trait = i > 0 ? `${ladder.trait.toLowerCase()}, ` : ''
        return {
          ...{ id: entry.id, entry, counts, rungs: presentRungs(ladder) },
          ...{ day: dayText(Date.parse(entry.at), props.nowMs), keeper: graderOf(entry) },
          below: entry.againOf ? `${trait}the same again` : `${trait}no. ${n ?? '–'}`,
          total: Math.round(counts.reduce((a, b) => a + b, 0)),
        }
      }),
    )
    .sort((a, b) => (a.entry.at < b.entry.at ? 1 : -1))
})
const keepers = computed(() => props.of.told?.keepers ?? [])
</script>

<template>
  <div class="sessions">
    <p v-if="sessions.length === 0" class="muted">No session yet.</p>
    <template v-else>
      <ul class="plain">
        <li v-for="k in keepers" :key="k.name">{{ keeperText(k, keepers[0]!.name) }}</li>
        <li v-for="a in of.told?.agreements ?? []" :key="a.atMs">{{ agreementText(a, nowMs) }}</li>
      </ul>
      <AgreementChart v-if="(of.told?.agreements ?? []).length > 1" :agreements="of.told!.agreements" :now-ms="nowMs" />
      <p v-if="(of.told?.agreements ?? []).length === 0" class="small muted">
        Let a second keeper grade the same animals once: then each one’s eye is known, and what it hides comes out of
        every figure here.
      </p>
      <ul class="list">
        <li v-for="s in sessions" :key="s.id">
          <span class="day">{{ s.day }}</span>
          <span
            >{{ s.total }} by {{ s.keeper }}<span class="below">{{ s.below }}</span></span
          >
          <RungBar :counts="s.counts" :rungs="s.rungs" />
          <button type="button" class="link" @click="log.takeBack(s.entry, 'Session taken back.')">take back</button>
        </li>
      </ul>
    </template>
  </div>
</template>

<style scoped>
.sessions,
.plain {
  display: grid;
  gap: var(--space-4);
}
.list li {
  display: grid;
  grid-template-columns: 130px 150px minmax(0, 1fr) 90px;
  gap: var(--space-5);
  align-items: center;
  padding: var(--space-4) 0;
  border-top: 1px solid var(--rule);
}
@media (--phone) {
  .list li {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  }
}
</style>
