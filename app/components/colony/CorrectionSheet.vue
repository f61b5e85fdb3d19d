<script setup lang="ts">
import { addDays } from 'date-fns'
import { resolveGroup } from '#core/groups'
import type { Colony, Room } from '#core/records'
import type { ColonyStatements } from '#core/statements'
import { type Correction, planCorrection, type Salt } from '#core/water'
import { formatNumber, parseNumber } from '#core/units'
import { openDb } from '~/data/database'
import { saveRecord } from '~/data/records'
import { cautionText } from '~/words/cautions'
import { saltWord } from '~/words/salts'
import { differenceText, litresFrom, storedValue, valueNumber, valueUnit, volumeText } from '~/words/unitPrefs'
import { aheadText, weekdayText } from '~/words/when'

/** GH and KH brought to target in stages: what to measure, weigh and pour at each change. */
const props = defineProps<{ colony: Colony, statements: ColonyStatements, room: Room }>()
const open = defineModel<boolean>({ required: true })
useSheets().countOpen(open)
const settings = useSettingsStore()
const units = computed(() => settings.units)

const litres = ref('')
const gh = ref('')
const kh = ref('')
watch(open, (now) => {
  if (!now) return
  litres.value = volumeText(props.statements.changeL, units.value).split(' ')[0]!
  gh.value = valueNumber('ghDh', props.room.changeWater.ghDh, units.value)
  kh.value = valueNumber('khDh', props.room.changeWater.khDh, units.value)
}, { immediate: true })

const group = computed(() => resolveGroup(props.colony))
const latest = (key: 'ghDh' | 'khDh') => props.statements.water.values.find(v => v.key === key)?.latest?.value
const changeL = computed(() => litresFrom(litres.value, units.value))
const source = computed(() => {
  const read = (key: 'ghDh' | 'khDh', text: string) => {
    const shown = parseNumber(text)
    return shown === null || shown < 0 ? null : storedValue(key, shown, units.value)
  }
  const ghDh = read('ghDh', gh.value)
  const khDh = read('khDh', kh.value)
  return ghDh === null || khDh === null || ghDh > 60 || khDh > 40 ? null : { ghDh, khDh }
})
const issue = computed(() => {
  if (changeL.value === null || !(changeL.value > 0)) return 'How many litres is one change?'
  if (changeL.value > props.statements.netL) return `One change cannot be more than the ${volumeText(props.statements.netL, units.value)} in the glass.`
  return source.value ? '' : 'GH and KH of the change water must be numbers, 0 for pure water.'
})
const plan = computed<Correction | null>(() => {
  if (issue.value !== '') return null
  const ghDh = latest('ghDh')
  const khDh = latest('khDh')
  return planCorrection({ now: { ...(ghDh !== undefined && { ghDh }), ...(khDh !== undefined && { khDh }) }, group: group.value, netL: props.statements.netL, changeL: changeL.value!, source: source.value! })
})
/** The keeper's change water is the room's: remembered once it is changed and makes sense. */
async function remember() {
  const water = source.value
  if (water && (water.ghDh !== props.room.changeWater.ghDh || water.khDh !== props.room.changeWater.khDh)) await saveRecord(openDb(), 'rooms', { ...props.room, changeWater: water }, Date.now())
}

const salts = (grams: Record<Salt, number>) => (Object.keys(saltWord) as Salt[]).filter(s => grams[s] >= 0.005).map(s => ({ name: saltWord[s], grams: grams[s] }))
const level = (key: 'ghDh' | 'khDh', n: number) => valueNumber(key, n, units.value)
const headline = computed(() => {
  if (!plan.value?.ok) return ''
  const { steps, goal, reached } = plan.value
  const first = steps[0]!.before
  const end = reached ? goal : steps.at(-1)!.after
  const moved = (['khDh', 'ghDh'] as const).filter(k => Math.abs(end[k] - first[k]) > 0.05).map(k => `${k === 'khDh' ? 'KH' : 'GH'} from ${level(k, first[k])} to ${level(k, end[k])}`)
  return `${steps.length === 1 ? 'One change brings' : `${steps.length} changes bring`} ${moved.join(' and ')} without a jump.${reached ? '' : ' It is not enough yet: test, then plan again.'}`
})
const shownStep = (key: 'ghDh' | 'khDh') => (plan.value?.ok ? differenceText(key, plan.value.largestStep[key], units.value) : '')
</script>

<template>
  <SideSheet v-model="open" title="Stage the correction" wide>
    <div class="given">
      <TextInput v-model="litres" label="One change" :suffix="volumeText(1, units).split(' ').slice(1).join(' ')" numeric />
      <TextInput v-model="gh" label="Change water: GH" :suffix="valueUnit('ghDh', units)" numeric @change="remember" />
      <TextInput v-model="kh" label="Change water: KH" :suffix="valueUnit('khDh', units)" numeric @change="remember" />
    </div>
    <p v-if="issue" class="issue" role="alert">{{ issue }}</p>
    <p v-else-if="plan && !plan.ok" class="statement">{{ plan.issue === 'unknownHardness' ? 'Test GH and KH first: a recipe needs both.' : 'GH and KH are where they should be.' }}</p>
    <template v-else-if="plan?.ok">
      <p class="statement">{{ headline }}</p>
      <p class="small muted">No step is larger than {{ shownStep('ghDh') }} GH or {{ shownStep('khDh') }} KH for these animals (defaults from memory). What is not corrected stays as it is. There are {{ volumeText(statements.netL, units) }} in the glass.</p>
      <ol>
        <li v-for="(step, i) in plan.steps" :key="i">
          <h3>{{ i + 1 }} · {{ i === 0 ? aheadText(addDays(statements.asOf, 0).getTime(), statements.asOf) : weekdayText(addDays(statements.asOf, step.afterDays).getTime()) }}</h3>
          <p>Measure <b class="numeral">{{ volumeText(step.pureL, units) }}</b> pure water<template v-if="step.sourceL >= 0.05"> and <b class="numeral">{{ volumeText(step.sourceL, units) }}</b> of your change water</template>.</p>
          <p v-for="s in salts(step.grams)" :key="s.name">Stir in <b class="numeral">{{ formatNumber(s.grams, 2) }} g</b> {{ s.name }} until clear.</p>
          <p class="small muted">In the glass then: KH {{ level('khDh', step.before.khDh) }} → {{ level('khDh', step.after.khDh) }}, GH {{ level('ghDh', step.before.ghDh) }} → {{ level('ghDh', step.after.ghDh) }} {{ valueUnit('ghDh', units) }}</p>
        </li>
      </ol>
      <p class="small">Bring it within 2 °C of the glass, neutralise chlorine, let it drip or siphon in slowly. Test before the next step.</p>
      <p class="small caution">{{ cautionText('salts') }} {{ cautionText('electricity') }}</p>
      <p class="small muted">Reckoned for a well-mixed glass and nothing else that gives or takes minerals: carbonate stone would raise KH by itself, active soil takes it away. Molar masses from IUPAC atomic weights; Ca to Mg 3 to 1 by mass, common practice. Calcium carbonate is not used: it hardly dissolves in neutral water.</p>
    </template>
  </SideSheet>
</template>

<style scoped>
.given { display: grid; grid-template-columns: repeat(3, 1fr); gap: 12px; padding-bottom: 16px; }
.statement { padding-bottom: 8px; }
ol li { border-top: 1px solid var(--rule); padding: 10px 0; margin-top: 6px; }
.caution { border-left: 3px solid var(--straw); padding-left: 8px; margin: 8px 0; }
.issue { color: var(--rust); }
@media (max-width: 700px) { .given { grid-template-columns: 1fr 1fr; } }
</style>
