<script setup lang="ts">
import { planSteps } from '#core/care'
import { type PlanStepId, toMoment } from '#core/records'
import { judgeCuring, waterStory } from '#core/water'
import type { PlanDesk } from '~/composables/usePlanDesk'
import { curingDrawing, curingText } from '~/words/curing'
import { formatNumber } from '#core/units'
import { counted } from '~/words/numbers'
import { planStepText } from '~/words/plan'
import { dayText, weekdayText } from '~/words/when'

/** The steps of a plan with their days, ticked or logged, and how far the curing is. */
const props = defineProps<{ desk: PlanDesk }>()
const emit = defineEmits<{ arrived: [] }>()
const settings = useSettingsStore()
const statements = useStatementsStore()
const logSheet = useLogSheetStore()
const room = useRoomStore()
// what was logged since the last tick of the shared clock has happened too
const nowMs = computed(() => (props.desk.standing.value, Math.max(statements.now.getTime(), Date.now())))
const plan = computed(() => props.desk.plan.value!)
const steps = computed(() => planSteps(plan.value, props.desk.log.value))
const next = computed(() => steps.value.find(s => s.doneMs === null)?.id)
const past = computed(() => steps.value.filter(s => s.doneMs !== null))
const glassId = computed(() => props.desk.stored.value?.glassId ?? '')
const colony = computed(() => room.coloniesByGlass.get(glassId.value)?.[0] ?? null)

/** Growth that was ticked here, or seen on a round. */
const seen = computed(() => ({
  biofilm: plan.value.seen.biofilm || props.desk.log.value.grown.biofilm !== null,
  algae: plan.value.seen.algae || props.desk.log.value.grown.algae !== null,
}))
const curing = computed(() => {
  const group = props.desk.groups.value[0]?.group
  const started =
    props.desk.log.value.filledMs ?? (plan.value.done.fill ? new Date(plan.value.done.fill).getTime() : null)
  if (!group || !glassId.value || started === null || colony.value) return null
  const story = waterStory(props.desk.standing.value, Math.max(0.1, props.desk.netL.value), nowMs.value)
  const last = (key: 'ph' | 'temperatureC' | 'salinityGKg') => story.readings.get(key)?.at(-1)?.value ?? null
  const input = {
    startedMs: started,
    nowMs: nowMs.value,
    ammonia: story.readings.get('ammoniaMgL') ?? [],
    nitrite: story.readings.get('nitriteMgL') ?? [],
    nitrate: story.readings.get('nitrateMgL') ?? [],
    ph: last('ph'),
    temperatureC: last('temperatureC'),
    salinityGKg: last('salinityGKg') ?? 0,
    seen: seen.value,
    weeks: group.setup.cureWeeks.range,
    grazes: group.setup.grazes,
  }
  const judged = judgeCuring(input)
  return { stage: judged.stage, ...curingText(judged, nowMs.value), drawing: curingDrawing({ ...input, ...judged }) }
})
const stateOf = {
  notStarted: 'unknown',
  ammonia: 'off',
  nitrite: 'off',
  nearly: 'drifting',
  ready: 'onTarget',
} as const

async function tick(id: PlanStepId, done: boolean) {
  const { [id]: _, ...rest } = plan.value.done
  await props.desk.change({ done: done ? { ...rest, [id]: toMoment(Date.now()) } : rest })
}
/** What is seen is a step done, too. */
const see = (what: 'biofilm' | 'algae', seen: boolean) =>
  props.desk.change({
    seen: { ...plan.value.seen, [what]: seen },
    done: { ...plan.value.done, ...(seen && !plan.value.done.grown && { grown: toMoment(Date.now()) }) },
  })
/** A test before any colony lives there is logged for the glass. */
const testing = ref(false)
</script>

<template>
  <section aria-labelledby="calendar-title">
    <h2 id="calendar-title">Calendar</h2>
    <p class="small muted">
      First <GlossWord of="curing">curing</GlossWord>, then the animals by <GlossWord of="drip">drip</GlossWord>.
    </p>
    <div v-if="curing" class="curing">
      <p>
        <StateMark :state="stateOf[curing.stage]" /> <b>{{ curing.title }}</b>
      </p>
      <p class="small">{{ curing.reason }} {{ curing.next }}</p>
      <template v-if="curing.drawing">
        <PathDrawing v-bind="curing.drawing" :shown="y => formatNumber(y, 1)" />
        <p class="small muted">{{ curing.drawing.summary }}</p>
      </template>
      <p class="seen">
        <label
          ><input
            type="checkbox"
            :checked="seen.biofilm"
            @change="see('biofilm', ($event.target as HTMLInputElement).checked)"
          />
          biofilm seen</label
        >
        <label
          ><input
            type="checkbox"
            :checked="seen.algae"
            @change="see('algae', ($event.target as HTMLInputElement).checked)"
          />
          algae seen</label
        >
      </p>
      <p class="acts">
        <v-btn class="quiet" @click="testing = true">Log a test</v-btn
        ><v-btn v-if="curing.stage === 'ready'" color="primary" @click="emit('arrived')">Bring them in</v-btn>
      </p>
    </div>
    <ol aria-label="Steps to do">
      <li v-for="s in steps.filter(x => x.doneMs === null)" :key="s.id" :class="{ next: s.id === next }">
        <label
          ><input type="checkbox" :checked="false" @change="tick(s.id, true)" /><span
            ><b class="small">{{ weekdayText(s.dueMs) }}</b> {{ planStepText(s, settings.units) }}</span
          ></label
        >
      </li>
    </ol>
    <details v-if="past.length > 0" class="fold">
      <summary>{{ counted(past.length, 'step', 'steps') }} done</summary>
      <ol>
        <li v-for="s in past" :key="s.id" class="done">
          <label
            ><input type="checkbox" checked :disabled="!plan.done[s.id]" @change="tick(s.id, false)" /><span
              >{{ planStepText(s, settings.units) }}
              <span class="small"
                >{{ plan.done[s.id] ? 'Done' : 'Logged' }} {{ dayText(s.doneMs!, nowMs) }}.</span
              ></span
            ></label
          >
        </li>
      </ol>
    </details>
    <p v-if="colony" class="small muted">
      <NuxtLink :to="`/colony/${colony.id}`">{{ colony.name }}</NuxtLink> lives here now.
      <button type="button" class="link" @click="logSheet.show(colony.id, 'count')">Log a count</button>
    </p>
    <CuringTestSheet v-model="testing" :glass-id="glassId" />
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: var(--space-4);
}
.curing {
  border: 1px solid var(--rule);
  border-radius: 6px;
  background: var(--surface);
  padding: var(--space-4) var(--space-5);
  display: grid;
  gap: var(--space-3);
}
.seen {
  display: flex;
  gap: var(--space-6);
}
.seen label,
li label {
  display: flex;
  gap: var(--space-4);
  align-items: flex-start;
  min-height: 36px;
  cursor: pointer;
}
.seen label {
  align-items: center;
}
input {
  width: 20px;
  height: 20px;
  accent-color: var(--weed);
  flex: none;
  margin-top: 1px;
}
.acts {
  display: flex;
  gap: var(--space-4);
}
li {
  border-top: 1px solid var(--rule);
  padding: var(--space-3) 0;
  font-size: var(--type-small);
  line-height: 1.35;
}
li.done {
  color: var(--muted);
}
li.next {
  border-left: 3px solid var(--roe);
  padding-left: var(--space-4);
}
</style>
