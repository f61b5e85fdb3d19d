<script setup lang="ts">
/** Says what was just saved, with its undo. Stays for eight seconds; the log keeps the way back for good. */
const log = useLogStore()
const sheets = useSheets()
/** The walk says it in its own bar, where it covers nothing. */
const route = useRoute()
const { isPending, start, stop } = useTimeoutFn(() => {}, 8000, { immediate: false })
watch(
  () => log.last,
  done => (done ? start() : stop()),
  { immediate: true },
)
/** A sheet that opens has its own buttons where the notice stands. */
const visible = computed(
  () => isPending.value && log.last !== null && route.path !== '/round/walk' && !sheets.anyOpen.value,
)
</script>

<template>
  <v-snackbar :model-value="visible" :timeout="-1" class="notice">
    {{ log.last?.words }}
    <template v-if="log.last && (log.last.entries.length > 0 || log.last.back)" #actions>
      <v-btn variant="outlined" @click="log.undo()">Undo<kbd>U</kbd></v-btn>
    </template>
  </v-snackbar>
</template>

<style>
.notice .v-snackbar__wrapper {
  background: var(--ink);
  color: var(--paper);
}
/* over the places at the foot of a phone */
@media (--phone) {
  .notice {
    bottom: 66px;
  }
}
</style>
