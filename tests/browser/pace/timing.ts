import type { WebElement } from 'selenium-webdriver'
import { Key, type Page } from '../page'
import { machine } from '../../machine'

/** A figure that was typed: until something else was seen, and the tasks longer than 50 ms that the page had, ms. */
export interface Stroke {
  ms: number
  tasks: number[]
}

/** After so long a page has done what it does when all is answered. */
const SETTLED_MS = 1500

/** Times what a page does. */
export function timing(page: Page) {
  const { slowness, stop } = machine()
  /** How slow the machine is: what the page itself still does in the background is not the machine's slowness. */
  async function slowNow(): Promise<number> {
    await page.driver.sleep(SETTLED_MS)
    return slowness()
  }
  /** Some work, and how slow the machine was while it was done: what is timed in it is allowed so much more. */
  async function held<Answer>(work: () => Promise<Answer>): Promise<[answer: Answer, slow: number]> {
    const before = await slowNow()
    const answer = await work()
    return [answer, Math.max(before, await slowNow())]
  }
  /** Types a figure, and gives back the milliseconds until what tanks hold says something else. */
  async function keystroke(
    field: WebElement,
    text: string,
    figure = '[data-figure="Usable when full"]',
  ): Promise<number> {
    await field.sendKeys(Key.chord(Key.CONTROL, 'a'), text)
    return page.driver.executeAsyncScript<number>(
      `const [input, selector, done] = arguments;
      const figure = document.querySelector(selector), before = figure.textContent;
      const start = performance.now();
      new MutationObserver(() => {
        if (figure.textContent !== before && !figure.textContent.includes('…')) done(performance.now() - start)
      }).observe(figure, { characterData: true, childList: true, subtree: true });
      input.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }))`,
      field,
      figure,
    )
  }
  async function keystrokes(field: WebElement, texts: string[], figure?: string): Promise<number[]> {
    const times: number[] = []
    for (const text of texts) times.push(await keystroke(field, text, figure))
    return times
  }
  /** Milliseconds of each task longer than 50 that the page's own thread has had since `watchTasks`. */
  const watchTasks = () =>
    page.driver.executeScript(`
      window.longTasks = []
      window.taskWatch?.disconnect()
      window.taskWatch = new PerformanceObserver(list => window.longTasks.push(...list.getEntries()))
      window.taskWatch.observe({ type: 'longtask' })`)
  const longTasks = () =>
    page.driver.executeScript<number[]>('return window.longTasks.map(task => Math.round(task.duration))')
  /** What each of some figures, typed one after another, takes until it is seen, and its long tasks. */
  async function typed(field: WebElement, texts: string[]): Promise<Stroke[]> {
    const strokes: Stroke[] = []
    for (const text of texts) {
      await watchTasks()
      const ms = await keystroke(field, text)
      await page.answered()
      await page.saved()
      strokes.push({ ms, tasks: await longTasks() })
    }
    return strokes
  }
  return { held, keystrokes, typed, watchTasks, longTasks, stop }
}
export type Timing = ReturnType<typeof timing>

const ordered = (values: number[], share: number) =>
  values.toSorted((a, b) => a - b)[Math.floor(values.length * share)]!
/** The best but a quarter of some: what else the machine does meanwhile can only lengthen them. */
export const atBest = (values: number[]) => ordered(values, 0.25)
export const longest = ({ tasks }: Pick<Stroke, 'tasks'>) => Math.max(0, ...tasks)
export const told = (strokes: Stroke[]) =>
  strokes.map(({ ms, tasks }) => `${ms.toFixed(0)} ms (long: ${tasks.join(' ') || 'none'})`).join(', ')
export const spread = (times: number[]) =>
  `median ${ordered(times, 0.5).toFixed(0)} ms, worst ${Math.max(...times).toFixed(0)} ms`
/** How slow the machine was, where it was. */
export const slowly = (slow: number) =>
  slow > 1.05 ? `, on a machine ${slow.toFixed(1)} times as slow as a quiet one` : ''
