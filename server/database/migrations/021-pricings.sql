-- zest-pricing/1: pricing tables, each a document of its own, and their editions, which stay as they are.
create table pricings (
  id text primary key,
  document jsonb not null,
  revision integer not null default 1,
  created_at timestamptz not null default now(),
  updated_at timestamptz not null default now(),
  deleted_at timestamptz
);
create table pricing_editions (
  pricing_id text not null references pricings (id),
  number integer not null,
  document jsonb not null,
  published_at timestamptz not null default now(),
  primary key (pricing_id, number)
);
