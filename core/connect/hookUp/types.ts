/** A thing that a line starts, ends or passes at. */
export interface Station {
  /** What it is, and where. */
  name: string;
  where: string;
  /** What the line is plugged, screwed or crimped into there, from the recorder's side to the camera's. */
  terminals: string[];
}

/** What joins one station to the next. */
export interface Span {
  label: string;
  /** Which conductors of it are used, and for what. */
  cores: string;
  lengthM: number;
  look: 'coax' | 'pair' | 'cores' | 'fibre' | 'radio' | 'patch';
}

/** One way from the head end to the camera: stations, with a span between each and the next. */
export interface HookUpLine {
  carries: 'picture' | 'data' | 'data and power' | 'power' | 'steering';
  stations: Station[];
  spans: Span[];
}

/** How a camera is connected from the recorder's input or the switch's port, as it is drawn for whoever connects it. */
export interface HookUp {
  title: string;
  lines: HookUpLine[];
  /** Which conductor goes where, in words: a drawing alone is misread by torchlight. */
  polarity: string[];
  cautions: string[];
  /** What the facts do not tell and somebody has to look at. */
  unknown: string[];
}

/** How a camera is connected today, and when all is done; nothing of a time at which it is not there, or nobody has chosen. */
export interface HookUps {
  today: HookUp | null;
  after: HookUp | null;
}
