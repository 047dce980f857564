import { describe, expect, it } from 'vitest';
import { shortId } from './shortId';

const place = 'marshalling-office-east-wing';

describe('the id of a task', () => {
  it('stays as it is where it is short', () => expect(shortId('swap-c17')).toBe('swap-c17'));
  it('tells two apart that differ behind what it has room for, and is the same every time', () => {
    const ids = ['-1', '-2', '-12'].map((end) =>
      shortId(`build-field-switch-on-fibre-${place}-${place}${end}`),
    );
    expect(new Set(ids).size).toBe(3);
    for (const id of ids) expect(id).toMatch(/^build-field-switch-on-fibre-[a-z0-9-]+$/);
    expect(Math.max(...ids.map(({ length }) => length))).toBe(58);
    expect(shortId(`build-field-switch-on-fibre-${place}-${place}-1`)).toBe(ids[0]);
  });
});
