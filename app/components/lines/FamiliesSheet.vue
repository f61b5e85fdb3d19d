<script setup lang="ts">
import { type Ladder, rungsTotal } from '#core/records'
import type { LineOf } from '~/composables/useLines'
import { type FamilyBreeds, readFamilyBreeders } from '~/forms/breedFamilies'
import { whole } from '~/words/numbers'

/** Puts the breeders of several families together: moves out of each box, and a group that breeds. */
const props = defineProps<{ of: LineOf; ladder: Ladder; families: readonly FamilyBreeds[]; generationId: string }>()
const open = defineModel<boolean>({ required: true })
const log = useLogStore()
const doubt = useEntryDoubt()
const { saving, saveWith } = useSave()
// a new box hangs in the water of those who give most
const most = computed(
  () => props.families.toSorted((a, b) => rungsTotal(b.breed) - rungsTotal(a.breed))[0]?.colony ?? null,
)
const { homes, homeAt, joining } = useBreedHomes(() => props.of, most)
const breedIn = ref('')
const issue = ref('')
watch(open, now => now && (issue.value = ''))
const many = computed(() => rungsTotal(props.families.flatMap(f => f.breed)))
async function save() {
  const nowMs = Date.now()
  const home = homeAt(breedIn.value, nowMs)
  const read = readFamilyBreeders(props.families, {
    ...{ line: props.of.line, ladderId: props.ladder.id, generationId: props.generationId },
    ...{ breedIn: home.colonyId, stamp: log.stamp, nowMs },
  })
  issue.value = typeof read === 'string' ? read : ''
  if (typeof read === 'string') return
  const froms = new Map(props.families.map(f => [f.colony.id, f.colony]))
  const odd = read.moves.map(m => doubt.question(m, froms.get(m.colonyId)!)).find(q => q !== '')
  if (odd) return void (issue.value = `${odd} Set them once more to do it all the same.`)
  const writes = [...home.writes, ...joining(read.moves), { table: 'breedingGroups' as const, record: read.group }]
  if (await saveWith(writes, read.moves, `${props.of.line.name}: the breeders are set.`)) open.value = false
}
</script>

<template>
  <SideSheet v-model="open" title="Set the breeders">
    <div class="set">
      <p>{{ whole(many) }} of {{ whole(families.length) }} boxes come together, as the pick has it.</p>
      <PickOne v-model="breedIn" label="Where they breed" :options="[{ value: '', title: 'Choose …' }, ...homes]" />
      <p class="small muted">
        A box in the same water keeps them apart from the rest. Let the females back when they are berried.
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
