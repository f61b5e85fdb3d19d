<script setup lang="ts">
import { foundShare, halfLength, hitRateOf, PRACTICE_DM2, scoreMarks, type TankPicture } from '#core/counting'
import { begun, type Practice } from '#core/records'
import { newId } from '~/data/newId'
import type { PictureMark } from './MarkPicture.vue'
import { hitRateText, type MarkStage, stageMarkWord } from '~/words/count'
import { percent, whole } from '~/words/numbers'

/**
 * The practice tank: a picture of a tank that is not there, with a known number of animals. What the keeper finds of
 * them is their hit rate.
 */
const props = defineProps<{ practice: readonly Practice[] }>()
const room = useRoomStore()
const settings = useSettingsStore()
const counting = useCounting()
const { save } = useSave()

const stage = ref<MarkStage | ''>('grown')
const stages = (Object.keys(stageMarkWord) as MarkStage[]).map(value => ({ value, title: stageMarkWord[value] }))
const crowd = ref<'few' | 'some' | 'many' | ''>('some')
const crowds = [
  { value: 'few' as const, title: 'Few' },
  { value: 'some' as const, title: 'Some' },
  { value: 'many' as const, title: 'Crowded' },
]
const between: Readonly<Record<'few' | 'some' | 'many', readonly [number, number]>> = {
  few: [4, 15],
  some: [15, 50],
  many: [50, 120],
}
const WIDTH = 900
const HEIGHT = 600

const picture = shallowRef<TankPicture | null>(null)
const shownStage = ref<MarkStage>('grown')
const marks = ref<PictureMark[]>([])
const result = shallowRef<ReturnType<typeof scoreMarks> | null>(null)
const making = ref(false)
const dice = () => crypto.getRandomValues(new Uint32Array(2))

async function next() {
  making.value = true
  result.value = null
  marks.value = []
  const [a, b] = dice()
  const [low, high] = between[crowd.value || 'some']
  shownStage.value = stage.value || 'grown'
  const scene = {
    width: WIDTH,
    height: HEIGHT,
    animals: low + (a! % (high - low + 1)),
    stage: shownStage.value,
    seed: b! % 1_000_000_007,
    frame: 0,
  }
  picture.value = await counting.run(api => api.scene(scene))
  making.value = false
}
async function finish() {
  if (!picture.value || !room.room) return
  const score = scoreMarks(marks.value, picture.value.animals, halfLength[shownStage.value] * 1.8)
  result.value = score
  await save('practice', {
    ...begun(newId(), Date.now()),
    roomId: room.room.id,
    ...(settings.keeper.trim() && { keeper: settings.keeper.trim() }),
    shown: picture.value.animals.length,
    density: picture.value.animals.length / PRACTICE_DM2,
    stage: shownStage.value,
    found: score.found,
    strays: score.strays,
  })
}
/** What a photo of the chosen kind would be read with. */
const usual = computed(() => {
  const [low, high] = between[crowd.value || 'some']
  return hitRateOf(props.practice, stage.value || 'grown', (low + high) / 2 / PRACTICE_DM2)
})
const rates = computed(() =>
  stages.flatMap(s =>
    (['few', 'some', 'many'] as const).flatMap(c => {
      const [low, high] = between[c]
      const found = foundShare(props.practice.filter(p => p.stage === s.value && p.shown >= low && p.shown <= high))
      return found
        ? [
            {
              id: `${s.value} ${c}`,
              kind: `${s.title}, ${crowds.find(x => x.value === c)!.title.toLowerCase()}`,
              share: percent(found.share),
              range:
                `${percent(found.low)} to ${percent(found.high)}, ${found.pictures} ` +
                (found.pictures === 1 ? 'picture' : 'pictures'),
            },
          ]
        : []
    }),
  ),
)
const columns = [
  { key: 'kind', title: 'Animals' },
  { key: 'share', title: 'Found', as: 'figure' },
  { key: 'range', title: 'Likely', as: 'quiet' },
] as const
const HOW_LEARNT =
  'For your photos each stage is learnt by itself, and pictures of like density count most; marks on nothing count too.'
</script>

<template>
  <div class="practice">
    <div class="side">
      <p class="muted small">
        A stand-in for a camera: the tank is drawn by the app, not a real one. Mark every animal you can see in the time
        you would take at the glass, then look how many there were. Animals of the real tank hide more than these.
      </p>
      <ChoiceChips v-model="stage" label="Animals" :options="stages" />
      <ChoiceChips v-model="crowd" label="How many of them" :options="crowds" />
      <div class="acts">
        <v-btn :class="picture && !result ? 'quiet' : ''" color="primary" :disabled="making" @click="next">{{
          picture ? 'Another picture' : 'Show a picture'
        }}</v-btn>
        <v-btn v-if="picture && !result" color="primary" @click="finish">That is all I see</v-btn>
      </div>
      <p v-if="result && picture" role="status" class="statement">
        {{ whole(result.found) }} of {{ whole(picture.animals.length) }} found<template v-if="result.strays > 0"
          >, {{ whole(result.strays) }} {{ result.strays === 1 ? 'mark' : 'marks' }} on nothing</template
        >.
      </p>
      <p v-if="result && result.missed.length > 0" class="small muted">Those that you missed are ringed.</p>
      <template v-if="rates.length > 0">
        <h3>Your hit rate</h3>
        <DataTable label="Your hit rate, with its likely range" :columns="columns" :rows="rates" />
        <p v-if="usual" class="small muted">
          <TheSentence :text="`${HOW_LEARNT} At the density chosen above: ${hitRateText(usual)}`" />
        </p>
      </template>
    </div>
    <div>
      <MarkPicture
        v-if="picture"
        v-model="marks"
        :picture="picture"
        :stage="shownStage"
        :missed="result?.missed ?? []"
        :locked="result !== null"
      />
      <p v-else class="nothing muted">Nothing shown yet. Three pictures of each kind already tell a lot.</p>
      <p v-if="picture && !result" class="sums">
        <span class="numeral">{{ marks.length }}</span> marked
      </p>
    </div>
  </div>
</template>

<style scoped>
.practice {
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
  gap: var(--space-5);
  flex-wrap: wrap;
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
  padding-top: var(--space-4);
}
@media (--narrow) {
  .practice {
    grid-template-columns: 1fr;
  }
  .nothing {
    min-height: 120px;
  }
}
</style>
