<script setup lang="ts">
import { type SignTopic, topicTitle } from '~/words/signs'

/** Where a newcomer hesitates: to the drawings that tell the one from the other. */
defineProps<{ topic: SignTopic }>()
const sheets = useSheets()
</script>

<template>
  <p class="small">
    <button type="button" class="link" @click="sheets.signs.value = topic">{{ topicTitle[topic] }}</button>
  </p>
</template>

<style scoped>
/* as tall as a wet finger */
.link {
  min-height: 44px;
}
</style>
