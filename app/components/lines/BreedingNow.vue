<script setup lang="ts">
import { carriesEggs } from '#core/groups'
import { bySex } from '#core/lines'
import { type BreedingGroup, presentGlassId } from '#core/records'
import type { LineOf } from '~/composables/useLines'
import { readRelease } from '~/forms/breedBox'
import { counted, whole } from '~/words/numbers'
import { dayText } from '~/words/when'

/** Who breeds now, where and since when; the females go back when they are berried. */
const props = defineProps<{ of: LineOf; nowMs: number }>()
const room = useRoomStore()
const log = useLogStore()
const doubt = useEntryDoubt()
const { breedersOf } = useBreeding()
const { saving, saveWith } = useSave()
const running = computed(() =>
  breedersOf(props.of.line)
    .filter(b => b.state === 'running')
    .map(b => ({ group: b, ...bySex(b.parents), colony: room.colonyById.get(b.colonyId) })),
)
const open = ref(false)
const group = shallowRef<BreedingGroup | null>(null)
const typed = ref({ to: '', females: '', males: '', berried: '', animalIds: [] as string[] })
const followed = useAnimalsStore()
const namesOf = (ids: readonly string[]) => ids.map(followed.nameOf).join(', ')
/** Followed animals of the group that are still where it breeds. */
const theirs = computed(() =>
  followed.livingIn(group.value?.colonyId ?? '', Date.now()).filter(a => group.value?.animalIds.includes(a.id)),
)
const issue = ref('')
function ask(of: BreedingGroup) {
  group.value = of
  const { females } = bySex(of.parents)
  const home = homes.value.find(h => h.value !== '' && h.value !== of.colonyId)
  const goes = theirs.value.filter(a => a.sex === 'female').map(a => a.id)
  // they go back when they carry eggs: all of them, until the keeper says otherwise
  const berried = carriesEggs(props.of.line.groupId) ? String(females) : ''
  typed.value = { to: home?.value ?? '', females: String(females), males: '', berried, animalIds: goes }
  issue.value = ''
  open.value = true
}
// as many as go carry, until the keeper says otherwise
watch(
  () => typed.value.females,
  (now, before) => {
    if (typed.value.berried === before) typed.value.berried = now
  },
)
const homes = computed(() => [
  { value: '', title: 'All stay where they are' },
  ...props.of.colonies
    .filter(c => c.id !== group.value?.colonyId)
    .map(c => ({ value: c.id, title: `${c.name} · ${room.glassById.get(presentGlassId(c))?.name ?? ''}` })),
])
async function save() {
  const from = room.colonyById.get(group.value?.colonyId ?? '')
  if (!group.value || !from) return
  const read = readRelease(typed.value, { group: toRaw(group.value), stamp: log.stamp, nowMs: Date.now() })
  issue.value = typeof read === 'string' ? read : ''
  if (typeof read === 'string') return
  issue.value = doubt.questionOf(read.moves.map(entry => ({ entry, colony: from })))
  if (issue.value) return
  const many = read.moves.reduce((sum, m) => sum + m.number, 0)
  const words =
    many > 0
      ? `${whole(many)} of ${props.of.line.name} let back into ${room.colonyById.get(typed.value.to)?.name ?? ''}.`
      : `${props.of.line.name}: these breed no more.`
  const writes = [{ table: 'breedingGroups' as const, record: read.group }]
  if (await saveWith(writes, read.moves, words)) open.value = false
}
</script>

<template>
  <ul v-if="running.length > 0" class="running" aria-label="Who breeds now">
    <li v-for="r in running" :key="r.group.id">
      <span>
        <b>{{ counted(r.females, 'female', 'females') }} and {{ counted(r.males, 'male', 'males').toLowerCase() }}</b>
        breed in {{ r.colony?.name ?? 'a colony that is gone' }} since {{ dayText(Date.parse(r.group.from), nowMs)
        }}<template v-if="r.group.animalIds.length > 0">, among them {{ namesOf(r.group.animalIds) }}</template
        >.
      </span>
      <button type="button" class="link" @click="ask(r.group)">Let them back</button>
    </li>
  </ul>
  <SideSheet v-model="open" title="Let the breeders back">
    <div class="back">
      <p class="small muted">
        Let females back when they carry eggs: the young come where they go. A male that stays serves the next ones.
      </p>
      <PickOne v-model="typed.to" label="Where they go" :options="homes" />
      <FieldGrid v-if="typed.to">
        <TextInput v-model="typed.females" label="Females that go" numeric />
        <EggsField v-model="typed.berried" :group-id="of.line.groupId" />
        <TextInput v-model="typed.males" label="Males that go" numeric />
      </FieldGrid>
      <AnimalChips
        v-if="typed.to && group"
        v-model="typed.animalIds"
        :animals="theirs"
        :colony-id="group.colonyId"
        legend="Who of those that you follow goes"
      />
      <FieldIssue :text="issue" />
    </div>
    <template #foot>
      <v-btn color="primary" :loading="saving" @click="save">Let them back</v-btn>
      <v-btn variant="text" @click="open = false">Not now</v-btn>
    </template>
  </SideSheet>
</template>

<style scoped>
.running li {
  display: flex;
  gap: var(--space-5);
  align-items: baseline;
  flex-wrap: wrap;
}
.back {
  display: grid;
  gap: var(--space-5);
}
</style>
