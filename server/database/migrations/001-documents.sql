-- What a person makes: themes, tables, pages. The document is the whole of it; the revision counts its saves.
-- A deleted document keeps its row, so that deleting can be undone.
create table themes (
  id text primary key,
  key text not null unique,
  document jsonb not null,
  revision integer not null default 1,
  created_at timestamptz not null default now(),
  updated_at timestamptz not null default now(),
  deleted_at timestamptz
);
create table tables (
  id text primary key,
  document jsonb not null,
  revision integer not null default 1,
  created_at timestamptz not null default now(),
  updated_at timestamptz not null default now(),
  deleted_at timestamptz
);
create table pages (
  id text primary key,
  document jsonb not null,
  revision integer not null default 1,
  created_at timestamptz not null default now(),
  updated_at timestamptz not null default now(),
  deleted_at timestamptz
);
