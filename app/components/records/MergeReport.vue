<script setup lang="ts">
import type { MergeConflict, Settlement } from '#core/formats'
import { type TableName, tableNames, tables } from '#core/records'
import type { LookedAt } from '~/composables/useBackups'
import { conflictKey } from '~/data/backups'
import { fieldName } from '~/words/clash'
import { counted } from '~/words/numbers'

/** What bringing a file in would do, before it does anything; where both sides changed the same the keeper decides. */
const props = defineProps<{ looked: LookedAt }>()
const emit = defineEmits<{ close: []; done: [words: string] }>()
const backups = useBackups()
const { saving, attempt } = useSave()
const plan = computed(() => props.looked.plan)
/** what is chosen by conflict; the rest is taken as it is offered */
const chosen = ref(new Map<string, Settlement>())
/** a changed file comes in only when the keeper says so */
const trusted = ref(props.looked.changedSince !== true)
const open = computed({
  get: () => true,
  set: v => {
    if (!v) emit('close')
  },
})
useSheets().countOpen(open)

const numberOf = (table: TableName, n: number) => counted(n, ...tables[table].words).toLowerCase()
const added = computed(() =>
  tableNames
    .filter(table => table !== 'attic' && plan.value.add[table].length > 0)
    .map(table => numberOf(table, plan.value.add[table].length)),
)
const total = computed(() => Object.values(plan.value.add).reduce((sum, list) => sum + list.length, 0))
const changes = computed(() => total.value > 0 || plan.value.update.length > 0 || plan.value.conflicts.length > 0)
const headline = computed(() => {
  if (!changes.value) return 'Nothing new in this file.'
  const parts = [
    added.value.length > 0 ? `New: ${added.value.join(', ')}` : 'No new records',
    plan.value.update.length > 0
      ? `${counted(plan.value.update.length, 'later version', 'later versions').toLowerCase()}`
      : '',
  ]
  return `${parts.filter(Boolean).join('; ')}.`
})
const tableWord = (table: TableName) => tables[table].words[0].replace(/^./, c => c.toUpperCase())
const differs = (c: MergeConflict) => [...new Set(c.clashes.map(x => fieldName(x.field)))].filter(Boolean).join(', ')
const options = (c: MergeConflict) => [
  { value: 'joined' as const, title: c.later === 'mine' ? 'The later one: yours' : 'The later one: the file’s' },
  c.later === 'mine'
    ? { value: 'theirs' as const, title: 'Take the file’s' }
    : { value: 'mine' as const, title: 'Keep mine' },
]
const choiceOf = (c: MergeConflict) => chosen.value.get(conflictKey(c)) ?? 'joined'
function choose(c: MergeConflict, how: Settlement) {
  chosen.value = new Map(chosen.value).set(conflictKey(c), how)
}
async function apply() {
  let unseen = 0
  const brought = await attempt(async () => {
    const all = new Map(plan.value.conflicts.map(c => [conflictKey(c), choiceOf(c)]))
    unseen = (await backups.bringIn(props.looked.backup, all)).unseen
  })
  if (!brought) return
  const words = added.value.length > 0 ? `Brought in: ${added.value.join(', ')}.` : 'Brought in.'
  const late = unseen > 0 ? ` ${unseen} more differed by then; of these the later version stands.` : ''
  emit('done', words + late)
}
</script>

<template>
  <SideSheet v-model="open" title="Bring a backup in" wide>
    <div class="report">
      <p class="statement">{{ headline }}</p>
      <p class="muted">
        {{ looked.file }} · {{ plan.same }} records are the same on both sides<template
          v-if="plan.conflicts.length > 0"
        >
          · {{ plan.conflicts.length }} differ</template
        >.
      </p>
      <div v-if="looked.changedSince" class="problem" role="alert">
        <p>
          This file was changed after Ulkin had written it. It reads well, but nobody knows by whom or how: take another
          copy where you have one.
        </p>
        <label><input v-model="trusted" type="checkbox" /> I know this file; bring it in all the same</label>
      </div>
      <template v-if="plan.conflicts.length > 0">
        <h3>Both sides changed these. The later version counts unless you say otherwise.</h3>
        <ul>
          <li v-for="c in plan.conflicts" :key="conflictKey(c)">
            <p>
              <b>{{ tableWord(c.table) }}: {{ c.label }}</b
              >{{ ' ' }}<span class="muted small">{{ differs(c) }}</span>
            </p>
            <ChoiceChips
              :model-value="choiceOf(c)"
              :label="`Which version of ${c.label}`"
              hide-label
              :options="options(c)"
              @update:model-value="$event && choose(c, $event)"
            />
          </li>
        </ul>
      </template>
    </div>
    <template #foot>
      <v-btn v-if="changes" color="primary" :loading="saving" :disabled="!trusted" @click="apply">Bring it in</v-btn>
      <v-btn class="quiet" @click="open = false">{{ changes ? 'Leave it' : 'Close' }}</v-btn>
    </template>
  </SideSheet>
</template>

<style scoped>
.report {
  display: grid;
  gap: var(--space-5);
  overflow-wrap: anywhere;
}
li {
  border-top: 1px solid var(--rule);
  padding: var(--space-4) 0;
  display: grid;
  gap: var(--space-4);
}
.problem {
  color: var(--rust);
}
</style>
