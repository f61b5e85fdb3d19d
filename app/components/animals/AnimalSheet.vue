<script setup lang="ts">
import { groupOf } from '#core/groups'
import type { AnimalSex } from '#core/records'
import { type AnimalDraft, animalDraft, type AnimalIssues, dayDoubts, readAnimal } from '~/forms/animalDraft'
import { sexWord } from '~/words/animals'

/** An animal that is followed one by one: who it is. What happens to it is logged, and its life follows from that. */
const { animal: asked } = useSheets()
const open = computed({
  get: () => asked.value !== null,
  set: v => {
    if (!v) asked.value = null
  },
})
const room = useRoomStore()
const { saving, save: saveRecord } = useSave()
const old = computed(() => room.animalById.get(asked.value?.animalId ?? '') ?? null)
const draft = ref<AnimalDraft>(animalDraft(null, ''))
const issues = ref<AnimalIssues>({})
watch(
  open,
  now => {
    if (!now) return
    draft.value = animalDraft(old.value, asked.value?.colonyId ?? '')
    issues.value = {}
  },
  { immediate: true },
)
const colony = computed(() => room.colonyById.get(draft.value.colonyId))
const colonies = computed(() =>
  room.colonies.map(c => ({ value: c.id, title: `${c.name} · ${groupOf(c.groupId).name}` })),
)
const oneSex = computed(() => colony.value && groupOf(colony.value.groupId).stages.femaleShare.value === 1)
const sexes = (Object.keys(sexWord) as AnimalSex[]).map(value => ({ value, title: sexWord[value] }))
const doubts = [...dayDoubts]
/** Who may be a parent: others of its kind, by their sex. */
const parents = (not: AnimalSex) =>
  room.all.animals.filter(a => a.groupId === colony.value?.groupId && a.sex !== not && a.id !== old.value?.id)

async function save() {
  if (!room.room) return
  const read = readAnimal(draft.value, {
    old: old.value,
    colony: colony.value,
    roomId: room.room.id,
    animals: room.all.animals,
    nowMs: Date.now(),
  })
  issues.value = read.ok ? {} : read.issues
  if (!read.ok) return
  const words = old.value ? `${read.animal.name} saved.` : `${read.animal.name} is followed from now on.`
  if (await saveRecord('animals', read.animal, words)) open.value = false
}
</script>

<template>
  <SideSheet v-model="open" :title="old ? old.name : 'Follow an animal'">
    <FieldGrid id="animal-form" tag="form" novalidate @submit.prevent="save">
      <TextInput v-model="draft.name" label="Its name" placeholder="Ash" autofocus :error="issues.name" />
      <template v-if="!old">
        <PickOne v-model="draft.colonyId" label="Lives in" :options="[{ value: '', title: 'choose' }, ...colonies]" />
        <FieldIssue :text="issues.colonyId" />
      </template>
      <ChoiceChips v-if="!oneSex" v-model="draft.sex" label="Sex" :options="sexes" />
      <TextInput v-model="draft.born" label="Born (empty: not known)" type="date" :error="issues.born" />
      <ChoiceChips v-if="draft.born" v-model="draft.bornDoubt" label="How well is that known?" :options="doubts" />
      <TextInput
        v-model="draft.came"
        label="Came to you (empty: born here, or not known)"
        type="date"
        :error="issues.came"
      />
      <ChoiceChips v-if="draft.came" v-model="draft.cameDoubt" label="How well is that known?" :options="doubts" />
      <TextInput v-model="draft.marks" label="What you know it by" placeholder="left claw pale, a chip on the shell" />
      <details v-if="parents('male').length + parents('female').length > 0" class="fold">
        <summary>Parents, as far as they may be</summary>
        <FlagChecks
          v-for="side in ['damIds', 'sireIds'] as const"
          :key="side"
          v-model="draft[side]"
          :label="side === 'damIds' ? 'Mother, or one of these' : 'Father, or one of these'"
          :options="parents(side === 'damIds' ? 'male' : 'female').map(p => ({ value: p.id, title: p.name }))"
        />
      </details>
      <p class="small muted">
        Molts, limbs, broods, sizes and moves are logged as ever, with its name. The number of its colony counts it
        once.
      </p>
    </FieldGrid>
    <template #foot>
      <v-btn type="submit" form="animal-form" color="primary" size="large" :loading="saving">Save</v-btn>
    </template>
  </SideSheet>
</template>
