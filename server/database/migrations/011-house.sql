-- The site's house stylesheet: one row. Pages looked so far as the one that leaves tables alone.
create table house (
  one boolean primary key default true check (one),
  document jsonb not null,
  revision integer not null default 1,
  updated_at timestamptz not null default now()
);
insert into house (document) values ('{"format": "zest-house/1", "manner": "plain", "name": "", "css": ""}');
