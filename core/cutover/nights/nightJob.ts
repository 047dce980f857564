import type { Spread } from './spread';

/** Something that is done in one of the nights, whatever it is. */
export interface NightJob {
  id: string;
  minutes: Spread;
  /** Minutes in which it is taken back where it went wrong. */
  rollBackMinutes: number;
  people: number;
  /** What one or the other of those who do it has to be able to do. */
  skills: readonly string[];
  place: string;
  /** Views that are dark for a part of it. */
  dark: readonly { view: string; minutes: number }[];
  /** Jobs that are done before it, in the same night or one before. */
  needs: readonly string[];
  /** A job that has to be in the same night: what that leaves dark, this brings back. */
  sameNight: string | null;
  /** Something that is restarted once a night at most. */
  restarts: string | null;
  /** Where a lift stands for it; `null` where none does. */
  lift: string | null;
  /** Ids of people who have to be among those who do it. */
  by: readonly string[];
  /** The only night that it may be in, counted from 0. */
  pinned: number | null;
  /** The only nights that it can be in, counted from 0, and why; `null` where any will do. */
  allowed: AllowedNights | null;
  /** The hours of a shift that all of it has to be in, with what takes it back; `null` where any will do. */
  window: JobWindow | null;
}

export interface AllowedNights {
  nights: readonly number[];
  why: string;
}

/** A part of a shift, in minutes after its beginning. */
export interface JobWindow {
  from: number;
  to: number;
  /** What asks for it. */
  why: string;
}

/** Whether a job may be in a night, whatever else is in it. */
export const mayBeInNight = ({ pinned, allowed }: Pick<NightJob, 'pinned' | 'allowed'>, night: number) =>
  (pinned === null || pinned === night) && (allowed === null || allowed.nights.includes(night));

export interface Worker {
  id: string;
  skills: readonly string[];
}

/** What nights are held to. */
export interface NightRules {
  shiftMinutes: number;
  /** The chance with which a night has to end within its shift, from 0 to 1. */
  sureChance: number;
  walkMinutes: number;
  /** Views of which at most so many are dark at once. */
  mostDark: readonly {
    name: string;
    views: readonly string[];
    most: number;
    /** The minutes in which a recorder restarts do not count: whoever watches is told of them. */
    exceptRestarts: boolean;
  }[];
  /** How many times another view’s minutes in the dark one of a view’s counts; once where it is not named. */
  weights: Readonly<Record<string, number>>;
  /** Minutes at the end of a shift that nothing is planned into: whatever was taken back is looked at once more. */
  reserveMinutes: number;
}

/** Whether people can do a job together. */
export const canDo = (job: Pick<NightJob, 'skills'>, team: readonly Worker[]): boolean =>
  job.skills.every((skill) => team.some(({ skills }) => skills.includes(skill)));

/** Whether people are a team that does a job: they can, and those whom it is given to are among them. */
const isTeam = (job: Pick<NightJob, 'skills' | 'by'>, team: readonly Worker[]): boolean =>
  canDo(job, team) && job.by.every((id) => team.some((one) => one.id === id));

/** Every team of a crew that could do a job, each by the places of its people in the crew. */
export function teamsFor(
  job: Pick<NightJob, 'people' | 'skills' | 'by'>,
  crew: readonly Worker[],
): number[][] {
  const teams: number[][] = [];
  const pick = (from: number, team: number[]): void => {
    if (team.length === job.people) {
      const people = team.map((index) => crew[index]!);
      if (isTeam(job, people)) teams.push(team);
      return;
    }
    for (let index = from; index < crew.length; index += 1) pick(index + 1, [...team, index]);
  };
  pick(0, []);
  return teams;
}
