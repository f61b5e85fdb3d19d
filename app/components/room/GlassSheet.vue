<script setup lang="ts">
import { type GlassDraft, glassDraft, type GlassIssues, readGlass } from '~/forms/glassDraft'
import { glassEndings } from '~/words/endings'

/** Adds a glass, or changes one; also the way to move it without dragging. */
const sheets = useSheets()
const room = useRoomStore()
const settings = useSettingsStore()
const { saving, save: saveRecord } = useSave()
const old = computed(() => room.glassById.get(sheets.glass.value?.glassId ?? '') ?? null)
const open = computed({
  get: () => sheets.glass.value !== null,
  set: v => {
    if (!v) sheets.glass.value = null
  },
})
const reasons = (Object.keys(glassEndings) as (keyof typeof glassEndings)[]).map(value => ({
  value,
  title: glassEndings[value],
}))
const draft = ref<GlassDraft>(glassDraft(null, [], settings.units))
const issues = ref<GlassIssues>({})

watch(
  open,
  now => {
    if (!now) return
    draft.value = glassDraft(old.value, room.racks, settings.units, sheets.glass.value?.place)
    issues.value = {}
  },
  { immediate: true },
)

async function save() {
  if (!room.room) return
  const read = readGlass(draft.value, {
    old: old.value,
    roomId: room.room.id,
    glasses: room.glasses,
    racks: room.racks,
    units: settings.units,
    nowMs: Date.now(),
  })
  issues.value = read.ok ? {} : read.issues
  if (!read.ok) return
  if (!(await saveRecord('glasses', read.glass, `${read.glass.name} saved.`))) return
  open.value = false
}
/** A colony for this glass is begun in its own sheet. */
function addColony() {
  if (old.value) sheets.colony.value = { glassId: old.value.id }
  open.value = false
}
</script>

<template>
  <SideSheet v-model="open" :title="old ? `Change ${old.name}` : 'Add a glass'">
    <form id="glass-form" @submit.prevent="save">
      <GlassFields v-model="draft" :racks="room.racks" :issues="issues" name-hint="Moss tank" />
    </form>
    <EndIt
      v-if="old"
      table="glasses"
      :record="old"
      :reasons="reasons"
      :holds="(room.coloniesByGlass.get(old.id) ?? []).map(c => c.name)"
      @done="open = false"
    />
    <template #foot>
      <v-btn type="submit" form="glass-form" color="primary" :loading="saving">Save</v-btn>
      <v-btn v-if="old" class="quiet" @click="addColony">Put a colony in</v-btn>
    </template>
  </SideSheet>
</template>
