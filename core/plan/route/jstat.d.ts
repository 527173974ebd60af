/** What is used of a package that ships no types. */
declare module 'jstat' {
  const jstat: { normal: { cdf: (x: number, mean: number, std: number) => number } }
  export default jstat
}
