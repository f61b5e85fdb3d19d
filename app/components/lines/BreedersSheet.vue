<script setup lang="ts">
import { standingTotal } from '#core/lines'
import type { Write } from '~/data/saveRecord'
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
const doubt = useEntryDoubt()
const { saving, saveWith } = useSave()
const { colony } = props.desk
const breedIn = ref('')
const partTo = ref('')
const issue = ref('')
watch(open, now => {
  if (!now) return
  breedIn.value ||= colony.value?.id ?? ''
  issue.value = ''
})
const { existing, homes, homeAt, joining } = useBreedHomes(() => props.of, colony)
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
  const { breed, offer, part } = props.desk.trays.value
  const about = {
    group,
    ladder,
    colony: colony.value,
    trays: { breed, offer, part },
    stamp: log.stamp,
    nowMs,
  }
  const home = homeAt(breedIn.value, nowMs)
  const read = readBreeders({ breedIn: home.colonyId, partTo: partTo.value }, about)
  issue.value = typeof read === 'string' ? read : ''
  if (typeof read === 'string') return
  // each move is checked: lines that cross never share a glass unless the keeper says so twice
  const odd = read.moves.map(m => doubt.question(m, colony.value!)).find(q => q !== '')
  if (odd) return void (issue.value = `${odd} Set them once more to do it all the same.`)
  const writes: Write[] = [
    ...home.writes,
    ...joining(read.moves),
    { table: 'breedingGroups', record: read.group },
    ...read.orders.map(record => ({ table: 'orders' as const, record })),
  ]
  const saved = await saveWith(writes, read.moves, `${props.of.line.name}: the breeders are set.`)
  if (!saved) return
  open.value = false
  await navigateTo(`/lines/${props.of.line.id}`)
}
const number = (kind: 'offer' | 'part') => standingTotal(props.desk.tray(kind))
</script>

<template>
  <SideSheet v-model="open" title="Set the breeders">
    <div class="set">
      <PickOne v-model="breedIn" label="Where they breed" :options="homes" />
      <p class="small muted">
        A box in the same water keeps them apart from the rest. Let the females back when they are berried.
      </p>
      <template v-if="number('part') > 0">
        <PickOne v-model="partTo" :label="`Where the ${whole(number('part'))} parted go`" :options="ways" />
        <CautionNote class="small">{{ cautionText('neverRelease') }}</CautionNote>
      </template>
      <p v-if="number('offer') > 0">
        {{ whole(number('offer')) }} are kept back in the Surplus for whoever asks, an order for each grade.
      </p>
      <FieldIssue :text="issue" />
    </div>
    <template #foot>
      <v-btn color="primary" :loading="saving" @click="save">Set them</v-btn>
      <v-btn variant="text" @click="open = false">Not now</v-btn>
    </template>
  </SideSheet>
</template>

<style scoped>
.set {
  display: grid;
  gap: var(--space-5);
}
</style>
