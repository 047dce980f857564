import type { TestId } from '#core/model/site';
import type { RunEvent } from '#core/test/findings';
import { earthStory } from './earthStory';
import { insulationStory } from './insulationStory';
import { lineStory } from './lineStory';
import type { DiagnosisInput } from './looked';
import { powerStory } from './powerStory';
import { seenStory } from './seenStory';
import type { Story } from './troubleSets';
import { wiringStory } from './wiringStory';

export type StoryOf = (looked: DiagnosisInput, events: readonly RunEvent[] | null) => Story;

/** Which story a test adds to. */
export const storyOf: Partial<Record<TestId, StoryOf>> = {
  'coax-loop-ohms': lineStory,
  reflectometer: lineStory,
  'power-loop-ohms': powerStory,
  'day-volts': powerStory,
  'night-volts': powerStory,
  'shield-earth-volts': earthStory,
  'foreign-ac-volts': earthStory,
  'insulation-megohms': insulationStory,
  continuity: wiringStory,
  'wire-map': wiringStory,
  'pair-unbalance-percent': wiringStory,
  'next-db': wiringStory,
  'insertion-loss-db': wiringStory,
  picture: seenStory,
  'camera-at-head-end': seenStory,
  'camera-on-local-supply': seenStory,
  link: seenStory,
};
