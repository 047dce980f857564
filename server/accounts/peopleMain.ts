import path from 'node:path';
import { parseArgs } from 'node:util';
import { firmRoles, type FirmRole } from '#contract';
import { StartupError } from '../startupError';
import { prepareDataFolder } from '../store/dataFolder';
import { openStore } from '../store/openStore';
import type { Orm } from '../store/orm';
import type { Accounts } from './accounts';
import { invitationMs, invite } from './invitations';
import { noteAccount } from './notes';
import { findPerson, listPeople, removePerson } from './people';

const usage = `Usage: npm run people -- COMMAND [OPTIONS]

  list                      who has an account
  invite --role ROLE        a code that makes one account: ${firmRoles.join(', ')} (staff)
  recover NAME              a code that gives somebody his account again
  remove NAME               takes an account away and signs its devices out

  --data FOLDER             the data folder of the server (data); it may be running
  --database ADDRESS        the database of servers that share one, in place of it`;

const by = 'Whoever runs the server';
const first = { site: null, siteRole: null, by };

async function named(accounts: Accounts, name: string | undefined) {
  if (name === undefined) throw new StartupError('Give a name. Try --help.');
  const person = await findPerson(accounts, name);
  if (!person)
    throw new StartupError(`Nobody here is called ${JSON.stringify(name)}. See npm run people -- list.`);
  return person;
}

const codeText = ({ code, endsAt }: { code: string; endsAt: string }): string =>
  `${code}\nIt is entered at /join, once, until ${endsAt}.`;

/** Does what is asked, and gives what is to be said of it. */
async function obey(
  accounts: Accounts,
  command: string,
  name: string | undefined,
  role: FirmRole,
): Promise<string> {
  const note = (what: string) => noteAccount(accounts, { name: by, what, address: 'here' });
  switch (command) {
    case 'list': {
      const people = await listPeople(accounts);
      return people.map((person) => `${person.name} (${person.role})`).join('\n') || 'Nobody has an account.';
    }
    case 'invite':
      await note(`invited somebody as ${role}`);
      return codeText(await invite(accounts, { ...first, role, recovers: null }, invitationMs.usual));
    case 'recover': {
      const person = await named(accounts, name);
      await note(`made a code for ${person.name}`);
      const invited = { ...first, role: person.role, recovers: person.id };
      return codeText(await invite(accounts, invited, invitationMs.recovery));
    }
    case 'remove': {
      const person = await named(accounts, name);
      if ((await removePerson(accounts, person.id)) === 'last-admin')
        throw new StartupError(`${person.name} is the only administrator. Make somebody else one first.`);
      await note(`removed ${person.name}`);
      return `${person.name} is removed.`;
    }
    default:
      throw new StartupError(`There is no command ${JSON.stringify(command)}. Try --help.`);
  }
}

async function openAt(data: string, database: string | undefined): Promise<Orm> {
  if (database !== undefined) {
    const { openDatabase } = await import('../sharedStore/openDatabase');
    return openDatabase(database);
  }
  const dataDir = path.resolve(data);
  prepareDataFolder(dataDir);
  return openStore(dataDir);
}

async function main(): Promise<void> {
  const { values, positionals } = parseArgs({
    allowPositionals: true,
    options: {
      data: { type: 'string', default: 'data' },
      database: { type: 'string' },
      role: { type: 'string', default: 'staff' },
      help: { type: 'boolean', short: 'h', default: false },
    },
  });
  const [command, name] = positionals;
  if (values.help || command === undefined) return console.log(usage);
  const role = firmRoles.find((one) => one === values.role);
  if (!role)
    throw new StartupError(`--role is ${JSON.stringify(values.role)}, allowed: ${firmRoles.join(', ')}.`);
  const orm = await openAt(values.data, values.database);
  try {
    console.log(await obey({ orm, now: () => new Date().toISOString() }, command, name, role));
  } finally {
    await orm.close(true);
  }
}

try {
  await main();
} catch (error) {
  console.error(error instanceof Error ? error.message.split('\n')[0] : error);
  process.exitCode = 2;
}
