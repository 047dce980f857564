import { readJacketPrint } from '#core/physics/cable';
import type { Run, Segment } from '#core/model/site';
import { remembered } from '#core/shared/memo';

/** What a jacket says; the same few prints stand on all cables of a site. */
const readPrint = remembered(readJacketPrint);
const printOf = ({ print }: Segment) => (print === undefined ? undefined : readPrint(print));

/** Whether the jacket of every stretch says what metal the coax is of. */
export const isCoaxPrinted = ({ segments }: Run): boolean =>
  segments.every((segment) => printOf(segment)?.coax?.material !== undefined);

/** Whether it says what metal the cores are of that feed the camera, where these lie in the same jacket. */
export const areCoresPrinted = ({ feed, segments }: Run): boolean =>
  feed.kind === 'along-run' &&
  segments.every((segment) => {
    const print = printOf(segment);
    switch (segment.leg.kind) {
      case 'none':
        return true;
      case 'cores':
        return print?.power?.material !== undefined;
      case 'spare-pairs':
        return print?.pairs?.material !== undefined;
    }
  });
