<script setup lang="ts">
import { ASIDE_DAYS, asideOf, bringBack } from '~/data/aside'
import { openDb } from '~/data/database'
import { DAY_MS } from '#core/records'
import { stampText, weekdayText } from '~/words/when'

/**
 * What was erased and still lies aside: it can be brought back, or go for good once a file is shown that holds it all.
 */
const { value: aside } = useLiveQuery(() => asideOf(openDb()), [])
const backups = useBackups()
const log = useLogStore()
const { saving, attempt } = useSave()
const problem = ref('')
const now = Date.now()

async function back(id: string) {
  problem.value = ''
  if (await attempt(() => bringBack(openDb(), id))) log.tell('Brought back.')
}
async function drop(event: Event, id: string) {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  if (!file) return
  await attempt(async () => {
    problem.value = await backups.dropWith(file, id)
    if (!problem.value) log.tell('Gone for good from this device.')
  })
  input.value = ''
}
</script>

<template>
  <ul v-if="aside.length > 0">
    <li v-for="a in aside" :key="a.id">
      <span
        >Erased {{ stampText(a.atMs, now) }}; lies aside until {{ weekdayText(a.atMs + ASIDE_DAYS * DAY_MS) }}.</span
      >
      <span class="ways">
        <v-btn class="quiet" :loading="saving" @click="back(a.id)">Bring it back</v-btn>
        <label class="file"
          >Show the backup and let it go for good<input
            type="file"
            accept=".json,application/json"
            class="hidden-to-eyes"
            @change="drop($event, a.id)"
        /></label>
      </span>
    </li>
    <li v-if="problem"><FieldIssue :text="problem" /></li>
  </ul>
</template>

<style scoped>
ul {
  list-style: none;
  padding: 0;
  margin: 0;
}
li {
  border-top: 1px solid var(--rule);
  padding: var(--space-4) 0;
  display: grid;
  gap: var(--space-4);
}
.ways {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-4);
}
.file {
  display: inline-flex;
  align-items: center;
  min-height: 44px;
  padding: 0 var(--space-5);
  border: 1px solid var(--rule);
  border-radius: 6px;
  color: var(--rust);
  cursor: pointer;
}
.file:focus-within {
  outline: 2px solid var(--weed);
}
</style>
