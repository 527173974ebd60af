// Prints "passed failed" of a runner's JSON report; "0 1" where there is none to read.
import { readFileSync } from 'node:fs'

try {
  const report = JSON.parse(readFileSync(process.argv[2], 'utf8'))
  if (report.stats) console.log(report.stats.expected + report.stats.flaky, report.stats.unexpected)
  else console.log(report.numPassedTests, Math.max(report.numFailedTests, report.numFailedTestSuites > 0 && report.numFailedTests === 0 ? 1 : 0))
} catch {
  console.log('0 1')
}
