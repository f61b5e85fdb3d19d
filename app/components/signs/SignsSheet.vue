<script setup lang="ts">
import { signs, signsOf, signTopics, topicTitle } from '~/words/signs'

/** Signs of bodies and broods side by side, with a practice; it opens at the topic that was asked for. */
const sheets = useSheets()
const open = computed({
  get: () => sheets.signs.value !== null,
  set: v => {
    if (!v) sheets.signs.value = null
  },
})
const practising = ref(false)
const list = useTemplateRef('list')
watch(
  () => sheets.signs.value,
  async topic => {
    practising.value = false
    if (!topic) return
    await nextTick()
    list.value?.querySelector(`#signs-${topic}`)?.scrollIntoView({ block: 'start' })
  },
  { immediate: true, flush: 'post' },
)
</script>

<template>
  <SideSheet v-model="open" title="Signs: how to tell" wide>
    <SignPractice v-if="practising" @close="practising = false" />
    <div v-else ref="list" class="topics">
      <p>
        <v-btn variant="outlined" color="primary" @click="practising = true">Practise: ten questions</v-btn>
      </p>
      <section v-for="t in signTopics" :id="`signs-${t}`" :key="t" :aria-labelledby="`signs-title-${t}`">
        <h3 :id="`signs-title-${t}`">{{ topicTitle[t] }}</h3>
        <ul>
          <li v-for="id in signsOf(t)" :key="id">
            <SignDrawing :of="id" />
            <b>{{ signs[id].title }}</b>
            <p class="small">{{ signs[id].says }}</p>
          </li>
        </ul>
      </section>
      <p class="small muted">Common practice, no published source. Drawn for what differs, not to scale.</p>
    </div>
  </SideSheet>
</template>

<style scoped>
.topics,
section {
  display: grid;
  gap: var(--space-5);
}
.topics {
  gap: var(--space-7);
}
ul {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(170px, 1fr));
  gap: var(--space-6);
}
li {
  display: grid;
  align-content: start;
  gap: var(--space-2);
}
</style>
