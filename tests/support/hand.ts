import type { Page } from '@playwright/test'

/** What has the focus, by its label or what it says. */
const focused = (page: Page) => page.evaluate(() => {
  const el = document.activeElement as HTMLInputElement | null
  return el?.dataset?.figure ?? el?.getAttribute('aria-label') ?? el?.labels?.[0]?.textContent?.trim() ?? el?.textContent?.trim() ?? ''
})

/** A hand at the keyboard alone, and how much it had to do: figures it typed, and every other press. */
export class Hand {
  figures = 0
  presses = 0
  constructor(readonly page: Page) {}

  async press(key: string): Promise<void> {
    this.presses++
    await this.page.keyboard.press(key)
    // A hand takes a moment between two keys; faster would be a gauge.
    await this.page.waitForTimeout(110)
  }

  /** A figure, and the Enter that keeps it. */
  async figure(text: string): Promise<void> {
    await this.text(text)
    await this.page.keyboard.press('Enter')
    await this.page.waitForTimeout(150)
  }

  async text(text: string): Promise<void> {
    this.figures++
    await this.page.keyboard.type(text)
  }

  /** A bare key, from wherever the focus is. */
  async bare(key: string): Promise<void> {
    if (await this.page.evaluate(() => document.activeElement instanceof HTMLInputElement)) await this.press('Escape')
    await this.press(key)
    await this.page.waitForTimeout(250)
  }

  /** By Tab to what goes by a name. */
  async tabTo(name: string | RegExp, back = false): Promise<void> {
    for (let i = 0; i < 60; i++) {
      await this.press(back ? 'Shift+Tab' : 'Tab')
      const here = await focused(this.page)
      if (typeof name === 'string' ? here === name : name.test(here)) return
    }
    throw new Error(`no way to ${String(name)} by Tab`)
  }

  at = (): Promise<string> => focused(this.page)
}
