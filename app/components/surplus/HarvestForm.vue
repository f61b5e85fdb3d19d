<script setup lang="ts">
import { groupOf } from '#core/groups'
import type { RungOffer } from '#core/lines'
import { type Colony, type Order, TakeKind, toMoment } from '#core/records'
import { emptyHarvest, readHarvest } from '~/forms/harvestDraft'
import { cautionText } from '~/words/cautions'
import { takeKindWord } from '~/words/outlook'
import { outletWords } from '~/words/surplus'
import { whole } from '~/words/numbers'

/** Takes animals out: how many of whom, where to, for how much. Filled from an order when one is being served. */
const props = defineProps<{
  colony: Colony
  canGo: number
  rungs?: readonly RungOffer[]
  order?: Order | null
  currency: string
}>()
const emit = defineEmits<{ done: [] }>()
const log = useLogStore()
const draft = ref(emptyHarvest())
const issues = ref<Record<string, string>>({})
const saving = ref(false)
const kinds = computed(() =>
  TakeKind.options
    .filter(k => groupOf(props.colony.groupId).stages.femaleShare.value < 1 || (k !== 'females' && k !== 'males'))
    .map(value => ({ value, title: takeKindWord[value] })),
)
// to another colony of the room it is a move, which both numbers follow from
const outlets = (Object.keys(outletWords) as (keyof typeof outletWords)[])
  .filter(value => value !== 'moved')
  .map(value => ({ value, title: outletWords[value] }))

watch(
  () => props.order,
  o => {
    if (!o) return
    draft.value = {
      number: String(o.number),
      of: o.of,
      rungId: o.rungId ?? '',
      outlet: o.priceEach ? 'sold' : 'given',
      price: o.priceEach === undefined ? '' : (o.priceEach * o.number).toFixed(2),
      text: '',
    }
  },
  { immediate: true },
)
watch(
  () => props.colony.id,
  () => {
    if (!props.order) draft.value = emptyHarvest()
  },
)
const over = computed(() => Number(draft.value.number) > props.canGo)
const rung = computed(() => props.rungs?.find(r => r.rungId === draft.value.rungId))
const grades = computed(() => [
  { value: '', title: 'as they come' },
  ...(props.rungs ?? []).map(r => ({ value: r.rungId, title: `${r.words} (${r.atMost || 'none'})` })),
])
/** Of a rung that has a price the sum follows from how many go. */
watch([() => draft.value.rungId, () => draft.value.number, () => draft.value.outlet], () => {
  const each = rung.value?.priceEach
  const many = Number(draft.value.number)
  if (draft.value.outlet === 'sold' && each && many > 0) draft.value.price = (each * many).toFixed(2)
})
/** Half-grown animals stand on no rung yet. */
watch(
  () => draft.value.of,
  of => {
    if (of === 'halfGrown') draft.value.rungId = ''
  },
)

async function save() {
  if (saving.value) return
  const at = toMoment(Date.now())
  const read = readHarvest(draft.value, { ...log.stamp(), at }, props.colony.id, props.order?.id)
  issues.value = read.ok ? {} : read.issues
  if (!read.ok) return
  saving.value = true
  const saved = await log.save(read.entry, `${draft.value.number} taken out of ${props.colony.name}.`)
  saving.value = false
  if (!saved) return
  draft.value = emptyHarvest()
  emit('done')
}
</script>

<template>
  <form class="harvest" @submit.prevent="save">
    <h3>{{ order ? `Serve ${order.who}` : `Take out of ${colony.name}` }}</h3>
    <div class="row">
      <TextInput v-model="draft.number" label="How many" numeric :error="issues.number" />
      <PickOne v-model="draft.of" label="Of them" :options="kinds" />
      <PickOne
        v-if="(rungs ?? []).length > 0 && draft.of !== 'halfGrown'"
        v-model="draft.rungId"
        label="Grade"
        :options="grades"
      />
      <TextInput
        v-if="draft.outlet === 'sold'"
        v-model="draft.price"
        label="For all of them"
        :suffix="currency"
        numeric
        :error="issues.price"
      />
    </div>
    <ChoiceChips v-model="draft.outlet" label="Where to?" :options="outlets" />
    <FieldIssue :text="issues.outlet" />
    <p v-if="draft.outlet === 'culled'" class="small">{{ cautionText('culling') }}</p>
    <CautionNote v-if="over" class="small" role="status">
      That is more than the {{ whole(canGo) }} that can go safely today. You may, but the colony may fall under what
      should stay.
    </CautionNote>
    <CautionNote v-else-if="rung && Number(draft.number) > rung.atMost" class="small" role="status">
      Of {{ rung.words }} {{ whole(rung.atMost) }} can go<template v-if="rung.breeding > 0"
        >: {{ whole(rung.breeding) }} of them breed for the line</template
      >.
    </CautionNote>
    <SoftNote :colony-ids="[colony.id]" />
    <v-btn type="submit" color="primary" :disabled="saving">Take out</v-btn>
  </form>
</template>

<style scoped>
.harvest {
  display: grid;
  gap: var(--space-4);
  justify-items: start;
  border-top: 1px solid var(--rule);
  padding-top: var(--space-5);
}
.row {
  display: flex;
  gap: var(--space-5);
  flex-wrap: wrap;
  align-items: start;
}
.row > * {
  width: 150px;
}
</style>
