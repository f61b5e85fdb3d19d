<script setup lang="ts">
import { presentRungs } from '#core/records'
import { sumOfRanges } from '#core/stats'
import { newLineRecord } from '~/forms/lineDraft'
import { nameIssue } from '~/forms/nameIssue'
import { bestRungs, leftText, lineHeadline, nextStep, paceText } from '~/words/lines'
import { counted, glassNumber, percent, plain } from '~/words/numbers'

useHead({ title: 'Lines · Ulkin' })
const room = useRoomStore()
const statements = useStatementsStore()
const { lines, complete, worker } = useLines()
const { grownMs } = useBreeding()
const { mainOf } = useLadders()

const rows = computed(() =>
  lines.value.map(({ line, colonies, told }) => {
    const now = colonies.flatMap(c => statements.of(c.id)?.population.now ?? [])
    const sum = now.length === colonies.length && now.length > 0 ? sumOfRanges(now) : null
    const ladder = mainOf(line)
    const rungs = ladder ? presentRungs(ladder) : []
    const last = told?.generations.findLast(g => g.meanRung !== null)
    return {
      line,
      told,
      rungs,
      counts: last?.counts ?? [],
      headline: told ? plain(lineHeadline(told, rungs.length)) : 'Nothing is graded yet.',
      size: sum ? glassNumber(sum.value, sum.low, sum.high) : '…',
      glasses: counted(colonies.length, 'glass', 'glasses').toLowerCase(),
      inbreeding: told?.inbreeding ?? null,
      left: told?.generationsLeft ?? null,
      next: nextStep(told, { grownMs: grownMs(line), nowMs: statements.now.getTime() }),
      pace: told?.pace ?? null,
    }
  }),
)
/** The line that has gained most over its last generations. */
const fastest = computed(() => {
  const paced = rows.value.filter(r => r.pace !== null && !r.told?.came?.unexplained)
  return paced.toSorted((a, b) => b.pace! - a.pace!)[0] ?? null
})
const headline = computed(() => {
  if (!complete.value) return 'Lines are being read …'
  const f = fastest.value
  if (!f)
    return `${counted(rows.value.length, 'line', 'lines')}: grade a few generations, and this tells which improves.`
  return `${f.line.name} improves fastest: ${paceText({ pace: f.pace!, rolling: f.told?.rolling ?? null })}.`
})

const name = ref('')
const issue = ref('')
const colonyId = ref('')
const { saving, saveAll } = useSave()
/** Colonies without a line, of which one may be begun. */
const free = computed(() =>
  room.colonies.filter(c => c.lineId === undefined).map(c => ({ value: c.id, title: c.name })),
)
async function begin() {
  const colony = room.colonyById.get(colonyId.value)
  issue.value = nameIssue(name.value, 'Give the line a name.') ?? (colony ? '' : 'Choose the colony that holds it.')
  if (issue.value || !colony || !room.room) return
  const line = newLineRecord({ roomId: room.room.id, name: name.value.trim(), groupId: colony.groupId }, Date.now())
  const ok = await saveAll(
    [
      { table: 'lines', record: line },
      { table: 'colonies', record: { ...toRaw(colony), lineId: line.id } },
    ],
    `${line.name} begun.`,
  )
  if (ok) await navigateTo(`/lines/${line.id}?tab=ladder`)
}
</script>

<template>
  <div>
    <AppTop title="Lines" about="Is the line improving; who breeds?" />
    <div v-if="room.ready" class="page">
      <p v-if="rows.length > 0" class="statement">{{ headline }}</p>
      <p v-else class="statement">No line is bred yet.</p>
      <WorkerFailed v-if="worker.failed" :worker="worker" />
      <ul class="lines">
        <li v-for="r in rows" :key="r.line.id">
          <div class="who">
            <NuxtLink :to="`/lines/${r.line.id}`" class="name">{{ r.line.name }}</NuxtLink>
            <p class="small muted goal">{{ r.line.goal ?? 'no goal written down' }}</p>
          </div>
          <p class="says">{{ r.headline }}</p>
          <RungBar v-if="r.counts.length > 0" :counts="r.counts" :rungs="r.rungs" />
          <dl class="facts small">
            <div>
              <dt>Animals</dt>
              <dd class="numeral">
                {{ r.size }} <span class="muted">in {{ r.glasses }}</span>
              </dd>
            </div>
            <div v-if="r.told?.best">
              <dt class="best">{{ bestRungs(r.told, r.rungs.length) }}</dt>
              <dd class="numeral">{{ percent(r.told.best.now) }}</dd>
            </div>
            <div v-if="r.inbreeding">
              <dt>Inbreeding</dt>
              <dd class="numeral">
                {{ percent(r.inbreeding.value) }}
                <span v-if="r.left !== null" class="muted">limit {{ leftText(r.left) }}</span>
              </dd>
            </div>
            <div>
              <dt>Next</dt>
              <dd>{{ r.next }}</dd>
            </div>
          </dl>
        </li>
      </ul>
      <details class="fold" :open="rows.length === 0 || undefined">
        <summary>Begin a line</summary>
        <FieldGrid>
          <TextInput v-model="name" label="Name of the line" :error="issue" />
          <PickOne v-model="colonyId" label="The colony that holds it" :options="free" />
        </FieldGrid>
        <v-btn color="primary" :loading="saving" @click="begin">Begin the line</v-btn>
        <p class="small muted">Other colonies join a line in their own sheet, under “Line”.</p>
      </details>
    </div>
  </div>
</template>

<style scoped>
.page {
  display: grid;
  gap: var(--space-5);
  padding: var(--space-5) var(--space-7) var(--space-8);
}
.lines {
  display: grid;
}
.lines li {
  display: grid;
  grid-template-columns: minmax(150px, 190px) minmax(0, 1fr) minmax(300px, 360px);
  grid-template-rows: auto 1fr;
  gap: var(--space-3) var(--space-7);
  padding: var(--space-5) 0;
  border-top: 1px solid var(--rule);
}
.name {
  font: 650 var(--type-title) var(--v-font-heading);
}
.who {
  grid-row: 1 / span 2;
}
.goal {
  padding-top: var(--space-2);
}
.says {
  grid-column: 2;
  grid-row: 1;
}
/* the bar keeps to its sentence, however long the facts are */
.lines li > :deep(.bar) {
  grid-column: 2;
  grid-row: 2;
  align-self: start;
}
.facts {
  grid-column: 3;
  grid-row: 1 / span 2;
}
.facts div {
  display: grid;
  grid-template-columns: 96px minmax(0, 1fr);
  gap: var(--space-4);
  padding: var(--space-1) 0;
}
dt {
  color: var(--muted);
}
.best::first-letter {
  text-transform: uppercase;
}
dd {
  margin: 0;
}
.fold > :not(summary) {
  margin-bottom: var(--space-5);
}
@media (--narrow) {
  .page {
    padding: var(--space-5) var(--space-6) var(--space-7);
  }
  .lines li {
    grid-template-columns: minmax(0, 1fr);
  }
  .lines li > * {
    grid-column: 1 !important;
    grid-row: auto !important;
  }
}
</style>
