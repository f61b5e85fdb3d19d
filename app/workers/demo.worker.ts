import { expose } from 'comlink'
import { lanternQuay } from '#demo'

/** The demo room, made beside the page where no server makes it: the same code, the same room. */
const api = { make: (untilMs: number) => lanternQuay({ seed: 1, untilMs }).backup }
export type DemoApi = typeof api
expose(api)
