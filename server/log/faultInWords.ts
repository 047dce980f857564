/** So much of what went wrong is noted: where, and not what was asked, which is a customer's. */
const mostFrames = 4;

/** What broke inside, by its kind and its place in the program. Messages of a database carry whole facts, so they are left out. */
export function faultInWords(error: unknown): { kind: string; frames: string[] } {
  const { name = 'Error', code, stack = '' } = error as Error & { code?: string };
  return {
    kind: code ? `${name} ${code}` : name,
    frames: stack
      .split('\n')
      .filter((line) => line.trimStart().startsWith('at '))
      .slice(0, mostFrames)
      .map((line) => line.trim()),
  };
}
