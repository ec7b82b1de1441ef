import { expect, test, type Locator, type Page } from '@playwright/test'
import { copyOf, open, saved } from './helpers'

/** Taps and number entries of a person, counted. */
function counter() {
  let taps = 0
  return {
    tap: async (at: Locator) => {
      taps++
      await at.click()
    },
    choose: async (at: Locator, label: string) => {
      taps++
      await at.selectOption({ label })
    },
    count: () => taps,
  }
}
const live = (page: Page) => page.locator('[data-live=settled]').first()

async function rehearse(page: Page, id: string, button: string): Promise<void> {
  await open(page, `${await copyOf(page, id)}/startup?call=off&t=42`)
  await page.getByRole('button', { name: 'Rehearse this run with stand-in instruments' }).click()
  await page.getByRole('button', { name: button }).click()
  await expect(page.getByTestId('rehearsal')).toBeVisible()
  await expect(page.getByRole('heading', { name: /^Rehearsal: / }).first()).toBeVisible()
}

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true })

  test('a whole start-up of a one-stage job takes at most 60 taps, all from stand-in instruments', async ({
    page,
  }) => {
    test.setTimeout(150_000)
    await rehearse(page, 'quillfeather-lane', 'All is sound')
    const { tap, choose, count } = counter()
    const card = page.locator('[data-card]')
    const form = page.getByRole('form', { name: 'Take a reading' })
    /** One reading: what, the value that the instrument shows, saved. */
    const read = async (kind: string) => {
      await choose(form.getByLabel('Reading', { exact: true }), kind)
      await tap(form.locator('[data-live=settled]'))
      await tap(form.getByRole('button', { name: 'Save the reading' }))
      await expect(form.getByLabel(/^Value, /)).toHaveValue('')
    }
    const cards: Record<string, string[]> = {
      supply: ['Control volts, R to C', 'Line volts', 'Row ohms'],
      emergency: ['Strip amps', 'Return air', 'Blower amps'],
      heat1: ['Compressor amps', 'Outdoor fan amps', 'Return air', 'Supply air'],
      heatAux1: ['Strip amps'],
    }
    for (let n = 0; n < 12; n++) {
      const id = (await card.getAttribute('data-card'))!
      for (const kind of cards[id] ?? []) await read(kind)
      if (id === 'heat1') {
        // A row of terminals: open the first, then one tap each.
        await tap(page.locator('button[data-terminal="tstat.Y"]'))
        for (let t = 0; t < 3; t++)
          await tap(page.getByRole('form', { name: /^Reading at / }).locator('[data-live=settled]'))
        await expect(page.locator('button[data-terminal="tstat.Y"]')).toHaveAttribute('data-verdict', 'right')
      }
      const answer = page.getByTestId('startup-answer')
      const before = (await answer.textContent())!
      await tap(card.getByRole('button', { name: 'Done', exact: true }))
      await expect(answer).not.toHaveText(before)
      if (!(await answer.textContent())!.includes('Next:')) break
      await expect(page.locator(`[data-card="${id}"]`)).toHaveCount(0)
    }
    await expect(page.getByTestId('startup-answer')).not.toContainText('Next:')
    await saved(page)
    console.log(`  a whole start-up: ${count()} taps`)
    expect(count()).toBeLessThanOrEqual(60)
    // Nothing of a sound site is wrong.
    await expect(page.locator('[data-verdict=wrong]')).toHaveCount(0)
    await page.getByRole('button', { name: 'What was wrong?' }).click()
    await expect(page.getByTestId('rehearsal')).toContainText('Nothing was wrong with this site.')
  })
})

test('a site that hides something can be uncovered in the end; the job itself is untouched', async ({
  page,
}) => {
  await rehearse(page, 'quillfeather-lane', 'Something is wrong')
  await page.locator('[data-line=emergency]').click()
  await expect(live(page)).toBeVisible()
  await expect(live(page)).toContainText(/stand-in (voltmeter|clamp)/)
  await page.getByRole('button', { name: 'What was wrong?' }).click()
  await expect(page.getByTestId('rehearsal')).toContainText(/What was wrong: |The |A third|It was/)
})

test('an instrument of another’s making speaks over the channel, and its value is taken with one tap', async ({
  page,
  context,
}) => {
  const path = await copyOf(page, 'quillfeather-lane')
  await open(page, `${path}/startup?call=emergency&t=42`)
  // What an extension or a bridge would do: answer every hold of a quantity that it measures.
  const bridge = await context.newPage()
  await bridge.goto('/icon.svg')
  await bridge.evaluate(() => {
    const channel = new BroadcastChannel('gate-cross-instruments')
    channel.onmessage = ({
      data,
    }: MessageEvent<{ type: string; id: string; point?: { quantity: string } }>) => {
      if (data.type !== 'hold' || data.point?.quantity !== 'stripAmps') return
      channel.postMessage({
        type: 'value',
        id: data.id,
        instrument: { name: 'bench clamp 7', kind: 'clamp' },
        value: 39.9,
        unit: 'A',
        settled: true,
        at: new Date().toISOString(),
      })
    }
  })
  const form = page.getByRole('form', { name: 'Take a reading' })
  await form.getByLabel('Reading', { exact: true }).selectOption({ label: 'Row ohms' })
  await expect(form.locator('[data-live]')).toHaveCount(0)
  await form.getByLabel('Reading', { exact: true }).selectOption({ label: 'Strip amps' })
  await form.getByLabel('Blower in the clamp').selectOption({ label: 'no' })
  await form.locator('[data-live=settled]').click()
  await expect(form.getByLabel('Value, A')).toHaveValue('39.9')
  await form.getByRole('button', { name: 'Save the reading' }).click()
  await expect(page.getByText(/everything normal.*bench clamp 7, /)).toBeVisible()
  await saved(page)
})

test('two people on one run: what the one reads at the air handler stands on the other’s card', async ({
  page,
  browser,
}) => {
  const path = await copyOf(page, 'quillfeather-lane')
  const far = await (await browser.newContext()).newPage()
  await far.addInitScript(() => localStorage.setItem('gate-cross-who', 'Ash Tolland'))
  await open(page, `${path}/startup?call=heat1&t=42`)
  await open(far, `${path}/startup?call=heat1&t=42`)
  await far.locator('button[data-terminal="ah.Y"]').click()
  const entry = far.getByRole('form', { name: /^Reading at / })
  await entry.getByRole('textbox').fill('24.5')
  await entry.getByRole('textbox').press('Enter')
  await expect(page.locator('button[data-terminal="ah.Y"]')).toHaveAttribute('data-verdict', 'right', {
    timeout: 10_000,
  })
  await page.locator('[data-card=heat1]').getByRole('button', { name: 'Done', exact: true }).click()
  await expect(far.locator('[data-line=heat1]')).toContainText('Done', { timeout: 10_000 })
  await far.context().close()
})
