<script setup lang="ts">
import { ALWAYS } from '~/forms/gradeSession'
import { counted } from '~/words/numbers'
import { dayText } from '~/words/when'

const route = useRoute()
const room = useRoomStore()
const sheets = useSheets()
const colonyId = computed(() => String(route.params.id))
const session = useGradeSession(colonyId)
const { colony, line, ladders, ladder, rungs, draft, edit, again } = session
useHead({ title: () => `Grade ${colony.value?.name ?? ''} · Ulkin` })
const total = computed(() => session.counts.value.reduce((a, b) => a + b, 0))
const sexes = [
  { value: 'female' as const, title: 'Female', key: 'f' },
  { value: 'male' as const, title: 'Male', key: 'm' },
  { value: 'unknown' as const, title: 'Not told', key: 'j' },
]
const generationChoices = computed(() => {
  const next = (session.generations.value.at(-1)?.n ?? 0) + 1
  const first = { value: 'new', title: `A new one, no. ${next}` }
  const always = { value: ALWAYS, title: 'None: they breed all the time' }
  if (session.generations.value.length === 0) return session.rolling.value ? [always, first] : [first, always]
  return [...session.generations.value.toReversed().map(g => ({ value: g.id, title: `No. ${g.n}` })), first]
})
const earlierChoices = computed(() => [
  { value: '', title: 'no: others, or the first time' },
  ...session.earlier.value.map(e => ({
    value: e.id,
    title: `${e.seen!.length} by ${e.keeper ?? 'somebody'}, ${dayText(Date.parse(e.at), Date.now())}`,
  })),
])
const last = computed(() => {
  const one = draft.value.list.at(-1)
  const rung = rungs.value.findIndex(r => r.id === one?.rungId)
  return one ? `last: ${rung + 1} ${rungs.value[rung]?.words ?? ''}` : 'nobody yet'
})
useEventListener(
  'keydown',
  event => {
    if (event.ctrlKey || event.metaKey || event.altKey || event.isComposing || sheets.anyOpen.value) return
    const target = event.target instanceof Element ? event.target : document.body
    if (target.closest('input:not([type=radio]), textarea, select') || draft.value.way !== 'each') return
    const rung = /^[1-9]$/.test(event.key) ? rungs.value[Number(event.key) - 1] : undefined
    const sex = sexes.find(s => s.key === event.key.toLowerCase())
    if (rung) session.grade(rung.id)
    else if (sex) session.setSex(sex.value)
    else if (event.key === 'Backspace' || event.key.toLowerCase() === 'u') session.back()
    else return
    event.preventDefault()
    event.stopPropagation()
  },
  { capture: true },
)
const numberOf = (rungId: string, sex: string) => draft.value.numbers[`${rungId} ${sex}`] ?? ''
const setNumber = (rungId: string, sex: string, text: string) =>
  edit({ numbers: { ...draft.value.numbers, [`${rungId} ${sex}`]: text } })
</script>

<template>
  <div>
    <AppTop :title="`Grade ${colony?.name ?? ''}`" :about="line ? `line ${line.name} · ${ladder?.trait ?? ''}` : ''">
      <template v-if="line" #before><BackLink :to="`/lines/${line.id}`" :label="`To ${line.name}`" /></template>
      <v-btn color="primary" :loading="session.saving.value" @click="session.save">Save</v-btn>
    </AppTop>
    <EmptyPlace
      v-if="room.ready && (!line || !ladder)"
      :statement="line ? `${line.name} has no ladder yet.` : 'This colony holds no line yet.'"
      :to="line ? `/lines/${line.id}?tab=ladder` : '/lines'"
      :leads="line ? 'Word its ladder' : 'Begin a line'"
    >
      Grades need rungs to stand on, in your own words.
    </EmptyPlace>
    <div v-else-if="line" class="page">
      <div class="main">
        <p class="statement">
          <template v-if="again"
            >Animal {{ Math.min(total + 1, again.seen!.length) }} of {{ again.seen!.length }}, again</template
          >
          <template v-else>{{ counted(total, 'animal', 'animals') }} graded</template>
        </p>
        <ChoiceChips
          v-if="ladders.length > 1 && total === 0"
          :model-value="draft.ladderId"
          label="By which trait"
          hide-label
          :options="ladders.map(l => ({ value: l.id, title: l.trait }))"
          @update:model-value="session.by"
        />
        <ChoiceChips
          :model-value="draft.way"
          label="How"
          hide-label
          :options="[
            { value: 'each', title: 'One by one' },
            { value: 'numbers', title: 'By numbers' },
          ]"
          @update:model-value="edit({ way: $event || 'each' })"
        />
        <template v-if="draft.way === 'each'">
          <fieldset class="sexes">
            <legend class="hidden-to-eyes">Sex of the next ones</legend>
            <button
              v-for="s in sexes"
              :key="s.value"
              type="button"
              class="sex"
              :class="{ on: draft.sex === s.value }"
              :aria-pressed="draft.sex === s.value"
              @click="session.setSex(s.value)"
            >
              {{ s.title }} <kbd>{{ s.key }}</kbd>
            </button>
          </fieldset>
          <div class="rungs">
            <button
              v-for="(r, k) in rungs"
              :key="r.id"
              type="button"
              class="rung"
              :style="{ '--shade': rungColour(k, rungs.length) }"
              @click="session.grade(r.id)"
            >
              <b class="numeral">{{ k + 1 }}</b>
              <span>{{ r.words }}</span>
              <em class="numeral">{{ session.counts.value[k] }}</em>
            </button>
          </div>
          <div class="back">
            <v-btn variant="outlined" :disabled="draft.list.length === 0" @click="session.back">One back</v-btn>
            <span class="small muted" role="status">{{ last }}</span>
          </div>
        </template>
        <table v-else class="numbers">
          <thead>
            <tr>
              <th scope="col">Rung</th>
              <th v-for="s in sexes" :key="s.value" scope="col">{{ s.title }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(r, k) in rungs" :key="r.id">
              <th scope="row">{{ k + 1 }} {{ r.words }}</th>
              <td v-for="s in sexes" :key="s.value">
                <CellInput
                  :model-value="numberOf(r.id, s.value)"
                  :label="`${r.words}, ${s.title.toLowerCase()}`"
                  @update:model-value="setNumber(r.id, s.value, $event)"
                />
              </td>
            </tr>
          </tbody>
        </table>
        <FieldIssue :text="session.issue.value" />
      </div>
      <div class="side">
        <PickOne
          :model-value="draft.generation || generationChoices[0]!.value"
          label="Which generation"
          :options="generationChoices"
          @update:model-value="edit({ generation: $event })"
        />
        <GrewUp :draft="draft" :warmth="session.warmth.value" @edit="edit" />
        <PickOne
          v-if="draft.way === 'each' && session.earlier.value.length > 0"
          :model-value="draft.againOf"
          label="The same animals again?"
          :options="earlierChoices"
          @update:model-value="edit({ againOf: $event, list: [] })"
        />
        <ChoiceChips
          :model-value="draft.all"
          label="Were these all grown ones of this colony?"
          :options="[
            { value: 'yes', title: 'Yes, it is a count too' },
            { value: 'no', title: 'No, a part' },
          ]"
          @update:model-value="edit({ all: $event })"
        />
        <p v-if="ladder?.id === ladders[0]?.id" class="small">
          <NuxtLink :to="`/lines/meter/${colonyId}`">Grade meter</NuxtLink>: cover and depth off a photo.
        </p>
        <p class="small muted">
          Grade in the light in which you always do, on the same ground. It is kept as you go: a reload comes back here.
        </p>
      </div>
    </div>
  </div>
</template>

<style scoped>
.page {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 300px;
  gap: var(--space-7);
  padding: var(--space-5) var(--space-7) var(--space-8);
}
.main,
.side {
  display: grid;
  gap: var(--space-5);
  align-content: start;
}
.sexes {
  display: flex;
  gap: var(--space-4);
}
.sex,
.rung {
  min-height: 56px;
  border: 1px solid var(--rule);
  border-radius: 6px;
  background: var(--surface);
  color: var(--ink);
  font: inherit;
  cursor: pointer;
}
.sex {
  flex: 1;
  max-width: 180px;
}
.sex.on {
  border-color: var(--weed);
  background: var(--weed-tint);
  font-weight: 650;
}
.rungs {
  display: grid;
  gap: var(--space-4);
}
.rung {
  display: grid;
  grid-template-columns: 44px minmax(0, 1fr) auto;
  align-items: center;
  gap: var(--space-5);
  padding: 0 var(--space-6) 0 0;
  text-align: left;
  border-left: 14px solid var(--shade);
}
.rung b {
  font-size: var(--type-statement);
  text-align: right;
}
.rung em {
  font-style: normal;
  font-size: var(--type-title);
}
.back {
  display: flex;
  align-items: center;
  gap: var(--space-6);
}
.numbers th {
  text-align: left;
  font-weight: 400;
  padding: var(--space-3) var(--space-5) var(--space-3) 0;
}
.numbers td {
  width: 110px;
  padding: var(--space-2) var(--space-4) var(--space-2) 0;
}
@media (--narrow) {
  .page {
    grid-template-columns: minmax(0, 1fr);
    padding: var(--space-5) var(--space-6) var(--space-7);
  }
}
@media (--phone) {
  .sex,
  .rung {
    min-height: 64px;
  }
}
</style>
