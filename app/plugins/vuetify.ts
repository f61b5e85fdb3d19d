// without utility classes and colour palettes: nothing here uses them
import 'vuetify/styles/core'
import { createVuetify } from 'vuetify'
import { aliases, mdi } from 'vuetify/iconsets/mdi-svg'

/**
 * Two themes of one family. `primary` and `secondary` are fills with their own ink; `weed`, `roe`, `water`, `straw` and
 * `rust` are inks that stand on paper. All pairs are checked for WCAG AA by the end-to-end tests.
 */
const day = {
  background: '#F5F4EE',
  surface: '#FFFFFF',
  primary: '#1E6B57',
  'on-primary': '#FFFFFF',
  secondary: '#2C5F8C',
  error: '#A3291F',
  ink: '#17302C',
  muted: '#55655F',
  rule: '#D9DCD2',
  shelf: '#C9C3B2',
  weed: '#1E6B57',
  roe: '#B84A14',
  water: '#2C5F8C',
  straw: '#7D5F0A',
  rust: '#A3291F',
  'on-background': '#17302C',
  'on-surface': '#17302C',
}
/** For rounds with the lights off: dim warm ink, no bright fills. */
const night: typeof day = {
  background: '#0B1310',
  surface: '#101B17',
  primary: '#1D463A',
  'on-primary': '#E4DAC3',
  secondary: '#1F3F59',
  error: '#D98B7C',
  ink: '#D6CBB2',
  muted: '#A09A86',
  rule: '#2A3832',
  shelf: '#3A3A30',
  weed: '#74B096',
  roe: '#D28B5E',
  water: '#7BA7CC',
  straw: '#C7A549',
  rust: '#DE8A7B',
  'on-background': '#D6CBB2',
  'on-surface': '#D6CBB2',
}

export default defineNuxtPlugin({
  name: 'vuetify',
  setup(nuxtApp) {
    nuxtApp.vueApp.use(
      createVuetify({
        icons: { defaultSet: 'mdi', aliases, sets: { mdi } },
        theme: {
          defaultTheme: 'day',
          themes: { day: { dark: false, colors: day }, night: { dark: true, colors: night } },
        },
        defaults: {
          global: { ripple: false },
          VBtn: { variant: 'flat', rounded: 'md', height: 40 },
          VTextField: { variant: 'outlined', density: 'compact', hideDetails: 'auto', singleLine: true },
          VTextarea: { variant: 'outlined', density: 'compact', hideDetails: 'auto', autoGrow: true, rows: 2 },
        },
      }),
    )
  },
})
