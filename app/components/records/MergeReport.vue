<script setup lang="ts">
import type { MergeConflict, MergePlan } from '#core/formats'
import { counted } from '~/words/numbers'

/** What bringing a file in would do, before it does anything; each difference is decided by the keeper. */
const props = defineProps<{ file: string; plan: MergePlan }>()
const emit = defineEmits<{ close: []; done: [words: string] }>()
const backups = useBackups()
const theirs = ref(new Set<number>())
const busy = ref(false)
const problem = ref('')
const open = computed({
  get: () => true,
  set: v => {
    if (!v) emit('close')
  },
})
useSheets().countOpen(open)

const added = computed(() =>
  (
    [
      ['rooms', 'room', 'rooms'],
      ['racks', 'rack', 'racks'],
      ['glasses', 'glass', 'glasses'],
      ['colonies', 'colony', 'colonies'],
      ['entries', 'log entry', 'log entries'],
    ] as const
  )
    .filter(([table]) => props.plan.add[table].length > 0)
    .map(([table, one, many]) => counted(props.plan.add[table].length, one, many).toLowerCase()),
)
const total = computed(() => Object.values(props.plan.add).reduce((sum, list) => sum + list.length, 0))
const tableWord = {
  rooms: 'Room',
  racks: 'Rack',
  glasses: 'Glass',
  colonies: 'Colony',
  sources: 'Source of water',
  shelf: 'Box on the shelf',
  plans: 'Plan',
  scenarios: 'Scenario',
  orders: 'Order',
  practice: 'Practice',
  photos: 'Photo',
  entries: 'Log entry',
} as const
const newerWord = { mine: 'yours is newer', theirs: 'the file’s is newer', same: 'same age' } as const
/** Names of the fields in which the two versions differ. */
const differs = (c: MergeConflict) =>
  [...new Set([...Object.keys(c.mine), ...Object.keys(c.theirs)])]
    .filter(k => k !== 'editedAt' && JSON.stringify(c.mine[k]) !== JSON.stringify(c.theirs[k]))
    .map(k => k.replace(/([A-Z])/g, ' $1').toLowerCase())
    .join(', ')
function choose(i: number, take: boolean) {
  const next = new Set(theirs.value)
  if (take) next.add(i)
  else next.delete(i)
  theirs.value = next
}
async function apply() {
  busy.value = true
  problem.value = ''
  try {
    await backups.bringIn(
      props.plan,
      props.plan.conflicts.filter((_, i) => theirs.value.has(i)),
    )
    emit('done', added.value.length > 0 ? `Brought in: ${added.value.join(', ')}.` : 'Brought in.')
  } catch (error) {
    problem.value = `It could not be brought in: ${error instanceof Error ? error.message : String(error)}. Nothing was changed.`
  }
  busy.value = false
}
</script>

<template>
  <SideSheet v-model="open" title="Bring a backup in" wide>
    <div class="report">
      <p class="statement">
        {{
          total === 0 && plan.conflicts.length === 0
            ? 'Nothing new in this file.'
            : total === 0
              ? 'No new records.'
              : `New: ${added.join(', ') || 'replaced versions'}.`
        }}
      </p>
      <p class="muted">
        {{ file }} · {{ plan.same }} records are the same on both sides<template v-if="plan.conflicts.length > 0">
          · {{ plan.conflicts.length }} differ</template
        >.
      </p>
      <template v-if="plan.conflicts.length > 0">
        <h3>Both sides changed these. Yours stays unless you say otherwise.</h3>
        <ul>
          <li v-for="(c, i) in plan.conflicts" :key="c.id">
            <p>
              <b>{{ tableWord[c.table] }}: {{ c.label }}</b>
              <span class="muted small">{{ differs(c) }} · {{ newerWord[c.newer] }}</span>
            </p>
            <ChoiceChips
              :model-value="theirs.has(i) ? 'theirs' : 'mine'"
              :label="`Which version of ${c.label}`"
              hide-label
              :options="[
                { value: 'mine', title: 'Keep mine' },
                { value: 'theirs', title: 'Take the file’s' },
              ]"
              @update:model-value="choose(i, $event === 'theirs')"
            />
          </li>
        </ul>
      </template>
      <p v-if="problem" role="alert" class="problem">{{ problem }}</p>
    </div>
    <template #foot>
      <v-btn v-if="total > 0 || plan.conflicts.length > 0" color="primary" :loading="busy" @click="apply"
        >Bring it in</v-btn
      >
      <v-btn class="quiet" @click="open = false">{{
        total > 0 || plan.conflicts.length > 0 ? 'Leave it' : 'Close'
      }}</v-btn>
    </template>
  </SideSheet>
</template>

<style scoped>
.report {
  display: grid;
  gap: 12px;
  overflow-wrap: anywhere;
}
li {
  border-top: 1px solid var(--rule);
  padding: 10px 0;
  display: grid;
  gap: 8px;
}
.problem {
  color: var(--rust);
}
</style>
