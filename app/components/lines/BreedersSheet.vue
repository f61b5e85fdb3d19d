<script setup lang="ts">
import { standingTotal } from '#core/lines'
import type { LineOf } from '~/composables/useLines'
import type { TraysDesk } from '~/composables/useTrays'
import { partOutlets, readBreeders } from '~/forms/breedDraft'
import { cautionText } from '~/words/cautions'
import { whole } from '~/words/numbers'

/** Sets the breeders: where they breed, where the parted go; written as moves, an order and a group that breeds. */
const props = defineProps<{ of: LineOf; desk: TraysDesk }>()
const open = defineModel<boolean>({ required: true })
const room = useRoomStore()
const log = useLogStore()
const { colony } = props.desk
const breedIn = ref('')
const partTo = ref('')
const followed = useAnimalsStore()
const living = computed(() => (colony.value ? followed.livingIn(colony.value.id, Date.now()) : []))
const named = ref<{ breed: string[]; part: string[] }>({ breed: [], part: [] })
const issue = ref('')
watch(
  () => colony.value?.id,
  () => (breedIn.value = ''),
)
watch(open, now => {
  if (!now) return
  breedIn.value ||= colony.value?.id ?? ''
  issue.value = ''
  named.value = { breed: [], part: [] }
})
const { existing, homes, homeAt, set, saving } = useSettingBreeders(() => props.of, colony)
const ways = computed(() => [
  { value: '', title: 'Choose …' },
  ...existing.value.filter(h => h.value !== colony.value?.id),
  ...Object.entries(partOutlets).map(([value, title]) => ({ value, title })),
])
async function save() {
  // one moment for all: who moves before the box hangs would never have come into it
  const nowMs = Date.now()
  const group = props.desk.groupNow(nowMs)
  const ladder = room.ladders.find(l => l.id === group?.ladderId)
  if (!group || !ladder || !colony.value) return
  const { offer, part } = props.desk.trays.value
  const trays = { breed: props.desk.breeding.value, offer, part }
  const about = { group, ladder, trays, colony: colony.value, named: whoOf(named.value), stamp: log.stamp, nowMs }
  const { colonyId, writes } = homeAt(props.desk.rolling.value ? colony.value.id : breedIn.value, nowMs)
  const read = readBreeders({ breedIn: colonyId, partTo: partTo.value }, about)
  const { rolling } = props.desk
  const written = typeof read === 'string' ? read : rolling.value ? { ...read, group: null } : read
  const { done, question } =
    typeof written === 'string' ? { done: false, question: written } : await set(writes, written)
  issue.value = question
  if (!done) return
  // a draft of breeders has become theirs; of who was taken out none is left
  if (rolling.value) props.desk.clear()
  open.value = false
  await navigateTo(`/lines/${props.of.line.id}`)
}
const whoOf = ({ breed, part }: { breed: string[]; part: string[] }) => ({
  breed: living.value.filter(a => breed.includes(a.id)),
  part: living.value.filter(a => part.includes(a.id)),
})
const number = (kind: 'offer' | 'part') => standingTotal(props.desk.tray(kind))
</script>

<template>
  <BreedSheet
    v-model="open"
    v-model:home="breedIn"
    :homes="homes"
    :rolling="desk.rolling.value"
    :issue="issue"
    :saving="saving"
    @set="save"
  >
    <AnimalChips
      v-if="colony && !desk.rolling.value"
      v-model="named.breed"
      :animals="living"
      :colony-id="colony.id"
      legend="Who of those that you follow breeds"
    />
    <template v-if="number('part') > 0">
      <PickOne v-model="partTo" :label="`Where the ${whole(number('part'))} parted go`" :options="ways" />
      <AnimalChips
        v-if="colony"
        v-model="named.part"
        :animals="living"
        :colony-id="colony.id"
        legend="Who of those that you follow is parted"
      />
      <CautionNote class="small">{{ cautionText('neverRelease') }}</CautionNote>
    </template>
    <p v-if="number('offer') > 0">
      {{ whole(number('offer')) }} are kept back in the Surplus for whoever asks, an order for each grade.
    </p>
  </BreedSheet>
</template>
