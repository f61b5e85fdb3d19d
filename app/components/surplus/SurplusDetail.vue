<script setup lang="ts">
import { groupOf, resolveGroup } from '#core/groups'
import type { PopulationAnswer } from '#core/population'
import { type Colony, type Order, WEEK_MS } from '#core/records'
import { freeOnRungs, type RungOffer, worthOf } from '#core/lines'
import { outgrownAt, type SafeTake, type Upper, type WeeklyCourse } from '#core/surplus'
import { wholeNumber } from '~/forms/wholeNumber'
import { cautionText } from '~/words/cautions'
import { percent, whole } from '~/words/numbers'
import { takeKindWord } from '~/words/outlook'
import { heldByText, moneyText, orderText, takeText, upperText, weeklyText } from '~/words/surplus'
import { takeCourse } from '~/words/takeCourse'
import { dayText } from '~/words/when'

/** What can go of one colony, by stage and sex, now and every week; what must go; what is ahead; and why. */
const props = defineProps<{
  colony: Colony
  population: PopulationAnswer
  orders: readonly Order[]
  nowMs: number
  asOf: number
  /** what has to be put right before any can go; empty when nothing has */
  held: string
  /** what its rungs have to offer, best first; empty where nothing was graded */
  rungs: readonly RungOffer[]
  currency: string
}>()
const room = useRoomStore()
const numbers = useNumbers()
const { save } = useSave()

const takes = shallowRef<SafeTake[]>([])
const upper = shallowRef<Upper | null>(null)
const course = shallowRef<WeeklyCourse | null>(null)
const spare = shallowRef<{ week: number; number: number }[]>([])
const chances = shallowRef(new Map<string, number>())

const keep = ref('')
const females = ref('')
const risk = ref<'0.05' | '0.1' | '0.2'>('0.1')
watch(
  () => props.colony,
  c => {
    keep.value = String(resolveGroup(c).minimumKeep.value)
    females.value = String(c.minimumFemales ?? props.population.surplus.minimumFemales)
    risk.value = c.allowedRisk === 0.05 ? '0.05' : c.allowedRisk === 0.2 ? '0.2' : '0.1'
  },
  { immediate: true },
)
const keepRead = computed(() => wholeNumber(keep.value, 0))
const femalesRead = computed(() => wholeNumber(females.value, 0))
const floors = computed(() => ({
  minimumKeep: keepRead.value.ok ? keepRead.value.value : props.population.surplus.minimumKeep,
  minimumFemales: femalesRead.value.ok ? femalesRead.value.value : 0,
  allowedRisk: Number(risk.value),
}))
const changed = computed(
  () =>
    keepRead.value.ok &&
    femalesRead.value.ok &&
    (keep.value !== String(resolveGroup(props.colony).minimumKeep.value) ||
      floors.value.minimumFemales !== (props.colony.minimumFemales ?? props.population.surplus.minimumFemales) ||
      floors.value.allowedRisk !== props.population.surplus.allowedRisk),
)
const risks = [
  { value: '0.05' as const, title: '1 in 20' },
  { value: '0.1' as const, title: '1 in 10' },
  { value: '0.2' as const, title: '1 in 5' },
]
const columns = [
  { key: 'of', title: 'If they are all', as: 'name' },
  { key: 'now', title: 'now, once', as: 'figure' },
  { key: 'weekly', title: 'or every week', as: 'figure' },
  { key: 'because', title: 'held back because', as: 'quiet' },
] as const
/** What stays in any case: the keeper's numbers, and all that breed for the line. */
const staying = computed(() => ({
  all: Math.max(floors.value.minimumKeep, breeding.value),
  females: Math.max(floors.value.minimumFemales, props.population.surplus.minimumFemales),
}))
const breeding = computed(() => props.rungs.reduce((n, r) => n + r.breeding, 0))
const worth = computed(() => worthOf(props.rungs))
const rungColumns = computed(() => [
  { key: 'words', title: 'Grade', as: 'name' } as const,
  { key: 'there', title: 'There', as: 'figure' } as const,
  { key: 'breeding', title: 'Breed, stay' } as const,
  ...(props.rungs.some(r => r.reserved > 0) ? [{ key: 'reserved', title: 'Ordered' } as const] : []),
  { key: 'atMost', title: 'Can go, if all are', as: 'figure' } as const,
  { key: 'price', title: 'Price of each' } as const,
])
const group = computed(() => groupOf(props.colony.groupId))
const oneSex = computed(() => group.value.stages.femaleShare.value === 1)

const carrying = computed(() => (group.value.stages.eggs === 'carried' ? Math.round(props.population.broods.value) : 0))

const onRung = computed(() => freeOnRungs(props.rungs))
let turn = 0
watchDebounced(
  [() => props.colony.id, () => props.asOf, floors, () => props.orders, () => JSON.stringify(onRung.value)],
  async () => {
    const mine = ++turn
    takes.value = []
    upper.value = null
    course.value = null
    await numbers.surplus(
      props.colony,
      {
        ...{ ...floors.value, stayUnder: outgrownAt(props.population.capacity) },
        ...{ orders: props.orders.map(o => ({ ...o })), onRung: onRung.value },
      },
      part => {
        // what was on its way for an older question is not shown over a newer one
        if (mine !== turn) return
        if (part.kind === 'take') takes.value = [...takes.value, part.take]
        else if (part.kind === 'upper') upper.value = part.upper
        else if (part.kind === 'course') course.value = part.course
        else {
          spare.value = part.spare
          chances.value = new Map(part.orders.map(o => [o.orderId, o.chance]))
        }
      },
    )
  },
  { immediate: true, debounce: 250 },
)

async function saveFloors() {
  const { colony } = props
  await save('colonies', { ...colony, ...floors.value }, `What must stay of ${colony.name} is saved.`)
}
const first = computed(() => takes.value[0])
const drawing = computed(() => course.value && takeCourse(course.value, staying.value.all, props.nowMs))
const caution = computed(() =>
  group.value.cautions
    .filter(c => ['neverRelease', 'permit', 'snailBoom'].includes(c))
    .map(cautionText)
    .filter(Boolean),
)
</script>

<template>
  <section class="detail" :aria-label="`What can go of ${colony.name}`">
    <h2 class="statement">
      <template v-if="held">{{ colony.name }}: none to spare now</template
      ><TheSentence v-else-if="first" :text="`${colony.name}: ${takeText(first)}`" /><template v-else
        >{{ colony.name }}: working it out …</template
      >
    </h2>
    <CautionNote v-if="held" harm role="status"
      ><TheSentence :text="held" />{{ ' ' }}What stands below is for then.</CautionNote
    >
    <WorkerFailed :worker="numbers" />
    <form class="floors" @submit.prevent="saveFloors">
      <TextInput v-model="keep" label="Must stay, in all" numeric :error="keepRead.ok ? '' : keepRead.issue" />
      <TextInput
        v-if="!oneSex"
        v-model="females"
        label="Grown females that must stay"
        numeric
        :error="femalesRead.ok ? '' : femalesRead.issue"
      />
      <PickOne v-model="risk" label="Risk of falling under" :options="risks" />
      <v-btn v-if="changed" type="submit" class="quiet">Keep these</v-btn>
    </form>
    <DataTable label="Safe takes by kind" :columns="columns" :rows="takes">
      <template #of="{ row }">{{ row.of === 'any' ? 'of any kind' : takeKindWord[row.of] }}</template>
      <template #now="{ row }">{{ row.now.take === 0 ? 'none' : whole(row.now.take) }}</template>
      <template #weekly="{ row }">{{ weeklyText(row.weekly.take) }}</template>
      <template #because="{ row }">{{ heldByText(row, staying.all, staying.females) }}</template>
    </DataTable>
    <template v-if="rungs.length > 0">
      <DataTable label="What can go by grade" :columns="rungColumns" :rows="rungs">
        <template #there="{ row }">{{ row.there === 0 ? 'none' : whole(row.there) }}</template>
        <template #breeding="{ row }">{{ row.breeding || '' }}</template>
        <template #reserved="{ row }">{{ row.reserved || '' }}</template>
        <template #atMost="{ row }">{{ row.atMost === 0 ? 'none' : whole(row.atMost) }}</template>
        <template #price="{ row }">{{ row.priceEach === null ? '' : moneyText(row.priceEach, currency) }}</template>
      </DataTable>
      <p class="small muted">
        Grown animals by the model’s number, shared out as they were graded last.
        <template v-if="worth > 0">As they come, what can go is worth about {{ moneyText(worth, currency) }}.</template>
        Prices stand on the <NuxtLink :to="`/lines/${colony.lineId}?tab=ladder`">ladder</NuxtLink>.
      </p>
    </template>
    <template v-if="drawing">
      <PathDrawing v-bind="drawing" :shown="y => whole(y)" />
      <p class="small muted">{{ drawing.summary }} Pale: four of five futures.</p>
    </template>
    <p v-if="carrying > 0">
      About <span class="numeral">{{ whole(carrying) }}</span> of the females carry eggs: take them last.
    </p>
    <p v-if="numbers.busy" class="muted">
      Searching … <button type="button" class="link" @click="numbers.stop()">Stop</button>
    </p>
    <p v-if="upper"><TheSentence :text="upperText(upper, nowMs, first?.weekly.take ?? 0)" /></p>
    <template v-if="spare.length > 0">
      <h3>Likely above what must stay, if none go before</h3>
      <p class="ahead">
        <span v-for="s in spare" :key="s.week"
          ><span class="numeral">{{ whole(s.number) }}</span
          >{{ ' ' }}<span class="small muted">by {{ dayText(nowMs + s.week * WEEK_MS, nowMs) }}</span></span
        >
      </p>
    </template>
    <template v-if="orders.length > 0">
      <h3>Ordered from it</h3>
      <ul>
        <li v-for="o in orders" :key="o.id">
          {{ orderText(o, nowMs, room.rungWords)
          }}<template v-if="chances.has(o.id)"
            >: <b>{{ percent(chances.get(o.id)!) }}</b> chance that they are there</template
          >
        </li>
      </ul>
    </template>
    <details>
      <summary>Why?</summary>
      <p class="small">
        The coming 26 weeks are lived through many times from today’s estimate. A take is safe when in no more than
        {{ percent(floors.allowedRisk) }} of them the number falls under {{ whole(staying.all)
        }}<template v-if="staying.females > 0"> or the grown females under {{ whole(staying.females) }}</template
        ><template v-if="!oneSex"> or too few grown males are left to breed</template>, at any time; a weekly take must
        be there every week. More than half goes only after a count of the last two weeks. All takes meet the same luck.
        Once and every week are alternatives, not both. What lies above what must stay on a later day, with four chances
        in five, is for finding an outlet in time: how many of them may go is less, because those that stay must hold
        for half a year.
      </p>
      <p class="small muted">Animals from water that is off travel badly: put the water right first.</p>
    </details>
    <ul class="small muted cautions">
      <li v-for="c in caution" :key="c">{{ c }}</li>
    </ul>
  </section>
</template>

<style scoped>
.detail {
  display: grid;
  gap: var(--space-4);
  align-content: start;
}
.floors {
  display: flex;
  gap: var(--space-5);
  align-items: flex-end;
  flex-wrap: wrap;
}
.floors > * {
  width: 150px;
}
.ahead {
  display: flex;
  gap: var(--space-7);
  flex-wrap: wrap;
}
.failed {
  color: var(--rust);
}
li {
  padding: var(--space-1) 0;
}
.link {
  display: inline-block;
  min-height: 28px;
  min-width: 32px;
}
.cautions li {
  border-left: 3px solid var(--straw);
  padding-left: var(--space-4);
  margin-top: var(--space-2);
}
</style>
