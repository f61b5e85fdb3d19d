import { ScenarioChange, type TakeKind } from '#core/records'
import { readNumber } from './readNumber'

/** A scenario as it is typed; what is empty stays as it is. */
export interface ScenarioDraft {
  temperatureC: string
  roomFactor: string
  secondTankL: string
  fish: '' | 'none' | 'peaceful'
  putIn: string
  takeNow: string
  takeNowOf: TakeKind
  weekly: string
  weeklyOf: TakeKind
}
export const emptyScenario = (): ScenarioDraft => ({
  temperatureC: '',
  roomFactor: '',
  secondTankL: '',
  fish: '',
  putIn: '',
  takeNow: '',
  takeNowOf: 'any',
  weekly: '',
  weeklyOf: 'any',
})

/** The draft of a saved scenario. */
export function scenarioDraft(c: ScenarioChange): ScenarioDraft {
  const text = (n: number | undefined) => (n === undefined ? '' : String(n))
  return {
    temperatureC: text(c.temperatureC),
    roomFactor: text(c.roomFactor),
    secondTankL: text(c.secondTankL),
    fish: c.fish ?? '',
    putIn: text(c.putIn),
    takeNow: text(c.takeNow?.number),
    takeNowOf: c.takeNow?.of ?? 'any',
    weekly: text(c.weekly?.number),
    weeklyOf: c.weekly?.of ?? 'any',
  }
}

export type ScenarioRead =
  { ok: true; change: ScenarioChange } | { ok: false; issues: Partial<Record<keyof ScenarioDraft, string>> }

/** Reads what was typed; each field that is wrong gets one sentence, and the rest is kept. */
export function readScenario(draft: ScenarioDraft): ScenarioRead {
  const issues: Partial<Record<keyof ScenarioDraft, string>> = {}
  const number = (key: 'temperatureC' | 'roomFactor' | 'secondTankL' | 'putIn' | 'takeNow' | 'weekly') => {
    if (draft[key].trim() === '') return undefined
    const read = readNumber(draft[key])
    if (!read.ok) issues[key] = read.issue
    return read.ok ? read.value : undefined
  }
  const takeNow = number('takeNow')
  const weekly = number('weekly')
  const raw = {
    temperatureC: number('temperatureC'),
    roomFactor: number('roomFactor'),
    secondTankL: number('secondTankL'),
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
