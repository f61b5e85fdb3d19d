// Sums up what the parts of the calibration found.
import { parentPort, workerData } from 'node:worker_threads'
import { summariseAlarms } from '../calibration/deathAlarm'
import { summariseLosses } from '../calibration/losses'
import { summariseLuck } from '../calibration/luckAlone'
import { summariseBroods } from '../calibration/hatching'
import { summariseHatches } from '../calibration/hatches'
import { summariseShells } from '../calibration/shellGrowth'
import { besideTable } from '../calibration/besideRanges'
import { linesTable } from '../calibration/lineRanges'
import { rollingTable } from '../calibration/rolling'
import { strangersTable } from '../calibration/strangers'
import { pairsTable } from '../calibration/families'
import { meterTable } from '../calibration/meter'
import { summariseMolts } from '../calibration/moltTrouble'
import { summariseWatch } from '../calibration/quietGlass'
import { summariseCases } from '../calibration/table'

const { of, sets } = workerData
const summarise =
  {
    deaths: summariseAlarms,
    losses: summariseLosses,
    luck: summariseLuck,
    water: summariseWatch,
    molts: summariseMolts,
    broods: summariseBroods,
    shells: summariseShells,
    hatches: summariseHatches,
    lines: linesTable,
    rolling: rollingTable,
    strangers: strangersTable,
    beside: besideTable,
    families: pairsTable,
    meter: meterTable,
  }[of] ?? summariseCases
parentPort.postMessage(sets.map(({ name, results }) => ({ name, table: summarise(results) })))
