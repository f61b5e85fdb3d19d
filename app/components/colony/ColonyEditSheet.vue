<script setup lang="ts">
import { resolveGroup } from '#core/groups'
import { type Colony, type Line, presentGlassId, valueKeys } from '#core/records'
import { type ColonyEdit, colonyEdit, groupLimits, readColonyEdit } from '~/forms/colonyEdit'
import { newLineRecord } from '~/forms/lineDraft'
import { nameIssue } from '~/forms/nameIssue'
import { percent, whole } from '~/words/numbers'
import { valueName, valueUnit, volumeText } from '~/words/unitPrefs'

/** Name, habits, what must stay, and the keeper's own ranges: whatever is left empty follows the group. */
const props = defineProps<{ colony: Colony }>()
const open = defineModel<boolean>({ required: true })
const emit = defineEmits<{ part: [] }>()
useSheets().countOpen(open)
const settings = useSettingsStore()
const sheets = useSheets()
const { saving, saveAll } = useSave()
const room = useRoomStore()
const glasses = computed(() =>
  room.glasses
    .map(g => ({ value: g.id, title: `${g.name}, ${volumeText(g.grossL, settings.units)}` }))
    .sort((a, b) => a.title.localeCompare(b.title)),
)
const glassId = computed(() => presentGlassId(props.colony))
const edit = ref<ColonyEdit>(colonyEdit(props.colony, settings.units))
const issues = ref<Record<string, string>>({})
const group = computed(() => resolveGroup({ ...props.colony, targets: {}, life: {}, minimumKeep: undefined }))

watch(open, now => {
  if (!now) return
  edit.value = colonyEdit(props.colony, settings.units)
  lineName.value = ''
  issues.value = {}
})
const empty = { prefLow: '', prefHigh: '', tolLow: '', tolHigh: '' }
const parts = [
  { key: 'prefLow', title: 'preferred from' },
  { key: 'prefHigh', title: 'preferred to' },
  { key: 'tolLow', title: 'tolerated from' },
  { key: 'tolHigh', title: 'tolerated to' },
] as const
function set(key: (typeof valueKeys)[number], part: keyof typeof empty, text: string) {
  edit.value.targets = { ...edit.value.targets, [key]: { ...empty, ...edit.value.targets[key], [part]: text } }
}
/** Lines of the same animals: colonies of one line are told together as well. */
const lines = computed(() => [
  { value: '', title: 'none' },
  ...room.lines.filter(l => l.groupId === props.colony.groupId).map(l => ({ value: l.id, title: l.name })),
  { value: 'new', title: 'A new line …' },
])
const lineName = ref('')
/** The line that is begun with this save, if one is. */
function newLine(): { table: 'lines'; record: Line }[] {
  if (edit.value.lineId !== 'new' || !room.room) return []
  const name = lineName.value.trim()
  return [
    {
      table: 'lines',
      record: newLineRecord({ roomId: room.room.id, name, groupId: props.colony.groupId }, Date.now()),
    },
  ]
}
async function save() {
  const line = newLine()
  const typed = { ...edit.value, lineId: line[0]?.record.id ?? (edit.value.lineId === 'new' ? '' : edit.value.lineId) }
  const read = readColonyEdit(typed, props.colony, settings.units, Date.now())
  issues.value = read.ok ? {} : read.issues
  const unnamed = edit.value.lineId === 'new' && nameIssue(lineName.value, 'Give the line a name.')
  if (unnamed) issues.value = { ...issues.value, lineId: unnamed }
  if (!read.ok || unnamed) return
  if (!(await saveAll([...line, { table: 'colonies', record: read.colony }], `${read.colony.name} saved.`))) return
  open.value = false
}
/** Parting, joining and ending have a sheet of their own. */
function part() {
  open.value = false
  emit('part')
}
/** The glass is edited in its own sheet. */
function editGlass() {
  open.value = false
  sheets.glass.value = { glassId: glassId.value }
}
</script>

<template>
  <SideSheet v-model="open" :title="`Change ${colony.name}`" wide>
    <FieldGrid id="edit-form" tag="form" @submit.prevent="save">
      <TextInput v-model="edit.name" label="Name" :error="issues.name" />
      <PickOne v-model="edit.glassId" label="Lives in" :options="glasses" />
      <template v-if="edit.glassId !== glassId">
        <TextInput v-model="edit.movedAt" label="Moved on (empty: today)" type="date" :error="issues.movedAt" />
        <p class="small muted">
          The whole colony moves: from that day the water of that glass counts; what was before stays where it was.
          Bring them over by drip.
        </p>
      </template>
      <CompanyWarnings
        v-if="edit.glassId !== glassId"
        :group-id="colony.groupId"
        :schools="edit.schools"
        :glass-id="edit.glassId"
        :colony-id="colony.id"
      />
      <FieldGrid :columns="2">
        <PickOne v-model="edit.lineId" label="Line" :options="lines" />
        <TextInput v-if="edit.lineId === 'new'" v-model="lineName" label="Name of the line" :error="issues.lineId" />
      </FieldGrid>
      <TextInput v-model="edit.startedAt" label="Began on" type="date" :error="issues.startedAt" />
      <TextInput
        v-model="edit.minimumKeep"
        label="Fewest that should stay"
        numeric
        :placeholder="whole(group.minimumKeep.value)"
        :error="issues.minimumKeep"
        hint="What can go is reckoned against this number."
      />
      <SchoolFields v-model="edit.schools" :group-id="colony.groupId" />
      <FieldGrid :columns="2">
        <TextInput
          v-model="edit.growthPct"
          label="Growth of a small colony, a week"
          suffix="%"
          numeric
          :placeholder="percent(Math.expm1(group.growthPerWeek.value))"
          :error="issues.growthPct"
        />
        <TextInput
          v-model="edit.capacityPerL"
          label="Animals that a litre carries"
          numeric
          :placeholder="String(group.capacityPerL.value)"
          :error="issues.capacityPerL"
        />
      </FieldGrid>
      <fieldset>
        <legend>Your own water ranges</legend>
        <p class="small muted">Empty fields follow the group, shown in grey.</p>
        <div v-for="key in valueKeys" :key="key" class="range">
          <span class="name"
            >{{ valueName(key) }} <span class="muted small">{{ valueUnit(key, settings.units) }}</span></span
          >
          <CellInput
            v-for="p in parts"
            :key="p.key"
            :label="`${valueName(key)}, ${p.title}`"
            :placeholder="groupLimits(key, group, settings.units)[p.key]"
            :model-value="edit.targets[key]?.[p.key] ?? ''"
            @update:model-value="set(key, p.key, $event)"
          />
          <FieldIssue :text="issues[`targets.${key}`]" />
        </div>
        <p class="heads small muted">
          <span /><span>preferred from</span><span>to</span><span>tolerated from</span><span>to</span>
        </p>
      </fieldset>
    </FieldGrid>
    <template #foot>
      <v-btn type="submit" form="edit-form" color="primary" :loading="saving">Save</v-btn>
      <v-btn class="quiet" @click="editGlass">Change the glass</v-btn>
      <v-btn class="quiet" @click="part">Part, join, end</v-btn>
    </template>
  </SideSheet>
</template>

<style scoped>
fieldset {
  display: flex;
  flex-direction: column;
}
legend {
  font: 600 var(--type-text) var(--v-font-heading);
}
.range,
.heads {
  display: grid;
  grid-template-columns: minmax(110px, 1.4fr) repeat(4, minmax(0, 1fr));
  gap: var(--space-4);
  align-items: center;
  padding: var(--space-2) 0;
  --cell-width: 100%;
}
.heads {
  order: -1;
}
legend + p {
  order: -2;
}
</style>
