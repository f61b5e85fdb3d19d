<script setup lang="ts">
import type { Inheritance, InheritanceTold } from '#core/lines'
import { shareRange } from '~/words/lines'
import { percent } from '~/words/numbers'

/** One gene or many: how the dullest may come about, and what would settle it. */
const props = defineProps<{ throwbacks: readonly InheritanceTold[]; words: string }>()
const what: Readonly<Record<Inheritance, string>> = {
  recessive: 'one gene that the others carry unseen',
  many: 'many small things',
  oneInTwo: 'a crossing of which one in two shows it',
  oneInFour: 'a crossing of which one in four shows it',
}
const first = computed(() => props.throwbacks.toSorted((a, b) => b.chance - a.chance)[0]!)
</script>

<template>
  <details class="fold">
    <summary>“{{ words }}”: one gene or many?</summary>
    <p>
      {{ what[first.how].replace(/^./, c => c.toUpperCase()) }} fits best, with {{ percent(first.chance) }}: then
      {{ shareRange(first.next) }} of the next generation have it.
    </p>
    <ul class="small">
      <li v-for="t in throwbacks" :key="t.how">{{ percent(t.chance) }}: {{ what[t.how] }}</li>
    </ul>
    <p class="small muted">
      A test cross settles it: breed one that has it with a good one of the line. Of one gene either none or half of the
      young have it; of many they lie between the two.
    </p>
  </details>
</template>
