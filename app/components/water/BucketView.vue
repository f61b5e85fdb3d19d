<script setup lang="ts">
import type { RecipeKey } from '#core/water'
import type { BucketBlend } from '~/composables/useBucketBlend'
import type { RecipeCard } from '~/composables/useRecipeCard'
import { movedKeys, purchaseText, recipeIssueText } from '~/words/recipe'
import { valueName } from '~/words/unitPrefs'

/** What the bucket does to the glass: the recipe in a sentence, its cautions, the stair of changes, every value. */
const { card, blend } = defineProps<{ card: RecipeCard; blend: BucketBlend }>()
const emit = defineEmits<{ sources: []; why: [] }>()
const desk = useWaterDeskStore()
const logSheet = useLogSheetStore()

const stairKeys = computed<RecipeKey[]>(() => (desk.recipe && !desk.filling ? movedKeys(desk.recipe) : []))
const picked = ref<RecipeKey | null>(null)
const stairKey = computed(() =>
  picked.value && stairKeys.value.includes(picked.value) ? picked.value : (stairKeys.value[0] ?? null),
)
const notes = useBucketNotes(card, () => stairKeys.value)
const cautions = useBucketCautions(card, blend)
</script>

<template>
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
      <p v-if="desk.lacking && desk.question">{{ purchaseText(desk.purchase, desk.question, desk.now) }}</p>
      <p v-if="notes.largestSteps" class="muted">The largest step a week here: {{ notes.largestSteps }}.</p>
    </template>
    <template v-else-if="desk.recipe && card.step.value">
      <h2 class="statement"><TheSentence :text="card.headline.value" /></h2>
      <p class="why-line">
        <template v-if="notes.limits.length > 0"
          >No step is larger than {{ notes.limits.join(', ') }} a week.
        </template>
        <template v-if="notes.smaller"><TheSentence :text="notes.smaller" />{{ ' ' }}</template>
        <button type="button" class="link" aria-label="Why? The recipe" @click="emit('why')">Why?</button>{{ ' '
        }}<button type="button" class="link" @click="desk.exactly = !desk.exactly">
          {{ desk.exactly ? 'As simple as it goes' : 'Exactly to the middle' }}
        </button>
      </p>
      <CautionNote v-for="c in cautions" :key="c"><TheSentence :text="c" /></CautionNote>
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
      <p v-if="notes.settles" class="small foot"><TheSentence :text="notes.settles" /></p>
      <p class="small muted foot">
        <template v-if="!desk.filling">Tested: {{ notes.tests }}. </template
        ><template v-if="card.step.value.after.seaSaltGL < 0.5"
          >Calcium, magnesium and sodium follow from the sources. </template
        ><template v-if="desk.glass?.carbonateG"
          >Carbonate stone in the glass pushes KH up by itself: test again before each change.</template
        ><template v-else-if="desk.glass?.soilSince"
          >Active soil takes KH up by itself: test again before each change.</template
        >
      </p>
    </template>
    <WorkerFailed v-else-if="desk.recipeWorker.failed" :worker="desk.recipeWorker" />
    <p v-else class="muted">Working it out …</p>
  </section>
</template>

<style scoped>
.view {
  min-width: 0;
}
.why-line {
  padding: var(--space-2) 0 var(--space-4);
  color: var(--muted);
  font-size: var(--type-small);
}
.refused {
  color: var(--rust);
  padding-bottom: var(--space-4);
}
.statement {
  font-size: var(--type-statement);
}
.other {
  display: flex;
  gap: var(--space-5);
  padding: var(--space-1) 0 var(--space-3);
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
  padding-top: var(--space-4);
}
@media (--phone) {
  .view {
    order: -1;
  }
}
</style>
