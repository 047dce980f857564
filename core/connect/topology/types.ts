import type { LinkMedium } from '#core/model/site';
import type { Load } from '#core/shared/derivation';

/** What a stroke of the tree runs over: what links of the site do, and what cameras hang on. */
export type Medium = LinkMedium | 'coax-picture' | 'coax-data' | 'balun' | 'patch';

/** Whether a device or a link is there, is still to come, or goes when all is done. */
export type Standing = 'there' | 'planned';

export type DeviceKind =
  'recorder' | 'switch' | 'router' | 'coax-unit' | 'field-switch' | 'encoder' | 'injector' | 'link-end';

/** Network gear between recorders and cameras, and the recorders themselves. */
export interface Device {
  id: string;
  kind: DeviceKind;
  /** A switch whose ports reach further than Ethernet does. */
  isLongReach?: true;
  name: string;
  placeId: string;
  standing: Standing;
  /** It is bought for what is chosen, and noted nowhere. */
  isOfPlan?: true;
  /** Ports for cameras and other gear; nobody counts those of a recorder or a router. */
  ports: number | null;
  /** How many of the ports give power, where that is not all of them. */
  poePorts?: number | undefined;
  /** Watts that its ports give together, and the most that one gives. */
  poeWatts: number;
  portWatts: number;
  /** What of its ports and watts others take: desks, phones, doors. */
  taken: { ports: number; watts: number };
  /** What goes through the port that leads on. */
  uplinkMbps: number;
}

/** A stroke between two devices. `from` is nearer to where it was drawn from. */
export interface TopologyLink {
  id: string;
  name: string;
  fromId: string;
  toId: string;
  medium: Medium;
  lengthM: number;
  carriesMbps: number;
  standing: Standing;
}

/** How a camera hangs on the network, or on a recorder's own input; `runId` is of a camera of the old site. */
export interface CameraEnd {
  cameraId: string;
  runId: string | null;
  number: number;
  name: string;
  placeId: string;
  /** What it hangs on; nothing where its way is not known. */
  deviceId: string | null;
  recorderId: string | null;
  medium: Medium;
  lengthM: number;
  /** What it sends into the network; nothing over a coax input. */
  mbps: number;
  /** What its own radio was seen to carry, where it comes by radio. */
  airMbps?: number | undefined;
  /** What its port has to be able to give. */
  watts: number;
  /** What its port gives by night, where that is known to be less. */
  nightWatts?: number | undefined;
  /** The camera whose old coax carries the switch that it hangs on. */
  onCoaxOf?: string | undefined;
  /** Whether its cable is one that is still to be pulled, so that it could come from another closet. */
  isNewCable: boolean;
  /** Whether a person said what it hangs on. */
  isPinned: boolean;
}

/** The whole of it at one moment: today, when all is done, or on a morning between. */
export interface Topology {
  devices: Device[];
  links: TopologyLink[];
  cameras: CameraEnd[];
}

/** The way of a camera's picture to its recorder. */
export interface CameraWay {
  cameraId: string;
  linkIds: string[];
  deviceIds: string[];
}

/** A device with how much of what it has is taken. */
export interface DeviceLoad {
  deviceId: string;
  loads: Load[];
}

export interface LinkLoad {
  linkId: string;
  load: Load;
}

/** Something that is wrong with it, in words, with the cameras it is about. */
export interface TopologyFinding {
  kind:
    | 'no-way'
    | 'no-device'
    | 'no-recorder'
    | 'pin-lost'
    | 'coax-taken'
    | 'loop'
    | 'past-limit'
    | 'unnoted-air'
    | 'no-power'
    | 'too-long';
  message: string;
  remedy: string;
  cameraNumbers: number[];
}

/** What goes dark when one thing fails. */
export interface Failure {
  of: { kind: 'device' | 'link'; id: string };
  name: string;
  cameraIds: string[];
}

/** Why a way is longer than what it runs over allows, and what helps. */
export interface TooFar {
  why: string;
  remedy: string;
}
