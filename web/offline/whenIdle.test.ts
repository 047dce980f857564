import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { beforeIdle, whenIdle } from './whenIdle';

describe('what is done when idle', () => {
  const idle: (() => void)[] = [];
  const passIdle = () => idle.splice(0).forEach((task) => task());
  beforeEach(
    () => void vi.stubGlobal('window', { requestIdleCallback: (task: () => void) => idle.push(task) }),
  );
  afterEach(() => void vi.unstubAllGlobals());

  it('waits until nobody waits for anything, whether that came right or not', async () => {
    const done: string[] = [];
    whenIdle(() => done.push('at once'));
    passIdle();
    expect(done).toEqual(['at once']);

    let fail = (_: Error): void => undefined;
    const first = beforeIdle(new Promise<void>((_, reject) => (fail = reject)));
    const second = beforeIdle(Promise.resolve(7));
    whenIdle(() => done.push('after'));
    passIdle();
    expect(await second).toBe(7);
    passIdle();
    expect(done).toEqual(['at once']);
    fail(new Error('gone'));
    await expect(first).rejects.toThrow('gone');
    passIdle();
    expect(done).toEqual(['at once', 'after']);
  });
});
