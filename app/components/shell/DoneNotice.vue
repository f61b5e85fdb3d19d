<script setup lang="ts">
/** Says what was just saved, with its undo. Stays for eight seconds; the log keeps the way back for good. */
const log = useLogStore()
const sheets = useSheets()
/** A sheet that opens has its own buttons where the notice stands. */
const visible = computed(
  () => shown.value && log.last !== null && route.path !== '/round/walk' && !sheets.anyOpen.value,
)
/** The walk says it in its own bar, where it covers nothing. */
const route = useRoute()
const shown = ref(false)
let timer: ReturnType<typeof setTimeout> | undefined
watch(
  () => log.last,
  done => {
    clearTimeout(timer)
    shown.value = done !== null
    timer = setTimeout(() => {
      shown.value = false
    }, 8000)
  },
)
</script>

<template>
  <div class="notice" role="status" aria-live="polite" :class="{ shown: visible }">
    <template v-if="visible && log.last">
      <span>{{ log.last.words }}</span>
      <button v-if="log.last.entries.length > 0 || log.last.back" type="button" @click="log.undo()">
        Undo<kbd>U</kbd>
      </button>
    </template>
  </div>
</template>

<style scoped>
.notice {
  position: fixed;
  left: 50%;
  bottom: 24px;
  transform: translateX(-50%);
  z-index: 3000;
  display: flex;
  align-items: center;
  gap: var(--space-6);
  max-width: calc(100vw - 24px);
}
.shown {
  padding: var(--space-4) var(--space-6);
  border-radius: 6px;
  background: var(--ink);
  color: var(--paper);
}
button {
  min-height: 36px;
  background: none;
  border: 1px solid currentColor;
  border-radius: 6px;
  padding: var(--space-2) var(--space-5);
  color: inherit;
  font: inherit;
  font-weight: 650;
  cursor: pointer;
  white-space: nowrap;
}
@media (--phone) {
  .notice {
    bottom: 74px;
    width: max-content;
  }
}
</style>
