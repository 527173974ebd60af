import type { Page } from '@playwright/test'

/** Walks by Tab until something is focused that goes by a name: its label, or what it says. */
export async function tabTo(page: Page, name: string | RegExp): Promise<void> {
  for (let i = 0; i < 140; i++) {
    await page.keyboard.press('Tab')
    const here = await page.evaluate(() => {
      const el = document.activeElement as HTMLInputElement | null
      return el?.getAttribute('aria-label') ?? el?.dataset?.figure ?? el?.labels?.[0]?.textContent?.trim() ?? el?.textContent?.trim() ?? ''
    })
    if (typeof name === 'string' ? here === name : name.test(here)) return
  }
  throw new Error(`no way to ${String(name)} by Tab`)
}
