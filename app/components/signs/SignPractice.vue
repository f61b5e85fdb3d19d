<script setup lang="ts">
import { practiceResult, signQuestions } from '~/forms/signPractice'
import { type SignId, signs } from '~/words/signs'

/** Ten drawings to tell; at the end what was mistaken for what. */
const emit = defineEmits<{ close: [] }>()
const seed = ref(Date.now() % 2 ** 31)
const questions = computed(() => signQuestions(seed.value))
const answers = ref<SignId[]>([])
const at = computed(() => questions.value[answers.value.length])
const last = computed(() => {
  const nth = answers.value.length - 1
  return nth < 0 ? null : { is: questions.value[nth]!.of, taken: answers.value[nth]! }
})
const result = computed(() => practiceResult(questions.value, answers.value))
function again() {
  answers.value = []
  seed.value++
}
</script>

<template>
  <section class="practice" aria-label="Practice">
    <p v-if="last" role="status" :class="{ wrong: last.is !== last.taken }">
      <template v-if="last.is === last.taken">Right: {{ signs[last.is].title.toLowerCase() }}.</template>
      <template v-else>It was “{{ signs[last.is].title.toLowerCase() }}”. {{ signs[last.is].says }}</template>
    </p>
    <template v-if="at">
      <p class="small muted">Question {{ answers.length + 1 }} of {{ questions.length }}. What is it?</p>
      <SignDrawing :of="at.of" unnamed />
      <div class="options">
        <v-btn v-for="o in at.options" :key="o" variant="outlined" color="primary" @click="answers.push(o)">{{
          signs[o].title
        }}</v-btn>
      </div>
    </template>
    <template v-else>
      <h3>{{ result.right }} of {{ result.of }} right</h3>
      <ul v-if="result.mistaken.length > 0">
        <li v-for="m in result.mistaken" :key="m.is">
          <b>{{ signs[m.is].title }}</b> taken for {{ signs[m.takenFor].title.toLowerCase() }}. {{ signs[m.is].says }}
        </li>
      </ul>
      <div class="options">
        <v-btn color="primary" @click="again">Ten more</v-btn>
        <v-btn class="quiet" @click="emit('close')">Back to the signs</v-btn>
      </div>
    </template>
  </section>
</template>

<style scoped>
.practice {
  display: grid;
  gap: var(--space-5);
}
.practice :deep(.sign) {
  max-width: 340px;
}
.options {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-4);
}
.wrong {
  border-left: 3px solid var(--straw);
  padding-left: var(--space-4);
}
li {
  padding: var(--space-3) 0;
  border-top: 1px solid var(--rule);
}
</style>
