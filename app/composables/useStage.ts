const isThere = (el: HTMLElement) => el.offsetParent !== null && !el.hasAttribute('disabled')
/** What comes after a field in its form. */
function nextInForm(from: HTMLElement): HTMLElement | undefined {
  const fields = from instanceof HTMLInputElement ? [...from.form?.querySelectorAll<HTMLElement>('input, textarea, button') ?? []].filter(isThere) : []
  return fields[fields.indexOf(from) + 1]
}

/** Moves the focus to the next reading of the station, as Enter does on a bench instrument; from the last one to what else its form asks for. */
export function focusNext(from: HTMLElement): void {
  const stage = from.closest('[data-station]') ?? document.body
  const fields = [...stage.querySelectorAll<HTMLElement>('[data-next]')].filter(isThere)
  const next = fields[fields.findIndex(field => field.contains(from)) + 1]
  const field = next?.matches('input, button, textarea') ? next : next?.querySelector<HTMLElement>('input, button, textarea')
  ;(field ?? nextInForm(from))?.focus()
}

/** Enter in a line of words goes on to what comes next in its form, as it does in every figure's field: what the form is for is pressed for. */
export function goOnInForm(event: KeyboardEvent): void {
  const from = event.target
  if (!(from instanceof HTMLInputElement) || !from.closest('.bench-text')) return
  event.preventDefault()
  nextInForm(from)?.focus()
}

/** Whether keys belong to a field just now. */
export function isTyping(target: EventTarget | null): boolean {
  return target instanceof HTMLElement && (target.matches('input, textarea, [role=option], [role=listbox], [role=slider]') || target.isContentEditable)
}
