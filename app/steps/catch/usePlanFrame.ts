import { FOOT_M } from '#core/units'
import { useSite } from '~/stores/site'
import { scaleLinear } from 'd3-scale'
import { outlinePlan, planRectangles, type Roof } from '#core/site'

export const [PLAN_WIDTH, PLAN_HEIGHT, PLAN_EDGE] = [360, 210, 16]
const [WIDTH, HEIGHT, EDGE] = [PLAN_WIDTH, PLAN_HEIGHT, PLAN_EDGE]

/** A rectangle of a plan, from its lower left corner. */
export interface PlanPlace {
  xM: number
  yM: number
  lengthM: number
  widthM: number
}
interface Frame {
  left: number
  bottom: number
  pxPerM: number
}

/** Where a roof's plan lies in its picture: what is drawn, at which scale, and which place a pointer points at. */
export function usePlanFrame(roof: () => Roof, plan: Readonly<Ref<SVGSVGElement | null>>) {
  const { system } = storeToRefs(useSite())
  /** Steps and first sizes are round in the units of the site: 10 cm and 3 m, or 6 inches and 10 feet. */
  const round = computed(() =>
    system.value === 'metric'
      ? { stepM: 0.1, sideM: 3, cutM: 1, unitM: 1 }
      : { stepM: FOOT_M / 2, sideM: 10 * FOOT_M, cutM: 3 * FOOT_M, unitM: FOOT_M },
  )
  const outline = computed(() => (roof().measuredBy === 'outline' ? roof().outline : undefined))
  const rectangles = computed(() => planRectangles(roof()))
  const rings = computed(() => (outline.value ? outlinePlan(outline.value) : []))
  /** Held while something is drawn, so that the plan does not slide away under the pointer. */
  const held = ref<Frame>()
  const frame = computed<Frame>(() => {
    if (held.value) return held.value
    const [xs, ys] = outline.value
      ? [rings.value.flat(2).map(point => point[0]), rings.value.flat(2).map(point => point[1])]
      : [
          rectangles.value.flatMap(({ xM, lengthM }) => [xM, xM + lengthM]),
          rectangles.value.flatMap(({ yM, widthM }) => [yM, yM + widthM]),
        ]
    const [left, right, bottom, top] = [
      Math.min(0, ...xs) - 1,
      Math.max(6, ...xs) + 2,
      Math.min(0, ...ys) - 1,
      Math.max(4, ...ys) + 2,
    ]
    return { left, bottom, pxPerM: Math.min((WIDTH - EDGE) / (right - left), (HEIGHT - EDGE) / (top - bottom)) }
  })
  const x = computed(() => scaleLinear([frame.value.left, frame.value.left + 1], [EDGE, EDGE + frame.value.pxPerM]))
  const y = computed(() =>
    scaleLinear([frame.value.bottom, frame.value.bottom + 1], [HEIGHT - EDGE, HEIGHT - EDGE - frame.value.pxPerM]),
  )
  const gridM = computed(
    () =>
      [1, 5, 10].map(count => count * round.value.unitM).find(gridM => gridM * frame.value.pxPerM > 14) ??
      50 * round.value.unitM,
  )
  const lines = computed(() => {
    const marks = (from: number, pxs: number) =>
      Array.from(
        { length: Math.floor(pxs / frame.value.pxPerM / gridM.value) + 1 },
        (_, at) => (Math.ceil(from / gridM.value) + at) * gridM.value,
      )
    return { xs: marks(frame.value.left, WIDTH - EDGE), ys: marks(frame.value.bottom, HEIGHT - EDGE) }
  })
  const boxOf = (rectangle: PlanPlace) => ({
    x: x.value(rectangle.xM),
    y: y.value(rectangle.yM + rectangle.widthM),
    width: rectangle.lengthM * frame.value.pxPerM,
    height: rectangle.widthM * frame.value.pxPerM,
  })
  const ringPath = (part: [number, number][][]) =>
    part.map(ring => `M${ring.map(([east, north]) => `${x.value(east)} ${y.value(north)}`).join('L')}Z`).join('')

  const snap = (value: number) => Math.round(Math.round(value / round.value.stepM) * round.value.stepM * 10000) / 10000
  const pointAt = (event: PointerEvent) => {
    const box = plan.value!.getBoundingClientRect()
    return {
      xM: snap(x.value.invert(((event.clientX - box.left) * WIDTH) / box.width)),
      yM: snap(y.value.invert(((event.clientY - box.top) * HEIGHT) / box.height)),
    }
  }

  return { outline, rectangles, rings, held, frame, x, y, gridM, lines, round, boxOf, ringPath, snap, pointAt }
}
