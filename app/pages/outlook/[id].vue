<script setup lang="ts">
import { mdiContentSaveOutline } from '@mdi/js'
import { format } from 'date-fns'
import { groupOf, resolveGroup } from '#core/groups'
import { type OutlookAnswer, outlookRows } from '#core/outlook'
import { type Scenario, WEEK_MS } from '#core/records'
import { preferredC } from '#core/population'
import { openDb } from '~/data/database'
import { newId } from '~/data/newId'
import { saveRecord, scenariosOf } from '~/data/records'
import { csvOf } from '~/files/csv'
import { saveFile } from '~/files/saveFile'
import { emptyScenario, readScenario, scenarioDraft } from '~/forms/scenarioDraft'
import { wholeNumber } from '~/forms/wholeNumber'
import { percent, plain, whole } from '~/words/numbers'
import { changeText, comparedText, fullText, reachText } from '~/words/outlook'

const OutlookChart = defineAsyncComponent(() => import('~/components/outlook/OutlookChart.vue'))

const route = useRoute()
const room = useRoomStore()
const statements = useStatementsStore()
const settings = useSettingsStore()
const log = useLogStore()
const atHand = useAtHand()
const numbers = useNumbers()

const colony = computed(() => room.colonyById.get(String(route.params.id)))
useHead({ title: computed(() => `Outlook, ${colony.value?.name ?? ''} · Ulkin`) })
watch(colony, (c) => {
  if (!c) return
  settings.lastColonyId = c.id
  atHand.value = c.id
}, { immediate: true })
const colonies = computed(() => room.colonies.map(c => ({ value: c.id, title: `${c.name} · ${groupOf(c.groupId).name}` })))
const picked = computed({ get: () => colony.value?.id ?? '', set: id => void navigateTo(`/outlook/${id}`) })
const told = computed(() => (colony.value ? statements.of(colony.value.id) : null))
const resolved = computed(() => colony.value && resolveGroup(colony.value))
const temperatureC = computed(() => told.value?.population.temperatureC ?? (resolved.value ? preferredC(resolved.value) : 23))
const hasFish = computed(() => (resolved.value?.group.schools.fish ? (colony.value!.schools.fish ?? 'none') !== 'none' : null))

// what is tried now, and what was saved
const draft = ref(emptyScenario())
const read = computed(() => readScenario(draft.value))
const issues = computed(() => (read.value.ok ? {} : read.value.issues))
const { value: saved } = useLiveQuery<Scenario[]>(() => scenariosOf(openDb(), String(route.params.id)), [], () => route.params.id)
const shown = ref<string[]>([])
const editing = ref('')
watch(() => route.params.id, () => {
  draft.value = emptyScenario()
  shown.value = []
  editing.value = ''
})
const isChanged = computed(() => read.value.ok && Object.keys(read.value.change).length > 0)

// what is asked
const number = ref('50')
const of = ref<'total' | 'halfGrown'>('total')
const byWeek = ref('12')
const weeks = ref<'26' | '52' | '104'>('52')
/** A round number that is not there yet: half as many again, or so. */
watch(() => colony.value?.id && told.value?.population.now.value, (now) => {
  if (!now || !colony.value) return
  const step = 10 ** Math.max(0, Math.floor(Math.log10(1.4 * now)))
  number.value = String(Math.max(5, Math.ceil(1.4 * now / step) * step))
}, { immediate: true })
const wanted = computed(() => wholeNumber(number.value, 1))
const due = computed(() => wholeNumber(byWeek.value, 1))
const ofOptions = [{ value: 'total' as const, title: 'animals in all' }, { value: 'halfGrown' as const, title: 'half-grown' }]
const spans = [{ value: '26' as const, title: 'half a year' }, { value: '52' as const, title: 'a year' }, { value: '104' as const, title: 'two years' }]
const ask = computed(() => ({ weeks: Number(weeks.value), number: wanted.value.ok ? wanted.value.value : 50, of: of.value, byWeek: due.value.ok ? Math.min(Number(weeks.value), due.value.value) : 12 }))

/** Futures of each scenario: enough that a chance is known to half of one in a hundred. */
const FUTURES = 10_000
const colours = ['roe', 'water', 'straw'] as const
const dashes = [[8, 4], [2, 4], [12, 4, 2, 4]] as const
const lines = computed(() => [
  { id: 'now', name: 'As things are', change: {}, colour: 'weed', dash: [] as number[] },
  ...(read.value.ok && isChanged.value ? [{ id: 'draft', name: editing.value ? saved.value.find(s => s.id === editing.value)?.name ?? 'This one' : 'This one', change: read.value.change }] : []),
  ...saved.value.filter(s => shown.value.includes(s.id) && s.id !== editing.value).map(s => ({ id: s.id, name: s.name, change: s.change })),
].slice(0, 4).map((s, i) => ({ colour: colours[i - 1] ?? 'weed', dash: [...(dashes[i - 1] ?? [])], ...s })))
const answers = shallowRef(new Map<string, OutlookAnswer>())
const done = ref(0)

watchDebounced([() => told.value?.asOf, lines, ask], async () => {
  if (!colony.value || !told.value) return
  const wantedIds = lines.value.map(l => l.id)
  answers.value = new Map([...answers.value].filter(([id]) => wantedIds.includes(id)))
  done.value = 0
  await numbers.outlook(colony.value, lines.value.map(({ id, change }) => ({ id, change })), ask.value, FUTURES, (id, answer, share) => {
    answers.value = new Map(answers.value).set(id, answer)
    done.value = share
  })
}, { immediate: true, debounce: 250 })

const drawn = computed(() => lines.value.flatMap((l) => {
  const answer = answers.value.get(l.id)
  return answer ? [{ ...l, answer }] : []
}))
const fans = computed(() => drawn.value.map(l => ({ id: l.id, name: l.name, colour: l.colour, dash: l.dash, fan: of.value === 'total' ? l.answer.fan : l.answer.halfGrown })))
const nowMs = computed(() => told.value?.asOf ?? 0)
const headline = computed(() => {
  const now = answers.value.get('now')
  const mine = drawn.value.find(l => l.id === 'draft')?.answer
  if (!now) return ''
  if (mine) return comparedText(mine, now, Math.min(26, ask.value.weeks))
  return `${whole(ask.value.number)} ${of.value === 'total' ? 'animals' : 'half-grown'}: ${reachText(now, ask.value, nowMs.value)}.`
})

// saving
const name = ref('')
async function save() {
  if (!colony.value || !read.value.ok || !isChanged.value) return
  const id = editing.value || newId()
  const title = name.value.trim() || changeText(read.value.change).slice(0, 60)
  await saveRecord(openDb(), 'scenarios', { id, editedAt: '', colonyId: colony.value.id, name: title, change: read.value.change, retired: false }, Date.now())
  shown.value = [...new Set([...shown.value, id])]
  draft.value = emptyScenario()
  editing.value = ''
  name.value = ''
  log.tell(`“${title}” saved.`)
}
function open(s: Scenario) {
  editing.value = s.id
  name.value = s.name
  draft.value = scenarioDraft(s.change)
}
async function putAway(s: Scenario) {
  await saveRecord(openDb(), 'scenarios', { ...s, retired: true }, Date.now())
  if (editing.value === s.id) {
    editing.value = ''
    draft.value = emptyScenario()
  }
  log.tell(`“${s.name}” put away.`)
}

// files
const chart = ref<{ png: () => Promise<Blob | null> } | null>(null)
const fileName = computed(() => `outlook-${(colony.value?.name ?? 'colony').toLowerCase().replaceAll(/[^a-z0-9]+/g, '-')}`)
async function savePng() {
  const blob = await chart.value?.png()
  if (blob) saveFile(`${fileName.value}.png`, blob, 'image/png')
}
async function saveSvg() {
  const { outlookSvg } = await import('~/files/outlookSvg')
  const ink: Record<string, string> = { weed: '#1E6B57', roe: '#C2541B', water: '#2C5F8C', straw: '#8A6A10' }
  saveFile(`${fileName.value}.svg`, outlookSvg(`${colony.value?.name ?? ''}: ${of.value === 'total' ? 'animals' : 'half-grown'} ahead`, fans.value.map(f => ({ name: f.name, colour: ink[f.colour]!, fan: f.fan })), ms => format(ms, 'd MMM yy')), 'image/svg+xml')
}
function saveCsv() {
  const { head, rows } = outlookRows(fans.value.map(f => ({ name: f.name, fan: f.fan })))
  saveFile(`${fileName.value}.csv`, csvOf(head, rows), 'text/csv')
}
const at = (answer: OutlookAnswer, week: number) => (of.value === 'total' ? answer.fan : answer.halfGrown)[Math.min(week, ask.value.weeks)]
</script>

<template>
  <div class="outlook">
    <template v-if="colony && room.room">
      <AppTop :title="`Outlook: ${colony.name}`" about="What if?">
        <v-btn color="primary" :prepend-icon="mdiContentSaveOutline" :disabled="!isChanged" @click="save">Save scenario</v-btn>
      </AppTop>
      <div class="page">
        <section class="left" aria-label="Scenario">
          <PickOne v-model="picked" label="Colony" :options="colonies" />
          <h2>What would be different?</h2>
          <ScenarioForm v-model="draft" :issues="issues" :temperature-c="temperatureC" :has-fish="hasFish" :one-sex="resolved?.group.stages.femaleShare.value === 1" />
          <TextInput v-if="isChanged" v-model="name" label="Name to save it under" :placeholder="read.ok ? changeText(read.change) : ''" />
          <template v-if="saved.length > 0">
            <h3>Saved</h3>
            <ul class="saved">
              <li v-for="s in saved" :key="s.id">
                <label><input v-model="shown" type="checkbox" :value="s.id"> <span>{{ s.name }}</span></label>
                <button type="button" class="link small" :aria-label="`Change ${s.name}`" @click="open(s)">Change</button>
                <button type="button" class="link small" :aria-label="`Put ${s.name} away`" @click="putAway(s)">Put away</button>
              </li>
            </ul>
          </template>
        </section>
        <section class="right" aria-label="Futures">
          <div class="asks">
            <span>When can I have</span>
            <TextInput v-model="number" label="Number wanted" numeric class="few" :error="wanted.ok ? '' : wanted.issue" />
            <PickOne v-model="of" label="Of whom" :options="ofOptions" />
            <TextInput v-model="byWeek" label="Chance in" suffix="weeks" numeric class="few" :error="due.ok ? '' : due.issue" />
            <PickOne v-model="weeks" label="Look ahead" :options="spans" />
          </div>
          <p v-if="headline" class="statement head"><TheSentence :text="headline" /></p>
          <p v-else-if="numbers.failed.value" class="failed" role="alert">The futures could not be lived: {{ numbers.failed.value }}. Nothing was changed; reload to try again.</p>
          <p v-else class="muted head">Working it out …</p>
          <div class="chart"><OutlookChart v-if="fans.length > 0" ref="chart" :fans="fans" :wanted="wanted.ok ? wanted.value : null" :now-ms="nowMs" :unit="of === 'total' ? 'animals' : 'half-grown animals'" /></div>
          <p class="legend small"><span v-for="l in lines" :key="l.id" class="key"><i :class="l.colour" :style="{ borderTopStyle: l.dash.length ? 'dashed' : 'solid' }" />{{ l.name }}</span><span class="muted">band: likely range</span></p>
          <div class="scroll">
            <table aria-label="Scenarios compared">
              <thead><tr><th scope="col">Scenario</th><th scope="col">In 8 weeks</th><th scope="col">In 26 weeks</th><th scope="col">{{ whole(ask.number) }} there</th><th scope="col">By week {{ ask.byWeek }}</th><th scope="col">Dies out</th><th scope="col">Room full</th></tr></thead>
              <tbody>
                <tr v-for="l in drawn" :key="l.id">
                  <th scope="row">{{ l.name }}<span v-if="l.id !== 'now'" class="small muted">{{ changeText(l.change) }}</span></th>
                  <td v-for="w in [8, 26]" :key="w"><span class="numeral">{{ whole(at(l.answer, w)?.p50 ?? 0) }}</span><span class="small muted">{{ whole(at(l.answer, w)?.p10 ?? 0) }} to {{ whole(at(l.answer, w)?.p90 ?? 0) }}</span></td>
                  <td>{{ plain(reachText(l.answer, ask, nowMs)) }}</td>
                  <td class="numeral">{{ percent(l.answer.chanceBy) }}</td>
                  <td class="numeral">{{ l.answer.diedOut < 0.001 ? 'hardly' : percent(l.answer.diedOut) }}</td>
                  <td>{{ plain(fullText(l.answer, nowMs)) }}</td>
                </tr>
              </tbody>
            </table>
          </div>
          <p class="foot small muted">
            <template v-if="numbers.busy.value">Living {{ whole(FUTURES) }} futures of each … <button type="button" class="link" @click="numbers.stop()">Stop</button></template>
            <template v-else-if="drawn.length > 0">{{ whole(drawn[0]!.answer.futures) }} futures of each, all with the same luck: what differs is what was changed. They start from today’s estimate ({{ format(nowMs + 0 * WEEK_MS, 'd MMM') }}); half-grown and grown animals are counted.</template>
            <span class="files"><button type="button" class="link" @click="savePng">PNG</button><button type="button" class="link" @click="saveSvg">SVG</button><button type="button" class="link" @click="saveCsv">CSV</button></span>
          </p>
          <details class="small">
            <summary>Why?</summary>
            <p class="muted">Each future begins with one of the {{ whole(told?.population.fit.particles ?? 0) }} colonies that fit your log, with what was learnt of its young, deaths and room, and lives on week by week with chance in every birth and death (stage model, see the Colony’s Why?). Temperature changes the pace of life by the group’s Q10 (from memory); food and surface change the room; a second tank adds its litres; fish follow the group’s school (common practice, figure from memory). Bands are the likely range (80 %). A quarter of a year ahead is told well, a year is a guess: the 80 % range of eight weeks has been checked against colonies that the model does not know.</p>
          </details>
        </section>
      </div>
    </template>
    <NotHere v-else-if="room.ready" place="Outlook" what="This colony" to="/" back="To the Room" />
  </div>
</template>

<style scoped>
.outlook { flex: 1; display: flex; flex-direction: column; }
.page { flex: 1; display: grid; grid-template-columns: 316px minmax(0, 1fr); gap: 28px; padding: 12px 24px 16px; }
.left { display: grid; gap: 10px; align-content: start; border-right: 1px solid var(--rule); padding-right: 24px; }
.right { display: flex; flex-direction: column; min-width: 0; }
.asks { display: flex; gap: 12px; align-items: flex-end; flex-wrap: wrap; }
.asks > span { min-height: 44px; display: inline-flex; align-items: center; }
.few { width: 118px; }
.head { padding: 10px 0 4px; }
.failed { color: var(--rust); }
.chart { flex: 1; min-height: 260px; }
.legend { display: flex; gap: 18px; flex-wrap: wrap; padding: 4px 0; }
.key { display: inline-flex; align-items: center; gap: 6px; }
.key i { width: 22px; border-top: 3px solid var(--weed); }
.key i.roe { border-color: var(--roe); }
.key i.water { border-color: var(--water); }
.key i.straw { border-color: var(--straw); }
.scroll { overflow-x: auto; }
table { width: 100%; border-collapse: collapse; font-size: 15px; }
thead th { font-size: 13px; font-weight: 400; color: var(--muted); }
th, td { text-align: left; vertical-align: top; padding: 5px 12px 5px 0; border-top: 1px solid var(--rule); }
tbody th { font-weight: 600; max-width: 220px; }
th span, td span { display: block; font-weight: 400; }
td .numeral { font-weight: 650; }
td.numeral, td span { white-space: nowrap; }
.saved li { display: flex; gap: 10px; align-items: center; border-top: 1px solid var(--rule); min-height: 40px; }
.saved label { flex: 1; min-width: 0; display: flex; gap: 8px; align-items: center; cursor: pointer; }
.saved input { width: 18px; height: 18px; accent-color: var(--weed); flex: none; }
.foot { padding-top: 6px; display: flex; gap: 12px; align-items: baseline; justify-content: space-between; }
.files { display: flex; gap: 14px; }
.foot .link { display: inline-block; min-height: 28px; min-width: 32px; }
summary { cursor: pointer; color: var(--weed); min-height: 28px; }
@media (max-width: 900px) { .page { grid-template-columns: 1fr; padding: 12px 16px; } .left { border: 0; padding: 0; } .chart { min-height: 280px; } .right { order: -1; } .foot { flex-wrap: wrap; } }
</style>
