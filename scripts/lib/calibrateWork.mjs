// A part of the calibration in a worker of its own, bundled as the app's workers are.
import { parentPort, workerData } from 'node:worker_threads'
import { calibrate } from '../calibration/calibrate'
import { watchColonies } from '../calibration/deathAlarm'
import { tellLosses } from '../calibration/losses'
import { luckAlone } from '../calibration/luckAlone'
import { watchBroods } from '../calibration/hatching'
import { rearHatches } from '../calibration/hatches'
import { gradeBeside } from '../calibration/besideRanges'
import { breedLines } from '../calibration/lineRanges'
import { gradeRolling } from '../calibration/rolling'
import { watchStrangers } from '../calibration/strangers'
import { pairFamilies } from '../calibration/families'
import { meterKeepers } from '../calibration/meter'
import { growShells } from '../calibration/shellGrowth'
import { watchMoltTrouble } from '../calibration/moltTrouble'
import { watchWater } from '../calibration/quietGlass'

const { seeds, variant } = workerData
const others = {
  deaths: watchColonies,
  losses: tellLosses,
  luck: luckAlone,
  water: watchWater,
  molts: watchMoltTrouble,
  broods: watchBroods,
  shells: growShells,
  hatches: rearHatches,
  lines: breedLines,
  rolling: gradeRolling,
  strangers: watchStrangers,
  beside: gradeBeside,
  families: pairFamilies,
  meter: meterKeepers,
}[variant]
parentPort.postMessage(others ? others(seeds) : calibrate(workerData))
