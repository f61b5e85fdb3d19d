<script setup lang="ts">
import { countEvidence, removalPasses } from '#core/abundance'
import { groupOf } from '#core/groups'
import type { Colony } from '#core/records'
import { readEfforts, readSeries, readShare, type SheetCount } from '~/forms/countSheets'
import { countWhy, evidenceText } from '~/words/count'
import { percent } from '~/words/numbers'

/** Counts that are a row of numbers: several counts of a day, samples of equal size, catches that are set aside. */
const props = defineProps<{ colony: Colony; method: 'repeated' | 'partOfTank' | 'passes' }>()
const count = defineModel<SheetCount | null>({ required: true })

const text = ref('')
const share = ref('')
const minutes = ref('')
const words = {
  repeated: {
    label: 'Counts of today, with commas between',
    how:
      'Count the same animals several times on one day, an hour or so apart, each time in the same way. How ' +
      'much the counts scatter tells how large a part you find. Three or more are better than two.',
  },
  partOfTank: {
    label: 'Animals in each sample, with commas between',
    how:
      'Samples of equal size: squares of the bottom, scoops, moss balls. Choose the places before you look, or ' +
      'you choose those with animals. How much they differ tells the doubt.',
  },
  passes: {
    label: 'Caught in each pass, with commas between',
    how:
      'Catch with the same net for the same time, set the catch aside in a bowl of the same water, catch ' +
      'again. What falls from pass to pass tells how many are left. Keep the bowl covered, and let all go at the end.',
  },
} as const
watch(
  () => props.method,
  () => {
    text.value = ''
  },
)
const read = computed(() => readSeries(text.value, 2))
const shareRead = computed(() => readShare(share.value))
const efforts = computed(() =>
  readEfforts(props.method === 'passes' ? minutes.value : '', read.value.ok ? read.value.series.length : 0),
)
const tooMuch = computed(
  () =>
    props.method === 'partOfTank' &&
    read.value.ok &&
    shareRead.value.ok &&
    read.value.series.length * shareRead.value.share > 1.0001,
)
watch(
  [read, shareRead, () => props.method, tooMuch, efforts],
  () => {
    const { method } = props
    if (!read.value.ok || tooMuch.value || !efforts.value.ok || (method === 'partOfTank' && !shareRead.value.ok)) {
      count.value = null
      return
    }
    const { series } = read.value
    const total = series.reduce((a, b) => a + b, 0)
    count.value = {
      method,
      number: method === 'repeated' ? Math.max(...series) : total,
      series,
      ...(efforts.value.efforts && { efforts: efforts.value.efforts }),
      ...(method === 'partOfTank' && shareRead.value.ok && { share: shareRead.value.share }),
    }
  },
  { immediate: true },
)
const group = computed(() => groupOf(props.colony.groupId))
const evidence = computed(() =>
  count.value && count.value.method === props.method
    ? countEvidence(count.value, group.value.counting, group.value.care.molts !== undefined)
    : null,
)
const catchShare = computed(() =>
  props.method === 'passes' && read.value.ok && read.value.series.some(c => c > 0)
    ? removalPasses(read.value.series, 0.82)
    : null,
)
</script>

<template>
  <div class="series">
    <p class="muted">{{ words[method].how }}</p>
    <div class="row">
      <TextInput
        v-model="text"
        class="wide"
        :label="words[method].label"
        numeric
        placeholder="12, 9, 5"
        :error="text.trim() === '' || read.ok ? '' : read.issue"
      />
      <TextInput
        v-if="method === 'partOfTank'"
        v-model="share"
        label="Share of the tank in one sample"
        suffix="%"
        numeric
        :error="share.trim() === '' || shareRead.ok ? '' : shareRead.issue"
      />
      <TextInput
        v-if="method === 'passes'"
        v-model="minutes"
        label="Minutes of each, if they differ"
        numeric
        placeholder="10, 10, 15"
        :error="read.ok && !efforts.ok ? efforts.issue : ''"
      />
    </div>
    <FieldIssue v-if="tooMuch" text="So many samples of that size are more than the whole tank." />
    <p v-if="evidence" class="statement"><TheSentence :text="evidenceText(evidence)" /></p>
    <details v-if="evidence" class="small">
      <summary>Why?</summary>
      <p class="muted">{{ countWhy[method] }}</p>
    </details>
    <p v-if="catchShare && !minutes.trim()" class="muted">
      Each pass caught about {{ percent(catchShare.catchShare) }} of those that were left.<template
        v-if="catchShare.zippin === null"
      >
        The catches do not fall: make another pass.</template
      >
    </p>
  </div>
</template>

<style scoped>
.series {
  display: grid;
  gap: var(--space-5);
  max-width: 760px;
}
.row {
  display: flex;
  gap: var(--space-5);
  flex-wrap: wrap;
  align-items: start;
}
.wide {
  flex: 1;
  min-width: 260px;
}
</style>
