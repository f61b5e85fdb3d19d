<script setup lang="ts">
import type { Spot } from '#core/meter'
import { rgbOf } from '#core/meter'
import { percent, plain, whole } from '~/words/numbers'
import { lightText, lostText, measuredText, suggestedText } from '~/words/meter'

const route = useRoute()
const room = useRoomStore()
const sheets = useSheets()
const meter = useMeter(computed(() => String(route.params.id)))
const { colony, line, ladder, rungs, shown, spots, card, measured, suggested } = meter
useHead({ title: () => `Grade meter · ${colony.value?.name ?? ''} · Ulkin` })
const cards = [
  { value: 'white' as const, title: 'White card' },
  { value: 'grey' as const, title: 'Grey card, 18 %' },
]
/** Which of the two the next tap sets. */
const next = ref<'animal' | 'card'>('card')
watch(shown, () => (next.value = 'card'))
function tapped(spot: Spot) {
  spots.value = { ...spots.value, [next.value]: spot }
  next.value = spots.value.animal ? 'card' : 'animal'
}
const read = computed(() => (measured.value && typeof measured.value !== 'string' ? measured.value : null))
const lost = computed(() => (typeof measured.value === 'string' ? lostText[measured.value] : ''))
const headline = computed(() => {
  if (read.value) return measuredText(read.value)
  if (!shown.value) return 'Take a photo of one animal beside a white or grey card.'
  return spots.value.animal ? 'Tap on the card in the picture.' : 'Tap on the animal, then on the card.'
})
const colour = computed(() => {
  if (!read.value?.pigment) return ''
  const [r, g, b] = rgbOf(read.value.pigment).map(c => Math.round(255 * Math.min(1, Math.max(0, c))))
  return `rgb(${r} ${g} ${b})`
})
const taught = computed(() => {
  const n = meter.learntFrom.value.length
  return shown.value?.truth
    ? `${whole(n)} practice pictures graded on this visit; they teach the practice alone and are not kept.`
    : `${whole(n)} graded photos so far on this ladder.`
})
useEventListener('keydown', event => {
  if (event.ctrlKey || event.metaKey || event.altKey || sheets.anyOpen.value) return
  const target = event.target instanceof Element ? event.target : document.body
  if (target.closest('input, textarea, select') || !read.value || !/^[1-9]$/.test(event.key)) return
  if (Number(event.key) <= rungs.value.length) void meter.keep(Number(event.key) - 1)
})
</script>

<template>
  <div>
    <AppTop title="Grade meter" :about="line ? `${colony?.name} · ${ladder?.trait ?? ''}` : ''">
      <template v-if="line" #before><BackLink :to="`/lines/${line.id}`" :label="`To ${line.name}`" /></template>
    </AppTop>
    <EmptyPlace
      v-if="room.ready && (!line || !ladder)"
      :statement="line ? `${line.name} has no ladder yet.` : 'This colony holds no line yet.'"
      :to="line ? `/lines/${line.id}?tab=ladder` : '/lines'"
      :leads="line ? 'Word its ladder' : 'Begin a line'"
    >
      The meter learns rungs from your own graded photos: it needs rungs to learn.
    </EmptyPlace>
    <div v-else-if="line" class="page">
      <div class="main">
        <p class="statement"><TheSentence :text="headline" /></p>
        <WorkerFailed :worker="meter.worker" />
        <div class="acts">
          <PhotoButton label="A photo" @chosen="meter.open" />
          <v-btn class="quiet" @click="meter.practise">A practice picture</v-btn>
        </div>
        <MeterPicture
          v-if="shown"
          :picture="shown.picture"
          :animal="spots.animal"
          :card="spots.card"
          :outlines="read ? [read.animal, read.card] : []"
          :label="`Picture of one animal. Arrows move the cross, Enter sets the ${next}.`"
          @tap="tapped"
        />
        <p v-if="shown?.truth" class="small muted">
          A stand-in for a camera: this animal is drawn by the app.
          {{ read ? `It is ${percent(shown.truth.cover)} covered.` : '' }}
        </p>
        <p v-if="read" class="small muted">
          The lines show what was taken for animal and card. Where they run into the ground, tap anew, or take the photo
          on plainer, darker ground.
        </p>
        <FieldIssue :text="meter.problem.value || lost" />
        <p v-for="w in read?.warnings ?? []" :key="w" class="small light">{{ lightText[w] }}</p>
      </div>
      <aside class="side" aria-label="What is measured">
        <ChoiceChips v-model="card" label="The card beside it" :options="cards" />
        <ChoiceChips
          v-if="shown"
          v-model="next"
          label="The next tap sets"
          :options="[
            { value: 'animal', title: 'the animal' },
            { value: 'card', title: 'the card' },
          ]"
        />
        <template v-if="read">
          <p v-if="colour" class="colour"><span :style="{ background: colour }" /> as daylight shows it</p>
          <p v-if="suggested">
            <TheSentence
              :text="
                suggestedText(
                  suggested,
                  rungs.map(r => r.words),
                  shown?.truth != null,
                )
              "
            />
          </p>
          <div class="rungs" role="group" aria-label="Keep it with its rung">
            <button v-for="(r, k) in rungs" :key="r.id" type="button" class="rung" @click="meter.keep(k)">
              <b class="numeral">{{ k + 1 }}</b>
              <span>{{ r.words }}</span>
              <span
                v-if="suggested && suggested.known !== 'tooFew'"
                class="chance"
                :title="plain(percent(suggested.chances[k]!))"
              >
                <i :style="{ width: `${100 * suggested.chances[k]!}%`, background: rungColour(k, rungs.length) }" />
              </span>
              <em v-if="suggested && suggested.known !== 'tooFew'" class="numeral">{{
                percent(suggested.chances[k]!)
              }}</em>
            </button>
          </div>
          <p class="small muted">Press its rung: what you give is kept, not what was suggested. {{ taught }}</p>
        </template>
        <p v-else class="small muted">
          Lay the animal in a little water on plain, dark ground, the card right beside it, both in the same light.
          Never hold it dry. Cover is the share of the body that is coloured; depth is how far its colour lies from
          white, in CIELAB.
        </p>
      </aside>
    </div>
  </div>
</template>

<style scoped>
.page {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 320px;
  gap: var(--space-7);
  padding: var(--space-5) var(--space-7) var(--space-8);
}
.main,
.side {
  display: grid;
  gap: var(--space-5);
  align-content: start;
}
.acts {
  display: flex;
  gap: var(--space-4);
  align-items: center;
}
.light {
  border-left: 3px solid var(--straw);
  padding-left: var(--space-4);
}
.colour {
  display: flex;
  gap: var(--space-4);
  align-items: center;
}
.colour span {
  width: 44px;
  height: 28px;
  border: 1px solid var(--rule);
  border-radius: 4px;
}
.rungs {
  display: grid;
  gap: var(--space-3);
}
.rung {
  display: grid;
  grid-template-columns: 22px minmax(0, 1fr) 80px 44px;
  gap: var(--space-4);
  align-items: center;
  min-height: 46px;
  padding: 0 var(--space-5);
  border: 1px solid var(--rule);
  border-radius: 6px;
  background: var(--surface);
  color: var(--ink);
  font: inherit;
  text-align: left;
  cursor: pointer;
}
.chance {
  height: 10px;
  background: var(--rule);
  border-radius: 3px;
  overflow: hidden;
}
.chance i {
  display: block;
  height: 100%;
}
em {
  font-style: normal;
  text-align: right;
}
@media (--narrow) {
  .page {
    grid-template-columns: minmax(0, 1fr);
    padding: var(--space-5) var(--space-6) var(--space-7);
  }
}
</style>
