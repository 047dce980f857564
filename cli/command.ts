/** What a command says, and its exit status. */
export interface Said {
  status: number;
  out: string;
  errors: readonly string[];
}

/** The one line that a person needs of whatever went wrong. */
const firstLine = (error: unknown): string =>
  (error instanceof Error ? error.message : String(error)).split('\n')[0]!;

/**
 * Says what a command came to, or how it is used where that is asked. Whatever goes wrong in it is one line on standard error and status 2;
 * whoever reads may stop early.
 */
export async function command(
  usage: string,
  run: (args: readonly string[]) => Said | Promise<Said>,
): Promise<void> {
  const args = process.argv.slice(2);
  process.stdout.on('error', (error: NodeJS.ErrnoException) => {
    if (error.code !== 'EPIPE') process.exitCode = 2;
  });
  let said: Said;
  try {
    const isHelp = args.includes('--help') || args.includes('-h');
    said = isHelp ? { status: 0, out: `Usage: ${usage}`, errors: [] } : await run(args);
  } catch (error) {
    said = { status: 2, out: '', errors: [firstLine(error)] };
  }
  for (const line of said.errors) process.stderr.write(`${line}\n`);
  if (said.out) process.stdout.write(`${said.out}\n`);
  process.exitCode = said.status;
}
