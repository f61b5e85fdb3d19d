import { parentPort, workerData } from 'node:worker_threads'
import { lanternQuay } from '#demo'

// Built by itself (see nuxt.config.ts): making the room takes a second, in which the server must answer others.
parentPort!.postMessage(JSON.stringify(lanternQuay(workerData as { seed: number; untilMs: number }).backup))
