import type { Catalogue } from '#core/model/catalogue';
import type { PictureFormat, SentPicture } from '#core/physics/signal';
import type { FeedSource, RunFindings } from '#core/test/findings';
import type { RunReadings } from '#core/test/readings';
import type { Rail } from '#core/test/volts';
import type { Camera, Place, Policies, RadioPath, Run, Site } from '#core/model/site';
import type { ViewNeed } from '#core/model/views';
import type { LineBindings } from './lineBinding';
import type { NewCameras } from './newCamera';
import type { OnAir } from './onAir';
import type { KeptCamera } from './option';
import type { Trunk } from './trunk';

/** What lies and hangs around a run. */
export interface Around {
  /** Cameras with a run at its camera's place, its own among them. */
  camerasAtPlace: () => number;
  /** Numbers of other cameras whose pictures or power go over a cable that this run lies in. */
  onSameCable: () => readonly number[];
  /** Category cables that lie together from the run's head end to its camera's place, its own among them. */
  pairsTogether: () => number;
  /** The old coax from the run's head end to its camera's place that would carry most data, its own among them. */
  trunk: () => Trunk | undefined;
  /** Whether a camera hangs on a run of the old site, and what its view needs. */
  hasRun: (cameraId: string) => boolean;
  needOf: (camera: Camera) => ViewNeed;
  /** The longest and the shortest way for new cable from a place to its camera's, and how many cameras there have such a way; nothing where none has. */
  routeFrom: (fromPlaceId: string) => { lengthM: number; shortestM: number; cameras: number };
}

/** Everything the options of one camera are worked out from. */
export interface Context {
  site: Pick<
    Site,
    | 'place'
    | 'supply'
    | 'equipment'
    | 'link'
    | 'sheath'
    | 'recorder'
    | 'run'
    | 'camera'
    | 'stream'
    | 'allocationSettings'
    | 'acceptancePolicy'
  >;
  camera: Camera;
  run: Run;
  place: Place;
  headEnd: Place;
  source: FeedSource;
  findings: RunFindings;
  readings: RunReadings;
  /** How today's camera does on its cable and its power; several options ask. */
  kept: () => KeptCamera;
  need: ViewNeed;
  /** How the old line binds whatever goes on using it, and what any new camera of its view brings with it. */
  line: LineBindings;
  newCameras: NewCameras;
  /** What it costs to put such a camera where one hangs, when the life of one ends. */
  renewing: Readonly<Record<'ip' | 'hd', number>>;
  catalogue: Catalogue;
  policies: Policies;
  /** Whether some recorder at the run's head end takes such a picture, as far as formats and schemes are noted. */
  takes: (sent: SentPicture) => 'yes' | 'no' | 'unknown';
  /** HD formats that some recorder at the run's head end takes, up to the one the view deserves, best first. */
  hdFormats: () => readonly PictureFormat[];
  /** The radio path from the camera's place that somebody noted, and the Mb/s of all cameras there together. */
  radioPath: RadioPath | undefined;
  airOver: (path: RadioPath) => OnAir;
  mbpsAtPlace: () => number;
  /** What other cameras and runs are around it. */
  around: Around;
  /** The rail of the supply box that feeds the run; none where it has an adapter. */
  rail: () => Rail | undefined;
}
