import { Migration } from '@mikro-orm/migrations';
import { upgradeEntry, upgradeStoredFact } from '#core/model/site';
import { linkOf } from './editChain';

interface FactText {
  site: string;
  kind: string;
  id: string;
  fact: string;
}
interface EntryText {
  id: string;
  entry: string;
}

/** Sites, their facts as documents, and the log of edits. */
export class FirstTables extends Migration {
  override up(): void {
    this.addSql(
      'create table site (id text primary key, name text not null, version integer not null, created_at text not null, changed_at text not null) strict',
    );
    this.addSql(
      'create table fact (site text not null references site (id) on delete cascade, kind text not null, id text not null, fact text not null, primary key (site, kind, id)) strict, without rowid',
    );
    this.addSql(
      'create table edit (site text not null references site (id) on delete cascade, version integer not null, id text not null unique, entry text not null, primary key (site, version)) strict',
    );
  }

  override down(): void {
    for (const table of ['edit', 'fact', 'site']) this.addSql(`drop table ${table}`);
  }
}

/** Sites can be put out of the way. */
export class ArchivedSites extends Migration {
  override up(): void {
    this.addSql('alter table site add column archived_at text');
  }

  override down(): void {
    this.addSql('alter table site drop column archived_at');
  }
}

/** Kinds, fields and rule families under the names that they have today. */
export class StandardNames extends Migration {
  override async up(): Promise<void> {
    const facts = (await this.execute('select site, kind, id, fact from fact')) as FactText[];
    for (const { site, kind, id, fact } of facts) {
      const today = upgradeStoredFact({ kind, id, fact: JSON.parse(fact) as unknown });
      const text = JSON.stringify(today.fact);
      if (today.kind === kind && today.id === id && text === fact) continue;
      await this.execute(
        'update fact set kind = ?, id = ?, fact = ? where site = ? and kind = ? and id = ?',
        [today.kind, today.id, text, site, kind, id],
      );
    }
    const entries = (await this.execute('select id, entry from edit')) as EntryText[];
    for (const { id, entry } of entries)
      await this.execute('update edit set entry = ? where id = ?', [
        JSON.stringify(upgradeEntry(JSON.parse(entry))),
        id,
      ]);
  }

  override down(): void {
    throw new Error('names of an earlier version are not given back');
  }
}

/** Each edit is linked to the one before it by a hash, so that a log that lost or changed one is told. */
export class LinkedEdits extends Migration {
  override async up(): Promise<void> {
    await this.execute("alter table edit add column link text not null default ''");
    const sites = (await this.execute('select id from site')) as { id: string }[];
    for (const { id: site } of sites) {
      const edits = (await this.execute('select version, entry from edit where site = ? order by version', [
        site,
      ])) as { version: number; entry: string }[];
      let link = '';
      for (const { version, entry } of edits) {
        link = linkOf(link, entry);
        await this.execute('update edit set link = ? where site = ? and version = ?', [link, site, version]);
      }
    }
  }

  override down(): void {
    this.addSql('alter table edit drop column link');
  }
}

/** Deleted sites stay in a bin for a while, hosts of devices are allowed by site, and old edits are kept in packed blocks. A later change of what an edit says unpacks them first. */
export class BinHostsAndBlocks extends Migration {
  override up(): void {
    this.addSql('alter table site add column binned_at text');
    this.addSql(
      `create table allowed_host (
        site text not null references site (id) on delete cascade,
        host text not null, by text not null, at text not null,
        primary key (site, host)) strict`,
    );
    this.addSql('create table erased_site (id text primary key, erased_at text not null) strict');
    this.addSql(
      `create table edit_block (
        site text not null references site (id) on delete cascade,
        first integer not null, texts blob not null,
        primary key (site, first)) strict`,
    );
  }

  override down(): void {
    throw new Error('packed edits are not given back');
  }
}

/** People, how they sign in, and what they may do on which site. */
export class Accounts extends Migration {
  override up(): void {
    for (const table of [
      `person (id text primary key, name text not null, name_key text not null unique, role text not null,
        password_hash text, time_code_secret text, time_code_step integer, created_at text not null, removed_at text)`,
      `passkey (id text primary key, person text not null references person (id) on delete cascade,
        public_key text not null, counter integer not null, name text not null, created_at text not null)`,
      `session (id text primary key, person text not null references person (id) on delete cascade,
        device text not null, address text not null, created_at text not null, seen_at text not null)`,
      `member (site text not null references site (id) on delete cascade,
        person text not null references person (id) on delete cascade, role text not null, primary key (site, person))`,
      `invitation (id text primary key, role text not null, site text references site (id) on delete cascade,
        site_role text, recovers text references person (id) on delete cascade, by text not null, ends_at text not null)`,
      `challenge (id text primary key, challenge text not null, ends_at text not null)`,
      `failed_sign_in (name_key text primary key, count integer not null, last_at text not null, locked_until text not null)`,
      `account_note (id integer primary key autoincrement, at text not null, name text not null, what text not null,
        address text not null)`,
    ])
      this.addSql(`create table ${table} strict`);
    this.addSql('create index session_of_person on session (person)');
    this.addSql('create index member_of_person on member (person)');
  }

  override down(): void {
    throw new Error('accounts are not given back');
  }
}

/** What belongs to the firm and to none of its sites: how it stands on papers, and how its people did at drills. */
export class FirmAndDrills extends Migration {
  override up(): void {
    this.addSql(
      "create table firm (id text primary key check (id = 'firm'), firm text not null, by text not null, at text not null) strict",
    );
    this.addSql(
      `create table drill_result (
        drill text not null, by text not null, at text not null, result text not null,
        primary key (drill, by, at)) strict`,
    );
    this.addSql('create index drill_result_by on drill_result (by)');
  }

  override down(): void {
    throw new Error('results of drills are not given back');
  }
}

/** In the order they run. A migration that has shipped is never changed. */
export const migrations = [
  { name: '0001-first-tables', class: FirstTables },
  { name: '0002-archived-sites', class: ArchivedSites },
  { name: '0003-standard-names', class: StandardNames },
  { name: '0004-linked-edits', class: LinkedEdits },
  { name: '0005-bin-hosts-and-blocks', class: BinHostsAndBlocks },
  { name: '0006-accounts', class: Accounts },
  { name: '0007-firm-and-drills', class: FirmAndDrills },
];
