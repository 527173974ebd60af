import { readFileSync } from 'node:fs'

// Prints "passed failed" of a runner's JSON report, "0 1" where there is none to read; then a line for each test that only
// passed when it was tried once more. More than two of those are a failure: something is wrong with the tests, or worse.
const MOST_FLAKY = 2

const flaky = (suite, path = []) => [
  ...(suite.specs ?? []).filter(spec => spec.tests.some(t => t.status === 'flaky')).map(spec => [...path, spec.title].join(' › ')),
  ...(suite.suites ?? []).flatMap(inner => flaky(inner, [...path, inner.title]))
]

try {
  const report = JSON.parse(readFileSync(process.argv[2], 'utf8'))
  if (report.stats) {
    const { expected, flaky: count, unexpected } = report.stats
    console.log(expected + count, unexpected + (count > MOST_FLAKY ? 1 : 0))
    for (const name of report.suites.flatMap(suite => flaky(suite, [suite.title]))) console.log(name)
  } else console.log(report.numPassedTests, Math.max(report.numFailedTests, report.numFailedTestSuites > 0 && report.numFailedTests === 0 ? 1 : 0))
} catch {
  console.log('0 1')
}
