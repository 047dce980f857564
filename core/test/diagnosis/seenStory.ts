import { symptoms, type Symptom } from '#core/physics/picture';
import { troubles, type Trouble } from './causes';
import type { DiagnosisInput } from './looked';
import {
  failsAtHeadEnd,
  failsOnLocalSupply,
  inventsSymptom,
  linkFails,
  linkFailsAnyway,
  shows,
  starved,
  swapGoesWrong,
} from './practice';
import { placeOf, setOf, story, type Story, type TroubleSet } from './troubleSets';

/** Chance that none of what a trouble does shows, for each trouble by its place in the list. */
const noneOf = (table: Partial<Record<Trouble, number>>): number[] =>
  troubles.map((trouble) => 1 - (table[trouble] ?? 0));

const hides = (symptom: Symptom): number[] => troubles.map((trouble) => 1 - (shows[trouble]?.[symptom] ?? 0));
const symptomHidden = symptoms.map(hides);
const worksAtHeadEnd = noneOf(failsAtHeadEnd);
const worksOnLocalSupply = noneOf(failsOnLocalSupply);
const links = noneOf(linkFails);

/** Chance that something does not happen under these troubles, each of which could make it by itself; `usual` is that of none. */
function withNone(none: readonly number[], set: TroubleSet, usual: number): number {
  let chance = usual;
  for (let left = set; left !== 0; left &= left - 1) chance *= none[placeOf(left)]!;
  return chance;
}

/** Volts so far under the window that a camera is starved. */
const surelyUnder = 0.985;
/** A trouble of the power that the volts do not show starves a camera at times all the same. */
const unseenShare = 0.12;
/** By day it does so less often than at night. */
const byDayShare = 0.25;

/** Troubles that take volts from a camera. */
const hungry = setOf('supply', 'power-drop', 'power-construction', 'power-joint');

/** Chance that starving does not show as each symptom, by the volts that were read; where none were, by what could starve it. */
function notStarved({ camera, readings }: DiagnosisInput, isFaulty: boolean): number[] {
  const { minVolts } = camera.supply.window;
  const [day, night] = [readings['day-volts']?.value, readings['night-volts']?.value];
  const isUnder = (volts: number | undefined): boolean =>
    volts !== undefined && volts > 0 && volts < surelyUnder * minVolts;
  const dayShare = isUnder(day) ? 1 : day === undefined && isFaulty ? byDayShare * starved.unread : 0;
  const nightShare = isUnder(night) ? 1 : isFaulty ? (night === undefined ? starved.unread : unseenShare) : 0;
  const [byDay, atNight]: Partial<Record<Symptom, number>>[] = [starved.byDay, starved.atNight];
  return symptoms.map(
    (symptom) => (1 - dayShare * (byDay![symptom] ?? 0)) * (1 - nightShare * (atNight![symptom] ?? 0)),
  );
}

/** With no picture, or only test bars, nothing else can be seen. */
const hiding: ReadonlySet<Symptom> = new Set(['no-picture', 'test-bars-only']);

/** What a picture, both swaps and a link over converters tell: symptoms of every trouble that stands, seen by somebody who may be wrong. */
export function seenStory(looked: DiagnosisInput): Story {
  const { readings, verdicts } = looked;
  const { picture, link } = readings;
  const [beside, local] = [readings['camera-at-head-end'], readings['camera-on-local-supply']];
  const expectedMbps = verdicts.find(({ id }) => id === 'link')?.expected?.value ?? 0;
  const fed = [notStarved(looked, false), notStarved(looked, true)];
  const seen = new Set(picture?.symptoms);
  const isHidden = [...seen].some((symptom) => hiding.has(symptom));
  /** Symptoms that could be told: all of them, or what hid the others. */
  const told = symptoms.flatMap((symptom, index) =>
    !isHidden || (hiding.has(symptom) && seen.has(symptom)) ? [{ index, isSeen: seen.has(symptom) }] : [],
  );

  function pictureLog(set: TroubleSet): number {
    const notStarving = fed[(set & hungry) !== 0 ? 1 : 0]!;
    let chance = 1;
    for (const { index, isSeen } of told) {
      const none = withNone(symptomHidden[index]!, set, (1 - inventsSymptom) * notStarving[index]!);
      chance *= isSeen ? 1 - none : none;
    }
    return Math.log(chance);
  }
  const swapLog = (fails: boolean, works: number): number => Math.log(fails ? 1 - works : works);

  return story(troubles, (set) => {
    let log = 0;
    if (picture) log += pictureLog(set);
    if (beside) log += swapLog(beside.found === 'fails', withNone(worksAtHeadEnd, set, 1 - swapGoesWrong));
    if (local) log += swapLog(local.found === 'fails', withNone(worksOnLocalSupply, set, 1 - swapGoesWrong));
    if (link)
      log += swapLog(
        link.throughputMbps < Math.max(1, expectedMbps / 2),
        withNone(links, set, 1 - linkFailsAnyway),
      );
    return log;
  });
}
