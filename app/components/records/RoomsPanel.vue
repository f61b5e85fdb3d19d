<script setup lang="ts">
import { nameIssue } from '~/forms/nameIssue'

/** Which room is open, its name and keepers; further rooms, and the demo room beside them. */
const room = useRoomStore()
const settings = useSettingsStore()
const { save: saveRecord } = useSave()
const { busy, problem, openDemo, openEmpty } = useStart()
const name = ref('')
const keepers = ref('')
const issue = ref('')
const newName = ref('')
watch(
  () => room.room,
  r => {
    name.value = r?.name ?? ''
    keepers.value = r?.keepers.join(', ') ?? ''
  },
  { immediate: true },
)

async function save() {
  const initials = keepers.value
    .split(/[,;]/)
    .map(k => k.trim())
    .filter(Boolean)
  issue.value =
    nameIssue(name.value, 'Give the room a name.') ||
    (initials.some(k => k.length > 8) || initials.length > 20
      ? 'Initials only: up to 8 letters each, at most 20 keepers.'
      : '')
  if (issue.value || !room.room) return
  await saveRecord('rooms', { ...room.room, name: name.value.trim(), keepers: initials }, 'Room saved.')
}
</script>

<template>
  <section aria-labelledby="rooms-title">
    <h2 id="rooms-title">Rooms</h2>
    <PickOne
      v-if="room.rooms.length > 1"
      :model-value="room.room?.id ?? ''"
      label="Open room"
      :options="room.rooms.map(r => ({ value: r.id, title: r.name }))"
      @update:model-value="settings.roomId = $event"
    />
    <form v-if="room.room" @submit.prevent="save">
      <TextInput v-model="name" label="Name of this room" :error="issue" />
      <TextInput v-model="keepers" label="Keepers’ initials, with commas" placeholder="A. R., M. T." />
      <v-btn type="submit" class="quiet">Save the room</v-btn>
    </form>
    <EndIt
      v-if="room.room && room.rooms.length > 1"
      table="rooms"
      :record="room.room"
      :reasons="[{ value: 'putAway', title: 'Put this room away' }]"
      :holds="[]"
      @done="settings.roomId = null"
    />
    <details class="fold">
      <summary>Start another room</summary>
      <form @submit.prevent="openEmpty(newName)">
        <TextInput v-model="newName" label="Name" placeholder="My room" />
        <span class="ways"
          ><v-btn type="submit" class="quiet">Start an empty room</v-btn
          ><v-btn class="quiet" :loading="busy" @click="openDemo">Open the demo room</v-btn></span
        >
      </form>
      <p class="small muted">It stands beside the rooms that are here; nothing is overwritten.</p>
    </details>
    <FieldIssue :text="problem" />
  </section>
</template>

<style scoped>
form {
  display: grid;
  gap: var(--space-5);
}
form .v-btn {
  justify-self: start;
}
.ways {
  display: flex;
  gap: var(--space-5);
  flex-wrap: wrap;
}
</style>
