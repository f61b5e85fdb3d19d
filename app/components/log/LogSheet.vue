<script setup lang="ts">
import { groupOf } from '#core/groups'
import type { EntryKind } from '#core/records'
import { glassNumber } from '~/words/numbers'
import { type DraftIssues, defaultChoice, type LogKind, plainKinds } from '~/forms/logDraft'
import { readDraft } from '~/forms/readDraft'
import { isFieldKind, kindFields } from '~/forms/kindFields'
import { unitOf, volume } from '#core/units'
import { canCarry } from '~/forms/carriedEggs'
import { cautionText } from '~/words/cautions'
import { GRADING, numberChoices, otherChoices } from '~/forms/logChoices'
import { SKINS_STAY } from '~/words/molts'
import { topicOf } from '~/words/signs'
import { kindWord } from '~/words/states'

/**
 * Logs anything in seconds. What is logged most has a chip; the rest stands in one list, sorted by what it is about.
 */
const logSheet = useLogSheetStore()
const room = useRoomStore()
const statements = useStatementsStore()
const settings = useSettingsStore()
const log = useLogStore()
const draft = computed(() => logSheet.draft)
const issues = ref<DraftIssues>({})
const saving = ref(false)

const open = computed({
  get: () => logSheet.open && room.colonies.length > 0,
  set: v => (logSheet.open = v),
})
const colony = computed(() => room.colonyById.get(draft.value.colonyId))
const colonies = computed(() =>
  room.colonies.map(c => ({ value: c.id, title: `${c.name} · ${groupOf(c.groupId).name}` })),
)
const kinds = plainKinds.map(value => ({ value, title: kindWord[value] }))
const other = computed({
  get: () => (isFieldKind(draft.value.kind) ? draft.value.kind : ''),
  set: (v: string) => {
    if (v === GRADING) {
      logSheet.open = false
      void navigateTo(`/lines/grade/${draft.value.colonyId}`)
    }
    if (isFieldKind(v)) draft.value.kind = v
  },
})
const plain = computed({
  get: () => (isFieldKind(draft.value.kind) ? '' : draft.value.kind),
  set: (v: LogKind | '') => {
    if (v) draft.value.kind = v
  },
})
const otherColonies = computed(() => colonies.value.filter(c => c.value !== draft.value.colonyId))
const { usable, options: sourceOptions } = usePourChoice(() => draft.value.correcting)
const pours = computed(() => draft.value.kind === 'waterChange' || draft.value.kind === 'topUp')
const clutchOptions = useOpenClutches(() => (draft.value.kind === 'clutch' ? colony.value : undefined))
const { candidates, who } = useLogWho()
const doubt = useEntryDoubt()
const photos = usePhotos()
const photo = shallowRef<File | null>(null)
const choice = computed({
  get: () => draft.value.choice || defaultChoice[draft.value.kind] || '',
  set: v => (draft.value.choice = v),
})
/** Burrows are counted of those that dig them. */
const choices = computed(() =>
  (numberChoices[draft.value.kind]?.options ?? []).filter(
    o => o.value !== 'burrows' || (colony.value && groupOf(colony.value.groupId).counting.burrows),
  ),
)
const expected = computed(() => {
  const now = colony.value && statements.of(colony.value.id)?.population.now
  return now ? `About ${glassNumber(now.value, now.low, now.high)} expected` : ''
})
const canSplit = computed(
  () => draft.value.kind === 'count' || draft.value.kind === 'addition' || draft.value.kind === 'removal',
)
const splitOpen = ref(false)
/** Kinds that go with nets and hands. */
const disturbing: ReadonlySet<EntryKind> = new Set(['removal', 'move'])
const litresUnit = computed(() => unitOf(volume, settings.units.volume).symbol)

watch(
  () => draft.value.kind,
  () => {
    issues.value = {}
  },
)
watch(
  [() => logSheet.open, () => room.colonies],
  ([now]) => {
    if (!now || room.colonies.length === 0) return
    if (!colony.value)
      draft.value.colonyId = room.colonyById.has(settings.lastColonyId) ? settings.lastColonyId : room.colonies[0]!.id
    splitOpen.value = Object.values(draft.value.parts).some(Boolean)
  },
  { immediate: true },
)
watch(
  () => logSheet.open,
  now => {
    issues.value = {}
    if (now && room.ready && room.colonies.length === 0) {
      logSheet.open = false
      log.tell('There is no colony to log for yet: start one in the Room.')
    }
  },
  { immediate: true },
)

async function savePhoto() {
  if (!photo.value || !colony.value)
    return (issues.value = photo.value ? { colonyId: 'Choose the colony.' } : { photo: 'Take or choose a photo.' })
  saving.value = true
  const problem = await photos.keep(photo.value, { colonyId: colony.value.id }, `${colony.value.name}: photo kept.`, {
    text: draft.value.text.trim(),
  })
  saving.value = false
  issues.value = problem ? { photo: problem } : {}
  if (problem !== '') return
  photo.value = null
  logSheet.clear()
  logSheet.open = false
}

async function save() {
  if (saving.value) return
  if (draft.value.kind === 'photo') return savePhoto()
  const { correcting } = draft.value
  const living = colony.value
  const read = readDraft(draft.value, {
    colony: living,
    stamp: log.stamp(correcting?.id),
    units: settings.units,
    nowMs: Date.now(),
    sources: usable.value,
    ...(living && { waterIdAt: (atMs: number) => room.waterIdAt(living, atMs) }),
  })
  issues.value = read.ok ? {} : read.issues
  if (!read.ok) return
  const odd = living ? doubt.question(read.entry, living) : ''
  if (odd) return (issues.value = { odd })
  saving.value = true
  const saved = await log.save(read.entry, read.words)
  saving.value = false
  if (!saved) return
  if (read.entry.kind === 'molts') settings.skinsTold = true
  logSheet.clear()
  logSheet.open = false
}
/** Closes the sheet and forgets what was typed. */
function drop() {
  logSheet.clear()
  open.value = false
}
</script>

<template>
  <SideSheet v-model="open" :title="draft.correcting ? 'Correct an entry' : 'Log'" wide>
    <FieldGrid id="log-form" tag="form" novalidate @submit.prevent="save">
      <div v-if="!draft.correcting" class="kinds">
        <ChoiceChips v-model="plain" label="What happened" :options="kinds" hide-label />
        <PickOne v-model="other" label="Anything else" hide-label :options="otherChoices(colony?.form)" />
      </div>
      <p v-else class="small muted">The old value is kept in the log; the new one counts from now on.</p>
      <PickOne v-model="draft.colonyId" label="Colony" :options="colonies" />
      <FieldIssue :text="issues.colonyId" />
      <AnimalChips v-model="who" :animals="candidates" :colony-id="draft.colonyId" />
      <SignsLink v-if="topicOf[draft.kind]" :topic="topicOf[draft.kind]!" />

      <WaterTestFields
        v-if="draft.kind === 'waterTest' && colony"
        v-model="draft.readings"
        v-model:raw-conductivity="draft.rawConductivity"
        :colony="colony"
        :issues="issues"
      />
      <KindFields
        v-else-if="isFieldKind(draft.kind)"
        v-model="draft.values"
        :fields="kindFields[draft.kind]"
        :issues="issues"
        :colonies="otherColonies"
        :clutches="clutchOptions"
        :sources="sourceOptions"
        :litres-unit="litresUnit"
      />
      <div v-else-if="draft.kind === 'photo'" class="photo">
        <PhotoButton label="Take or choose" :busy="saving" @chosen="photo = $event" /><span class="small muted">{{
          photo?.name ?? 'Kept on this device and in backups, made small enough to keep.'
        }}</span>
        <FieldIssue :text="issues.photo" />
      </div>
      <template v-else-if="draft.kind !== 'note'">
        <TextInput
          v-model="draft.number"
          class="big"
          :label="draft.kind === 'count' ? 'How many did you see?' : 'How many?'"
          numeric
          autofocus
          :hint="draft.kind === 'count' ? expected : undefined"
          :error="issues.number"
        />
        <ChoiceChips
          v-if="numberChoices[draft.kind]"
          v-model="choice"
          :label="numberChoices[draft.kind]!.label"
          :options="choices"
        />
        <CautionNote v-if="choice === 'culled'" class="small">{{ cautionText('culling') }}</CautionNote>
        <TextInput
          v-if="draft.kind === 'count' && choice === 'partOfTank'"
          v-model="draft.sharePct"
          label="Share of the tank that was counted"
          suffix="%"
          numeric
          :error="issues.share"
        />
        <details
          v-if="canSplit"
          class="fold"
          :open="splitOpen"
          @toggle="splitOpen = ($event.target as HTMLDetailsElement).open"
        >
          <summary>Split by sex and size</summary>
          <HeadsFields v-model="draft.parts" legend="As far as they can be told apart" :issue="issues.parts" />
        </details>
      </template>

      <EggsField
        v-if="canCarry(draft.kind)"
        v-model="draft.values.berried"
        :group-id="colony?.groupId"
        :error="issues.berried"
      />
      <SoftNote v-if="colony && disturbing.has(draft.kind)" :colony-ids="[colony.id]" />
      <p v-if="draft.kind === 'molts' && !settings.skinsTold" class="small">{{ SKINS_STAY }}</p>
      <LazyChangeShock
        v-if="pours && colony"
        :glass-id="room.waterIdAt(colony, statements.now.getTime())"
        :litres="draft.values.litres ?? ''"
        :source-id="draft.values.source ?? ''"
        :exchange="draft.kind === 'waterChange'"
      />

      <div>
        <label class="label" for="log-text">{{ draft.kind === 'note' ? 'Note' : 'Remark' }}</label>
        <v-textarea
          id="log-text"
          v-model="draft.text"
          maxlength="2000"
          :error-messages="issues.text ? [issues.text] : []"
        />
      </div>
      <FieldGrid :columns="2">
        <TextInput v-model="draft.at" label="When (empty: now)" type="datetime-local" :error="issues.at" />
        <PickOne
          v-if="room.room && room.room.keepers.length > 0"
          v-model="settings.keeper"
          label="Keeper"
          :options="[{ value: '', title: 'not named' }, ...room.room.keepers.map(k => ({ value: k, title: k }))]"
        />
      </FieldGrid>
      <FieldIssue :text="issues.odd ?? ''" />
      <FieldIssue :text="issues.save" />
    </FieldGrid>
    <template #foot>
      <v-btn type="submit" form="log-form" color="primary" size="large" :loading="saving">Save<kbd>Enter</kbd></v-btn>
      <v-btn class="quiet" size="large" @click="drop">Discard</v-btn>
    </template>
  </SideSheet>
</template>

<style scoped>
.label {
  display: block;
  font-size: var(--type-small);
  color: var(--muted);
  padding-bottom: var(--space-2);
}
.big :deep(input) {
  font: 650 var(--type-figure) var(--v-font-heading);
  min-height: 60px;
}
.kinds {
  display: grid;
  gap: var(--space-4);
}
.photo {
  display: flex;
  gap: var(--space-5);
  align-items: center;
  flex-wrap: wrap;
}
</style>
