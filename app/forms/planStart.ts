import type { AtHome, RoomC } from '#core/care'
import type { Wish } from '#core/groups'
import type { Analysis, Source, Water } from '#core/records'
import { completeAnalysis } from '#core/water'
import type { UnitPrefs } from '~/words/unitPrefs'
import { readWaterC } from './readWaterC'
import { readNumber } from './readNumber'
import { readVolume } from './readVolume'
import { readValues } from './sourceDraft'

/** What somebody has before there are animals, as typed; kept on the device until a plan is made of it. */
export interface PlanStart {
  sizeBy: 'litres' | 'edges'
  litres: string
  lengthCm: string
  widthCm: string
  heightCm: string
  /** false: “I do not know it yet” */
  tapKnown: boolean
  values: { ghDh: string; khDh: string; ph: string }
  disinfectant: Source['disinfectant']
  winter: string
  summer: string
  wish: Wish | ''
}

export const emptyPlanStart = (): PlanStart => ({
  sizeBy: 'litres',
  litres: '',
  lengthCm: '',
  widthCm: '',
  heightCm: '',
  tapKnown: true,
  values: { ghDh: '', khDh: '', ph: '' },
  disinfectant: 'unknown',
  winter: '',
  summer: '',
  wish: '',
})

export type StartIssues = Partial<
  Record<'litres' | 'edges' | 'ghDh' | 'khDh' | 'ph' | 'winter' | 'summer', string | undefined>
>

/** A start that was read: what fits can be asked of it, as far as it goes. */
export interface ReadStart {
  home: AtHome | null
  /** what was typed of the tap, and the water that it is; nothing while GH or KH is missing */
  tap: { values: Analysis['values']; water: Water } | null
  roomC: RoomC | null
  issues: StartIssues
}

/** Reads a start: nothing has to be there but the litres, and what is wrong is named at its field. */
export function readStart(start: PlanStart, units: UnitPrefs): ReadStart {
  const issues: StartIssues = {}
  const size = readSize(start, units, issues)
  const tap = readTap(start, units, issues)
  const roomC = readRoom(start, units, issues)
  const home = size && {
    tankL: size.grossL,
    inside: size.inside,
    tap: tap && tap.water,
    roomC,
    wish: start.wish || null,
  }
  return { home, tap, roomC, issues }
}

function readSize(start: PlanStart, units: UnitPrefs, issues: StartIssues) {
  if (start.sizeBy === 'litres') {
    if (start.litres.trim() === '') return null
    const read = readVolume(start.litres, units)
    if (!read.ok) issues.litres = read.issue
    return read.ok ? { grossL: read.value, inside: undefined } : null
  }
  const texts = [start.lengthCm, start.widthCm, start.heightCm]
  if (texts.some(t => t.trim() === '')) return null
  const [l, w, h] = texts.map(t => readNumber(t, { low: 1, high: 500, unit: 'cm' }))
  if (!l!.ok || !w!.ok || !h!.ok) {
    issues.edges = 'Length, width and height in cm, each from 1 to 500.'
    return null
  }
  const inside = { lengthCm: l!.value, widthCm: w!.value, heightCm: h!.value }
  return { grossL: Number(((l!.value * w!.value * h!.value) / 1000).toFixed(2)), inside }
}

/** GH and KH both: one alone says too little of a water. */
function readTap({ tapKnown, values }: PlanStart, units: UnitPrefs, issues: StartIssues): ReadStart['tap'] {
  if (!tapKnown) return null
  const read = readValues({ values }, units)
  for (const key of ['ghDh', 'khDh', 'ph'] as const) if (read.issues[key]) issues[key] = read.issues[key]
  if (read.values.ghDh === undefined || read.values.khDh === undefined) return null
  return { values: read.values, water: completeAnalysis(read.values).water }
}

function readRoom({ winter, summer }: PlanStart, units: UnitPrefs, issues: StartIssues): RoomC | null {
  const of = (key: 'winter' | 'summer', text: string) => {
    if (text.trim() === '') return null
    const read = readWaterC(text, units)
    if (!read.ok) issues[key] = read.issue
    return read.ok ? read.value : null
  }
  const [cold, warm] = [of('winter', winter), of('summer', summer)]
  if (cold === null || warm === null) return null
  return { winter: Math.min(cold, warm), summer: Math.max(cold, warm) }
}
