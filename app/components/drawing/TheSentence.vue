<script setup lang="ts">
import { partsOf } from '~/words/numbers'

/** A sentence from app/words, with its numerals in the numeral face. */
defineProps<{ text: string }>()
</script>

<template>
  <span
    ><template v-for="(part, i) in partsOf(text)" :key="i"
      ><span v-if="part.numeral" class="numeral">{{ part.text }}</span
      ><template v-else>{{ part.text }}</template></template
    ></span
  >
</template>
