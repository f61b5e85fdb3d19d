<script setup lang="ts">
import { Entry, toMoment, type ValueKey } from '#core/records'
import { readValue } from '~/forms/testReadings'
import { valueName, valueUnit } from '~/words/unitPrefs'

/** A water test of a glass in which nobody lives yet. */
const props = defineProps<{ glassId: string }>()
const open = defineModel<boolean>({ required: true })
useSheets().countOpen(open)
const settings = useSettingsStore()
const log = useLogStore()
const keys = [
  'ammoniaMgL',
  'nitriteMgL',
  'nitrateMgL',
  'ph',
  'ghDh',
  'khDh',
  'conductivityUsCm',
  'temperatureC',
] as const satisfies readonly ValueKey[]
const typed = ref<Partial<Record<ValueKey, string>>>({})
const issues = ref<Partial<Record<ValueKey | 'all', string>>>({})
watch(open, now => {
  if (!now) return
  typed.value = {}
  issues.value = {}
})
async function save() {
  const readings: Record<string, { value: number; method: string }> = {}
  const wrong: typeof issues.value = {}
  for (const key of keys) {
    const text = typed.value[key]?.trim() ?? ''
    if (text === '') continue
    const read = readValue(key, text, settings.units)
    if (read.ok) readings[key] = { value: read.value, method: key === 'temperatureC' ? 'probe' : settings.testMethod }
    else wrong[key] = read.issue
  }
  if (Object.keys(readings).length === 0 && Object.keys(wrong).length === 0) wrong.all = 'Type at least one value.'
  issues.value = wrong
  if (Object.keys(wrong).length > 0) return
  const saved = await log.save(
    Entry.parse({ ...log.stamp(), at: toMoment(Date.now()), kind: 'waterTest', glassId: props.glassId, readings }),
    'Test kept.',
  )
  if (saved) open.value = false
}
</script>

<template>
  <SideSheet v-model="open" title="Log a test">
    <form id="curing-form" class="fields" novalidate @submit.prevent="save">
      <TextInput
        v-for="(key, i) in keys"
        :key="key"
        :model-value="typed[key] ?? ''"
        :label="valueName(key)"
        :suffix="valueUnit(key, settings.units)"
        numeric
        :autofocus="i === 0"
        :error="issues[key]"
        @update:model-value="typed = { ...typed, [key]: $event }"
      />
      <FieldIssue :text="issues.all" />
    </form>
    <template #foot
      ><v-btn type="submit" form="curing-form" color="primary" size="large">Save<kbd>Enter</kbd></v-btn></template
    >
  </SideSheet>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: var(--space-5);
}
</style>
