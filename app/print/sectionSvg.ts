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
/** What is there to be pressed or moves, and is no part of a picture. */
const LEFT_OUT = '[role="slider"], title, .handle, .moves'

/** The Section as it is drawn now, as an SVG of its own; nothing where it is not drawn. */
export function sectionSvg(): string | undefined {
  const drawn = document.querySelector<SVGSVGElement>('.section svg')
  if (!drawn) return undefined
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
    for (const name of ['class', 'style', 'tabindex', 'role', 'aria-label', 'aria-pressed'])
      target.removeAttribute(name)
  })
  for (const element of copy.querySelectorAll(`${LEFT_OUT}, [data-out]`)) element.remove()
  const { width, height } = drawn.getBoundingClientRect()
  copy.setAttribute('viewBox', `0 0 ${Math.round(width)} ${Math.round(height)}`)
  copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg')
  for (const name of ['class', 'role', 'aria-label']) copy.removeAttribute(name)
  return copy.outerHTML.replaceAll(/<!--.*?-->/gs, '').replaceAll(/ data-[\w-]+="[^"]*"/g, '')
}
