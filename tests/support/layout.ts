import type { Page } from '@playwright/test'

/** What is too small, cut off, on top of something else or to be reached only by scrolling sideways, by the page's own geometry. */
export function faults(page: Page): Promise<string[]> {
  return page.evaluate(() => {
    const found: string[] = []
    const room = document.scrollingElement!
    if (room.scrollHeight > window.innerHeight || room.scrollWidth > window.innerWidth) found.push('the page scrolls')
    for (const el of document.querySelectorAll('*')) {
      const { overflowX } = getComputedStyle(el)
      if ((overflowX === 'auto' || overflowX === 'scroll') && el.clientWidth > 40 && el.scrollWidth > el.clientWidth + 1 && el.checkVisibility()) found.push(`scrolls sideways: ${el.className || el.tagName}, ${el.scrollWidth} in ${el.clientWidth} px`)
    }
    for (const input of document.querySelectorAll<HTMLInputElement>('input[data-figure]')) {
      if (input.checkVisibility() && input.scrollWidth > input.clientWidth + 1) found.push(`cut off: “${input.dataset.figure} ${input.value}”`)
    }
    const seen: { text: string, el: Element, letters: DOMRect[], scroller: Element | undefined, scrolled: boolean }[] = []
    const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT)
    for (let node = walker.nextNode(); node; node = walker.nextNode()) {
      const text = node.textContent!.trim()
      const el = node.parentElement!
      if (!text || el.closest('.visually-hidden, script, style, option, select')) continue
      // What is folded away has boxes too.
      if (!el.checkVisibility({ contentVisibilityAuto: true })) continue
      const style = getComputedStyle(el)
      if (style.visibility === 'hidden' || style.display === 'none' || style.opacity === '0') continue
      const range = document.createRange()
      range.selectNodeContents(node)
      const box = range.getBoundingClientRect()
      if (box.width === 0 || box.height === 0) continue
      // A line box is taller than its letters: what counts is from the capitals' top to the baseline.
      const letters = [...range.getClientRects()].map((line) => {
        const high = Number.parseFloat(style.fontSize) * 0.36
        const middle = (line.top + line.bottom) / 2
        return new DOMRect(line.left, middle - high, line.width, 2 * high)
      })
      const svg = el.closest('svg')
      const scale = svg ? svg.getScreenCTM()!.a : 1
      if (Number.parseFloat(style.fontSize) * scale < 12.9) found.push(`too small: “${text.slice(0, 30)}” ${(Number.parseFloat(style.fontSize) * scale).toFixed(1)} px`)
      // What a scrolling list has below its edge is not cut off.
      let clip: Element | null = el
      let scrolled = false
      let scroller: Element | undefined
      // A name that is shortened to its place is told whole by its title.
      if (el.closest('[title]') && getComputedStyle(el.closest('[title]')!).textOverflow === 'ellipsis') continue
      while (clip) {
        const { overflowX, overflowY } = getComputedStyle(clip)
        const frame = clip.getBoundingClientRect()
        if (overflowY === 'auto') scroller ??= clip
        if (overflowY === 'auto' && (box.bottom > frame.bottom || box.top < frame.top)) scrolled = true
        if ((overflowX === 'hidden' || overflowX === 'clip') && clip !== document.documentElement && clip !== document.body && (box.right > frame.right + 1.5 || box.left < frame.left - 1.5)) {
          found.push(`cut off: “${text.slice(0, 30)}”`)
        }
        if (overflowY === 'hidden' && !scrolled && clip !== document.documentElement && clip !== document.body && box.bottom > frame.bottom + 2.5) found.push(`cut below: “${text.slice(0, 30)}”`)
        clip = clip.parentElement
      }
      // What runs out of its own button lies over its neighbour, or under it; a mark inside it is drawn beside the letters.
      const button = el.closest('button')
      const marks = svg ? [] : [...button?.querySelectorAll('svg rect') ?? []].map(mark => mark.getBoundingClientRect())
      if (button && letters.some(line => line.right > button.getBoundingClientRect().right + 1)) found.push(`out of its button: “${text.slice(0, 30)}”`)
      if (letters.some(line => marks.some(mark => Math.min(line.right, mark.right) - Math.max(line.left, mark.left) > 1 && Math.min(line.bottom, mark.bottom) - Math.max(line.top, mark.top) > 1))) found.push(`under its mark: “${text.slice(0, 30)}”`)
      seen.push({ text, el, letters, scroller, scrolled })
    }
    seen.forEach((a, i) => seen.slice(i + 1).forEach((b) => {
      if (a.el === b.el || a.el.contains(b.el) || b.el.contains(a.el)) return
      // What a list has out of sight stands over nothing but its own.
      if ((a.scrolled || b.scrolled) && a.scroller !== b.scroller) return
      const over = a.letters.some(p => b.letters.some(q =>
        Math.min(p.right, q.right) - Math.max(p.left, q.left) > 2 && Math.min(p.bottom, q.bottom) - Math.max(p.top, q.top) > 2))
      if (over) found.push(`overlap: “${a.text.slice(0, 24)}” and “${b.text.slice(0, 24)}”`)
    }))
    return [...new Set(found)]
  })
}
