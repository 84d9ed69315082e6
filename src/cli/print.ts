/** Prints a result: as JSON, or as lines for people. */
export function print(json: boolean | undefined, document: unknown, lines: () => readonly string[]): void {
  process.stdout.write(json ? `${JSON.stringify(document, null, 2)}\n` : `${lines().join('\n')}\n`)
}
