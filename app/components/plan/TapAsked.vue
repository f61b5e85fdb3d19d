<script setup lang="ts">
import { readSource, sourceDraft, type SourceIssues } from '~/forms/sourceDraft'
import { valueUnit } from '~/words/unitPrefs'

/** Asks for the tap where nothing is known of it: no fill is shown before. */
const room = useRoomStore()
const settings = useSettingsStore()
const { saving, save } = useSave()
const old = computed(() => room.sources.find(s => s.kind === 'tap') ?? null)
const values = reactive({ ghDh: '', khDh: '' })
const issues = ref<SourceIssues>({})

async function keep() {
  if (!room.room) return
  if (!values.ghDh.trim() || !values.khDh.trim()) {
    issues.value = { values: 'Type GH and KH, both: one alone says too little of a water.' }
    return
  }
  const draft = { ...sourceDraft(old.value), values: { ...values } }
  const against = { old: old.value, roomId: room.room.id, units: settings.units, nowMs: Date.now() }
  const read = readSource({ ...draft, name: draft.name || 'Tap' }, against)
  issues.value = read.ok ? {} : read.issues
  if (read.ok) await save('sources', read.source)
}
</script>

<template>
  <form class="asked" novalidate @submit.prevent="keep">
    <p>What comes out of your tap? The fill follows from it.</p>
    <FieldGrid :columns="2">
      <TextInput
        v-model="values.ghDh"
        label="GH"
        :suffix="valueUnit('ghDh', settings.units)"
        numeric
        :error="issues.ghDh"
      /><TextInput
        v-model="values.khDh"
        label="KH"
        :suffix="valueUnit('khDh', settings.units)"
        numeric
        :error="issues.khDh"
      />
    </FieldGrid>
    <FieldIssue :text="issues.values ?? ''" />
    <v-btn type="submit" class="quiet" :loading="saving">Keep it</v-btn>
    <p class="small muted">From a drop kit, or the supplier’s sheet (hardness and alkalinity).</p>
  </form>
</template>

<style scoped>
.asked {
  display: grid;
  gap: var(--space-4);
  justify-items: start;
}
</style>
