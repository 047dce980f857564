import type { ConverterLink } from '#core/connect/converterReport';
import type { AcceptanceCheckId, AcceptanceFound, Soak } from '#core/model/site';

/** What converters say of one check of their camera. */
export interface FoundByConverter {
  check: AcceptanceCheckId;
  found: AcceptanceFound;
}

/**
 * What the converters of a link say of the checks that are asked: rate, loss and watts by their own line test, and the soak by
 * their counters. Of a link that is down only the counters are taken: an old
 * test is no reading of it.
 * @param soak what their counters come to; `null` where those cannot be used
 */
export function foundByConverter(
  { isUp, lineTest }: ConverterLink,
  soak: Soak | null,
  asked: readonly AcceptanceCheckId[],
): FoundByConverter[] {
  const figure = (check: AcceptanceCheckId, value: number): FoundByConverter => ({
    check,
    found: { kind: 'figure', value },
  });
  const told: FoundByConverter[] = [
    ...(isUp && lineTest
      ? [
          figure('throughput', lineTest.mbps),
          figure('lost-packets', lineTest.lostPercent),
          ...(lineTest.watts === null ? [] : [figure('delivered-watts', lineTest.watts)]),
        ]
      : []),
    ...(soak ? [{ check: 'soak' as const, found: soak }] : []),
  ];
  return told.filter(({ check }) => asked.includes(check));
}
