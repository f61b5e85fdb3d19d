<script setup lang="ts">
/** A row of the time line, beside it: what is known of it, what to do at each step, and why. */
defineProps<{
  title: string
  below?: string
  facts: readonly { name: string; value: string; below?: string }[]
  steps: readonly { when: string; says: string }[]
  basis?: string
  caution: string
}>()
defineEmits<{ why: []; log: [] }>()
</script>

<template>
  <section class="detail" :aria-label="title">
    <h2>
      {{ title }}
      <span v-if="below" class="below">{{ below }}</span>
    </h2>
    <FactList :facts="facts" />
    <h2>What to do</h2>
    <StepList :steps="steps" />
    <p class="small muted">
      {{ basis }}
      <button type="button" class="link" @click="$emit('why')">Why?</button>
    </p>
    <slot />
    <v-btn variant="outlined" color="primary" @click="$emit('log')">Log what you see of it</v-btn>
    <CautionNote class="small">{{ caution }}</CautionNote>
  </section>
</template>

<style scoped>
.detail {
  display: grid;
  gap: var(--space-4);
  align-content: start;
  justify-items: start;
}
</style>
