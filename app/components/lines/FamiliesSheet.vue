<script setup lang="ts">
import { type Ladder, rungsTotal } from '#core/records'
import type { LineOf } from '~/composables/useLines'
import { type FamilyBreeds, givesMost, readFamilyBreeders } from '~/forms/breedFamilies'
import { whole } from '~/words/numbers'

/** Puts the breeders of several families together: moves out of each box, and a group that breeds. */
const props = defineProps<{ of: LineOf; ladder: Ladder; families: readonly FamilyBreeds[]; generationId: string }>()
const open = defineModel<boolean>({ required: true })
const log = useLogStore()
// a new box hangs in the water of those who give most
const most = computed(() => givesMost(props.families))
const { homes, homeAt, set, saving } = useSettingBreeders(() => props.of, most)
const breedIn = ref('')
const issue = ref('')
watch(open, now => now && (issue.value = ''))
const many = computed(() => rungsTotal(props.families.flatMap(f => f.breed)))
async function save() {
  const nowMs = Date.now()
  const { colonyId, writes } = homeAt(breedIn.value, nowMs)
  const read = readFamilyBreeders(props.families, {
    ...{ line: props.of.line, ladderId: props.ladder.id, generationId: props.generationId },
    ...{ breedIn: colonyId, stamp: log.stamp, nowMs },
  })
  const { done, question } = typeof read === 'string' ? { done: false, question: read } : await set(writes, read)
  issue.value = question
  if (done) open.value = false
}
</script>

<template>
  <BreedSheet
    v-model="open"
    v-model:home="breedIn"
    :homes="[{ value: '', title: 'Choose …' }, ...homes]"
    :issue="issue"
    :saving="saving"
    @set="save"
  >
    <template #before>
      <p>{{ whole(many) }} of {{ whole(families.length) }} boxes come together, as the pick has it.</p>
    </template>
  </BreedSheet>
</template>
