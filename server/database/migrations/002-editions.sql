-- Editions are immutable: rows are only ever added.
create table theme_editions (
  theme_id text not null references themes (id),
  number integer not null,
  document jsonb not null,
  published_at timestamptz not null default now(),
  primary key (theme_id, number)
);
-- A page's edition carries the tables as they stood; its themes follow their newest editions.
create table page_editions (
  page_id text not null references pages (id),
  number integer not null,
  document jsonb not null,
  tables jsonb not null,
  published_at timestamptz not null default now(),
  primary key (page_id, number)
);
-- The address under which a page is live. Taken away when it is unpublished.
create table live_pages (
  slug text primary key,
  page_id text not null unique references pages (id),
  number integer not null,
  foreign key (page_id, number) references page_editions (page_id, number)
);
