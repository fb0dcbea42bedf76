import {
  BarController,
  BarElement,
  Chart,
  Filler,
  Legend,
  LinearScale,
  LineController,
  LineElement,
  LogarithmicScale,
  PointElement,
  Tooltip,
} from 'chart.js'

/** Makes known to the chart library what our plots are made of, and nothing else of it. */
export function chartLibrary(): void {
  Chart.register(
    LineController,
    LineElement,
    PointElement,
    BarController,
    BarElement,
    LinearScale,
    LogarithmicScale,
    Filler,
    Tooltip,
    Legend,
  )
}
