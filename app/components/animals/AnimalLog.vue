<script setup lang="ts">
import { type Animal, byTime, type Entry, momentMs } from '#core/records'
import { entryText } from '~/words/entries'
import { stampText } from '~/words/when'

/** What was logged of a followed animal, newest first, and whether it is followed on. */
const props = defineProps<{ animal: Animal; entries: readonly Entry[]; nowMs: number }>()
const settings = useSettingsStore()
const { end, bringBack } = useEndings()
const lines = computed(() => props.entries.toSorted((a, b) => byTime(b, a)))
</script>

<template>
  <section aria-label="Its entries in the log">
    <h2>Log</h2>
    <p v-if="lines.length === 0" class="muted">
      Nothing was logged of it yet. Press Log, and choose its name: molts, limbs, eggs, sizes.
    </p>
    <ul>
      <li v-for="e in lines" :key="e.id">
        <span class="small muted">{{ stampText(momentMs(e.at), nowMs) }}</span>
        <span
          ><b>{{ entryText(e, settings.units).title }}</b
          >{{ ' ' }}<span class="muted">{{ entryText(e, settings.units).detail }}</span></span
        >
      </li>
    </ul>
    <p class="small muted">Entries are corrected and taken back in the log of its colony.</p>
    <button v-if="animal.ended" type="button" class="link" @click="bringBack('animals', animal.id)">
      Follow it again
    </button>
    <button v-else type="button" class="link" @click="end('animals', animal, 'putAway')">Follow it no longer</button>
  </section>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: 160px minmax(0, 1fr);
  gap: var(--space-5);
  padding: var(--space-3) 0;
  border-bottom: 1px solid var(--rule);
}
.small {
  padding-top: var(--space-3);
}
.link {
  min-height: 44px;
}
@media (--phone) {
  li {
    grid-template-columns: minmax(0, 1fr);
    gap: var(--space-1);
  }
}
</style>
