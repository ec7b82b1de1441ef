import type { Page } from '@playwright/test'

export async function open(page: Page, path: string): Promise<void> {
  await page.goto(path)
  await page.locator('[data-testid=verdict][data-stale=false]').waitFor()
  await page.getByTestId('fetching').waitFor({ state: 'hidden' })
}
export const verdict = (page: Page) => page.locator('[data-testid=verdict][data-stale=false]')
export const saved = (page: Page) =>
  page.locator('[data-saving=saved]').first().waitFor({ state: 'attached' })
export const terminal = (page: Page, ref: string) => page.locator(`button[data-terminal="${ref}"]`)

/** The list, narrowed to what has these words; jobs of one street come in the order of their names. */
export async function listed(page: Page, text: string, order: 'By street' | 'Newest first' = 'By street') {
  await page.goto('/')
  await page.getByLabel('Order').selectOption({ label: order })
  await page.getByLabel('Search').fill(text)
}

/**
 * Every test gets a job of its own, so that none depends on what another left behind.
 * @param settings of it that stand otherwise than in the demo, by place; null: not known
 */
export async function copyOf(
  page: Page,
  id: string,
  settings: Record<string, string | number | null> = {},
): Promise<string> {
  const job = (await (await page.request.get(`/api/jobs/${id}/file`)).json()) as {
    placed: { ref: string; settings: Record<string, unknown> }[]
  }
  for (const [at, value] of Object.entries(settings)) {
    const [ref, setting = ''] = at.split('.')
    for (const p of job.placed) if (p.ref === ref) p.settings[setting] = value
  }
  const file = JSON.stringify(job)
  const made = (await (
    await page.request.post('/api/jobs?copy=1', {
      data: file,
      headers: { 'content-type': 'application/json' },
    })
  ).json()) as { id: string }
  return `/job/${made.id}`
}

/** Keeps the answers at these addresses back until the returned function is called. */
export async function holdBack(page: Page, url: string): Promise<() => void> {
  let release = () => undefined as void
  const held = new Promise<void>((resolve) => (release = resolve))
  await page.route(url, async (route) => {
    await held
    await route.continue()
  })
  return release
}
