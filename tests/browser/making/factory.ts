import { spawn, type ChildProcessWithoutNullStreams } from 'node:child_process'
import { createInterface } from 'node:readline'

export type BenchName = 'Alder' | 'Birch' | 'Hazel' | 'Rowan'

/** What a teacher has when a test begins. */
export interface Furnishing {
  /** Benches that are switched on, with their probes as they were calibrated. */
  benches?: readonly BenchName[]
  /** Monday's whey, or all experiments of Larkfield; their benches are put away where they are not switched on. */
  has?: 'whey' | 'all'
}

/** A teacher that was made, with the numbers of what belongs to them. */
export interface Made {
  id: number
  email: string
  password: string
  benches: Record<string, number>
  /** By serial number. */
  probes: Record<string, number>
  /** By title. */
  experiments: Record<string, number>
  /** The first run of each experiment, by its title. */
  runs: Record<string, number>
}

/** The process that makes teachers in the copy under test; each worker has one. */
class Factory {
  private process: ChildProcessWithoutNullStreams | null = null
  private answers: AsyncIterator<string> | null = null
  private last: Promise<unknown> = Promise.resolve()
  private present: number[] = []

  async teacher(furnishing: Furnishing): Promise<Made> {
    const made = (await this.ask({ do: 'teacher', ...furnishing })) as Made
    this.present.push(made.id)
    return made
  }

  /** Hands do something at a simulated bench, or its time goes on; also where the page is offline. */
  async act(bench: number, details: Record<string, unknown>): Promise<void> {
    await this.ask({ do: 'act', bench, details })
  }

  /** All of them go, with their benches, however their test ended. */
  async leave(): Promise<void> {
    for (const teacher of this.present.splice(0)) await this.ask({ do: 'leave', teacher })
  }

  /** One question after the other; of a process that has ended, a new one is asked. */
  private ask(question: Record<string, unknown>): Promise<unknown> {
    const answer = this.last.then(async () => {
      const line = (await this.answerTo(question)) ?? (await this.answerTo(question))
      if (line === null) throw new Error('The factory of the tests ends again and again; what it said stands above.')
      const told = JSON.parse(line) as { problem?: string }
      if (told.problem !== undefined) throw new Error(told.problem)
      return told
    })
    this.last = answer.catch(() => undefined)
    return answer
  }

  /** Null if the process has ended before it answered. */
  private async answerTo(question: Record<string, unknown>): Promise<string | null> {
    const { process, answers } = this.started()
    process.stdin.write(`${JSON.stringify(question)}\n`)
    const answer = await answers.next()
    if (answer.done !== true) return answer.value
    this.process = null
    return null
  }

  private started() {
    if (this.process === null || this.answers === null) {
      // It ends with this process, which closes its input.
      this.process = spawn('php', ['-d', 'opcache.enable_cli=1', 'tests/browser/making/factory.php'])
      this.process.stderr.on('data', (said: Buffer) => {
        console.error(said.toString())
      })
      // Written to after its end, it is asked again.
      this.process.stdin.on('error', () => undefined)
      this.process.on('exit', (code, signal) => {
        console.error(`The factory of the tests has ended: ${String(signal ?? code)}.`)
      })
      this.process.unref()
      this.answers = createInterface({ input: this.process.stdout })[Symbol.asyncIterator]()
    }
    return { process: this.process, answers: this.answers }
  }
}

export const factory = new Factory()
