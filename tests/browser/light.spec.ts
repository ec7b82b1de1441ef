import { expect, test, type Page } from '@playwright/test'
import { copyOf, holdBack, open, terminal, verdict } from './helpers'

const GOOD = '/job/quillfeather-lane'
/** The conductor between E and the air handler's W2. */
const BROWN = 'w07'
/** The colour of what is live, in the light theme: #c9661c. */
const LIVE = 'rgb(201, 102, 28)'

/** How a conductor is drawn: whether it has a halo, its dashes, how thick it is, and whether all its lines go one way. */
const look = (page: Page, id: string) =>
  page.evaluate((wire) => {
    const group = document.querySelector<SVGGElement>(`g[data-conductor="${wire}"]`)!
    const core = getComputedStyle(group.querySelector('.core')!)
    return {
      live: group.dataset.look === 'live' && group.querySelector('.halo') !== null,
      dashes: core.strokeDasharray,
      width: parseFloat(core.strokeWidth),
      along: new Set([...group.querySelectorAll('path')].map((p) => p.getAttribute('d'))).size === 1,
    }
  }, id)
/** Which conductors show that current flows in them. */
const moving = (page: Page) =>
  page.evaluate(() =>
    document
      .querySelector('[data-testid=bench]')!
      .getAnimations({ subtree: true })
      .map((a) => (a.effect as KeyframeEffect).target!.closest('g')!.dataset.conductor!),
  )

test('a conductor that goes live is thick, haloed and unbroken; when it is dead it is thin and broken', async ({
  page,
}) => {
  await open(page, `${GOOD}/bench?call=emergency&t=52`)
  expect(await look(page, BROWN)).toEqual({ live: true, dashes: 'none', width: 4, along: true })
  await page.keyboard.press('1')
  await expect(terminal(page, 'ah.W2')).toHaveAttribute('data-state', 'dead')
  expect(await look(page, BROWN)).toEqual({ live: false, dashes: '7.5px, 2.5px', width: 2.5, along: true })
})

test('a state is told by dash and text too, and a terminal’s size never changes with it', async ({
  page,
}) => {
  await open(page, `${GOOD}/bench?call=emergency&t=52`)
  const w2 = terminal(page, 'ah.W2')
  const box = await w2.boundingBox()
  await expect(w2).toHaveCSS('border-top-color', LIVE)
  await expect(w2).toContainText(/24\.\d V/)
  await expect(w2).toHaveAccessibleName(/Air handler W2, 24\.\d V, \d landed/)
  await page.keyboard.press('1')
  // Its border is clear: the broken outline on the sheet below is what is seen of it.
  await expect(w2).toHaveCSS('border-top-color', 'rgba(0, 0, 0, 0)')
  await expect(w2).toHaveCSS('background-clip', 'padding-box')
  const outlines = page.locator('[data-testid=bench] rect[stroke-dasharray]')
  expect(await outlines.count()).toBe(await page.locator('button[data-terminal]').count())
  const boxes = await outlines.evaluateAll((all) =>
    all.map((e) => e.getBoundingClientRect()).map((r) => [r.x, r.y]),
  )
  expect(boxes.filter(([x, y]) => Math.abs(x! - box!.x) <= 1 && Math.abs(y! - box!.y) <= 1)).toHaveLength(1)
  await expect(w2).toContainText('0')
  await expect(w2).toHaveAccessibleName(/Air handler W2, dead, \d landed/)
  expect(await w2.boundingBox()).toEqual(box)
  await expect(terminal(page, 'ah.C')).toContainText('common')
})

test('motion only where current flows on the path that is looked at, and none for who wants none', async ({
  page,
}) => {
  await open(page, `${GOOD}/bench?call=emergency&t=52`)
  expect(await moving(page)).toEqual([])
  await page.getByRole('button', { name: 'Strip row 2' }).first().click()
  await expect.poll(() => moving(page)).toContain(BROWN)
  await page.keyboard.press('1')
  await expect.poll(() => moving(page)).not.toContain(BROWN)
  await page.keyboard.press('6')
  await expect.poll(() => moving(page)).toContain(BROWN)
  await page.emulateMedia({ reducedMotion: 'reduce' })
  await expect.poll(() => moving(page)).toEqual([])
})

test('a conductor that has its volts and leads to an open gate stands still', async ({ page }) => {
  // E ends at the outdoor thermostat, which is open at 45 °F: 24 V on the brown conductor, and no current.
  await open(page, '/job/saltmarsh-row/bench?call=emergency&t=45')
  await expect(terminal(page, 'spl.x')).toHaveAttribute('data-state', 'live')
  await expect.poll(() => look(page, BROWN)).toMatchObject({ live: true })
  const still = await moving(page)
  expect(still).not.toContain(BROWN)
  // The red conductor carries the thermostat's own current.
  await page.getByRole('button', { name: 'Blower' }).first().click()
  await expect.poll(() => moving(page)).not.toEqual([])
})

test('an edit greys the verdict in its own moment, and the new one comes in its place', async ({ page }) => {
  const job = await copyOf(page, 'quillfeather-lane')
  await open(page, `${job}/bench?call=emergency&t=52`)
  await page.evaluate(() => {
    const sentence = document.querySelector<HTMLElement>('[data-testid=verdict]')!
    const seen: string[] = []
    Object.assign(window, { seen })
    new MutationObserver(() =>
      seen.push(`${sentence.dataset.stale} ${getComputedStyle(sentence.nextElementSibling!).visibility}`),
    ).observe(sentence, { attributes: true, attributeFilter: ['data-stale'] })
  })
  const brown = terminal(page, 'ah.W2')
  await brown.click()
  await page.getByTestId('terminal-panel').getByRole('button', { name: 'Lift' }).first().click()
  // No waiting: the mark is there before anything can be read as the verdict on this edit.
  await expect(verdict(page)).not.toContainText('rules hold')
  expect(await page.evaluate(() => (window as unknown as { seen: string[] }).seen)).toEqual([
    'true visible',
    'false hidden',
  ])
  await page.keyboard.press('Control+z')
  await expect(verdict(page)).toHaveText(
    /^All \d+ rules hold in 1,960 states\. \d+ settings stand at their default, not looked at\.$/,
  )
})

test('“Saved” is not said while an edit is on its way', async ({ page }) => {
  const job = await copyOf(page, 'quillfeather-lane')
  await open(page, `${job}/bench?call=emergency&t=52`)
  const status = page.getByRole('banner').getByRole('status')
  const [done, onItsWay] = [status.getByText('Saved'), status.getByText('Saving …')]
  await expect(done).toBeVisible()
  await expect(onItsWay).toBeHidden()
  const answer = await holdBack(page, '**/ops')
  await terminal(page, 'ah.W2').click()
  await page.getByTestId('terminal-panel').getByRole('button', { name: 'Lift' }).first().click()
  await expect(onItsWay).toBeVisible()
  await expect(done).toBeHidden()
  answer()
  await expect(done).toBeVisible()
  await expect(onItsWay).toBeHidden()
})

test('a terminal that a conductor is moved to says so at once, and so does the one that it left', async ({ page }) => {
  const job = await copyOf(page, 'quillfeather-lane')
  await open(page, `${job}/bench?call=emergency&t=52`)
  const landed = async (ref: string) =>
    Number((await terminal(page, ref).getAttribute('aria-label'))!.match(/(\d+) landed/)![1])
  const [before, at] = [await landed('ah.W2'), await landed('ah.O')]
  await terminal(page, 'ah.W2').click()
  const brown = page.getByTestId('terminal-panel').getByRole('listitem').filter({ hasText: 'brown conductor of the thermostat' })
  await brown.getByRole('button', { name: 'Move this end' }).click()
  await terminal(page, 'ah.O').click()
  await expect.poll(() => landed('ah.W2')).toBe(before - 1)
  expect(await landed('ah.O')).toBe(at + 1)
  expect((await look(page, BROWN)).along).toBe(true)
}) // prettier-ignore

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true })

  test('the dock’s three controls are big, say all of their words, and open no more than 45 % of the height', async ({
    page,
  }) => {
    await open(page, `${GOOD}/bench?call=emergency&t=52`)
    for (const name of [/^Call:/, /^Outdoors:/, /^Boards:/]) {
      const control = page.getByRole('button', { name })
      const box = (await control.boundingBox())!
      expect(box.height).toBeGreaterThanOrEqual(48)
      expect(await control.evaluate((e) => e.scrollWidth <= e.clientWidth)).toBe(true)
      await control.click()
      const sheet = control.locator('xpath=ancestor::section/div[1]')
      expect((await sheet.boundingBox())!.height).toBeLessThanOrEqual(0.45 * 844)
      await page.keyboard.press('Escape')
    }
  })

  test('a call chosen with the thumb changes the answer over it', async ({ page }) => {
    await open(page, `${GOOD}/bench?call=emergency&t=52`)
    const dock = page.getByRole('region', { name: 'Situation' })
    await expect(dock).toContainText('On: strip row 1, strip row 2, blower')
    await page.getByRole('button', { name: /^Call:/ }).click()
    await page.getByRole('radio', { name: 'Cool' }).click()
    await expect(dock).toContainText(/On: .*compressor/)
    await expect(page).toHaveURL(/call=cool1/)
  })

  test('what only a wide screen shows, and what is folded, is not made', async ({ page }) => {
    await open(page, `${GOOD}/bench?call=emergency&t=52`)
    await expect(page.locator('section[aria-label=Situation]')).toHaveCount(1)
    await expect(page.locator('[data-lane]')).toHaveCount(0)
    const row = page.locator('[data-chain="kit.row1"]')
    await expect(row.getByRole('listitem')).toHaveCount(0)
    await row.getByRole('button', { name: /gates pass/ }).click()
    await expect(row.getByRole('listitem').first()).toContainText('passes')
    await page.setViewportSize({ width: 1280, height: 800 })
    await expect(page.locator('section[aria-label=Situation]')).toHaveCount(1)
    await expect(page.locator('[data-lane]').first()).toBeVisible()
  })
})

test('the theme that was chosen is there again after a reload, before anything is seen', async ({ page }) => {
  await open(page, `${GOOD}/bench`)
  await page.getByRole('button', { name: /dark/i }).first().click()
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'dark')
  const ground = await page.evaluate(() => getComputedStyle(document.documentElement).backgroundColor)
  await page.reload()
  await verdict(page).waitFor()
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'dark')
  expect(await page.evaluate(() => getComputedStyle(document.documentElement).backgroundColor)).toBe(ground)
})
