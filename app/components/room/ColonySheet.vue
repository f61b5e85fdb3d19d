<script setup lang="ts">
import { groupOf, groups } from '#core/groups'
import { type ColonyDraft, type ColonyIssues, emptyColonyDraft, formsOf, readColony } from '~/forms/colonyDraft'
import { assumeFill, type GlassDraft, glassDraft, type GlassIssues, readGlass } from '~/forms/glassDraft'
import { formWord, nameHint, sinceWord, startWord } from '~/words/batch'
import { cautionText } from '~/words/cautions'
import { rangeText, valueName, valueUnit, volumeText } from '~/words/unitPrefs'
import { type Glass, valueKeys } from '#core/records'

/** Starts a colony in four short steps: the animals, the glass, the habits, the starters. */
const sheets = useSheets()
const room = useRoomStore()
const settings = useSettingsStore()
const { saving, saveAll } = useSave()
const open = computed({
  get: () => sheets.colony.value !== null,
  set: v => {
    if (!v) sheets.colony.value = null
  },
})

const steps = ['Animals', 'Glass', 'Habits', 'Starters'] as const
const step = ref(0)
const colony = ref<ColonyDraft>(emptyColonyDraft())
const glass = ref<GlassDraft>(glassDraft(null, [], settings.units))
const glassId = ref('new')
const issues = ref<ColonyIssues>({})
const glassIssues = ref<GlassIssues>({})

watch(
  open,
  now => {
    if (!now) return
    const { groupId = '', form = 'colony', eggLotId = '' } = sheets.colony.value ?? {}
    // what is begun is known where a brood or a lot of eggs asked for it
    step.value = groupId ? 1 : 0
    colony.value = { ...emptyColonyDraft(groupId), form, eggLotId, ...ofLot(eggLotId) }
    glass.value = glassDraft(null, room.racks, settings.units)
    glassId.value = sheets.colony.value?.glassId ?? 'new'
    issues.value = {}
    glassIssues.value = {}
  },
  { immediate: true },
)

const forms = computed(() =>
  (colony.value.groupId ? formsOf(colony.value.groupId) : []).map(value => ({ value, title: formWord[value] })),
)
/** Another group may have no such form. */
watch(forms, list => {
  if (!list.some(f => f.value === colony.value.form)) colony.value.form = 'colony'
})
const lots = computed(() => [
  { value: '', title: 'eggs that are in no lot' },
  ...room.eggLots.filter(l => l.groupId === colony.value.groupId).map(l => ({ value: l.id, title: l.name })),
])
/** A pool is made for the classes that its eggs are of. */
function ofLot(id: string) {
  const lot = room.eggLots.find(l => l.id === id)
  return lot ? { schools: { ...colony.value.schools, temperature: lot.class, hardness: lot.cation } } : {}
}
watch(
  () => colony.value.eggLotId,
  id => Object.assign(colony.value, ofLot(id)),
)

const group = computed(() => (colony.value.groupId ? groupOf(colony.value.groupId) : null))
/** Crabs have land, burrowers a wall of earth: how full a new glass is follows who lives in it. */
watch(group, g => assumeFill(glass.value, g?.setup.fillShare.value))
const groupOptions = groups.map(g => ({ value: g.id, title: g.name }))
const glassOptions = computed(() => [
  { value: 'new', title: 'A new glass' },
  ...room.glasses.map(g => ({ value: g.id, title: `${g.name}, ${volumeText(g.grossL, settings.units)}` })),
])
const ranges = computed(() =>
  valueKeys.flatMap(key => {
    const target = group.value?.targets[key]
    return target && target.preferred[1] > 0
      ? [
          (
            `${valueName(key)} ${rangeText(key, ...target.preferred, settings.units)} ` +
            `${valueUnit(key, settings.units)}`
          ).trim(),
        ]
      : []
  }),
)
const cautions = computed(() => group.value?.cautions.flatMap(c => cautionText(c) ?? []) ?? [])

// each step begins in its first field, so that hands stay on the keys
const form = useTemplateRef<ComponentPublicInstance>('form')
watch(step, async () => {
  await nextTick()
  const el: HTMLElement | undefined = form.value?.$el
  el?.querySelector<HTMLElement>('input:checked, input, select')?.focus()
})

/** What is wrong in the present step; the next one opens when nothing is. */
function check(): boolean {
  if (step.value === 0) {
    issues.value = colony.value.groupId ? {} : { groupId: 'Choose the animals.' }
    return colony.value.groupId !== ''
  }
  if (step.value === 1 && glassId.value === 'new') {
    const read = readNewGlass()
    glassIssues.value = read.ok ? {} : read.issues
    return read.ok
  }
  return true
}
const readNewGlass = () =>
  readGlass(glass.value, {
    old: null,
    roomId: room.room!.id,
    glasses: room.glasses,
    racks: room.racks,
    units: settings.units,
    nowMs: Date.now(),
  })

/** A glass that stands empty, and of which nobody said how full it is, is kept as full as these animals need it. */
function refilled(): Glass[] {
  const old = room.glassById.get(glassId.value)
  const share = group.value?.setup.fillShare.value
  if (!old || share === undefined || old.fill.by !== 'height' || !old.fill.assumed) return []
  if ((room.coloniesByGlass.get(old.id) ?? []).length > 0) return []
  return [{ ...old, fill: { ...old.fill, share } }]
}

async function next() {
  if (!check()) return
  if (step.value < steps.length - 1) {
    step.value++
    if (step.value === 3 && colony.value.name === '')
      colony.value.name = glassId.value === 'new' ? glass.value.name : ''
    return
  }
  const newGlass = glassId.value === 'new' ? readNewGlass() : null
  if (newGlass && !newGlass.ok) {
    glassIssues.value = newGlass.issues
    step.value = 1
    return
  }
  const read = readColony(colony.value, newGlass?.glass.id ?? glassId.value, Date.now())
  issues.value = read.ok ? {} : read.issues
  if (!read.ok) return
  const glasses = (newGlass ? [newGlass.glass] : refilled()).map(record => ({ table: 'glasses' as const, record }))
  const writes = [...glasses, { table: 'colonies' as const, record: read.colony }]
  if (!(await saveAll(writes, `${read.colony.name} started.`, () => navigateTo('/')))) return
  open.value = false
  await navigateTo(`/colony/${read.colony.id}`)
}
</script>

<template>
  <SideSheet v-model="open" :title="`Start ${formWord[colony.form].toLowerCase()}`">
    <ol class="steps">
      <li
        v-for="(s, i) in steps"
        :key="s"
        :class="{ on: i === step, past: i < step }"
        :aria-current="i === step ? 'step' : undefined"
      >
        {{ s }}
      </li>
    </ol>
    <FieldGrid id="colony-form" ref="form" tag="form" @submit.prevent="next">
      <template v-if="step === 0">
        <ChoiceChips v-model="colony.groupId" label="Which animals?" :options="groupOptions" />
        <FieldIssue :text="issues.groupId" />
        <ChoiceChips v-if="forms.length > 1" v-model="colony.form" label="What begins?" :options="forms" />
        <div v-if="group" class="about">
          <p class="named">
            <GroupFigure :group-id="group.id" :size="64" />
            <span
              ><b>{{ group.glance.plainName }}</b
              ><br /><em>{{ group.animals }}</em></span
            >
          </p>
          <p class="small">{{ group.stocking.advice }}</p>
          <p v-if="ranges.length > 0" class="small muted">{{ ranges.join(' · ') }}</p>
          <ul class="small cautions">
            <li v-for="c in cautions" :key="c">{{ c }}</li>
          </ul>
        </div>
      </template>
      <template v-else-if="step === 1">
        <PickOne v-model="glassId" label="Into which glass?" :options="glassOptions" />
        <CompanyWarnings
          v-if="glassId !== 'new'"
          :group-id="colony.groupId"
          :schools="colony.schools"
          :glass-id="glassId"
        />
        <GlassFields
          v-if="glassId === 'new'"
          v-model="glass"
          :fill-share="group?.setup.fillShare.value"
          :racks="room.racks"
          :issues="glassIssues"
          name-hint="Moss tank"
        />
        <p v-if="group" class="small muted">
          {{ group.name }}: at least {{ volumeText(group.stocking.minimumL.value, settings.units) }}.
        </p>
      </template>
      <template v-else-if="step === 2"><SchoolFields v-model="colony.schools" :group-id="colony.groupId" /></template>
      <template v-else>
        <TextInput
          v-model="colony.name"
          label="Name of the line or colony"
          :error="issues.name"
          :placeholder="nameHint[colony.form]"
        />
        <PickOne v-if="colony.form === 'batch'" v-model="colony.eggLotId" label="From which eggs" :options="lots" />
        <HeadsFields v-if="colony.form === 'colony'" v-model="colony.heads" legend="Starters" :issue="issues.heads" />
        <TextInput
          v-else-if="colony.form === 'rearing'"
          v-model="colony.heads.young"
          label="About how many larvae (empty: not known)"
          numeric
          hint="A jug that is counted tells more: log a sample later."
          :error="issues.heads"
        />
        <p v-if="group && colony.form === 'colony'" class="small muted">
          Advised: {{ group.stocking.starters.value }} in
          {{ volumeText(group.stocking.startersInL.value, settings.units) }}. {{ group.stocking.advice }}
        </p>
        <TextInput
          v-model="colony.startedAt"
          :label="sinceWord[colony.form]"
          :type="colony.form === 'colony' ? 'date' : 'datetime-local'"
          :error="issues.startedAt"
        />
      </template>
    </FieldGrid>
    <template #foot>
      <v-btn v-if="step > 0" class="quiet" @click="step--">Back</v-btn>
      <v-btn type="submit" form="colony-form" color="primary" :loading="saving">{{
        step < steps.length - 1 ? 'Next' : startWord[colony.form]
      }}</v-btn>
    </template>
  </SideSheet>
</template>

<style scoped>
.named {
  display: flex;
  gap: var(--space-5);
  align-items: center;
}
.steps {
  display: flex;
  gap: var(--space-3);
  padding-bottom: var(--space-6);
  font-size: var(--type-small);
  color: var(--muted);
}
.steps li {
  flex: 1;
  border-top: 4px solid var(--rule);
  padding-top: var(--space-2);
}
.steps li.past {
  border-color: var(--weed);
}
.steps li.on {
  border-color: var(--roe);
  color: var(--ink);
  font-weight: 650;
}
.about {
  border-top: 1px solid var(--rule);
  padding-top: var(--space-4);
  display: grid;
  gap: var(--space-3);
}
.cautions li {
  border-left: 3px solid var(--straw);
  padding-left: var(--space-4);
  margin-top: var(--space-2);
}
</style>
