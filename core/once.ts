/**
 * Works a thing out once for each of what it is given, which must never change: an entry, the pours of one stretch.
 *
 * @example const pourResult = onceEach((pour: PourEntry) => resultOf(pour))
 */
export function onceEach<Given extends object, Found>(work: (given: Given) => Found): (given: Given) => Found {
  const found = new WeakMap<Given, Found>()
  return (given) => {
    if (!found.has(given)) found.set(given, work(given))
    return found.get(given) as Found
  }
}
