import {
  nextStep,
  planOf,
  stepInWords,
  stepsLeft,
  stillWrong,
  type Applying,
  type DevicePlan,
  type DeviceStep,
  type Report,
} from '#core/allocate/device';
import type { ApplyingRecords } from './applyingRecords';
import type { DeviceLine } from './recorderClient';
import type { ServerLog } from '../log/serverLog';
import { DeviceError } from '../devices/deviceError';

export interface ApplyPatience {
  /** How long one answer may take. */
  answerMs: number;
  /** How long a recorder may be silent after it was told to restart, and how long it may be otherwise. */
  restartMs: number;
  silentMs: number;
  /** Between one try and the next. */
  pauseMs: number;
}

const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

/** Asks until there is an answer, for as long as the recorder may be silent. */
async function patiently<T>(ask: () => Promise<T>, longestMs: number, pauseMs: number): Promise<T> {
  const until = Date.now() + longestMs;
  for (;;) {
    try {
      return await ask();
    } catch (error) {
      if (!(error instanceof DeviceError) || error.kind !== 'unreachable' || Date.now() >= until) throw error;
      await pause(pauseMs);
    }
  }
}

/** So often a step may be taken again where the recorder says it did it and does not show it. */
const mostTries = 3;

/** A plan of the largest recorder is some hundred steps; one that goes on is not getting anywhere. */
const mostSteps = 400;

/**
 * Brings a recorder to its plan, one step after another. After each it is asked anew what it holds, so that it makes no
 * difference whether this is the first try or one after a break. Ends in a state other than `running`, and rejects never.
 */
export async function apply(
  first: Applying,
  line: DeviceLine,
  records: Pick<ApplyingRecords, 'write'>,
  patience: ApplyPatience,
  stopped: () => boolean,
  log: Pick<ServerLog, 'fault'>,
): Promise<Applying> {
  let at: Applying = { ...first, state: 'running', why: null, wrong: [] };
  const note = (news: Partial<Applying>): Promise<void> => {
    at = { ...at, ...news };
    return records.write(at);
  };
  /** The end is told even where it can no longer be written down. */
  const noteEnd = async (news: Partial<Applying>): Promise<void> => {
    try {
      await note(news);
    } catch (error) {
      log.fault('What was done at a recorder could not be written down', error);
    }
  };
  const goal: DevicePlan = at.goal === 'plan' ? at.plan : planOf(at.before);
  let silentMs = patience.silentMs;
  let last = { step: '', times: 0 };
  // What a plan does not speak of, such as the time source, goes back with the settings.
  let settingsBack = at.goal === 'plan';

  async function perform(step: DeviceStep): Promise<void> {
    if (step.kind === 'save') return note({ settings: await line.settings() });
    if (step.kind === 'restore') {
      settingsBack = true;
      return line.restore(at.settings!);
    }
    await line.perform(step);
    silentMs = step.kind === 'split' ? patience.restartMs : patience.silentMs;
  }

  try {
    await note({});
    await patiently(() => line.open(at.by), silentMs, patience.pauseMs);
    for (;;) {
      const report: Report = await patiently(line.report, silentMs, patience.pauseMs);
      silentMs = patience.silentMs;
      const kept = { settings: at.settings !== null };
      const step =
        nextStep(report, goal, kept) ??
        (!settingsBack && kept.settings ? ({ kind: 'restore' } as const) : null);
      if (!step) {
        await note({ state: 'done', doing: '', left: [], wrong: stillWrong(report, goal) });
        break;
      }
      const doing = stepInWords(step);
      const left = stepsLeft(report, goal, kept).slice(1).map(stepInWords);
      if (stopped()) {
        await note({
          state: 'stopped',
          doing,
          left,
          why: 'Stopped. The recorder is as it was left after the last step.',
        });
        break;
      }
      last = last.step === doing ? { step: doing, times: last.times + 1 } : { step: doing, times: 1 };
      if (at.done.length >= mostSteps)
        throw new DeviceError(
          'refused',
          `After ${mostSteps} steps the recorder is still not at its plan; it changes as it is brought there. Nothing more was done.`,
        );
      if (last.times > mostTries)
        throw new DeviceError('refused', 'The recorder says it did this, and does not show it.');
      await note({ doing, left });
      await perform(step);
      await note({ done: [...at.done, doing] });
    }
  } catch (error) {
    const known = error instanceof DeviceError;
    const isFull = (error as { code?: string }).code === 'ENOSPC';
    await noteEnd({
      state: known && error.kind === 'refused' ? 'refused' : 'broken-off',
      why: known
        ? error.message
        : isFull
          ? 'The disk is full, so nothing more could be written down. Make room, then go on or go back.'
          : 'The program went wrong while it talked to the recorder.',
    });
    if (!known && !isFull) log.fault('Bringing a recorder to its plan failed', error);
  }
  await line.close();
  return at;
}
