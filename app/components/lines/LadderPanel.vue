<script setup lang="ts">
import { starterLadders } from '#core/lines'
import { type Ladder, type Line, presentRungs, RUNGS_MOST } from '#core/records'
import { type LadderTyped, newLadder, readLadder, splitRung, typedLadder } from '~/forms/ladderDraft'

/** The words of the rungs, from the dullest up; with the main ladder also what else is kept of the line. */
const props = defineProps<{ line: Line; ladder: Ladder | null; others: readonly string[]; main: boolean }>()
const emit = defineEmits<{ saved: [ladderId: string] }>()
const room = useRoomStore()
const { saving, saveAll } = useSave()
const starters = computed(() => starterLadders(props.line.groupId).filter(s => !props.others.includes(s.trait)))
const begins = starters.value[0] ?? { trait: '', rungs: ['', '', ''] }
const typed = ref<LadderTyped>(props.ladder ? typedLadder(props.ladder) : newLadder(begins.trait, begins.rungs))
// once saved the rungs have ids: what is typed goes on from them
watch(
  () => props.ladder?.rev,
  () => {
    if (props.ladder) typed.value = typedLadder(props.ladder)
  },
)
const goal = ref(props.line.goal ?? '')
const spare = ref(props.line.spareColonyId ?? '')
const spares = computed(() => [
  { value: '', title: 'none' },
  ...room.colonies.filter(c => c.lineId === props.line.id).map(c => ({ value: c.id, title: c.name })),
])
const limit = ref(String(Math.round(100 * (props.line.kinshipLimit ?? 0.25))))
const issue = ref('')
const old = computed(() => {
  const present = new Set(props.ladder ? presentRungs(props.ladder).map(r => r.id) : [])
  return (props.ladder?.rungs ?? []).filter(r => !present.has(r.id))
})
const add = () => typed.value.rungs.push(newLadder('', ['']).rungs[0]!)
const move = (from: number, by: number) => {
  const [one] = typed.value.rungs.splice(from, 1)
  typed.value.rungs.splice(from + by, 0, one!)
}
async function save() {
  if (!room.room) return
  const read = readLadder(typed.value, {
    ...{ ladder: props.ladder, others: props.others, roomId: room.room.id, nowMs: Date.now() },
  })
  const share = Number(limit.value.replace('%', '').trim())
  issue.value =
    typeof read === 'string'
      ? read
      : share >= 2 && share <= 50
        ? ''
        : 'The limit of inbreeding is a percentage from 2 to 50; 25 is that of brother and sister’s young.'
  if (typeof read === 'string' || issue.value) return
  const { goal: _g, spareColonyId: _s, ...line } = toRaw(props.line)
  const ladderIds = line.ladderIds.includes(read.id) ? line.ladderIds : [...line.ladderIds, read.id]
  const record: Line = {
    ...line,
    ...(goal.value.trim() && { goal: goal.value.trim() }),
    ...(spare.value && { spareColonyId: spare.value }),
    ...{ ladderIds, kinshipLimit: share / 100 },
  }
  const saved = await saveAll(
    [
      { table: 'ladders', record: read },
      { table: 'lines', record },
    ],
    `${props.line.name}: ladder saved.`,
  )
  if (saved) emit('saved', read.id)
}
</script>

<template>
  <div class="ladder">
    <div v-if="!ladder" class="starters">
      <span class="small muted">Begin with</span>
      <button
        v-for="s in starters"
        :key="s.trait"
        type="button"
        class="link"
        @click="typed = newLadder(s.trait, s.rungs)"
      >
        {{ s.trait.toLowerCase() }}
      </button>
    </div>
    <TextInput v-model="typed.trait" label="What is graded" />
    <p class="heads small muted" aria-hidden="true">
      <span>In your words</span><span v-if="main">price{{ room.room?.currency ? `, ${room.room.currency}` : '' }}</span>
    </p>
    <ol class="rungs" :class="{ main }" aria-label="Rungs, best first">
      <li v-for="k in typed.rungs.length" :key="typed.rungs[typed.rungs.length - k]!.key">
        <span class="shade" :style="{ background: rungColour(typed.rungs.length - k, typed.rungs.length) }" />
        <b class="numeral">{{ typed.rungs.length - k + 1 }}</b>
        <CellInput
          v-model="typed.rungs[typed.rungs.length - k]!.words"
          :label="`Words of rung ${typed.rungs.length - k + 1}`"
        />
        <CellInput
          v-if="main"
          v-model="typed.rungs[typed.rungs.length - k]!.price"
          class="price"
          :label="`Price of one on rung ${typed.rungs.length - k + 1}`"
          :placeholder="room.room?.currency || 'price'"
        />
        <span class="acts">
          <button
            type="button"
            class="link"
            :disabled="k === 1 || (ladder !== null && typed.rungs[typed.rungs.length - k]!.id !== null)"
            @click="move(typed.rungs.length - k, 1)"
          >
            up
          </button>
          <button
            v-if="ladder"
            type="button"
            class="link"
            :disabled="typed.rungs.length >= RUNGS_MOST"
            @click="typed = splitRung(typed, typed.rungs.length - k)"
          >
            split
          </button>
          <button
            v-if="!typed.rungs[typed.rungs.length - k]!.id && !typed.rungs[typed.rungs.length - k]!.splitOf"
            type="button"
            class="link"
            @click="typed.rungs.splice(typed.rungs.length - k, 1)"
          >
            away
          </button>
        </span>
      </li>
    </ol>
    <button v-if="typed.rungs.length < RUNGS_MOST" type="button" class="link add" @click="add">
      A better rung on top
    </button>
    <FieldGrid v-if="main">
      <TextInput v-model="goal" label="What the line is bred for" />
      <TextInput v-model="limit" label="Inbreeding not to pass" suffix="%" numeric />
    </FieldGrid>
    <template v-if="main && spares.length > 2">
      <PickOne v-model="spare" label="A spare glass, where nobody chooses who breeds" :options="spares" />
      <p class="small muted">
        Graded now and then, it tells what food and warmth do to all from what breeding does to the line.
      </p>
    </template>
    <FieldIssue :text="issue" />
    <div><v-btn color="primary" :loading="saving" @click="save">Save the ladder</v-btn></div>
    <p v-if="old.length > 0" class="small muted">
      Older rungs, kept for old grades: {{ old.map(r => r.words).join(', ') }}. A grade on one that was split counts for
      any of its parts.
    </p>
    <p class="small muted">
      <template v-if="main">The price is that of one animal on its rung, for the weekly list. </template>To reword a
      rung changes its words everywhere. To split one makes two, and what was graded before lies on either.
    </p>
  </div>
</template>

<style scoped>
.ladder {
  display: grid;
  gap: var(--space-5);
  max-width: 640px;
}
.starters {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-5);
  align-items: baseline;
}
.heads {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 76px 130px;
  gap: var(--space-4);
  padding-left: calc(var(--space-8) + var(--space-4));
}
.rungs li {
  display: grid;
  grid-template-columns: 12px 20px minmax(0, 1fr) 130px;
  gap: var(--space-4);
  align-items: center;
  padding: var(--space-2) 0;
}
.rungs.main li {
  grid-template-columns: 12px 20px minmax(0, 1fr) 76px 130px;
}
.rungs :deep(input) {
  width: 100%;
}
.shade {
  height: 34px;
  border-radius: 2px;
}
.acts {
  display: flex;
  gap: var(--space-5);
}
.link:disabled {
  visibility: hidden;
}
.add {
  justify-self: start;
}
</style>
