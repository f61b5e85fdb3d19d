<script setup lang="ts">
import { unitOf, volume } from '#core/units'
import { readVolume } from '~/forms/readVolume'
import { DAY_MS } from '#core/records'
import { readoutsOf, type RecipeKey, recipeKeys, setByHand } from '#core/water'
import { percent } from '~/words/numbers'
import { movedKeys, preciseVolume, purchaseText, recipeIssueText, shortText } from '~/words/recipe'
import { limitText, valueName, valueNameInside, valueText, volumeText } from '~/words/unitPrefs'
import { aheadText, dayText } from '~/words/when'
import type { Why } from '~/words/why'
import { whyRecipe } from '~/words/whyRecipe'

/** The bucket: sources into it, what it does to the glass, and what to weigh and pour. */
const desk = useWaterDeskStore()
const room = useRoomStore()
const settings = useSettingsStore()
const logSheet = useLogSheetStore()
const card = useRecipeCard()
const emit = defineEmits<{ sources: [] }>()

const why = shallowRef<Why | null>(null)
const toppingUp = ref(false)
const unit = computed(() => unitOf(volume, settings.units.volume).symbol)

// litres of each source: the keeper's own, or those of the recipe
const litresOf = computed<Record<string, number>>(
  () => desk.chosen ?? Object.fromEntries(card.step.value?.pours.map(p => [p.id, p.litres]) ?? []),
)
const totalL = computed(() => (desk.chosen ? desk.bucketL : (card.step.value?.changeL ?? desk.bucketL)))
const rows = computed(() =>
  desk.usable.map(({ source }) => {
    const known = desk.sources.find(s => s.source.id === source.id)?.known
    const values = source.analyses.at(-1)?.values ?? {}
    const facts = [
      values.ghDh !== undefined ? `GH ${limitText('ghDh', values.ghDh, settings.units)}` : '',
      values.khDh !== undefined ? `KH ${limitText('khDh', values.khDh, settings.units)}` : '',
      values.salinityGKg !== undefined ? valueText('salinityGKg', values.salinityGKg, settings.units) : '',
      values.ghDh === undefined && values.conductivityUsCm !== undefined
        ? valueText('conductivityUsCm', values.conductivityUsCm, settings.units)
        : '',
    ]
    return {
      id: source.id,
      name: source.name,
      litres: litresOf.value[source.id] ?? 0,
      facts: [...facts, known?.testedMs ? dayText(known.testedMs, desk.nowMs) : 'assumed'].filter(Boolean).join(' · '),
    }
  }),
)
const parts = computed(() => rows.value.filter(r => r.litres > 0 || (desk.chosen && desk.chosen[r.id] !== undefined)))
const stepL = computed(() =>
  Math.min(
    desk.bench.jugStepL,
    totalL.value < 2 ? 0.01 : totalL.value < 20 * desk.bench.jugStepL ? 0.05 : desk.bench.jugStepL,
  ),
)

function blendTo(litres: Record<string, number>) {
  desk.chosen = litres
}
/** A source set to some litres: the others make room for it. */
function pourOf(id: string, text: string) {
  const read = readVolume(text, settings.units)
  if (read.ok)
    desk.chosen = setByHand(Object.fromEntries(rows.value.map(r => [r.id, r.litres])), id, read.value, desk.bucketL)
}
const changeText = ref('')
watch(
  [() => desk.bucketL, () => settings.units.volume],
  () => {
    const shown = desk.bucketL / unitOf(volume, settings.units.volume).scale
    changeText.value = String(Number(shown.toFixed(2)))
  },
  { immediate: true },
)
const changeIssue = ref('')
function setChange() {
  const read = readVolume(changeText.value, settings.units)
  changeIssue.value = !read.ok
    ? read.issue
    : read.value >= desk.netL
      ? `Less than the ${volumeText(desk.netL, settings.units)} in the glass; to fill anew use the button below.`
      : ''
  if (!read.ok || changeIssue.value) return
  desk.chosen = null
  desk.changeL = read.value
}
const modes = [
  { value: 'minerals', title: 'GH and KH' },
  { value: 'conductivity', title: 'Conductivity' },
] as const

const stairKeys = computed<RecipeKey[]>(() => (desk.recipe && !desk.filling ? movedKeys(desk.recipe) : []))
const picked = ref<RecipeKey | null>(null)
const stairKey = computed(() =>
  picked.value && stairKeys.value.includes(picked.value) ? picked.value : (stairKeys.value[0] ?? null),
)
/** Limits that matter here: of what is moved, and those that this change comes near to. */
const limits = computed(() =>
  recipeKeys
    .filter(k => {
      const limit = desk.shared.largestStepPerWeek[k]?.value
      const step = card.step.value
      if (limit === undefined || !step || desk.filling) return false
      return (
        stairKeys.value.includes(k) ||
        Math.abs(readoutsOf(step.after)[k] - readoutsOf(step.before)[k]) >
          0.85 * limit * Math.min(1, desk.everyDays / 7)
      )
    })
    .map(k => `${valueText(k, desk.shared.largestStepPerWeek[k]!.value, settings.units)} ${valueNameInside(k)}`),
)
const tests = computed(() =>
  recipeKeys
    .flatMap(k => {
      const last = desk.story.readings.get(k)?.at(-1)
      return last
        ? [
            `${valueName(k)} ` +
              `${last.method === 'reckoned' ? 'reckoned from what was poured' : dayText(last.at, desk.nowMs)}`,
          ]
        : []
    })
    .join(', '),
)
const old = computed(() => {
  const ages = recipeKeys.flatMap(k => (desk.shared.targets[k] ? (desk.story.readings.get(k)?.at(-1)?.at ?? []) : []))
  return ages.length > 0 && desk.nowMs - Math.max(...ages) > 30 * DAY_MS
})
/** Waters change over the year: an old analysis is said. */
const stale = computed(() =>
  desk.sources
    .filter(
      s =>
        (litresOf.value[s.source.id] ?? 0) > 0 &&
        s.known?.testedMs != null &&
        desk.nowMs - s.known.testedMs > 365 * DAY_MS,
    )
    .map(s => s.source.name),
)
const shortage = computed(
  () => desk.recipe?.needs.filter(n => n.enough === false).map(n => card.names.item(n.id)?.name ?? 'salt') ?? [],
)
const openWhy = () => {
  why.value = desk.recipe
    ? whyRecipe({
        recipe: desk.recipe,
        story: desk.story,
        shared: desk.shared,
        groups: desk.groups,
        sources: desk.sources,
        filling: desk.filling,
        nowMs: desk.nowMs,
        units: settings.units,
      })
    : null
}
const print = () => window.print()
const title = computed(() => `Water for ${desk.colonies.map(c => c.name).join(' and ') || desk.glass?.name || ''}`)
/** From a change to a new first fill, or back; a blend by hand was for the other. */
function refill() {
  desk.refilling = !desk.refilling
  desk.chosen = null
}
/** Under the title of the printed card: how much, into how much, when, in which room. */
const cardAbout = computed(() => {
  const poured = preciseVolume(card.step.value?.changeL ?? 0, settings.units)
  const into = volumeText(desk.netL, settings.units)
  return `${poured} into ${into}, ${aheadText(desk.nextChangeMs, desk.nowMs)}. ${room.room?.name ?? ''}`
})
</script>

<template>
  <div class="desk">
    <section class="bucket-side beside-card" aria-label="Into the bucket">
      <h2>Into the bucket</h2>
      <BucketCylinder v-if="parts.length > 0" :parts="parts" :total-l="totalL" :step-l="stepL" @blend="blendTo" />
      <form v-if="!desk.filling" class="change" @submit.prevent="setChange">
        <TextInput
          v-model="changeText"
          label="Change of"
          :suffix="unit"
          numeric
          :error="changeIssue"
          @change="setChange"
        />
        <span class="small muted"
          >{{ percent(desk.bucketL / Math.max(desk.netL, 0.1)) }} of {{ volumeText(desk.netL, settings.units) }}</span
        >
      </form>
      <ChoiceChips
        v-if="desk.canLead"
        :model-value="desk.leading"
        label="Led by"
        :options="modes"
        hide-label
        @update:model-value="desk.mode = $event || null"
      />
      <ul class="sources">
        <li v-for="r in rows" :key="r.id">
          <span class="source"
            ><b>{{ r.name }}</b
            ><span class="small muted">{{ r.facts }}</span></span
          >
          <label class="litres"
            ><span class="hidden-to-eyes">{{ r.name }}, {{ unit }}</span
            ><input
              :value="Number((r.litres / unitOf(volume, settings.units.volume).scale).toFixed(2))"
              inputmode="decimal"
              autocomplete="off"
              @change="pourOf(r.id, ($event.target as HTMLInputElement).value)"
            /><span class="small muted">{{ unit }}</span></label
          >
        </li>
      </ul>
      <p class="small muted">
        <template v-if="desk.chosen"
          >Your own blend.
          <button type="button" class="link" @click="desk.chosen = null">Let it be solved</button></template
        ><template v-else>The blend is solved: drag a line, or type litres, to choose your own.</template>
      </p>
      <p class="ways">
        <button type="button" class="link" @click="emit('sources')">Sources and shelf</button
        ><button type="button" class="link" @click="toppingUp = true">Log a top-up</button
        ><button v-if="!desk.empty" type="button" class="link" @click="refill">
          {{ desk.refilling ? 'Back to a change' : 'Fill anew' }}
        </button>
      </p>
    </section>

    <section class="view beside-card" aria-label="What it does">
      <template v-if="desk.groups.length === 0">
        <p class="statement">Whose water is it?</p>
        <p>
          No colony lives in this glass, and no plan stands behind it, so there is nothing to aim at.
          <NuxtLink to="/plan">Plan a colony for it</NuxtLink>, or start one in the Room.
        </p>
      </template>
      <template v-else-if="desk.usable.length === 0">
        <p class="statement">There is no water to make it from yet.</p>
        <p>
          Enter what comes out of your tap: GH and KH are enough to begin with.
          <button type="button" class="link" @click="emit('sources')">Add a source</button>
        </p>
      </template>
      <template v-else-if="desk.unread.length > 0">
        <p class="statement">
          {{ desk.unread.map(valueName).join(' and ') }} {{ desk.unread.length === 1 ? 'was' : 'were' }} never tested
          here.
        </p>
        <p>
          A correction starts from what is in the glass.
          <button
            v-if="desk.colonies[0]"
            type="button"
            class="link"
            @click="logSheet.show(desk.colonies[0].id, 'waterTest')"
          >
            Log a test
          </button>
        </p>
      </template>
      <template v-else-if="desk.answer && !desk.answer.ok">
        <p class="statement refused" role="alert">{{ recipeIssueText(desk.answer.issue, desk.chosen !== null) }}</p>
        <p v-if="desk.lacking && desk.question">{{ purchaseText(desk.purchase, desk.question.goals, desk.now) }}</p>
        <p v-if="limits.length > 0 || desk.shared.largestStepPerWeek.khDh" class="muted">
          The largest step a week here:
          {{
            recipeKeys
              .filter(k => desk.shared.largestStepPerWeek[k] && desk.shared.targets[k])
              .map(k => `${valueName(k)} ${valueText(k, desk.shared.largestStepPerWeek[k]!.value, settings.units)}`)
              .join(', ')
          }}.
        </p>
      </template>
      <template v-else-if="desk.recipe && card.step.value">
        <h2 class="statement"><TheSentence :text="card.headline.value" /></h2>
        <p class="why-line">
          <template v-if="limits.length > 0">No step is larger than {{ limits.join(', ') }} a week. </template>
          <template v-if="desk.recipe.smaller"
            >The change is smaller than asked for, so that no step is too large.
          </template>
          <button type="button" class="link" aria-label="Why? The recipe" @click="openWhy">Why?</button>
        </p>
        <CautionNote v-if="!desk.recipe.reached">
          <TheSentence :text="`${shortText(desk.recipe, settings.units)}.`" />
          {{
            desk.chosen
              ? 'Let it be solved, or choose another blend.'
              : purchaseText(desk.purchase, desk.recipe.goals, desk.now)
          }}
        </CautionNote>
        <CautionNote v-if="desk.refilling && desk.colonies.length > 0">
          Animals live here: a whole new fill is for an empty glass. Take them out first, and bring them back by drip.
        </CautionNote>
        <CautionNote v-if="shortage.length > 0">
          Not enough on the shelf for all of it: {{ shortage.join(', ') }}.
        </CautionNote>
        <CautionNote v-if="desk.early">
          The last change was {{ dayText(desk.lastChangeMs!, desk.nowMs) }}. The next is due
          {{ aheadText(desk.nextChangeMs, desk.nowMs) }}: poured earlier, values move faster than these animals take in
          a week.
        </CautionNote>
        <CautionNote v-if="old && !desk.filling">
          The last test is more than a month old: test before you correct.
        </CautionNote>
        <CautionNote v-if="stale.length > 0">
          {{ stale.join(', ') }}: the analysis is more than a year old. Test it again, or ask your supplier.
        </CautionNote>
        <template v-if="stairKey">
          <ChangeStair
            :recipe="desk.recipe"
            :shown="stairKey"
            :preferred="desk.shared.targets[stairKey]?.preferred ?? null"
            :start-ms="desk.nextChangeMs"
            :now-ms="desk.nowMs"
          />
          <p v-if="stairKeys.length > 1" class="small other">
            <template v-for="k in stairKeys" :key="k"
              ><button type="button" class="link" :aria-pressed="stairKey === k" @click="picked = k">
                {{ valueName(k) }}</button
              >{{ ' ' }}</template
            >
          </p>
        </template>
        <RecipeTable :recipe="desk.recipe" :filling="desk.filling" />
        <p class="small muted foot">
          <template v-if="!desk.filling">Tested: {{ tests }}. </template
          ><template v-if="card.step.value.after.seaSaltGL < 0.5"
            >Calcium, magnesium and sodium follow from the sources. </template
          ><template v-if="desk.glass?.carbonateG"
            >Carbonate stone in the glass pushes KH up by itself: test again before each change.</template
          ><template v-else-if="desk.glass?.soilSince"
            >Active soil takes KH up by itself: test again before each change.</template
          >
        </p>
      </template>
      <p v-else class="muted">Working it out …</p>
    </section>

    <WeighAndPour
      v-if="desk.recipe"
      :steps="card.steps.value"
      :cautions="card.cautions.value"
      :card-title="title"
      :card-about="cardAbout"
    >
      <p class="phone-acts">
        <v-btn class="quiet" @click="print">Print</v-btn><v-btn class="quiet" @click="card.savePdf()">PDF</v-btn>
      </p>
    </WeighAndPour>
    <WhySheet :why="why" @close="why = null" />
    <TopUpSheet v-model="toppingUp" />
  </div>
</template>

<style scoped>
.desk {
  display: grid;
  grid-template-columns: 244px minmax(0, 1fr) 300px;
  gap: 24px;
  padding-top: 10px;
}
.bucket-side {
  display: grid;
  gap: 10px;
  align-content: start;
}
.change {
  display: grid;
  grid-template-columns: 120px 1fr;
  gap: 10px;
  align-items: end;
}
.change .small {
  padding-bottom: 12px;
}
.sources li {
  display: flex;
  align-items: center;
  gap: 8px;
  border-top: 1px solid var(--rule);
  padding: 4px 0;
}
.source {
  flex: 1;
  display: grid;
  line-height: 1.25;
  min-width: 0;
}
.litres {
  display: flex;
  align-items: center;
  gap: 5px;
}
.litres input {
  width: 62px;
  min-height: 40px;
  padding: 0 8px;
  text-align: right;
  border: 1px solid var(--rule);
  border-radius: 6px;
  background: var(--surface);
  color: var(--ink);
  font: inherit;
}
.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
}
.ways .link {
  min-height: 32px;
}
.view {
  min-width: 0;
}
.phone-acts {
  display: none;
  gap: 12px;
  padding-top: 12px;
}
@media (max-width: 700px) {
  .phone-acts {
    display: flex;
  }
}
@media print {
  .phone-acts {
    display: none;
  }
  .desk {
    display: block;
    padding: 0;
  }
}
.why-line {
  padding: 4px 0 10px;
  color: var(--muted);
  font-size: 15px;
}
.refused {
  color: var(--rust);
  padding-bottom: 8px;
}
.statement {
  font-size: 24px;
}
.other {
  display: flex;
  gap: 14px;
  padding: 2px 0 6px;
}
.other .link {
  min-height: 32px;
}
.other [aria-pressed='true'] {
  color: var(--ink);
  font-weight: 650;
  text-decoration: none;
}
.foot {
  padding-top: 10px;
}
@media (max-width: 1150px) {
  .desk {
    grid-template-columns: 244px minmax(0, 1fr);
  }
  .desk > :last-of-type {
    grid-column: 2;
  }
}
@media (max-width: 700px) {
  .desk {
    grid-template-columns: minmax(0, 1fr);
  }
  .desk > :last-of-type {
    grid-column: 1;
  }
  .view {
    order: -1;
  }
}
</style>
