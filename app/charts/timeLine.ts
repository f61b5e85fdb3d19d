/** A line over time: what Chart.js needs for it, registered once, and the component that draws it. */
import 'chartjs-adapter-date-fns'
import { Chart, Filler, LinearScale, LineController, LineElement, PointElement, TimeScale, Tooltip } from 'chart.js'
import { Line } from 'vue-chartjs'

Chart.register(LineController, LineElement, PointElement, LinearScale, TimeScale, Filler, Tooltip)

export { Line as TimeLine }
