import { expose } from 'comlink';
import { describe, expect, it } from 'vitest';
import { threadCalls } from './threadCalls';

interface Doubles {
  double: (figure: number) => number;
}
const channels: MessageChannel[] = [];
/** A thread as the page sees one; `hears` says whether its program was there to be fetched. */
function thread(hears: boolean): Worker {
  const { port1, port2 } = new MessageChannel();
  channels.push({ port1, port2 });
  if (hears) expose({ double: (figure: number) => 2 * figure }, port2);
  return Object.assign(port1, { terminate: () => port1.close() }) as unknown as Worker;
}

describe('calls of a thread', () => {
  it('are answered by one thread, begun with the first', async () => {
    let begun = 0;
    const calls = threadCalls<Doubles>(() => ((begun += 1), thread(true)));
    expect(begun).toBe(0);
    expect(await calls.double(21)).toBe(42);
    expect(await calls.double(4)).toBe(8);
    expect(begun).toBe(1);
    channels.forEach(({ port1 }) => port1.close());
  });

  it('fail with a thread that could not be fetched, which is told once, and the next call begins anew', async () => {
    const [begun, told]: [Worker[], string[]] = [[], []];
    const calls = threadCalls<Doubles>(
      () => {
        begun.push(thread(begun.length > 0));
        return begun.at(-1)!;
      },
      () => told.push('failed'),
    );
    const waiting = [calls.double(1), calls.double(2)];
    begun[0]!.dispatchEvent(new Event('error'));
    for (const one of waiting) await expect(one).rejects.toThrow('a thread has failed');
    expect(told).toEqual(['failed']);
    expect(await calls.double(3)).toBe(6);
    expect(begun).toHaveLength(2);
    channels.forEach(({ port1 }) => port1.close());
  });
});
