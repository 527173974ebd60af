/** Moves the focus to the next reading of the station, as Enter does on a bench instrument. */
export function focusNext(from: HTMLElement): void {
  const stage = from.closest('[data-station]') ?? document.body
  const fields = [...stage.querySelectorAll<HTMLElement>('[data-next]')].filter(el => el.offsetParent !== null && !el.hasAttribute('disabled'))
  const next = fields[fields.indexOf(from) + 1]
  next?.focus()
}

/** Whether keys belong to a field just now. */
export function isTyping(target: EventTarget | null): boolean {
  return target instanceof HTMLElement && (target.matches('input, textarea, select') || target.isContentEditable)
}
