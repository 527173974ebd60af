/** A name that is safe as a file's: plain letters, digits and hyphens. */
export function fileName(name: string): string {
  return name.normalize('NFKD').replace(/[^A-Za-z0-9]+/g, '-').replace(/^-|-$/g, '').toLowerCase() || 'build'
}
