<script setup lang="ts">
import { setUpAdvice } from '#core/care'
import type { ResolvedGroup } from '#core/groups'
import type { Plan } from '#core/records'
import type { StartersApi } from '~/workers/starters.worker'
import { cautionText } from '~/words/cautions'
import { checkText, startersText } from '~/words/plan'
import { basisText } from '~/words/states'

/** What a plan comes to: how soon the colony is a colony, every check of the set-up, and what to heed. */
const props = defineProps<{ plan: Plan; groups: ResolvedGroup[] }>()
const settings = useSettingsStore()
const advice = computed(() => setUpAdvice(props.plan))
const cautions = computed(() =>
  [...new Set([...props.groups.flatMap(g => g.group.cautions), 'electricity' as const, 'washHands' as const])].map(
    cautionText,
  ),
)

// the first hundred animals, or as many as this water carries well
const first = computed(() => props.groups[0] ?? null)
const capacity = computed(() => advice.value.capacity)
const number = computed(() => [100, 50, 30, 20, 10].find(n => n <= capacity.value * 0.7) ?? 0)
const starters = computed(() => props.plan.starters[0] ?? 0)
const breeds = computed(
  () => first.value !== null && first.value.group.life.breedsInPlace && first.value.growthPerWeek.value > 0.005,
)
/** Where one clutch is the first hundred, weeks to get there are no answer. */
const atOnce = computed(() => {
  const g = first.value?.group
  if (!g || !breeds.value || g.care.brood?.sign !== 'clutch') return ''
  const young = Math.round(g.stages.broodSize.value)
  return `One clutch brings about ${young} young at once: know where they can go before the first one is laid.`
})
const sentence = ref('')
const worker = useWorker<StartersApi>(
  () => new Worker(new URL('../../workers/starters.worker.ts', import.meta.url), { type: 'module', name: 'starters' }),
)
watchDebounced(
  [starters, number, first, capacity],
  async () => {
    const g = first.value
    if (!g || !breeds.value || number.value === 0 || starters.value < 1 || starters.value >= number.value) {
      sentence.value = ''
      return
    }
    const ask = (n: number) =>
      worker.run(api =>
        api.weeks({
          groupId: g.group.id,
          schools: { ...props.plan.schools },
          starters: n,
          number: number.value,
          capacity: capacity.value,
        }),
      )
    // compared with the advised number, or with few when it is the advised one
    const advised = g.group.stocking.starters.value
    const few = Math.max(2, Math.round(advised / 4))
    const other = starters.value >= advised ? few : advised
    const [mine, theirs] = await Promise.all([ask(starters.value), other === starters.value ? null : ask(other)])
    if (!mine) return
    sentence.value = startersText({
      starters: starters.value,
      number: number.value,
      weeks: mine,
      other: theirs && { starters: other, p50: theirs.p50 },
    })
  },
  { immediate: true, debounce: 120 },
)
</script>

<template>
  <section aria-label="What the plan comes to">
    <WorkerFailed :worker="worker" />
    <p v-if="atOnce" class="statement">{{ atOnce }}</p>
    <p v-else-if="sentence" class="statement"><TheSentence :text="sentence" /></p>
    <p v-else-if="first && !breeds" class="statement">
      {{ first.group.name }} do not grow to a colony by themselves{{
        first.group.company.larvaeNeedSea ? ': their larvae need the sea' : ''
      }}.
    </p>
    <p class="small muted">
      {{ first?.group.stocking.advice }}
      <template v-if="breeds">Have an <GlossWord of="outlet">outlet</GlossWord> for the young.</template>
      <template v-if="first?.group.care.molts"> A <GlossWord of="molt">molt</GlossWord> is good news.</template>
    </p>
    <ul class="checks">
      <li v-for="c in advice.checks" :key="c.key">
        <StateMark v-if="c.state !== 'unknown'" :state="c.state" /><span v-else class="dash" aria-hidden="true">·</span
        ><span
          ><TheSentence :text="checkText(c, settings.units)" />{{ ' '
          }}<span class="small muted basis">{{
            c.basis.kind === 'memory'
              ? 'from memory'
              : c.basis.kind === 'commonPractice'
                ? 'common practice'
                : basisText(c.basis)
          }}</span></span
        >
      </li>
    </ul>
    <h3>To heed</h3>
    <ul class="cautions small">
      <li v-for="c in cautions" :key="c">{{ c }}</li>
    </ul>
    <p class="small muted">
      Weeks are lived through 200 times with this group’s growth and its doubt; the same luck for both numbers, so that
      the difference is real.
    </p>
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: var(--space-4);
  align-content: start;
}
.statement {
  font-size: var(--type-statement);
}
.checks li {
  display: flex;
  gap: var(--space-4);
  align-items: baseline;
  border-top: 1px solid var(--rule);
  padding: var(--space-3) 0;
  line-height: 1.35;
}
.dash {
  width: 18px;
  text-align: center;
  color: var(--muted);
  flex: none;
}
.basis {
  white-space: nowrap;
}
.cautions li {
  border-left: 3px solid var(--straw);
  padding-left: var(--space-4);
  margin-top: var(--space-3);
}
</style>
