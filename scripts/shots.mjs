import { mkdirSync } from 'node:fs'
import { join } from 'node:path'
import { ensurePackages } from './lib/machine.mjs'
import { ensureModules, root } from './lib/prepare.mjs'
import { main, say } from './lib/say.mjs'
import { withStage } from './lib/stage.mjs'

const WIDE = { width: 1280, height: 800 }
const PHONE = { width: 390, height: 844 }
const GOOD = '/job/quillfeather-lane'
const BAD = '/job/saltmarsh-row'

/** A picture of each main view, from the demo jobs. */
const SHOTS = [
  { name: 'jobs', path: '/', size: WIDE },
  { name: 'gear', path: `${GOOD}/gear?call=heat1&t=47`, size: WIDE },
  { name: 'bench', path: `${GOOD}/bench?call=emergency&t=52`, size: WIDE, press: 'Strip row 2' },
  { name: 'bench-broken-rule', path: `${BAD}/bench?call=emergency&t=45`, size: WIDE },
  { name: 'bench-dark', path: `${GOOD}/bench?call=heatAux1&t=52`, size: WIDE, dark: true },
  {
    name: 'new-job',
    path: '/new',
    size: WIDE,
    steps: [
      ['Thermostat', 'sorrel-h1'],
      ['Outdoor unit', 'marram-s1'],
      ['Indoor unit', 'teasel-a3'],
      ['Strip kit', 'teasel-k2'],
    ],
  },
  {
    name: 'bench-plan',
    path: '/job/harrier-bank/bench?call=cool2&t=80',
    size: WIDE,
    tool: 'Plan',
    wait: 'from the plan.',
  },
  { name: 'crossing', path: '/job/tallow-mill/crossing?call=heat1&t=30', size: WIDE, at: 'crossing-picture' },
  {
    name: 'crossing-phone',
    path: `${GOOD}/crossing?call=heatAux1&t=20`,
    size: PHONE,
    at: 'crossing-picture',
  },
  { name: 'kit', path: `${GOOD}/kit?call=heatAux1&t=52`, size: WIDE },
  { name: 'setup', path: '/job/copper-alley/setup?call=heat1&t=30', size: WIDE, press: 'Outdoor unit' },
  {
    name: 'clock',
    path: `${GOOD}/bench?call=heat1&t=25&scene=raise4&at=3700`,
    size: WIDE,
    ready: '[data-testid=clock][data-ready=true]',
    press: 'Strip row 1',
  },
  {
    name: 'library',
    path: '/library',
    size: WIDE,
    presses: ['Sorrel H2', 'Duplicate', 'Edit its key-in profile'],
    at: 'profile-editor',
  },
  { name: 'startup', path: `${GOOD}/startup?call=emergency&t=52`, size: WIDE },
  { name: 'handover', path: `${GOOD}/handover?call=heat1&t=47`, size: WIDE },
  { name: 'cabinet-card', path: `${GOOD}/handover?call=heat1&t=47`, size: WIDE, presses: ['Cabinet card'] },
  { name: 'bench-phone', path: `${GOOD}/bench?call=heatAux1&t=52`, size: PHONE },
  { name: 'walk-phone', path: `${GOOD}/bench`, size: PHONE, presses: ['Landing', 'Walk it'], wait: /^1 of/ },
  { name: 'startup-phone', path: `${GOOD}/startup?call=emergency&t=52`, size: PHONE },
]

main(async () => {
  await ensurePackages(['postgresql', 'chromium'])
  await ensureModules()
  const only = process.argv.slice(2)
  const target = process.env.SHOTS_DIR ?? join(root, 'docs', 'screenshots')
  mkdirSync(target, { recursive: true })
  await withStage({ name: 'shots', browser: true }, async ({ url, browser }) => {
    for (const shot of SHOTS.filter((s) => !only.length || only.includes(s.name))) {
      const page = await browser.newPage({
        viewport: shot.size,
        hasTouch: shot.size === PHONE,
        reducedMotion: 'reduce',
      })
      if (shot.dark) await page.addInitScript(() => localStorage.setItem('gate-cross-theme', 'dark'))
      await page.goto(url + shot.path)
      if (shot.path.startsWith('/job')) await opened(page)
      else if (shot.path === '/library')
        await page
          .getByRole('button', { name: /^Marram/ })
          .first()
          .waitFor()
      else if (shot.path === '/') await page.getByRole('heading', { level: 2 }).first().waitFor()
      if (shot.ready) await page.locator(shot.ready).waitFor()
      if (shot.tool)
        await page
          .getByRole('group', { name: 'Tools' })
          .getByRole('button', { name: shot.tool, exact: true })
          .click()
      for (const [label, value] of shot.steps ?? []) await page.getByLabel(label).first().selectOption(value)
      for (const press of shot.presses ?? (shot.press ? [shot.press] : []))
        await page
          .getByRole('button', { name: press })
          .or(page.getByRole('tab', { name: press }))
          .first()
          .click()
      if (shot.wait) await page.getByText(shot.wait).first().waitFor()
      await page.evaluate(() => document.fonts.ready)
      if (shot.at) await page.getByTestId(shot.at).evaluate((e) => e.scrollIntoView({ block: 'center' }))
      await page.screenshot({ path: join(target, `${shot.name}.png`) })
      say(`${shot.name}.png`)
      await page.close()
    }
  })
})

/** A job is open when it is proven, its place is there, and the rail says how each place stands. */
async function opened(page) {
  await page.locator('[data-testid=verdict][data-stale=false]').waitFor()
  await page.getByTestId('fetching').waitFor({ state: 'hidden' })
  await page.getByRole('navigation', { name: 'Places of the job' }).getByText('report').waitFor()
}
