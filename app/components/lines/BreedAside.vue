<script setup lang="ts">
import {
  countsIn,
  generationsLeft,
  inbreedingWith,
  malesFor,
  paceAhead,
  PLATEAU,
  rateWithin,
  varietyAmong,
  worthByRung,
} from '#core/lines'
import type { Ladder } from '#core/records'
import type { LineOf } from '~/composables/useLines'
import type { BreedAsk } from '~/composables/useBreedAsk'
import { GENERATIONS_AHEAD, GENERATIONS_WITHIN } from '~/composables/useBreedAsk'
import type { TraysDesk } from '~/composables/useTrays'
import { bestRungs, leftText, shareRange, signedRungs } from '~/words/lines'
import { backText, breedTitle } from '~/words/lineTrays'
import { percent, whole } from '~/words/numbers'
import { moneyText } from '~/words/surplus'

/** What a choice costs and brings. */
const props = defineProps<{ of: LineOf; ladder: Ladder; desk: TraysDesk; ask: BreedAsk; limit: number }>()
const emit = defineEmits<{ set: [] }>()
const room = useRoomStore()
const variety = computed(() => varietyAmong(props.desk.breeders.value))
const told = computed(() => props.of.told!)
const now = computed(() => told.value.inbreeding?.value ?? 0)
const later = computed(() => inbreedingWith(now.value, variety.value.perGeneration, GENERATIONS_AHEAD))
const left = computed(() => generationsLeft(now.value, variety.value.perGeneration, props.limit))
const many = computed(() => variety.value.males > 0 && variety.value.females > 0)
/** Where whoever stays breeds, somebody has to go. */
const ready = computed(() => many.value && (!props.desk.rolling.value || props.ask.leaving.value > 0))
const currency = computed(() => room.room?.currency ?? '')
/** What lies on offer is worth. */
const offered = computed(() => worthByRung(props.ladder, countsIn(props.desk.tray('offer'))))
/** What the choice does to other traits. */
const besides = computed(() =>
  (props.ask.choice.value?.beside ?? []).flatMap(({ ladderId, change }) => {
    const ladder = room.ladders.find(l => l.id === ladderId)
    if (!ladder || !change) return []
    const below = `likely ${signedRungs(change.low, 1)} to ${signedRungs(change.high, 1)}`
    return [{ name: `${ladder.trait} next, rungs`, value: signedRungs(change.value, 1), below }]
  }),
)
const facts = computed(() => {
  if (!many.value) return []
  const { choice, leaving, there, backOf } = props.ask
  const from = told.value.bestFrom
  const best = `${bestRungs(told.value, props.desk.rungs.value.length)} next`.replace('grade', 'Grade')
  const ahead = choice.value?.ahead.at(-1)
  const staying = Math.max(0, Math.round(there.value - leaving.value))
  return [
    ...(choice.value ? [{ name: best, value: shareRange(choice.value.next.upFrom[from]!) }] : []),
    ...besides.value,
    ...(ahead ? [{ name: `In ${GENERATIONS_AHEAD} generations`, value: shareRange(ahead.upFrom[from]!) }] : []),
    {
      name: 'Effective size',
      value: whole(variety.value.effective),
    },
    { name: 'Inbreeding a generation', value: `+${(100 * variety.value.perGeneration).toFixed(1)} %` },
    {
      name: `After ${GENERATIONS_AHEAD} more`,
      value: `about ${percent(later.value)}`,
      below: `limit ${percent(props.limit)} ${leftText(left.value)}`,
    },
    ...(offered.value > 0
      ? [{ name: 'On offer, by your prices', value: moneyText(offered.value, currency.value) }]
      : []),
    ...(leaving.value > 0
      ? [
          { name: `${props.ask.colony.value?.name ?? 'Colony'} after it`, value: `≈ ${whole(staying)}` },
          { name: `Back at ${whole(there.value)}`, value: backText(backOf(leaving.value)) },
        ]
      : []),
  ]
})
const plateau = computed(() => {
  const ahead = props.ask.choice.value?.ahead
  const pace = ahead ? paceAhead(ahead) : PLATEAU
  return pace < PLATEAU
    ? `Going on like this brings ${Math.max(0, pace).toFixed(2)} of a rung a generation: a plateau.`
    : ''
})
/** As many males as keep inbreeding under the limit for long enough; nothing where these do. */
const moreMales = computed(() => {
  const { females, perGeneration } = variety.value
  const wanted = rateWithin(props.limit, GENERATIONS_WITHIN)
  if (!many.value || perGeneration <= wanted) return ''
  const males = malesFor(females, wanted)
  return males === null
    ? 'With so few females no number of males keeps ten generations under your limit.'
    : `With ${males} males inbreeding stays under your limit for ten generations. One male alone: change him ` +
        'each time, and let the females back when they are berried.'
})
const apart = computed(() =>
  room.lines
    .filter(l => l.id !== props.of.line.id && l.crossingGroup === props.of.line.crossingGroup)
    .map(l => l.name)
    .join(' and '),
)
</script>

<template>
  <aside class="aside" aria-label="What this choice costs and brings">
    <h2>{{ breedTitle(variety, desk.rolling.value) }}</h2>
    <p class="small muted">{{ many ? 'What this choice costs and brings' : 'Put females and males to breed.' }}</p>
    <FactList :facts="facts" />
    <p v-if="many" class="small muted">
      How unevenly males and females breed is from memory; nobody sees it in a glass where all breed together.
    </p>
    <p v-if="plateau" class="small">{{ plateau }}</p>
    <template v-if="moreMales">
      <h3>More males would keep it healthier</h3>
      <p class="small">{{ moreMales }}</p>
    </template>
    <template v-if="apart">
      <h3>Keep apart</h3>
      <p class="small">
        {{ apart }} cross with it: the young fall back to dull within a generation or two. A box in the same water keeps
        them apart.
      </p>
    </template>
    <v-btn color="primary" :disabled="!ready" @click="emit('set')">{{
      desk.rolling.value ? 'Take them out' : 'Set the breeders'
    }}</v-btn>
    <p v-if="ask.numbers.failed" class="small">{{ ask.numbers.failed }}</p>
  </aside>
</template>

<style scoped>
.aside {
  display: grid;
  gap: var(--space-4);
  align-content: start;
  border-left: 1px solid var(--rule);
  padding-left: var(--space-6);
}
@media (--narrow) {
  .aside {
    border-left: 0;
    padding-left: 0;
  }
}
</style>
