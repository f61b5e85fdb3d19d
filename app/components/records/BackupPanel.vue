<script setup lang="ts">
import type { LookedAt } from '~/composables/useBackups'
import { lookStepText } from '~/words/issues'
import { saveTroubleText } from '~/words/trouble'

/** Backup out and in. */
const backups = useBackups()
const log = useLogStore()
const room = useRoomStore()
const settings = useSettingsStore()
const steps = ['reading', 'checking', 'comparing'] as const
const busy = ref<'' | 'saving' | 'reading'>('')
const problem = ref('')
const report = shallowRef<LookedAt | null>(null)
const input = ref<HTMLInputElement | null>(null)

async function save() {
  busy.value = 'saving'
  problem.value = ''
  try {
    log.tell(`${await backups.save()} handed to the browser to save.`)
  } catch (error) {
    problem.value = `The backup could not be written. ${saveTroubleText(error)}`
  }
  busy.value = ''
}

async function read(event: Event) {
  const file = (event.target as HTMLInputElement).files?.[0]
  if (!file) return
  busy.value = 'reading'
  problem.value = ''
  const looked = await backups.look(file)
  if (looked.ok) report.value = looked
  else problem.value = `${file.name}: ${looked.problem}`
  busy.value = ''
  if (input.value) input.value.value = ''
}

function done(words: string) {
  const first = report.value?.backup.rooms[0]
  if (first && !room.room) settings.roomId = first.id
  report.value = null
  log.tell(words)
}
</script>

<template>
  <section aria-labelledby="backup-title">
    <h2 id="backup-title">Backup</h2>
    <p class="muted">
      Everything on this device in one JSON file: rooms, glasses, colonies, the whole log and replaced versions.
    </p>
    <div class="ways">
      <v-btn color="primary" :loading="busy === 'saving'" @click="save">Save a backup file</v-btn>
      <v-btn class="quiet" :loading="busy === 'reading'" @click="input?.click()">Bring a backup in</v-btn>
      <input
        ref="input"
        type="file"
        accept=".json,application/json"
        class="hidden-to-eyes"
        aria-label="Backup file"
        tabindex="-1"
        @change="read"
      />
    </div>
    <p class="small muted">
      Bringing in shows a report first. New records are added and later versions taken; what two devices changed in
      different fields is joined. Where both changed the same you choose, and the other version is kept in the attic.
    </p>
    <div v-if="backups.step.value" class="under-way" role="status">
      <v-progress-linear :model-value="(steps.indexOf(backups.step.value) / steps.length) * 100" color="weed" />
      <p class="small">
        {{ lookStepText(backups.step.value) }}
        <button type="button" class="link" @click="backups.stop()">Stop</button>
      </p>
    </div>
    <FieldIssue :text="problem" />
    <MergeReport v-if="report" :looked="report" @close="report = null" @done="done" />
  </section>
</template>

<style scoped>
.ways {
  display: flex;
  gap: var(--space-5);
  flex-wrap: wrap;
  padding: var(--space-2) 0;
}
.under-way {
  display: grid;
  gap: var(--space-2);
  max-width: 420px;
}
</style>
