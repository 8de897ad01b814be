import { writeFileSync } from 'node:fs'
import type { FullConfig, Reporter, TestCase, TestResult } from '@playwright/test/reporter'

/** Writes down each test's seconds, in all and computing, for "bin/test --times"; and, of what failed, how it is run alone. */
export default class TimesReporter implements Reporter {
  private readonly rows: string[] = []
  private readonly failed = new Set<string>()
  private root = ''

  constructor(private readonly options: { file: string }) {}

  onBegin(config: FullConfig): void {
    this.root = config.rootDir
  }

  onTestEnd(test: TestCase, result: TestResult): void {
    const computing = result.annotations.findLast(({ type }) => type === 'computing')?.description ?? '0'
    const file = test.location.file.replace(`${this.root}/`, '')
    this.rows.push([result.duration / 1000, computing, `${file}: ${test.title}`].join('\t'))
    if (result.status !== test.expectedStatus) this.failed.add(`${file}:${test.location.line}`)
  }

  onEnd(): void {
    writeFileSync(this.options.file, `${this.rows.join('\n')}\n`)
    for (const place of this.failed) console.log(`\nAlone: bin/test browser tests/browser/${place}`)
  }
}
