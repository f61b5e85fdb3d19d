<script setup lang="ts">
import { groupOf } from '#core/groups'
import type { Colony, EndingReason } from '#core/records'
import { newId } from '~/data/newId'
import { emptyPart, headsOf, type PartIssues, readJoin, readPart } from '~/forms/partDraft'
import { cautionText } from '~/words/cautions'
import { colonyEndings } from '~/words/endings'
import { doubtText } from '~/words/entryDoubt'
import { glassNumber, whole } from '~/words/numbers'
import { volumeText } from '~/words/unitPrefs'

/** Parts a colony into another glass, joins it to another colony, or ends it. */
const props = defineProps<{ colony: Colony }>()
const open = defineModel<boolean>({ required: true })
useSheets().countOpen(open)
const room = useRoomStore()
const statements = useStatementsStore()
const settings = useSettingsStore()
const log = useLogStore()
const endings = useEndings()
const { saving, saveWith } = useSave()

const what = ref<'part' | 'join' | 'end' | ''>('part')
const ways = [
  { value: 'part' as const, title: 'Part into another glass' },
  { value: 'join' as const, title: 'Join to another colony' },
  { value: 'end' as const, title: 'It has ended' },
]
const draft = ref(emptyPart())
const issues = ref<PartIssues>({})
const why = ref<EndingReason | ''>('')
const reasons = (Object.keys(colonyEndings) as (keyof typeof colonyEndings)[]).map(value => ({
  value: value as EndingReason,
  title: colonyEndings[value],
}))
const followed = useAnimalsStore()
const residents = computed(() => followed.livingIn(props.colony.id, Date.now()))
const told = computed(() => statements.of(props.colony.id))
const oneSex = computed(() => groupOf(props.colony.groupId).stages.femaleShare.value === 1)
const now = computed(() => told.value?.population.now)
watch(
  [open, what],
  ([isOpen]) => {
    if (!isOpen) return
    issues.value = {}
    draft.value = { ...emptyPart(), name: draft.value.name || props.colony.name, on: draft.value.on }
    // all that are left go over, with their names
    draft.value.animalIds = what.value === 'join' ? residents.value.map(a => a.id) : []
    if (what.value === 'join' && told.value) draft.value.heads = headsOf(told.value.population.stages, oneSex.value)
  },
  { immediate: true },
)
const glasses = computed(() => [
  { value: '', title: 'Choose …' },
  ...room.glasses
    .filter(g => g.id !== room.glassOf(props.colony)?.id)
    .map(g => ({ value: g.id, title: `${g.name}, ${volumeText(g.grossL, settings.units)}` })),
])
/** Others of the same animals: lines of another kind never join. */
const others = computed(() => room.colonies.filter(c => c.groupId === props.colony.groupId && c.id !== props.colony.id))
const otherOptions = computed(() => [
  { value: '', title: 'Choose …' },
  ...others.value.map(c => ({ value: c.id, title: `${c.name} in ${room.glassOf(c)?.name ?? 'its glass'}` })),
])
const crossing = computed(() => {
  const into = others.value.find(c => c.id === draft.value.intoId)
  return into && into.lineId !== props.colony.lineId
})

const doubt = useEntryDoubt()
const { meetsIn } = useMeeting()
const refused = ref('')
let askedOf = ''
/** A part that would meet another line in its glass is asked about once; crab kinds never meet. */
function mixing(glassId: string): string {
  const meets = meetsIn(props.colony, glassId)
  if (meets === 'never') return doubtText({ key: 'crabKinds', values: { n: 0, most: 0 } })
  const again = askedOf === glassId
  askedOf = meets === 'crosses' ? glassId : ''
  return meets === 'crosses' && !again ? doubtText({ key: 'otherLine', values: { n: 0, most: 0 } }) : ''
}

async function save() {
  if (what.value === 'end') return end()
  const context = { colony: props.colony, id: newId(), stamp: log.stamp(), nowMs: Date.now() }
  const read = what.value === 'join' ? readJoin(draft.value, context, others.value) : readPart(draft.value, context)
  issues.value = read.ok ? {} : read.issues
  if (!read.ok) return
  const { colony, move } = read
  refused.value = what.value === 'join' && move ? doubt.question(move, props.colony) : mixing(draft.value.glassId)
  if (refused.value) return
  const entries = move ? [move] : []
  // who parted has come back: the keeper is where they came from
  const undone = what.value === 'join' ? undefined : () => navigateTo(`/colony/${props.colony.id}`)
  const words =
    what.value === 'join'
      ? `${props.colony.name} joined to ${room.colonyById.get(draft.value.intoId)?.name}.`
      : `${whole(move?.number ?? 0)} of ${props.colony.name} parted into ` +
        `${room.glassById.get(draft.value.glassId)?.name}.`
  const saved = await saveWith([{ table: 'colonies', record: colony }], entries, words, undone)
  if (!saved) return
  open.value = false
  await navigateTo(what.value === 'join' ? `/colony/${draft.value.intoId}` : `/colony/${colony.id}`)
}
async function end() {
  if (!why.value) return
  if (!(await endings.end('colonies', props.colony, why.value))) return
  open.value = false
  await navigateTo('/')
}
async function remove() {
  if (!(await endings.remove('colonies', props.colony.id))) return
  open.value = false
  await navigateTo('/')
}
</script>

<template>
  <SideSheet v-model="open" :title="`Part, join or end ${colony.name}`" wide>
    <FieldGrid id="part-form" tag="form" novalidate @submit.prevent="save">
      <ChoiceChips v-model="what" label="What happens" :options="ways" />
      <template v-if="what === 'part' || what === 'join'">
        <p v-if="now" class="muted">About {{ glassNumber(now.value, now.low, now.high) }} live here now.</p>
        <template v-if="what === 'part'">
          <TextInput v-model="draft.name" label="Name of the new colony" :error="issues.name" />
          <PickOne v-model="draft.glassId" label="Into" :options="glasses" />
          <FieldIssue :text="issues.glassId" />
          <CompanyWarnings
            v-if="draft.glassId"
            :group-id="colony.groupId"
            :schools="colony.schools"
            :glass-id="draft.glassId"
            :colony-id="colony.id"
          />
        </template>
        <template v-else>
          <PickOne v-model="draft.intoId" label="Into" :options="otherOptions" />
          <FieldIssue :text="issues.intoId" />
          <CautionNote v-if="crossing">
            They are of different lines: young of both will be mixed, and lines cannot be told apart again.
          </CautionNote>
        </template>
        <AnimalChips v-model="draft.animalIds" :animals="residents" :colony-id="colony.id" />
        <HeadsFields
          v-model="draft.heads"
          :legend="what === 'join' ? 'Who goes over (all that are left)' : 'Who goes'"
          :issue="issues.heads"
        />
        <EggsField v-model="draft.berried" :group-id="colony.groupId" :error="issues.berried" />
        <TextInput v-model="draft.on" label="On (empty: today)" type="date" :error="issues.on" />
        <p class="small muted">
          {{
            what === 'join'
              ? `${colony.name} ends with this; its past stays, and it can be brought back.`
              : 'Line, habits and own ranges go along. Bring them over by drip: the waters differ.'
          }}
        </p>
      </template>
      <FieldIssue v-if="what !== 'end'" :text="refused" />
      <template v-if="what === 'end'">
        <ChoiceChips v-model="why" label="How" :options="reasons" />
        <p class="small muted">
          It leaves the Room, the round, what is due and the search. Its log stays, and it can be brought back. What of
          it was never logged stays unlogged: take out or log deaths first where you know them.
        </p>
        <CautionNote>{{ cautionText('neverRelease') }}</CautionNote>
        <p class="small">
          Begun by mistake, and nothing is logged?
          <button type="button" class="link" @click="remove">Take it away for good</button>
        </p>
      </template>
    </FieldGrid>
    <template #foot>
      <v-btn
        type="submit"
        form="part-form"
        color="primary"
        :loading="saving || endings.saving.value"
        :disabled="what === '' || (what === 'end' && !why)"
        >{{ what === 'end' ? 'End it' : what === 'join' ? 'Join them' : 'Part them' }}</v-btn
      >
    </template>
  </SideSheet>
</template>
