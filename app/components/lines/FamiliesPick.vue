<script setup lang="ts">
import { type ByRung, FAMILIES_LEAST, type FamilyKept } from '#core/lines'
import type { Ladder } from '#core/records'
import type { LineOf } from '~/composables/useLines'
import type { FamiliesTold } from '~/workers/lines.worker'
import { familiesBreed, readMany } from '~/forms/breedFamilies'
import { percent, whole } from '~/words/numbers'

/**
 * Where the newest generation came from several boxes and was graded box by box: whom to keep of each family, beside
 * what the best rungs alone would bring, from whatever family they come.
 */
const props = defineProps<{
  of: LineOf
  ladder: Ladder
  worker: ReturnType<typeof useLines>['worker']
  /** the grown of each colony by rung */
  standing: Record<string, ByRung>
}>()
const room = useRoomStore()
const told = shallowRef<FamiliesTold | null>(null)
/** As the keeper typed them; as many as bred these families where nothing is typed. */
const typed = ref({ females: '', males: '' })
const read = computed(() => readMany(typed.value, told.value))
watchDebounced(
  [() => props.standing, () => props.of.told, typed],
  async () => {
    if (!props.of.told || typeof read.value === 'string') return
    const many = read.value
    told.value = (await props.worker.run(api => api.families(props.of.line.id, props.standing, many))) ?? null
  },
  { immediate: true, debounce: 300, deep: true },
)
const BY_NUMBER = { numeric: true }
const rows = computed(() =>
  (told.value?.pick?.proposed.keep ?? []).map(rowOf).sort((a, b) => a.name.localeCompare(b.name, 'en', BY_NUMBER)),
)
function rowOf(k: FamilyKept) {
  const of = (list: readonly number[]) =>
    list
      .map((n, r) => ({ n, r }))
      .filter(x => x.n > 0)
      .map(({ n, r }) => `${whole(n)} of ${r + 1}`)
      .toReversed()
      .join(', ')
  return {
    id: k.groupId,
    name: colonyOf(k.groupId)?.name ?? 'a glass that is gone',
    females: of(k.females) || 'none',
    males: of(k.males) || 'none',
  }
}
const colonyOf = (groupId: string) =>
  room.colonyById.get(told.value?.families.find(f => f.groupId === groupId)?.colonyId ?? '')
const breeds = computed(() => familiesBreed(told.value?.pick?.proposed.keep ?? [], props.ladder, colonyOf))
const generationId = computed(() => props.of.told?.generations.at(-1)?.id ?? '')
const setting = ref(false)
const columns = [
  { key: 'name', title: 'Family', as: 'name' },
  { key: 'females', title: 'Females to keep' },
  { key: 'males', title: 'Males to keep' },
] as const
</script>

<template>
  <section v-if="told" aria-label="Families">
    <h2>Family by family</h2>
    <template v-if="told.pick">
      <p class="many">
        <span>With</span>
        <CellInput v-model="typed.females" label="Females to keep" :placeholder="String(told.many.females)" />
        <span>females and</span>
        <CellInput v-model="typed.males" label="Males to keep" :placeholder="String(told.many.males)" />
        <span>males</span>
      </p>
      <FieldIssue :text="typeof read === 'string' ? read : ''" />
      <p v-if="told.pick.more > 0.005">
        The fit has this gain {{ percent(told.pick.more) }} more than the best grades as they come, at no more kinship;
        over three generations of simulated lines it was 5 % more.
      </p>
      <p v-else>Nothing gains more than the best grades as they come, at the same kinship.</p>
      <DataTable label="Whom to keep of each family" :columns="columns" :rows="rows" />
      <div><v-btn variant="outlined" color="primary" @click="setting = true">Set these breeders</v-btn></div>
      <FamiliesSheet v-model="setting" :of="of" :ladder="ladder" :families="breeds" :generation-id="generationId" />
    </template>
    <p v-else class="small muted">
      {{ told.families.length }} boxes were graded by themselves; from {{ FAMILIES_LEAST }} on, and with enough grown
      animals in them, whom to keep of each is worked out here. Until then the best grades are as good as it gets.
    </p>
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: var(--space-4);
}
.many {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: var(--space-3);
}
</style>
