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

/** Documents in pieces, so that an edit writes what it changed. */
class Migration0002 extends Migration {
  override up(): void {
    this.addSql(`create table piece (
      aircraft text not null references aircraft (id) on delete cascade,
      path text not null, content text not null, primary key (aircraft, path)) strict, without rowid`);
    this.addSql(`insert into piece (aircraft, path, content)
      select a.id, '', (
        select json_group_object(part.key, case part.type when 'object' then json('{}') else json(a.document -> part.fullkey) end)
        from json_each(a.document) part)
      from aircraft a`);
    this.addSql(`insert into piece (aircraft, path, content)
      select a.id, part.key || '/' || record.key, (a.document -> part.fullkey) -> record.fullkey
      from aircraft a, json_each(a.document) part, json_each(a.document -> part.fullkey) record
      where part.type = 'object'`);
    this.addSql('alter table aircraft drop column document');
  }
}

/** Parts of the workshop's own, in revisions. */
class Migration0003 extends Migration {
  override up(): void {
    this.addSql(`create table part_revision (
      part text not null, revision integer not null, key text not null references part (key),
      at text not null, by text not null, primary key (part, revision)) strict, without rowid`);
  }
}

/** Facts of the workshop as a whole, by name. A restore may have made the table before. */
class Migration0004 extends Migration {
  override up(): void {
    this.addSql('create table if not exists workshop (name text primary key, value text not null) strict, without rowid');
  }
}

/** Dialects as documents, and those of the workshop's own in revisions. */
class Migration0005 extends Migration {
  override up(): void {
    this.addSql('create table dialect (key text primary key, content text not null) strict');
    this.addSql(`create table dialect_revision (
      dialect text not null, revision integer not null, key text not null references dialect (key),
      at text not null, by text not null, primary key (dialect, revision)) strict, without rowid`);
  }
}

/** Dumps of controllers. */
class Migration0006 extends Migration {
  override up(): void {
    this.addSql(`create table dump (
      id text primary key, aircraft text not null references aircraft (id) on delete cascade,
      controller text not null, at text not null, by text not null, note text not null, lines integer not null,
      calibration text not null, content blob not null, removed_at text) strict`);
    this.addSql('create index dump_aircraft on dump (aircraft, at)');
  }
}

/** In order. Named by hand, so that the names do not depend on how the code was built. */
export const migrations = [
  { name: '0001-first-tables', class: Migration0001 },
  { name: '0002-documents-in-pieces', class: Migration0002 },
  { name: '0003-parts-of-ones-own', class: Migration0003 },
  { name: '0004-the-workshop', class: Migration0004 },
  { name: '0005-dialects', class: Migration0005 },
  { name: '0006-dumps', class: Migration0006 },
];
