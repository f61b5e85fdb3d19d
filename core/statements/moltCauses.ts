import type { Entry, ValueKey } from '#core/records'
import { DAY_MS, momentMs } from '#core/records'
import { caMgByMass, MMOL_PER_DGH, molarMass, RATIO_BAND, type ValueVerdict, type WaterStory } from '#core/water'
import { msg, type Statement } from './statement'

/** What molts fail of, in the order in which keepers look (common practice). */
export const moltCauses = ['level', 'steadiness', 'ratio', 'temperature', 'diet'] as const
export type MoltCauseName = (typeof moltCauses)[number]

/** One possible cause of failed molts, and what the log says of it. */
export interface MoltCause {
  name: MoltCauseName
  /** whether the log speaks for it, against it, or not at all */
  speaks: 'for' | 'against' | 'nothing'
  says: Statement['conclusion']
}

/** A cause is looked for so far back: a molt is prepared for weeks. */
const BACK_DAYS = 42
/** So many readings in that time say that a value is steady. */
const STEADY_READINGS = 3

/** What is known when a cause is looked for. */
export interface CauseAsked {
  values: readonly ValueVerdict[]
  story: Pick<WaterStory, 'readings'>
  /** standing entries of the water, by time */
  entries: readonly Entry[]
  nowMs: number
}

/** What the log says of each cause, in the order in which keepers look. */
export const causesOf = (asked: CauseAsked): MoltCause[] => moltCauses.map(name => ({ name, ...looks[name](asked) }))

type Told = Omit<MoltCause, 'name'>
const told = (speaks: MoltCause['speaks'], key: Statement['conclusion']['key'], values = {}): Told => ({
  speaks,
  says: msg(key, values),
})
const recent = (at: number, nowMs: number) => at > nowMs - BACK_DAYS * DAY_MS && at <= nowMs
const MINERALS: readonly ValueKey[] = ['ghDh', 'khDh']

const looks: Readonly<Record<MoltCauseName, (asked: CauseAsked) => Told>> = {
  level: ({ values }) => {
    const of = values.filter(v => MINERALS.includes(v.key))
    const wrong = of.find(v => v.state === 'off') ?? of.find(v => v.state === 'drifting')
    if (wrong?.latest)
      return told('for', 'molts.levelWrong', { key: wrong.key, value: wrong.latest.value, ...rangeOf(wrong) })
    const known = of.filter(v => v.latest && v.state === 'onTarget')
    const good = known[0]
    if (!good) return told('nothing', 'molts.levelUnknown')
    return told('against', 'molts.levelRight', { key: good.key, value: good.latest!.value, n: known.length })
  },
  steadiness: ({ values, story, nowMs }) => {
    const of = values.filter(v => MINERALS.includes(v.key) || v.key === 'conductivityUsCm')
    const stepped = of.find(v => v.reasons.some(r => STEPPED.has(r.key)))
    if (stepped?.latest) return told('for', 'molts.stepped', { key: stepped.key, value: stepped.latest.value })
    const moving = of.find(v => v.state !== 'onTarget' && v.reasons.some(r => r.key === 'water.reasonSlope'))
    if (moving?.latest) return told('for', 'molts.moving', { key: moving.key, value: moving.latest.value })
    const readings = of.map(v => (story.readings.get(v.key) ?? []).filter(r => recent(r.at, nowMs)).length)
    const most = Math.max(0, ...readings)
    return most >= STEADY_READINGS
      ? told('against', 'molts.steady', { n: most })
      : told('nothing', 'molts.steadyUnknown')
  },
  ratio: ({ story, nowMs }) => {
    const calcium = story.readings.get('calciumMgL')?.findLast(r => recent(r.at, nowMs))
    const gh = story.readings.get('ghDh')?.findLast(r => recent(r.at, nowMs))
    if (!calcium || !gh) return told('nothing', 'molts.ratioUnknown')
    const caMmolL = calcium.value / molarMass.Ca
    const mgMmolL = gh.value * MMOL_PER_DGH - caMmolL
    if (mgMmolL <= 0) return told('for', 'molts.noMagnesium')
    const ratio = caMgByMass({ caMmolL, mgMmolL })
    const fits = ratio >= RATIO_BAND[0] && ratio <= RATIO_BAND[1]
    return told(fits ? 'against' : 'for', fits ? 'molts.ratioRight' : 'molts.ratioWrong', { ratio })
  },
  temperature: ({ values, story, nowMs }) => {
    const verdict = values.find(v => v.key === 'temperatureC')
    const jump = largestJump(story, nowMs)
    if (jump) return told('for', 'molts.jumped', jump)
    if (verdict?.state === 'off' && verdict.latest)
      return told('for', 'molts.levelWrong', { key: 'temperatureC', value: verdict.latest.value, ...rangeOf(verdict) })
    const n = (story.readings.get('temperatureC') ?? []).filter(r => recent(r.at, nowMs)).length
    return n >= STEADY_READINGS ? told('against', 'molts.noJump', { n }) : told('nothing', 'molts.jumpUnknown')
  },
  diet: ({ entries, nowMs }) => {
    const meals = entries.filter(e => recent(momentMs(e.at), nowMs))
    const fed = meals.filter(e => e.kind === 'feeding' && e.food !== undefined)
    const mineral = meals.findLast(
      e => (e.kind === 'feeding' && e.food === 'greens') || (e.kind === 'supplement' && e.what === 'calcium'),
    )
    if (mineral) return told('against', 'molts.minerals', { at: momentMs(mineral.at) })
    return fed.length > 0 ? told('for', 'molts.noMinerals', { n: fed.length }) : told('nothing', 'molts.dietUnknown')
  },
}

const STEPPED: ReadonlySet<string> = new Set([
  'water.reasonStep',
  'water.reasonStepPoured',
  'water.reasonStepUnknown',
  'water.reasonJump',
])

const rangeOf = ({ target: { preferred } }: ValueVerdict) => ({ low: preferred[0], high: preferred[1] })

/** A jump of the temperature within days that these animals feel, °C (from memory). */
const JUMP_C = 2
const JUMP_DAYS = 3

function largestJump(story: CauseAsked['story'], nowMs: number): { from: number; to: number; at: number } | null {
  const readings = (story.readings.get('temperatureC') ?? []).filter(r => recent(r.at, nowMs))
  let worst: { from: number; to: number; at: number } | null = null
  for (const [i, r] of readings.entries())
    for (const before of readings.slice(0, i)) {
      if (before.at < r.at - JUMP_DAYS * DAY_MS) continue
      const by = Math.abs(r.value - before.value)
      if (by >= JUMP_C && (!worst || by > Math.abs(worst.to - worst.from)))
        worst = { from: before.value, to: r.value, at: r.at }
    }
  return worst
}
