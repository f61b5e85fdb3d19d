/** Says that the server answers, and whether a device without data should open the demo room (`npm run demo`). */
export default defineEventHandler(() => ({
  status: 'ok',
  name: 'ulkin',
  startWith: process.env.ULKIN_START === 'demo' ? 'demo' : 'empty',
}))
