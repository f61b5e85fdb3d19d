import type { BatchStage, BatchTold } from '#core/batches'
import { type ColonyForm, DAY_MS } from '#core/records'
import { format } from 'date-fns'
import type { PoolTrouble } from '#core/statements'
import type { Ranged } from '#core/stats'
import { percent, whole } from './numbers'
import { dayText, stretchText } from './when'

export const stageWord: Readonly<Record<BatchStage, string>> = {
  early: 'early',
  middle: 'middle',
  late: 'late',
  settled: 'settled',
  hatchling: 'just hatched',
  young: 'young',
  grown: 'grown',
}
/** What can begin. */
export const formWord: Readonly<Record<ColonyForm, string>> = {
  colony: 'A colony',
  rearing: 'A rearing of larvae',
  batch: 'A pool of dry eggs',
}
/** What one may be called. */
export const nameHint: Readonly<Record<ColonyForm, string>> = {
  colony: 'Ember',
  rearing: 'Larvae of May',
  batch: 'Batch 8',
}
export const sinceWord: Readonly<Record<ColonyForm, string>> = {
  colony: 'In this glass since (empty: now)',
  rearing: 'Hatched, as it was seen (empty: now)',
  batch: 'Flooded (empty: now)',
}
export const startWord: Readonly<Record<ColonyForm, string>> = {
  colony: 'Start the colony',
  rearing: 'Start the rearing',
  batch: 'Flood it',
}
/** What the tab of such a colony is called. */
export const batchTitle: Readonly<Record<BatchTold['kind'], string>> = { larvae: 'Rearing', pool: 'Pool' }

/** Whole up to a hundred, then two digits that count: nobody knows larvae better. */
function roughly(n: number): string {
  if (n < 100) return whole(n)
  const unit = 10 ** (Math.floor(Math.log10(n)) - 1)
  return whole(Math.round(n / unit) * unit)
}
/** "12", or "8 to 20". */
export function spanText({ low, high }: Pick<Ranged, 'low' | 'high'>): string {
  const [a, b] = [roughly(low), roughly(high)]
  return a === b ? a : `${a} to ${b}`
}
/** "3 to 9 Dec", from moments. */
export const spanOfDays = (days: Ranged | null, nowMs: number): string =>
  days ? stretchText(days.low, days.high, nowMs) : 'hardly at all'
/** "3 to 35 %". */
export function shareSpanText({ low, high }: Pick<Ranged, 'low' | 'high'>): string {
  const [a, b] = [percent(low), percent(high)]
  return a === b ? a : `${a.replace(/\s*%$/, '')} to ${b}`
}

/** "Fri 14:00"; with its day where that is long ago. */
export const hourText = (ms: number, nowMs: number): string =>
  format(ms, Math.abs(ms - nowMs) < 6 * DAY_MS ? 'EEE HH:mm' : 'd MMM HH:mm')

/** What is known of a hatch, line by line. */
export function batchFacts(b: BatchTold, nowMs: number): { name: string; value: string; below?: string }[] {
  const age = Math.max(0, (nowMs - b.hatch.value) / DAY_MS)
  const facts = [
    {
      name: b.kind === 'larvae' ? 'Hatched' : nowMs < b.hatch.value ? 'Hatch' : 'Hatched',
      value: `${spanText(b.hatched)}, ${spanOfDays(b.hatch, nowMs)}`,
      below: age >= 1 ? `${whole(age)} days old` : '',
    },
    { name: b.kind === 'larvae' ? 'In the tub' : 'In the pool', value: spanText(b.alive) },
    ...(b.molts ? [{ name: 'Molts', value: `${spanText(b.molts.done)} of ${whole(b.molts.of)}` }] : []),
    {
      name: b.kind === 'larvae' ? 'The first settles' : 'The first are grown',
      value: spanOfDays(b.arrive.first, nowMs),
    },
    { name: b.kind === 'larvae' ? 'Half of them' : 'Half are grown', value: spanOfDays(b.arrive.half, nowMs) },
  ]
  if (b.kind === 'larvae')
    facts.push(
      { name: 'Picked', value: whole(b.out.number), below: `${spanText(b.toCome)} still there or to come` },
      ...b.stages.flatMap(s =>
        s.lives
          ? [
              {
                name: `Live through the ${stageWord[s.name]} third`,
                value: shareSpanText(s.lives),
                below: s.learnt ? 'learnt from your samples' : 'the group’s default, from memory',
              },
            ]
          : [],
      ),
    )
  if (b.eggs)
    facts.push({
      name: 'Eggs laid',
      value: spanText(b.eggs.now),
      below: `${spanText(b.eggs.end)} by its end; 15 a day and female, from memory`,
    })
  return facts
}

/** The picture in a sentence. */
export function batchSummary(b: BatchTold, nowMs: number): string {
  const stages = b.stages.map(s => `${spanText(s.now)} ${stageWord[s.name]}`).join(', ')
  const half = b.arrive.half
    ? `; half ${b.kind === 'larvae' ? 'settle' : 'are grown'} ${spanOfDays(b.arrive.half, nowMs)}`
    : ''
  return `Today likely ${stages}${half}.`
}

/** What to do with larvae or a pool, in the order of its days. */
export function batchSteps(b: BatchTold, nowMs: number): { when: string; says: string }[] {
  if (b.kind === 'larvae')
    return [
      { when: 'Within hours', says: 'Bring the salt up in steps: larvae die within hours in fresh water.' },
      {
        when: 'Daily',
        says: 'Light, air in large slow bubbles, no filter. Keep the water green; powder only what is eaten.',
      },
      { when: 'Every few days', says: 'A measured jug counted by stage; change water for water of the same salt.' },
      {
        when: spanOfDays(b.arrive.first, nowMs),
        says:
          'Pick out those that have settled, one by one: they walk, and no longer hang head down. They go back to ' +
          'fresh within days.',
      },
    ]
  return [
    {
      when: 'On the first day',
      says:
        'Pure water may open the eggs, since it swells them, but nothing grows up in it: the minerals of its class ' +
        'follow within a day. The Water place has the recipe.',
    },
    { when: spanOfDays(b.hatch, nowMs), says: 'Light for 12 to 14 hours. Look daily with a lamp from the side.' },
    {
      when: 'Once they swim',
      says:
        'Feed sparsely. Yeast takes oxygen and gives ammonia; green water does the opposite. Those of the floor need ' +
        'floor, filter feeders green water.',
    },
    {
      when: b.endsMs ? `About ${dayText(b.endsMs, nowMs)}` : 'At the end',
      says:
        'Hardly any are left: let it dry where it stands, keep the ground dry and dark, and flood it after its ' +
        'rest.',
    },
  ]
}

/** What went wrong in a pool, and what the next try changes. */
export const poolTroubleText: Readonly<Record<PoolTrouble, string>> = {
  noHatch:
    'Nothing hatched. Next: dry and rest it longer, flood again with softer, cooler or warmer water as its class ' +
    'asks, and give light for 12 to 14 hours.',
  stringAlgae: 'String algae trap the newly hatched. Next: less light and food at first, and no old water.',
  ammonia:
    'Ammonia or nitrite stood in the water. Next: less food, no yeast, less earth; a pool that was cured, dried and ' +
    'flooded again masters it within days.',
  fewGrown: 'Most died before they were grown. Next: more room and green water, less earth, and large ones apart.',
}

/** Under the name of a row: what is there today. */
export const batchRowUnder = (b: BatchTold): string =>
  b.kind === 'larvae'
    ? [
        b.molts ? `molt ${spanText(b.molts.done)} of ${whole(b.molts.of)}` : 'larvae',
        `${spanText(b.alive)} there`,
      ].join(', ')
    : `pool, ${spanText(b.alive)} there`

/** Beside a row: what comes next. */
export function batchRowText(b: BatchTold, nowMs: number): string {
  const { first, half } = b.arrive
  if (b.kind === 'larvae') {
    if (!first) return 'hardly any will settle'
    return nowMs < first.value ? `first settle ${spanOfDays(first, nowMs)}` : `${spanText(b.toCome)} to pick`
  }
  if (nowMs < b.hatch.value) return `hatch ${spanOfDays(b.hatch, nowMs)}`
  if (half && nowMs < half.value) return `grown ${spanOfDays(half, nowMs)}`
  return b.endsMs ? `dry down about ${dayText(b.endsMs, nowMs)}` : 'over'
}

/** Beside a lot: until when it rests. */
export const lotRowText = ({ restedMs, sinceMs }: { restedMs: number; sinceMs: number }, nowMs: number): string =>
  nowMs < restedMs
    ? `rests dry until ${dayText(restedMs, nowMs)}`
    : `rested, dry since ${dayText(sinceMs, nowMs)}: may be flooded`

/** How many eggs lie in a lot, by what its batch laid. */
export const eggsInText = (eggs: Pick<Ranged, 'low' | 'high'>): string =>
  eggs.high < 1 ? 'likely no eggs in it' : `${spanText(eggs)} eggs in it, by those that laid; from memory`

export const lotWords = {
  form: { ground: 'dried ground', eggs: 'eggs alone' },
  origin: { own: 'own', bought: 'bought', given: 'a gift', collected: 'collected' },
  class: { warm: 'warm pools', cool: 'cool pools', cold: 'cold pools' },
  cation: { calcium: 'calcium water', sodium: 'sodium water' },
} as const
