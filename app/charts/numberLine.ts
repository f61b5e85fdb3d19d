/** A line over a number: what Chart.js needs for it, registered once, and the component that draws it. */
import { Chart, Filler, LinearScale, LineController, LineElement, PointElement, Tooltip } from 'chart.js'
import { Line } from 'vue-chartjs'

Chart.register(LineController, LineElement, PointElement, LinearScale, Filler, Tooltip)

export { Line as NumberLine }
