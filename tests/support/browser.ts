/**
 * Debian's chromium without its windows (a page takes a third less of the machine than in a desk's chromium, which draws its own
 * buttons as pages too), with letters set as a tablet sets them. A desk's scroll bars take room: what a page looks like without
 * them is no test of it.
 */
export const BROWSER = {
  executablePath: '/usr/bin/chromium-headless-shell',
  ignoreDefaultArgs: ['--hide-scrollbars'],
  args: ['--no-sandbox', '--disable-gpu', '--font-render-hinting=none', '--disable-quic', '--no-first-run', '--disable-background-networking', '--disable-component-update', '--disable-sync']
}
