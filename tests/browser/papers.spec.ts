import { execFileSync } from 'node:child_process'
import { readFileSync, writeFileSync } from 'node:fs'
import { BinaryBitmap, HybridBinarizer, QRCodeReader, RGBLuminanceSource } from '@zxing/library'
import { expect, test, type Download, type Page } from '@playwright/test'
import { copyOf, open, saved } from './helpers'

async function download(page: Page, button: string): Promise<Download> {
  const [file] = await Promise.all([
    page.waitForEvent('download', { timeout: 60_000 }),
    page.getByRole('button', { name: button, exact: true }).click(),
  ])
  return file
}
/** A PDF's text, page by page, as a reader of PDFs sees it. */
const textOf = (path: string): string[] =>
  execFileSync('pdftotext', ['-layout', path, '-'], { encoding: 'utf8' })
    .split('\f')
    .filter((t) => t.trim())

async function sign(page: Page, name: string) {
  // Crossing's numbers come last, and move what stands below them.
  await expect(page.getByText('As wired and set a year costs')).toBeVisible()
  await page.getByRole('button', { name: 'Sign', exact: true }).click()
  await page.getByLabel('Name', { exact: true }).fill(name)
  const field = page.getByRole('img', { name: 'Sign here' })
  // The pad is fetched when it is first asked for.
  await expect
    .poll(async () => {
      await field.evaluate((el) => el.scrollIntoView({ block: 'center' }))
      const box = (await field.boundingBox())!
      await page.mouse.move(box.x + 30, box.y + 80)
      await page.mouse.down()
      for (let i = 1; i <= 30; i++)
        await page.mouse.move(box.x + 30 + i * 6, box.y + 80 + 30 * Math.sin(i / 3))
      await page.mouse.up()
      await page.getByRole('button', { name: 'That is my signature' }).click()
      const done = page.getByText(`${name} has signed.`).or(page.getByText('Sign in the field first.'))
      await done.waitFor()
      return page.getByText(`${name} has signed.`).count()
    })
    .toBe(1)
}

test('the report is a PDF of numbered pages: the first says all in a minute, and every glyph is the one that was meant', async ({
  page,
}) => {
  const path = await copyOf(page, 'quillfeather-lane')
  await open(page, `${path}/handover`)
  await page.getByLabel('Licence of the technician').fill('HF-2026-118')
  await page.getByRole('button', { name: 'Arrived now' }).click()
  await sign(page, 'Wren Hollis')
  await saved(page)
  await expect(page.getByText('As wired and set a year costs')).toBeVisible()
  const file = await download(page, 'PDF')
  const pages = textOf(await file.path())
  expect(pages.length).toBeGreaterThanOrEqual(4)
  for (const [i, text] of pages.entries())
    expect(text).toContain(`Start-up report: 18 Quillfeather Lane ${i + 1} / ${pages.length}`)
  const first = pages[0]!
  for (const said of [
    'In a minute',
    'What it is',
    'Marram S1 heat pump',
    'hold in 1,960 states',
    '7 readings: 5 right',
    'The test run has not begun',
    'licence HF-2026-118',
  ])
    expect(first).toContain(said)
  const all = pages.join('\n')
  // Ω, °, ×, ±, ’ and “ as they are written, none of them boxed or turned into another letter.
  for (const glyphs of [
    '12.1 Ω',
    '35 °F',
    '2 rows × 238 V ÷ 12 Ω',
    '±10 %',
    'makers’ instructions',
    '“Run it always”',
  ])
    expect(all).toContain(glyphs)
  expect(all).not.toContain('�')
  for (const part of [
    'Gear',
    'As it is landed',
    'Landing schedule',
    'Settings as left',
    'Test run',
    'Readings',
    'Backup heat and line circuits',
    'Who heats when, and why',
    'Safety',
    'Signatures',
  ])
    expect(all).toContain(part)
  expect(all).toContain('Signed for what stands in this report.')
  expect(all).toContain('Superseded: 19.9 A')
  // Its fonts go along, whole enough for all of it.
  expect(execFileSync('pdffonts', [await file.path()], { encoding: 'utf8' })).toMatch(
    /DejaVuSansCondensed +CID TrueType +Identity-H +yes/,
  )
})

test('no name is garbled: what the PDF cannot print is said before, and a word without end stays on the page', async ({
  page,
}) => {
  const path = await copyOf(page, 'quillfeather-lane')
  await open(page, `${path}/gear`)
  const owner = page.getByLabel('Owner', { exact: true })
  const long = `${'Krzysztof'.repeat(12)}`.slice(0, 100)
  await owner.fill(`Ольга Παππά ${long}`)
  await owner.press('Enter')
  await saved(page)
  await page.getByRole('link', { name: /^Handover/ }).click()
  const file = await download(page, 'PDF')
  const text = textOf(await file.path()).join('\n')
  expect(text).toContain('Ольга Παππά')
  // Of a letter page, 612 points wide, every word ends before the margin.
  const boxes = execFileSync('pdftotext', ['-bbox', await file.path(), '-'], { encoding: 'utf8' })
  const ends = [...boxes.matchAll(/xMax="([\d.]+)"/g)].map((m) => Number(m[1]))
  expect(ends.length).toBeGreaterThan(100)
  expect(Math.max(...ends)).toBeLessThanOrEqual(612 - 36)
  await page.getByRole('link', { name: /^Gear/ }).click()
  await owner.fill('王芳')
  await owner.press('Enter')
  await saved(page)
  await page.getByRole('link', { name: /^Handover/ }).click()
  await page.getByRole('button', { name: 'PDF', exact: true }).click()
  await expect(page.getByRole('alert').filter({ hasText: 'It cannot print: 王芳' })).toBeVisible()
  const html = await download(page, 'HTML')
  expect(readFileSync(await html.path(), 'utf8')).toContain('王芳')
})

test('a signature stands for what was signed: an edit after it is said, and it can be withdrawn', async ({
  page,
}) => {
  const path = await copyOf(page, 'quillfeather-lane')
  await open(page, `${path}/handover`)
  await sign(page, 'Odell Marsh')
  await expect(page.getByText('Signed for what stands in this report.')).toBeVisible()
  await page.getByRole('link', { name: /^Gear/ }).click()
  await page.getByLabel('Closes below, °F').fill('30')
  await page.getByRole('link', { name: /^Handover/ }).click()
  await expect(page.getByText('Something was changed after it was signed.')).toBeVisible()
  await page.getByRole('button', { name: 'Withdraw it' }).click()
  await expect(page.getByText(/^Withdrawn: /)).toBeVisible()
  await saved(page)
})

test('nothing is signed while something stands otherwise for a test', async ({ page }) => {
  const file = (await (await page.request.get('/api/jobs/quillfeather-lane/file')).json()) as {
    setup: object
  }
  const jumper = {
    id: 't1',
    kind: 'jumper',
    what: 'R to W at the air handler',
    at: 'ah',
    was: null,
    now: '',
    why: '',
    who: 'Wren Hollis',
    when: '2026-11-27T09:00:00Z',
  }
  const data = { ...file, setup: { ...file.setup, temporary: [jumper] } }
  const { id } = (await (await page.request.post('/api/jobs?copy=1', { data })).json()) as { id: string }
  const path = `/job/${id}`
  await open(page, `${path}/handover`)
  await expect(page.getByText('Nothing is signed while something stands otherwise for a test')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Sign', exact: true })).toHaveCount(0)
  await page.getByRole('button', { name: 'It is as it was' }).click()
  await expect(page.getByRole('button', { name: 'Sign', exact: true })).toBeVisible()
})

test('the HTML opens with no network, whole, in the language that was chosen', async ({ page, context }) => {
  const path = await copyOf(page, 'saltmarsh-row')
  await open(page, `${path}/handover`)
  await page.getByLabel('Language').selectOption({ label: 'Español' })
  const file = await download(page, 'HTML')
  const html = readFileSync(await file.path(), 'utf8')
  expect(html).not.toMatch(/<script|(?:src|href)="http/)
  const alone = `${await file.path()}.html`
  writeFileSync(alone, html)
  await context.setOffline(true)
  const far = await context.newPage()
  const asked: string[] = []
  far.on('request', (r) => asked.push(r.url()))
  await far.goto(`file://${alone}`)
  await expect(far.getByRole('heading', { name: 'Qué queda pendiente' })).toBeVisible()
  // What the second language lacks stands in English.
  await expect(far.getByText('Falla: Emergency heat brings on no backup', { exact: false })).toBeVisible()
  expect(asked).toEqual([`file://${alone}`])
  await context.setOffline(false)
})

test('the owner’s card says what AUX and emergency cost, and has a language of its own', async ({ page }) => {
  const path = await copyOf(page, 'quillfeather-lane')
  await open(page, `${path}/handover`)
  await page.getByRole('tab', { name: 'Owner’s card' }).click()
  const card = page.getByTestId('owners-card')
  // COP 2.77 at 35 °F on the line of its ratings, less a tenth for frost: the unit's own curve says 2.8.
  await expect(card).toContainText(
    /At 35 °F outside the same warmth then costs about 2\.\d times the heat pump’s\./,
  )
  await card.getByLabel('Language').selectOption('es')
  await expect(card).toContainText('Cómo está ajustada su calefacción')
  await expect(card).toContainText('It asks for a new filter every 3 months.')
})

/** The code of a card as a phone sees it: 300 px wide, turned by 5°, and saved with much lost. */
async function photographed(page: Page): Promise<{ dataUrl: string; pixels: number[]; size: number }> {
  const svg = await page.locator('.paper-qr').evaluate((el) => new XMLSerializer().serializeToString(el))
  return page.evaluate(async (text) => {
    const load = (src: string) =>
      new Promise<HTMLImageElement>((resolve, reject) => {
        const image = new Image()
        image.onload = () => resolve(image)
        image.onerror = () => reject(new Error('no picture'))
        image.src = src
      })
    const draw = (size: number, paint: (c: CanvasRenderingContext2D) => void) => {
      const canvas = document.createElement('canvas')
      canvas.width = canvas.height = size
      const c = canvas.getContext('2d')!
      c.fillStyle = '#fff'
      c.fillRect(0, 0, size, size)
      paint(c)
      return { canvas, c }
    }
    const code = await load(
      `data:image/svg+xml;base64,${btoa(text.replace('<svg', '<svg width="300" height="300"'))}`,
    )
    const size = 360
    const turned = draw(size, (c) => {
      c.translate(size / 2, size / 2)
      c.rotate((5 * Math.PI) / 180)
      c.drawImage(code, -150, -150, 300, 300)
    })
    const dataUrl = turned.canvas.toDataURL('image/jpeg', 0.6)
    const seen = await load(dataUrl)
    const { c } = draw(size, (x) => x.drawImage(seen, 0, 0))
    return { dataUrl, size, pixels: Array.from(c.getImageData(0, 0, size, size).data) }
  }, svg)
}

test('the cabinet card’s code is read by two readers, small, turned and smudged, and opens as the job that it is', async ({
  page,
}) => {
  const path = await copyOf(page, 'tallow-mill')
  await open(page, `${path}/handover`)
  await page.getByRole('tab', { name: 'Cabinet card' }).click()
  await expect(
    page.getByText('Not in the code: owner, notes, house, history and what devices are like inside.'),
  ).toBeVisible()
  await expect(page.getByText(/Y1: yellow → furnace Y/).first()).toBeVisible()
  const { dataUrl, pixels, size } = await photographed(page)
  // One reader here …
  const grey = new Uint8ClampedArray(size * size)
  for (let i = 0; i < grey.length; i++)
    grey[i] = (pixels[4 * i]! + pixels[4 * i + 1]! + pixels[4 * i + 2]!) / 3
  const other = new QRCodeReader()
    .decode(new BinaryBitmap(new HybridBinarizer(new RGBLuminanceSource(grey, size, size))))
    .getText()
  expect(other).toMatch(/^GC1/)
  // … and the app's own there, from the picture alone.
  await page.goto('/card')
  await page.getByLabel('Picture of a card').setInputFiles({
    name: 'card.jpg',
    mimeType: 'image/jpeg',
    buffer: Buffer.from(dataUrl.split(',')[1]!, 'base64'),
  })
  const card = page.getByTestId('card')
  await expect(card).toContainText('Tallow Mill House, as left on')
  // The job is older than the library: its cabinets had no ground terminal yet, and the card says so.
  await expect(card).toContainText('This library describes otherwise')
  await expect(card.getByRole('row', { name: /yellow, .*Y1/ }).first()).toBeVisible()
  // Both read the same.
  await page.getByLabel('Or the code’s text').fill(other)
  await page.getByLabel('Or the code’s text').press('Enter')
  await expect(card).toContainText('Tallow Mill House')
  await expect(card).toContainText('It doesn’t prove that this shop made the card')
  const jobs = async () =>
    ((await (await page.request.get('/api/jobs?text=tallow')).json()) as { found: number }).found
  const before = await jobs()
  await card.getByRole('button', { name: 'Make job from card' }).click()
  await card.getByRole('link', { name: 'Open the job' }).click()
  expect(await jobs()).toBe(before + 1)
  await expect(page.locator('[data-testid=verdict][data-stale=false]')).toBeVisible()
})

test('what is no card is said to be none', async ({ page }) => {
  await page.goto('/card')
  await page
    .getByLabel('Picture of a card')
    .setInputFiles({ name: 'note.txt', mimeType: 'text/plain', buffer: Buffer.from('no') })
  await expect(page.getByRole('alert').filter({ hasText: 'note.txt' })).toContainText('is no picture')
  const text = page.getByLabel('Or the code’s text')
  await text.fill('GC1ABC')
  await text.press('Enter')
  await expect(page.getByRole('alert').filter({ hasText: 'card' })).toContainText('scan it again')
  await text.fill('HTTPS://SOMEWHERE')
  await text.press('Enter')
  await expect(page.getByRole('alert').filter({ hasText: 'code' })).toContainText('not of a cabinet card')
})
