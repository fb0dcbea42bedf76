import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { By, Key, until, type WebDriver, type WebElement } from 'selenium-webdriver'
import { inject } from 'vitest'
import { devtools, launch, size } from './browser'

const WAIT_MS = 60000
/** So often it is looked whether what is waited for is there. */
const LOOK_EVERY_MS = 40
/** What was pressed and shows nothing after so long is pressed again. */
const AGAIN_MS = 5000

/** Whether a thing is seen: it is drawn, and not folded to nothing while it opens. */
const IS_SEEN = `const isSeen = each => each.checkVisibility({ opacityProperty: true, visibilityProperty: true }) &&
  each.getBoundingClientRect().height > 1;`
/** The option that is shown and begins with a name; and whether any is shown. */
const SHOWN_OPTION = `${IS_SEEN}
  const shown = [...document.querySelectorAll('.el-select-dropdown__item')].filter(isSeen);
  return [shown.find(item => item.innerText.trim().startsWith(arguments[0])) ?? null, shown.length > 0];`

/** The litres that a figure on the screen says. */
export const litres = (text: string) => Number(text.replace(/[^\d.]/g, '')) * (text.includes('m³') ? 1000 : 1)

/** A browser with a fresh profile, and what a person does with it. */
export const openBrowser = async (address = inject('address'), heeds: { network?: boolean } = {}) =>
  new Page(await launch(heeds), address)

export class Page {
  constructor(
    readonly driver: WebDriver,
    readonly address: string,
  ) {}

  wait = <Value>(condition: Parameters<typeof this.driver.wait<Value>>[0], what?: string): Promise<Value> =>
    this.driver.wait<Value>(condition, WAIT_MS, what, LOOK_EVERY_MS) as Promise<Value>
  size = (width: number, height: number) => size(this.driver, width, height)
  devtools = <Answer>(name: string, args: object) => devtools(this.driver, name, args) as Promise<Answer>
  go = (path: string) => this.driver.get(this.address + path)
  quit = () => this.driver.quit()
  /** Waits for a thing; where it never comes, what the page says instead and what went wrong in it is told. */
  async css(selector: string): Promise<WebElement> {
    try {
      return await this.wait<WebElement>(until.elementLocated(By.css(selector)))
    } catch {
      const [said] = await Promise.all(await this.all('body').then(bodies => bodies.map(body => body.getText())))
      const errors = await this.errors()
      throw new Error(
        `no ${selector}; the page says “${said?.slice(0, 300)}”, and logged ${errors.join(' ') || 'nothing'}`,
      )
    }
  }
  all = (selector: string) => this.driver.findElements(By.css(selector))
  async button(words: string): Promise<WebElement> {
    const path = `//*[self::button or self::a or self::label][contains(normalize-space(.), "${words}")]`
    await this.seek(path)
    return this.wait<WebElement>(until.elementLocated(By.xpath(path)), `no button “${words}”`)
  }
  async field(label: string): Promise<WebElement> {
    const path = `//input[@aria-label="${label}"]`
    await this.seek(path)
    return this.wait<WebElement>(until.elementLocated(By.xpath(path)), `no field “${label}”`)
  }

  /**
   * Looks for a thing as a person does who does not see it: opens what is folded, then walks the subjects of the step.
   * Where none has it, the Sheet is left at the subject it was at.
   */
  async seek(path: string): Promise<void> {
    await this.driver.executeAsyncScript(
      `const [path, done] = arguments;
      const frame = () => new Promise(next => requestAnimationFrame(() => setTimeout(next)));
      const there = () => document.evaluate(path, document, null, 9, null).singleNodeValue;
      // Notes of some subjects are loaded when they are first asked about.
      const told = async () => {
        for (let times = 0; times < 60 && document.querySelector('.index') && !document.querySelector('.notes *'); times++)
          await frame();
      };
      const unfold = async () => {
        await told();
        document.querySelectorAll('.sheet .fold > h3 button[aria-expanded=false]').forEach(head => head.click());
        await frame();
        // Some of what is folded is loaded when it is first opened.
        const waits = () => [...document.querySelectorAll('.sheet .fold > .body')].some(body => !body.children.length);
        for (let times = 0; times < 60 && waits(); times++) await frame();
      };
      (async () => {
        for (let times = 0; times < 40 && document.querySelector('.index') && !document.querySelector('.notes h2, .notes p'); times++)
          await frame();
        if (there()) return;
        await unfold();
        const was = document.querySelector('.index [aria-current=true]');
        for (const subject of document.querySelectorAll('.index button')) {
          if (there()) return;
          subject.click();
          await frame();
          await unfold();
        }
        if (!there()) { was?.click(); await frame(); await unfold(); }
      })().then(done, done);`,
      path,
    )
  }

  /** Opens every group of notes that is folded. */
  async unfold(): Promise<void> {
    await this.driver.executeScript(
      'document.querySelectorAll(".sheet .fold > h3 button[aria-expanded=false]").forEach(head => head.click())',
    )
    await this.until(
      () =>
        this.driver.executeScript<number>(
          'return [...document.querySelectorAll(".sheet .fold > .body")].filter(body => !body.children.length).length',
        ),
      empty => empty === 0,
      'what is folded is loaded',
    )
  }

  /** Chooses a subject in the index of the step. */
  async subject(id: string): Promise<void> {
    await this.click(this.css(`.index [data-subject="${id}"]`))
    await this.css(`.notes[data-of="${id}"]`)
    await this.unfold()
  }

  /** Waits until a reading of the page fulfils a condition, and gives it back. */
  async until<Value>(read: () => Promise<Value>, holds: (value: Value) => boolean, what: string): Promise<Value> {
    let last: Value | undefined
    const isSo = async () => {
      try {
        last = await read()
        return holds(last)
      } catch {
        return false
      }
    }
    await this.wait(isSo, what).catch((error: Error) => {
      throw new Error(`${what}; last seen: ${JSON.stringify(last)} (${error.message})`)
    })
    return last as Value
  }

  /**
   * Scrolls to a thing and waits until it stands still: it has the same place in four frames, one after another.
   * @returns whether it is seen and can be pressed
   */
  settle(element: WebElement): Promise<boolean> {
    return this.driver.executeAsyncScript<boolean>(
      `${IS_SEEN}
      const [element, done] = arguments;
      element.scrollIntoView({ block: 'center' });
      const place = () => { const { x, y, width } = element.getBoundingClientRect(); return [x, y, width].join() };
      const watch = (last, still) => requestAnimationFrame(() => {
        const now = place();
        if (now !== last) watch(now, 0);
        else if (still < 3) watch(now, still + 1);
        else done(isSeen(element) && !element.disabled);
      });
      watch(place(), 0);`,
      element,
    )
  }

  /** Clicks what can be pressed and stands still; scrolls there first. */
  async click(element: WebElement | Promise<WebElement>): Promise<void> {
    const found = await element
    if (!(await this.settle(found))) {
      await this.wait(until.elementIsVisible(found))
      await this.wait(until.elementIsEnabled(found))
    }
    await found.click()
  }

  async press(words: string): Promise<void> {
    await this.click(this.button(words))
  }

  /** Waits until nothing moves: no animation runs, and the page says the same in six frames, one after another. */
  async still(): Promise<void> {
    await this.driver.executeAsyncScript(
      `const done = arguments[0];
      const watch = (last, still) => requestAnimationFrame(() => {
        const passing = each => each.playState === 'running' && each.effect.getTiming().iterations !== Infinity;
        const moving = document.getAnimations().some(passing);
        const now = document.body.innerText;
        if (moving || now !== last) watch(now, 0);
        else if (still < 6) watch(now, still + 1);
        else done();
      });
      watch('', 0);`,
    )
  }

  /** Turns the wheel over the middle of a thing; the library's types do not know that it can. */
  async wheel(over: WebElement, byPx: number): Promise<void> {
    const actions = this.driver.actions() as unknown as {
      scroll: (x: number, y: number, dx: number, dy: number, origin: WebElement) => { perform: () => Promise<void> }
    }
    await actions.scroll(0, 0, 0, byPx, over).perform()
  }

  /** Types over a field as a person does: select all, type, Enter. */
  async type(label: string, text: string, end: string = Key.ENTER): Promise<void> {
    const field = await this.field(label)
    await this.settle(field)
    await field.click()
    await field.sendKeys(Key.chord(Key.CONTROL, 'a'), text, end)
  }

  async choose(label: string, name: string): Promise<void> {
    // A choice that nobody has asked for yet is a button.
    const words = `//*[@role="combobox" and @aria-label="${label}"]`
    await this.seek(words)
    const boxes = By.xpath(`${words}[self::button] | ${words}/ancestor::*[contains(@class, "el-select__wrapper")]`)
    const box = await this.wait<WebElement>(until.elementLocated(boxes), `no choice “${label}”`)
    await this.click(box)
    let pressedAt = Date.now()
    const option = await this.wait<WebElement>(async () => {
      const [found, isOpen] = await this.driver.executeScript<[WebElement | null, boolean]>(SHOWN_OPTION, name)
      if (found) return found
      // An answer that arrived at that moment may have drawn the choice anew: it is pressed again, as anybody would.
      if (!isOpen && Date.now() - pressedAt > AGAIN_MS) {
        pressedAt = Date.now()
        const [again] = await this.driver.findElements(boxes)
        if (again) await this.click(again)
      }
      return false as unknown as WebElement
    }, `no option “${name}”`)
    await this.click(option)
    const isShut = () =>
      this.driver.executeScript<boolean>(
        `${IS_SEEN} return ![...document.querySelectorAll('.el-select-dropdown')].some(isSeen)`,
      )
    await this.wait(isShut, 'the list stays open').catch(() => undefined)
  }

  async undo(times: number): Promise<void> {
    for (let done = 0; done < times; done++) await this.press('Undo')
  }

  value = async (label: string) => (await this.field(label)).getAttribute('value')
  figure = async (name: string) => (await this.css(`[data-figure^="${name}"]`)).getText()
  text = async (selector = 'body') => (await this.css(selector)).getText()
  findings = async () =>
    Promise.all((await this.all('.finding, .followers [data-check]')).map(card => card.getAttribute('data-check')))
  saved = () =>
    this.until(
      () => this.driver.executeScript<string>('return document.querySelector("[data-saving]")?.dataset.saving'),
      state => state === 'saved',
      'the site is saved',
    )

  /** The year's figures have come for what is on the screen now. */
  answered = () =>
    this.until(
      () =>
        this.driver.executeScript<number>(
          'return document.querySelectorAll(".figures.waiting, .advice.waiting").length + ' +
            '[...document.querySelectorAll("[data-figure]")].filter(e => e.textContent === "…").length',
        ),
      count => count === 0,
      'the year is worked out',
    )

  /** Waits until every finding that has a move was told whether that mends it. */
  proven = () =>
    this.until(
      () => this.all('[data-proving]'),
      cards => cards.length === 0,
      'the moves are proven',
    )

  async upload(selector: string, name: string, content: string | Uint8Array): Promise<void> {
    const path = join(mkdtempSync(join(tmpdir(), 'tall-cask-file-')), name)
    writeFileSync(path, content)
    await (await this.css(selector)).sendKeys(path)
  }

  /** Presses what saves a file, and gives back its name and its bytes. */
  async savedFile(selector: string): Promise<{ name: string; bytes: Uint8Array }> {
    const [name, base64] = await this.driver.executeAsyncScript<[string, string]>(
      `const [selector, done] = arguments, make = URL.createObjectURL;
      let blob;
      URL.createObjectURL = made => make.call(URL, (blob = made));
      HTMLAnchorElement.prototype.click = function () {
        URL.createObjectURL = make;
        delete HTMLAnchorElement.prototype.click;
        const reader = new FileReader();
        reader.onload = () => done([this.download, reader.result.slice(reader.result.indexOf(',') + 1)]);
        reader.readAsDataURL(blob);
      };
      document.querySelector(selector).click()`,
      selector,
    )
    return { name, bytes: new Uint8Array(Buffer.from(base64, 'base64')) }
  }

  /** Opens the demo site at a step and waits for its year; what was open before is saved first. */
  async openDemo(id: string, step = 'store'): Promise<void> {
    if ((await this.all('[data-saving="unsaved"]')).length) await this.saved()
    await this.go(`/site/${id}/${step}`)
    await this.css('.section svg')
    await this.answered()
  }

  /** Goes to a step of a site: by its link where the site is open, and by its address where it is not. */
  async step(id: string, step: string): Promise<void> {
    const address = `/site/${id}/${step}`
    const linked = await this.all(`nav a[href="${address}"]`)
    if (linked.length) await this.driver.executeScript('arguments[0].click()', linked[0])
    else await this.go(address)
    await this.css('.section svg')
    await this.css(`.sheet[aria-label="The Sheet: ${step}" i]`)
    await this.answered()
  }

  /** All that a site says at a step, subject by subject, with what fields hold; a sum's working in SI is left out. */
  async told(id: string, step: string): Promise<{ subject: string; text: string }[]> {
    await this.step(id, step)
    const ids = await this.driver.executeScript<string[]>(
      'return [...document.querySelectorAll(".index [data-subject]")].map(each => each.dataset.subject)',
    )
    const texts: { subject: string; text: string }[] = []
    for (const subject of ids) {
      await this.subject(subject)
      const text = await this.driver.executeScript<string>(
        `const said = document.querySelector('main.workspace').cloneNode(true);
        said.querySelectorAll('.worked, title, style').forEach(each => each.remove());
        const fields = [...document.querySelectorAll('.sheet .quantity input')].map(each => each.value);
        return [said.textContent, ...fields].join(' · ').replace(/\\s+/g, ' ');`,
      )
      texts.push({ subject, text })
    }
    return texts
  }

  /** Errors the page has logged since the last call. */
  async errors(): Promise<string[]> {
    const entries = await this.driver.manage().logs().get('browser')
    return entries.filter(entry => entry.level.name === 'SEVERE').map(entry => entry.message)
  }
}

export { By, Key }
