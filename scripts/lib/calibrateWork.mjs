// The calibration in a worker of its own, bundled as the app's workers are.
import { parentPort } from 'node:worker_threads'
import { calibrate, summariseCases } from '../calibration/calibrate'

const results = calibrate(Number(process.env.CALIBRATE_PER_GROUP), Number(process.env.CALIBRATE_FIRST_SEED))
const groups = [...new Set(results.map(r => r.groupId))]
parentPort.postMessage({
  rows: [
    ...groups.map(group => ({ group, table: summariseCases(results.filter(r => r.groupId === group)) })),
    { group: 'all', table: summariseCases(results) },
  ],
})
