import { ScenarioChange, scenarioLimits, type TakeKind } from '#core/records'
import { editText, temperature, volume } from '#core/units'
import { rangeText, type UnitPrefs, valueUnit } from '~/words/unitPrefs'
import { readNumber } from './readNumber'
import { readVolume } from './readVolume'
import { readValue } from './testReadings'

/** A scenario as it is typed, in the keeper's units; what is empty stays as it is. */
export interface ScenarioDraft {
  temperature: string
  roomFactor: string
  secondTank: string
  fish: '' | 'none' | 'peaceful'
  putIn: string
  takeNow: string
  takeNowOf: TakeKind
  weekly: string
  weeklyOf: TakeKind
}
export const emptyScenario = (): ScenarioDraft => ({
  temperature: '',
  roomFactor: '',
  secondTank: '',
  fish: '',
  putIn: '',
  takeNow: '',
  takeNowOf: 'any',
  weekly: '',
  weeklyOf: 'any',
})

/** The draft of a saved scenario. */
export function scenarioDraft(c: ScenarioChange, units: UnitPrefs): ScenarioDraft {
  const text = (n: number | undefined) => (n === undefined ? '' : String(n))
  return {
    temperature: c.temperatureC === undefined ? '' : editText(temperature, c.temperatureC, units.temperature),
    roomFactor: text(c.roomFactor),
    secondTank: c.secondTankL === undefined ? '' : editText(volume, c.secondTankL, units.volume),
    fish: c.fish ?? '',
    putIn: text(c.putIn),
    takeNow: text(c.takeNow?.number),
    takeNowOf: c.takeNow?.of ?? 'any',
    weekly: text(c.weekly?.number),
    weeklyOf: c.weekly?.of ?? 'any',
  }
}

function readTemperature(text: string, units: UnitPrefs) {
  const read = readValue('temperatureC', text, units)
  const [low, high] = scenarioLimits.temperatureC
  if (!read.ok || (read.value >= low && read.value <= high)) return read
  const limits = `${rangeText('temperatureC', low, high, units)} ${valueUnit('temperatureC', units)}`
  return { ok: false as const, issue: `It must lie between ${limits.replace(' to ', ' and ')}.` }
}

export type ScenarioRead =
  { ok: true; change: ScenarioChange } | { ok: false; issues: Partial<Record<keyof ScenarioDraft, string>> }

/** Reads what was typed; each field that is wrong gets one sentence, and the rest is kept. */
export function readScenario(draft: ScenarioDraft, units: UnitPrefs): ScenarioRead {
  const issues: Partial<Record<keyof ScenarioDraft, string>> = {}
  const typed = (
    key: 'temperature' | 'roomFactor' | 'secondTank' | 'putIn' | 'takeNow' | 'weekly',
    reader: (text: string) => { ok: true; value: number } | { ok: false; issue: string },
  ) => {
    if (draft[key].trim() === '') return undefined
    const read = reader(draft[key])
    if (!read.ok) issues[key] = read.issue
    return read.ok ? read.value : undefined
  }
  const number = (key: 'roomFactor' | 'putIn' | 'takeNow' | 'weekly') => typed(key, text => readNumber(text))
  const takeNow = number('takeNow')
  const weekly = number('weekly')
  const raw = {
    temperatureC: typed('temperature', text => readTemperature(text, units)),
    roomFactor: number('roomFactor'),
    secondTankL: typed('secondTank', text => readVolume(text, units, 'How large?', scenarioLimits.secondTankL)),
    fish: draft.fish || undefined,
    putIn: number('putIn'),
    takeNow: takeNow === undefined ? undefined : { of: draft.takeNowOf, number: takeNow },
    weekly: weekly === undefined ? undefined : { of: draft.weeklyOf, number: weekly },
  }
  const read = ScenarioChange.safeParse(raw)
  if (!read.success) {
    for (const i of read.error.issues) {
      const key = i.path[0] as keyof ScenarioDraft
      issues[key] ??= `This ${i.message}.`
    }
  }
  if (Object.keys(issues).length > 0 || !read.success) return { ok: false, issues }
  // what is undefined is not part of the record
  return {
    ok: true,
    change: ScenarioChange.parse(Object.fromEntries(Object.entries(read.data).filter(([, v]) => v !== undefined))),
  }
}
