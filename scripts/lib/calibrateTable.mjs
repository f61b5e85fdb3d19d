// Sums up what the parts of the calibration found.
import { parentPort, workerData } from 'node:worker_threads'
import { summariseCases } from '../calibration/table'

parentPort.postMessage(workerData.map(({ name, results }) => ({ name, table: summariseCases(results) })))
