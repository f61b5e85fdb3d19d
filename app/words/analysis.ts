import { type Analysis, type AnalysisKey, possibleAnalysis, ValueKey } from '#core/records'
import { type AmountKey, ionMass, type IonKey } from '#core/water'
import { limitText, shownValue, storedValue, type UnitPrefs, valueName, valueUnit } from './unitPrefs'
import { formatNumber } from '#core/units'

const ionName: Partial<Record<AnalysisKey, string>> = {
  magnesiumMgL: 'Magnesium',
  sodiumMgL: 'Sodium',
  potassiumMgL: 'Potassium',
  chlorideMgL: 'Chloride',
  sulfateMgL: 'Sulfate',
}
const asValue = (key: AnalysisKey): ValueKey | null => ValueKey.safeParse(key).data ?? null

/** "Calcium", "GH". */
export function analysisName(key: AnalysisKey): string {
  const value = asValue(key)
  return value ? valueName(value) : (ionName[key] ?? key)
}
export function analysisUnit(key: AnalysisKey, units: UnitPrefs): string {
  const value = asValue(key)
  return value ? valueUnit(value, units) : 'mg/L'
}
/** From the field's unit to the stored one, and back. */
export const storedAnalysis = (key: AnalysisKey, shown: number, units: UnitPrefs): number => {
  const value = asValue(key)
  return value ? Number(storedValue(value, shown, units).toPrecision(12)) : shown
}
export const shownAnalysis = (key: AnalysisKey, stored: number, units: UnitPrefs): number => {
  const value = asValue(key)
  return value ? shownValue(value, stored, units) : stored
}
/** "GH 12.8". */
export const analysisText = (key: AnalysisKey, stored: number, units: UnitPrefs): string => {
  const value = asValue(key)
  return `${analysisName(key)} ${value ? limitText(value, stored, units) : formatNumber(stored, stored < 10 ? 1 : 0)}`
}
/** A slip in an analysis, as a question. */
export const analysisIssue = (key: AnalysisKey, typed: string, units: UnitPrefs): string => {
  const [low, high] = possibleAnalysis[key].map(v => shownAnalysis(key, v, units)) as [number, number]
  return (
    `${analysisName(key)} ${typed.trim().slice(0, 12)}? It lies between ${formatNumber(low, 0)} and ` +
    `${formatNumber(high, 0)} ${analysisUnit(key, units)}.`
  ).replace(' .', '.')
}

export const analysisByWord: Readonly<Record<Analysis['by'], string>> = {
  supplier: 'the supplier’s report',
  ownTest: 'own test',
  label: 'the label',
  assumed: 'assumed',
}
export const disinfectantWord = {
  none: 'none',
  chlorine: 'chlorine',
  chloramine: 'chloramine',
  unknown: 'not known',
} as const

/** Names of the ions in a water, in the order of a report. */
export const ionWord: Readonly<Record<IonKey, string>> = {
  caMmolL: 'Calcium',
  mgMmolL: 'Magnesium',
  naMmolL: 'Sodium',
  kMmolL: 'Potassium',
  clMmolL: 'Chloride',
  so4MmolL: 'Sulfate',
  no3MmolL: 'Nitrate',
  alkalinityMeqL: 'Bicarbonate',
}
/** An amount as mg/L. */
export const ionText = (key: IonKey, mmolL: number): string =>
  formatNumber(mmolL * ionMass[key], mmolL * ionMass[key] < 10 ? 1 : 0)
export const isIon = (key: AmountKey): key is IonKey => key in ionWord
