// Sums up what the parts of the calibration found.
import { parentPort, workerData } from 'node:worker_threads'
import { summariseAlarms } from '../calibration/deathAlarm'
import { summariseCases } from '../calibration/table'

const { of, sets } = workerData
const summarise = of === 'deaths' ? summariseAlarms : summariseCases
parentPort.postMessage(sets.map(({ name, results }) => ({ name, table: summarise(results) })))
