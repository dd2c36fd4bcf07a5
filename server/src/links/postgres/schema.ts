/**
 * What is kept: links by the hash of their token, their files in pieces, and what all of it takes together, in one row, so
 * that several servers count it alike. A file of which no link knows is being written, or was left by a server that ended.
 */
export const SCHEMA = `
create table if not exists files (
  id uuid primary key,
  size bigint not null default 0,
  touched_at timestamptz not null default now()
);
create table if not exists pieces (
  file uuid not null references files on delete cascade,
  number integer not null,
  bytes bytea not null,
  primary key (file, number)
);
create table if not exists links (
  hash text primary key,
  record text not null,
  expires_at bigint not null,
  file uuid references files,
  notes text,
  beside bigint not null default 0
);
create index if not exists links_by_expiry on links (expires_at);
create index if not exists links_by_file on links (file);
create table if not exists openings (
  id bigint generated always as identity primary key,
  link text not null references links on delete cascade,
  at bigint not null
);
create index if not exists openings_by_link on openings (link, id);
create table if not exists answers (
  id bigint generated always as identity primary key,
  link text not null references links on delete cascade,
  line text not null
);
create index if not exists answers_by_link on answers (link, id);
create table if not exists held (
  one boolean primary key default true check (one),
  bytes bigint not null
);
insert into held (bytes) values (0) on conflict do nothing;
create unlogged table if not exists hits (
  key text primary key,
  count integer not null,
  resets_at timestamptz not null
);
`;

/** Servers that start at once make the tables one after the other: any number, the same for all. */
export const SCHEMA_LOCK = 6_277_801;
