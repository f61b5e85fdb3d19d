<script setup lang="ts">
import { openDb } from '~/data/database'
import { ASIDE_DAYS } from '~/data/aside'
import { countRows } from '~/data/backups'
import { whole } from '~/words/numbers'

/** What lies on this device, whether the browser promises to keep it, and emptying it. */
const { value: rows } = useLiveQuery(() => countRows(openDb()), null)
const settings = useSettingsStore()
const backups = useBackups()
const log = useLogStore()
const answer = ref('')
const space = ref('')
const asking = ref(false)
const typed = ref('')
const { attempt } = useSave()

async function look() {
  const { storage } = navigator
  if (!storage?.persisted) {
    answer.value = 'This browser cannot promise to keep data. Save backup files often.'
    return
  }
  if (await storage.persisted()) answer.value = 'The browser has promised to keep this data until you erase it.'
  const { usage, quota } = await storage.estimate()
  if (usage !== undefined && quota)
    space.value = `${(usage / 1e6).toFixed(1)} MB used of about ${whole(quota / 1e6)} MB that the browser allows.`
}
onMounted(look)
/** Whether a service worker has put every file here. */
const { $pwa } = useNuxtApp()
const registered = ref(false)
onMounted(async () => {
  registered.value = (await navigator.serviceWorker?.getRegistration())?.active?.state === 'activated'
})
const onDevice = computed(() => registered.value || $pwa?.swActivated === true)

async function ask() {
  const granted = await navigator.storage?.persist?.()
  answer.value = granted
    ? 'The browser said yes: it keeps this data until you erase it.'
    : 'The browser said no: it may clear this data when space runs short. Adding the page to your bookmarks or ' +
      'home screen may change its mind. Save backup files often.'
}

async function erase() {
  if (!(await attempt(backups.erase))) return
  settings.roomId = null
  settings.lastColonyId = ''
  asking.value = false
  typed.value = ''
  log.tell(`Erased. Everything lies aside on this device for ${ASIDE_DAYS} days.`)
}
const NOT_YET =
  'The app is not on this device yet: without the server it does not start. ' +
  'Open it once from the server over https or on this machine itself, and wait a moment.'
</script>

<template>
  <section aria-labelledby="storage-title">
    <h2 id="storage-title">On this device</h2>
    <p v-if="rows">
      {{ rows.rooms }} {{ rows.rooms === 1 ? 'room' : 'rooms' }}, {{ rows.glasses }} glasses,
      {{ rows.colonies }} colonies, {{ whole(rows.entries) }} log entries, {{ rows.photos }}
      {{ rows.photos === 1 ? 'photo' : 'photos' }}; {{ rows.attic }} replaced versions in the attic.
      <span class="muted">{{ space }}</span>
    </p>
    <p>
      {{ onDevice ? 'All of the app is on this device: it starts and works without the server.' : NOT_YET }}
    </p>
    <p v-if="answer" role="status">{{ answer }}</p>
    <div class="ways">
      <v-btn class="quiet" @click="ask">Ask the browser to keep it</v-btn>
      <v-btn v-if="!asking" class="harm" @click="asking = true">Erase everything</v-btn>
    </div>
    <form v-if="asking" class="erase" @submit.prevent="typed.trim().toLowerCase() === 'erase' && erase()">
      <p>
        All rooms and their logs are put aside: they can be brought back here for {{ ASIDE_DAYS }} days. Save a backup
        file first if you want to keep them for longer.
      </p>
      <TextInput v-model="typed" label="Type “erase” to go on" autofocus />
      <span class="ways"
        ><v-btn type="submit" class="harm" :disabled="typed.trim().toLowerCase() !== 'erase'">Erase everything</v-btn
        ><v-btn class="quiet" @click="asking = false">Keep everything</v-btn></span
      >
    </form>
    <ErasedPanel />
  </section>
</template>

<style scoped>
.ways {
  display: flex;
  gap: var(--space-5);
  flex-wrap: wrap;
}
.erase {
  display: grid;
  gap: var(--space-5);
  border-left: 3px solid var(--rust);
  padding-left: var(--space-5);
}
</style>
