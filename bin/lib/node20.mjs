// Node 20 has no Object.groupBy, which @nuxt/eslint's composer calls. Delete this file with Node 20.
Object.groupBy ??= (items, keyOf) => {
  const groups = Object.create(null)
  for (const item of items) (groups[keyOf(item)] ??= []).push(item)
  return groups
}
