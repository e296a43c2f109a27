import { Migration } from '@mikro-orm/migrations';

/** The first tables. */
class Migration0001 extends Migration {
  override up(): void {
    this.addSql(`create table aircraft (
      id text primary key, name text not null, version integer not null, schema integer not null,
      document text not null, created_at text not null, updated_at text not null) strict`);
    this.addSql(`create table journal (
      id integer primary key autoincrement,
      aircraft text not null references aircraft (id) on delete cascade,
      version integer not null, edit_id text not null, author text not null, at text not null,
      schema integer not null, title text not null, edit text not null, inverse text not null, undo_of text,
      unique (aircraft, edit_id), unique (aircraft, version)) strict`);
    this.addSql('create index journal_author on journal (aircraft, author, version)');
    this.addSql('create index journal_undo on journal (aircraft, undo_of) where undo_of is not null');
    this.addSql('create table part (key text primary key, content text not null) strict');
    this.addSql(`create table snapshot (
      aircraft text not null references aircraft (id) on delete cascade,
      version integer not null, schema integer not null, content blob not null, primary key (aircraft, version)) strict`);
    this.addSql(`create table summary (
      aircraft text primary key references aircraft (id) on delete cascade,
      version integer not null, checks_version integer not null, items integer not null, cables integer not null,
      stops integer not null, mends integer not null, notes integer not null) strict`);
  }
}

/** In order. Named by hand, so that the names do not depend on how the code was built. */
export const migrations = [{ name: '0001-first-tables', class: Migration0001 }];
