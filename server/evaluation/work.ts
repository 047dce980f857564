import type { Site, SiteFile } from '#core/model/site';
import type { JobKind, Jobs } from './jobs';

/** Something to be worked out of a site, as it is handed on. */
export interface Order<K extends JobKind = JobKind> {
  kind: K;
  file: SiteFile;
  asked: Jobs[K]['asked'];
}

/** Has things worked out beside whoever answers. All of it rejects where whoever was at it breaks off. */
export interface Work {
  /** The best plan that was found in the time; `busy` where as many as can be are being sought already. */
  plan: (site: Site, secondsMost: number) => Promise<Jobs['plan']['answer'] | 'busy'>;
  /** What takes a moment. */
  evaluate: <K extends Exclude<JobKind, 'plan'>>(
    kind: K,
    site: Site,
    asked: Jobs[K]['asked'],
  ) => Promise<Jobs[K]['answer']>;
  /** Ends what is under way. */
  close: () => Promise<void>;
}
