// A part of the calibration in a worker of its own, bundled as the app's workers are.
import { parentPort, workerData } from 'node:worker_threads'
import { calibrate } from '../calibration/calibrate'
import { watchColonies } from '../calibration/deathAlarm'

parentPort.postMessage(workerData.variant === 'deaths' ? watchColonies(workerData.seeds) : calibrate(workerData))
