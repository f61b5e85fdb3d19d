<script setup lang="ts">
import { type AnalysisKey, analysisKeys, type MineralContent, type ShelfItem, type Source } from '#core/records'
import { estimateConductivity, ghOf, khOf, salts, USUAL_CA_MG } from '#core/water'
import { formatNumber } from '#core/units'
import { readNumber } from '~/forms/readNumber'
import { analysisText } from '~/words/analysis'
import { saltWord, sourceKindWord } from '~/words/recipe'
import { limitText, valueText } from '~/words/unitPrefs'
import { dayText } from '~/words/when'

/** What there is to make water from: sources with their analyses, the shelf of salts, and what is measured with. */
const desk = useWaterDeskStore()
const room = useRoomStore()
const settings = useSettingsStore()
const { save } = useSave()

const editing = shallowRef<{ source: Source | null } | null>(null)
const boxing = shallowRef<{ item: ShelfItem | null; leftG?: number } | null>(null)
const first: readonly AnalysisKey[] = ['ghDh', 'khDh', 'conductivityUsCm', 'salinityGKg', 'calciumMgL']
const sources = computed(() =>
  desk.sources.map(({ source, known }) => {
    const newest = source.analyses.toSorted((a, b) => (a.at < b.at ? 1 : -1))[0]
    const values = newest
      ? [...first, ...analysisKeys.filter(k => !first.includes(k))]
          .filter(k => newest.values[k] !== undefined)
          .slice(0, 4)
          .map(k => analysisText(k, newest.values[k]!, settings.units))
      : []
    const whole =
      newest &&
      newest.values.ghDh !== undefined &&
      newest.values.khDh !== undefined &&
      newest.values.conductivityUsCm !== undefined
    const follows =
      known && !whole && known.water.seaSaltGL < 0.5
        ? `so GH ${limitText('ghDh', ghOf(known.water), settings.units)}, KH ` +
          `${limitText('khDh', khOf(known.water), settings.units)}, about ` +
          `${valueText('conductivityUsCm', estimateConductivity(known.water), settings.units)}`
        : ''
    return {
      source,
      values: values.join(' · '),
      when: known ? (known.testedMs ? dayText(known.testedMs, desk.nowMs) : 'assumed') : 'no analysis yet',
      follows: newest ? follows : '',
      n: source.analyses.length,
      usable: known !== null,
    }
  }),
)
/** What is in a box: a salt with its formula, or what a gram of a mix raises. */
function contentText(content: MineralContent): string {
  if (content.by === 'salt') {
    const { formula, dissolving } = salts[content.salt]
    const named = content.salt === 'seaSalt' ? saltWord[content.salt] : `${saltWord[content.salt]}, ${formula}`
    const hardly = ' · hardly dissolves: it works as stone in the glass, not in the bucket'
    return dissolving === 'hardly' ? named + hardly : named
  }
  const raises = [
    content.ghDh ? `GH by ${valueText('ghDh', content.ghDh, settings.units)}` : '',
    content.khDh ? `KH by ${valueText('khDh', content.khDh, settings.units)}` : '',
    content.conductivityUsCm
      ? `conductivity by ${valueText('conductivityUsCm', content.conductivityUsCm, settings.units)}`
      : '',
  ]
  return `1 g in a litre raises ${raises.filter(Boolean).join(', ')}`
}
const boxes = computed(() =>
  desk.shelf.map(({ item, left }) => {
    const what = contentText(item.content)
    return { item, left, what }
  }),
)

const leftG = computed(
  () => new Map(desk.shelf.flatMap(b => (b.left === undefined ? [] : [[b.item.id, b.left] as const]))),
)

const scale = ref('')
const jug = ref('')
const ratio = ref('')
const benchIssue = ref('')
watch(
  () => desk.bench,
  b => {
    scale.value = String(b.scaleStepG)
    jug.value = String(b.jugStepL)
    ratio.value = b.caMgByMass === undefined ? '' : String(b.caMgByMass)
  },
  { immediate: true },
)
async function saveBench() {
  const s = readNumber(scale.value, { low: 0.0001, high: 100, unit: 'g' })
  const j = readNumber(jug.value, { low: 0.001, high: 10, unit: 'L' })
  const r = ratio.value.trim() ? readNumber(ratio.value, { low: 0.2, high: 20, unit: '' }) : null
  const badRatio = r && !r.ok ? `Calcium to magnesium: ${r.issue}` : ''
  benchIssue.value = !s.ok ? `Scale: ${s.issue}` : !j.ok ? `Jug: ${j.issue}` : badRatio
  if (!s.ok || !j.ok || badRatio || !room.room) return
  const { caMgByMass: _, ...before } = desk.bench
  const bench = { ...before, scaleStepG: s.value, jugStepL: j.value, ...(r?.ok && { caMgByMass: r.value }) }
  await save('rooms', { ...room.room, bench }, 'Scale and jug kept.')
}
</script>

<template>
  <div class="supplies">
    <section aria-labelledby="sources-title">
      <h2 id="sources-title">Sources</h2>
      <ul>
        <li v-for="s in sources" :key="s.source.id">
          <button type="button" class="row" @click="editing = { source: s.source }">
            <span class="line"
              ><b>{{ s.source.name }}</b
              ><span class="small muted"
                >{{ sourceKindWord[s.source.kind] }} · {{ s.when
                }}<template v-if="s.n > 1"> · {{ s.n }} analyses</template></span
              ></span
            >
            <span class="small">{{
              s.values ||
              (s.usable
                ? 'Taken as empty until you test it.'
                : 'Nothing is known of it: type an analysis, and it can be used.')
            }}</span>
            <span v-if="s.follows" class="small muted">{{ s.follows }}</span>
          </button>
        </li>
      </ul>
      <p v-if="sources.length === 0" class="muted">
        Begin with what comes out of your tap; your supplier’s report is on its website, a test kit does too.
      </p>
      <v-btn class="quiet" @click="editing = { source: null }">Add a source</v-btn>
    </section>
    <section aria-labelledby="shelf-title">
      <h2 id="shelf-title">On the shelf</h2>
      <ul>
        <li v-for="b in boxes" :key="b.item.id">
          <button
            type="button"
            class="row"
            @click="boxing = { item: b.item, ...(b.left !== undefined && { leftG: b.left }) }"
          >
            <span class="line"
              ><b>{{ b.item.name }}</b
              ><span class="small muted">{{
                b.left === undefined ? 'stock not written down' : `${formatNumber(b.left, b.left < 100 ? 1 : 0)} g left`
              }}</span></span
            >
            <span class="small muted">{{ b.what }}</span>
          </button>
        </li>
      </ul>
      <p v-if="boxes.length === 0" class="muted">
        Salts and mineral mixes that you have: recipes use these alone, and say when one is missing.
      </p>
      <v-btn class="quiet" @click="boxing = { item: null }">Add a salt or mix</v-btn>
    </section>
    <section aria-labelledby="bench-title">
      <h2 id="bench-title">Scale and jug</h2>
      <form class="bench" @submit.prevent="saveBench">
        <TextInput v-model="scale" label="Smallest step of your scale" suffix="g" numeric />
        <TextInput v-model="jug" label="You measure water to" suffix="L" numeric />
        <TextInput v-model="ratio" label="Calcium to magnesium, by mass" :placeholder="String(USUAL_CA_MG)" numeric />
        <FieldIssue :text="benchIssue" />
        <v-btn type="submit" class="quiet">Keep</v-btn>
        <p class="small muted">
          Recipes are rounded to what you can measure. What is too little for the scale is given as millilitres of a
          solution.
        </p>
      </form>
    </section>
    <PouredLately :left-g="leftG" :now-ms="desk.nowMs" />
    <SourceSheet :editing="editing" @close="editing = null" />
    <ShelfSheet :boxing="boxing" @close="boxing = null" />
  </div>
</template>

<style scoped>
.supplies {
  display: grid;
  grid-template-columns: minmax(0, 1.2fr) minmax(0, 1.1fr) 260px;
  gap: var(--space-8);
  padding-top: var(--space-6);
}
section {
  display: grid;
  gap: var(--space-5);
  align-content: start;
  justify-items: start;
}
ul {
  width: 100%;
}
.row {
  display: grid;
  gap: var(--space-1);
  width: 100%;
  padding: var(--space-4) 0;
  border: 0;
  border-top: 1px solid var(--rule);
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
}
.row:hover b {
  text-decoration: underline;
}
.line {
  display: flex;
  gap: var(--space-5);
  justify-content: space-between;
  align-items: baseline;
}
.bench {
  display: grid;
  gap: var(--space-5);
}
@media (--small-desk) {
  .supplies {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
