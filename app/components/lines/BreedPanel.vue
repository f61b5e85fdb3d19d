<script setup lang="ts">
import { proposedPick, rateWithin } from '#core/lines'
import { type Ladder, type Rung, type TrayKind, USUAL_KINSHIP_LIMIT } from '#core/records'
import { GENERATIONS_WITHIN } from '~/composables/useBreedAsk'
import type { LineOf } from '~/composables/useLines'
import { trayKeysText, trayWord } from '~/words/lineTrays'
import { percent } from '~/words/numbers'

/** Who breeds: four trays, what the choice brings and costs, and the whole curve of choices. */
const props = defineProps<{
  of: LineOf
  ladder: Ladder | null
  rungs: readonly Rung[]
  worker: ReturnType<typeof useLines>['worker']
  nowMs: number
}>()
const desk = useTrays(
  () => props.of,
  () => props.ladder,
)
const ask = useBreedAsk(() => props.of, desk, props.worker)
const limit = computed(() => props.of.line.kinshipLimit ?? USUAL_KINSHIP_LIMIT)
const proposal = computed(() => {
  const at = new Map(ask.curve.value.map((p, i) => [p, ask.parted.value[i]!]))
  return proposedPick(ask.curve.value, {
    perGeneration: rateWithin(limit.value, GENERATIONS_WITHIN),
    // until the population model has answered a choice is not held against it
    comesBack: p => ask.backOf(at.get(p) ?? 0) !== null,
  })
})
function takeProposal() {
  if (!proposal.value) return
  const of = (sex: 'female' | 'male') => proposal.value!.breeders.find(b => b.sex === sex)?.rungs ?? []
  desk.take({ females: of('female'), males: of('male') })
}
/** A line that lives in several glasses is chosen from one by one. */
const from = computed({
  get: () => desk.colony.value?.id ?? '',
  set: id => {
    picked.value = ''
    desk.takeFrom(id)
  },
})
const picked = ref('')
const number = ref('')
const stack = computed(() => {
  const [kind, rungId, sex] = picked.value.split(' ')
  const key = `${rungId} ${sex}`
  const there = kind ? (desk.tray(kind as TrayKind)[key] ?? 0) : 0
  const rung = props.rungs.findIndex(r => r.id === rungId)
  return there > 0
    ? { kind: kind as TrayKind, key, there, title: `${sex === 'male' ? 'males' : 'females'} of ${rung + 1}` }
    : null
})
watch(picked, () => (number.value = ''))
function send(to: TrayKind) {
  if (!stack.value) return
  const typed = number.value.trim()
  desk.move(stack.value.key, stack.value.kind, to, /^\d+$/.test(typed) ? Number(typed) : stack.value.there)
  number.value = ''
}
const setting = ref(false)
</script>

<template>
  <p v-if="!of.told || !desk.last.value" class="muted">Grade a session first: then its animals lie in trays here.</p>
  <p v-else-if="!desk.grown.value.known" class="muted">The number of grown animals is being worked out …</p>
  <div v-else class="panel">
    <div class="main">
      <PickOne
        v-if="desk.places.value.length > 1"
        v-model="from"
        class="from"
        label="Whose animals"
        :options="desk.places.value.map(c => ({ value: c.id, title: c.name }))"
      />
      <div v-if="proposal" class="proposal">
        <p>
          <b>Keep {{ percent(proposal.share) }}</b
          >: most gain that stays under your limit of inbreeding for ten generations, and comes back in number.
        </p>
        <v-btn variant="outlined" color="primary" size="small" @click="takeProposal">{{
          desk.rolling.value ? 'Part the rest' : 'Put them to breed'
        }}</v-btn>
      </div>
      <div class="trays">
        <TrayCard
          v-for="kind in desk.kinds.value"
          :key="kind"
          :kind="kind"
          :rolling="desk.rolling.value"
          :standings="desk.tray(kind)"
          :rungs="rungs"
          :picked="picked"
          @pick="picked = picked === $event ? '' : $event"
          @send="(key, to) => desk.move(key, kind, to, desk.tray(kind)[key] ?? 0)"
          @drop="(key, from) => desk.move(key, from, kind, desk.tray(from)[key] ?? 0)"
        />
      </div>
      <div v-if="stack" class="send">
        <span>Move</span>
        <CellInput
          v-model="number"
          class="many"
          :label="`How many ${stack.title}`"
          :placeholder="String(stack.there)"
        />
        <span>{{ stack.title }} to</span>
        <v-btn
          v-for="k in desk.kinds.value.filter(t => t !== stack!.kind)"
          :key="k"
          variant="outlined"
          @click="send(k)"
        >
          {{ trayWord(k, desk.rolling.value) }}
        </v-btn>
      </div>
      <p v-else class="small muted">
        Drag a stack, or pick it and type how many. {{ trayKeysText(desk.rolling.value) }} Squares are males. The
        numbers are the model’s grown animals, shared out as they were graded last.
      </p>
      <FamiliesPick
        v-if="ladder && !desk.oneSex.value"
        :of="of"
        :ladder="ladder"
        :worker="worker"
        :standing="desk.standing.value"
      />
      <PickCurve v-if="ask.curve.value.length > 1" :ask="ask" :told="of.told" :proposal="proposal" />
    </div>
    <BreedAside v-if="ladder" :of="of" :ladder="ladder" :desk="desk" :ask="ask" :limit="limit" @set="setting = true" />
    <BreedersSheet v-model="setting" :of="of" :desk="desk" />
  </div>
</template>

<style scoped>
.panel {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 290px;
  gap: var(--space-7);
}
.main {
  display: grid;
  gap: var(--space-5);
  align-content: start;
}
.from {
  max-width: 320px;
}
.proposal {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: var(--space-6);
}
.trays {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
  gap: var(--space-5);
}
.send {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: var(--space-4);
  min-height: 44px;
}
.many {
  width: 80px;
}
@media (--narrow) {
  .panel {
    grid-template-columns: minmax(0, 1fr);
  }
}
@media (--phone) {
  .trays {
    grid-template-columns: repeat(2, minmax(0, 1fr));
  }
  .proposal {
    flex-direction: column;
    align-items: flex-start;
  }
}
</style>
