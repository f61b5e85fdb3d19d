<script setup lang="ts">
import { begun, type Rack } from '#core/records'
import { nameIssue } from '~/forms/nameIssue'
import { newId } from '~/data/newId'
import { rackKindWord } from '~/words/states'

/** Adds a rack, or changes one. */
const sheets = useSheets()
const room = useRoomStore()
const { saving, save: saveRecord } = useSave()
const name = ref('')
const kind = ref<Rack['kind']>('rack')
const shelves = ref(3)
const issue = ref('')
const old = computed(() => room.racks.find(r => r.id === sheets.rack.value?.rackId) ?? null)
const open = computed({
  get: () => sheets.rack.value !== null,
  set: v => {
    if (!v) sheets.rack.value = null
  },
})
const kinds = (['rack', 'windowsill', 'floor'] as const).map(value => ({ value, title: rackKindWord[value] }))
/** Shelves that hold a glass cannot be taken away. */
const least = computed(
  () => 1 + Math.max(0, ...room.glasses.filter(g => g.place.rackId === old.value?.id).map(g => g.place.shelf)),
)
const counts = computed(() =>
  Array.from({ length: 9 - least.value }, (_, i) => ({
    value: least.value + i,
    title: `${least.value + i} ${least.value + i === 1 ? 'shelf' : 'shelves'}`,
  })),
)

watch(
  open,
  now => {
    if (!now) return
    name.value = old.value?.name ?? ''
    kind.value = old.value?.kind ?? 'rack'
    shelves.value = old.value?.shelves ?? 3
    issue.value = ''
  },
  { immediate: true },
)
watch(kind, k => {
  if (!old.value) shelves.value = k === 'rack' ? 3 : 1
})

async function save() {
  const label = name.value.trim()
  issue.value = nameIssue(label, 'Give it a name.')
  if (issue.value || !room.room) return
  const rack: Rack = {
    ...(old.value ?? begun(newId(), Date.now())),
    roomId: room.room.id,
    name: label,
    kind: kind.value,
    shelves: shelves.value,
    order: old.value?.order ?? Math.max(-1, ...room.racks.map(r => r.order)) + 1,
  }
  if (!(await saveRecord('racks', rack, `${label} saved.`))) return
  open.value = false
}
</script>

<template>
  <SideSheet v-model="open" :title="old ? `Change ${old.name}` : 'Add a rack'">
    <FieldGrid id="rack-form" tag="form" @submit.prevent="save">
      <TextInput v-model="name" label="Name" :error="issue" placeholder="Rack by the door" autofocus />
      <ChoiceChips v-model="kind" label="What it is" :options="kinds" />
      <PickOne v-model="shelves" label="Shelves" :options="counts" />
    </FieldGrid>
    <EndIt
      v-if="old"
      table="racks"
      :record="old"
      :reasons="[{ value: 'putAway', title: 'Put it away' }]"
      :holds="room.glasses.filter(g => g.place.rackId === old!.id).map(g => g.name)"
      @done="open = false"
    />
    <template #foot><v-btn type="submit" form="rack-form" color="primary" :loading="saving">Save</v-btn></template>
  </SideSheet>
</template>
