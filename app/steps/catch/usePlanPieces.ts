import { followPointer } from '~/fields/followPointer'
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { PLAN_GAP_M, type PlanRectangle, type Roof } from '#core/site'
import { moveOf, setField } from '#core/moves'
import type { PlanPlace, usePlanFrame } from './usePlanFrame'

/** Draws, moves, stretches, cuts and takes out the rectangles of a roof's plan, by pointer and by keys. */
export function usePlanPieces(
  roof: () => Roof,
  plan: Readonly<Ref<SVGSVGElement | null>>,
  { rectangles, held, frame, round, snap, pointAt }: ReturnType<typeof usePlanFrame>,
) {
  const store = useSite()
  const { show } = useUnits()
  /** Whether what is drawn is cut out of the roof; which piece is in hand; what was done, for who cannot see it. */
  const cutting = ref(false)
  const picked = ref<string>()
  const said = ref('')
  const drawn = ref<PlanPlace>()
  const words = (rectangle: PlanPlace) =>
    `${show(rectangle.lengthM, 'length')} by ${show(rectangle.widthM, 'length')}, ` +
    `${show(rectangle.xM, 'length')} along and ${show(rectangle.yM, 'length')} up`
  function put(piece: string, change: Partial<Pick<PlanRectangle, 'xM' | 'yM' | 'lengthM' | 'widthM' | 'cut'>>): void {
    const was = rectangles.value.find(rectangle => rectangle.piece === piece)!
    const fields = { xM: was.xM, yM: was.yM, ...change }
    const problem = store.makeAll(
      Object.entries(fields).map(([field, value]) => setField('piece', piece, field, value)),
      `Move a piece of ${roof().name}`,
      `piece:${piece}`,
    )
    said.value = problem ?? words({ ...was, ...change })
  }
  function takeOut(piece: string): void {
    if (roof().pieces.length === 1) return void (said.value = 'A roof keeps its last rectangle.')
    said.value = store.make(moveOf('remove', { id: piece })) ?? 'Taken out.'
    picked.value = undefined
  }
  function add(piece: PlanPlace): void {
    const problem = store.make(moveOf('addRoofPiece', { roof: roof().id, ...piece, cut: cutting.value || undefined }))
    said.value = problem ?? `${cutting.value ? 'Cut out' : 'Added'}: ${words(piece)}.`
    if (!problem) picked.value = store.site!.roofs.find(each => each.id === roof().id)!.pieces.at(-1)!.id
  }
  /** By key, a new rectangle begins beside the others, a cut in the middle of the first. */
  function addByKey(): void {
    const first = rectangles.value.find(rectangle => !rectangle.cut)
    const right = Math.max(
      0,
      ...rectangles.value.filter(rectangle => !rectangle.cut).map(rectangle => rectangle.xM + rectangle.lengthM),
    )
    const { sideM, cutM } = round.value
    if (cutting.value && first)
      add({
        xM: snap(first.xM + (first.lengthM - cutM) / 2),
        yM: snap(first.yM + (first.widthM - cutM) / 2),
        lengthM: cutM,
        widthM: cutM,
      })
    else add({ xM: right, yM: 0, lengthM: sideM, widthM: sideM })
  }

  /** Follows a pointer from where it went down; `onEnd` hears whether it was let go or lost. */
  function follow(
    event: PointerEvent,
    onMove: (at: { xM: number; yM: number }) => void,
    onEnd: (done: boolean) => void,
  ): void {
    if (event.button !== 0) return
    held.value = frame.value
    followPointer(
      event,
      plan.value!,
      next => onMove(pointAt(next)),
      letGo => {
        held.value = undefined
        onEnd(letGo)
        store.settle()
      },
    )
  }
  function drawFrom(event: PointerEvent): void {
    const start = pointAt(event)
    picked.value = undefined
    follow(
      event,
      at => {
        drawn.value = {
          xM: Math.min(start.xM, at.xM),
          yM: Math.min(start.yM, at.yM),
          lengthM: snap(Math.abs(at.xM - start.xM)),
          widthM: snap(Math.abs(at.yM - start.yM)),
        }
      },
      done => {
        const piece = drawn.value
        drawn.value = undefined
        if (done && piece && piece.lengthM >= round.value.stepM && piece.widthM >= round.value.stepM) add(piece)
      },
    )
  }
  /** A cut begins on the roof; anything else that is pressed there is moved. */
  function dragFrom(event: PointerEvent, rectangle: PlanRectangle): void {
    if (cutting.value && !rectangle.cut) return drawFrom(event)
    picked.value = rectangle.piece
    const start = pointAt(event)
    follow(
      event,
      at =>
        put(rectangle.piece, {
          xM: snap(rectangle.xM - rectangle.copy * (rectangle.lengthM + PLAN_GAP_M) + at.xM - start.xM),
          yM: snap(rectangle.yM + at.yM - start.yM),
        }),
      () => {},
    )
  }
  function stretchFrom(event: PointerEvent, rectangle: PlanRectangle): void {
    follow(
      event,
      at =>
        put(rectangle.piece, {
          lengthM: Math.max(round.value.stepM, snap(at.xM - rectangle.xM)),
          widthM: Math.max(round.value.stepM, snap(at.yM - rectangle.yM)),
        }),
      () => {},
    )
  }
  function onKey(event: KeyboardEvent, rectangle: PlanRectangle): void {
    const { stepM } = round.value
    const [right, up] = { ArrowRight: [stepM, 0], ArrowLeft: [-stepM, 0], ArrowUp: [0, stepM], ArrowDown: [0, -stepM] }[
      event.key
    ] ?? [0, 0]
    if (right || up) {
      const base = rectangles.value.find(other => other.piece === rectangle.piece)!
      put(
        rectangle.piece,
        event.shiftKey
          ? {
              lengthM: Math.max(round.value.stepM, snap(base.lengthM + right!)),
              widthM: Math.max(round.value.stepM, snap(base.widthM + up!)),
            }
          : { xM: snap(base.xM + right!), yM: snap(base.yM + up!) },
      )
    } else if (event.key === 'c') put(rectangle.piece, { cut: !rectangle.cut })
    else if (event.key === 'Delete' || event.key === 'Backspace') takeOut(rectangle.piece)
    else return
    event.preventDefault()
    event.stopPropagation()
  }

  return { cutting, picked, said, drawn, addByKey, takeOut, drawFrom, dragFrom, stretchFrom, onKey }
}
