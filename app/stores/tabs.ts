/** How long the other tabs of this browser have to say that they are there. */
const ANSWER_MS = 150

type Call = { kind: 'who', from: string, of: string } | { kind: 'here', tab: string, of: string } | { kind: 'took', from: string }

/** Names this page, apart from a tab that was doubled with everything it remembers. */
const page = Math.random().toString(36).slice(2)

function remembered(): string {
  try {
    return sessionStorage.getItem('bowl.tab') ?? ''
  } catch {
    return ''
  }
}

/**
 * Which tab this is, and which others are open: a half-typed reading belongs to the tab it was typed in, and to nobody once
 * that is closed.
 *
 * @param onTaken told when another tab has taken over what this one had typed: it had not answered for a while
 */
export async function findTabs(onTaken: () => void): Promise<{ mine: string, open: Set<string>, took: (from: string) => void }> {
  let mine = remembered() || page
  const open = new Set<string>()
  const line = typeof BroadcastChannel === 'undefined' ? undefined : new BroadcastChannel('bowl.tabs')
  const say = (call: Call) => line?.postMessage(call)
  line?.addEventListener('message', ({ data }: MessageEvent<Call>) => {
    if (data.kind === 'who' && data.of !== page) say({ kind: 'here', tab: mine, of: page })
    if (data.kind === 'here' && data.of !== page) open.add(data.tab)
    if (data.kind === 'took' && data.from === mine) onTaken()
  })
  say({ kind: 'who', from: mine, of: page })
  if (line) await new Promise(resolve => setTimeout(resolve, ANSWER_MS))
  // A doubled tab remembers its twin's name: it takes one of its own.
  if (open.has(mine)) mine = page
  try {
    sessionStorage.setItem('bowl.tab', mine)
  } catch {
    // A browser that remembers nothing gives each page a name of its own.
  }
  return { mine, open, took: from => say({ kind: 'took', from }) }
}
