<script setup lang="ts">
/** Says that something in the background failed, with a way to try again. Nothing while all is well. */
defineProps<{ worker: { failed: string; again: () => unknown } }>()
</script>

<template>
  <p v-if="worker.failed" class="failed" role="alert">
    {{ worker.failed }} <button type="button" class="link" @click="worker.again()">Try again</button>
  </p>
</template>

<style scoped>
.failed {
  color: var(--rust);
}
</style>
