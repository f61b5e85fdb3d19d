import { type Calibration, DAY_MS, toMoment } from '#core/records'
import { CALIBRATION_DAYS, calibrationLine, settledMean } from '#core/water'
import type { ProbeSetting } from '~/devices/benchProbe'
import { calibratedText, calibrationIssue, calibrationText } from '~/words/probe'
import type { BenchProbe } from './useBenchProbe'

/** What a probe is calibrated for. */
export type Calibrated = 'ph' | 'conductivityUsCm'
export type KnownSolution = Exclude<ProbeSetting['dip'], 'tank'>

/** Known solutions, from low to high, with what they are at 25 °C as their labels say. */
const solutions: Record<
  Calibrated,
  readonly [{ id: KnownSolution; truth: number }, { id: KnownSolution; truth: number }]
> = {
  ph: [
    { id: 'ph4', truth: 4.01 },
    { id: 'ph7', truth: 7 },
  ],
  conductivityUsCm: [
    { id: 'ec84', truth: 84 },
    { id: 'ec1413', truth: 1413 },
  ],
}
/** Two readings are settled together when they lie within this. */
const NEAR: Record<Calibrated, number> = { ph: 0.06, conductivityUsCm: 3 }
const calibratedKeys = Object.keys(solutions) as Calibrated[]
const keyOf = (dip: KnownSolution) => calibratedKeys.find(key => solutions[key].some(s => s.id === dip))!

/**
 * Two-point calibration: the keeper dips into two known solutions, and the line through both holds from then on. A line
 * that makes no sense is refused and the old one stays.
 */
export function useProbeCalibration(probe: BenchProbe) {
  const desk = useWaterDeskStore()
  const room = useRoomStore()
  const { save } = useSave()
  const points = ref<Partial<Record<KnownSolution, number>>>({})
  const problem = ref('')

  async function takePoint() {
    const { dip } = probe
    if (dip === 'tank' || !room.room || !probe.live) return
    const key = keyOf(dip)
    points.value = {
      ...points.value,
      [dip]: settledMean(
        probe.run.map(r => r[key]),
        NEAR[key],
      )!.mean,
    }
    problem.value = ''
    const [low, high] = solutions[key]
    const [a, b] = [points.value[low.id], points.value[high.id]]
    if (a === undefined || b === undefined) return
    const calibration: Calibration = {
      at: toMoment(Date.now()),
      points: [
        { raw: a, truth: low.truth },
        { raw: b, truth: high.truth },
      ],
    }
    const line = calibrationLine(calibration)
    if (!line.ok) return void (problem.value = calibrationIssue(line.issue))
    const bench = { ...desk.bench, calibrations: { ...desk.bench.calibrations, [key]: calibration } }
    if (!(await save('rooms', { ...room.room, bench }, calibratedText(key, line)))) return
    points.value = { ...points.value, [low.id]: undefined, [high.id]: undefined }
  }

  const standing = computed(() =>
    calibratedKeys.map(key => {
      const calibration = desk.bench.calibrations[key]
      const days = calibration ? (desk.nowMs - new Date(calibration.at).getTime()) / DAY_MS : null
      const due = days === null || days > CALIBRATION_DAYS
      return {
        key,
        due,
        text: calibrationText(days, calibration ? calibrationLine(calibration) : null, due),
        /** the one of the two solutions that was taken already */
        taken: solutions[key].find(s => points.value[s.id] !== undefined)?.id ?? null,
      }
    }),
  )
  return reactive({ points, problem, standing, takePoint })
}
