<script setup lang="ts">
import { countEvidence } from '#core/abundance'
import {
  type BlobsFound,
  densityOf,
  type FrameCount,
  hitRateOf,
  joinFrames,
  type Picture,
  tallyMarks,
} from '#core/counting'
import { groupOf } from '#core/groups'
import type { Colony, Practice } from '#core/records'
import { readPicture } from '~/files/readPicture'
import { readShare, type SheetCount } from '~/forms/countSheets'
import type { PictureMark } from './MarkPicture.vue'
import { countWhy, evidenceText, hitRateText, type MarkStage, stageMarkWord } from '~/words/count'
import { whole } from '~/words/numbers'

/**
 * Counting on a photo: marks by stage, suggestions to take or leave, several frames averaged, expansion to the whole
 * tank.
 */
const props = defineProps<{ colony: Colony; practice: readonly Practice[] }>()
const count = defineModel<SheetCount | null>({ required: true })
const counting = useCounting()

const picture = shallowRef<Picture | null>(null)
const problem = ref('')
const marks = ref<PictureMark[]>([])
const stage = ref<MarkStage | ''>('grown')
const stages = (Object.keys(stageMarkWord) as MarkStage[]).map(value => ({ value, title: stageMarkWord[value] }))
const found = shallowRef<BlobsFound | null>(null)
const suggestions = shallowRef<{ x: number; y: number }[]>([])
const looking = ref(false)
const grid = ref(true)
const threshold = ref(0)
const smallest = ref(0)
/** Numbers by stage of the frames that are done. */
const frames = ref<FrameCount[]>([])
const share = ref('100')
const widthCm = ref('30')
const useOwn = ref(true)

const shareRead = computed(() => readShare(share.value))
const tally = computed(() => tallyMarks(marks.value))
const joined = computed(() => joinFrames([...frames.value, ...(picture.value ? [tally.value] : [])]))
const own = computed(
  () =>
    joined.value &&
    picture.value &&
    hitRateOf(
      props.practice,
      joined.value.mostly,
      densityOf(joined.value.mean, Number(widthCm.value.replace(',', '.')), picture.value),
    ),
)
watch(
  [joined, shareRead, own, useOwn],
  () => {
    if (!joined.value || !shareRead.value.ok) {
      count.value = null
      return
    }
    const { number, parts, series } = joined.value
    count.value = {
      method: 'photo',
      number,
      share: shareRead.value.share,
      parts,
      ...(series.length > 1 && { series }),
      ...(useOwn.value && own.value && { hitRate: { share: own.value.share, sdLog: own.value.sdLog } }),
    }
  },
  { immediate: true },
)
const evidence = computed(() =>
  count.value?.method === 'photo'
    ? countEvidence(
        count.value,
        groupOf(props.colony.groupId).counting,
        groupOf(props.colony.groupId).care.molts !== undefined,
      )
    : null,
)

async function take(file: File) {
  const read = await readPicture(file)
  problem.value = read.ok ? '' : read.problem
  if (!read.ok) return
  keepFrame()
  picture.value = read.picture
  await suggest()
}
/** The frame at hand joins the average when the next picture comes. */
function keepFrame() {
  if (picture.value && marks.value.length > 0) frames.value = [...frames.value, tally.value]
  marks.value = []
  suggestions.value = []
  found.value = null
}
async function suggest(own = false) {
  if (!picture.value) return
  looking.value = true
  const settings = own ? { threshold: threshold.value, smallest: smallest.value } : {}
  const shown = { ...picture.value, data: picture.value.data }
  const seen = await counting.run(api => api.suggest(shown, settings))
  looking.value = false
  if (!seen) {
    problem.value = 'The picture could not be looked through. Your marks are kept; go on by tapping.'
    return
  }
  found.value = seen
  threshold.value = seen.threshold
  smallest.value = seen.smallest
  const near = (s: { x: number; y: number }) =>
    marks.value.some(m => Math.hypot(m.x - s.x, m.y - s.y) < picture.value!.width / 75)
  suggestions.value = found.value.blobs.filter(b => !near(b))
}
function takeAll() {
  marks.value = [...marks.value, ...suggestions.value.map(s => ({ x: s.x, y: s.y, stage: stage.value || 'grown' }))]
  suggestions.value = []
}
const accepted = (index: number) => {
  suggestions.value = suggestions.value.filter((_, i) => i !== index)
}
const redo = useDebounceFn(() => suggest(true), 150)
</script>

<template>
  <div class="pixels">
    <div class="side">
      <PhotoButton :label="picture ? 'Next picture of the same tank' : 'Open a picture of the tank'" @chosen="take" />
      <FieldIssue :text="problem" />
      <p v-if="!picture" class="muted small">
        Straight through the front glass, no flash. Take two or three within a minute: the mean of several frames is
        worth more than one. The picture itself is not kept.
      </p>
      <template v-else>
        <ChoiceChips v-model="stage" label="What a tap marks" :options="stages" />
        <div class="acts">
          <template v-if="suggestions.length > 0"
            ><v-btn class="quiet" @click="takeAll">Take all {{ suggestions.length }} suggestions</v-btn
            ><button type="button" class="link" @click="suggestions = []">Leave them all</button></template
          >
          <button type="button" class="link" @click="marks = []">Clear marks</button>
        </div>
        <p v-if="looking" class="small muted" role="status">Looking through the picture …</p>
        <details>
          <summary>Suggest differently</summary>
          <label class="slider"
            >Contrast that counts
            <input v-model.number="threshold" type="range" min="0.02" max="0.5" step="0.01" @input="redo"
          /></label>
          <label class="slider"
            >Smallest animal <input v-model.number="smallest" type="range" min="6" max="600" step="2" @input="redo" />
            <span class="small muted">{{ whole(smallest) }} square pixels</span></label
          >
          <label class="check"><input v-model="grid" type="checkbox" /> Grid</label>
        </details>
        <TextInput
          v-model="share"
          label="Share of the tank in the picture"
          suffix="%"
          numeric
          :error="shareRead.ok ? '' : shareRead.issue"
        />
        <TextInput
          v-model="widthCm"
          label="Width of what is seen"
          suffix="cm"
          numeric
          hint="Tells how crowded it is, for your hit rate."
        />
        <label v-if="own" class="check"
          ><input v-model="useOwn" type="checkbox" /> <TheSentence :text="hitRateText(own)"
        /></label>
        <p v-else class="small muted">
          Count a few pictures of the practice tank, and your own hit rate is used instead of the group’s.
        </p>
      </template>
    </div>
    <div class="stage">
      <MarkPicture
        v-if="picture"
        v-model="marks"
        :picture="picture"
        :stage="stage || 'grown'"
        :suggestions="suggestions"
        :grid="grid"
        @accept="accepted"
      />
      <p v-else class="nothing muted">Your picture comes here, with suggestions to take or leave.</p>
      <p v-if="picture" class="sums">
        <span v-for="s in stages" :key="s.value"
          ><span class="numeral">{{ tally[s.value] }}</span> {{ s.title.toLowerCase() }}</span
        ><span v-if="frames.length > 0" class="muted"
          >with {{ frames.length }} earlier {{ frames.length === 1 ? 'frame' : 'frames' }}: mean
          {{ joined?.mean.toFixed(1) }}</span
        >
      </p>
      <p v-if="evidence"><TheSentence :text="evidenceText(evidence)" /></p>
      <details v-if="evidence" class="small">
        <summary>Why?</summary>
        <p class="muted">{{ countWhy['photo'] }}</p>
      </details>
    </div>
  </div>
</template>

<style scoped>
.pixels {
  display: grid;
  grid-template-columns: 320px minmax(0, 1fr);
  gap: var(--space-7);
}
.side {
  display: grid;
  gap: var(--space-5);
  align-content: start;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-5);
  align-items: center;
}
.slider {
  display: grid;
  padding: var(--space-3) 0;
  font-size: var(--type-small);
}
.slider input {
  width: 100%;
  accent-color: var(--weed);
}
.check {
  display: flex;
  gap: var(--space-4);
  align-items: flex-start;
  min-height: 36px;
  cursor: pointer;
}
.check input {
  width: 18px;
  height: 18px;
  accent-color: var(--weed);
  flex: none;
  margin-top: var(--space-1);
}
.nothing {
  border: 1px dashed var(--muted);
  border-radius: 6px;
  min-height: 320px;
  display: grid;
  place-items: center;
  padding: var(--space-6);
  text-align: center;
}
.sums {
  display: flex;
  gap: var(--space-6);
  padding: var(--space-4) 0 var(--space-2);
  flex-wrap: wrap;
}
@media (--narrow) {
  .pixels {
    grid-template-columns: 1fr;
  }
  .stage {
    order: -1;
  }
  .nothing {
    min-height: 120px;
  }
}
</style>
