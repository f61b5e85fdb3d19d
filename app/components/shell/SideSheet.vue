<script setup lang="ts">
import { mdiClose } from '@mdi/js'

/** A sheet from the right on a desk, the whole screen on a phone. Holds the focus; Escape and Back close it. */
defineProps<{ title: string; wide?: boolean }>()
const open = defineModel<boolean>({ required: true })
const heading = useId()
useSheetStack().stack(open)
</script>

<template>
  <v-dialog
    v-model="open"
    class="side-sheet"
    :class="{ wide }"
    :aria-labelledby="heading"
    :transition="false"
    scrollable
  >
    <section class="sheet">
      <header>
        <h2 :id="heading">{{ title }}</h2>
        <v-btn variant="text" :icon="mdiClose" size="44" aria-label="Close" @click="open = false" />
      </header>
      <div class="body" tabindex="0"><slot /></div>
      <footer v-if="$slots.foot"><slot name="foot" /></footer>
    </section>
  </v-dialog>
</template>

<style>
.side-sheet {
  justify-content: flex-end !important;
  align-items: stretch !important;
}
.side-sheet > .v-overlay__content {
  margin: 0 !important;
  width: 480px !important;
  max-width: 100vw !important;
  max-height: 100dvh !important;
  height: 100dvh;
}
.side-sheet.wide > .v-overlay__content {
  width: 640px !important;
}
/* no fading: motion is kept for what it explains, and a statement must not wait for frames of a closing sheet */
.side-sheet .v-overlay__scrim {
  background: #000;
  opacity: 0.28;
  transition: none !important;
}
.side-sheet .sheet {
  display: flex;
  flex-direction: column;
  height: 100dvh;
  background: var(--paper);
  border-left: 1px solid var(--rule);
  box-shadow: -8px 0 24px rgb(0 0 0 / 0.12);
}
.side-sheet .sheet header {
  display: flex;
  align-items: center;
  justify-content: space-between;
  padding: var(--space-4) var(--space-4) var(--space-4) var(--space-7);
  border-bottom: 1px solid var(--rule);
}
.side-sheet .sheet .body {
  flex: 1;
  overflow-y: auto;
  padding: var(--space-6) var(--space-7) var(--space-7);
}
.side-sheet .sheet footer {
  display: flex;
  gap: var(--space-5);
  padding: var(--space-5) var(--space-7);
  border-top: 1px solid var(--rule);
  background: var(--surface);
}
@media (--phone) {
  .side-sheet > .v-overlay__content {
    width: 100vw !important;
  }
  .side-sheet .sheet {
    border: 0;
  }
  .side-sheet .sheet .body {
    padding: var(--space-6);
  }
  .side-sheet .sheet footer {
    padding: var(--space-5) var(--space-6);
  }
}
</style>
