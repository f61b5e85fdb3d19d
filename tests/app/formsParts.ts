import type { Colony } from '#core/records'
import { type Draft, emptyDraft } from '~/forms/logDraft'
import { readDraft } from '~/forms/readDraft'
import { defaultUnits } from '~/words/unitPrefs'
import { colony, daysAgo, nextId, NOW } from '../make'

export const units = defaultUnits
export const american = { temperature: 'f', volume: 'usGal', hardness: 'mgLCaCO3', conductivity: 'msCm' }
export const c = colony(nextId())
export const stamp = () => ({ id: nextId(), loggedAt: daysAgo(0) })
export const read = (draft: Partial<Draft>, who: Colony | undefined = c, prefs = units) =>
  readDraft({ ...emptyDraft('count', c.id), ...draft }, { colony: who, stamp: stamp(), units: prefs, nowMs: NOW })
export const issues = (draft: Partial<Draft>) => {
  const r = read(draft)
  return r.ok ? {} : r.issues
}
