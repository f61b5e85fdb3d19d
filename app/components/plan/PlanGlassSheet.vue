<script setup lang="ts">
import { setUpAdvice } from '#core/care'
import { begun, type Colony, Colony as ColonySchema, toMoment } from '#core/records'
import type { PlanDesk } from '~/composables/usePlanDesk'
import { newId } from '~/data/newId'
import type { Write } from '~/data/saveRecord'
import { glassOfPlan } from '~/forms/planDraft'

/** A plan becomes a glass, and its animals a colony: now if they are in, or when they come. */
const props = defineProps<{ desk: PlanDesk }>()
const open = defineModel<boolean>({ required: true })
useSheets().countOpen(open)
const room = useRoomStore()
const { saveAll } = useSave()
const plan = computed(() => props.desk.plan.value)
const glass = computed(() => room.glassById.get(props.desk.stored.value?.glassId ?? '') ?? null)
const name = ref('')
const lines = ref<string[]>([])
const rackId = ref('')
const shelf = ref(0)
const animals = ref<'later' | 'now'>('later')
const issue = ref('')
const shelves = computed(() =>
  Array.from({ length: room.racks.find(r => r.id === rackId.value)?.shelves ?? 1 }, (_, i) => ({
    value: i,
    title: i === 0 ? 'Top shelf' : `Shelf ${i + 1}`,
  })),
)
watch(open, now => {
  if (!now || !plan.value) return
  name.value = plan.value.name
  lines.value = plan.value.groupIds.map((_, i) => (i === 0 ? plan.value!.name : props.desk.groups.value[i]!.group.name))
  rackId.value = room.racks[0]?.id ?? ''
  shelf.value = 0
  animals.value = glass.value ? 'now' : 'later'
  issue.value = ''
})
watch(shelves, list => {
  shelf.value = Math.min(shelf.value, list.length - 1)
})

/** The starters of a group, split by sex as advised where that is told. */
function colonyOf(glassId: string, i: number): Colony {
  const { females, males } = setUpAdvice({
    ...plan.value!,
    groupIds: [plan.value!.groupIds[i]!],
    starters: [plan.value!.starters[i]!],
  })
  const n = plan.value!.starters[i]!
  const heads =
    males > 0
      ? { females, males, unsexed: 0, halfGrown: 0, young: 0 }
      : { females: 0, males: 0, unsexed: n, halfGrown: 0, young: 0 }
  const now = toMoment(Date.now())
  return ColonySchema.parse({
    ...begun(newId(), Date.now()),
    form: 'colony',
    stays: [{ glassId, from: now }],
    name: lines.value[i]!.trim(),
    groupId: plan.value!.groupIds[i]!,
    schools: i === 0 ? plan.value!.schools : {},
    startedAt: now,
    founders: heads,
    targets: {},
    life: {},
  })
}
async function save() {
  if (!plan.value) return
  const rack = room.racks.find(r => r.id === rackId.value)
  issue.value =
    !glass.value && name.value.trim() === ''
      ? 'Give the glass a name.'
      : !glass.value && !rack
        ? 'Add a rack in the Room first.'
        : animals.value === 'now' && lines.value.some(l => l.trim() === '')
          ? 'Give each line a name.'
          : animals.value === 'now' && plan.value.starters.some(n => n < 1)
            ? 'How many starters? At least one of each.'
            : ''
  if (issue.value) return
  await props.desk.save()
  const nowMs = Date.now()
  const made = glass.value
    ? null
    : glassOfPlan(plan.value, {
        name: name.value.trim(),
        rack: rack!,
        shelf: shelf.value,
        glasses: room.glasses,
        nowMs,
      })
  const glassId = glass.value?.id ?? made!.id
  const writes: Write[] = made ? [{ table: 'glasses', record: made }] : []
  if (animals.value === 'now')
    for (const i of plan.value.groupIds.keys()) writes.push({ table: 'colonies', record: colonyOf(glassId, i) })
  const record = {
    ...plan.value,
    glassId,
    ...(animals.value === 'now' && { done: { ...plan.value.done, settle: toMoment(nowMs) } }),
  }
  const words =
    animals.value === 'now'
      ? `${lines.value[0]} started.`
      : `${name.value.trim()} stands in the Room; what is due will be told there.`
  if (!(await saveAll([...writes, { table: 'plans', record }], words))) return
  open.value = false
  if (animals.value === 'later') await navigateTo(`/water/${glassId}`)
}
</script>

<template>
  <SideSheet v-model="open" :title="glass ? 'Bring them in' : 'Make it a glass'">
    <FieldGrid id="plan-glass-form" tag="form" novalidate @submit.prevent="save">
      <template v-if="!glass">
        <TextInput v-model="name" label="Name of the glass" />
        <FieldGrid :columns="2">
          <PickOne
            v-model="rackId"
            label="Where it stands"
            :options="room.racks.map(r => ({ value: r.id, title: r.name }))"
          />
          <PickOne v-model="shelf" label="Shelf" :options="shelves" />
        </FieldGrid>
        <ChoiceChips
          v-model="animals"
          label="The animals"
          :options="[
            {
              value: 'later',
              title: 'come after curing',
              hint: 'The glass stands in the Room; its steps come due there, the fill first.',
            },
            { value: 'now', title: 'are in already', hint: 'Glass and colony are made at once.' },
          ]"
        />
      </template>
      <template v-if="animals === 'now'">
        <TextInput
          v-for="(_, i) in lines"
          :key="i"
          v-model="lines[i]!"
          :label="
            lines.length > 1 ? `Name of the line (${desk.groups.value[i]?.group.name})` : 'Name of the line or colony'
          "
        />
        <p class="small muted">
          {{ plan?.starters.join(' and ') }} starters, since today. Drip them in: the Water place has the clock for it.
        </p>
      </template>
      <FieldIssue :text="issue" />
    </FieldGrid>
    <template #foot
      ><v-btn type="submit" form="plan-glass-form" color="primary" size="large">{{
        glass ? 'They are in' : 'Make it a glass'
      }}</v-btn></template
    >
  </SideSheet>
</template>
