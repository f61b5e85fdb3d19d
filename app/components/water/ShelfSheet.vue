<script setup lang="ts">
import { SaltId, type ShelfItem, toMoment } from '#core/records'
import { salts } from '#core/water'
import { readShelf, shelfDraft, type ShelfDraft, type ShelfIssues } from '~/forms/shelfDraft'
import { cautionText } from '~/words/cautions'
import { saltWord } from '~/words/recipe'
import { valueUnit } from '~/words/unitPrefs'

/** A box on the shelf: a salt by name, or a mineral mix by what one gram in a litre raises. */
const props = defineProps<{ boxing: { item: ShelfItem | null; leftG?: number } | null }>()
const emit = defineEmits<{ close: [] }>()
const open = computed({
  get: () => props.boxing !== null,
  set: v => {
    if (!v) emit('close')
  },
})
useSheets().countOpen(open)
const room = useRoomStore()
const settings = useSettingsStore()
const { saving, save: saveRecord } = useSave()
const draft = ref<ShelfDraft>(shelfDraft(null, settings.units))
const issues = ref<ShelfIssues>({})
watch(open, now => {
  if (!now) return
  draft.value = shelfDraft(props.boxing!.item, settings.units, props.boxing!.leftG)
  issues.value = {}
})
const saltOptions = SaltId.options.map(value => ({
  value,
  title: value === 'seaSalt' ? saltWord[value] : `${saltWord[value]}, ${salts[value].formula}`,
}))
watch(
  () => draft.value.salt,
  (salt, before) => {
    if (draft.value.name === '' || draft.value.name === saltWord[before]) draft.value.name = saltWord[salt]
  },
)
async function save() {
  if (!room.room) return
  const read = readShelf(draft.value, {
    old: props.boxing?.item ?? null,
    roomId: room.room.id,
    units: settings.units,
    nowMs: Date.now(),
  })
  issues.value = read.ok ? {} : read.issues
  if (!read.ok) return
  if (!(await saveRecord('shelf', read.item, `${read.item.name} kept.`))) return
  open.value = false
}
async function putAway() {
  const item = props.boxing?.item
  if (!item) return
  const ended = { at: toMoment(Date.now()), why: 'putAway' as const }
  if (!(await saveRecord('shelf', { ...item, ended }, `${item.name} put away.`))) return
  open.value = false
}
</script>

<template>
  <SideSheet v-model="open" :title="boxing?.item ? boxing.item.name : 'Add a salt or mix'">
    <FieldGrid id="shelf-form" tag="form" novalidate @submit.prevent="save">
      <ChoiceChips
        v-model="draft.by"
        label="What is in the box?"
        :options="[
          { value: 'salt', title: 'One salt' },
          { value: 'mix', title: 'A mineral mix' },
        ]"
      />
      <PickOne v-if="draft.by === 'salt'" v-model="draft.salt" label="Which salt" :options="saltOptions" />
      <TextInput
        v-model="draft.name"
        label="Name on the box"
        :error="issues.name"
        :placeholder="draft.by === 'salt' ? saltWord[draft.salt] : 'Soft-water mix'"
      />
      <template v-if="draft.by === 'mix'">
        <p class="small muted">
          What one gram in one litre of pure water raises. Most labels say it; if yours does not, stir 1 g into 1 L and
          test.
        </p>
        <FieldGrid :columns="2">
          <TextInput
            v-model="draft.ghDh"
            label="GH"
            :suffix="valueUnit('ghDh', settings.units)"
            numeric
            :error="issues.ghDh"
          />
          <TextInput
            v-model="draft.khDh"
            label="KH"
            :suffix="valueUnit('khDh', settings.units)"
            numeric
            :error="issues.khDh"
          />
          <TextInput
            v-model="draft.conductivityUsCm"
            label="Conductivity"
            :suffix="valueUnit('conductivityUsCm', settings.units)"
            numeric
            :error="issues.conductivityUsCm"
          />
          <TextInput v-model="draft.caMg" label="Ca to Mg by mass (3 if not known)" numeric :error="issues.caMg" />
        </FieldGrid>
      </template>
      <TextInput
        v-model="draft.stockG"
        label="Left in it (empty: not followed)"
        suffix="g"
        numeric
        :error="issues.stockG"
      />
      <CautionNote class="small">{{ cautionText('salts') }}</CautionNote>
    </FieldGrid>
    <template #foot>
      <v-btn type="submit" form="shelf-form" color="primary" :loading="saving">Save</v-btn>
      <v-btn v-if="boxing?.item" class="quiet" @click="putAway">Put away</v-btn>
    </template>
  </SideSheet>
</template>
