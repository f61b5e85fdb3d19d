<script setup lang="ts">
import { format } from 'date-fns'
import type { DueItem } from '#core/care'
import { dueLate, dueSkipped, dueTitle, dueWhy, effortText } from '~/words/due'
import { basisText } from '~/words/states'
import { aheadText } from '~/words/when'

/** One piece of work: why, how late it may be, what happens if it is left out; and what to do with it. */
const item = defineModel<DueItem | null>({ required: true })
const care = useCareStore()
const settings = useSettingsStore()
const acts = useDueActs()
const open = computed({
  get: () => item.value !== null,
  set: v => {
    if (!v) item.value = null
  },
})
useSheets().countOpen(open)
const at = ref('')
const issue = ref('')
watch(item, () => {
  at.value = ''
  issue.value = ''
})
const latest = computed(() => format(care.nowMs, "yyyy-MM-dd'T'HH:mm"))

async function doneEarlier() {
  const ms = new Date(at.value).getTime()
  issue.value = Number.isNaN(ms)
    ? 'When was it? Choose day and time.'
    : ms > Date.now()
      ? 'That lies in the future.'
      : ''
  if (issue.value || !item.value) return
  await acts.done(item.value, ms)
  item.value = null
}
async function close(act: Promise<unknown>) {
  await act
  item.value = null
}
function goThere() {
  const there = item.value
  item.value = null
  if (there) acts.go(there)
}
</script>

<template>
  <SideSheet v-model="open" :title="item ? care.subjectName(item) : ''">
    <div v-if="item" class="body">
      <p class="statement">{{ dueTitle(item, settings.units) }}</p>
      <dl>
        <div>
          <dt>When</dt>
          <dd>{{ aheadText(item.dueMs, care.nowMs) }}</dd>
        </div>
        <div>
          <dt>Why</dt>
          <dd>
            {{ dueWhy(item, care.nowMs) }} <span class="muted small">Basis: {{ basisText(item.basis) }}.</span>
          </dd>
        </div>
        <div>
          <dt>How late</dt>
          <dd>{{ dueLate(item) }}</dd>
        </div>
        <div>
          <dt>If left out</dt>
          <dd>{{ dueSkipped(item) }}</dd>
        </div>
        <div>
          <dt>Effort</dt>
          <dd>{{ effortText(item.minutes) }}</dd>
        </div>
      </dl>
      <template v-if="acts.canTouch(item)">
        <v-btn color="primary" size="large" @click="close(acts.done(item!))">Done now</v-btn>
        <div class="earlier">
          <TextInput v-model="at" label="Or it was done at" type="datetime-local" :max="latest" :error="issue" />
          <v-btn class="quiet" @click="doneEarlier">Log it for then</v-btn>
        </div>
      </template>
      <v-btn v-else color="primary" size="large" @click="goThere">Go and do it</v-btn>
      <div class="later" role="group" aria-label="Later">
        <span class="small muted">Put it off by</span>
        <v-btn v-for="d in [1, 3, 7]" :key="d" class="quiet" @click="close(acts.putOff(item!, d))">{{
          d === 1 ? 'a day' : `${d} days`
        }}</v-btn>
      </div>
      <v-btn
        v-if="item.everyDays !== null || item.kind === 'leftovers'"
        class="quiet"
        @click="close(acts.leaveOut(item!))"
        >Leave it out this time</v-btn
      >
    </div>
  </SideSheet>
</template>

<style scoped>
.body {
  display: grid;
  gap: var(--space-5);
  justify-items: start;
}
dl {
  width: 100%;
}
dl div {
  display: grid;
  grid-template-columns: 92px 1fr;
  gap: var(--space-4);
  padding: var(--space-3) 0;
  border-top: 1px solid var(--rule);
}
dt {
  color: var(--muted);
  font-size: var(--type-small);
}
dd {
  margin: 0;
}
.earlier {
  display: flex;
  gap: var(--space-4);
  align-items: end;
  flex-wrap: wrap;
}
.later {
  display: flex;
  gap: var(--space-4);
  align-items: center;
  flex-wrap: wrap;
}
</style>
