<script setup lang="ts">
import { LADDERS_MOST, type Ladder, type Line } from '#core/records'

/** The ladders of a line: the main one, by which it is bred, and others that are graded beside it. */
const props = defineProps<{ line: Line; ladders: readonly Ladder[] }>()
const { saving, save } = useSave()
/** A ladder that is not there yet. */
const ANOTHER = 'another'
const picked = ref('')
const at = computed({
  get: () => (picked.value === ANOTHER || props.ladders.some(l => l.id === picked.value) ? picked.value : first.value),
  set: id => (picked.value = id),
})
const first = computed(() => props.ladders[0]?.id ?? ANOTHER)
const ladder = computed(() => props.ladders.find(l => l.id === at.value) ?? null)
const choices = computed(() => [
  ...props.ladders.map((l, i) => ({ value: l.id, title: i === 0 ? `${l.trait}, the main one` : l.trait })),
  ...(props.ladders.length < LADDERS_MOST ? [{ value: ANOTHER, title: 'Another trait' }] : []),
])
const makeMain = (id: string) =>
  save(
    'lines',
    { ...toRaw(props.line), ladderIds: [id, ...props.line.ladderIds.filter(x => x !== id)] },
    `${props.line.name} is bred by ${ladder.value?.trait.toLowerCase() ?? ''} now.`,
  )
</script>

<template>
  <div class="ladders">
    <ChoiceChips v-if="ladders.length > 0" v-model="at" label="Trait" hide-label :options="choices" />
    <p v-if="ladder && at !== first" class="small muted">
      Graded beside the main one: breeders are chosen by that, and this tells what it does to
      {{ ladder.trait.toLowerCase() }}.
      <button type="button" class="link" :disabled="saving" @click="makeMain(ladder.id)">Make it the main one</button>
    </p>
    <LadderPanel
      :key="at"
      :line="line"
      :ladder="ladder"
      :main="at === first"
      :others="ladders.filter(l => l.id !== at).map(l => l.trait)"
      @saved="at = $event"
    />
  </div>
</template>

<style scoped>
.ladders {
  display: grid;
  gap: var(--space-5);
}
</style>
