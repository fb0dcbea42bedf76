import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { openBrowser, type Page } from './page'

/**
 * Every control of every subject of every step is pressed once. Whatever it does: nothing breaks, all of it is saved,
 * figures follow, and it can be taken back.
 */
let page: Page
beforeAll(async () => {
  page = await openBrowser()
})
afterAll(() => page?.quit())

/** What one subject came to: how many controls were pressed, how many changed the plan, and what went wrong at which. */
interface Pressed {
  pressed: number
  changed: number
  wrong: string[]
}

/**
 * In the page: presses the controls of the subject that is shown, one after another. After each it waits until all is
 * saved and nothing is being worked out, notes what the page complains of, closes what was opened and takes back what
 * was changed.
 */
const PRESS = `
  const done = arguments[0];
  const frame = () => new Promise(next => requestAnimationFrame(() => setTimeout(next)));
  const wrong = [];
  let last = '';
  const note = what => wrong.length < 12 && wrong.push(last + ': ' + what);
  const onError = event => note('broke: ' + (event.message ?? event.reason?.message ?? event.reason));
  addEventListener('error', onError);
  addEventListener('unhandledrejection', onError);
  // What would leave the page, or wait for somebody, is told apart.
  window.print = () => undefined;
  HTMLInputElement.prototype.showPicker = () => undefined;
  const press = each => each.dispatchEvent(new MouseEvent('click', { bubbles: true, cancelable: true }));
  HTMLAnchorElement.prototype.click = function () { if (!this.download) press(this); };
  HTMLInputElement.prototype.click = function () { if (this.type !== 'file') press(this); };
  // What a press opened may be loaded only then, and stand there late: it is shut before anything else is done.
  const shut = async () => {
    const open = () =>
      [...document.querySelectorAll('.el-overlay-dialog, .el-drawer')].filter(each => each.getClientRects().length);
    for (let times = 0; times < 120 && open().length; times++) {
      document.dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape', bubbles: true }));
      for (const each of document.querySelectorAll('.el-dialog__headerbtn, .el-drawer__close-btn')) each.click();
      await frame();
    }
    if (open().length) note('does not shut what it opened');
  };
  const subject = () => document.querySelector('.index [aria-current=true]')?.dataset.subject;
  const unfold = async () => {
    document.querySelectorAll('.sheet .fold > h3 button[aria-expanded=false]').forEach(head => head.click());
    for (let times = 0; times < 20; times++) {
      await frame();
      if (![...document.querySelectorAll('.sheet .fold > .body')].some(body => !body.children.length)) return;
    }
  };
  const all = () => [...document.querySelectorAll('.sheet .notes :is(button, select, [role=checkbox], [role=slider])')]
    .filter(each => !each.closest('.index') && each.offsetParent && !each.disabled && !each.matches('.fold > h3 button'));
  const nameOf = each =>
    (each.ariaLabel || each.textContent || each.dataset.save || each.className).trim().replace(/\\s+/g, ' ').slice(0, 60);
  const undoButton = () => [...document.querySelectorAll('.tool')].find(each => each.textContent.trim() === 'Undo');
  const undoWord = () => undoButton().disabled ? '' : undoButton().title;
  const settled = async () => {
    for (let times = 0; times < 600; times++) {
      await frame();
      const saving = document.querySelector('[data-saving]')?.dataset.saving;
      const waits = document.querySelectorAll('.figures.waiting, .advice.waiting').length;
      if (saving === 'saved' && !waits) return;
      if (saving === 'failed') return note('was not saved: ' + document.querySelector('.header .clash')?.textContent.slice(0, 120));
    }
    note('is not settled: ' + document.querySelector('[data-saving]')?.dataset.saving);
  };
  (async () => {
    await shut();
    await unfold();
    const here = subject();
    const step = location.pathname;
    const count = all().length;
    let [pressed, changed] = [0, 0];
    // Each control is found again by its place, since what is pressed may be drawn anew.
    for (let at = 0; at < Math.min(count, 120); at++) {
      const each = all()[at];
      if (!each) break;
      last = nameOf(each);
      // A thousand futures, and a fault that is looked for, take a minute each and have tests of their own.
      if (/thousand|Break something|years ahead|Ask it from now on/i.test(last)) continue;
      const before = undoWord();
      each.click();
      pressed++;
      await frame();
      await settled();
      const refused = document.querySelector('.refusal, [data-refusal]')?.textContent;
      const said = document.body.innerText;
      for (const words of ['could not be cloned', 'undefined', 'NaN', '[object'])
        if (said.includes(words)) note('says ' + words + ': ' + said.split(words)[0].slice(-60) + words);
      const failure = said.match(/.{60}could not be (computed|worked out).{80}/s)?.[0];
      if (failure) note('fails: ' + failure);
      document.dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape', bubbles: true }));
      document.activeElement?.blur?.();
      await shut();
      for (let times = 0; times < 6 && undoWord() && undoWord() !== before; times++) {
        changed++;
        undoButton().click();
        await settled();
      }
      if (location.pathname !== step) return done({ pressed, changed, wrong, left: location.pathname, at });
      if (subject() !== here) {
        document.querySelector('.index [data-subject="' + CSS.escape(here) + '"]')?.click();
        await frame();
      }
      await unfold();
    }
    removeEventListener('error', onError);
    removeEventListener('unhandledrejection', onError);
    done({ pressed, changed, wrong });
  })().catch(error => done({ pressed: 0, changed: 0, wrong: [last + ': ' + error.message] }));`

const STEPS = ['need', 'catch', 'clean', 'store', 'lift', 'reach', 'try', 'build', 'keep'] as const

describe('every control', () => {
  let [pressed, changed] = [0, 0]
  it.each(STEPS)(
    'of the step %s is pressed, and all is saved and told after each',
    async step => {
      await page.driver.manage().setTimeouts({ script: 240_000 })
      await page.openDemo('brindle-yard', step)
      await page.css(`.sheet[aria-label="The Sheet: ${step}" i]`)
      const subjects = await page.driver.executeScript<string[]>(
        'return [...document.querySelectorAll(".index [data-subject]")].map(each => each.dataset.subject)',
      )
      const wrong: string[] = []
      for (const subject of subjects.length ? subjects : ['']) {
        const there = await page.all(`.index [data-subject="${subject}"]`)
        if (subject && !there.length) continue
        // Chosen in the page: what is opened late by the last press would stand over a click of the mouse.
        if (subject)
          await page.driver.executeScript(
            'document.querySelector(`.index [data-subject="${CSS.escape(arguments[0])}"]`).click()',
            subject,
          )
        if (subject) await page.css(`.notes[data-of="${subject}"]`)
        const told = await page.driver.executeAsyncScript<Pressed>(PRESS)
        pressed += told.pressed
        changed += told.changed
        wrong.push(...told.wrong.map(words => `${step} ${subject} ${words}`))
        // A press may have led elsewhere: the next subject begins where this one did.
        await page.step('brindle-yard', step)
      }
      expect(wrong).toEqual([])
      expect(await page.errors()).toEqual([])
    },
    600_000,
  )
  it('are hundreds, and many of them change the plan', () => {
    console.log(`${pressed} controls pressed, ${changed} changes made and taken back`)
    expect(pressed).toBeGreaterThan(300)
    expect(changed).toBeGreaterThan(40)
  })
})
