import type { Objection } from '#core/cutover/nights';
import { listed } from '#core/shared/labels';
import { formatLimit, formatQuantity } from '#core/shared/units';

/** How things are called where an objection is read. */
export interface NightNames {
  /** What is done to what. */
  task: (id: string) => string;
  person: (id: string) => string;
  thing: (id: string) => string;
  /** A night by its place among the nights. */
  night: (night: number) => string;
  clock: (minutes: number) => string;
}

const skillWords: Readonly<Record<string, string>> = {
  cable: 'works on cable ends',
  network: 'works on recorders and switches',
  height: 'works at height',
  electrician: 'is an electrician',
};

/** What is against a night, in a sentence that names the rule. */
export function objectionInWords(
  objection: Objection,
  { task, person, thing, night, clock }: NightNames,
): string {
  switch (objection.kind) {
    case 'closed':
      return 'No night begins on this date: it is no working day, or nothing may be touched on it.';
    case 'begun':
      return 'That night has begun, or is over: nothing more goes into it. Plan the rest again.';
    case 'full':
      return `A night holds at most ${objection.most} tasks.`;
    case 'late':
      return `${task(objection.job)} would begin at ${clock(objection.start)}, and after ${clock(objection.latest)} there is no time left to go back.`;
    case 'order':
      return `${task(objection.job)} has to wait for ${task(objection.first)}.`;
    case 'together':
      return `${task(objection.job)} has to be in the night of ${task(objection.other)}: its input turns under it.`;
    case 'restart':
      return `${thing(objection.of)} restarts once a night at most, and ${listed(objection.jobs.map(task))} each restart it.`;
    case 'people':
      return `${task(objection.job)} takes ${objection.people} people, and has ${objection.given}.`;
    case 'skill':
      return `${task(objection.job)} needs somebody who ${skillWords[objection.skill] ?? objection.skill}.`;
    case 'person':
      return `${task(objection.job)} is given to ${person(objection.person)}.`;
    case 'promised':
      return `${task(objection.job)} is promised for ${night(objection.night)}.`;
    case 'not-then':
      return `${task(objection.job)} cannot be in that night: ${objection.why}.`;
    case 'views':
      return `${task(objection.job)} leaves ${objection.dark} views of “${objection.rule}” dark at once, and at most ${objection.most} may be.`;
    case 'morning':
      return `${objection.of} (${objection.what}): ${formatQuantity(objection.carried, objection.unit)} asked in the morning after it, and it has ${formatLimit(objection.most, objection.unit)}. Do first what lightens it.`;
    case 'unsure':
      return `It ends within the shift with ${Math.floor(100 * objection.chance)} %, which is less than was asked for.`;
    case 'clock-change':
      return `The clocks change in this night: its shift is ${formatQuantity(Math.abs(objection.minutes), 'min')} ${objection.minutes < 0 ? 'shorter' : 'longer'} than it says, and times after the change are off by as much. Leave the date out under “Not on”, and plan again.`;
  }
}
