import { createVNode, render, type AppContext } from 'vue'
import PaperSection from '~/section/PaperSection.vue'
import { useSelection } from '~/stores/useSelection'
import { pictureOf } from '#core/section'
import type { Site } from '#core/site'

/** What of a drawing's look comes from style sheets, and goes with it where there are none. */
const LOOK = [
  'fill',
  'fill-opacity',
  'stroke',
  'stroke-width',
  'stroke-dasharray',
  'stroke-linecap',
  'stroke-linejoin',
  'opacity',
  'font-size',
  'font-weight',
  'text-anchor',
  'paint-order',
]
/** What is said and not drawn. */
const LEFT_OUT = 'title'
/** What only the page knows by. */
const OF_THE_PAGE = ['class', 'style', 'tabindex', 'role', 'aria-label', 'aria-pressed']

/**
 * The whole Section drawn anew for paper: by day, whatever the page's theme and width, with nothing picked out, as an
 * SVG whose look stands in itself.
 */
export async function paperSection(
  site: Site,
  context: AppContext,
  size = { framePx: 860, heightPx: 400 },
): Promise<string | undefined> {
  if (!site.nodes.length) return undefined
  // What is drawn of standing water is loaded when it is first needed.
  await import('~/section/StormWater.vue')
  const picture = pictureOf(site, size)
  const holder = document.createElement('div')
  holder.className = 'on-paper unseen-paper'
  const drawing = createVNode(PaperSection, { picture })
  drawing.appContext = context
  document.body.append(holder)
  const selection = useSelection()
  const picked = { node: selection.nodeId.value, run: selection.runId.value, part: selection.partId.value }
  selection.nodeId.value = selection.runId.value = selection.partId.value = undefined
  try {
    render(drawing, holder)
    // The legend is as high as it comes out, and what hangs on that follows.
    await nextTick()
    await nextTick()
    return lookOf(holder.querySelector('svg')!)
  } finally {
    render(null, holder)
    holder.remove()
    selection.nodeId.value = picked.node
    selection.runId.value = picked.run
    selection.partId.value = picked.part
  }
}

/** A drawing as an SVG of its own, its look written at each thing. */
function lookOf(drawn: SVGSVGElement): string {
  const copy = drawn.cloneNode(true) as SVGSVGElement
  const [from, to] = [drawn, copy].map(svg => [...svg.querySelectorAll('*')]) as [Element[], Element[]]
  from.forEach((element, at) => {
    const style = getComputedStyle(element)
    const target = to[at]!
    if (style.display === 'none' || style.visibility === 'hidden') target.setAttribute('data-out', '')
    for (const name of LOOK) {
      const value = style.getPropertyValue(name)
      if (value && value !== 'none' && value !== 'normal') target.setAttribute(name, value)
      else if (value === 'none' && (name === 'fill' || name === 'stroke')) target.setAttribute(name, 'none')
    }
    for (const name of OF_THE_PAGE) target.removeAttribute(name)
  })
  for (const element of copy.querySelectorAll(`${LEFT_OUT}, [data-out]`)) element.remove()
  const [width, height] = ['width', 'height'].map(name => Number(drawn.getAttribute(name)))
  copy.setAttribute('viewBox', `0 0 ${Math.round(width!)} ${Math.round(height!)}`)
  copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg')
  return copy.outerHTML.replaceAll(/<!--.*?-->/gs, '').replaceAll(/ data-[\w-]+="[^"]*"/g, '')
}
