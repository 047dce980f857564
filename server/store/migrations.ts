import { Migration } from '@mikro-orm/migrations';

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

/** In the order they run. A migration that has shipped is never changed. */
export const migrations = [
  { name: '0001-first-tables', class: FirstTables },
  { name: '0002-archived-sites', class: ArchivedSites },
];
