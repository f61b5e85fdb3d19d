<script setup lang="ts">
import type { EggLot } from '#core/records'
import {
  cations,
  dryGroups,
  eggForms,
  type EggLotDraft,
  eggLotDraft,
  type EggLotIssues,
  eggOrigins,
  poolClasses,
  readEggLot,
} from '~/forms/eggLotDraft'
import { lotWords } from '~/words/batch'
import { cautionText } from '~/words/cautions'

/** A lot of dry eggs: what it is, where it came from, since when it is dry. */
const props = defineProps<{ lot: EggLot | null }>()
const open = defineModel<boolean>({ required: true })
const room = useRoomStore()
const { saving, save: saveRecord } = useSave()
const { end } = useEndings()
const draft = ref<EggLotDraft>(eggLotDraft(props.lot))
const issues = ref<EggLotIssues>({})
const of = <T extends string>(list: readonly T[], words: Readonly<Record<T, string>>) =>
  list.map(value => ({ value: value as string, title: words[value] }))
const animals = dryGroups.map(g => ({ value: g.id, title: g.name }))
async function save() {
  if (!room.room) return
  const read = readEggLot(draft.value, { old: props.lot, roomId: room.room.id, nowMs: Date.now() })
  issues.value = read.ok ? {} : read.issues
  if (read.ok && (await saveRecord('eggLots', read.lot, `${read.lot.name} is in the egg bank.`))) open.value = false
}
async function away() {
  if (props.lot && (await end('eggLots', props.lot, 'putAway'))) open.value = false
}
</script>

<template>
  <SideSheet v-model="open" :title="lot ? lot.name : 'Dry eggs for the bank'">
    <FieldGrid id="lot-form" tag="form" novalidate @submit.prevent="save">
      <TextInput
        v-model="draft.name"
        label="Name"
        placeholder="Tadpole shrimp, bag of May"
        autofocus
        :error="issues.name"
      />
      <PickOne v-if="animals.length > 1" v-model="draft.groupId" label="Animals" :options="animals" />
      <ChoiceChips v-model="draft.form" label="In what they lie" :options="of(eggForms, lotWords.form)" />
      <ChoiceChips v-model="draft.origin" label="Where they are from" :options="of(eggOrigins, lotWords.origin)" />
      <ChoiceChips v-model="draft.class" label="Their pools are" :options="of(poolClasses, lotWords.class)" />
      <ChoiceChips v-model="draft.cation" label="Their water is" :options="of(cations, lotWords.cation)" />
      <TextInput v-model="draft.drySince" label="Dry since (empty: today)" type="date" :error="issues.drySince" />
      <TextInput v-model="draft.keptAt" label="Where they are kept" placeholder="jar on the top shelf, dark" />
      <CautionNote class="small">{{ cautionText('wildProtected') }}</CautionNote>
    </FieldGrid>
    <template #foot>
      <v-btn type="submit" form="lot-form" color="primary" size="large" :loading="saving">Save</v-btn>
      <v-btn v-if="lot" class="quiet" @click="away">Put away</v-btn>
    </template>
  </SideSheet>
</template>
